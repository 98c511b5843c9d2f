import { type AlterationKind, IN, OUT } from '../kind.ts';

export const waistElastic: AlterationKind = {
  id: 'waist-elastic',
  name: 'waist elastic in its casing',
  group: 'girth',
  rehangs: true,
  pinned: 'length',
  directions: [IN, OUT],
  moves: [],
  needs: 'elastic',
  words: 'too tight too loose rolls slides',
  details: [
    { id: 'tried', label: 'tried on the body at', is: 'length' },
    { id: 'how', label: '', is: 'choice', choices: ['in its casing', 'in a new casing', 'sewn on'] },
    {
      id: 'gathers',
      label: 'gathers',
      is: 'choice',
      choices: ['all round', 'at the centre, sides smooth', 'at the back alone'],
    },
  ],
  opens: ['casing at one seam'],
  minutes: 30,
  after: ['the elastic is comfortable and leaves no mark'],
  amount: 'optional',
  note: 'Cut to the length fitted on the body and the join; the fullness gathered to the centre where the sides should stay smooth.',
};
