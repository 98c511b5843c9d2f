import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about pull-on trousers and shorts. */
export const FIELDS = {
  goes: choice('Legs go to', [
    ['length', 'an inside leg wanted'],
    ['floor', 'the full inside leg'],
  ]),
  inseam: {
    kind: 'length',
    label: 'Inside leg wanted',
    hint: 'on the wearer’s knee and stature, 2 to 3 cm either way of the house length',
    min: 5,
    max: 100,
    default: '18 cm',
    when: { field: 'goes', is: ['length'] },
  },
  passes: {
    kind: 'length',
    label: 'Wider than the largest girth to pass',
    hint: '6 to 10 cm',
    min: 0,
    max: 40,
    default: '8 cm',
  },
  guards: { kind: 'yes-no', label: 'Guards or padding are worn beneath', default: false },
  knee: {
    kind: 'length',
    label: 'Girth of a leg at the knee',
    hint: 'left open: 2 cm wider than the hem',
    min: 25,
    max: 120,
    default: null,
  },
  hem: {
    kind: 'length',
    label: 'Girth of a leg at its hem',
    hint: 'left open: 42 cm, or straight down above the knee',
    min: 20,
    max: 160,
    default: null,
  },
  casing: { kind: 'length', label: 'Width of the elastic', min: 0.5, max: 10, default: '3 cm' },
  elastic: {
    kind: 'length',
    label: 'Elastic as the client likes it',
    hint: 'held round the waist; left open: 2.5 cm less than the waist',
    min: 30,
    max: 180,
    default: null,
  },
} as const;
export type PullOnValues = ValuesOf<typeof FIELDS>;
