import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const backLength: AlterationKind = {
  id: 'back-length',
  name: 'back length, tuck',
  group: 'length',
  turn: 'first',
  rehangs: true,
  pinned: 'fold',
  directions: [SHORTER, LONGER],
  moves: [{ do: 'wedge', between: ['bust', 'waist'], face: 'back' }],
  words: 'sway back hollow cross folds wrinkle above the waist',
  opens: ['waist seam at the back', 'centre back'],
  minutes: 90,
  after: ['no cross folds above the waist', 'the waist seam is level'],
  amount: 'needed',
  note: 'A tuck at the centre back to nothing at the side seams; a panel cut by a princess seam takes a wedge of it.',
};
