import type { AlterationKind } from '../kind.ts';

export const zip: AlterationKind = {
  id: 'zip',
  name: 'zip replaced',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'replace', word: 'replace', sign: 1 }],
  moves: [],
  needs: 'zip',
  words: 'broken ripples stuck',
  opens: ['zip'],
  minutes: 75,
  after: ['it runs, and its top meets level'],
  amount: 'none',
};
