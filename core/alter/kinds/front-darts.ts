import type { AlterationKind } from '../kind.ts';

export const frontDarts: AlterationKind = {
  id: 'front-darts',
  name: 'front darts',
  group: 'shape',
  pinned: 'fold',
  directions: [
    { id: 'in', word: 'take more in', sign: -1 },
    { id: 'out', word: 'let some out', sign: 1 },
  ],
  moves: [{ do: 'dart', edge: 'waist', amount: 'shared', face: 'front' }],
  words: 'tight loose',
  opens: ['front darts'],
  minutes: 40,
  after: ['the waist girth', 'the tips lie flat'],
  amount: 'needed',
};
