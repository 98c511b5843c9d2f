import type { AlterationKind } from '../kind.ts';

export const collarDepth: AlterationKind = {
  id: 'collar-depth',
  name: 'collar, deeper or narrower',
  group: 'edge',
  pinned: 'length',
  directions: [
    { id: 'narrower', word: 'narrow', sign: -1 },
    { id: 'deeper', word: 'deepen', sign: 1 },
  ],
  moves: [{ do: 'edge', seam: ['collar-edge'], way: 'out', amount: 'each' }],
  words: 'stands away points',
  opens: ['outer edge of the collar'],
  minutes: 60,
  after: ['both points are alike', 'the fall covers the neck seam'],
  amount: 'needed',
};
