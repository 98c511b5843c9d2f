import type { AlterationKind } from '../kind.ts';

export const sideSwing: AlterationKind = {
  id: 'side-swing',
  name: 'side seam, swung',
  group: 'shape',
  pinned: 'length',
  directions: [
    { id: 'back', word: 'swing to the back', sign: 1 },
    { id: 'forward', word: 'swing to the front', sign: -1 },
  ],
  moves: [
    { do: 'edge', seam: ['side'], way: 'across', amount: 'each', face: 'front' },
    { do: 'edge', seam: ['side'], way: 'across', amount: 'each', face: 'back', turned: true },
  ],
  tapers: true,
  words: 'swings forward back hangs crooked',
  opens: ['side seams'],
  minutes: 60,
  after: ['the side seam hangs straight down', 'the girths stay'],
  amount: 'needed',
  note: 'What the front gains the back gives: the girth stays.',
};
