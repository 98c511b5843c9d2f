import { type AlterationKind, IN, OUT } from '../kind.ts';

export const shouldersIn: AlterationKind = {
  id: 'shoulders-in',
  name: 'shoulder width',
  group: 'edge',
  otherArmhole: true,
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['armhole'], way: 'out', amount: 'each' }],
  tapers: true,
  full: 'start',
  words: 'too wide falls off shoulder drops',
  opens: ['armholes at the shoulder'],
  minutes: 75,
  after: ['the shoulder seam ends at the shoulder point', 'sleeve against armhole'],
  amount: 'needed',
};
