import type { AlterationKind } from '../kind.ts';

export const other: AlterationKind = {
  id: 'other',
  name: 'other',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'do', word: 'do', sign: 1 }],
  moves: [],
  words: 'anything',
  opens: [],
  minutes: 30,
  after: ['as it was asked'],
  amount: 'optional',
};
