import { type Cm, cm } from '../units/length.ts';

/** How one quarter gives up the difference between its wide and its narrow line. Lengths cm. */
export interface Suppression {
  /** wide line − narrow line; negative when the narrow line is the wider */
  readonly total: Cm;
  readonly side: Cm;
  readonly count: number;
  /** intake of each dart at the waist */
  readonly intake: Cm;
  /** what two darts at their most and the side could not take; it is added to the side */
  readonly over: Cm;
  readonly because: string;
}

/** Most intake of one skirt dart, cm (common practice, no source). */
export const MOST_INTAKE = { front: cm(2.5), back: cm(3.8) } as const;
const MOST_SIDE = 2.5;
const SIDE_SHARE = 0.4;
const LEAST_DART = 1;

/** A house's own darts: count and intake of each; the side seam takes what is left. */
export interface FixedDarts {
  readonly count: number;
  readonly intake: Cm;
}

/**
 * Shares a quarter's suppression between side seam and darts: the side takes up to 40 % and at most 2.5 cm,
 * the rest goes to one dart, or two when one would exceed its most; under 1 cm goes into the side seam.
 * Common practice (no source).
 */
export function suppress(total: Cm, face: 'front' | 'back', fixed?: FixedDarts): Suppression {
  if (fixed) {
    const side = cm(total - fixed.count * fixed.intake);
    return {
      total,
      side,
      count: fixed.count,
      intake: fixed.intake,
      over: cm(0),
      because: 'House setting: darts as given, the side seam takes the rest.',
    };
  }
  if (total <= 0) {
    const because =
      total < 0
        ? 'The waist line is the wider: no darts, the side seam runs outward to the waist.'
        : 'Nothing to take up.';
    return { total, side: total, count: 0, intake: cm(0), over: cm(0), because };
  }
  const side = cm(Math.min(total * SIDE_SHARE, MOST_SIDE));
  const rest = cm(total - side);
  if (rest < LEAST_DART)
    return {
      total,
      side: total,
      count: 0,
      intake: cm(0),
      over: cm(0),
      because: 'Less than 1 cm would be left for a dart: all of it goes into the side seam.',
    };
  const most = MOST_INTAKE[face];
  const took = `The side seam takes ${side < MOST_SIDE ? '40 %' : 'its most, 2.5 cm'}`;
  if (rest <= most + 1e-9)
    return { total, side, count: 1, intake: rest, over: cm(0), because: `${took}; one dart takes the rest.` };
  if (rest <= 2 * most + 1e-9)
    return {
      total,
      side,
      count: 2,
      intake: cm(rest / 2),
      over: cm(0),
      because: `${took}; the rest is more than ${most} cm, so two darts share it.`,
    };
  const over = cm(rest - 2 * most);
  return {
    total,
    side: cm(side + over),
    count: 2,
    intake: most,
    over,
    because: `${took}; two darts take ${most} cm each and the rest is added to the side seam. Princess seams would carry it better.`,
  };
}

/** Usual dart lengths, cm (common practice: front 8–10, back 12–14); a dart ends at least 3 cm above the hip. */
export const DART_LENGTH = { front: cm(9), back: cm(13) } as const;
export const dartLength = (face: 'front' | 'back', hipLevel: Cm): Cm =>
  cm(Math.min(DART_LENGTH[face], hipLevel - 3));
