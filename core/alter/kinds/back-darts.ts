import type { AlterationKind } from '../kind.ts';

export const backDarts: AlterationKind = {
  id: 'back-darts',
  name: 'back darts',
  group: 'shape',
  pinned: 'fold',
  directions: [
    { id: 'in', word: 'take more in', sign: -1 },
    { id: 'out', word: 'let some out', sign: 1 },
  ],
  moves: [{ do: 'dart', edge: 'waist', amount: 'shared', face: 'back' }],
  words: 'hollow back tight loose wrinkle',
  opens: ['back darts'],
  minutes: 40,
  after: ['the waist girth', 'the hollow of the back lies smooth'],
  amount: 'needed',
  note: 'Half to each side of the line of each dart. A dart with two ends is clipped at its widest, a large one trimmed.',
};
