import { NECKLINE, neckFront } from '../../common/neck-and-armhole.ts';
import { BY_NECK, NECK_WIDE } from '../../common/neck-wide.ts';
import type { ValuesOf } from '../../fields.ts';

/** What the brief asks about a dancer's suit. */
export const FIELDS = {
  neckline: NECKLINE,
  neckFront: neckFront('14 cm'),
  neckBack: { kind: 'length', label: 'Neckline depth, back', min: 1, max: 45, default: '14 cm' },
  ...NECK_WIDE,
  widen: {
    kind: 'length',
    label: 'Neckline widened, each side',
    min: 0,
    max: 12,
    default: '4 cm',
    when: BY_NECK,
  },
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
