import { MEASURES } from '../measures/catalogue.ts';
import { placed } from './joins.ts';

/** A measure's place in the order the tape goes. */
const PLACE = new Map(MEASURES.map((m, i) => [m.id, i]));

/** What to measure for these parts and nothing more, in the order the tape goes, with what is needed and what helps. */
export function measuringList(
  parts: readonly { readonly part: string }[],
): { id: string; needed: boolean }[] {
  const wants = placed(parts.map((p) => p.part)).map(({ part, index }) => part.wants(parts[index] as never));
  const needed = new Set(wants.flatMap((w) => w.needs));
  const ids = new Set(wants.flatMap((w) => [...w.needs, ...w.helps]));
  return [...ids].sort((a, b) => PLACE.get(a)! - PLACE.get(b)!).map((id) => ({ id, needed: needed.has(id) }));
}
