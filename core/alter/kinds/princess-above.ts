import { type AlterationKind, IN, OUT } from '../kind.ts';

export const princessAbove: AlterationKind = {
  id: 'princess-above',
  name: 'princess line, above the bust',
  group: 'shape',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['princess'], way: 'across', amount: 'shared' }],
  tapers: true,
  usual: 'front',
  levels: { full: ['start'], nothing: ['apex', 'end'] },
  words: 'gapes upper edge loose',
  opens: ['princess seams above the apex'],
  minutes: 60,
  after: ['nothing gapes above the bust', 'nothing was taken at the bust level'],
  amount: 'needed',
  note: 'To nothing at the apex; never at the bust level.',
};
