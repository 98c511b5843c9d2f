import { type AlterationKind, HIGHER, LOWER } from '../kind.ts';

export const sleeveCap: AlterationKind = {
  id: 'sleeve-cap',
  name: 'sleeve cap',
  group: 'edge',
  pinned: 'length',
  directions: [LOWER, HIGHER],
  moves: [{ do: 'edge', seam: ['cap'], way: 'down', amount: 'each', bowed: true }],
  tapers: true,
  words: 'strains across folds drag wrinkle pulls',
  opens: ['armhole'],
  minutes: 90,
  after: ['cap ease against the armhole', 'no folds along or across'],
  amount: 'needed',
};
