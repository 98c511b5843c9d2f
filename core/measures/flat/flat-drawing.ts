import type { FlatCut } from './flat-points.ts';

/** Field of the drawings: 200 wide, 260 high. Everything is drawn by us. */
export const FLAT_FIELD = [0, 0, 200, 260] as const;

const NECK = 'M84 22 Q100 46 116 22';
const BACK_NECK = 'M84 22 Q100 30 116 22';
/** The strokes of each cut as SVG path data: what is seen, as it lies. */
const STROKES: Readonly<Record<FlatCut, readonly string[]>> = {
  'set-in': [
    NECK,
    BACK_NECK,
    'M84 22 L52 34 L18 122 L40 132 L60 84 L58 140 L50 236 L150 236 L142 140 L140 84 L160 132 L182 122 L148 34 L116 22',
    'M52 34 Q62 58 60 84',
    'M148 34 Q138 58 140 84',
  ],
  raglan: [
    NECK,
    BACK_NECK,
    'M84 22 L54 36 L18 122 L40 132 L60 88 L58 140 L50 236 L150 236 L142 140 L140 88 L160 132 L182 122 L146 36 L116 22',
    'M87 27 Q78 62 60 88',
    'M113 27 Q122 62 140 88',
  ],
  strapless: [
    'M58 34 Q80 20 100 36 Q120 20 142 34 L136 108 L150 176 L154 240 L46 240 L50 176 L64 108 Z',
    'M64 108 L136 108',
    'M82 30 L84 108',
    'M118 30 L116 108',
  ],
  skirt: [
    'M64 24 L136 24 L148 84 L154 236 L46 236 L52 84 Z',
    'M64 32 L136 32',
    'M82 32 L84 62',
    'M118 32 L116 62',
  ],
  trousers: [
    'M64 20 L136 20 L146 72 L142 240 L110 240 L100 104 L90 240 L58 240 L54 72 Z',
    'M100 20 L100 104',
  ],
};
/** The drawing of a cut that lies flat, paths of SVG 200 units wide. */
export const flatStrokes = (cut: FlatCut): readonly string[] => STROKES[cut];

type Line = readonly [x1: number, y1: number, x2: number, y2: number];
const TOP: Readonly<Record<string, Line>> = {
  'side-neck-length': [84, 22, 84, 236],
  'centre-back-length': [100, 26, 100, 236],
  'half-chest': [60, 86, 140, 86],
  'half-waist': [58, 148, 142, 148],
  'half-hip': [54, 192, 146, 192],
  'half-hem': [50, 236, 150, 236],
  'half-end': [160, 132, 182, 122],
  'neck-drop-front': [100, 22, 100, 34],
  'neck-drop-back': [100, 22, 100, 26],
  'half-neck': [100, 22, 116, 22],
  'bust-height': [116, 22, 116, 92],
  'underbust-height': [116, 22, 116, 112],
  'waist-front': [116, 22, 116, 148],
  'waist-back': [84, 22, 84, 148],
  'hip-drop': [70, 148, 70, 192],
  'half-upper-arm': [140, 84, 166, 78],
};
/** Where the tape lies for each point; what the drawing halves, it shows across the whole piece. */
const LINES: Readonly<Record<FlatCut, Readonly<Record<string, Line>>>> = {
  'set-in': {
    ...TOP,
    shoulders: [52, 34, 148, 34],
    shoulder: [116, 22, 148, 34],
    sleeve: [148, 34, 182, 122],
    armhole: [148, 34, 148, 84],
  },
  raglan: { ...TOP, sleeve: [116, 22, 182, 122], armhole: [128, 22, 128, 88] },
  strapless: {
    'top-front': [84, 108, 84, 27],
    'top-side': [136, 108, 142, 34],
    'top-back': [100, 108, 100, 36],
    'hip-drop': [70, 108, 70, 176],
    'half-chest': [60, 56, 140, 56],
    'half-underbust': [62, 80, 138, 80],
    'half-waist': [64, 108, 136, 108],
    'half-hip': [50, 176, 150, 176],
    'half-hem': [46, 240, 154, 240],
    'length-front': [100, 108, 100, 240],
  },
  skirt: {
    'hip-drop': [70, 32, 70, 84],
    'half-waist': [64, 24, 136, 24],
    'half-hip': [52, 84, 148, 84],
    'half-hem': [46, 236, 154, 236],
    'length-front': [100, 32, 100, 236],
    'length-side': [141, 32, 154, 236],
    'length-back': [92, 32, 92, 236],
  },
  trousers: {
    'half-waist': [64, 20, 136, 20],
    'half-hip': [54, 72, 146, 72],
    'rise-front': [100, 104, 100, 20],
    'rise-back': [97, 104, 97, 20],
    'half-thigh': [101, 112, 145, 112],
    'half-knee': [105, 172, 144, 172],
    'half-hem': [110, 240, 142, 240],
    inseam: [100, 104, 110, 240],
    outseam: [136, 20, 142, 240],
  },
};
/** Where the tape lies. @throws RangeError for a point that the cut does not have */
export function flatLine(cut: FlatCut, point: string): Line {
  const line = LINES[cut][point];
  if (!line) throw new RangeError(`${point} is not read off ${cut}`);
  return line;
}
