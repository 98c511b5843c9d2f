import { startOf } from '../draft/curve.ts';
import { edgeLength, sewnLength, sewnWidthAt } from '../draft/measure.ts';
import { isA, lineOf, type Panel } from '../draft/panel.ts';
import type { Figure } from '../figure/figure.ts';
import { type Carried, carrying, type Drafts, type Moved, type TakenAs } from '../garment/carried.ts';
import { faceOf, isMain, kindOf, perHalf, type SeamKind } from '../garment/seams.ts';
import { type Cm, cm } from '../units/length.ts';
import { alike, applyAlteration, type Halves } from './apply.ts';
import type { Asked } from './asked.ts';
import { measuredBy } from './effect.ts';
import { CannotAlter } from './refusal.ts';

/** A change below this is none, cm. */
const NOTHING = 0.05;

/** Whether a kind changes panels, so that it belongs on the sheet while the cloth is not cut. */
export const isForSheet = (kind: Asked['kind']): boolean => kind.moves.length > 0;

/** A change agreed at a fitting, as a sheet takes it in. */
export function carriedChange(
  asked: Asked,
  { sentence, by, at }: Pick<Carried, 'sentence' | 'by' | 'at'>,
): Carried {
  const onPanels = (halves: Halves) => applyAlteration(halves, asked, false);
  return { sentence, by, at, plan: carrying, way: (bare) => wayOf(asked, bare, onPanels), onPanels, readOff };
}

/** How a change goes into a garment: by its figures where they say all of it, else on the panels. */
function wayOf(asked: Asked, bare: Drafts, onPanels: Carried['onPanels']): TakenAs {
  if (bare.panels.length === 0) return { is: 'none', why: 'Nothing is drafted yet. Measure first.' };
  // The figures are both halves’: what is done on one of them is done on its panels.
  const oneSided = asked.side !== 'both' || (asked.legs && differ(asked.legs.left, asked.legs.right));
  const adds = oneSided ? null : figuresOf(asked, bare, onPanels);
  if (adds !== null && adds.size > 0) return { is: 'figures', adds };
  try {
    onPanels(alike(bare.panels));
    return { is: 'panels' };
  } catch (error) {
    if (!(error instanceof CannotAlter)) throw error;
    return { is: 'none', why: error.message };
  }
}
const differ = (a: object, b: object) => JSON.stringify(a) !== JSON.stringify(b);

/** Nothing said but how much: then a figure of the sheet says the same. */
export const isPlain = ({ run, part, frontShare, legs }: Asked): boolean =>
  part === null &&
  frontShare === null &&
  !legs &&
  [run.begins, run.fullFrom, run.fullTo, run.zero].every((x) => x === null);

/**
 * A girth all along its side seams is the same as so much less at every body line; where more than the sides take it, a
 * new draft would share it out otherwise than it was pinned.
 */
const isGirth = (asked: Asked, panels: readonly Panel[]): boolean =>
  asked.kind.id === 'side-seams' &&
  asked.face === null &&
  !panels.some((p) => p.edges.some((e) => ['princess', 'outer', 'inner'].includes(e.id)));
/** Kinds that are one length of the sheet: the figures by the ends of their ids, and whether more makes them longer. */
const LENGTHS: Readonly<Record<string, { readonly figures: readonly RegExp[]; readonly sign: 1 | -1 }>> = {
  'sleeve-length': { figures: [/^sleeve[^.]*\.length$/, /^top\.span-half$/], sign: 1 },
  'armhole-lower': { figures: [/\.armhole-depth$/], sign: -1 },
  'armhole-raise': { figures: [/\.armhole-depth$/], sign: -1 },
  'trouser-rise': { figures: [/^trousers\.crotch-depth$/], sign: 1 },
  'bust-level': { figures: [/^bodice\.bust-level$/], sign: -1 },
  'dart-place': { figures: [/\.dart-(front|back)(-2)?-place$/], sign: 1 },
};
const HEMS = new Set(['hem-straight', 'hem-flared', 'hem-levelled', 'hem-uneven']);
const HEM_MARKS = [
  [/\.hem-front$/, 'front'],
  [/\.hem-left$/, 'left'],
  [/\.hem-right$/, 'right'],
  [/\.hem-back$/, 'back'],
] as const;
/** One length for the whole hem, where a part has no more. */
const WHOLE_HEM = /^(top|overskirt)\.length$|^bodice\.below$|^trousers\.inseam$/;

/** What a change adds to the figures of a sheet; null where they do not say all of it. */
function figuresOf(
  asked: Asked,
  { figures, panels }: Drafts,
  onPanels: Carried['onPanels'],
): ReadonlyMap<string, Cm> | null {
  const { kind, direction, amount, face, hem } = asked;
  if (!isPlain(asked)) return null;
  const settable = (f: Figure) => f.settable.includes('finished') && f.finished !== null;
  const by = amount === null ? null : amount * direction.sign;
  if (HEMS.has(kind.id)) return hemFigures(asked, figures.filter(settable));
  if (isGirth(asked, panels)) {
    const before = alike(panels);
    return girthsMoved(before, onPanels(before), figures);
  }
  if (kind.id === 'neckline-lower' || kind.id === 'neckline-raise') {
    const own = figures.filter(
      (f) => settable(f) && /\.neck-(front|back)$/.test(f.id) && (face === null || f.id.endsWith(face)),
    );
    // An upper edge without shoulders is no neckline: it is drawn on its panels.
    return by === null ? null : new Map(own.map((f) => [f.id, cm(-by)]));
  }
  const length = LENGTHS[kind.id];
  if (!length || by === null || face !== null || hem) return null;
  const own = figures.filter((f) => settable(f) && length.figures.some((r) => r.test(f.id)));
  return own.length === 0 ? null : new Map(own.map((f) => [f.id, cm(by * length.sign)]));
}

function hemFigures(
  { amount, direction, hem, face }: Asked,
  figures: readonly Figure[],
): Map<string, Cm> | null {
  if (face !== null) return null;
  const adds = new Map<string, Cm>();
  for (const f of figures) {
    const at = HEM_MARKS.find(([r]) => r.test(f.id))?.[1];
    if (at) adds.set(f.id, cm((hem ? hem[at] : amount!) * direction.sign));
  }
  const even = hem ? Object.values(hem).every((m) => Math.abs(m - hem.front) < 1e-9) : true;
  const whole = figures.filter((f) => WHOLE_HEM.test(f.id));
  if (whole.length > 0 && !even) return null;
  for (const f of whole) adds.set(f.id, cm((hem ? hem.front : amount!) * direction.sign));
  return adds;
}

/** The body lines that a girth’s change moves, each by as much as it is measured to. */
function girthsMoved(before: Halves, after: Halves, figures: readonly Figure[]): Map<string, Cm> | null {
  const adds = new Map<string, Cm>();
  for (const [id, m] of readOff(before, after, figures)) {
    const f = figures.find((x) => x.id === id)!;
    if (f.group !== 'girth' || f.section !== 'body') continue;
    if (!f.settable.includes('finished')) return null;
    adds.set(id, m.by);
  }
  return adds;
}

/** One that is of one half is measured on the right one. */
type Measure = (halves: Halves) => number | null;
/** The sewn length of all edges of a kind on one half, cm; null where there is none. */
const edges =
  (part: string, kind: SeamKind, face: 'front' | 'back' | null = null, flat = false): Measure =>
  ({ right }) => {
    let [sum, any] = [0, false];
    for (const p of right) {
      if (!isMain(p) || p.id.split('.')[0] !== part || (face !== null && faceOf(p) !== face)) continue;
      for (const e of p.edges)
        if (kindOf(p, e) === kind) {
          any = true;
          sum += (flat ? edgeLength(p, e.id) : sewnLength(p, e.id)) * perHalf(p);
        }
    }
    return any ? sum : null;
  };
/** What goes round both halves. */
const round =
  (m: Measure): Measure =>
  ({ right, left }) => {
    const [a, b] = [m(alike(right)), m(alike(left))];
    return a === null || b === null ? null : a + b;
  };
const ofPanel =
  (id: RegExp, m: (p: Panel) => number | null): Measure =>
  ({ right }) => {
    const p = right.find((q) => id.test(q.id) && q.layer === 'outer');
    return p ? m(p) : null;
  };
/** The sewn length of an edge over every panel of a face that has it: what lies above a seam across with the rest. */
const along =
  (part: string, face: 'front' | 'back', edge: string): Measure =>
  ({ right }) => {
    const own = right.flatMap((p) =>
      isMain(p) && p.id.split('.')[0] === part && p.share === face ? (onEdge(edge)(p) ?? []) : [],
    );
    return own.length > 0 ? own.reduce((a, b) => a + b, 0) : null;
  };
const onEdge = (edge: string) => (p: Panel) =>
  p.edges.some((e) => e.id === edge && e.path.length > 0) ? sewnLength(p, edge) : null;

/** How a figure that is read off panels is measured, by the end of its id; `p` is its part. */
const MEASURES: readonly (readonly [end: RegExp, (p: string) => Measure])[] = [
  [/\.side-seam$|\.outseam$/, (p) => edges(p, 'side', 'front')],
  [/\.armhole-round$/, (p) => edges(p, 'armhole')],
  [/\.neck-round$/, (p) => round(edges(p, 'neck'))],
  [/\.edge-round$/, (p) => round(edges(p, 'upper'))],
  [/^skirt\.hem$|^bodice\.hem$|^top\.hem$|^overskirt\.hem$/, (p) => round(edges(p, 'hem'))],
  [/^trousers\.hem$/, (p) => edges(p, 'hem')],
  [/\.leg-round$/, (p) => edges(p, 'leg')],
  [/\.waist-line-front$/, (p) => edges(p, 'waist', 'front', true)],
  [/\.waist-line-back$/, (p) => edges(p, 'waist', 'back', true)],
  [/\.shoulder$/, (p) => edges(p, 'shoulder', 'front')],
  [/\.shoulder-back$/, (p) => edges(p, 'shoulder', 'back', true)],
  [/\.centre-back-length$/, (p) => along(p, 'back', 'centre')],
  [/\.hem-front$/, (p) => along(p, 'front', 'centre')],
  [/\.crotch-seam$/, (p) => edges(p, 'crotch')],
  [/\.inseam$/, (p) => edges(p, 'inseam', 'front')],
  [/^sleeve[^.]*\.cap-round$/, (p) => edges(p, 'cap')],
  [/^sleeve[^.]*\.underarm$/, (p) => ofPanel(new RegExp(`^${p}\\.sleeve$`), onEdge('underarm'))],
  [/^sleeve[^.]*\.end$/, (p) => edges(p, 'wrist')],
  [/\.gore-waist$/, (p) => ofPanel(new RegExp(`^${p}\\.gore$`), onEdge('waist'))],
  [/\.band-length$/, (p) => bandOf(p)],
  [/\.bone-front$/, (p) => ofPanel(new RegExp(`^${p}\\.front-centre$`), onEdge('outer'))],
  [/\.bone-side$/, (p) => ofPanel(new RegExp(`^${p}\\.front-side$`), onEdge('side'))],
  [/\.bone-back$/, (p) => ofPanel(new RegExp(`^${p}\\.back-centre$`), onEdge('outer'))],
  [/\.bone-centre-back$/, (p) => ofPanel(new RegExp(`^${p}\\.back-centre$`), onEdge('inner'))],
  [
    /\.neck-half$/,
    (p) =>
      ({ right }) => {
        const bears = (q: Panel) => q.edges.find((e) => e.id === 'shoulder' && e.path.length > 0);
        const q = right.find(
          (x) => isMain(x) && x.id.startsWith(`${p}.front`) && !isA(x, 'side') && bears(x),
        );
        return q ? startOf(bears(q)!.path[0]!)[0] : null;
      },
  ],
  [/\.dart-front-intake$/, (p) => ofPanel(new RegExp(`^${p}\\.front$`), firstDart)],
  [/\.dart-back-intake$/, (p) => ofPanel(new RegExp(`^${p}\\.back$`), firstDart)],
  [
    /\.bust-dart-intake$/,
    (p) =>
      ofPanel(
        new RegExp(`^${p}\\.front$`),
        (q) =>
          q.darts.find((d) => d.figure.endsWith('bust-dart-intake') || d.id.endsWith('bust-dart'))?.intake ??
          null,
      ),
  ],
];
/** A band goes round both halves: where they are not alike it is as long as the mean of what each would have. */
const bandOf = (part: string): Measure => {
  const one = ofPanel(new RegExp(`^${part}\\.band$`), (q) => edgeLength(q, q.across.centre));
  return (h) => {
    const both = round(one)(h);
    return both === null ? null : both / 2;
  };
};
function firstDart(p: Panel): number | null {
  return p.darts.find((d) => d.edge === 'waist')?.intake ?? p.inner?.[0]?.intake ?? null;
}

/** What of the figures that are read off panels moved between two states of them: each by its own measure. */
export function readOff(before: Halves, after: Halves, figures: readonly Figure[]): Map<string, Moved> {
  const [was, is] = [measuredBy(before), measuredBy(after)];
  const out = new Map<string, Moved>();
  /** A line that a seam lies on is measured there. */
  const idOf = (m: ReadonlyMap<string, Cm>, line: string) =>
    m.has(line)
      ? line
      : ['bodice', 'skirt', 'trousers'].map((part) => `${part}.${line}`).find((id) => m.has(id));
  for (const f of figures) {
    if (f.finished === null) continue;
    if (f.section === 'body' && f.group === 'girth') {
      const id = idOf(was, f.id);
      const [a, b] = id ? [was.get(id), is.get(id)] : [];
      if (a == null || b == null || Math.abs(b - a) < NOTHING) continue;
      out.set(f.id, {
        by: cm(b - a),
        shares: sharesMoved(before.right, after.right, f),
        ...(before.left === before.right && after.left === after.right
          ? {}
          : { leftShares: sharesMoved(before.left, after.left, f) }),
      });
      continue;
    }
    const row = MEASURES.find(([end]) => end.test(f.id));
    const id = f.id.split('.')[0]!;
    const measure = row?.[1](id) ?? (was.has(f.id) ? (h: Halves) => measuredBy(h).get(f.id) ?? null : null);
    const [a, b] = [measure?.(before) ?? null, measure?.(after) ?? null];
    if (a === null || b === null || Math.abs(b - a) < NOTHING) continue;
    out.set(f.id, { by: cm(b - a) });
  }
  return out;
}

/** What front and back of a girth moved by, each quarter, cm. */
function sharesMoved(before: readonly Panel[], after: readonly Panel[], f: Figure): Record<string, Cm> {
  const width = (panels: readonly Panel[], face: 'front' | 'back') =>
    panels
      .filter((p) => isMain(p) && faceOf(p) === face && p.share !== 'sleeve')
      .reduce((n, p) => {
        if (p.edges.some((e) => e.id === 'waist' && lineOf(e) === f.id)) return n + sewnLength(p, 'waist');
        const line = [...p.lines, ...(p.levels ?? [])].find((l) => l.id === f.id);
        return n + (line ? (sewnWidthAt(p, line.y) ?? 0) : 0);
      }, 0);
  return Object.fromEntries(
    (['front', 'back'] as const).flatMap((face) =>
      f.shares.some((s) => s.panel === face) ? [[face, cm(width(after, face) - width(before, face))]] : [],
    ),
  );
}
