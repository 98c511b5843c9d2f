import { PLAN } from '../../common/bodice/quarter-plan.ts';
import { NECKLINE, neckFields } from '../../common/neck-and-armhole.ts';
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
