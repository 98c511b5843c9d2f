import { NECKLINE } from '../../common/neck-and-armhole.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about a darted bodice. */
export const FIELDS = {
  neckline: NECKLINE,
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
  zip: choice('Zip', [
    ['centre-back', 'centre back'],
    ['left-side', 'left side'],
  ]),
} as const;
export type BodiceValues = ValuesOf<typeof FIELDS>;
