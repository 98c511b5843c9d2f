import { type AlterationKind, IN } from '../kind.ts';

export const dartNew: AlterationKind = {
  id: 'dart-new',
  name: 'a new dart at the waist',
  group: 'shape',
  pinned: 'fold',
  directions: [IN],
  moves: [{ do: 'dart-new', edge: 'waist' }],
  tapers: true,
  opens: ['waist seam'],
  minutes: 40,
  after: ['the waist girth', 'the dart ends without a dimple'],
  amount: 'needed',
  note: 'The amount is what all new darts take together. It begins so far from the centre, and is nothing again at its length.',
};
