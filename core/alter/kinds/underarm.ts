import { type AlterationKind, IN, OUT } from '../kind.ts';

export const underarm: AlterationKind = {
  id: 'underarm',
  name: 'underarm, to nothing below',
  group: 'girth',
  otherArmhole: true,
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['side'], way: 'across', amount: 'shared', beside: ['armhole', 'upper'] }],
  tapers: true,
  levels: { full: ['start'], nothing: ['waist'] },
  words: 'gapes strapless slides loose under the arm',
  opens: ['side seams', 'armhole at the underarm'],
  minutes: 50,
  after: ['the armhole and what is set into it', 'the bust girth'],
  amount: 'needed',
};
