import { type AlterationKind, LOWER } from '../kind.ts';

export const necklineLower: AlterationKind = {
  id: 'neckline-lower',
  name: 'neckline, lower',
  group: 'edge',
  pinned: 'length',
  directions: [LOWER],
  moves: [{ do: 'edge', edge: 'neck', way: 'out', amount: 'each' }],
  tapers: true,
  full: 'start',
  opens: ['neckline'],
  minutes: 60,
  after: ['front and back together', 'it does not gape'],
  amount: 'needed',
};
