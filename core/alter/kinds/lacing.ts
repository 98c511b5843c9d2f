import { type AlterationKind, IN, OUT } from '../kind.ts';

export const lacing: AlterationKind = {
  id: 'lacing',
  name: 'lacing',
  group: 'other',
  pinned: 'length',
  directions: [IN, OUT],
  moves: [],
  needs: 'lacing',
  words: 'gap uneven',
  opens: ['lacing edge'],
  minutes: 60,
  after: ['the gap is even from top to bottom', 'the client breathes freely'],
  amount: 'optional',
};
