import { lengthOf } from '../../../draft/curve.ts';
import type { LegShape } from '../../common/leg.ts';
import type { Face } from '../../tables/darts.ts';
import type { FitClass } from '../../tables/fit.ts';

/** A crotch seam less its reading, by fit, cm (common practice). */
const ROOM: Readonly<Record<string, readonly [least: number, most: number]>> = {
  'second-skin': [-1, 1],
  close: [-1, 1],
  'semi-fitted': [2, 4],
  loose: [3, 5],
  'very-loose': [4, 7],
};
/** What a crotch has over the body’s own length, least and most, cm, by fit (common practice). */
export const crotchRoom = (fit: FitClass) => ROOM[fit] ?? ([1, 2.5] as const);
/** Both forks together, as parts of the body's hip (a metric block has 0.19, from memory). */
const FORKS = { least: 0.175, most: 0.205 } as const;
/** How much higher the back lies at its centre, cm (common practice). */
const BACK_RISE = { least: 2, most: 3 } as const;
/** Aimed so far inside of the range, cm: rounding must not lead out of it. */
const INSIDE = 0.25;

/** How much more or less than usual each fork reaches out, and the back rises, cm. */
export interface Toward {
  readonly front: number;
  readonly back: number;
  readonly rise: number;
}

/** The whole crotch seam of both faces, cm. */
export const crotchSeam = (s: Readonly<Record<Face, LegShape>>): number =>
  [...s.front.crotch, ...s.back.crotch].reduce((sum, x) => sum + lengthOf(x), 0);

/**
 * Drafts the crotch seam towards its reading: where its room is not what the fit wants, the forks reach less or further, a
 * third of it in front, as far as forks may; then the back rises less or more. What is still missing is told by its check.
 * `seamAt`: the seam's length with a change, cm, or null where there is no leg. Null where nothing has to change.
 */
export function towardReading(
  seamAt: (t: Toward) => number | null,
  {
    reading,
    fit,
    hip,
    forks,
    least,
    backRise,
  }: {
    readonly reading: number;
    readonly fit: FitClass;
    /** body */
    readonly hip: number;
    /** both together, by rule */
    readonly forks: number;
    /** what the thigh needs of them */
    readonly least: number;
    readonly backRise: number;
  },
): Toward | null {
  const [low, high] = crotchRoom(fit);
  const within = { least: Math.max(FORKS.least * hip, least) - forks, most: FORKS.most * hip - forks };
  let toward: Toward = { front: 0, back: 0, rise: 0 };
  for (let i = 0; i < 3; i++) {
    const seam = seamAt(toward);
    if (seam === null) return null;
    const room = seam - reading;
    const by = room > high ? high - INSIDE - room : room < low ? low + INSIDE - room : 0;
    if (by === 0) break;
    const so = toward.front + toward.back;
    const reach = Math.max(Math.min(within.least, 0), Math.min(Math.max(within.most, 0), so + by));
    const rest = by - (reach - so);
    const rise = Math.max(
      BACK_RISE.least - backRise,
      Math.min(BACK_RISE.most - backRise, toward.rise + rest),
    );
    toward = { front: reach / 3, back: (2 * reach) / 3, rise };
  }
  return toward.front === 0 && toward.rise === 0 ? null : toward;
}
