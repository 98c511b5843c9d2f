import { type AlterationKind, DOWN, UP } from '../kind.ts';

export const hemUneven: AlterationKind = {
  id: 'hem-uneven',
  name: 'hem, meant to be uneven',
  group: 'length',
  turn: 'hem',
  marksHem: true,
  pinned: 'length',
  directions: [UP, DOWN],
  moves: [{ do: 'edge', seam: ['hem'], way: 'down', amount: 'each' }],
  tapers: true,
  words: 'asymmetric train high low',
  opens: ['hem'],
  minutes: 75,
  after: ['the length at the points that are meant to differ'],
  amount: 'needed',
};
