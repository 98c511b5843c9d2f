import type { Measured } from '../measures/session.ts';

/** Measures that a part asks for and that move nothing of it as things are, by id, each with why. */
export type Leaves = Readonly<Record<string, string>>;

/** What a part looks at to say what it leaves. */
export interface ReadAt {
  readonly measured: ReadonlyMap<string, Measured>;
}

/** Whether there is a figure of it, read or made from others. */
export const isKnown = ({ measured }: ReadAt, id: string): boolean => measured.get(id)?.net != null;
/** Whether it was read itself. */
export const isRead = (c: ReadAt, id: string): boolean =>
  isKnown(c, id) && measured(c, id).readings.length > 0;
const measured = (c: ReadAt, id: string): Measured => c.measured.get(id)!;

/** These are left, for this reason, where it holds. */
export const left = (holds: boolean, ids: readonly string[], because: string): Leaves =>
  holds ? Object.fromEntries(ids.map((id) => [id, because])) : {};

/** One that is only held against what is drafted: a check says how they compare. */
export const HELD_AGAINST = 'Held against the garment as drafted: see the checks.';
/** Where the knee and the floor lie, of a garment whose length is wanted or was read at its hem. */
export const LENGTH_GIVEN =
  'The length comes from the brief or from the hem as it was read; this is held against it.';

interface Asking {
  readonly asks: readonly string[];
  readonly leaves: Leaves;
}

/** A measure that was read and moves nothing of the garment. */
export interface Unused {
  readonly measure: string;
  readonly because: string;
}

/**
 * What was read and is not used, in the order of the readings. A measure that one part uses is used; one that was only
 * read to make another of it is used where that one is.
 */
export function unusedOf({ measured: all }: ReadAt, parts: readonly Asking[]): Unused[] {
  const used = new Set(parts.flatMap((p) => p.asks.filter((id) => !Object.hasOwn(p.leaves, id))));
  const into = new Map<string, string[]>();
  for (const m of all.values())
    for (const id of m.from ?? []) into.set(id, [...(into.get(id) ?? []), m.measure.id]);
  // What was made of others may itself have been made into more: nothing is made of itself.
  const uses = (id: string): boolean => used.has(id) || (into.get(id)?.some(uses) ?? false);
  return [...all.values()].flatMap(({ measure: { id, of }, net, readings }) => {
    if (net === null || readings.length === 0 || uses(id) || (of !== undefined && uses(of))) return [];
    const because =
      parts.flatMap((p) => p.leaves[id] ?? [])[0] ?? 'No part of this garment is drafted by it.';
    return [{ measure: id, because }];
  });
}
