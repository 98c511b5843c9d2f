import { type AlterationKind, HIGHER, LOWER } from '../kind.ts';

export const sleeveCap: AlterationKind = {
  id: 'sleeve-cap',
  name: 'sleeve cap',
  group: 'edge',
  pinned: 'length',
  directions: [LOWER, HIGHER],
  moves: [{ do: 'edge', edge: 'cap', way: 'down', amount: 'each' }],
  tapers: true,
  opens: ['armhole'],
  minutes: 90,
  after: ['cap ease against the armhole', 'no folds along or across'],
  amount: 'needed',
};
