import type { Cm } from '../units/length.ts';

/** A place on the cloth that cannot be used: from the cut end and from the first selvedge, cm. */
export interface Flaw {
  readonly along: number;
  readonly across: number;
  readonly length: number;
  readonly width: number;
}

/** Cloth that is kept for fringe, binding, straps: strips of a length and width, along the cloth, across it or on the bias. */
export interface Reserved {
  readonly name: string;
  readonly length: number;
  readonly width: number;
  readonly count: number;
  readonly way: 'along' | 'across' | 'bias';
}

/** The cloth that lies there, or is to be bought. */
export interface ClothInHand {
  /** from selvedge to selvedge */
  readonly width: Cm;
  /** what there is of it; null: to be bought */
  readonly length: Cm | null;
  /** at each side, not cut into */
  readonly selvedge: Cm;
  /** what it loses when it is washed before it is cut, per cent of its length */
  readonly shrinks: number;
  /** nap, or a print with an upper end: every piece the same way up */
  readonly oneWay: boolean;
  /** no right side: what is cut as a pair need not be mirrored */
  readonly bothSides: boolean;
  /** a stripe or check that comes again along the cloth, and the line of the garment it is matched on */
  readonly repeat: { readonly along: Cm; readonly line: string } | null;
  readonly flaws: readonly Flaw[];
  readonly strips: readonly Reserved[];
}

/** What may be cut from: the width between the selvedges and the length after shrinking, cm. */
export const usable = (cloth: ClothInHand): { readonly width: number; readonly length: number | null } => ({
  width: cloth.width - 2 * cloth.selvedge,
  length: cloth.length === null ? null : cloth.length * (1 - cloth.shrinks / 100),
});

/** How much to have of a cloth that shrinks, so that this is left of it, cm. */
export const beforeShrinking = (length: number, cloth: Pick<ClothInHand, 'shrinks'>): number =>
  length / (1 - cloth.shrinks / 100);

/** What cannot be: a sentence a fault, none where the cloth is one. */
export function clothFaults(cloth: ClothInHand): string[] {
  const out: string[] = [];
  if (!(cloth.width > 0)) out.push('Give the width of the cloth, from selvedge to selvedge.');
  else if (usable(cloth).width <= 0)
    out.push('The selvedges are wider than the cloth: nothing is left between them.');
  if (cloth.length !== null && !(cloth.length > 0)) out.push('Give the length there is, or leave it open.');
  if (!(cloth.shrinks >= 0 && cloth.shrinks <= 30)) out.push('Cloth shrinks by 0 to 30 %.');
  if (cloth.repeat && !(cloth.repeat.along > 0)) out.push('A repeat is longer than 0, or there is none.');
  return out;
}
