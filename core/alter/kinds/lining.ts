import type { AlterationKind } from '../kind.ts';

export const lining: AlterationKind = {
  id: 'lining',
  name: 'lining added or replaced',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'replace', word: 'replace', sign: 1 }],
  moves: [],
  words: 'torn pulls',
  opens: ['hem', 'facings'],
  minutes: 240,
  after: ['it ends above the hem and pulls nowhere'],
  amount: 'none',
};
