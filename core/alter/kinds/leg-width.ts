import { type AlterationKind, IN, OUT } from '../kind.ts';

export const legWidth: AlterationKind = {
  id: 'leg-width',
  name: 'leg width',
  group: 'girth',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [
    {
      do: 'edge',
      seam: ['side'],
      way: 'across',
      amount: 'shared',
      beside: ['inseam'],
      levels: { full: ['knee', 'end'], nothing: ['start', 'fork'] },
    },
    {
      do: 'edge',
      seam: ['inseam'],
      way: 'across',
      amount: 'shared',
      levels: { full: ['knee', 'end'], nothing: ['start'] },
    },
  ],
  tapers: true,
  words: 'too wide too narrow baggy tight',
  opens: ['side and inside leg seams'],
  minutes: 75,
  after: ['the foot passes', 'the crease hangs straight'],
  amount: 'needed',
};
