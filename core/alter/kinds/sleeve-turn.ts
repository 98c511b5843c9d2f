import type { AlterationKind } from '../kind.ts';

export const sleeveTurn: AlterationKind = {
  id: 'sleeve-turn',
  name: 'sleeve, turned in the armhole',
  group: 'shape',
  pinned: 'length',
  directions: [
    { id: 'forward', word: 'turn forward', sign: 1 },
    { id: 'back', word: 'turn back', sign: -1 },
  ],
  moves: [],
  needs: 'sleeve',
  words: 'twists drag wrinkle',
  opens: ['armhole'],
  minutes: 80,
  after: ['the sleeve hangs with the arm'],
  amount: 'needed',
};
