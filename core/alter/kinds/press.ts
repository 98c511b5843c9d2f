import type { AlterationKind } from '../kind.ts';

export const press: AlterationKind = {
  id: 'press',
  name: 'press and finish',
  group: 'other',
  turn: 'last',
  pinned: 'length',
  directions: [{ id: 'press', word: 'press', sign: 1 }],
  moves: [],
  words: 'creased finish',
  opens: [],
  minutes: 30,
  after: ['no thread, no chalk, no pin is left'],
  amount: 'none',
};
