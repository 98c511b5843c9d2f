import { type AlterationKind, LOWER } from '../kind.ts';

export const necklineLower: AlterationKind = {
  id: 'neckline-lower',
  name: 'neckline lowered',
  group: 'edge',
  pinned: 'length',
  directions: [LOWER],
  moves: [{ do: 'edge', seam: ['neck', 'upper'], way: 'out', amount: 'each' }],
  tapers: true,
  full: 'start',
  words: 'cuts strains chokes high',
  opens: ['neckline'],
  minutes: 60,
  after: ['front and back together', 'it does not gape'],
  amount: 'needed',
};
