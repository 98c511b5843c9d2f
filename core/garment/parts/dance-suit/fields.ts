import { NECKLINE, neckFront } from '../../common/neck-and-armhole.ts';
import { widened } from '../../common/neck-wide.ts';
import type { ValuesOf } from '../../fields.ts';

/** What the brief asks about a dancer's suit. */
export const FIELDS = {
  neckline: NECKLINE,
  neckFront: neckFront('14 cm'),
  neckBack: { kind: 'length', label: 'Neckline depth, back', min: 1, max: 45, default: '14 cm' },
  ...widened('4 cm', 12),
  legHeight: {
    kind: 'length',
    label: 'Leg cut up at the side, above the crotch',
    min: 2,
    max: 30,
    default: '10 cm',
  },
  crotchWidth: {
    kind: 'length',
    label: 'Width at the crotch, finished',
    min: 5,
    max: 14,
    default: '7 cm',
  },
} as const;
export type SuitValues = ValuesOf<typeof FIELDS>;
