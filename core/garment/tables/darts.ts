import { type Cm, cm } from '../../units/length.ts';
import { say } from '../../units/print.ts';
import { type Rounding, roundLength, stepOf } from '../../units/rounding.ts';

export type Face = 'front' | 'back';
export const FACES = ['front', 'back'] as const;

/** How one quarter gives up the difference between its wide and its narrow line. Lengths cm, as marked. */
export interface Suppression {
  /** wide line − narrow line; negative when the narrow line is the wider */
  readonly total: Cm;
  /** what a centre seam shaped in at the waist takes */
  readonly centre: Cm;
  readonly side: Cm;
  readonly count: number;
  /** intake of each dart at the waist */
  readonly intake: Cm;
  /** what the darts at their most and the side could not take; it is in the side */
  readonly over: Cm;
  readonly because: string;
}

/** Most intake of one waist dart, cm (common practice, no source). */
export const MOST_INTAKE = { front: cm(2.5), back: cm(3.8) } as const;
export const MOST_SIDE = 2.5;
const SIDE_SHARE = 0.4;
const LEAST_DART = 1;
/** Sides that are to run in alike may differ by so much before it is added up as too much, cm. */
const ALIKE = 0.2;
const NONE = cm(0);

/** A house's own darts: count and intake of each; the side seam takes what is left. */
export interface FixedDarts {
  readonly count: number;
  readonly intake: Cm;
}

/** What a side seam takes of what is left for it and the darts, cm. */
export const sideShare = (left: number): number => Math.max(0, Math.min(left * SIDE_SHARE, MOST_SIDE));
/** What both sides of a seam take alike: the share of what front and back have left between them, never more than either has, cm. */
export function sidesAlike(front: number, back: number): Cm {
  const least = Math.min(front, back);
  const side = Math.max(0, Math.min(sideShare((front + back) / 2), least));
  const rest = least - side;
  // The face that has less is left with a dart of its least, or with none.
  return cm(
    rest <= 0 || rest >= LEAST_DART ? side : rest < LEAST_DART / 2 ? least : Math.max(0, least - LEAST_DART),
  );
}

/** By how much the front's side seam runs in more than the mean of both, and the back's less, cm: the back keeps more for its darts (a metric block has 0.25, from memory). */
const FRONT_SIDE_MORE = 0.5;
/** A back's darts, its centre seam with them, hold at least so much more than the front's, cm (common practice: 1 to 2.5). */
export const BACK_OVER_FRONT = 1;

/** What the sides of a skirt take: nearly alike, the front's a little more, so that the back's darts hold more than the front's, cm. */
export function sidesBelowWaist(front: number, back: number, least: number = 0): Readonly<Record<Face, Cm>> {
  const both = Math.max(sidesAlike(front, back), Math.min(least, front, back));
  const more = Math.max(0, Math.min(FRONT_SIDE_MORE, both - FRONT_SIDE_MORE, front - both));
  return { front: cm(both + more), back: cm(both - more) };
}

/** The darts of a face marked by hand: each intake as rounded to the nearest step, whichever way the house rounds widths. */
const marked = (intake: number, most: number, rounding: Rounding): Cm => {
  const near = roundLength(cm(intake), { ...rounding, mode: 'nearest' });
  if (near <= most + 1e-9 || rounding.step === 0) return near;
  return roundLength(cm(most), { ...rounding, mode: 'down' });
};

/**
 * Shares a marked quarter's suppression: a shaped centre seam first, then the side seam up to 40 % and at most 2.5 cm,
 * the rest in one dart, or two when one would exceed its most; under 1 cm goes into the side seam. Darts are rounded
 * once and the side takes what is left, so that the parts are the whole. `sideTakes`: what both faces’ sides take alike,
 * instead of this one’s 40 %. Common practice (no source).
 */
export function suppress(
  total: Cm,
  face: Face,
  rounding: Rounding,
  {
    centre = NONE,
    fixed,
    most = MOST_INTAKE[face],
    sideTakes,
    sideSays = 'as much in front as behind',
  }: {
    centre?: Cm;
    fixed?: FixedDarts | undefined;
    most?: Cm;
    sideTakes?: Cm | undefined;
    sideSays?: string;
  } = {},
): Suppression {
  const make = (count: number, intake: Cm, because: string, shaped = NONE): Suppression => {
    const side = cm(total - shaped - count * intake);
    // What a step of rounding leaves over is not worth a word.
    const usual =
      sideTakes === undefined ? MOST_SIDE : Math.min(Math.max(MOST_SIDE, sideTakes), sideTakes + ALIKE);
    const over = count === 0 ? NONE : cm(Math.max(0, side - usual - (count * stepOf(rounding)) / 2));
    return { total, centre: shaped, side, count, intake, over, because };
  };
  if (fixed)
    return {
      ...make(fixed.count, fixed.intake, 'Darts as given, the side seam takes the rest.'),
      over: NONE,
    };
  if (total <= 0)
    return make(
      0,
      NONE,
      total < 0
        ? 'The waist line is the wider: no darts, the side seam runs outward to the waist.'
        : 'Nothing to take up.',
    );
  const shaped = total > 2 * centre ? centre : NONE;
  const left = total - shaped;
  const side = sideTakes === undefined ? sideShare(left) : Math.min(left, sideTakes);
  // Sides alike leave a dart its least: half a centimetre more or less at a side is not seen.
  const rest =
    sideTakes !== undefined && left - side < LEAST_DART && left - side >= LEAST_DART / 2
      ? LEAST_DART
      : left - side;
  if (rest < LEAST_DART)
    return make(
      0,
      NONE,
      `Less than ${say(1)} would be left for a dart: all of it goes into the side seam.`,
      shaped,
    );
  const took = `${shaped > 0 ? 'The centre seam is shaped in; the' : 'The'} side seam takes ${sideTakes !== undefined ? sideSays : side < MOST_SIDE ? '40 %' : `its most, ${say(2.5)}`}`;
  if (rest <= most + 1e-9)
    return make(1, marked(rest, most, rounding), `${took}; one dart takes the rest.`, shaped);
  const each = Math.min(rest / 2, most);
  return make(
    2,
    marked(each, most, rounding),
    rest <= 2 * most + 1e-9
      ? `${took}; the rest is more than ${say(most)}, so two darts share it.`
      : `${took}; two darts take ${say(most)} each and the rest is added to the side seam. Princess seams would carry it better.`,
    shaped,
  );
}

/** Usual dart lengths, cm (common practice: front 8–10, back 12–14). */
export const DART_LENGTH = { front: cm(9), back: cm(13) } as const;
/** A dart ends this far above the widest line, and is no dart when it is shorter than the least, cm (common practice). */
export const ABOVE_WIDEST = 3;
export const LEAST_LENGTH = 5;
/** Of two in one panel the one nearer the side is this much shorter, cm (common practice: 1 to 2). */
export const SECOND_SHORTER = 1.5;
