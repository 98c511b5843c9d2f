import { crossing, endOf, lengthOf, type Point, reversed, type Segment, startOf } from '../../draft/curve.ts';
import { type Dart, type Edge, edge, type LineAcross, type Panel } from '../../draft/panel.ts';
import { root } from '../../draft/root.ts';
import { seamThrough, straight } from '../../draft/shape.ts';
import { type Cm, cm } from '../../units/length.ts';
import type { Allowances } from '../tables/allowances.ts';
import type { Face } from '../tables/darts.ts';

/** What shapes one face of a leg above its crotch: edges from the waist down, placed from marked figures, cm. */
export interface LegUpper {
  /** along the waist, from the centre outward */
  readonly waist: readonly Segment[];
  /** from the waist down to where the centre is upright, at x 0 */
  readonly centre: readonly Segment[];
  /** from the waist down to where the side falls straight */
  readonly side: readonly Segment[];
  readonly darts: readonly Dart[];
}

/** The leg itself, as marked, cm: levels from the waist down, girths as front and back halves. */
export interface LegPlan {
  readonly crotch: number;
  readonly extends: Readonly<Record<Face, number>>;
  readonly inseam: number;
  readonly knee: ({ readonly level: number } & Readonly<Record<Face, number>>) | null;
  readonly hem: Readonly<Record<Face, number>>;
}

export interface LegShape {
  readonly face: Face;
  readonly waist: readonly Segment[];
  readonly side: readonly Segment[];
  readonly hem: readonly Segment[];
  readonly inseam: readonly Segment[];
  readonly crotch: readonly Segment[];
  readonly darts: readonly Dart[];
  /** where the side lies at the crotch level */
  readonly sideAtCrotch: number;
  readonly crotchPoint: Point;
  /** the crotch level: where the front's point lies */
  readonly level: number;
  /** where side and inside leg pass the knee; null where the leg ends above it */
  readonly knee: readonly [side: Point, inside: Point] | null;
  /** from the crotch level down to the hem */
  readonly crease: number;
}

const total = (path: readonly Segment[]) => path.reduce((sum, s) => sum + lengthOf(s), 0);
/** A line that leaves one point upright and reaches the other so: the side of a leg. */
const upright = (a: Point, b: Point): Segment => [
  a,
  [a[0], a[1] + (b[1] - a[1]) * 0.4],
  [b[0], b[1] - (b[1] - a[1]) * 0.4],
  b,
];
/** How far down the curve of the crotch stays upright, and how far along its fork it stays square to the inside leg. */
const HOLLOW = {
  front: { down: 0.72, along: 0.45 },
  back: { down: 0.47, along: 0.3 },
} as const;
/** The curve of the crotch: it goes on as it leaves the centre, square to the inside leg where it reaches its point, so that both legs' seams run on into each other there. */
function crotchCurve(face: Face, from: Point, to: Point, inseam: Segment): Segment {
  const [a, b] = [startOf(inseam), inseam[1] as Point];
  const lean = Math.atan2(b[0] - a[0], b[1] - a[1]);
  const { down, along } = HOLLOW[face];
  const reach = Math.abs(to[0]) * along;
  return [
    from,
    [from[0], from[1] + (to[1] - from[1]) * down],
    [to[0] + reach * Math.cos(lean), to[1] - reach * Math.sin(lean)],
    to,
  ];
}

/** The back's crotch point lies so much lower than the front's, cm (common practice: 0.5 to 1). */
const BACK_LOWER = { least: 0.5, most: 1 } as const;
/** A leg's back may stand so far towards its side to lengthen an inside leg that would be too short, cm. */
const OUTWARD = 2;

/**
 * Front and back of one leg. Both inside legs are as long: the back's crotch point lies a little lower, and for the rest
 * its leg stands nearer its inside, not the point ever lower. Where that is not enough the inside legs differ (a short
 * leg's hem is level with its inside then). Null where there is no leg to draft.
 */
export function legShapes(
  upper: Readonly<Record<Face, LegUpper>>,
  q: LegPlan,
): Record<Face, LegShape> | null {
  const bend = { front: endOf(upper.front.side.at(-1)!), back: endOf(upper.back.side.at(-1)!) };
  const low = Math.max(bend.front[1], bend.back[1]);
  if (q.crotch <= low + 0.5 || q.inseam <= 1) return null;
  const kneeY = q.knee?.level ?? null;
  const at = (face: Face) => q.knee?.[face] ?? q.hem[face];
  const crease = (bend.front[0] - q.extends.front) / 2;
  const swing = bend.front[0] - (crease + at('front') / 2);
  const narrower = (face: Face) => (at(face) - q.hem[face]) / 2;
  const point = (face: Face, drop: number): Point => [-q.extends[face], q.crotch + drop];
  const upperInseam = (face: Face, drop: number, x: number, y: number): Segment[] => {
    const [from, to]: [Point, Point] = [point(face, drop), [x, y]];
    return kneeY === null
      ? straight(from, to)
      : seamThrough([from, to], (to[0] - from[0]) / (to[1] - from[1]));
  };
  const frontInner = bend.front[0] - swing - at('front');
  let hemY: number;
  if (kneeY === null) {
    const across = frontInner + q.extends.front;
    if (q.inseam <= Math.abs(across) + 0.5) return null;
    hemY = q.crotch + Math.sqrt(q.inseam ** 2 - across ** 2);
  } else {
    const rest = q.inseam - total(upperInseam('front', 0, frontInner, kneeY));
    if (rest <= Math.abs(narrower('front')) + 0.5) return null;
    hemY = kneeY + Math.sqrt(rest ** 2 - narrower('front') ** 2);
  }
  const low2 = kneeY ?? hemY;
  const wanted = total(upperInseam('front', 0, frontInner, low2));
  const backInner = bend.back[0] - swing - at('back');
  const over = (drop: number, shift: number) =>
    total(upperInseam('back', drop, backInner - shift, low2)) - wanted;
  const run = backInner + q.extends.back;
  const inward = Math.max(0, (run - swing) / 2);
  const { least, most } = BACK_LOWER;
  const shift = zeroOf((x) => over(least, x), over(least, 0) > 0 ? 0 : -OUTWARD, inward);
  const drop = zeroOf((d) => over(d, shift), least, most);
  const outer = { front: bend.front[0] - swing, back: bend.back[0] - swing - shift };
  const inner = { front: frontInner, back: backInner - shift };
  const shape = (face: Face): LegShape => {
    const down = face === 'back' ? drop : 0;
    const [o, i] = [outer[face], inner[face]];
    const n = kneeY === null ? 0 : narrower(face);
    const crotchPoint = point(face, down);
    // A short leg ends at its inside where the front's does, sewn.
    const inside = kneeY === null && face === 'back' ? wanted ** 2 - (i - crotchPoint[0]) ** 2 : null;
    const hemInY = inside !== null && inside > 1 ? crotchPoint[1] + Math.sqrt(inside) : hemY;
    const [hemOut, hemIn]: [Point, Point] = [
      [o - n, hemY],
      [i + n, hemInY],
    ];
    const lower = (a: Point, b: Point): Segment[] => (kneeY === null ? [] : straight(a, b));
    const leg = upright(bend[face], [o, low2]);
    const side = [...upper[face].side, leg, ...lower([o, low2], hemOut)];
    const upperLeg = kneeY === null ? straight(crotchPoint, hemIn) : upperInseam(face, down, i, low2);
    return {
      face,
      waist: upper[face].waist,
      side,
      hem: kneeY === null ? [shortHem(hemOut, hemIn, crotchPoint)] : straight(hemOut, hemIn),
      inseam: [...lower(hemIn, [i, low2]), ...reversed(upperLeg)],
      crotch: reversed([
        ...upper[face].centre,
        crotchCurve(face, endOf(upper[face].centre.at(-1)!), crotchPoint, upperLeg[0]!),
      ]),
      darts: upper[face].darts,
      sideAtCrotch: crossing(leg, q.crotch) ?? o,
      crotchPoint,
      level: q.crotch,
      knee:
        kneeY === null
          ? null
          : [
              [o, low2],
              [i, low2],
            ],
      crease: (o + i) / 2,
    };
  };
  return { front: shape('front'), back: shape('back') };
}

/** The hem of a short leg: level where it leaves the side, square to an inside leg that leans. */
function shortHem(out: Point, inside: Point, crotchPoint: Point): Segment {
  const reach = (out[0] - inside[0]) / 4;
  const up = (inside[0] - crotchPoint[0]) / (inside[1] - crotchPoint[1]);
  return [out, [out[0] - reach, out[1]], [inside[0] + reach, inside[1] - reach * up], inside];
}

/** Where a falling difference is nothing between two amounts; the nearer end where it is not. */
function zeroOf(over: (amount: number) => number, least: number, most: number): number {
  const end = Math.max(least, most);
  if (over(least) <= 0) return least;
  if (over(end) >= 0) return end;
  return root((x) => -over(x), least, end) ?? end;
}

/** How much longer one face's side is than the other's, cm. */
export const sideLonger = (s: LegShape, than: LegShape): number => total(s.side) - total(than.side);

/** A leg's back with its upper part drawn anew: its waist and side begin elsewhere. */
export const withUpper = (s: LegShape, was: LegUpper, now: LegUpper): LegShape => ({
  ...s,
  waist: now.waist,
  side: [...now.side, ...s.side.slice(was.side.length)],
  darts: now.darts,
});

/** One face of a leg as a panel, a pair. */
export function legPanel(
  s: LegShape,
  {
    id,
    name,
    layer,
    lines,
    a,
    waist,
    hem,
    opens,
    gather = cm(0),
    casing = false,
    note,
  }: {
    id: string;
    name: string;
    layer: Panel['layer'];
    lines: readonly LineAcross[];
    a: Allowances;
    waist: Cm;
    hem: Cm;
    /** which of its seams holds the zip */
    opens: 'side' | 'crotch' | null;
    gather?: Cm;
    /** its upper edge is turned down over an elastic: there is no waist seam */
    casing?: boolean;
    note: string;
  },
): Panel {
  const seam = (which: 'side' | 'crotch'): Cm => (opens === which ? cm(Math.max(a.side, a.zip)) : a.side);
  const edges: Edge[] = [
    edge(casing ? 'top' : 'waist', 'waist', s.waist, waist, { gather, ...(casing ? { turned: true } : {}) }),
    edge('side', 'side seam', s.side, seam('side')),
    edge('hem', 'hem', s.hem, hem, { turned: true }),
    edge('inseam', 'inside leg', s.inseam, a.side),
    edge('crotch', 'crotch seam', s.crotch, seam('crotch')),
  ];
  return {
    id,
    name,
    share: s.face,
    layer,
    cut: 'pair',
    count: 2,
    grain: 'lengthwise, along the crease',
    edges,
    darts: s.darts,
    lines,
    marks: [
      { kind: 'notch', name: 'crotch level', at: [s.sideAtCrotch, s.level] },
      ...(s.knee ?? []).map((at) => ({ kind: 'notch' as const, name: 'knee', at })),
      {
        kind: 'fold line',
        name: 'crease',
        at: [s.crease, s.crotchPoint[1]],
        to: [s.crease, s.hem[0]![0][1]],
      },
    ],
    across: { centre: 'crotch', side: 'side' },
    note,
  };
}

/** The girth of one leg at the crotch level, cm: both faces there. */
export const legGirth = (s: Readonly<Record<Face, LegShape>>): Cm =>
  cm(s.front.sideAtCrotch - s.front.crotchPoint[0] + (s.back.sideAtCrotch - s.back.crotchPoint[0]));
