import { type AlterationKind, IN, OUT } from '../kind.ts';

export const waist: AlterationKind = {
  id: 'waist',
  name: 'waist',
  group: 'girth',
  rehangs: true,
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['side', 'joint'], way: 'across', amount: 'shared' }],
  tapers: true,
  levels: { full: ['waist'], nothing: ['bust', 'hip'] },
  words: 'too tight too loose pulls cross strain gapes',
  opens: ['side seams at the waist', 'waistband or waist seam'],
  minutes: 75,
  after: ['the waist girth', 'band or bodice against the waist'],
  amount: 'needed',
};
