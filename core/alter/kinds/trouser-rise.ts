import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const trouserRise: AlterationKind = {
  id: 'trouser-rise',
  name: 'rise',
  group: 'length',
  rehangs: true,
  pinned: 'length',
  directions: [SHORTER, LONGER],
  moves: [
    { do: 'edge', seam: ['waist', 'casing'], way: 'down', amount: 'each', beside: ['crotch'] },
    { do: 'keep-waist' },
  ],
  words: 'cuts too long fork smiles wrinkle',
  opens: ['crotch seam', 'waist'],
  minutes: 90,
  after: ['sitting down pulls nowhere, and no folds form at the fork'],
  amount: 'needed',
};
