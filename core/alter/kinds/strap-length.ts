import { type AlterationKind, LONGER, SHORTER } from '../kind.ts';

export const strapLength: AlterationKind = {
  id: 'strap-length',
  name: 'strap length',
  group: 'length',
  turn: 'first',
  rehangs: true,
  pinned: 'length',
  directions: [SHORTER, LONGER],
  moves: [],
  needs: 'straps',
  words: 'slides falls cuts',
  opens: ['one end of each strap'],
  minutes: 25,
  after: ['the upper edge sits level'],
  amount: 'needed',
};
