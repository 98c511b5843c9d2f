import { directionAt, endOf, offset, type Point, reversed, type Segment, startOf } from '../draft/curve.ts';
import { edgeLength } from '../draft/measure.ts';
import { type Edge, edge, type Panel } from '../draft/panel.ts';
import { between, pathLength } from '../draft/path.ts';
import { straight } from '../draft/shape.ts';
import { type Cm, cm } from '../units/length.ts';
import { FACING, FACING_DEPTH } from './common/facing.ts';
import { faceOf, isMain, kindOf } from './seams.ts';
import type { Allowances } from './tables/allowances.ts';

/** Edges of a vent that are faced with its hem. */
const VENT_HEM = 'vent-hem';
const NONE = cm(0);

/** What of a panel is faced; between tiers nothing is. */
const facedOf = (panels: readonly Panel[]) => {
  const lowest = panels.filter((p) => isMain(p) && p.ring !== undefined).at(-1)?.ring;
  return (p: Panel, e: Edge): boolean =>
    isMain(p) &&
    p.share !== 'sleeve' &&
    p.ring === (p.ring && lowest) &&
    (kindOf(p, e) === 'hem' || e.id === VENT_HEM) &&
    e.path.length > 0;
};

/**
 * A garment's panels with their hems and vents faced instead of turned: the hem keeps a seam's allowance, and each hem
 * gets a facing that follows it, each vent one for its underlap and an interfacing for both sides. Lengths cm.
 * @param depth of the facings, in a step of the hand
 */
export function withHemFacings(
  panels: readonly Panel[],
  a: Allowances,
  stepped: (length: Cm) => Cm,
): Panel[] {
  const isFaced = facedOf(panels);
  return panels.flatMap((p) => {
    // What a panel is mounted on ends where it does, and needs no facing of its own.
    const asOuter: Panel = p.layer === 'underlining' ? { ...p, layer: 'outer' } : p;
    if (!p.edges.some((e) => isFaced(asOuter, e))) return [p];
    const depth = stepped(FACING_DEPTH);
    const outer: Panel = {
      ...p,
      edges: p.edges.map((e) => {
        if (!isFaced(asOuter, e)) return e;
        const { turned: _, ...rest } = e;
        return { ...rest, allowance: a.facing };
      }),
    };
    if (asOuter !== p) return [outer];
    return [
      outer,
      ...p.edges.flatMap((e, i) =>
        isFaced(p, e) && e.id !== VENT_HEM ? [hemFacing(p, i, depth, a)].filter((q) => q !== null) : [],
      ),
      ...ventFacings(p, a),
    ];
  });
}

/** The facing of one hem: as far up each of its neighbours as it is deep; null where one of them is no longer than that. */
function hemFacing(p: Panel, i: number, depth: Cm, a: Allowances): Panel | null {
  const n = p.edges.length;
  const [hem, before, after] = [p.edges[i]!, p.edges[(i + n - 1) % n]!, p.edges[(i + 1) % n]!];
  const ends = [before, after].filter((e) => e.id !== VENT_HEM);
  if (ends.some((e) => pathLength(e.path) < depth + 1)) return null;
  // The cloth lies on the right hand: inward is square to the hem, that way.
  const inward = (s: Segment, t: 0 | 1): Point => {
    const [x, y] = directionAt(s, t);
    return [-y, x];
  };
  const [first, last] = [hem.path[0]!, hem.path.at(-1)!];
  const square = (at: Point, [x, y]: Point) => straight(at, [at[0] + x * depth, at[1] + y * depth]);
  const up = after.id === VENT_HEM ? square(endOf(last), inward(last, 1)) : between(after.path, 0, depth);
  const whole = pathLength(before.path);
  const down =
    before.id === VENT_HEM
      ? reversed(square(startOf(first), inward(first, 0)))
      : between(before.path, whole - depth, whole);
  const inner = reversed(hem.path.flatMap((s) => offset(s, -depth)));
  const free = inner.map(
    (s, k): Segment =>
      [
        k === 0 ? endOf(up.at(-1)!) : s[0],
        ...s.slice(1, -1),
        k === inner.length - 1 ? startOf(down[0]!) : endOf(s),
      ] as unknown as Segment,
  );
  const side = (e: Edge, path: readonly Segment[], id: string): Edge =>
    e.id === VENT_HEM
      ? edge(id, 'centre line', path, a.facing)
      : edge(id, e.name, path, e.allowance, { fold: e.fold });
  return {
    ...finishing(p, `${hem.id}-facing`, `${p.name}, ${hem.name} facing`),
    cut: p.cut,
    count: p.count,
    edges: [
      edge('faced', hem.name, hem.path, a.facing),
      side(after, up, 'inner'),
      edge('free', 'free edge', free, NONE),
      side(before, down, 'outer'),
    ],
    across: { centre: 'inner', side: 'outer' },
    note: `follows the ${hem.name} of the ${p.name}; its free edge is neatened`,
  };
}

/** What faces the underlap of a vent, and what holds both sides of it. */
function ventFacings(p: Panel, a: Allowances): Panel[] {
  const hem = p.edges.find((e) => e.id === VENT_HEM);
  if (!hem || !isMain(p) || !p.edges.some((e) => e.id === 'vent')) return [];
  const [wide, tall] = [edgeLength(p, hem.id), edgeLength(p, 'vent')];
  const corners: readonly Point[] = [
    [0, 0],
    [wide, 0],
    [wide, tall],
    [0, tall],
  ];
  const made = (of: readonly [top: Cm, free: Cm, hem: Cm, vent: Cm]): Edge[] =>
    (
      [
        ['top', 'top of the vent'],
        ['inner', 'free edge'],
        ['faced', 'vent hem'],
        ['outer', 'vent'],
      ] as const
    ).map(([id, name], k) => edge(id, name, straight(corners[k]!, corners[(k + 1) % 4]!), of[k]!));
  return [
    {
      ...finishing(p, 'vent-facing', `${p.name}, vent facing`),
      cut: 'single',
      count: 1,
      edges: made([a.facing, NONE, a.facing, a.centre]),
      across: { centre: 'outer', side: 'inner' },
      note: 'faces the underlap, on the right; the left is faced by its own extension',
    },
    {
      ...finishing(p, 'vent-interfacing', `${p.name}, vent`),
      layer: 'interfacing',
      cut: 'pair',
      count: 2,
      edges: made([NONE, NONE, NONE, NONE]),
      across: { centre: 'outer', side: 'inner' },
      note: 'without allowances',
    },
  ];
}

const finishing = (p: Panel, id: string, name: string) => ({
  id: `${p.id}-${id}`,
  name,
  ...FACING,
  ...(faceOf(p) ? { face: faceOf(p)! } : {}),
});
