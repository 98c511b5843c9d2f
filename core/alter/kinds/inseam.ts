import { type AlterationKind, IN, OUT } from '../kind.ts';

export const inseam: AlterationKind = {
  id: 'inseam',
  name: 'inside leg seam',
  group: 'girth',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['inseam'], way: 'across', amount: 'shared' }],
  tapers: true,
  words: 'thigh tight smiles folds under the seat',
  opens: ['inside leg seams'],
  minutes: 50,
  after: ['the thigh girth'],
  amount: 'needed',
};
