import type { LandmarkId } from './landmarks.ts';

export type FigureView = 'front' | 'side' | 'back' | 'seated';
export type Spot = readonly [x: number, y: number];

/** How the drawn figure is built: 0 is the usual one. */
export interface Build {
  /** −1 slighter … 1 fuller */
  readonly full: number;
  /** −1 shorter … 1 taller */
  readonly tall: number;
}
export const USUAL: Build = { full: 0, tall: 0 };

/** The field it stands in: x, y, width, height, in its own units. */
export const FIGURE_FIELD = [-26, -6, 262, 466] as const;

// One half from the neck down to the foot and up the inner leg; the centre is x = 100 (own drawing).
const HALF: readonly Spot[] = [
  [100, 60],
  [109, 62],
  [110, 76],
  [124, 84],
  [140, 92],
  [143, 112],
  [134, 130],
  [131, 152],
  [126, 176],
  [133, 202],
  [139, 230],
  [137, 270],
  [127, 342],
  [129, 372],
  [120, 440],
  [122, 452],
  [106, 452],
  [107, 400],
  [104, 342],
  [101, 262],
];
const ARM: readonly Spot[] = [
  [141, 94],
  [150, 118],
  [152, 160],
  [160, 205],
  [163, 236],
  [158, 240],
  [153, 214],
  [143, 168],
  [137, 132],
];
const SIDE: readonly Spot[] = [
  [96, 60],
  [93, 74],
  [80, 92],
  [76, 120],
  [82, 150],
  [88, 176],
  [78, 204],
  [72, 228],
  [80, 260],
  [86, 300],
  [90, 342],
  [84, 376],
  [92, 430],
  [92, 450],
  [122, 452],
  [104, 444],
  [108, 400],
  [112, 342],
  [118, 290],
  [122, 240],
  [124, 205],
  [115, 176],
  [120, 146],
  [125, 122],
  [116, 100],
  [106, 80],
  [106, 62],
];
const SIDE_ARM: readonly Spot[] = [
  [103, 98],
  [110, 130],
  [106, 168],
  [99, 205],
  [94, 236],
];
const HEAD_FRONT: readonly Spot[] = [
  [100, 16],
  [86, 28],
  [86, 46],
  [93, 59],
  [100, 62],
  [107, 59],
  [114, 46],
  [114, 28],
];
const HEAD_SIDE: readonly Spot[] = [
  [101, 18],
  [88, 28],
  [86, 46],
  [93, 58],
  [102, 62],
  [113, 54],
  [116, 36],
  [111, 22],
];
// Seated, from the side: back upright, thigh level, lower leg upright.
const SEATED: readonly Spot[] = [
  [74, 106],
  [70, 122],
  [58, 140],
  [54, 168],
  [60, 198],
  [66, 224],
  [56, 252],
  [52, 276],
  [60, 292],
  [90, 294],
  [140, 292],
  [166, 294],
  [170, 330],
  [166, 372],
  [172, 412],
  [174, 420],
  [206, 420],
  [194, 410],
  [188, 372],
  [194, 330],
  [194, 276],
  [186, 262],
  [150, 254],
  [112, 250],
  [104, 240],
  [98, 222],
  [102, 196],
  [106, 170],
  [98, 148],
  [86, 128],
  [84, 108],
];
const SEATED_HEAD: readonly Spot[] = [
  [80, 62],
  [67, 72],
  [65, 90],
  [72, 102],
  [81, 107],
  [92, 98],
  [95, 80],
  [90, 66],
];
const CHAIR: readonly Spot[] = [
  [40, 170],
  [40, 298],
  [40, 430],
  [40, 298],
  [162, 298],
  [162, 430],
];

/** How much of a fuller or slighter build shows at a height. */
const shows = (y: number) => (y < 80 ? 0.15 : y < 112 ? 0.45 : y < 250 ? 1 : y < 300 ? 0.8 : 0.5);
const WIDER = 0.2;
const TALLER = 0.04;
const FLOOR = 452;

function built([x, y]: Spot, { full, tall }: Build, view: FigureView): Spot {
  const centre = view === 'side' ? 100 : view === 'seated' ? 80 : 100;
  const k = 1 + WIDER * full * (view === 'seated' ? (y > 150 && y < 300 ? 0.7 : 0.3) : shows(y));
  const far = view === 'seated' && x > 120 ? x : centre + (x - centre) * k;
  return [far, FLOOR - (FLOOR - y) * (1 + TALLER * tall)];
}

/** One closed or open stroke of the figure, by the points it runs through. */
export interface FigureStroke {
  readonly through: readonly Spot[];
  readonly closed: boolean;
  readonly of: 'figure' | 'chair';
}

/** The figure’s outline in one view. */
export function figure(view: FigureView, build: Build = USUAL): FigureStroke[] {
  const stroke = (through: readonly Spot[], closed: boolean, of: FigureStroke['of'] = 'figure') => ({
    through: of === 'chair' ? through : through.map((p) => built(p, build, view)),
    closed,
    of,
  });
  if (view === 'side') return [stroke(SIDE, true), stroke(HEAD_SIDE, true), stroke(SIDE_ARM, false)];
  if (view === 'seated')
    return [stroke(CHAIR, false, 'chair'), stroke(SEATED, true), stroke(SEATED_HEAD, true)];
  const flip = ([x, y]: Spot): Spot => [200 - x, y];
  return [
    stroke(HALF, false),
    stroke(HALF.map(flip), false),
    stroke(ARM, false),
    stroke(ARM.map(flip), false),
    stroke(HEAD_FRONT, true),
  ];
}

type Places = Partial<Record<LandmarkId, Spot>>;
// On the client’s left of the front view (x over 100); seen from behind x is turned by the caller.
// biome-ignore format: a table
const FRONT: Places = {
  crown: [100, 16], forehead: [114, 34], 'front-hollow': [100, 80], nape: [100, 76], 'side-neck': [111, 78], 'mid-shoulder': [125, 84],
  'shoulder-point': [140, 91], apex: [114, 130], 'armhole-front': [132, 108], 'armhole-back': [132, 108],
  underarm: [135, 122], bust: [134, 130], 'high-bust': [138, 108], underbust: [131, 148], waist: [126, 176],
  tummy: [131, 196], 'high-hip': [133, 202], hip: [139, 230], 'side-seam': [128, 170], crotch: [101, 262],
  thigh: [138, 268], 'mid-thigh': [133, 300], knee: [127, 342], 'below-knee': [126, 356], calf: [129, 378],
  ankle: [121, 432], heel: [121, 446], floor: [122, 452], elbow: [155, 166], 'upper-arm': [151, 130],
  forearm: [157, 186], wrist: [160, 206], hand: [162, 228], hem: [128, 366], 'top-edge': [132, 118],
  'strap-front': [120, 108], 'strap-back': [118, 112], 'neck-wanted': [100, 108], 'sleeve-end': [158, 196],
  'garment-waist': [130, 190], 'shoulder-blade': [130, 112],
};
// biome-ignore format: a table
const FROM_SIDE: Places = {
  crown: [101, 18], 'front-hollow': [110, 84], nape: [94, 76], 'side-neck': [103, 76], 'shoulder-point': [102, 96],
  apex: [125, 124], underarm: [104, 122], bust: [125, 124], 'high-bust': [118, 104], underbust: [120, 146],
  waist: [101, 176], tummy: [123, 198], 'high-hip': [100, 202], hip: [98, 229], crotch: [102, 262], thigh: [118, 270],
  knee: [101, 342], calf: [90, 378], ankle: [100, 432], heel: [94, 446], floor: [101, 452], elbow: [109, 166],
  wrist: [99, 206], hem: [101, 366], 'upper-arm': [108, 132], 'garment-waist': [100, 190],
};
// biome-ignore format: a table
const FROM_SEATED: Places = {
  nape: [72, 122], 'side-neck': [82, 118], 'shoulder-point': [80, 138], waist: [82, 222], hip: [70, 268], seat: [66, 294],
  lap: [104, 250], 'knee-seated': [190, 276], footrest: [190, 420], hem: [192, 386], tummy: [100, 236],
};

/** Where a landmark lies in a view, on the client’s left half of the front view; null where it is not seen. */
export function spotOf(id: LandmarkId, view: FigureView, build: Build = USUAL): Spot | null {
  const at = (view === 'side' ? FROM_SIDE : view === 'seated' ? FROM_SEATED : FRONT)[id];
  return at ? built(at, build, view) : null;
}

/** From the centre to the figure’s edge at a height, front and back; both edges of the side view. */
export function edgesAt(y: number, view: FigureView, build: Build = USUAL): readonly [number, number] {
  if (view === 'front' || view === 'back') {
    const half = HALF.slice(2, 15).map((p) => built(p, build, view));
    for (let i = 1; i < half.length; i++) {
      const [a, b] = [half[i - 1]!, half[i]!];
      if (a[1] <= y && b[1] >= y) {
        const x = a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1] || 1);
        return [200 - x, x];
      }
    }
    return [70, 130];
  }
  const ring = (view === 'side' ? SIDE : SEATED).map((p) => built(p, build, view));
  const xs = ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    return (a[1] <= y && b[1] > y) || (b[1] <= y && a[1] > y)
      ? [a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])]
      : [];
  });
  return xs.length < 2 ? [80, 120] : [Math.min(...xs), Math.max(...xs)];
}
