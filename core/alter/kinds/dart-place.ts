import type { AlterationKind } from '../kind.ts';

export const dartPlace: AlterationKind = {
  id: 'dart-place',
  name: 'waist darts moved',
  group: 'shape',
  pinned: 'length',
  directions: [
    { id: 'to-side', word: 'toward the side', sign: -1 },
    { id: 'to-centre', word: 'toward the centre', sign: 1 },
  ],
  moves: [{ do: 'dart-shift', edge: 'waist' }],
  words: 'tip dimple',
  opens: ['darts', 'waist seam'],
  minutes: 60,
  after: ['the darts end where the figure is fullest', 'the waist girth is what it was'],
  amount: 'needed',
};
