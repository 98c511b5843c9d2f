import { type AlterationKind, HIGHER, LOWER } from '../kind.ts';

export const legOpening: AlterationKind = {
  id: 'leg-opening',
  name: 'leg opening, higher or lower',
  group: 'edge',
  pinned: 'length',
  directions: [LOWER, HIGHER],
  moves: [{ do: 'edge', seam: ['leg'], way: 'out', amount: 'each', turned: true }],
  tapers: true,
  full: 'start',
  words: 'cuts rides gapes dance suit',
  opens: ['leg elastic'],
  minutes: 50,
  after: ['it neither cuts nor gapes when the leg lifts', 'elastic against the opening'],
  amount: 'needed',
};
