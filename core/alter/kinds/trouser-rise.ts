import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const trouserRise: AlterationKind = {
  id: 'trouser-rise',
  name: 'rise',
  group: 'length',
  pinned: 'length',
  directions: [SHORTER, LONGER],
  moves: [{ do: 'edge', edge: 'crotch', way: 'down', amount: 'each' }],
  tapers: true,
  full: 'end',
  opens: ['crotch seam', 'waist'],
  minutes: 90,
  after: ['sitting down pulls nowhere, and no folds form at the fork'],
  amount: 'needed',
};
