import { type AlterationKind, DOWN, UP } from '../kind.ts';

export const hemLevelled: AlterationKind = {
  id: 'hem-levelled',
  name: 'hem, levelled from the floor',
  group: 'length',
  turn: 'hem',
  marksHem: true,
  pinned: 'length',
  directions: [UP, DOWN],
  moves: [{ do: 'edge', seam: ['hem'], way: 'down', amount: 'each' }],
  tapers: true,
  words: 'dips uneven hangs bias floor',
  opens: ['hem'],
  minutes: 90,
  after: ['the distance from the floor at every station'],
  amount: 'needed',
  note: 'Cloth on the bias hangs one to three days before it is levelled.',
};
