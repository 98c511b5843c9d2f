import { cm } from '../units/length.ts';
import type { ClothInHand } from './cloth.ts';

/** Plain cloth to be bought, for tests and measuring: 150 wide, 1 of selvedge each side, either way up. */
export const PLAIN_CLOTH: ClothInHand = {
  width: cm(150),
  length: null,
  selvedge: cm(1),
  shrinks: 0,
  oneWay: false,
  bothSides: false,
  repeat: null,
  flaws: [],
  strips: [],
};
