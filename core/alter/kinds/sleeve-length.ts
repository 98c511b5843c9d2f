import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const sleeveLength: AlterationKind = {
  id: 'sleeve-length',
  name: 'sleeve length',
  group: 'length',
  pinned: 'length',
  directions: [SHORTER, LONGER],
  moves: [{ do: 'edge', edge: 'wrist', way: 'down', amount: 'each' }],
  opens: ['sleeve hem or cuff'],
  minutes: 45,
  after: ['with the arm bent'],
  amount: 'needed',
};
