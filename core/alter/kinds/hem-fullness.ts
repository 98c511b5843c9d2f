import type { AlterationKind } from '../kind.ts';

export const hemFullness: AlterationKind = {
  id: 'hem-fullness',
  name: 'fullness at the hem, slashed and spread',
  group: 'shape',
  turn: 'hem',
  rehangs: true,
  pinned: 'length',
  directions: [
    { id: 'more', word: 'spread', sign: 1 },
    { id: 'less', word: 'fold out', sign: -1 },
  ],
  moves: [{ do: 'spread', edge: 'hem', hinge: ['waist', 'top'] }],
  words: 'too narrow walk flare',
  opens: ['side seams', 'hem'],
  minutes: 150,
  after: ['the hem is level again', 'the waist has kept its length', 'the grain hangs plumb in each panel'],
  amount: 'needed',
  note: 'The amount is what the whole hem gains. Pieces that are cut already are cut anew for it.',
};
