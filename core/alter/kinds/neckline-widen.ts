import type { AlterationKind } from '../kind.ts';

export const necklineWiden: AlterationKind = {
  id: 'neckline-widen',
  name: 'neckline width',
  group: 'edge',
  pinned: 'length',
  directions: [
    { id: 'wider', word: 'widen', sign: -1 },
    { id: 'narrower', word: 'narrow', sign: 1 },
  ],
  moves: [{ do: 'edge', seam: ['neck'], way: 'across', amount: 'each' }],
  tapers: true,
  full: 'end',
  words: 'strains chokes stands away',
  opens: ['neckline at the shoulder'],
  minutes: 60,
  after: ['straps or what is worn beneath stays covered'],
  amount: 'needed',
};
