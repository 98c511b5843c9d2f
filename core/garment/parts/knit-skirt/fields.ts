import { ELASTIC_FIELDS } from '../../common/elastic.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about a knit pull-on skirt. */
export const FIELDS = {
  length: {
    kind: 'length',
    label: 'Length wanted, waist to hem',
    hint: 'used where not measured',
    min: 20,
    max: 140,
    default: null,
  },
  rule: choice('Ease at the hip', [
    ['fit', 'as the fit and the stretch say'],
    ['hugging', 'hugging: 3.8 cm less than the hip'],
    ['fitted', 'fitted with ease: 2.5 cm more'],
    ['easy', 'easy: 6.3 cm more'],
  ]),
  taper: { kind: 'length', label: 'Taper, per side edge', min: 0, max: 10, default: '2.5 cm' },
  balanced: {
    kind: 'yes-no',
    label: 'The front hem 1.3 cm wider at each side, so that it hangs balanced',
    default: false,
  },
  ...ELASTIC_FIELDS,
} as const;
export type KnitSkirtValues = ValuesOf<typeof FIELDS>;
