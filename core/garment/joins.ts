import type { Joint } from './joint.ts';
import type { GarmentPart, JoinEdge } from './part.ts';
import { findPart } from './registry.ts';

/** More parts than any garment has. */
const MOST_PARTS = 12;
const EDGE: Record<JoinEdge, string> = { waist: 'waist', armhole: 'armhole', neck: 'neckline' };

/** One part of a garment in its place: its instance and what it is joined to. */
export interface Placed {
  /** where it stands in the brief */
  readonly index: number;
  readonly part: GarmentPart;
  readonly key: string;
  /** for each edge it is joined by, the index of the part that gives it */
  readonly joinedTo: Partial<Record<JoinEdge, number>>;
}

/** What keeps these parts from being one garment, a sentence each; empty when they can be. */
export function garmentProblems(ids: readonly string[]): string[] {
  if (ids.length === 0) return ['Choose at least one part for the garment.'];
  if (ids.length > MOST_PARTS)
    return [`A garment can have at most ${MOST_PARTS} parts; this one has ${ids.length}.`];
  const strange = ids.filter((id) => !findPart(id));
  if (strange.length > 0) return strange.map((id) => `There is no garment part called “${id}”.`);
  const problems: string[] = [];
  const parts = ids.map((id) => findPart(id)!);
  for (const edge of Object.keys(EDGE) as JoinEdge[]) {
    const giving = parts.filter((p) => p.joins.gives.includes(edge));
    const taking = parts.filter((p) => p.joins.takes.some((t) => t.edge === edge));
    const names = (list: readonly GarmentPart[]) => list.map((p) => p.name).join(' and ');
    if (giving.length > 1)
      problems.push(`Two parts have the same ${EDGE[edge]}: ${names(giving)}. Keep one of them.`);
    // An armhole is two: what joins there is one part cut twice.
    if (taking.length > 1)
      problems.push(`Two parts join the same ${EDGE[edge]}: ${names(taking)}. Keep one of them.`);
    for (const p of taking)
      if (giving.length === 0 && p.joins.takes.some((t) => t.edge === edge && t.needed))
        problems.push(
          `The ${p.name} needs ${EDGE[edge] === 'armhole' ? 'an armhole' : `a ${EDGE[edge]}`} to join: no part of this garment has one.`,
        );
  }
  if (problems.length === 0 && parts.every((p) => p.free))
    problems.push(
      `${parts[0]!.name[0]!.toUpperCase()}${parts[0]!.name.slice(1)} need a garment to go on. Choose its parts too.`,
    );
  const loose = parts.filter(
    (p) =>
      !p.free &&
      parts.filter((q) => !q.free).length > 1 &&
      !p.joins.takes.some((t) => parts.some((q) => q !== p && q.joins.gives.includes(t.edge))) &&
      !p.joins.gives.some((e) => parts.some((q) => q !== p && q.joins.takes.some((t) => t.edge === e))),
  );
  if (problems.length === 0 && loose.length > 0)
    problems.push(`The ${loose[0]!.name} joins no other part of this garment. Make it a separate garment.`);
  return problems;
}

/** The parts in the order they are drafted: what gives an edge before what takes it. Parts that have no problem together. */
export function placed(ids: readonly string[]): Placed[] {
  const parts = ids.map((id) => findPart(id)!);
  const seen = new Map<string, number>();
  const rows = parts.map((part, index): Placed => {
    const n = (seen.get(part.key) ?? 0) + 1;
    seen.set(part.key, n);
    const joinedTo: Partial<Record<JoinEdge, number>> = {};
    for (const { edge } of part.joins.takes) {
      const giver = parts.findIndex((q, i) => i !== index && q.joins.gives.includes(edge));
      if (giver >= 0) joinedTo[edge] = giver;
    }
    return { index, part, key: n === 1 ? part.key : `${part.key}-${n}`, joinedTo };
  });
  const depth = (r: Placed): number =>
    Math.max(0, ...Object.values(r.joinedTo).map((i) => 1 + depth(rows[i]!)));
  return [...rows].sort((a, b) => depth(a) - depth(b) || a.index - b.index);
}

/** Whether a brief ends this part under the bust. The plan by heights is drawn to the waist. */
const endsUnder = (values: unknown): boolean => {
  const { ends, plan } = (values ?? {}) as { readonly ends?: unknown; readonly plan?: unknown };
  return ends === 'under-bust' && plan !== 'heights';
};

/**
 * Where a bodice ends and what hangs from it joins it. A skirt that is shaped over waist and hip cannot hang from above
 * its waist: then the bodice goes on down to it, and `shaped` is that skirt.
 */
export function jointOf(
  rows: readonly Placed[],
  values: (row: Placed) => unknown,
): { readonly joint: Joint; readonly shaped: GarmentPart | null } {
  if (!rows.some((r) => endsUnder(values(r)))) return { joint: 'waist', shaped: null };
  const shaped = rows.find((r) => r.joinedTo.waist !== undefined && !r.part.hangsAbove)?.part ?? null;
  return { joint: shaped ? 'waist' : 'underbust', shaped };
}
