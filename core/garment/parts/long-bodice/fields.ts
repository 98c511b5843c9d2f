import { PLAN } from '../../common/bodice/quarter-plan.ts';
import { SHAPINGS } from '../../common/bodice/seams.ts';
import { LENGTH_FROM } from '../../common/length-wanted.ts';
import { NECKLINE, neckFields } from '../../common/neck-and-armhole.ts';
import { choice, type ValuesOf } from '../../fields.ts';

const beneath = (what: string, max: number) =>
  ({
    kind: 'length',
    label: `Finished ${what} of what is beneath`,
    hint: 'leave empty to fit over the body',
    min: 40,
    max,
    default: null,
  }) as const;

/** What the brief asks about a bodice without a waist seam: a jacket, a coat, a sheath. */
export const FIELDS = {
  plan: PLAN,
  worn: choice('Cut as', [
    ['dress', 'a dress or sheath'],
    ['jacket', 'a jacket'],
    ['coat', 'a coat'],
  ]),
  below: {
    kind: 'length',
    label: 'Length below the waist',
    min: 8,
    max: 115,
    default: '22 cm',
    when: { field: 'lengthFrom', is: ['waist'] },
  },
  ...LENGTH_FROM,
  length: {
    kind: 'length',
    label: 'Length from there',
    min: 40,
    max: 200,
    default: '100 cm',
    when: { field: 'lengthFrom', is: ['neck', 'nape'] },
  },
  flare: {
    kind: 'length',
    label: 'Wider at each seam edge',
    hint: 'at the hem; side seams and princess seams',
    min: 0,
    max: 15,
    default: '0 cm',
  },
  slits: {
    kind: 'length',
    label: 'Side slits, height',
    hint: '0 for none',
    min: 0,
    max: 60,
    default: '0 cm',
  },
  neckline: NECKLINE,
  shaping: choice(
    'Shaped over the bust by',
    // Without a waist seam no dart opens at a waist.
    SHAPINGS.filter(
      (o): o is Exclude<(typeof SHAPINGS)[number], readonly ['waist' | 'side-waist', string]> =>
        o[0] !== 'waist' && o[0] !== 'side-waist',
    ),
  ),
  ...neckFields('9 cm'),
  zip: choice('Opens at', [
    ['centre-back', 'centre back'],
    ['left-side', 'left side'],
    ['centre-front', 'centre front, all the way'],
  ]),
  closes: choice('Closes with', [
    ['zip', 'a zip'],
    ['buttons', 'buttons, one at the bust level'],
    ['loops', 'buttons in loops'],
    ['lacing', 'lacing'],
  ]),
  overBust: beneath('bust', 220),
  overWaist: beneath('waist', 220),
  overHip: beneath('hip', 240),
} as const;
export type LongValues = ValuesOf<typeof FIELDS>;

/** The lines at which it may go over another garment. */
export const OVER = [
  ['bust', 'overBust'],
  ['waist', 'overWaist'],
  ['hip', 'overHip'],
] as const;

/** True where the brief says that it is worn over another garment. */
export const isOver = (v: LongValues): boolean => OVER.some(([, field]) => v[field] !== null);
