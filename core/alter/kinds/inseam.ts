import { type AlterationKind, IN, OUT } from '../kind.ts';

export const inseam: AlterationKind = {
  id: 'inseam',
  name: 'inside leg seam',
  group: 'girth',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', edge: 'inseam', way: 'across', amount: 'shared' }],
  tapers: true,
  opens: ['inside leg seams'],
  minutes: 50,
  after: ['the thigh girth'],
  amount: 'needed',
};
