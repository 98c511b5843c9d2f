import { MEASURES } from '../measures/catalogue.ts';
import { placed } from './joins.ts';

/** A measure's place in the order the tape goes. */
const PLACE = new Map(MEASURES.map((m, i) => [m.id, i]));

/** Measures in the order in which the tape goes. */
export const inTapeOrder = <T extends { readonly id: string }>(of: readonly T[]): T[] =>
  [...of].sort((a, b) => (PLACE.get(a.id) ?? 0) - (PLACE.get(b.id) ?? 0));

/** What to measure for these parts and nothing more, in the order the tape goes, with what is needed and what helps. */
export function measuringList(
  parts: readonly { readonly part: string }[],
): { id: string; needed: boolean }[] {
  const wants = placed(parts.map((p) => p.part)).map(({ part, index }) => part.wants(parts[index] as never));
  const rows = new Map<string, { id: string; needed: boolean; place: number }>();
  for (const w of wants) for (const id of w.helps) rows.set(id, { id, needed: false, place: PLACE.get(id)! });
  for (const w of wants) for (const id of w.needs) rows.set(id, { id, needed: true, place: PLACE.get(id)! });
  return [...rows.values()].sort((a, b) => a.place - b.place).map(({ id, needed }) => ({ id, needed }));
}
