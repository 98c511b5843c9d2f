import { bodyTerms, buildFigure, term } from '../../figure/build.ts';
import type { Figure, Term } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import type { PartContext } from '../part.ts';
import { belowWanted, type LengthValues, lengthLacks } from './length-wanted.ts';
import { STATIONS, type Station } from './stations.ts';
import { belowByTotal } from './total-length.ts';

export { STATIONS, type Station };
export type HemLengths = { readonly [S in Station]: Figure };

/** How the waist line lies at each station against its front, cm: it rises at the sides and drops at the back. */
export interface WaistLie {
  readonly rise: Cm;
  readonly drop: Cm;
}
const LEVEL: WaistLie = { rise: cm(0), drop: cm(0) };

/**
 * Waist to hem at the four stations, along the seam. One that was not read is mirrored from the other side, else it is
 * the mean of those read; when none was read the wanted length of the brief makes a level hem.
 */
export function hemLengths(c: PartContext, v: LengthValues, lie: WaistLie = LEVEL): HemLengths {
  const wanted = belowWanted(c, v, 'From the brief; no station was read.');
  const read = new Map(
    STATIONS.flatMap((s) => {
      const m = c.measured.get(`hem-${s}`);
      return m?.net != null ? [[s, m] as const] : [];
    }),
  );
  // A garment that hangs from the shoulder may have been read whole, from the neck to its hem.
  const whole = c.above && read.size === 0 ? belowByTotal(c) : null;
  const make = (s: Station): Figure => {
    const base = {
      id: c.id(`hem-${s}`),
      section: c.key,
      name: `waist to hem, ${s === 'left' || s === 'right' ? `${s} side` : `centre ${s}`}`,
      group: 'length' as const,
      follows: (v: Cm) => (v > 0 ? null : 'Enter a length over 0.'),
    };
    const own = read.get(s);
    if (own) return buildFigure(c, { terms: bodyTerms(own), read: true, ...base });
    const estimate = (value: number, because: string) =>
      buildFigure(c, {
        estimated: true,
        terms: [term('body', 'estimate', value, because)],
        why: [because],
        ...base,
      });
    const other = s === 'left' ? 'right' : s === 'right' ? 'left' : null;
    const mirrored = other ? read.get(other) : undefined;
    if (mirrored) return estimate(mirrored.net!, `Not measured: mirrored from the ${other} side.`);
    if (read.size > 0)
      return estimate(
        [...read.values()].reduce((a, m) => a + m.net!, 0) / read.size,
        'Not measured: the mean of the lengths that were. Level the hem at the fitting.',
      );
    if (whole) return buildFigure(c, { terms: [...whole, ...lieTerms(s, lie)], ...base });
    if (wanted === null)
      return buildFigure(c, {
        terms: [],
        known: false,
        why: [lengthLacks(c, v)],
        ...base,
      });
    return buildFigure(c, {
      terms: [...wanted, ...lieTerms(s, lie)],
      why: ['No length was measured: level the hem from the floor at the fitting.'],
      ...base,
    });
  };
  return Object.fromEntries(STATIONS.map((s) => [s, make(s)])) as unknown as HemLengths;
}

function lieTerms(s: Station, { rise, drop }: WaistLie): Term[] {
  if ((s === 'left' || s === 'right') && rise > 0)
    return [term('add', 'waist line rises at the side', rise, 'Over the hip curve, for a level hem.')];
  if (s === 'back' && drop > 0)
    return [term('take', 'waist line drops at centre back', -drop, 'For a level hem.')];
  return [];
}

/** The stations' marked lengths; null while one is absent. */
export function markedLengths(h: HemLengths): { readonly [S in Station]: Cm } | null {
  if (STATIONS.some((s) => h[s].marked === null)) return null;
  return Object.fromEntries(STATIONS.map((s) => [s, h[s].marked!])) as unknown as {
    readonly [S in Station]: Cm;
  };
}

/** Waist to hem, left and right, differing by more than this is cut on each side for itself, cm (house figure: as for pins). */
const HEMS_APART = 0.5;
/** Of what one side was read longer, so much lies in its waist line, cm; the rest at the hem (house figure). */
const MOST_AT_WAIST = 2.5;

/** Whether left and right hang so unlike that each half is drafted for itself. */
export const unevenHems = (marked: { readonly [S in Station]: Cm } | null): boolean =>
  marked !== null && Math.abs(marked.left - marked.right) > HEMS_APART + 1e-9;

/** The length of the side that is drafted: its own where the sides are unlike, else the longer of both. */
export const sideOf = (c: PartContext, marked: { readonly [S in Station]: Cm }): Cm =>
  unevenHems(marked) ? marked[c.which] : cm(Math.max(marked.left, marked.right));

/**
 * How much higher the waist line lies at the side that is drafted, cm: what the tape read more from waist to hem there, since
 * the floor is level and the way over that hip is longer. Hip line and hem stay on the cross grain.
 */
export function higherWaist(c: PartContext): Cm {
  const [left, right] = [c.measured.get('hem-left')?.net, c.measured.get('hem-right')?.net];
  if (left == null || right == null || Math.abs(left - right) <= HEMS_APART + 1e-9) return cm(0);
  const by = c.which === 'left' ? left - right : right - left;
  return cm(Math.min(MOST_AT_WAIST, Math.max(0, by)));
}
