import type { AlterationKind } from '../kind.ts';

export const backDarts: AlterationKind = {
  id: 'back-darts',
  name: 'back darts',
  group: 'shape',
  pinned: 'length',
  directions: [
    { id: 'in', word: 'take more in', sign: -1 },
    { id: 'out', word: 'let some out', sign: 1 },
  ],
  moves: [{ do: 'dart', edge: 'waist', amount: 'shared', face: 'back' }],
  opens: ['back darts'],
  minutes: 40,
  after: ['the waist girth', 'the hollow of the back lies smooth'],
  amount: 'needed',
  note: 'The amount is what both darts take together; double-ended ones are clipped at the widest.',
};
