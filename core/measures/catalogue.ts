/**
 * The catalogue of measurements. Ranges are plausible adult spans in cm: outside one the program asks, it
 * never refuses. Ranges are common practice; `agree` names the class of allowed difference (agreement.ts).
 * `twice` marks the critical ones that are read two times. How each is taken stands in guide/.
 */
export type MeasureKind = 'girth' | 'arc' | 'length';
export type AgreementClass = 'large-girth' | 'small-girth' | 'segment' | 'height' | 'width';
export const REGIONS = [
  'neck and shoulder',
  'bust and rib',
  'waist and hip',
  'front and back',
  'legs',
  'arm and hand',
  'strapless edge',
  'whole figure',
  'hem',
  'seated',
] as const;
export type Region = (typeof REGIONS)[number];
/** Levels and points that are set with a cord or a pin before the tape goes round. */
export const CORDS = ['waist', 'tummy', 'bust', 'hip', 'side seam', 'neck base'] as const;
export type Cord = (typeof CORDS)[number];

export interface Measure {
  readonly id: string;
  readonly name: string;
  /** other names in the trade and its regions, comma separated: it is found by these too */
  readonly also: string;
  readonly region: Region;
  readonly kind: MeasureKind;
  readonly agree: AgreementClass;
  readonly twice: boolean;
  /** plausible adult span, cm */
  readonly range: readonly [number, number];
  /** true for what is wanted rather than read off the body: it may move freely between sessions */
  readonly choice?: boolean;
  /** what is marked on the client first */
  readonly marked?: Cord;
  /** the measure of one side only; `of` is the one it stands for where both sides are alike */
  readonly side?: 'left' | 'right';
  readonly of?: string;
  /** 'both' is also taken of a seated client, 'only' of nobody else; left out, it is taken standing */
  readonly seated?: 'both' | 'only';
}

type Row = readonly [
  id: string,
  name: string,
  also: string,
  kind: MeasureKind,
  agree: AgreementClass,
  range: readonly [number, number],
  more?: Partial<Measure> & { readonly sided?: true },
];
const STAR = { twice: true } as const;
const CHOICE = { choice: true } as const;
const SIDED = { sided: true } as const;

// One row a measure: a table is read across. Rows stand in the order in which a tape goes over the client: girths from
// top to bottom, each drop right after its level, then arcs and widths, heights, the arm, hems (common practice).
// biome-ignore format: rows
const ROWS: Readonly<Record<Region, readonly Row[]>> = {
  'neck and shoulder': [
    ['neck-base', 'neck base', 'neck circumference, round neck, collar base', 'girth', 'small-girth', [30, 52], { marked: 'neck base', seated: 'both' }],
    ['neck-mid', 'middle of the neck', 'neck, collar size, shirt neck', 'girth', 'small-girth', [28, 50], { seated: 'both' }],
  ],
  'bust and rib': [
    ['high-bust', 'high bust', 'upper bust, above bust, chest high', 'girth', 'large-girth', [68, 140], { ...STAR, seated: 'both' }],
    ['bust', 'bust', 'full bust, chest, bust round, chest girth', 'girth', 'large-girth', [70, 165], { ...STAR, marked: 'bust', seated: 'both' }],
    ['underbust', 'under bust', 'rib cage, rib, band, below bust', 'girth', 'large-girth', [58, 140], { ...STAR, seated: 'both' }],
  ],
  'waist and hip': [
    ['waist', 'waist', 'natural waist, half-length level, waist round', 'girth', 'large-girth', [52, 155], { ...STAR, marked: 'waist', seated: 'both' }],
    ['high-hip', 'high hip', 'upper hip, hip bone level, basin', 'girth', 'large-girth', [66, 165], { marked: 'waist' }],
    ['waist-to-high-hip', 'high-hip drop', 'waist to high hip, upper hip depth', 'length', 'segment', [6, 14], { marked: 'waist' }],
    ['tummy', 'tummy', 'stomach, abdomen, belly, high-hip front', 'girth', 'large-girth', [60, 165], { marked: 'tummy', seated: 'both' }],
    ['waist-to-tummy', 'tummy drop', 'waist to tummy, stomach depth', 'length', 'segment', [4, 18], { marked: 'tummy' }],
    ['hip', 'hip', 'seat, full hip, hips, seat girth', 'girth', 'large-girth', [74, 170], { ...STAR, marked: 'hip' }],
    ['waist-to-hip', 'hip drop', 'hip depth, waist to hip, seat depth', 'length', 'segment', [15, 32], { marked: 'hip' }],
    ['garment-waist', 'waist where it will sit', 'low waist, trouser waist, waistband line, empire line', 'girth', 'large-girth', [48, 165], { marked: 'waist', seated: 'both' }],
    ['garment-waist-drop', 'waist to where it will sit', 'low waist drop, yoke depth', 'length', 'segment', [1, 16], { ...CHOICE, marked: 'waist' }],
    ['trunk', 'vertical trunk', 'torso loop, body loop, leotard girth', 'length', 'large-girth', [125, 195]],
    ['crotch-length', 'crotch length', 'total rise, through rise, fork length', 'length', 'segment', [50, 95], { marked: 'waist' }],
    ['crotch-front', 'crotch length, front', 'front rise length, front fork', 'length', 'segment', [22, 48], { marked: 'waist' }],
    ['crotch-back', 'crotch length, back', 'back rise length, back fork', 'length', 'segment', [26, 54], { marked: 'waist' }],
  ],
  legs: [
    ['thigh', 'thigh', 'upper leg, top of leg', 'girth', 'large-girth', [40, 95], SIDED],
    ['mid-thigh', 'middle of the thigh', 'short leg, shorts hem level', 'girth', 'large-girth', [34, 85]],
    ['knee', 'knee', 'round knee', 'girth', 'small-girth', [28, 60], SIDED],
    ['below-knee', 'below the knee', 'boot top, breeches band', 'girth', 'small-girth', [26, 55]],
    ['calf', 'calf', 'round calf', 'girth', 'small-girth', [26, 55], SIDED],
    ['ankle', 'ankle', 'round ankle', 'girth', 'small-girth', [18, 32]],
    ['heel-instep', 'heel and instep', 'foot entry, long heel, hem pass', 'girth', 'small-girth', [26, 40]],
  ],
  'front and back': [
    ['bust-front', 'front bust arc', 'bust front, half bust front', 'arc', 'width', [34, 95], { marked: 'side seam' }],
    ['bust-back', 'back bust arc', 'bust back, back width at bust', 'arc', 'width', [30, 85], { marked: 'side seam' }],
    ['underbust-front', 'front under-bust arc', 'rib front', 'arc', 'width', [28, 75], { marked: 'side seam' }],
    ['waist-front', 'front waist arc', 'waist front, half waist front', 'arc', 'width', [26, 85], { marked: 'side seam' }],
    ['waist-back', 'back waist arc', 'waist back', 'arc', 'width', [24, 80], { marked: 'side seam' }],
    ['tummy-front', 'front tummy arc', 'stomach front', 'arc', 'width', [30, 95], { marked: 'side seam' }],
    ['hip-front', 'front hip arc', 'hip front, seat front', 'arc', 'width', [34, 95], { marked: 'side seam' }],
    ['hip-back', 'back hip arc', 'seat arc, hip back', 'arc', 'width', [36, 95], { marked: 'side seam' }],
    ['apex-span', 'bust point to bust point', 'apex to apex, bust span, nipple to nipple', 'arc', 'width', [13, 28], { marked: 'bust' }],
    ['across-front', 'across front', 'chest width, front width, cross front', 'arc', 'width', [26, 46], { seated: 'both' }],
    ['across-back', 'across back', 'back width, cross back', 'arc', 'width', [28, 50], { seated: 'both' }],
    ['across-back-low', 'across back, low', 'back width at the underarm', 'arc', 'width', [26, 56]],
    ['across-shoulder', 'across shoulder', 'shoulder to shoulder, shoulder width', 'arc', 'width', [32, 52], { seated: 'both' }],
    ['shoulder', 'shoulder length', 'shoulder, shoulder seam, small shoulder', 'arc', 'width', [9, 18], { ...SIDED, seated: 'both' }],
    ['neck-width', 'neck width', 'back neck width', 'arc', 'width', [9, 20]],
    ['shoulder-drop', 'shoulder drop', 'shoulder slope, slope depth', 'length', 'segment', [2, 8], SIDED],
    ['strap-span', 'strap span', 'strap to strap, back straps', 'arc', 'width', [10, 28], CHOICE],
    ['strap-length', 'strap length', 'front corner to back edge', 'length', 'segment', [20, 55], CHOICE],
    ['arm-span', 'upper-arm to upper-arm', 'sleeve to sleeve, cut-on sleeve width', 'arc', 'width', [50, 120], CHOICE],
    ['neck-to-bust', 'side-neck to bust point', 'neck to apex, bust height, shoulder to bust point', 'length', 'segment', [20, 40], { ...SIDED, seated: 'both' }],
    ['neck-to-underbust', 'side-neck to under bust', 'neck to rib', 'length', 'segment', [26, 52]],
    ['bust-to-underbust', 'bust point to under bust', 'apex to rib', 'length', 'segment', [4, 14]],
    ['underbust-to-waist', 'under bust to waist', 'rib to waist', 'length', 'segment', [4, 20], { marked: 'waist' }],
    ['bust-to-waist', 'bust point to waist', 'apex to waist', 'length', 'segment', [10, 28], { marked: 'waist' }],
    ['neck-to-waist-front', 'side-neck to waist, front', 'front length, front waist length, over bust to waist', 'length', 'segment', [34, 60], { ...SIDED, marked: 'waist' }],
    ['front-neck-to-waist', 'front hollow to waist', 'centre front length, front neck to waist', 'length', 'segment', [27, 48], { marked: 'waist', seated: 'both' }],
    ['neck-to-waist-back', 'side-neck to waist, back', 'back length from the side-neck, full back length', 'length', 'segment', [34, 54], { marked: 'waist' }],
    ['nape-to-waist', 'nape to waist', 'back length, centre back length, back neck to waist', 'length', 'segment', [32, 52], { marked: 'waist', seated: 'both' }],
    ['nape-to-across', 'nape to across-back level', 'yoke depth, back width level', 'length', 'segment', [7, 16]],
    ['shoulder-to-waist-front', 'middle of the shoulder to waist, front', 'mid-shoulder to waist', 'length', 'segment', [33, 58], { marked: 'waist' }],
    ['shoulder-to-waist-back', 'middle of the shoulder to waist, back', 'mid-shoulder to waist back', 'length', 'segment', [33, 54], { marked: 'waist' }],
    ['shoulder-to-centre-waist', 'shoulder point to centre waist, back', 'cross back length, diagonal back', 'length', 'segment', [34, 54], { marked: 'waist' }],
    ['armhole-depth', 'armhole depth', 'scye depth, armscye depth, arm depth', 'length', 'segment', [15, 30], { seated: 'both' }],
    ['underarm-to-waist', 'side height', 'side length, underarm to waist, side seam', 'length', 'segment', [12, 28], { ...SIDED, marked: 'waist' }],
    ['neck-depth-front', 'neckline depth, front', 'front neck drop, front opening', 'length', 'segment', [4, 45], CHOICE],
    ['neck-depth-back', 'neckline depth, back', 'back neck drop, back opening', 'length', 'segment', [1, 45], CHOICE],
    ['neck-width-wanted', 'neckline, half width wanted', 'wide neck, boat neck', 'length', 'segment', [6, 20], CHOICE],
  ],
  'strapless edge': [
    ['corset-top-front', 'strapless top height, front', 'bustier height front, top edge front', 'length', 'segment', [8, 32], { ...CHOICE, marked: 'waist' }],
    ['corset-top-side', 'strapless top height, side', 'bustier height side, top edge side', 'length', 'segment', [8, 32], { ...CHOICE, marked: 'waist' }],
    ['corset-top-back', 'strapless top height, back', 'bustier height back, top edge back', 'length', 'segment', [5, 32], { ...CHOICE, marked: 'waist' }],
    ['apex-to-arm', 'bust point toward the arm', 'apex to armhole edge', 'length', 'segment', [5, 25], { ...CHOICE, marked: 'bust' }],
    ['apex-to-top', 'bust point to the top corner', 'apex to strap', 'length', 'segment', [5, 25], { ...CHOICE, marked: 'bust' }],
    ['apex-to-centre', 'bust point toward the centre', 'apex to the front edge', 'length', 'segment', [5, 25], { ...CHOICE, marked: 'bust' }],
    ['top-edge', 'around at the upper edge', 'strapless edge girth, top line', 'girth', 'large-girth', [66, 150], STAR],
  ],
  'whole figure': [
    ['waist-to-knee', 'waist to knee', 'knee length, skirt to knee', 'length', 'segment', [48, 72], { marked: 'waist' }],
    ['waist-to-floor', 'waist to floor', 'full length, skirt full length', 'length', 'height', [85, 130], { ...SIDED, marked: 'waist' }],
    ['waist-to-floor-front', 'waist to floor, front', 'front skirt length', 'length', 'height', [85, 130], { marked: 'waist' }],
    ['waist-to-floor-back', 'waist to floor, back', 'back skirt length', 'length', 'height', [85, 130], { marked: 'waist' }],
    ['knee-to-floor', 'knee to floor', 'lower leg height', 'length', 'height', [38, 60]],
    ['garment-length', 'side-neck to hem', 'full length front, dress length', 'length', 'segment', [40, 170], CHOICE],
    ['nape-to-hem', 'nape to hem', 'back length to hem, coat length', 'length', 'segment', [40, 170], CHOICE],
    ['neck-to-floor', 'side-neck to floor', 'gown length', 'length', 'height', [125, 175]],
    ['nape-to-floor', 'nape to floor', 'back height', 'length', 'height', [118, 175]],
    ['stature', 'height', 'body height, how tall', 'length', 'height', [140, 200]],
    ['rise', 'sitting rise', 'body rise, crotch depth, seat depth', 'length', 'segment', [20, 40], { marked: 'waist', seated: 'both' }],
    ['inseam', 'inside leg', 'inner leg, inseam', 'length', 'segment', [55, 100], SIDED],
    ['outseam', 'outside leg', 'side length, outer leg', 'length', 'segment', [80, 125], { ...SIDED, marked: 'waist' }],
    ['head', 'head', 'hat size, hood, pull-on neck', 'girth', 'small-girth', [50, 64], { seated: 'both' }],
    ['head-height', 'over the head, side-neck to side-neck', 'hood height, hood loop', 'length', 'segment', [58, 84], { seated: 'both' }],
    ['heel', 'heel height', 'shoe heel', 'length', 'segment', [0, 16], CHOICE],
  ],
  'arm and hand': [
    ['upper-arm', 'upper arm', 'bicep, round arm, top arm', 'girth', 'small-girth', [20, 52], { ...SIDED, seated: 'both' }],
    ['elbow', 'elbow', 'round elbow', 'girth', 'small-girth', [19, 42], { seated: 'both' }],
    ['forearm', 'forearm', 'lower arm', 'girth', 'small-girth', [17, 38], { ...SIDED, seated: 'both' }],
    ['wrist', 'wrist', 'cuff, round wrist', 'girth', 'small-girth', [12, 23], { ...SIDED, seated: 'both' }],
    ['fist', 'closed hand', 'hand, knuckles, hand pass', 'girth', 'small-girth', [17, 29], { seated: 'both' }],
    ['armhole', 'armhole girth', 'armscye, round armhole, scye', 'girth', 'small-girth', [30, 64], { ...SIDED, seated: 'both' }],
    ['arm-length', 'shoulder point to wrist', 'arm, full sleeve, sleeve to wrist', 'length', 'segment', [48, 70], { ...SIDED, seated: 'both' }],
    ['shoulder-to-elbow', 'shoulder point to elbow', 'upper arm length', 'length', 'segment', [28, 42], { ...SIDED, seated: 'both' }],
    ['elbow-to-wrist', 'elbow to wrist', 'lower arm length', 'length', 'segment', [20, 33], { seated: 'both' }],
    ['inner-arm', 'underarm to wrist', 'inside sleeve, underarm sleeve seam', 'length', 'segment', [36, 56], { seated: 'both' }],
    ['neck-to-wrist', 'side-neck to wrist', 'shoulder and sleeve, raglan sleeve', 'length', 'segment', [60, 88], { seated: 'both' }],
    ['nape-to-wrist', 'nape to wrist', 'centre back to wrist, sleeve from the nape', 'length', 'segment', [66, 98], { seated: 'both' }],
    ['sleeve-length', 'shoulder point to the wanted end', 'sleeve length', 'length', 'segment', [5, 75], { ...CHOICE, seated: 'both' }],
  ],
  seated: [
    ['hip-seated', 'hip, seated', 'seat seated, lap girth', 'girth', 'large-girth', [78, 185], { ...STAR, seated: 'only' }],
    ['waist-to-seat-back', 'waist to seat, back', 'back length to the chair', 'length', 'segment', [18, 42], { marked: 'waist', seated: 'only' }],
    ['waist-to-knee-seated', 'waist to knee over the lap', 'front length seated, lap length', 'length', 'segment', [48, 82], { marked: 'waist', seated: 'only' }],
    ['lap-to-hem', 'knee to the wanted hem, seated', 'front drop, lap to hem', 'length', 'segment', [5, 60], { ...CHOICE, seated: 'only' }],
    ['knee-to-footrest', 'knee to the footrest', 'lower leg seated', 'length', 'segment', [34, 60], { seated: 'only' }],
    ['seat-to-hem-back', 'seat to the wanted hem, back of the legs', 'back drop, seat edge to hem', 'length', 'segment', [5, 60], { ...CHOICE, seated: 'only' }],
    ['across-lap', 'across both knees', 'lap width', 'arc', 'width', [24, 70], { seated: 'only' }],
    ['waist-to-lap', 'waist to lap, front', 'front waist to thigh', 'length', 'segment', [6, 30], { marked: 'waist', seated: 'only' }],
  ],
  hem: [
    ['hem-front', 'waist to hem, front', 'skirt length front', 'length', 'segment', [25, 130], { ...CHOICE, marked: 'waist' }],
    ['hem-left', 'waist to hem, left side', 'skirt length left', 'length', 'segment', [25, 130], { ...CHOICE, marked: 'waist' }],
    ['hem-right', 'waist to hem, right side', 'skirt length right', 'length', 'segment', [25, 130], { ...CHOICE, marked: 'waist' }],
    ['hem-back', 'waist to hem, back', 'skirt length back', 'length', 'segment', [25, 130], { ...CHOICE, marked: 'waist' }],
  ],
};

/** The order in which a tape goes over the client, region by region. */
const TAPE_ORDER: readonly Region[] = [
  'neck and shoulder',
  'bust and rib',
  'waist and hip',
  'legs',
  'front and back',
  'strapless edge',
  'whole figure',
  'arm and hand',
  'seated',
  'hem',
];

const made = (region: Region, [id, name, also, kind, agree, range, more = {}]: Row): Measure[] => {
  const { sided, ...rest } = more;
  const base: Measure = { id, name, also, region, kind, agree, twice: false, range, ...rest };
  const of = (side: 'left' | 'right'): Measure => ({
    ...base,
    id: `${id}-${side}`,
    name: `${name}, ${side}`,
    side,
    of: id,
  });
  // Left and right are the client’s own.
  return sided ? [base, of('left'), of('right')] : [base];
};

export const MEASURES: readonly Measure[] = TAPE_ORDER.flatMap((region) =>
  ROWS[region].flatMap((row) => made(region, row)),
);

const byId = new Map(MEASURES.map((m) => [m.id, m]));

/** The measure with this id, or undefined when the catalogue has none. */
export const findMeasure = (id: string): Measure | undefined => byId.get(id);

/** The measure with this id. @throws RangeError for an id that is not in the catalogue. */
export function measure(id: string): Measure {
  const found = byId.get(id);
  if (!found) throw new RangeError(`No measure is called ${id}`);
  return found;
}

/** Whether both sides of it can be read for themselves. */
export const hasSides = (id: string): boolean => byId.has(`${id}-left`) && byId.get(`${id}-left`)!.of === id;
