import { type AlterationKind, DOWN, UP } from '../kind.ts';

export const hemUneven: AlterationKind = {
  id: 'hem-uneven',
  name: 'hem, meant to be uneven',
  group: 'length',
  pinned: 'length',
  directions: [UP, DOWN],
  moves: [{ do: 'edge', edge: 'hem', way: 'down', amount: 'each' }],
  tapers: true,
  opens: ['hem'],
  minutes: 75,
  after: ['the length at the points that are meant to differ'],
  amount: 'needed',
};
