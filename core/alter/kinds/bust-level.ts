import { type AlterationKind, HIGHER, LOWER } from '../kind.ts';

export const bustLevel: AlterationKind = {
  id: 'bust-level',
  name: 'bust level',
  group: 'length',
  pinned: 'length',
  directions: [HIGHER, LOWER],
  moves: [{ do: 'dart-shift', edge: 'side', face: 'front' }],
  words: 'dart too high too low points',
  opens: ['bust darts', 'side seam'],
  minutes: 60,
  after: ['the darts end below or beside the apex'],
  amount: 'needed',
};
