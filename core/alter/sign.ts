/** What a small drawing of a sign stands on. */
export type SignView =
  | 'bodice-front'
  | 'bodice-back'
  | 'bodice-side'
  | 'strapless'
  | 'skirt-front'
  | 'skirt-back'
  | 'skirt-side'
  | 'sleeve'
  | 'trousers-front'
  | 'trousers-back';

/** One stroke of it, in a field of 60 by 80: folds lie slack, strain is pulled tight, a gape stands open. */
export interface SignStroke {
  readonly is: 'fold' | 'strain' | 'gape' | 'level';
  /** from, to; and how far it bends to its left hand */
  readonly run: readonly [x1: number, y1: number, x2: number, y2: number, bend?: number];
}

/** One likely cause, and what is tried first for it. */
export interface Cause {
  readonly cause: string;
  readonly try: string;
  /** the alteration it prepares: kind and direction; null where there is nothing to sew */
  readonly kind: string | null;
  readonly direction: string;
  readonly face?: 'front' | 'back';
}

/** What is seen at the mirror, in words about the cloth. */
export interface Sign {
  readonly id: string;
  readonly name: string;
  readonly view: SignView;
  readonly strokes: readonly SignStroke[];
  /** in the order they are likely */
  readonly causes: readonly Cause[];
  /** measurements that are looked at again, by id of the catalogue or in words */
  readonly look: readonly string[];
}
