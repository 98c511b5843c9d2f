import { PLAN } from '../../common/bodice/quarter-plan.ts';
import { NECKLINE } from '../../common/neck-and-armhole.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about a darted bodice. */
export const FIELDS = {
  plan: PLAN,
  neckline: NECKLINE,
  shaping: choice('Shaped over the bust by', [
    ['darts', 'a dart in the side seam'],
    ['shoulder', 'the dart moved to the shoulder'],
    ['armhole', 'the dart moved to the armhole'],
    ['neck', 'the dart moved to the neckline'],
    ['waist', 'the dart moved into the waist dart'],
    ['princess-armhole', 'princess seams from the armhole'],
    ['princess-shoulder', 'princess seams from the shoulder'],
  ]),
  neckFront: {
    kind: 'length',
    label: 'Neckline depth, front',
    hint: 'straight down from the side-neck; a reading goes before it',
    min: 4,
    max: 40,
    default: '8 cm',
  },
  neckBack: { kind: 'length', label: 'Neckline depth, back', min: 1, max: 40, default: '2 cm' },
  widen: {
    kind: 'length',
    label: 'Neckline widened, each side',
    hint: 'along the shoulder, front and back alike',
    min: 0,
    max: 9,
    default: '0 cm',
  },
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
