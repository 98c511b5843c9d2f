import { term } from '../../../figure/build.ts';
import type { Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import type { PartContext } from '../../part.ts';

/** A figure as a hand that marks in centimetres has it, and as one that marks in inches does. */
type ByHand = readonly [centimetres: number, inches: number];
/**
 * The plan by heights with princess seams: its neck, what lies open between the
 * front panels under the bust and at the waist, where the back's seam lies and what it takes at the most, what is left
 * at the side seams, and where the line under the bust lies when it was not read (common practice, no source).
 */
const HEIGHTS = {
  neck: [10, 4],
  gap: [5, 2],
  back: [12.5, 5],
  backMost: [3.8, 1.5],
  side: [5, 2],
  underBust: [7.5, 3],
} as const satisfies Record<string, ByHand>;
/** The whole centre panel by the bust up to which it goes, cm. Read as whole: half of it is then near the bust point. */
const CENTRE: readonly (readonly [bust: number, panel: ByHand])[] = [
  [101.6, [16.5, 6.5]],
  [127, [18, 7]],
  [Number.POSITIVE_INFINITY, [19, 7.5]],
];

/** The plan's figures, cm, for the hand that marks. `bust`: the body's, cm. */
export function heightsShape(bust: Cm | null, { rounding }: Pick<PartContext, 'rounding'>) {
  const at = ([centimetres, inches]: ByHand): Cm => cm(rounding.unit === 'cm' ? centimetres : inches * 2.54);
  return {
    neck: cm(at(HEIGHTS.neck) / 2),
    apex: bust === null ? null : cm(at(CENTRE.find(([most]) => bust <= most)![1]) / 2),
    gap: at(HEIGHTS.gap),
    back: at(HEIGHTS.back),
    backMost: at(HEIGHTS.backMost),
    side: at(HEIGHTS.side),
    underBust: at(HEIGHTS.underBust),
  };
}

/** What stands in the plan's place of a measured figure, or beside it. */
export const heightsTerm = (amount: Cm, because: string): Term =>
  term('style', 'plan by heights', amount, `${because} (plan by heights, common practice).`);

/** What the back's seam takes of what its quarter gives up: three fifths, the plan's most at the most; null where it is too little for a seam. */
export function backTakes(c: PartContext, gives: number): Cm | null {
  const most = heightsShape(null, c).backMost;
  const taken = roundLength(cm(Math.min(most, gives * 0.6)), { ...c.rounding, mode: 'nearest' });
  return gives * 0.6 < 1 ? null : taken;
}

/** Said where the line under the bust is too tight for the body, which the plan does not draw by its girth. */
export const underBustSays = (sewn: Cm, body: Cm): string =>
  `Under the bust it is ${p(sewn)} round as it is sewn, the body ${p(body)}: ${sewn >= body ? `${p(cm(sewn - body))} of room` : `${p(cm(body - sewn))} short, let the side seams out there`}.`;
