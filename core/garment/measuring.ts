import { findMeasure, MEASURES, type Region } from '../measures/catalogue.ts';
import { lengthWants } from './common/length-wanted.ts';
import { TOTALS } from './common/total-length.ts';
import { jointOf, type Placed, placed } from './joins.ts';
import type { Joint } from './joint.ts';
import type { Wants } from './part.ts';

/** A measure's place in the order the tape goes. */
const PLACE = new Map(MEASURES.map((m, i) => [m.id, i]));

/** Regions in the order in which a tape usually comes to them. */
export const WALKED: readonly Region[] = [...new Set(MEASURES.map((m) => m.region))];

/** How a house walks over the client: each level with its drop, or all girths before anything else. */
export const TAPE_WALKS = ['each level with its drop', 'girths, then widths, then lengths'] as const;
export interface TapeOrder {
  readonly walk?: string;
  /** the place of a region, from 1, where it is not the usual one */
  readonly places?: { readonly [R in Region]?: string };
}
/** Regions that are walked by themselves, after the body’s girths and lengths. */
const APART: ReadonlySet<Region> = new Set(['arm and hand', 'strapless edge', 'hem', 'seated']);
const KIND_RANK = { girth: 0, arc: 1, length: 2 } as const;

/** What a measure is sorted by, the weightiest first. */
function weights(id: string, order: TapeOrder): readonly number[] {
  const m = findMeasure(id);
  if (!m) return [0, 0, 0, 0];
  const place = Number(order.places?.[m.region] ?? WALKED.indexOf(m.region) + 1);
  const apart = order.walk === TAPE_WALKS[1] && !APART.has(m.region);
  return [
    order.walk === TAPE_WALKS[1] && APART.has(m.region) ? 1 : 0,
    apart ? KIND_RANK[m.kind] : 0,
    place,
    PLACE.get(id) ?? 0,
  ];
}

/** Measures in the order in which the tape goes, the house’s way where it has one. */
export function inTapeOrder<T extends { readonly id: string }>(of: readonly T[], order: TapeOrder = {}): T[] {
  const keyed = of.map((item) => ({ item, by: weights(item.id, order) }));
  keyed.sort((a, b) => {
    const i = a.by.findIndex((n, k) => n !== b.by[k]);
    return i < 0 ? 0 : a.by[i]! - b.by[i]!;
  });
  return keyed.map((k) => k.item);
}

/** What to measure for these parts and nothing more but what is there, in the order the tape goes, with what is needed and what helps. */
export function measuringList(
  parts: readonly { readonly part: string }[],
  has?: (id: string) => boolean,
): { id: string; needed: boolean }[] {
  return listed(wantsOf(parts), has);
}

/** What to measure once for several garments: what any of them needs or is helped by. */
export const measuringTogether = (
  garments: readonly (readonly { readonly part: string }[])[],
): { id: string; needed: boolean }[] => listed(garments.flatMap(wantsOf));

function wantsOf(parts: readonly { readonly part: string }[]): Wants[] {
  const rows = placed(parts.map((p) => p.part));
  const { joint } = jointOf(rows, (row) => parts[row.index]);
  return rows.map((row) => wantsOfPlaced(row, parts[row.index], joint));
}

/** What one part of a garment wants: one that hangs from a bodice may be read from the neck to its hem, whole. */
export function wantsOfPlaced({ part, joinedTo }: Placed, values: unknown, joint: Joint): Wants {
  const [whole, length] = [part.wants(values as never), lengthWants(values ?? {})];
  // What hangs from under the bust falls free of the waist.
  const free = joint === 'underbust' && joinedTo.waist !== undefined;
  const bare = free ? { ...whole, needs: whole.needs.filter((id) => id !== 'waist') } : whole;
  const own = {
    needs: [...bare.needs, ...length.needs, ...neckNeeds(values)],
    helps: bare.helps,
  };
  return joinedTo.waist === undefined ? own : { ...own, helps: [...own.helps, ...TOTALS] };
}

/** What a neckline that goes by the girth of the neck wants read: told here, so that no skirt brings a neckline with it. */
const neckNeeds = (values: unknown): readonly string[] =>
  (values as { readonly neckBy?: unknown } | undefined)?.neckBy === 'girth' ? ['neck-base'] : [];

function listed(
  wants: readonly Wants[],
  has: (id: string) => boolean = () => false,
): { id: string; needed: boolean }[] {
  const rows = new Map<string, boolean>();
  for (const w of wants) for (const id of w.helps) if (!has(id)) rows.set(id, false);
  for (const w of wants) for (const id of w.needs) if (!has(id)) rows.set(id, true);
  return [...rows]
    .map(([id, needed]) => ({ id, needed, place: PLACE.get(id)! }))
    .sort((a, b) => a.place - b.place)
    .map(({ id, needed }) => ({ id, needed }));
}
