import { term } from '../../../figure/build.ts';
import type { Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { choice } from '../../fields.ts';
import type { LineWanted, Zone } from '../../lines.ts';
import { NECK_HALF } from '../../shoulders.ts';

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

/** What was read of neck and shoulders, cm; null for what was not. */
interface ReadWidths {
  readonly across: Cm | null;
  readonly neck: Cm | null;
  readonly shoulder: Cm | null;
  readonly drop: Cm | null;
}

/** The plan's waist dart and how far it goes on below the waist, in steps of the hand that marks. */
export const quarterDart = (stepped: Stepped) => ({
  dart: stepped(cm(QUARTER.dart)),
  below: stepped(cm(QUARTER.below)),
});

/**
 * Neck and shoulder of the plan in steps of the hand that marks: what was read stands, and the plan's own figures for the
 * rest. Half across shoulder is neck and shoulder together, so that two of the three make the third.
 */
export function quarterShape(read: ReadWidths, stepped: Stepped) {
  const drop = read.drop ?? stepped(cm(QUARTER.drop));
  const level = (length: Cm) => (length > drop ? Math.sqrt(length ** 2 - drop ** 2) : null);
  const ran = read.shoulder === null ? null : level(read.shoulder);
  const left = read.across === null || ran === null ? null : read.across / 2 - ran;
  const leaves = read.neck === null && left !== null && left >= NECK_HALF.least && left <= NECK_HALF.most;
  const neck = cm(read.neck !== null ? read.neck / 2 : leaves ? left : stepped(cm(QUARTER.neck)));
  const run = ran ?? (read.across === null ? null : read.across / 2 - neck);
  const sound = run !== null && run > 0;
  return {
    neck,
    /** neck and shoulder as the plan lays them, half of it, cm */
    half: sound ? cm(neck + run) : null,
    shoulder: sound ? cm(Math.hypot(run, drop)) : null,
    /** degrees */
    slope: sound ? (Math.atan2(drop, run) * 180) / Math.PI : null,
    /** where the neck comes from when it was not read itself */
    neckSays: leaves ? 'What half across shoulder leaves beside the shoulder' : 'From the centre',
  };
}

/** Half the bust span where it was not read: a tenth of the bust (common practice, no source). */
export const SPAN_OF_BUST = 0.1;
