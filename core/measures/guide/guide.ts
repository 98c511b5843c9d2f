import { findMeasure } from '../catalogue.ts';
import type { FigureView } from './figure-model.ts';
import type { LandmarkId } from './landmarks.ts';

/** A point of a tape’s course: a landmark, or the place across of one at the height of another. */
export type Through = LandmarkId | readonly [x: LandmarkId, y: LandmarkId];
export interface Course {
  readonly view: FigureView;
  /** round the figure at a level; over the front or back of it; from side to side; along what it runs through */
  readonly path: 'round' | 'arc' | 'across' | 'line' | 'over' | 'limb';
  readonly through: readonly Through[];
}
/** How one measure is taken. */
export interface Guide {
  readonly how: string;
  /** the slip that is made most often */
  readonly mistake: string;
  /** found first, in this order */
  readonly first: readonly LandmarkId[];
  readonly course: Course;
}

type Row = readonly [
  how: string,
  mistake: string,
  view: FigureView,
  path: Course['path'],
  through: readonly Through[],
  first?: readonly LandmarkId[],
];

// Ways of taking are common practice of workrooms (no source); girths level and parallel to the floor as ISO 8559-1:2017
// has them (from memory). Everything is drawn by us.
// biome-ignore format: rows
const ROWS: Readonly<Record<string, Row>> = {
  'neck-base': ['Around the base of the neck, through nape, both side-necks and the front hollow. Stand the tape on its edge so that it lies in the curve.', 'Taken up on the neck itself: the neckline then strangles.', 'front', 'over', ['side-neck', 'front-hollow'], ['nape', 'side-neck', 'front-hollow']],
  'neck-mid': ['Around the middle of the neck, under the larynx, level. Two fingers lie under the tape for a collar; say so.', 'Fingers under the tape and ease again on the sheet.', 'front', 'round', [['side-neck', 'side-neck']], ['front-hollow']],
  'high-bust': ['High under both arms, level across the back, above the fullness in front. Snug, the client breathing out.', 'The tape slips down at the back and reads too large.', 'front', 'round', ['high-bust'], ['high-bust', 'underarm']],
  bust: ['Around the fullest level, parallel to the floor, in the bra that will be worn. Look in the mirror at the back of the tape.', 'The tape droops between the shoulder blades; or the breath is held.', 'front', 'round', ['bust'], ['apex']],
  underbust: ['Directly beneath the bust, level, after breathing out. The client must be able to breathe under the tape.', 'Pulled tight as a band is worn: it then holds a reduction already.', 'front', 'round', ['underbust'], ['underbust']],
  waist: ['At the cord, breath let out, tape level all round. See in the mirror that it does not droop at the back.', 'Taken where trousers are worn, not where the body folds; pulled tight to read less.', 'front', 'round', ['waist'], ['waist']],
  'high-hip': ['Over the hip bones, halfway from waist to hip, tape level. Write its drop below the waist next.', 'Taken for the hip itself.', 'front', 'round', ['high-hip'], ['high-hip']],
  'waist-to-high-hip': ['At the side, from the cord straight down to the high-hip level.', 'Read along the slant to the front.', 'front', 'line', ['waist', ['waist', 'high-hip']], ['waist', 'high-hip']],
  tummy: ['Fullest level between waist and hip, seen from the side, tape level. Write its drop below the waist next.', 'The tape follows the slope and rides up at the back.', 'side', 'round', ['tummy'], ['tummy']],
  'waist-to-tummy': ['At the side, from the cord straight down to the tummy level.', 'Read at the front over the curve.', 'side', 'line', ['waist', ['waist', 'tummy']], ['waist', 'tummy']],
  hip: ['Fullest seat, seen from the side, feet together, tape parallel to the floor. Slide it down until the number stops growing.', 'Taken at the hip bone, not at the fullest seat; pockets left full.', 'side', 'round', ['hip'], ['hip']],
  'waist-to-hip': ['At the side, from the cord over the curve down to the hip level. Write it every time: the level is part of the hip.', 'Left out because it “is always 20”.', 'side', 'line', ['waist', 'hip'], ['waist', 'hip']],
  'garment-waist': ['Around at the second cord, where the waist of this garment will sit, held as it will be worn.', 'Entered as the waist itself: two levels are then mixed.', 'front', 'round', ['garment-waist'], ['garment-waist']],
  'garment-waist-drop': ['At the side, from the waist cord to the second cord. Down counts as it is; where it lies above, say so in the note.', 'Read at the front, where the cords lie farther apart.', 'front', 'line', ['waist', ['waist', 'garment-waist']], ['waist', 'garment-waist']],
  trunk: ['From the middle of one shoulder down the front, between the legs, up the back to where it began; the client may lead the tape. Snug, not pulled.', 'Begun at the side-neck: the tape then crosses the bust aslant.', 'front', 'over', ['mid-shoulder', ['apex', 'waist'], 'crotch'], ['mid-shoulder']],
  'crotch-length': ['From the cord at the front, between the legs, to the cord at the back, as close as it will be worn. Note where it divides. The client may lead the tape.', 'The cord is pulled down at the front while reading.', 'front', 'over', [['front-hollow', 'waist'], ['front-hollow', 'hip'], 'crotch'], ['waist', 'crotch']],
  'crotch-front': ['The part of the crotch length from the cord at the front to the point between the legs.', 'The dividing point is guessed: hang a small weight on the tape there.', 'front', 'over', [['front-hollow', 'waist'], 'crotch'], ['waist', 'crotch']],
  'crotch-back': ['The part of the crotch length from the point between the legs over the seat to the cord at the back.', 'The dividing point is guessed: hang a small weight on the tape there.', 'back', 'over', [['front-hollow', 'waist'], 'crotch'], ['waist', 'crotch']],
  thigh: ['Fullest, just under the crotch, the weight on both feet, the tape level.', 'The tape is pushed into the crotch and slants.', 'front', 'limb', ['thigh'], ['thigh']],
  'mid-thigh': ['Around half way between hip level and knee, or where a short leg will end.', 'Taken on the leg that carries the weight.', 'front', 'limb', ['mid-thigh'], ['mid-thigh']],
  knee: ['Around the middle of the kneecap; for close styles with the leg slightly bent.', 'Taken straight for a close leg: it then cannot sit.', 'front', 'limb', ['knee'], ['knee']],
  'below-knee': ['Around the narrowest place under the kneecap, with the muscle tightened.', 'Taken loose for a band that must hold.', 'front', 'limb', ['below-knee'], ['below-knee']],
  calf: ['Around the fullest place of the lower leg, standing.', 'Taken seated: the muscle is then slack.', 'front', 'limb', ['calf'], ['calf']],
  ankle: ['Over the ankle bones.', 'Taken above the bones, where the hem will not lie.', 'front', 'limb', ['ankle'], ['ankle']],
  'heel-instep': ['Around heel and instep, the foot stretched: the girth a narrow hem must pass.', 'Taken around the ankle: the foot then does not go in.', 'side', 'limb', ['heel'], ['heel']],
  'bust-front': ['From side seam to side seam across the fullest front, the tape level. Set the side seam first.', 'The side seam is set too far back, so that the front takes too much.', 'front', 'arc', ['bust'], ['side-seam', 'apex']],
  'bust-back': ['From side seam to side seam across the back at the bust level.', 'The tape droops between the shoulder blades.', 'back', 'arc', ['bust'], ['side-seam', 'bust']],
  'underbust-front': ['Side to side under the bust, level.', 'Taken at another level than the under bust.', 'front', 'arc', ['underbust'], ['side-seam', 'underbust']],
  'waist-front': ['Side to side at the cord, across the front.', 'The side seam is not plumb: front and back no longer make the whole.', 'front', 'arc', ['waist'], ['side-seam', 'waist']],
  'waist-back': ['Side to side at the cord, across the back.', 'Taken as half of the whole: backs and fronts are rarely equal.', 'back', 'arc', ['waist'], ['side-seam', 'waist']],
  'tummy-front': ['Side to side at the tummy level, across the front.', 'The tape follows the slope of the cord.', 'front', 'arc', ['tummy'], ['side-seam', 'tummy']],
  'hip-front': ['From side seam to side seam across the front, at the hip level. Set the side seam first: straight down from the armpit.', 'Read to the trousers’ side seam, which lies elsewhere.', 'front', 'arc', ['hip'], ['side-seam', 'hip']],
  'hip-back': ['From side seam to side seam across the seat, at the hip level.', 'Pulled over the curve until it is flat.', 'back', 'arc', ['hip'], ['side-seam', 'hip']],
  'apex-span': ['From bust point to bust point, straight across, not into the hollow.', 'The tape dips between them and reads too long.', 'front', 'across', ['apex'], ['apex']],
  'across-front': ['From armhole crease to armhole crease, half way down the armhole, arms hanging.', 'Arms held forward: the front then reads too narrow.', 'front', 'across', ['armhole-front'], ['armhole-front']],
  'across-back': ['Half way down the armhole, about 10 cm [4 in] below the shoulder line; with the arms forward as if reaching when the garment must move.', 'Not written down whether the arms were forward.', 'back', 'across', ['armhole-back'], ['armhole-back', 'shoulder-blade']],
  'across-back-low': ['Across the back at the underarm level, from crease to crease.', 'Taken at the bust level round the side.', 'back', 'across', [['armhole-back', 'underarm']], ['underarm']],
  'across-shoulder': ['From shoulder point to shoulder point over the nape.', 'Read straight below the nape: it then runs shorter.', 'back', 'over', ['shoulder-point', 'nape'], ['shoulder-point', 'nape']],
  shoulder: ['From side-neck to shoulder point, the point that dips when the arm is raised.', 'Read to the edge of the sleeve that is worn.', 'front', 'line', ['side-neck', 'shoulder-point'], ['side-neck', 'shoulder-point']],
  'neck-width': ['From side-neck to side-neck, straight across the back.', 'The tape follows the curve of the neck.', 'back', 'across', ['side-neck'], ['side-neck']],
  'shoulder-drop': ['A ruler level from the side-neck outward; from it straight down to the shoulder point.', 'The ruler is not level.', 'front', 'line', [['shoulder-point', 'side-neck'], 'shoulder-point'], ['side-neck', 'shoulder-point']],
  'strap-span': ['Between the two strap positions at the back, straight across.', 'Marked with the shoulders drawn back.', 'back', 'across', ['strap-back'], ['strap-back']],
  'strap-length': ['From the front corner of the upper edge over the shoulder to the back edge, lying smoothly.', 'Pulled tight: straps give with wear, shoulders do not.', 'front', 'over', ['strap-front', ['mid-shoulder', 'mid-shoulder']], ['strap-front', 'strap-back']],
  'arm-span': ['Across the back from one wanted sleeve end to the other, arms out to the side.', 'Arms hanging: the cut-on sleeve is then short.', 'back', 'over', ['sleeve-end', 'shoulder-point', 'nape'], ['sleeve-end']],
  'neck-to-bust': ['From side-neck straight down to the bust point.', 'Begun at the middle of the shoulder.', 'front', 'line', ['side-neck', 'apex'], ['side-neck', 'apex']],
  'neck-to-underbust': ['From side-neck over the bust point and in beneath it to the under-bust level, the tape held into the curve.', 'The tape bridges the hollow under the bust.', 'front', 'over', ['side-neck', 'apex', ['apex', 'underbust']], ['side-neck', 'apex', 'underbust']],
  'bust-to-underbust': ['From the bust point down into the hollow to the under-bust level.', 'Read as a straight drop.', 'front', 'line', ['apex', ['apex', 'underbust']], ['apex', 'underbust']],
  'underbust-to-waist': ['From the under-bust level straight down to the cord.', 'Begun on the bust, not beneath it.', 'front', 'line', [['apex', 'underbust'], ['apex', 'waist']], ['underbust', 'waist']],
  'bust-to-waist': ['From the bust point to the cord, straight down, the tape not pressed in.', 'Added to the neck-to-bust of another session.', 'front', 'line', ['apex', ['apex', 'waist']], ['apex', 'waist']],
  'neck-to-waist-front': ['From side-neck over the bust point to the cord.', 'Read straight down beside the bust and called front length.', 'front', 'over', ['side-neck', 'apex', ['apex', 'waist']], ['side-neck', 'apex', 'waist']],
  'front-neck-to-waist': ['Centre front, from the front hollow to the cord. The client looks ahead.', 'The client looks down: it then reads short.', 'front', 'line', ['front-hollow', ['front-hollow', 'waist']], ['front-hollow', 'waist']],
  'neck-to-waist-back': ['From side-neck straight down the back to the cord.', 'The tape runs toward the spine.', 'back', 'line', ['side-neck', ['side-neck', 'waist']], ['side-neck', 'waist']],
  'nape-to-waist': ['From the nape down the centre back to the cord, the tape led over the back, not pressed in.', 'The head bent: the nape then lies higher.', 'back', 'line', ['nape', ['nape', 'waist']], ['nape', 'waist']],
  'nape-to-across': ['From the nape down the centre back to the across-back level.', 'The level was marked with the arms forward.', 'back', 'line', ['nape', ['nape', 'shoulder-blade']], ['nape', 'shoulder-blade']],
  'shoulder-to-waist-front': ['From the middle of the shoulder over the bust to the cord.', 'Mixed with heights that begin at the side-neck.', 'front', 'over', ['mid-shoulder', 'apex', ['apex', 'waist']], ['mid-shoulder', 'waist']],
  'shoulder-to-waist-back': ['From the middle of the shoulder over the shoulder blade to the cord.', 'Mixed with heights that begin at the side-neck.', 'back', 'line', ['mid-shoulder', ['mid-shoulder', 'waist']], ['mid-shoulder', 'waist']],
  'shoulder-to-centre-waist': ['From the shoulder point aslant over the back to the cord at the centre back.', 'The shoulder is lifted while reading.', 'back', 'line', ['shoulder-point', ['nape', 'waist']], ['shoulder-point', 'waist']],
  'armhole-depth': ['From side-neck straight down to the underarm level, a ruler held high under the arm.', 'The ruler slants.', 'back', 'line', ['side-neck', ['side-neck', 'underarm']], ['side-neck', 'underarm']],
  'underarm-to-waist': ['From 2.5 cm [1 in] below the armpit (a ruler held high under the arm) to the cord. Common practice: 18–19 cm for a stature of 160–170 cm; measure always outside that span.', 'The arm is lifted, and the side with it.', 'side', 'line', ['underarm', ['underarm', 'waist']], ['underarm', 'waist']],
  'neck-depth-front': ['From side-neck to the point wanted at the centre front; straight down or slanted, as this session says.', 'Straight and slanted ones mixed.', 'front', 'line', ['side-neck', 'neck-wanted'], ['side-neck', 'neck-wanted']],
  'neck-depth-back': ['From side-neck to the point wanted at the centre back; straight down or slanted, as this session says.', 'Chosen without the back mirror.', 'back', 'line', ['side-neck', 'neck-wanted'], ['side-neck', 'neck-wanted']],
  'neck-width-wanted': ['From the centre front straight across to the edge wanted at the shoulder.', 'The whole entered for the half.', 'front', 'line', [['front-hollow', 'side-neck'], 'mid-shoulder'], ['neck-wanted']],
  'corset-top-front': ['At the front below the bust point, from the cord up to the upper edge wanted.', 'Read over the fullness without writing it.', 'front', 'line', [['apex', 'waist'], ['apex', 'high-bust']], ['waist', 'top-edge']],
  'corset-top-side': ['At the side, from the cord up to the upper edge; the arm hangs.', 'So high that the edge cuts when the arm hangs.', 'side', 'line', [['underarm', 'waist'], 'underarm'], ['waist', 'top-edge']],
  'corset-top-back': ['At the centre back, from the cord up to the upper edge wanted.', 'Chosen without the back mirror.', 'back', 'line', [['nape', 'waist'], ['nape', 'underarm']], ['waist', 'top-edge']],
  'apex-to-arm': ['From the bust point toward the armhole edge, along the body.', 'Read level instead of toward the edge.', 'front', 'line', ['apex', 'top-edge'], ['apex', 'top-edge']],
  'apex-to-top': ['From the bust point straight up to the top corner, where a strap would begin.', 'The corner is marked on the strap of the bra.', 'front', 'line', ['apex', 'strap-front'], ['apex', 'strap-front']],
  'apex-to-centre': ['From the bust point toward the upper edge at the centre front.', 'Read into the hollow.', 'front', 'line', ['apex', 'neck-wanted'], ['apex', 'neck-wanted']],
  'top-edge': ['Around where the upper edge will lie, snug, after breathing out.', 'Measured over the fullness below the edge.', 'front', 'round', ['top-edge'], ['top-edge']],
  'waist-to-knee': ['At the side, from the cord to the middle of the knee, both feet flat.', 'One knee is bent.', 'side', 'line', ['waist', ['waist', 'knee']], ['waist', 'knee']],
  'waist-to-floor': ['At the side, from the cord over the hip to the floor, in the shoes that will be worn.', 'In flat shoes for a gown that is worn with heels.', 'side', 'line', ['waist', ['waist', 'floor']], ['waist', 'floor']],
  'waist-to-floor-front': ['At the centre front, from the cord to the floor, in the shoes. The client does not look down.', 'The client looks down and bends.', 'front', 'line', [['front-hollow', 'waist'], ['front-hollow', 'floor']], ['waist', 'floor']],
  'waist-to-floor-back': ['At the centre back, from the cord over the seat to the floor, in the shoes.', 'Hung straight from the seat, without the way over it.', 'back', 'line', [['nape', 'waist'], ['nape', 'floor']], ['waist', 'floor']],
  'knee-to-floor': ['From the middle of the kneecap straight down to the floor.', 'Over the calf instead of straight.', 'front', 'line', ['knee', ['knee', 'floor']], ['knee', 'floor']],
  'garment-length': ['From side-neck over the bust to the hem wanted.', 'From the nape: name that one “nape to hem”.', 'front', 'over', ['side-neck', 'apex', ['apex', 'hem']], ['side-neck', 'hem']],
  'nape-to-hem': ['From the nape down the centre back, led in at the waist for a fitted garment, to the hem wanted.', 'Hung free from the shoulder blades for a fitted back.', 'back', 'line', ['nape', ['nape', 'hem']], ['nape', 'hem']],
  'neck-to-floor': ['From side-neck over the bust to the floor, in the shoes of the day.', 'Without the petticoat that will be worn.', 'front', 'over', ['side-neck', 'apex', ['apex', 'floor']], ['side-neck', 'floor']],
  'nape-to-floor': ['From the nape straight down to the floor, without shoes.', 'Along the curve of the back.', 'back', 'line', ['nape', ['nape', 'floor']], ['nape', 'floor']],
  stature: ['Without shoes, heels to the wall, a book level on the head.', 'What the client says from memory.', 'side', 'line', ['crown', ['crown', 'floor']], ['crown', 'floor']],
  rise: ['Seated upright on a hard chair, from the cord at the side straight down to the seat.', 'A soft chair; the cord rides up in sitting.', 'seated', 'line', ['waist', ['waist', 'seat']], ['waist', 'seat']],
  inseam: ['From the ruler at the crotch straight down the inside to the floor, or to the hem wanted. The client may hold the end.', 'The ruler is not level.', 'front', 'line', ['crotch', ['crotch', 'floor']], ['crotch', 'floor']],
  outseam: ['At the side, from the cord over the hip to the ankle or the floor; say which.', 'To the ankle once, to the floor the next time.', 'side', 'line', ['waist', 'hip', ['waist', 'ankle']], ['waist', 'ankle']],
  head: ['Above the ears, round the widest place: hoods and necklines that are pulled on.', 'Over a hairstyle that will not be worn.', 'front', 'round', ['forehead'], ['forehead']],
  'head-height': ['From side-neck up over the crown to the other side-neck, hair as it will be worn.', 'Too tight: a hood must slide back.', 'front', 'over', ['side-neck', 'crown'], ['side-neck', 'crown']],
  heel: ['Of the shoe to be worn, at the back of the heel, straight up.', 'Along the slanted back of the heel.', 'side', 'line', ['heel', ['heel', 'floor']], ['heel']],
  'upper-arm': ['Around the fullest place, the arm hanging. For a close sleeve also with the muscle tightened; say so in the note.', 'The fist is made without saying so.', 'front', 'limb', ['upper-arm'], ['upper-arm']],
  elbow: ['Around the bent elbow, hand on the hip.', 'Taken straight for a close sleeve.', 'front', 'limb', ['elbow'], ['elbow']],
  forearm: ['Around the fullest place below the elbow.', 'Taken with the wrist turned.', 'front', 'limb', ['forearm'], ['forearm']],
  wrist: ['At the wrist bone, snug.', 'Over the watch.', 'front', 'limb', ['wrist'], ['wrist']],
  fist: ['Around knuckles and thumb of the closed hand: the girth a cuff without an opening must pass.', 'Taken around the flat hand.', 'front', 'limb', ['hand'], ['hand']],
  armhole: ['Over the shoulder point and under the arm, the arm slightly raised and then lowered.', 'Pulled up into the armpit.', 'front', 'limb', ['armhole-front'], ['shoulder-point', 'underarm']],
  'arm-length': ['From shoulder point over the slightly bent elbow to the wrist bone.', 'With the arm straight: the sleeve rides up when it bends.', 'front', 'over', ['shoulder-point', 'elbow', 'wrist'], ['shoulder-point', 'elbow', 'wrist']],
  'shoulder-to-elbow': ['From shoulder point along the outside to the point of the bent elbow.', 'To the inner crease.', 'front', 'line', ['shoulder-point', 'elbow'], ['shoulder-point', 'elbow']],
  'elbow-to-wrist': ['From the point of the bent elbow along the outside to the wrist bone.', 'To the hand.', 'front', 'line', ['elbow', 'wrist'], ['elbow', 'wrist']],
  'inner-arm': ['From the armpit along the inside of the hanging arm to the wrist bone.', 'The tape is pushed into the armpit.', 'front', 'line', ['underarm', 'wrist'], ['underarm', 'wrist']],
  'neck-to-wrist': ['From side-neck over the shoulder point and the bent elbow to the wrist bone: shirt and raglan sleeves.', 'Entered as the sleeve length.', 'front', 'over', ['side-neck', 'shoulder-point', 'elbow', 'wrist'], ['side-neck', 'wrist']],
  'nape-to-wrist': ['From the nape over the shoulder point and the bent elbow to the wrist bone.', 'Arm straight down.', 'back', 'over', ['nape', 'shoulder-point', 'elbow', 'wrist'], ['nape', 'wrist']],
  'sleeve-length': ['From shoulder point over the slightly bent elbow to the end wanted.', 'Read with the arm straight.', 'front', 'over', ['shoulder-point', 'elbow', 'sleeve-end'], ['shoulder-point', 'sleeve-end']],
  'hip-seated': ['Around the fullest seat and the top of the lap, seated upright, the tape under as far as it goes without lifting the client.', 'Taken standing, from an earlier card: seated it is larger.', 'seated', 'line', ['hip', 'lap'], ['hip', 'lap']],
  'waist-to-seat-back': ['At the back, from the cord down to the seat of the chair, the client upright.', 'Leaning against the back of the chair.', 'seated', 'line', [['hip', 'waist'], 'seat'], ['waist', 'seat']],
  'waist-to-knee-seated': ['From the cord at the front, into the bend and over the lap to the front of the knee.', 'The tape bridges the bend.', 'seated', 'over', ['waist', 'lap', 'knee-seated'], ['waist', 'lap', 'knee-seated']],
  'lap-to-hem': ['From the front of the knee straight down to the hem wanted.', 'Chosen standing.', 'seated', 'line', ['knee-seated', ['knee-seated', 'hem']], ['knee-seated', 'hem']],
  'knee-to-footrest': ['From the front of the knee straight down to the footrest, in the shoes.', 'The foot hangs free.', 'seated', 'line', ['knee-seated', 'footrest'], ['knee-seated', 'footrest']],
  'seat-to-hem-back': ['At the back of the legs, from the seat’s front edge down to the hem wanted.', 'The same as at the front: at the back there is no lap to go over.', 'seated', 'line', [['knee-seated', 'seat'], ['knee-seated', 'hem']], ['seat', 'hem']],
  'across-lap': ['Across both knees from outside to outside, as the client sits.', 'With the knees pressed together.', 'seated', 'line', ['lap', 'knee-seated'], ['knee-seated']],
  'waist-to-lap': ['At the front, from the cord down to where the lap begins.', 'The client bends forward.', 'seated', 'line', ['waist', 'lap'], ['waist', 'lap']],
  'hem-front': ['Centre front, from the cord to the wanted hem. The client looks ahead, not down; read it in the mirror.', 'The client looks down: the front is then too short.', 'front', 'line', [['front-hollow', 'waist'], ['front-hollow', 'hem']], ['waist', 'hem']],
  'hem-left': ['Left side, from the cord over the hip to the wanted hem. Weight even on both feet.', 'Copied from the other side.', 'front', 'line', ['waist', 'hip', 'hem'], ['waist', 'hem']],
  'hem-right': ['Right side, from the cord over the hip to the wanted hem. Weight even on both feet.', 'Copied from the other side.', 'front', 'line', ['waist', 'hip', 'hem'], ['waist', 'hem']],
  'hem-back': ['Centre back, from the cord over the seat to the wanted hem. Read it from behind.', 'Hung straight from the seat.', 'back', 'line', [['nape', 'waist'], ['nape', 'hem']], ['waist', 'hem']],
};

/** How a measure is taken; a sided one as its own measure, on its side. @throws RangeError for an id without a guide */
export function guideOf(id: string): Guide {
  const m = findMeasure(id);
  const row = ROWS[id] ?? ROWS[m?.of ?? ''];
  if (!row) throw new RangeError(`Nothing says how ${id} is taken`);
  const [how, mistake, view, path, through, first = []] = row;
  return {
    how: m?.side && m.of ? `On the client’s ${m.side}. ${how}` : how,
    mistake,
    first,
    course: { view, path, through },
  };
}

/** From where the figure of a measure is seen. @throws RangeError for an id without a guide */
export const courseView = (id: string): FigureView => guideOf(id).course.view;
