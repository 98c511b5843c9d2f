/**
 * The catalogue of measurements. Ranges are plausible adult spans in cm: outside one the program asks, it
 * never refuses. Ranges and ways of taking are common practice; `agree` names the class of allowed difference
 * (agreement.ts). `twice` marks the critical ones that are read two times.
 */
export type MeasureKind = 'girth' | 'arc' | 'length';
export type AgreementClass = 'large-girth' | 'small-girth' | 'segment' | 'height' | 'width';

export interface Measure {
  readonly id: string;
  readonly name: string;
  /** other names in the trade, comma separated */
  readonly also: string;
  readonly kind: MeasureKind;
  readonly agree: AgreementClass;
  readonly twice: boolean;
  readonly view: 'front' | 'side' | 'back';
  /** plausible adult span, cm */
  readonly range: readonly [number, number];
  readonly how: string;
  /** true for what is wanted rather than read off the body: it may move freely between sessions */
  readonly choice?: boolean;
  /** the tape's course on the drawn figure; none while it is not drawn */
  readonly course?: Course;
}

/** Heights of the drawn figure between which a tape runs. */
export type FigureLevel =
  | 'neck'
  | 'shoulder'
  | 'high-bust'
  | 'across'
  | 'underarm'
  | 'bust'
  | 'underbust'
  | 'waist'
  | 'tummy'
  | 'high-hip'
  | 'hip'
  | 'knee'
  | 'hem'
  | 'floor';
/** Where the tape runs on the drawn figure: heights by name, places across in its own units (0 to 200). */
export type Course = {
  readonly view: 'front' | 'side' | 'back';
  readonly at: FigureLevel;
  readonly feel: string;
} & (
  | { readonly path: 'round' | 'arc' }
  | { readonly path: 'across' | 'slant'; readonly from: number; readonly to: number }
  | { readonly path: 'down'; readonly from: FigureLevel; readonly x: number }
);

// One row a measure: a table is read across. Rows stand in the order in which a tape goes over the client: girths from
// top to bottom, each drop right after its level, then arcs and widths, heights, the arm, hems (common practice).
// biome-ignore format: rows
export const MEASURES: readonly Measure[] = [
  { id: 'neck-base', name: 'neck base', also: 'neck circumference', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [30, 52],
    how: 'Around the base through nape, both side-neck points, front hollow' },
  { id: 'high-bust', name: 'high bust', also: 'upper bust, above bust', kind: 'girth', agree: 'large-girth', twice: true, view: 'front', range: [68, 140],
    course: { view: 'front', path: 'round', at: 'high-bust', feel: 'high under the arm' },
    how: 'High under both arms, across the back level, above the bust fullness, snug' },
  { id: 'bust', name: 'bust', also: 'full bust, chest', kind: 'girth', agree: 'large-girth', twice: true, view: 'front', range: [70, 165],
    course: { view: 'front', path: 'round', at: 'bust', feel: 'fullest' },
    how: 'Fullest level, parallel to the floor, in the bra that will be worn' },
  { id: 'underbust', name: 'under bust', also: 'rib cage', kind: 'girth', agree: 'large-girth', twice: true, view: 'front', range: [58, 140],
    course: { view: 'front', path: 'round', at: 'underbust', feel: 'under the bust' },
    how: 'Directly beneath the bust, able to breathe' },
  { id: 'waist', name: 'waist', also: 'natural waist, half-length level', kind: 'girth', agree: 'large-girth', twice: true, view: 'front', range: [52, 155],
    course: { view: 'front', path: 'round', at: 'waist', feel: 'cord' },
    how: 'At the cord, breath let out, tape level all round. See in the mirror that it does not droop at the back.' },
  { id: 'high-hip', name: 'high hip', also: 'upper hip', kind: 'girth', agree: 'large-girth', twice: false, view: 'front', range: [66, 165],
    course: { view: 'front', path: 'round', at: 'high-hip', feel: 'hip bone' },
    how: 'Over the hip bones, halfway from waist to hip, tape level. Write its drop below the waist next.' },
  { id: 'waist-to-high-hip', name: 'high-hip drop', also: '', kind: 'length', agree: 'segment', twice: false, view: 'side', range: [6, 14],
    course: { view: 'front', path: 'down', from: 'waist', at: 'high-hip', x: 127, feel: 'high hip' },
    how: 'At the side, from the cord straight down to the high-hip level.' },
  { id: 'tummy', name: 'tummy', also: 'stomach, abdomen, high-hip front', kind: 'girth', agree: 'large-girth', twice: false, view: 'side', range: [60, 165],
    course: { view: 'side', path: 'round', at: 'tummy', feel: 'fullest' },
    how: 'Fullest level between waist and hip, seen from the side, tape level. Write its drop below the waist next.' },
  { id: 'waist-to-tummy', name: 'tummy drop', also: '', kind: 'length', agree: 'segment', twice: false, view: 'side', range: [4, 18],
    course: { view: 'side', path: 'down', from: 'waist', at: 'tummy', x: 84, feel: 'tummy' },
    how: 'At the side, from the cord straight down to the tummy level.' },
  { id: 'hip', name: 'hip', also: 'seat, full hip', kind: 'girth', agree: 'large-girth', twice: true, view: 'front', range: [74, 170],
    course: { view: 'side', path: 'round', at: 'hip', feel: 'fullest seat' },
    how: 'Fullest seat, seen from the side, feet together, tape parallel to the floor. Slide it down until the number stops growing.' },
  { id: 'waist-to-hip', name: 'hip drop', also: '', kind: 'length', agree: 'segment', twice: false, view: 'side', range: [15, 32],
    course: { view: 'side', path: 'down', from: 'waist', at: 'hip', x: 100, feel: 'hip' },
    how: 'At the side, from the cord over the curve down to the hip level. Write it every time: the level is part of the hip.' },
  { id: 'thigh', name: 'thigh', also: 'upper leg', kind: 'girth', agree: 'large-girth', twice: false, view: 'front', range: [40, 95],
    how: 'Fullest, just under the crotch' },
  { id: 'knee', name: 'knee', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [28, 60],
    how: 'Around the middle of the kneecap, leg slightly bent for close styles' },
  { id: 'calf', name: 'calf', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [26, 55],
    how: 'Fullest' },
  { id: 'ankle', name: 'ankle', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [18, 32],
    how: 'Over the ankle bones' },
  { id: 'heel-instep', name: 'heel and instep', also: 'foot entry', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [26, 40],
    how: 'Around heel and instep: the girth a narrow hem must pass' },
  { id: 'trunk', name: 'vertical trunk', also: '', kind: 'girth', agree: 'large-girth', twice: false, view: 'front', range: [125, 195],
    how: 'Shoulder, through the crotch, back to the shoulder' },
  { id: 'crotch-length', name: 'crotch length', also: 'total rise', kind: 'girth', agree: 'segment', twice: false, view: 'front', range: [50, 95],
    how: 'Waist front, between the legs, to waist back; note where it divides' },
  { id: 'bust-front', name: 'front bust arc', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [34, 95],
    course: { view: 'front', path: 'arc', at: 'bust', feel: 'side seam' },
    how: 'Side seam to side seam across the fullest front' },
  { id: 'underbust-front', name: 'front under-bust arc', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [28, 75],
    how: 'Side to side under the bust' },
  { id: 'waist-front', name: 'front waist arc', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [26, 85],
    course: { view: 'front', path: 'arc', at: 'waist', feel: 'side seam' },
    how: 'Side to side at the cord' },
  { id: 'tummy-front', name: 'front tummy arc', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [30, 95],
    course: { view: 'front', path: 'arc', at: 'tummy', feel: 'side seam' },
    how: 'Side to side at the tummy level' },
  { id: 'hip-front', name: 'front hip arc', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [34, 95],
    course: { view: 'front', path: 'arc', at: 'hip', feel: 'side seam' },
    how: 'From side seam to side seam across the front, at the hip level. Set the side seam first: straight down from the armpit.' },
  { id: 'apex-span', name: 'bust point to bust point', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [13, 28],
    course: { view: 'front', path: 'across', at: 'bust', from: 86, to: 114, feel: 'bust point' },
    how: 'Apex to apex' },
  { id: 'across-front', name: 'across front', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [26, 46],
    course: { view: 'front', path: 'across', at: 'across', from: 66, to: 134, feel: 'armhole crease' },
    how: 'Armhole crease to armhole crease, mid armhole' },
  { id: 'across-back', name: 'across back', also: '', kind: 'arc', agree: 'width', twice: false, view: 'back', range: [28, 50],
    course: { view: 'back', path: 'across', at: 'across', from: 64, to: 136, feel: 'armhole crease' },
    how: 'Mid armhole, about 10 cm [4 in] below the shoulder line, arms forward as if reaching when the garment must move' },
  { id: 'across-shoulder', name: 'across shoulder', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [32, 52],
    course: { view: 'back', path: 'across', at: 'shoulder', from: 60, to: 140, feel: 'shoulder point' },
    how: 'Shoulder point to shoulder point over the nape' },
  { id: 'shoulder', name: 'shoulder length', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [9, 18],
    course: { view: 'front', path: 'slant', at: 'shoulder', from: 110, to: 140, feel: 'shoulder point' },
    how: 'Side-neck point to shoulder point (the point that dips when the arm is raised)' },
  { id: 'neck-width', name: 'neck width', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [9, 20],
    course: { view: 'back', path: 'across', at: 'neck', from: 90, to: 110, feel: 'side-neck' },
    how: 'Side-neck to side-neck, straight across the back' },
  { id: 'strap-span', name: 'strap span', also: '', kind: 'arc', agree: 'width', twice: false, view: 'back', range: [10, 28],
    how: 'Between the two strap positions at the back' },
  { id: 'arm-span', name: 'upper-arm to upper-arm', also: '', kind: 'arc', agree: 'width', twice: false, view: 'front', range: [50, 120],
    how: 'Across the back at the wanted sleeve ends, arms out: cut-on sleeves' },
  { id: 'neck-to-bust', name: 'side-neck to bust point', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [20, 40],
    course: { view: 'front', path: 'down', from: 'neck', at: 'bust', x: 112, feel: 'bust point' },
    how: 'Straight down to the apex' },
  { id: 'neck-to-underbust', name: 'side-neck to under bust', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [26, 52],
    how: 'Over the bust' },
  { id: 'neck-to-waist-front', name: 'side-neck to waist, front', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [34, 60],
    course: { view: 'front', path: 'down', from: 'neck', at: 'waist', x: 112, feel: 'cord' },
    how: 'Over the bust to the cord' },
  { id: 'front-neck-to-waist', name: 'front hollow to waist', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [27, 48],
    course: { view: 'front', path: 'down', from: 'neck', at: 'waist', x: 100, feel: 'cord' },
    how: 'Centre front' },
  { id: 'neck-to-waist-back', name: 'side-neck to waist, back', also: '', kind: 'length', agree: 'segment', twice: false, view: 'back', range: [34, 54],
    course: { view: 'back', path: 'down', from: 'neck', at: 'waist', x: 112, feel: 'cord' },
    how: 'Straight down to the cord' },
  { id: 'nape-to-waist', name: 'nape to waist', also: '', kind: 'length', agree: 'segment', twice: false, view: 'back', range: [32, 52],
    course: { view: 'back', path: 'down', from: 'neck', at: 'waist', x: 100, feel: 'cord' },
    how: 'Centre back bone to the cord' },
  { id: 'armhole-depth', name: 'armhole depth', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [15, 30],
    course: { view: 'back', path: 'down', from: 'neck', at: 'underarm', x: 116, feel: 'underarm level' },
    how: 'Side-neck straight down to the underarm level' },
  { id: 'underarm-to-waist', name: 'side height', also: '', kind: 'length', agree: 'segment', twice: false, view: 'side', range: [12, 28],
    course: { view: 'side', path: 'down', from: 'underarm', at: 'waist', x: 101, feel: 'cord' },
    how: 'From 2.5 cm [1 in] below the armpit (a ruler held high under the arm) to the cord. Common practice: 18–19 cm for a stature of 160–170 cm; measure always outside that span' },
  { id: 'neck-depth-front', name: 'neckline depth, front', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [4, 45],
    how: 'From side-neck to the point wanted; say straight or slanted' },
  { id: 'neck-depth-back', name: 'neckline depth, back', also: '', kind: 'length', agree: 'segment', twice: false, view: 'back', range: [4, 45],
    how: 'From side-neck to the point wanted; say straight or slanted' },
  { id: 'corset-top-front', name: 'strapless top height, front', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [8, 32],
    how: 'Along strapless top height, front, shoulder relaxed' },
  { id: 'corset-top-side', name: 'strapless top height, side', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [8, 32],
    how: 'Along strapless top height, front, shoulder relaxed' },
  { id: 'corset-top-back', name: 'strapless top height, back', also: '', kind: 'length', agree: 'segment', twice: false, view: 'back', range: [8, 32],
    how: 'Along strapless top height, front, shoulder relaxed' },
  { id: 'apex-to-arm', name: 'bust point toward the arm', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [5, 25],
    how: 'Toward the arm, up to the top corner, toward the neckline at the centre: set the strapless upper edge' },
  { id: 'apex-to-top', name: 'bust point to the top corner', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [5, 25],
    how: 'Toward the arm, up to the top corner, toward the neckline at the centre: set the strapless upper edge' },
  { id: 'apex-to-centre', name: 'bust point toward the centre', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [5, 25],
    how: 'Toward the arm, up to the top corner, toward the neckline at the centre: set the strapless upper edge' },
  { id: 'waist-to-knee', name: 'waist to knee', also: '', kind: 'length', agree: 'segment', twice: false, view: 'side', range: [48, 72],
    course: { view: 'side', path: 'down', from: 'waist', at: 'knee', x: 101, feel: 'knee' },
    how: 'At the side, from the cord to the middle of the knee, both feet flat.' },
  { id: 'waist-to-floor', name: 'waist to floor', also: '', kind: 'length', agree: 'height', twice: false, view: 'side', range: [85, 130],
    course: { view: 'side', path: 'down', from: 'waist', at: 'floor', x: 101, feel: 'floor' },
    how: 'At the side, from the cord to the floor, in the shoes that will be worn.' },
  { id: 'garment-length', name: 'side-neck to hem', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [40, 170],
    how: 'Over the bust' },
  { id: 'neck-to-floor', name: 'side-neck to floor', also: '', kind: 'length', agree: 'height', twice: false, view: 'front', range: [125, 175],
    how: 'In the shoes of the day' },
  { id: 'stature', name: 'height', also: '', kind: 'length', agree: 'height', twice: false, view: 'side', range: [140, 200],
    how: 'Without shoes' },
  { id: 'rise', name: 'sitting rise', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [20, 40],
    how: 'Seated upright, cord straight down to the seat of the chair' },
  { id: 'inseam', name: 'inside leg', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [55, 100],
    how: 'Crotch to floor or wanted hem' },
  { id: 'outseam', name: 'outside leg', also: '', kind: 'length', agree: 'segment', twice: false, view: 'side', range: [80, 125],
    how: 'Waist to ankle or floor' },
  { id: 'upper-arm', name: 'upper arm', also: 'bicep, round arm', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [20, 52],
    how: 'Fullest, arm hanging' },
  { id: 'elbow', name: 'elbow', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [19, 42],
    how: 'Around the bent elbow' },
  { id: 'forearm', name: 'forearm', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [17, 38],
    how: 'Fullest below the elbow' },
  { id: 'wrist', name: 'wrist', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [12, 23],
    how: 'At the wrist bone' },
  { id: 'fist', name: 'closed hand', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [17, 29],
    how: 'Around knuckles and thumb: the girth a cuff without opening must pass' },
  { id: 'armhole', name: 'armhole girth', also: 'armscye, round armhole', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [30, 64],
    how: 'Over shoulder point, under the arm, arm slightly raised' },
  { id: 'arm-length', name: 'shoulder point to wrist', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [48, 70],
    how: 'Over the slightly bent elbow' },
  { id: 'shoulder-to-elbow', name: 'shoulder point to elbow', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [28, 42],
    how: 'Along shoulder point to elbow, shoulder relaxed' },
  { id: 'sleeve-length', name: 'shoulder point to the wanted end', also: '', kind: 'length', agree: 'segment', twice: false, view: 'front', range: [5, 75],
    how: 'Along shoulder point to the wanted end, shoulder relaxed' },
  { id: 'head', name: 'head', also: '', kind: 'girth', agree: 'small-girth', twice: false, view: 'front', range: [50, 64],
    how: 'Above the ears: hoods and pull-on necklines' },
  { id: 'heel', name: 'heel height', also: '', kind: 'length', agree: 'segment', twice: false, view: 'side', range: [0, 16],
    how: 'Of the shoe to be worn' },
  { id: 'hem-front', name: 'waist to hem, front', also: '', kind: 'length', agree: 'segment', twice: false, choice: true, view: 'front', range: [25, 130],
    course: { view: 'front', path: 'down', from: 'waist', at: 'hem', x: 100, feel: 'hem' },
    how: 'Centre front, from the cord to the wanted hem. The client looks ahead, not down; read it in the mirror.' },
  { id: 'hem-left', name: 'waist to hem, left side', also: '', kind: 'length', agree: 'segment', twice: false, choice: true, view: 'side', range: [25, 130],
    course: { view: 'front', path: 'down', from: 'waist', at: 'hem', x: 132, feel: 'hem' },
    how: 'Left side, from the cord over the hip to the wanted hem. Weight even on both feet.' },
  { id: 'hem-right', name: 'waist to hem, right side', also: '', kind: 'length', agree: 'segment', twice: false, choice: true, view: 'side', range: [25, 130],
    course: { view: 'front', path: 'down', from: 'waist', at: 'hem', x: 68, feel: 'hem' },
    how: 'Right side, from the cord over the hip to the wanted hem. Weight even on both feet.' },
  { id: 'hem-back', name: 'waist to hem, back', also: '', kind: 'length', agree: 'segment', twice: false, choice: true, view: 'back', range: [25, 130],
    course: { view: 'back', path: 'down', from: 'waist', at: 'hem', x: 100, feel: 'hem' },
    how: 'Centre back, from the cord over the seat to the wanted hem. Read it from behind.' },
];

const byId = new Map(MEASURES.map((m) => [m.id, m]));

/** The measure with this id, or undefined when the catalogue has none. */
export const findMeasure = (id: string): Measure | undefined => byId.get(id);

/** The measure with this id. @throws RangeError for an id that is not in the catalogue. */
export function measure(id: string): Measure {
  const found = byId.get(id);
  if (!found) throw new RangeError(`No measure is called ${id}`);
  return found;
}
