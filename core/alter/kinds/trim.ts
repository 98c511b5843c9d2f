import type { AlterationKind } from '../kind.ts';

export const trim: AlterationKind = {
  id: 'trim',
  name: 'trim or fringe added',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'add', word: 'add', sign: 1 }],
  moves: [],
  words: 'lace fringe braid',
  details: [
    {
      id: 'along',
      label: 'along the',
      is: 'choice',
      choices: ['hem', 'neckline', 'upper edge', 'sleeve ends', 'front edge'],
    },
    { id: 'rows', label: 'rows:', is: 'number' },
    { id: 'overlap', label: 'overlap', is: 'length' },
  ],
  opens: [],
  minutes: 60,
  after: ['it runs level all round'],
  amount: 'optional',
};
