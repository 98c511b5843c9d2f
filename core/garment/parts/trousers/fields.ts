import { GOES_BY_SIDE, LEG_FIELDS, SIDE_FIELDS } from '../../common/leg-plan.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about woven trousers or shorts. */
export const FIELDS = {
  goes: choice('Legs go to', [
    ['floor', 'the full inside leg'],
    ['length', 'an inside leg wanted'],
    ...GOES_BY_SIDE,
  ]),
  inseam: {
    kind: 'length',
    label: 'Inside leg wanted',
    hint: 'from the crotch down',
    min: 5,
    max: 100,
    default: '12 cm',
    when: { field: 'goes', is: ['length'] },
  },
  ...SIDE_FIELDS,
  ...LEG_FIELDS,
  band: { kind: 'length', label: 'Waistband, finished width', min: 1, max: 15, default: '4 cm' },
  overlap: { kind: 'length', label: 'Overlap at the closing', min: 0, max: 15, default: '3 cm' },
  zip: choice('Zip', [
    ['centre-front', 'centre front, under a fly'],
    ['left-side', 'left side'],
    ['centre-back', 'centre back'],
  ]),
} as const;
export type TrouserValues = ValuesOf<typeof FIELDS>;
