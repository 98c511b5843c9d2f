import { type AlterationKind, IN } from '../kind.ts';

export const dartNew: AlterationKind = {
  id: 'dart-new',
  name: 'a new dart at the waist',
  group: 'shape',
  pinned: 'fold',
  directions: [IN],
  moves: [{ do: 'dart-new', edge: 'waist' }],
  tapers: true,
  words: 'loose baggy sway wide',
  opens: ['waist seam'],
  minutes: 40,
  after: ['the waist girth', 'the dart ends without a dimple'],
  amount: 'needed',
  note: 'One on each panel: its middle so far from the centre, to nothing at its length. Where no seam lies at the waist it has two ends.',
};
