import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const frontLength: AlterationKind = {
  id: 'front-length',
  name: 'front length',
  group: 'length',
  turn: 'first',
  rehangs: true,
  pinned: 'fold',
  directions: [SHORTER, LONGER],
  moves: [{ do: 'wedge', between: ['bust', 'waist'], face: 'front' }],
  words: 'rides up strain wrinkle',
  opens: ['waist seam at the front'],
  minutes: 90,
  after: ['the bust level', 'the waist seam is level'],
  amount: 'needed',
};
