import { type AlterationKind, IN, OUT } from '../kind.ts';

export const princessBelow: AlterationKind = {
  id: 'princess-below',
  name: 'princess line, below the bust',
  group: 'shape',
  pinned: 'fold',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['princess'], way: 'across', amount: 'shared' }],
  tapers: true,
  usual: 'front',
  levels: { full: ['waist'], nothing: ['start', 'apex', 'hip'] },
  words: 'too tight too loose wrinkle',
  opens: ['princess seams below the apex'],
  minutes: 60,
  after: ['the waist girth'],
  amount: 'needed',
};
