import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const sleeveLength: AlterationKind = {
  id: 'sleeve-length',
  name: 'sleeve length',
  group: 'length',
  turn: 'first',
  pinned: 'length',
  directions: [SHORTER, LONGER],
  moves: [{ do: 'edge', seam: ['wrist'], way: 'out', amount: 'each' }],
  words: 'too long too short',
  opens: ['sleeve hem or cuff'],
  minutes: 45,
  after: ['with the arm bent'],
  amount: 'needed',
};
