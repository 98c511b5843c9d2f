import { PLAN_OR_HEIGHTS } from '../../common/bodice/quarter-plan.ts';
import { SHAPINGS } from '../../common/bodice/seams.ts';
import { NECKLINE, neckFields } from '../../common/neck-and-armhole.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about a darted bodice. */
export const FIELDS = {
  plan: PLAN_OR_HEIGHTS,
  ends: choice(
    'Ends',
    [
      ['waist', 'at the waist'],
      ['under-bust', 'under the bust'],
    ],
    { when: { field: 'plan', is: ['measured', 'quarter'] } },
  ),
  neckline: NECKLINE,
  shaping: choice('Shaped over the bust by', SHAPINGS),
  ...neckFields('8 cm'),
  zip: choice('Opens at', [
    ['centre-back', 'centre back'],
    ['left-side', 'left side'],
    ['centre-front', 'centre front'],
  ]),
  closes: choice('Closes with', [
    ['zip', 'a zip'],
    ['buttons', 'buttons, one at the bust level'],
    ['loops', 'buttons in loops'],
    ['lacing', 'lacing'],
  ]),
} as const;
export type BodiceValues = ValuesOf<typeof FIELDS>;

/** The plan by heights has princess seams: from the armhole where the brief names none. */
export const planned = (v: BodiceValues): BodiceValues =>
  v.plan === 'heights' && v.shaping !== 'princess-shoulder' ? { ...v, shaping: 'princess-armhole' } : v;
