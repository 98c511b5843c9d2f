import type { AlterationKind } from '../kind.ts';

export const pocket: AlterationKind = {
  id: 'pocket',
  name: 'pocket repaired',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'repair', word: 'repair', sign: 1 }],
  moves: [],
  needs: 'pocket',
  words: 'torn gapes hole',
  details: [{ id: 'which', label: 'the', is: 'words' }],
  opens: ['pocket bag'],
  minutes: 40,
  after: ['it holds, and lies flat'],
  amount: 'none',
};
