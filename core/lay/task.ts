import { COLUMN, type Columns, type Offsets } from './columns.ts';

/** One way a piece may lie: its shape, and the column it must begin in where it has no choice. */
export interface Variant {
  /** in the task's `offsets` */
  readonly shape: number;
  /** columns it may begin in; null: any in which it lies within the cloth */
  readonly columns: readonly number[] | null;
  /** how far its box begins to the right of its first column, cm */
  readonly shift: number;
  /** a quarter turns, and whether it is mirrored: what the hand has to do with the paper */
  readonly turn: 0 | 90 | 180 | 270;
  readonly mirrored: boolean;
  /** along the cloth it may only lie at `at` + a whole number of `repeat`, cm */
  readonly repeat?: { readonly every: number; readonly at: number } | undefined;
}

/** A piece of cloth to be laid. */
export interface Item {
  readonly id: string;
  readonly piece: string;
  readonly variants: readonly Variant[];
}

/** Pieces and the strip of cloth they go onto. Lengths cm. */
export interface Task {
  readonly width: number;
  readonly items: readonly Item[];
  readonly offsets: Offsets;
  /** places on the cloth where nothing may lie: shape, first column, where it begins along the length */
  readonly obstacles: readonly { readonly shape: number; readonly column: number; readonly at: number }[];
}

/** Where each item lies: which variant, first column, and how far along the cloth. */
export interface Lying {
  readonly variant: Int32Array;
  readonly column: Int32Array;
  readonly at: Float64Array;
  /** what they take of the length, cm */
  readonly length: number;
}

/** The columns a variant may begin in. */
export function columnsFor(width: number, shape: Columns, v: Variant): readonly number[] {
  if (v.columns) return v.columns;
  const most = Math.floor((width - shape.width) / COLUMN + 1e-6);
  return Array.from({ length: Math.max(0, most + 1) }, (_, i) => i);
}

/** Places of all items' variants, once for a task. */
export const placesIn = (task: Task): readonly (readonly (readonly number[])[])[] =>
  task.items.map((item) =>
    item.variants.map((v) => columnsFor(task.width, task.offsets.shapes[v.shape]!, v)),
  );

/** The lowest place at or above this one that its repeat allows. */
export const onRepeat = (at: number, v: Variant): number =>
  v.repeat ? v.repeat.at + Math.ceil((at - v.repeat.at) / v.repeat.every - 1e-9) * v.repeat.every : at;
