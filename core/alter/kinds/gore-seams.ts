import { type AlterationKind, IN, OUT } from '../kind.ts';

export const goreSeams: AlterationKind = {
  id: 'gore-seams',
  name: 'seams between panels',
  group: 'girth',
  rehangs: true,
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['joint'], way: 'across', amount: 'shared' }],
  tapers: true,
  words: 'too tight too loose flared gores wrinkle',
  opens: ['seams between the panels'],
  minutes: 70,
  after: ['the girth at each line the seams cross', 'each panel hangs plumb'],
  amount: 'needed',
};
