import { say } from '../../units/print.ts';
import { type AlterationKind, IN, OUT } from '../kind.ts';

export const centreBack: AlterationKind = {
  id: 'centre-back',
  name: 'centre back seam',
  group: 'girth',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['centre-back', 'crotch'], way: 'across', amount: 'shared', face: 'back' }],
  tapers: true,
  levels: { full: ['waist'], nothing: ['bust', 'hip'] },
  words: 'zip ripples hollow sway gapes',
  opens: ['centre back seam', 'zip'],
  minutes: 70,
  after: ['the zip lies flat', 'the girth at each line'],
  amount: 'needed',
  note: `A straight seam on a hollow back is shaped in ${say(1.3)} at the waist.`,
};
