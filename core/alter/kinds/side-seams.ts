import { type AlterationKind, IN, OUT } from '../kind.ts';

export const sideSeams: AlterationKind = {
  id: 'side-seams',
  name: 'side seams',
  group: 'girth',
  rehangs: true,
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['side'], way: 'across', amount: 'shared' }],
  tapers: true,
  words: 'too tight too loose wide vertical folds wrinkle narrow baggy pulls',
  opens: ['side seams'],
  minutes: 60,
  after: ['the girth at each line the seam crosses', 'the side seam hangs straight'],
  amount: 'needed',
};
