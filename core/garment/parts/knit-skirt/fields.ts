import { say } from '../../../units/print.ts';
import { ELASTIC_FIELDS } from '../../common/elastic.ts';
import { LENGTH_FROM, NOT_BY_FLOOR } from '../../common/length-wanted.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about a knit pull-on skirt. */
export const FIELDS = {
  length: {
    kind: 'length',
    label: 'Length wanted',
    hint: 'used where the hem was not measured',
    min: 20,
    max: 200,
    default: null,
    when: NOT_BY_FLOOR,
  },
  ...LENGTH_FROM,
  rule: choice('Ease at the hip', [
    ['fit', 'as the fit and the stretch say'],
    ['hugging', `hugging: ${say(3.8)} less than waist and hip`],
    ['fitted', `fitted with ease: ${say(2.5)} more`],
    ['easy', `easy: ${say(6.3)} more`],
  ]),
  taper: { kind: 'length', label: 'Taper, per side edge', min: 0, max: 10, default: '2.5 cm' },
  hemFront: {
    kind: 'length',
    label: 'Hem, front quarter',
    hint: 'leave empty to go by the taper',
    min: 8,
    max: 80,
    default: null,
  },
  hemBack: {
    kind: 'length',
    label: 'Hem, back quarter',
    hint: 'leave empty to go by the taper',
    min: 8,
    max: 80,
    default: null,
  },
  balanced: {
    kind: 'yes-no',
    label: `The front hem ${say(1.3)} wider at each side, so that it hangs balanced`,
    default: false,
  },
  ...ELASTIC_FIELDS,
} as const;
export type KnitSkirtValues = ValuesOf<typeof FIELDS>;
