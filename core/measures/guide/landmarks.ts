/** A place on the client that is found before the tape: its name, and how it is found. */
export interface Landmark {
  readonly name: string;
  readonly find: string;
}

/** Names follow the trade; ISO 8559-1:2017 names the same places (from memory); ways of finding are common practice. */
export const LANDMARKS = {
  crown: { name: 'crown', find: 'The highest place of the head, hair pressed flat.' },
  forehead: {
    name: 'above the ears',
    find: 'Round the widest place of the head, over the forehead and above both ears.',
  },
  'front-hollow': { name: 'front hollow', find: 'The dip between the collar bones; a finger rests in it.' },
  nape: {
    name: 'nape',
    find: 'The bone that stands out most when the head bends forward; then the head is lifted again.',
  },
  'side-neck': {
    name: 'side-neck',
    find: 'Where the neck meets the shoulder, just before the edge of the neck muscle: lay a fine chain round the neck base and mark where it crosses the shoulder.',
  },
  'mid-shoulder': { name: 'middle of the shoulder', find: 'Half way from side-neck to shoulder point.' },
  'shoulder-point': {
    name: 'shoulder point',
    find: 'The small dip that opens at the end of the shoulder when the arm is raised to the side.',
  },
  apex: { name: 'bust point', find: 'The place that stands farthest forward, in the bra that will be worn.' },
  'armhole-front': {
    name: 'front armhole crease',
    find: 'Where the arm meets the chest with the arm hanging, half way down the armhole.',
  },
  'armhole-back': {
    name: 'back armhole crease',
    find: 'Where the arm meets the back with the arm hanging, half way down the armhole.',
  },
  underarm: {
    name: 'underarm level',
    find: 'A ruler held level and high under the arm, the arm then lowered; 2.5 cm [1 in] below the armpit.',
  },
  bust: { name: 'bust level', find: 'The level of the bust point, the tape parallel to the floor.' },
  'high-bust': { name: 'high bust', find: 'High under both arms, above the fullness.' },
  underbust: { name: 'under bust', find: 'Directly beneath the bust, where the band of a bra lies.' },
  waist: {
    name: 'waist cord',
    find: 'The crease that opens when the client bends to the side; tie the cord there and let it settle.',
  },
  tummy: { name: 'tummy level', find: 'Seen from the side, the fullest place between waist and hip.' },
  'high-hip': { name: 'hip bone', find: 'The upper edge of the hip bone, felt at the side.' },
  hip: {
    name: 'hip level',
    find: 'Seen from the side, the fullest seat; slide the tape down until the figure stops growing.',
  },
  'side-seam': {
    name: 'side seam',
    find: 'Straight down from the middle of the armpit to the floor, as a plumb line falls.',
  },
  crotch: {
    name: 'crotch',
    find: 'The client holds a ruler level and high between the legs; read at its upper edge.',
  },
  thigh: { name: 'fullest thigh', find: 'Just under the crotch, the legs a little apart.' },
  'mid-thigh': { name: 'middle of the thigh', find: 'Half way from hip level to knee.' },
  knee: { name: 'knee', find: 'The middle of the kneecap.' },
  'below-knee': { name: 'below the knee', find: 'The narrowest place under the kneecap.' },
  calf: { name: 'fullest calf', find: 'The fullest place of the lower leg.' },
  ankle: { name: 'ankle bones', find: 'The two bones that stand out above the foot.' },
  heel: { name: 'heel', find: 'The point of the heel, the foot stretched.' },
  floor: { name: 'floor', find: 'In the shoes that will be worn, unless it is the height without shoes.' },
  elbow: { name: 'elbow', find: 'The point of the bent elbow.' },
  'upper-arm': {
    name: 'fullest upper arm',
    find: 'Half way between shoulder point and elbow, the arm hanging.',
  },
  forearm: { name: 'fullest forearm', find: 'The fullest place below the elbow.' },
  wrist: { name: 'wrist bone', find: 'The bone that stands out on the outer side.' },
  hand: { name: 'knuckles', find: 'The hand closed, the thumb beside it.' },
  hem: { name: 'wanted hem', find: 'Where the client wants it, seen in the mirror with the shoes on.' },
  'top-edge': {
    name: 'upper edge',
    find: 'Where the strapless edge is wanted; mark it with a thin elastic.',
  },
  'strap-front': { name: 'front strap', find: 'Where the strap meets the upper edge at the front.' },
  'strap-back': { name: 'back strap', find: 'Where the strap meets the upper edge at the back.' },
  'neck-wanted': { name: 'neckline wanted', find: 'The point the client chooses in the mirror.' },
  'sleeve-end': { name: 'sleeve end', find: 'Where the sleeve should end, the arm slightly bent.' },
  'garment-waist': { name: 'garment waist', find: 'A second cord where the waist of this garment will sit.' },
  'shoulder-blade': {
    name: 'across-back level',
    find: 'About 10 cm [4 in] below the shoulder line, over the shoulder blades.',
  },
  seat: { name: 'seat of the chair', find: 'A hard, flat chair; the client sits upright and far back.' },
  lap: { name: 'lap', find: 'The top of the thigh where it meets the front of the waist, seated.' },
  'knee-seated': { name: 'knee, seated', find: 'The front of the kneecap, the lower leg upright.' },
  footrest: { name: 'footrest', find: 'Where the soles rest, in the shoes that will be worn.' },
} as const satisfies Record<string, Landmark>;
export type LandmarkId = keyof typeof LANDMARKS;
