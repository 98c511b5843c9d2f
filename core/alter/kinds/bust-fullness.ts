import type { AlterationKind } from '../kind.ts';

export const bustFullness: AlterationKind = {
  id: 'bust-fullness',
  name: 'bust fullness',
  group: 'shape',
  pinned: 'length',
  directions: [
    { id: 'more', word: 'add', sign: 1 },
    { id: 'less', word: 'take', sign: -1 },
  ],
  moves: [
    { do: 'dart', edge: 'side', amount: 'each', face: 'front' },
    { do: 'level', between: ['bust', 'waist'], face: 'front' },
  ],
  otherwise: [
    [{ do: 'fuller' }],
    [
      {
        do: 'edge',
        seam: ['princess'],
        way: 'across',
        amount: 'shared',
        face: 'front',
        levels: { full: ['apex'], nothing: ['start', 'waist'] },
      },
    ],
  ],
  words: 'strain pulls flattens gapes cup tight',
  opens: ['side seam', 'bust darts or princess seams'],
  minutes: 110,
  after: ['no strain from the apex', 'front and back side seam agree'],
  amount: 'needed',
  note: 'What is added in length over the apex goes into the bust dart, so that the side seam stays.',
};
