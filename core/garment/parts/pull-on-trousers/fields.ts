import { say } from '../../../units/print.ts';
import { ELASTIC_FIELDS } from '../../common/elastic.ts';
import { GOES_BY_SIDE, LEG_FIELDS, SIDE_FIELDS } from '../../common/leg-plan.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about pull-on trousers and shorts. */
export const FIELDS = {
  goes: choice('Legs go to', [
    ['length', 'an inside leg wanted'],
    ['floor', 'the full inside leg'],
    ...GOES_BY_SIDE,
  ]),
  ...SIDE_FIELDS,
  plan: choice('Drafted from', [
    ['forks', 'rise and crotch extensions'],
    ['girths', 'three girths and a length'],
  ]),
  inseam: {
    kind: 'length',
    label: 'Inside leg wanted',
    hint: `on the wearer’s knee and stature, ${say(2)} to ${say(3)} either way of the studio’s length`,
    min: 5,
    max: 100,
    default: '18 cm',
    when: { field: 'goes', is: ['length'] },
  },
  passes: {
    kind: 'length',
    label: 'Wider than the largest girth to pass',
    hint: `${say(6)} to ${say(10)}`,
    min: 0,
    max: 40,
    default: '8 cm',
  },
  guards: { kind: 'yes-no', label: 'Guards or padding are worn beneath', default: false },
  ...LEG_FIELDS,
  ...ELASTIC_FIELDS,
} as const;
export type PullOnValues = ValuesOf<typeof FIELDS>;
