import { type AlterationKind, IN, OUT } from '../kind.ts';

export const waistElastic: AlterationKind = {
  id: 'waist-elastic',
  name: 'waist elastic in its casing',
  group: 'girth',
  pinned: 'length',
  directions: [IN, OUT],
  moves: [],
  opens: ['casing at one seam'],
  minutes: 30,
  after: ['the elastic is comfortable and leaves no mark'],
  amount: 'needed',
  note: 'Cut to the length fitted on the body and the join; the fullness gathered to the centre where the sides should stay smooth.',
};
