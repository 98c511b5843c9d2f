import { type AlterationKind, IN, OUT } from '../kind.ts';

export const legWidth: AlterationKind = {
  id: 'leg-width',
  name: 'leg width',
  group: 'girth',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [
    { do: 'edge', edge: 'side', way: 'across', amount: 'shared' },
    { do: 'edge', edge: 'inseam', way: 'across', amount: 'shared' },
  ],
  tapers: true,
  opens: ['side and inside leg seams'],
  minutes: 75,
  after: ['the foot passes', 'the crease hangs straight'],
  amount: 'needed',
};
