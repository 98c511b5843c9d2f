import { type AlterationKind, HIGHER } from '../kind.ts';

export const armholeRaise: AlterationKind = {
  id: 'armhole-raise',
  name: 'armhole, raise',
  group: 'edge',
  otherArmhole: true,
  pinned: 'length',
  directions: [HIGHER],
  moves: [{ do: 'edge', seam: ['armhole'], way: 'down', amount: 'each' }],
  tapers: true,
  full: 'end',
  words: 'gapes low body lifts',
  opens: ['armhole at the underarm'],
  minutes: 75,
  after: ['it does not cut', 'sleeve against armhole'],
  amount: 'needed',
};
