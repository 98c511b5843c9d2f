/** What a cloth may be beside its width and stretch; each changes how panels are marked and laid. */
export const CLOTH_TRAITS = ['frays', 'oneWay', 'border', 'sheer', 'across', 'bias'] as const;
export type ClothTrait = (typeof CLOTH_TRAITS)[number];

/** What each is called on a brief and on paper. */
export const TRAIT_WORDS: Readonly<Record<ClothTrait, string>> = {
  frays: 'loosely woven, frays',
  oneWay: 'one way only',
  border: 'with a border or lace edge',
  sheer: 'sheer',
  across: 'may be cut across the grain',
  bias: 'cut on the bias',
};

/** A cloth's traits in words, in their order. */
export const traitsOf = (cloth: Readonly<Partial<Record<ClothTrait, boolean>>>): string[] =>
  CLOTH_TRAITS.filter((t) => cloth[t]).map((t) => TRAIT_WORDS[t]);
