import { type AlterationKind, HIGHER } from '../kind.ts';

export const necklineRaise: AlterationKind = {
  id: 'neckline-raise',
  name: 'neckline raised',
  group: 'edge',
  pinned: 'length',
  directions: [HIGHER],
  moves: [{ do: 'edge', seam: ['neck', 'upper'], way: 'out', amount: 'each' }],
  tapers: true,
  full: 'start',
  words: 'too low shows gapes',
  opens: ['neckline'],
  minutes: 90,
  after: ['the head still passes'],
  amount: 'needed',
};
