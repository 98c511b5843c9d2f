import { type FigureLevel, findMeasure } from '@rocchetto/core';
import { curveCatmullRom, curveCatmullRomClosed, line } from 'd3-shape';

export type View = 'front' | 'side' | 'back';
type Point = readonly [number, number];

/** Levels of the drawn figure, in its own units from the crown (view box 200 × 480). */
export const LEVEL: Record<FigureLevel, number> = {
  neck: 76,
  shoulder: 88,
  'high-bust': 104,
  across: 106,
  underarm: 118,
  bust: 130,
  underbust: 146,
  waist: 176,
  tummy: 196,
  'high-hip': 202,
  hip: 230,
  knee: 342,
  hem: 372,
  floor: 452,
};

const smooth = line<Point>().curve(curveCatmullRom.alpha(0.6));
const closed = line<Point>().curve(curveCatmullRomClosed.alpha(0.6));
const flip = ([x, y]: Point): Point => [200 - x, y];

const HALF: readonly Point[] = [
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
const ARM: readonly Point[] = [
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
const SIDE: readonly Point[] = [
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

/** The outline strokes of one view. */
export function outline(view: View): string[] {
  if (view === 'side')
    return [
      closed(SIDE)!,
      'M101 18 C86 18 82 34 86 48 C88 58 96 62 102 62 C112 62 117 50 116 36 C115 24 110 18 101 18 Z',
      smooth([
        [103, 98],
        [110, 130],
        [106, 168],
        [99, 205],
        [94, 236],
      ])!,
    ];
  return [
    smooth(HALF)!,
    smooth(HALF.map(flip))!,
    smooth(ARM)!,
    smooth(ARM.map(flip))!,
    'M100 16 C84 16 82 34 85 46 C88 58 94 62 100 62 C106 62 112 58 115 46 C118 34 116 16 100 16 Z',
  ];
}

const halfWidth = (y: number): number => {
  for (let i = 1; i < HALF.length; i++) {
    const [a, b] = [HALF[i - 1]!, HALF[i]!];
    if (a[1] <= y && b[1] >= y && y >= 112) return a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) - 100;
  }
  return 30;
};

export interface DrawnCourse {
  readonly view: View;
  /** the tape where it is seen, and where it passes behind */
  readonly seen: string;
  readonly behind: string;
  /** what to feel for */
  readonly landmarks: readonly { readonly at: Point; readonly word: string }[];
}

/** The tape's course for a measure, drawn from its row of the catalogue; null when that draws none. */
export function courseOf(id: string): DrawnCourse | null {
  const c = findMeasure(id)?.course;
  if (!c) return null;
  const y = LEVEL[c.at];
  const { view } = c;
  switch (c.path) {
    case 'round': {
      const [x, w] = view === 'side' ? [98, y > 215 ? 25 : 19] : [100, halfWidth(y) + 1];
      return {
        view,
        seen: `M${x - w} ${y} A${w} 7 0 0 0 ${x + w} ${y}`,
        behind: `M${x - w} ${y} A${w} 7 0 0 1 ${x + w} ${y}`,
        landmarks: [{ at: [x + w, y], word: c.feel }],
      };
    }
    case 'arc': {
      const w = halfWidth(y);
      return {
        view,
        seen: `M${100 - w} ${y} Q100 ${y + 12} ${100 + w} ${y}`,
        behind: '',
        landmarks: [{ at: [100 + w, y], word: c.feel }],
      };
    }
    case 'across':
      return {
        view,
        seen: `M${c.from} ${y} L${c.to} ${y}`,
        behind: '',
        landmarks: [{ at: [c.to, y], word: c.feel }],
      };
    case 'slant':
      return {
        view,
        seen: `M${c.from} ${LEVEL.neck} L${c.to} ${y + 4}`,
        behind: '',
        landmarks: [{ at: [c.to, y + 4], word: c.feel }],
      };
    case 'down':
      return {
        view,
        seen: `M${c.x} ${LEVEL[c.from]} L${c.x} ${y}`,
        behind: '',
        landmarks: [
          {
            at: [c.x, LEVEL[c.from]],
            word: c.from === 'waist' ? 'cord' : c.from === 'neck' ? 'neck' : c.from,
          },
          { at: [c.x, y], word: c.feel },
        ],
      };
  }
}
