import type { AlterationKind } from '../kind.ts';

export const partSwapped: AlterationKind = {
  id: 'part-swapped',
  name: 'part swapped',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'swap', word: 'swap', sign: 1 }],
  moves: [],
  words: 'swap lace tulle exchange',
  details: [
    { id: 'off', label: 'off:', is: 'words' },
    { id: 'on', label: 'on:', is: 'words' },
  ],
  opens: ['the seams of the part'],
  minutes: 120,
  after: ['it meets its edge as the one before did'],
  amount: 'none',
};
