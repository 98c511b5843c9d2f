import { findMeasure } from '../catalogue.ts';
import { type Build, edgesAt, type Spot, spotOf, USUAL } from './figure-model.ts';
import { guideOf, type Through } from './guide.ts';
import { LANDMARKS, type LandmarkId } from './landmarks.ts';

/** A tape on the drawn figure: where it is seen, and where it passes behind. */
export interface DrawnCourse {
  readonly view: 'front' | 'side' | 'back' | 'seated';
  readonly seen: readonly Spot[];
  readonly behind: readonly Spot[];
  /** the seen stretch is bent, not straight from point to point */
  readonly bent: boolean;
  /** what to feel for, with where its word points */
  readonly landmarks: readonly { readonly at: Spot; readonly word: string }[];
}

/** The half a girth is seen on, as an arc of points from edge to edge. */
const bow = (x0: number, x1: number, y: number, depth: number): Spot[] =>
  Array.from({ length: 9 }, (_, i) => {
    const t = i / 8;
    return [x0 + (x1 - x0) * t, y + depth * Math.sin(Math.PI * t)] as const;
  });

/** Half the width of a limb at its landmark. */
const LIMB: Readonly<Record<string, number>> = {
  thigh: 18,
  'mid-thigh': 15,
  knee: 12,
  'below-knee': 11,
  calf: 12,
  ankle: 8,
  heel: 13,
  'upper-arm': 8,
  elbow: 8,
  forearm: 7,
  wrist: 5,
  hand: 6,
  'armhole-front': 14,
};

/** What of a session’s ways of measuring shows in the picture. */
export interface DrawnWays {
  readonly waistAt?: LandmarkId | null;
  readonly neckDepth?: string;
}
/** A neckline’s depth runs straight down unless the session has it slanted, or up from the waist. */
function neckDepth(id: string, way = 'straight'): readonly Through[] | null {
  if (!id.startsWith('neck-depth-') || way === 'slanted') return null;
  return way === 'straight'
    ? ['side-neck', ['side-neck', 'neck-wanted']]
    : [['neck-wanted', 'waist'], 'neck-wanted'];
}

/** The course of a measure’s tape on a figure of this build. */
export function courseOf(id: string, build: Build = USUAL, ways: DrawnWays = {}): DrawnCourse {
  const m = findMeasure(id);
  const { course, first } = guideOf(id);
  const { view, path } = course;
  // The client’s left is on the right of a picture from the front, and on the left of one from behind.
  const right = m?.side === 'right' || id === 'hem-right';
  const turned = (view === 'front' && right) || (view === 'back' && m?.side !== undefined && !right);
  const turn = ([x, y]: Spot): Spot => [turned ? 200 - x : x, y];
  // A view without the other waist keeps the one where the body folds.
  const spot = (l: LandmarkId) =>
    (l === 'waist' && ways.waistAt ? spotOf(ways.waistAt, view, build) : undefined) ?? spotOf(l, view, build);
  const place = (t: Through): Spot => {
    const [x, y] = typeof t === 'string' ? [t, t] : t;
    const [a, b] = [spot(x), spot(y)];
    if (!a || !b) throw new RangeError(`${id} runs through ${x}/${y}, which is not seen from ${view}`);
    return turn([a[0], b[1]]);
  };
  const through = (neckDepth(id, ways.neckDepth) ?? course.through).map(place);
  const words = first.flatMap((l) => {
    const at = spot(l);
    return at ? [{ at: turn(at), word: LANDMARKS[l].name }] : [];
  });
  const made = (seen: readonly Spot[], behind: readonly Spot[], bent: boolean): DrawnCourse => ({
    view,
    seen,
    behind,
    bent,
    landmarks: words,
  });
  const [head] = through as [Spot];
  const [, y] = head;
  switch (path) {
    case 'round': {
      const [x0, x1] = y < 66 ? [86, 114] : edgesAt(y, view, build);
      return made(bow(x0, x1, y, 6), bow(x0, x1, y, -6), true);
    }
    case 'arc': {
      const [x0, x1] = edgesAt(y, view, build);
      return made(bow(x0, x1, y, 9), [], true);
    }
    case 'limb': {
      const key = course.through[0] as string;
      const w = LIMB[key] ?? 10;
      // The landmark lies at the outer edge of the limb.
      const centre = head[0] > 100 ? head[0] - w * 0.75 : head[0] + w * 0.75;
      return made(bow(centre - w, centre + w, y, 4), bow(centre - w, centre + w, y, -4), true);
    }
    case 'across':
      return made([[200 - head[0], y], head], [], false);
    case 'over': {
      // What ends at the middle goes on to the other side.
      const ends = through.at(-1)!;
      const wholeWay =
        Math.abs(ends[0] - 100) < 0.5 &&
        ['neck-base', 'across-shoulder', 'head-height', 'arm-span'].includes(id);
      const other = through
        .slice(0, -1)
        .reverse()
        .map(([x, v]): Spot => [200 - x, v]);
      return made(wholeWay ? [...through, ...other] : through, [], true);
    }
    case 'line':
      return made(through, [], false);
  }
}
