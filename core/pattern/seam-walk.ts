import { edgeLength, sewnLength } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import { alongOf } from '../draft/path.ts';
import { type SeamEdge, seamsOf } from '../garment/seams.ts';
import { type Halves, unlike } from '../garment/two-sides.ts';
import { type Cm, cm } from '../units/length.ts';

/** A mark lies on an edge when it is no further off, cm. */
const ON = 0.3;

/** One side of a seam, walked in sewing order: its edges, how long it is as sewn, and its notches from where it begins, cm. */
export interface Walked {
  readonly edges: readonly { readonly piece: string; readonly edge: string }[];
  readonly names: readonly string[];
  readonly sewn: Cm;
  readonly notches: readonly { readonly at: Cm; readonly name: string }[];
}
/** A seam laid along its partner from the end they share. */
export interface SeamWalked {
  readonly id: string;
  readonly name: string;
  readonly sides: readonly [Walked, Walked];
  /** the first side less the second, cm */
  readonly apart: Cm;
}

/** An armhole as its cap is sewn in: from the underarm up the front, over the shoulder and down the back. */
const roundThe = (row: readonly SeamEdge[]): SeamEdge[] => [
  ...row
    .filter((e) => e.face === 'front')
    .reverse()
    .map((e) => ({ ...e, against: !e.against })),
  ...row.filter((e) => e.face !== 'front'),
];

function walked(
  panels: ReadonlyMap<string, Panel>,
  row: readonly SeamEdge[],
  around: boolean,
): Walked | null {
  let sewn = 0;
  const notches: { at: Cm; name: string }[] = [];
  for (const { panel, edge, against } of row.some((e) => e.kind === 'armhole') && around
    ? roundThe(row)
    : row) {
    const p = panels.get(panel);
    if (!p) return null;
    const { path } = edgeOf(p, edge);
    const whole = edgeLength(p, edge);
    // A dart in the edge is closed where its mark is counted.
    const closed = (along: number) =>
      along - p.darts.reduce((n, d) => n + (d.edge === edge && d.at < along ? d.intake : 0), 0);
    const own = sewnLength(p, edge);
    for (const m of p.marks) {
      if (m.kind !== 'notch' && m.kind !== 'thread mark') continue;
      const { along, off } = alongOf(path, m.at);
      if (off > ON || along < 0.3 || along > whole - 0.3) continue;
      notches.push({ at: cm(sewn + (against ? own - closed(along) : closed(along))), name: m.name });
    }
    sewn += own;
  }
  return {
    edges: row.map(({ panel, edge }) => ({ piece: panel, edge })),
    names: row.map(({ panel }) => panels.get(panel)!.name),
    sewn: cm(sewn),
    notches: notches.sort((a, b) => a.at - b.at),
  };
}

/** Every seam of both halves of a garment, those that are not alike each for its side. */
export function seamsWalked({ right, left }: Halves): SeamWalked[] {
  const own = new Set(unlike({ right, left }).map((u) => u.left.id));
  const theirs = (s: SeamWalked) => s.sides.some((x) => x.edges.some((e) => own.has(e.piece)));
  const named = (s: SeamWalked, side: 'right' | 'left'): SeamWalked => ({
    ...s,
    id: side === 'left' ? `${s.id}-left` : s.id,
    name: `${s.name}, ${side}`,
    sides: s.sides.map((x) => ({
      ...x,
      edges: x.edges.map((e) =>
        side === 'left' && own.has(e.piece) ? { ...e, piece: `${e.piece}-left` } : e,
      ),
    })) as unknown as SeamWalked['sides'],
  });
  return [
    ...ofHalf(right).map((s) => (theirs(s) ? named(s, 'right') : s)),
    ...(own.size === 0 ? [] : ofHalf(left).filter(theirs)).map((s) => named(s, 'left')),
  ];
}

/** Every seam of one half with both of its sides, each walked the way it is sewn. */
function ofHalf(panels: readonly Panel[]): SeamWalked[] {
  const by = new Map(panels.map((p) => [p.id, p]));
  return seamsOf(panels).flatMap((s) => {
    const [a, b] = s.rows.map((r) => walked(by, r, s.kind === 'cap'));
    return a && b ? [{ id: s.id, name: s.name, sides: [a, b], apart: cm(a.sewn - b.sewn) }] : [];
  });
}
