import { type AlterationKind, IN, OUT } from '../kind.ts';

export const hipCurve: AlterationKind = {
  id: 'hip-curve',
  name: 'hip curve, blended',
  group: 'shape',
  rehangs: true,
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['side', 'joint'], way: 'across', amount: 'shared', beside: ['hem'] }],
  tapers: true,
  levels: { full: ['hip'], nothing: ['waist'], fade: 15 },
  words: 'pointed hip bulge wrinkle',
  opens: ['side seams at the hip'],
  minutes: 45,
  after: ['the seam lies smooth over the hip'],
  amount: 'needed',
};
