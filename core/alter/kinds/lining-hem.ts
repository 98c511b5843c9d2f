import { say } from '../../units/print.ts';
import { type AlterationKind, DOWN, UP } from '../kind.ts';

export const liningHem: AlterationKind = {
  id: 'lining-hem',
  name: 'lining hem, rolled twice',
  group: 'length',
  turn: 'hem',
  pinned: 'length',
  directions: [UP, DOWN],
  moves: [],
  needs: 'lining',
  words: 'shows hangs',
  opens: ['lining hem'],
  minutes: 30,
  after: [`the lining ends ${say(2)} above the hem`],
  amount: 'optional',
};
