import { endOf, offset, type Point, reversed, type Segment, startOf } from '../../../draft/curve.ts';
import { edgeLength, pointAlong, sewnLength } from '../../../draft/measure.ts';
import { joined } from '../../../draft/outline.ts';
import { type Edge, edge, edgeOf, type Panel } from '../../../draft/panel.ts';
import { arc, levelOfLength, straight } from '../../../draft/shape.ts';
import { buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { halfOverlap } from '../../common/bodice/closing.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';

export const FIELDS = {
  kind: choice('Collar', [
    ['stand', 'stand'],
    ['flat', 'flat, lying on the garment'],
    ['shirt', 'shirt, a fall on a stand'],
  ]),
  depth: {
    kind: 'length',
    label: 'Depth at the centre back',
    hint: 'of the stand, of the flat collar, of the fall',
    min: 1.5,
    max: 25,
    default: '5 cm',
  },
  stand: {
    kind: 'length',
    label: 'Depth of the stand beneath the fall',
    min: 1.5,
    max: 6,
    default: '3 cm',
    when: { field: 'kind', is: ['shirt'] },
  },
  point: {
    kind: 'length',
    label: 'Points longer than the depth by',
    min: 0,
    max: 12,
    default: '2 cm',
    when: { field: 'kind', is: ['shirt'] },
  },
} as const;
export type CollarValues = ValuesOf<typeof FIELDS>;

/** A stand rises by this from the centre back to its end, so that it leans to the neck, cm (common practice: 1 to 2). */
const RISES = 1.5;
/** A flat collar turns through this much between its two ends and the centre back, radians: less gives it a little stand (common practice). */
const FLAT_TURNS = 2.3;
/** A fall is shorter at its seam than the stand's upper edge by nothing; its outer edge spreads by this per cm of depth (common practice). */
const FALL_SPREADS = 0.25;

export interface CollarDraft extends Drafted {
  readonly half: Figure;
  readonly depth: Figure;
  readonly stand: Figure | null;
  readonly pieces: readonly Panel[];
  readonly measured: readonly Figure[];
}

/** A collar on the neckline it joins: half of it, the centre on the fold. */
export function draftCollar(c: PartContext, v: CollarValues): CollarDraft {
  const neck = c.above?.sewn.neck ?? null;
  // A front that is buttoned overlaps: a stand goes on by half of that, to its band's edge.
  const laps = v.kind === 'flat' ? 0 : halfOverlap(c);
  const half = buildFigure(c, {
    id: c.id('half'),
    section: c.key,
    name: 'collar, half of its neck seam',
    group: 'length',
    tolerance: TOLERANCE.detail,
    known: neck !== null,
    terms: [
      term('body', 'neckline, sewn', neck ?? 0, 'Measured on the panels of what it joins.'),
      term('share', 'half of it', -(neck ?? 0) / 2, 'The centre is on the fold.'),
    ],
    nearest: true,
    settable: [],
  });
  const depth = lengthFigure(c, 'depth', 'collar, depth at the centre back', v.depth);
  const stand =
    v.kind === 'shirt' ? lengthFigure(c, 'stand', 'stand, depth at the centre back', v.stand) : null;
  const panels =
    neck === null || depth.marked === null
      ? []
      : shapes(c, v, neck / 2, depth.marked, stand?.marked ?? 0, laps).map((q, i) =>
          i === 0 ? withNotch(q, backNeck(c)) : q,
        );
  const sewn = panels[0] ? cm(2 * (edgeLength(panels[0], 'neck') - laps)) : null;
  const opened = c.opens === 'centre-back';
  const over = v.kind === 'flat' ? null : (stand ?? depth).marked;
  return {
    panels: panels.flatMap((q) => layersOf(c, q)).map((q) => (opened ? inTwo(c, q) : q)),
    ...(opened && panels.length > 0 && over !== null
      ? { opensOver: { name: v.kind === 'shirt' ? 'stand of the collar' : 'collar', length: over } }
      : {}),
    sewn: { neck: sewn },
    places: () => placesOf(c, v, panels),
    half,
    depth,
    stand,
    pieces: panels,
    measured: panels.map((p, i) =>
      buildFigure(c, {
        id: c.id(i === 0 ? 'outer-edge' : 'fall-edge'),
        section: c.key,
        name: i === 0 ? `${p.name}, upper or outer edge, half` : 'fall, outer edge, half',
        group: 'length',
        nearest: true,
        terms: [term('body', 'along the edge', edgeLength(p, 'outer'), 'Measured on the panel.')],
        settable: [],
      }),
    ),
  };
}

const lengthFigure = (c: PartContext, id: string, name: string, value: Cm): Figure =>
  buildFigure(c, {
    id: c.id(id),
    section: c.key,
    name,
    group: 'length',
    tolerance: TOLERANCE.detail,
    terms: [term('style', 'from the brief', value, 'As briefed.')],
    follows: (x) => (x > 0 ? null : 'Enter a depth over 0.'),
  });

function shapes(
  c: PartContext,
  v: CollarValues,
  half: number,
  depth: number,
  stand: number,
  laps: number,
): Panel[] {
  if (v.kind === 'flat') return [flat(c, half, depth)];
  if (v.kind === 'stand') return [bandCollar(c, 'collar', 'stand collar', half + laps, depth)];
  const under = bandCollar(c, 'stand', 'stand of the collar', half + laps, stand);
  const upper = edgeLength(under, 'outer') - laps;
  return [under, fall(c, upper, depth, v.point)];
}

/** A band that rises toward its end: its seam as long as half of the neckline, its upper edge beside it. */
function bandCollar(c: PartContext, id: string, name: string, half: number, depth: number): Panel {
  const rise = Math.min(RISES, half / 4);
  const neck = levelOfLength([0, depth], rise, half);
  // The upper edge lies beside the seam, as far from it as the collar is deep.
  const upper = joined(offset([...reversed([neck])][0]!, -depth));
  const outer = reversed(upper);
  return make(c, id, name, [
    edge('outer', 'upper edge', outer, c.allowances.neck),
    edge('front', 'end', straight(endOf(outer.at(-1)!), endOf(neck)), c.allowances.neck),
    edge('neck', 'neckline', reversed([neck]), c.allowances.neck),
    edge('centre', 'centre back', straight(startOf(neck), startOf(outer[0]!)), cm(0), { fold: true }),
  ]);
}

/** A part of a ring: its inner edge is the neckline, its outer one lies on the garment. */
function flat(c: PartContext, half: number, depth: number): Panel {
  const r = half / FLAT_TURNS;
  const [top, end] = [-Math.PI / 2, -Math.PI / 2 + FLAT_TURNS];
  const centre: Point = [0, r + depth];
  const outer = arc(centre, r + depth, top, end);
  const neck = arc(centre, r, end, top);
  return make(c, 'collar', 'flat collar', [
    edge('outer', 'outer edge', outer, c.allowances.neck),
    edge('front', 'end', straight(endOf(outer.at(-1)!), startOf(neck[0]!)), c.allowances.neck),
    edge('neck', 'neckline', neck, c.allowances.neck),
    edge('centre', 'centre back', straight(endOf(neck.at(-1)!), startOf(outer[0]!)), cm(0), { fold: true }),
  ]);
}

/** The fall of a shirt collar: its seam bends down a little, its point stands out. */
function fall(c: PartContext, seam: number, depth: number, point: number): Panel {
  const drop = Math.min(depth * FALL_SPREADS, seam / 5);
  const top = levelOfLength([0, 0], drop, seam);
  // Turned upside down: the seam lies above, the outer edge below; the centre is the same fold.
  const down = top.map(([x, y]) => [x, -y] as Point) as unknown as Segment;
  const end = endOf(down);
  const tip: Point = [end[0] + point * 0.6, end[1] + depth + point * 0.8];
  const outer: Segment = [tip, [tip[0] * 0.66, tip[1] - point * 0.2], [tip[0] * 0.33, depth], [0, depth]];
  const fall = make(c, 'fall', 'fall of the collar', [
    edge('neck', 'seam to the stand', [down], c.allowances.neck),
    edge('front', 'end', straight(end, tip), c.allowances.neck),
    edge('outer', 'outer edge', [outer], c.allowances.neck),
    edge('centre', 'centre back', straight([0, depth], [0, 0]), cm(0), { fold: true }),
  ]);
  return { ...fall, is: ['fall'] };
}

const make = (c: PartContext, id: string, name: string, edges: readonly Edge[]): Panel => ({
  id: c.id(id),
  name,
  share: 'collar',
  layer: 'outer',
  cut: 'fold',
  count: 2,
  grain: 'lengthwise, along the centre back',
  edges,
  darts: [],
  lines: [],
  marks: [],
  across: { centre: 'centre', side: 'front' },
  note: 'upper and under collar; the under one a hair smaller',
});

/** Half of the back's neckline as it is sewn, cm; null where no panel says so. */
function backNeck(c: PartContext): number | null {
  const backs = (c.above?.panels ?? []).filter(
    (q) => q.layer === 'outer' && q.share === 'back' && q.edges.some((e) => e.id === 'neck'),
  );
  return backs.length === 0 ? null : backs.reduce((sum, q) => sum + sewnLength(q, 'neck'), 0);
}

/** The notch for the shoulder seam: as far from the centre back as the back's neckline is long. */
function withNotch(q: Panel, back: number | null): Panel {
  const { path } = edgeOf(q, 'neck');
  const whole = edgeLength(q, 'neck');
  if (back === null || back >= whole) return q;
  // The edge runs from its end to the centre back, or from there.
  const fromStart = Math.abs(startOf(path[0]!)[0]) < 1e-6;
  return {
    ...q,
    marks: [{ kind: 'notch', name: 'shoulder seam', at: pointAlong(path, fromStart ? back : whole - back) }],
  };
}

/** How much smaller an under collar is at its outer edge, so that the seam rolls under, cm (common practice: 0.2 to 0.3). */
const UNDER_SMALLER = 0.2;

/** A collar's upper and under piece and its interfacing; a stand's two are alike. */
function layersOf(c: PartContext, q: Panel): Panel[] {
  if (q.id === c.id('stand') || q.name === 'stand collar') return [q, interfacing(q)];
  const smaller = (e: Edge): Edge =>
    e.id === 'outer' ? { ...e, path: joined(e.path.flatMap((s) => offset(s, -UNDER_SMALLER))) } : e;
  const moved = q.edges.map(smaller);
  // The ends beside it are cut where the smaller edge begins and ends.
  const n = moved.length;
  const edges = moved.map((e, i): Edge => {
    const [before, after] = [moved[(i + n - 1) % n]!, moved[(i + 1) % n]!];
    if (e.id === 'outer' || (before.id !== 'outer' && after.id !== 'outer')) return e;
    const from = before.id === 'outer' ? endOf(before.path.at(-1)!) : startOf(e.path[0]!);
    const to = after.id === 'outer' ? startOf(after.path[0]!) : endOf(e.path.at(-1)!);
    return { ...e, path: straight(from, to) };
  });
  const under: Panel = {
    ...q,
    id: `${q.id}-under`,
    is: [...(q.is ?? []), 'under'],
    name: `under ${q.name}`,
    count: 1,
    edges,
    note: 'smaller at its outer edge, so that the seam rolls under',
  };
  return [{ ...q, count: 1, note: 'the upper one' }, under, interfacing(q)];
}

/** A collar that the garment's opening cuts at the centre back: a left and a right half, each with that opening's allowance. */
const inTwo = (c: PartContext, q: Panel): Panel => ({
  ...q,
  cut: 'pair',
  count: q.count * 2,
  edges: q.edges.map((e) => {
    if (e.id !== 'centre') return e;
    return { ...e, fold: false, allowance: q.layer === 'interfacing' ? cm(0) : c.allowances.zip };
  }),
  note: `${q.note}; cut in two, open at the centre back`,
});

const interfacing = (p: Panel): Panel => ({
  ...p,
  id: `${p.id}-interfacing`,
  layer: 'interfacing',
  count: 1,
  edges: p.edges.map((e) => ({ ...e, allowance: cm(0) })),
  note: 'without allowances',
});

function placesOf(c: PartContext, v: CollarValues, panels: readonly Panel[]): Place[] {
  return panels.flatMap((p, i): Place[] => {
    const at = (id: string, where: Point): Place => ({ figure: c.id(id), panel: p.id, at: where });
    const first = (id: string) => startOf(p.edges.find((e) => e.id === id)!.path[0]!);
    const last = (id: string) => endOf(p.edges.find((e) => e.id === id)!.path.at(-1)!);
    const mid = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    const centre = mid(first('centre'), last('centre'));
    return [
      ...(i === 0
        ? [
            at('half', p.marks[0]?.at ?? mid(first('neck'), last('neck'))),
            at(v.kind === 'shirt' ? 'stand' : 'depth', centre),
          ]
        : [at('depth', centre)]),
      at(i === 0 ? 'outer-edge' : 'fall-edge', last('outer')),
    ];
  });
}
