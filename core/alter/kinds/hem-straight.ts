import { say } from '../../units/print.ts';
import { type AlterationKind, DOWN, UP } from '../kind.ts';

export const hemStraight: AlterationKind = {
  id: 'hem-straight',
  name: 'hem, straight',
  group: 'length',
  turn: 'hem',
  marksHem: true,
  pinned: 'length',
  directions: [UP, DOWN],
  moves: [{ do: 'edge', seam: ['hem'], way: 'down', amount: 'each' }],
  words: 'too long too short trips',
  opens: ['hem'],
  minutes: 45,
  after: ['the length at front, sides and back'],
  amount: 'needed',
  liningNote: `The lining hem follows its own ${say(2)} above.`,
};
