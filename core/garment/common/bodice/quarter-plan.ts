import { term } from '../../../figure/build.ts';
import type { Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { choice } from '../../fields.ts';
import type { LineWanted, Zone } from '../../lines.ts';

const PLANS = [
  ['measured', 'the measurements, arcs and heights'],
  ['quarter', 'the quarter plan'],
] as const;
/** Which plan a bodice is drafted by; one to the waist may be drafted by heights with princess seams too. */
export const PLAN = choice('Drafted by', PLANS);
export const PLAN_OR_HEIGHTS = choice('Drafted by', [...PLANS, ['heights', 'heights, with princess seams']]);
export type Plan = (typeof PLAN_OR_HEIGHTS)['options'][number]['value'];

/**
 * The quarter plan's own figures, cm: what is added to each quarter of a girth, half of the neck, how far the shoulder's
 * end drops, a waist dart, and how far it goes on below the waist (common practice, no source).
 */
const QUARTER = { add: 1.3, neck: 9, drop: 1.3, dart: 2.5, below: 18 } as const;
type Stepped = (length: Cm) => Cm;

/** Lines of a quick plan: a quarter of the girth front and back alike; by the quarter plan as much more, whatever the fit. */
export const quarterLines = (
  plan: Plan,
  lines: readonly LineWanted[],
  stepped: Stepped,
): readonly LineWanted[] =>
  plan === 'measured'
    ? lines
    : plan === 'heights'
      ? lines.map((l) => ({ ...l, even: true }))
      : lines.map((l: LineWanted & { readonly zone: Zone }) => ({
          ...l,
          even: true,
          ease: {
            ease: cm(4 * stepped(cm(QUARTER.add))),
            because:
              'The quarter plan: each quarter of the girth and as much more, whatever the fit (common practice).',
          },
        }));

/** What stands in the plan's place of a measured figure. */
export const quarterTerm = (amount: Cm, because: string): Term =>
  term('style', 'quarter plan', amount, `${because} (quarter plan, common practice).`);

/** Neck, shoulder and dart of the plan in steps of the hand that marks. `across`: the body's across shoulder, cm. */
export function quarterShape(across: Cm | null, stepped: Stepped) {
  const [neck, drop] = [stepped(cm(QUARTER.neck)), stepped(cm(QUARTER.drop))];
  const run = across === null ? null : cm(across / 2 - neck);
  return {
    neck,
    shoulder: run === null || run <= 0 ? null : cm(Math.hypot(run, drop)),
    /** degrees */
    slope: run === null || run <= 0 ? null : (Math.atan2(drop, run) * 180) / Math.PI,
    dart: stepped(cm(QUARTER.dart)),
    below: stepped(cm(QUARTER.below)),
  };
}
