import { type AlterationKind, DOWN, UP } from '../kind.ts';

export const hemFlared: AlterationKind = {
  id: 'hem-flared',
  name: 'hem, flared',
  group: 'length',
  turn: 'hem',
  marksHem: true,
  pinned: 'length',
  directions: [UP, DOWN],
  moves: [{ do: 'edge', seam: ['hem'], way: 'down', amount: 'each' }],
  tapers: true,
  words: 'circle fullness',
  opens: ['hem'],
  minutes: 75,
  after: ['the length at every station'],
  amount: 'needed',
  note: 'A flared hem is curved: the fullness of the turned edge is eased in, not pleated.',
};
