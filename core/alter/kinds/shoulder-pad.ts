import type { AlterationKind } from '../kind.ts';

export const shoulderPad: AlterationKind = {
  id: 'shoulder-pad',
  name: 'shoulder pad',
  group: 'other',
  pinned: 'length',
  directions: [{ id: 'add', word: 'set in a pad', sign: 1 }],
  moves: [],
  needs: 'shoulder',
  words: 'sloping drag wrinkle',
  opens: ['lining at the shoulder'],
  minutes: 25,
  after: ['both shoulders are level'],
  amount: 'optional',
};
