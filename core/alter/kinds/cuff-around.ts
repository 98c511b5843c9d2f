import { type AlterationKind, IN, OUT } from '../kind.ts';

export const cuffAround: AlterationKind = {
  id: 'cuff-around',
  name: 'cuff, around',
  group: 'girth',
  pinned: 'length',
  directions: [IN, OUT],
  moves: [{ do: 'edge', seam: ['cuff-end'], way: 'out', amount: 'each' }],
  needs: 'cuff',
  words: 'too tight too loose',
  opens: ['cuff', 'sleeve end'],
  minutes: 60,
  after: ['the fist passes', 'the sleeve is gathered into it evenly'],
  amount: 'needed',
};
