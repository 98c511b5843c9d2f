import { type AlterationKind, LOWER } from '../kind.ts';

export const armholeLower: AlterationKind = {
  id: 'armhole-lower',
  name: 'armhole, lower',
  group: 'edge',
  otherArmhole: true,
  pinned: 'length',
  directions: [LOWER],
  moves: [{ do: 'edge', seam: ['armhole'], way: 'down', amount: 'each' }],
  tapers: true,
  full: 'end',
  words: 'cuts tight digs',
  opens: ['armhole at the underarm'],
  minutes: 60,
  after: ['sleeve against armhole', 'the arm lifts without the body rising'],
  amount: 'needed',
  note: 'Half a centimetre at a time.',
};
