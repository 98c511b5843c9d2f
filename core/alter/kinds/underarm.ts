import { type AlterationKind, IN, OUT } from '../kind.ts';

export const underarm: AlterationKind = {
  id: 'underarm',
  name: 'underarm, to nothing below',
  group: 'girth',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', edge: 'side', way: 'across', amount: 'shared', beside: 'armhole' }],
  tapers: true,
  levels: { full: ['underarm'], nothing: ['waist'] },
  opens: ['side seams', 'armhole at the underarm'],
  minutes: 50,
  after: ['the armhole and what is set into it', 'the bust girth'],
  amount: 'needed',
};
