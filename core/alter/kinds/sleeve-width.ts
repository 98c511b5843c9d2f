import { type AlterationKind, IN, OUT } from '../kind.ts';

export const sleeveWidth: AlterationKind = {
  id: 'sleeve-width',
  name: 'sleeve width',
  group: 'girth',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['underarm'], way: 'across', amount: 'shared' }],
  tapers: true,
  words: 'too tight pulls upper arm baggy',
  opens: ['sleeve seam'],
  minutes: 45,
  after: ['the arm bends', 'the fist passes'],
  amount: 'needed',
};
