import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const bodyLength: AlterationKind = {
  id: 'body-length',
  name: 'body length, bust to waist',
  group: 'length',
  turn: 'first',
  rehangs: true,
  pinned: 'fold',
  directions: [SHORTER, LONGER],
  moves: [{ do: 'level', between: ['bust', 'waist'] }],
  words: 'too short too long trunk rides up wrinkle',
  opens: ['waist seam', 'side seams'],
  minutes: 110,
  after: ['the waist sits where it is worn', 'nothing pulls from shoulder to fork'],
  amount: 'needed',
};
