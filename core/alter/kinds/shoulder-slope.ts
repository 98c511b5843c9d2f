import { type AlterationKind, HIGHER, LOWER } from '../kind.ts';

export const shoulderSlope: AlterationKind = {
  id: 'shoulder-slope',
  name: 'shoulder slope',
  group: 'edge',
  rehangs: true,
  otherArmhole: true,
  pinned: 'length',
  directions: [LOWER, HIGHER],
  moves: [{ do: 'edge', seam: ['shoulder'], way: 'down', amount: 'each' }],
  tapers: true,
  full: 'end',
  words: 'folds from neck drag diagonal wrinkle square sloping',
  opens: ['shoulder seams'],
  minutes: 60,
  after: ['no folds from the side-neck', 'the armhole is not smaller than it was'],
  amount: 'needed',
  note: 'A pad does the same without a seam opened: try one first.',
};
