import { say } from '../../../units/print.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about a set-in sleeve. */
export const FIELDS = {
  goes: choice('Goes to', [
    ['wrist', 'the wrist'],
    ['length', 'a length wanted'],
  ]),
  length: {
    kind: 'length',
    label: 'Length from the shoulder point',
    hint: 'a measurement of the sleeve length overrides this',
    min: 6,
    max: 85,
    default: '24 cm',
    when: { field: 'goes', is: ['length'] },
  },
  shape: choice('Shape', [
    ['straight', 'straight'],
    ['fitted', 'fitted to the arm'],
    ['flared', 'flared by slash and spread'],
  ]),
  slashes: {
    kind: 'count',
    label: 'Slashes from end to cap',
    min: 1,
    max: 12,
    step: 1,
    default: 4,
    when: { field: 'shape', is: ['flared'] },
  },
  spread: {
    kind: 'length',
    label: 'Spread of each at the end',
    min: 0.5,
    max: 10,
    default: '3 cm',
    when: { field: 'shape', is: ['flared'] },
  },
  cap: choice('Cap', [
    ['fitted', 'high, armhole ÷ 3'],
    ['easy', 'low, armhole ÷ 4'],
  ]),
  head: choice('At the cap', [
    ['smooth', 'eased in'],
    ['gathered', 'gathered or puffed'],
  ]),
  fullness: {
    kind: 'length',
    label: 'Fullness spread in at the cap',
    min: 2,
    max: 40,
    default: '8 cm',
    when: { field: 'head', is: ['gathered'] },
  },
  over: {
    kind: 'length',
    label: 'Finished upper arm of what is beneath',
    hint: 'leave empty to fit over the arm',
    min: 15,
    max: 90,
    default: null,
  },
  end: choice('At the end', [
    ['hem', 'a hem'],
    ['cuff', 'a cuff'],
    ['elastic', 'elastic in a casing'],
  ]),
  cuffDepth: {
    kind: 'length',
    label: 'Depth of the cuff',
    min: 1.5,
    max: 20,
    default: '5 cm',
    when: { field: 'end', is: ['cuff'] },
  },
  cuffCloses: choice(
    'The cuff closes with',
    [
      ['buttons', `buttons, ${say(2)} overlap`],
      ['loops', 'buttons in loops, edge to edge'],
      ['none', 'nothing: it passes over the hand'],
    ],
    { when: { field: 'end', is: ['cuff'] } },
  ),
} as const;
export type SleeveValues = ValuesOf<typeof FIELDS>;
