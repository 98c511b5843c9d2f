import { distance, type Point, type Segment } from '../draft/curve.ts';
import { edgeLength, sewnLength, sewnWidthAt } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import { judge, type RawCheck } from '../figure/check.ts';
import type { Figure, Piece } from '../figure/figure.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { HouseRounding } from '../units/rounding.ts';
import { pieceOf } from './pieces.ts';
import { faceOf, isFacing, isMain } from './seams.ts';

/** The panels of a garment, each list drawn as a right half; the left's differ where the sides are not alike. */
export interface Halves {
  readonly right: readonly Panel[];
  readonly left: readonly Panel[];
}
/** A garment whose halves are alike. */
export const alike = (panels: readonly Panel[]): Halves => ({ right: panels, left: panels });

/** Points nearer than this are one to a hand, cm. */
const SAME = 0.05;
/** Halves that meet at the centre line may be so unlike in length there, cm (common practice: eased in). */
const CENTRE_APART = 0.3;

/** Every point that says what a panel is cut to, in order. */
const pointsOf = (p: Panel): Point[] => [
  ...p.edges.flatMap((e) => e.path.flatMap((s) => [...s] as Point[])),
  ...p.darts.flatMap((d) => [...d.legs, d.tip]),
  ...(p.inner ?? []).flatMap((d) => [d.up, d.at, d.down]),
];
const sameShape = (a: Panel, b: Panel, within: number = SAME): boolean => {
  if (a === b) return true;
  const [one, two] = [pointsOf(a), pointsOf(b)];
  return (
    one.length === two.length &&
    one.every((at, i) => distance(at, two[i]!) < within) &&
    a.edges.every((e, i) => Math.abs(e.allowance - (b.edges[i]?.allowance ?? -1)) < SAME)
  );
};

/** A piece that goes round both halves lies midway between what each of them would have it. */
function midway(a: Panel, b: Panel): Panel {
  const mid = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  const seg = (s: Segment, t: Segment): Segment =>
    s.map((at, i) => mid(at as Point, (t[i] ?? at) as Point)) as unknown as Segment;
  return {
    ...a,
    edges: a.edges.map((e, i) => ({
      ...e,
      path: e.path.map((s, k) => seg(s, b.edges[i]?.path[k] ?? s)),
    })),
    marks: a.marks.map((m, i) => ({ ...m, at: mid(m.at, b.marks[i]?.at ?? m.at) })),
  };
}
/** Small pieces that differ by less than this are cut alike, cm (half a step of the hand). */
const CUT_ALIKE = 0.25;
/** One piece of cloth for both halves (a band, a bow), or one that is cut alike though its sides differ by a hair. */
const isShared = (p: Panel, q: Panel): boolean =>
  (p.cut === 'single' && p.count === 1) || (!isMain(p) && sameShape(p, q, CUT_ALIKE));

/**
 * Both halves with what is alike once: a left panel that is as the right one is the right one, and a piece that goes
 * round both lies midway between what each half would have it.
 */
export function told(right: readonly Panel[], left: readonly Panel[]): Halves {
  if (left === right) return { right, left };
  const other = new Map(left.map((p) => [p.id, p]));
  const shared = new Map<string, Panel>();
  for (const p of right) {
    const q = other.get(p.id);
    if (q && !sameShape(p, q) && isShared(p, q)) shared.set(p.id, midway(p, q));
  }
  const made = right.map((p) => shared.get(p.id) ?? p);
  const by = new Map(made.map((p) => [p.id, p]));
  const theirs = left.map((q) => {
    const p = by.get(q.id);
    return p && (shared.has(q.id) || sameShape(p, q)) ? p : q;
  });
  return theirs.every((q, i) => q === made[i]) && theirs.length === made.length
    ? alike(made)
    : { right: made, left: theirs };
}

/** The panels that are not alike, right and left. */
export function unlike({ right, left }: Halves): { readonly right: Panel; readonly left: Panel }[] {
  if (left === right) return [];
  const by = new Map(right.map((p) => [p.id, p]));
  return left.flatMap((q) => {
    const p = by.get(q.id);
    return p && p !== q ? [{ right: p, left: q }] : [];
  });
}

/** A length on the panels that is not the same on both sides, cm. */
export interface SideRow {
  readonly name: string;
  readonly right: Cm;
  readonly left: Cm;
}
/** What is not alike on the panels that make the garment: each edge as it is sewn, each width at a body line. */
export function sideRows(halves: Halves): SideRow[] {
  return unlike(halves).flatMap(({ right, left }): SideRow[] => {
    if (!isMain(right)) return [];
    const row = (name: string, a: number | null, b: number | null): SideRow[] =>
      a === null || b === null || Math.abs(a - b) < SAME ? [] : [{ name, right: cm(a), left: cm(b) }];
    return [
      ...right.edges.flatMap((e) =>
        e.fold || !left.edges.some((o) => o.id === e.id)
          ? []
          : row(`${right.name}, ${e.name}`, sewnLength(right, e.id), sewnLength(left, e.id)),
      ),
      ...right.lines.flatMap((l) => {
        const other = left.lines.find((o) => o.id === l.id);
        return other
          ? row(`${right.name} at the ${l.name}`, sewnWidthAt(right, l.y), sewnWidthAt(left, other.y))
          : [];
      }),
    ];
  });
}

/** Halves that meet on the fold, or in a seam at the centre, are as long there as each other. */
export function centreChecks(halves: Halves): RawCheck[] {
  return unlike(halves).flatMap(({ right, left }) => {
    const id = right.across.centre;
    if (!isMain(right) || !/centre/.test(id) || !left.edges.some((e) => e.id === id)) return [];
    const [a, b] = [edgeLength(right, id), edgeLength(left, id)];
    if (Math.abs(a - b) < SAME) return [];
    return [
      judge(
        Math.abs(a - b) <= CENTRE_APART,
        `sides-centre-${right.id}`,
        null,
        `The ${right.name} is ${say(cm(a))} long at its ${edgeOf(right, id).name} on the right and ${say(cm(b))} on the left. ${Math.abs(a - b) <= CENTRE_APART ? 'What they differ by is eased in.' : 'They cannot be sewn to one line: balance them at the fitting, or read both sides again.'}`,
      ),
    ];
  });
}

/**
 * Whether a half, drawn with its centre at the left, is cut with the right side of the cloth up to be this side's. Seen from
 * outside, a back's right half lies to the right of its centre; of a front, a leg's front and a sleeve (its front at the
 * left) it is the left one. Linings and facings are seen from inside: the other way round.
 */
export function liesUp(p: Panel, side: 'right' | 'left'): boolean {
  const outside = p.share === 'collar' || faceOf(p) === 'back' ? 'right' : 'left';
  const within = p.layer === 'lining' || isFacing(p);
  return (outside === side) !== within;
}

const sided = (p: Panel, side: 'right' | 'left'): Panel => ({
  ...p,
  id: side === 'left' ? `${p.id}-left` : p.id,
  name: `${p.name}, ${side}`,
  cut: 'single',
  count: p.cut === 'fold' ? p.count : p.count / 2,
  ...(p.layer === 'interfacing' ? {} : { up: liesUp(p, side) }),
  note: [
    p.note,
    p.cut === 'fold' ? 'joins the other half at the centre line, which is no seam' : '',
    p.layer === 'interfacing' ? '' : `right side of the cloth ${liesUp(p, side) ? 'up' : 'down'}, as drawn`,
  ]
    .filter(Boolean)
    .join('; '),
});

/** All panels, where the sides are not alike each for its side: the right's in place, the left's beside it. */
export function bySide<P extends Panel>({ right, left }: { right: readonly P[]; left: readonly P[] }): P[] {
  if (left === right) return [...right];
  const other = new Map(left.map((p) => [p.id, p]));
  const apart = new Set(unlike({ right, left }).map((u) => u.right.id));
  return right.flatMap((p) =>
    apart.has(p.id) ? [sided(p, 'right') as P, sided(other.get(p.id)!, 'left') as P] : [p],
  );
}

/** The cut list with a line for each side where they are not alike; what lay on the fold is cut opened out. */
export function sidePieces(
  pieces: readonly Piece[],
  halves: Halves,
  was: readonly Panel[],
  rounding: HouseRounding,
): Piece[] {
  const apart = new Map(unlike(halves).map((u) => [u.right.id, u]));
  const shared = new Map(halves.right.flatMap((p, i) => (p !== was[i] ? [[p.id, p]] : [])));
  return pieces.flatMap((piece): Piece[] => {
    const anew = shared.get(piece.panel);
    if (anew) return [{ ...piece, ...pieceOf(anew, rounding) }];
    const u = apart.get(piece.panel);
    if (!u) return [piece];
    const [r, l] = (['right', 'left'] as const).map((side) => ({
      ...piece,
      ...pieceOf(sided(u[side], side), rounding),
    })) as [Piece, Piece];
    if (u.right.cut !== 'fold') return [r, l];
    return [
      {
        ...piece,
        folded: false,
        cut: 'opened out',
        width: r.width === null || l.width === null ? null : cm(r.width + l.width),
        length: r.length === null || l.length === null ? null : cm(Math.max(r.length, l.length)),
        why: `Right half: ${r.why} Left half: ${l.why}`,
        note: [piece.note, 'right and left half are not alike: both are drawn, joined at the centre line']
          .filter(Boolean)
          .join('; '),
      },
    ];
  });
}

/** Figures that count both halves, by the ends of their ids. */
const ROUND = /\.neck-round$|\.edge-round$|\.band-length$|^(skirt|bodice|top|overskirt)\.hem$/;

/** The figures of the right half; where the left's is another, it is told, and what goes round both counts both. */
export function sideFigures(right: readonly Figure[], left: readonly Figure[]): Figure[] {
  const other = new Map(left.map((f) => [f.id, f]));
  return right.map((f) => {
    const l = other.get(f.id);
    if (f.finished === null || l?.finished == null) return f;
    const marked = (x: Figure) => x.marked ?? x.finished!;
    const by = marked(l) - marked(f);
    if (Math.abs(by) < SAME || Math.abs(l.finished - f.finished) < 2 * SAME) return f;
    if (!ROUND.test(f.id))
      return {
        ...f,
        note: f.note.endsWith('.')
          ? `${f.note} Left ${say(marked(l))}.`
          : [f.note, `left ${say(marked(l))}`].filter(Boolean).join('; '),
      };
    const half = cm((l.finished - f.finished) / 2);
    return {
      ...f,
      terms: [
        ...f.terms,
        {
          kind: 'style',
          label: 'for the left half',
          cm: half,
          because: `Its own half is ${say(cm(Math.abs(half)))} ${half < 0 ? 'less' : 'more'}: the sides are not alike.`,
        },
      ],
      finished: cm(f.finished + half),
      marked: f.marked === null ? null : cm(f.marked + by / 2),
    };
  });
}
