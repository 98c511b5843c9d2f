import type { AlterationKind } from '../kind.ts';

export const trim: AlterationKind = {
  id: 'trim',
  name: 'trim or fringe added',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'add', word: 'add', sign: 1 }],
  moves: [],
  opens: [],
  minutes: 60,
  after: ['it runs level all round'],
  amount: 'optional',
};
