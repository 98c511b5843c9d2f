import {
  directionAt,
  endOf,
  mapped,
  type Point,
  reversed,
  type Segment,
  startOf,
} from '../../../draft/curve.ts';
import { edgeLength, pointAlong, sewnLength } from '../../../draft/measure.ts';
import { edge, edgeOf, type Panel } from '../../../draft/panel.ts';
import { seamThrough, straight } from '../../../draft/shape.ts';
import { buildFigure, markedGirth, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { oblong } from '../../common/oblong.ts';
import { onPanel } from '../../common/on-panel.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import type { Face } from '../../tables/darts.ts';
import type { BonedValues } from './fields.ts';
import { type Held, heldBy, heldPlaces, withStraps } from './held.ts';
import { type BonedPlan, planBoned, readFirm } from './plan.ts';

/** A bone is this much shorter than its finished seam, cm (common practice). */
const BONE_SHORTER = 1.2;
/** A waist stay laps by this for its hook, cm (common practice). */
const STAY_LAP = 3;
/** The back's seam lies at this part of its width (common practice). */
const BACK_SEAM = 0.48;
/** The upper edge is drawn in by this against the bust line, per quarter, cm, where it was not read (common practice). */
const EDGE_IN = 0.5;

/** What the cutter calls them. */
const NAMES = {
  'front-centre': 'centre front',
  'front-side': 'side front',
  'back-side': 'side back',
  'back-centre': 'centre back',
} as const;
type PanelId = 'front-centre' | 'front-side' | 'back-side' | 'back-centre';
const FACE = {
  'front-centre': 'front',
  'front-side': 'front',
  'back-side': 'back',
  'back-centre': 'back',
} as const;
const AT = {
  'front-centre': 'centre',
  'front-side': 'side',
  'back-side': 'side',
  'back-centre': 'centre',
} as const;
export const PANEL_IDS: readonly PanelId[] = ['front-centre', 'front-side', 'back-side', 'back-centre'];

export interface Bone {
  readonly seam: string;
  readonly count: number;
  readonly figure: Figure;
}
export interface BonedDraft extends Drafted {
  readonly plan: BonedPlan;
  readonly shaped: Readonly<Record<PanelId, Panel>> | null;
  readonly bones: readonly Bone[];
  readonly stay: Figure;
  readonly gap: Figure | null;
  readonly measured: readonly Figure[];
  readonly held: Held;
  /** how far each pair of seams is apart, cm */
  readonly seams: readonly {
    readonly name: string;
    readonly figure: string;
    readonly a: Cm;
    readonly b: Cm;
  }[];
}

/** Widths of one face at its levels, from the top down, and where its inner seam divides them. */
interface Level {
  readonly height: number;
  readonly width: number;
  readonly inner: number;
}

/** What stays open when it is laced; null where it closes. `least`: the narrowest quarter of the back, cm. */
const gapFigure = (c: PartContext, v: BonedValues, least: number) =>
  c.closes === 'lacing' && v.gap > 0
    ? buildFigure(c, {
        id: c.id('gap'),
        section: c.key,
        name: 'lacing gap',
        group: 'opening' as const,
        tolerance: TOLERANCE.detail,
        terms: [term('style', 'from the brief', v.gap, 'What stays open when it is laced.')],
        follows: (x) =>
          x < 0
            ? 'Enter a gap of 0 or more.'
            : x / 2 < least / 2
              ? null
              : `A gap of ${p(x)} leaves nothing to lace: half of it lies in a back of ${p(cm(least))}.`,
      })
    : null;

/** A boned bodice as cut, cm: its panels, bones, stay and lacing gap; no panels while a figure is absent. */
export function draftBoned(c: PartContext, v: BonedValues): BonedDraft {
  const plan = planBoned(c, v);
  const m = plan.marked;
  const [bust, under, waist] = [c.line('bust'), c.line('underbust'), c.line('waist')];
  const stay = stayFigure(c, v);
  const least = Math.min(...[bust, under, waist].flatMap((l) => l?.back?.rounded ?? []));
  const gap = gapFigure(c, v, least);
  const none: BonedDraft = {
    panels: [],
    sewn: { waist: null },
    places: () => [],
    plan,
    shaped: null,
    bones: [],
    stay,
    gap: gap && { ...gap, group: 'length' },
    measured: [],
    seams: [],
    held: { figures: [], panels: [], behind: null },
  };
  if (!m || !bust?.front || !bust.back || !under?.front || !under.back || !waist?.front || !waist.back)
    return none;
  const heights = [m.front, m.bust, m.underbust, 0];
  if (heights.some((h, i) => i > 0 && heights[i - 1]! - h < 1.5) || m.side < 2 || m.back < 2) return none;
  const lower = m.below > 0 ? lowerWidths(c, m.below) : null;
  const open = (gap?.marked ?? 0) / 2;
  const levels = (face: Face): Level[] => {
    const ratio = face === 'front' ? m.apex / bust.front!.rounded : BACK_SEAM;
    const at = (height: number, width: number): Level => ({
      height,
      width,
      inner: width * Math.min(0.75, ratio),
    });
    const off = face === 'back' ? open : 0;
    return [
      at(m.front, edgeWidth(c, bust[face]!.rounded) - off),
      at(m.bust, bust[face]!.rounded - off),
      at(m.underbust, under[face]!.rounded - off),
      at(0, waist[face]!.rounded - off),
      ...(lower ? [at(-m.below, lower[face] - off)] : []),
    ];
  };
  const tops = {
    centre: m.front - v.dip,
    princess: m.front,
    side: m.side,
    blade: (m.side + m.back) / 2,
    back: m.back,
  };
  const [f, b] = [levels('front'), levels('back')];
  const rises = edgeRises(tops, f[0]!, b[0]!);
  const held = heldBy(c, v, { front: m.front, back: m.back });
  const drawn: Record<PanelId, Panel> = {
    'front-centre': panelOf(c, 'front-centre', f, 'inner', [tops.centre, tops.princess], [0, rises.princess]),
    'front-side': panelOf(
      c,
      'front-side',
      f,
      'outer',
      [tops.princess, tops.side],
      [rises.princess, rises.side],
    ),
    // From the back they are walked the other way: what rises there falls here.
    'back-side': panelOf(c, 'back-side', b, 'outer', [tops.blade, tops.side], [-rises.blade, -rises.side]),
    'back-centre': panelOf(c, 'back-centre', b, 'inner', [tops.back, tops.blade], [0, -rises.blade]),
  };
  const shaped = withStraps(v, drawn, held.behind);
  const all = PANEL_IDS.map((id) => shaped[id]);
  const seam = (id: PanelId, e: string) => edgeLength(shaped[id], e);
  const seams = [
    {
      name: 'princess seams',
      figure: 'bone-front',
      a: seam('front-centre', 'outer'),
      b: seam('front-side', 'inner'),
    },
    {
      name: 'side seams',
      figure: 'bone-side',
      a: seam('front-side', 'side'),
      b: seam('back-side', 'side'),
    },
    {
      name: 'back seams',
      figure: 'bone-back',
      a: seam('back-centre', 'outer'),
      b: seam('back-side', 'inner'),
    },
  ];
  const bones: Bone[] = [
    ...seams.map((s) => ({
      seam: s.name,
      count: 2,
      figure: boneFigure(c, s.figure, s.name, Math.min(s.a, s.b)),
    })),
    {
      seam: 'centre back edges',
      count: 2,
      figure: boneFigure(c, 'bone-centre-back', 'centre back edges', seam('back-centre', 'inner')),
    },
  ];
  const sewnWaist = cm(2 * (widthAtWaist(f) + widthAtWaist(b)) + (c.closes === 'lacing' ? 2 * open : 0));
  const layersOf: Panel[] = [
    ...(v.underlined ? all.map((q) => layer(q, 'underlining')) : []),
    ...(c.input.brief.lining ? all.map((q) => layer(q, 'lining')) : []),
  ];
  const edgeRound = cm(2 * all.reduce((sum, q) => sum + edgeLength(q, 'top'), 0));
  return {
    panels: [
      ...all,
      ...(c.closes === 'lacing' ? [lacingPlacket(c, seam('back-centre', 'inner'), 2 * open)] : []),
      ...held.panels,
      ...layersOf,
    ],
    sewn: { waist: m.below > 0 ? null : sewnWaist },
    opensAbove: c.opens === 'left-side' ? m.side : m.back,
    ...(m.below > 0
      ? { opensAtLeast: { depth: m.below, because: 'It opens all the way: nothing has to pass through it.' } }
      : {}),
    places: () => [...placesOf(c, shaped, m.below > 0), ...heldPlaces(c, held, shaped['back-centre'])],
    plan,
    shaped,
    bones,
    stay,
    gap: gap && { ...gap, group: 'length' },
    measured: [onPanel(c, 'edge-round', 'upper edge, sewn', edgeRound)],
    seams,
    held,
  };
}

const widthAtWaist = (levels: readonly Level[]) => levels.find((l) => l.height === 0)!.width;

/** The quarter's width at the upper edge: as it was read round there, else a little less than the bust line. */
function edgeWidth(c: PartContext, bust: number): number {
  const read = c.measured.get('top-edge')?.net;
  const line = c.line('bust')!;
  const round = markedGirth(line.figure);
  return read == null || round === null ? bust - EDGE_IN : Math.min(bust, (read * bust) / round);
}

/** The quarter's width at the lower edge: between the lines that lie above and below it. */
function lowerWidths(c: PartContext, below: number): Record<Face, number> {
  const lines = (['waist', 'tummy', 'hip'] as const)
    .map((z) => c.line(z))
    .filter((l) => l?.front && l.back && l.level !== null)
    .sort((x, y) => x!.level! - y!.level!);
  const of = (face: Face): number => {
    const i = lines.findIndex((l) => l!.level! >= below);
    if (i <= 0) return lines.at(i < 0 ? -1 : 0)![face]!.rounded;
    const [a, b] = [lines[i - 1]!, lines[i]!];
    return (
      a[face]!.rounded +
      ((b[face]!.rounded - a[face]!.rounded) * (below - a.level!)) / (b.level! - a.level! || 1)
    );
  };
  return { front: of('front'), back: of('back') };
}

/**
 * One panel from its levels. An inner one begins at the centre, an outer one lies about its own middle, so that half of
 * what the face gives up is taken by each of its seams.
 * @param tops heights of the upper edge at its inner and its outer seam
 * @param rises how the upper edge rises there, outward, for each cm square to the seam
 */
function panelOf(
  c: PartContext,
  id: PanelId,
  levels: readonly Level[],
  which: 'inner' | 'outer',
  [innerTop, outerTop]: readonly [number, number],
  rises: readonly [number, number],
): Panel {
  const a = c.allowances;
  const top = Math.max(innerTop, outerTop);
  const width = (l: Level) => (which === 'inner' ? l.inner : l.width - l.inner);
  const y = (height: number) => top - height;
  // A panel is as wide above its highest level as there.
  const widths = (height: number): number => {
    const i = levels.findIndex((l) => l.height <= height);
    if (i <= 0) return width(levels.at(i)!);
    const [u, w] = [levels[i - 1]!, levels[i]!];
    return width(w) + ((width(u) - width(w)) * (height - w.height)) / (u.height - w.height);
  };
  const edgeAt = (height: number, side: 'left' | 'right'): Point => {
    const w = widths(height);
    const x = which === 'inner' ? (side === 'left' ? 0 : w) : side === 'left' ? -w / 2 : w / 2;
    return [x, y(height)];
  };
  const path = (from: number, side: 'left' | 'right'): Segment[] => {
    const inside = levels.filter((l) => l.height < from - 0.3);
    return seamThrough([edgeAt(from, side), ...inside.map((l) => edgeAt(l.height, side))]);
  };
  const right = path(outerTop, 'right');
  const centred = which === 'inner';
  const foot = levels.at(-1)!.height;
  const left: Segment[] = centred ? straight([0, y(innerTop)], [0, y(foot)]) : path(innerTop, 'left');
  const fold = id === 'front-centre';
  const upper = upperEdge(left[0]!, right[0]!, rises);
  const seamAllowance = a.side;
  const isBack = id === 'back-centre';
  return {
    id: c.id(id),
    name: NAMES[id],
    share: FACE[id],
    is: [AT[id]],
    layer: 'outer',
    cut: fold ? 'fold' : 'pair',
    count: fold ? 1 : 2,
    grain: 'lengthwise, square to the waist',
    edges: [
      edge('top', 'upper edge', [upper], a.neck),
      edge(
        outerId(id),
        AT[id] === 'side' ? 'side seam' : 'seam',
        right,
        AT[id] === 'side' && c.opens === 'left-side' ? cm(Math.max(a.side, a.zip)) : seamAllowance,
      ),
      edge(
        foot === 0 ? 'waist' : 'lower',
        foot === 0 ? 'waist' : 'lower edge',
        straight(endOf(right.at(-1)!), endOf(left.at(-1)!)),
        c.below ? a.waist : a.neck,
      ),
      edge(
        'inner',
        fold ? 'centre front' : isBack ? 'centre back' : 'seam',
        reversed(left),
        fold ? cm(0) : isBack && c.opens === 'centre-back' ? a.zip : seamAllowance,
        { fold },
      ),
    ],
    darts: [],
    // No body line lies off its panel, and no notch off its seam.
    lines: levels.slice(1).flatMap((l, i) =>
      l.height > top - 0.1
        ? []
        : [
            {
              id: (['bust', 'underbust', 'waist', 'below'] as const)[i]!,
              name: (['bust', 'under bust', 'waist', 'lower edge'] as const)[i]!,
              y: cm(y(l.height)),
            },
          ],
    ),
    marks: levels
      .slice(1, 4)
      .filter((l) => l.height < outerTop - 0.1)
      .map((l) => ({ kind: 'notch' as const, name: 'level', at: edgeAt(l.height, 'right') })),
    across: { centre: 'inner', side: outerId(id) },
    note: id === 'back-centre' && c.closes === 'lacing' ? 'eyelets along the centre back' : '',
  };
}

/** How the upper edge rises at each seam that it crosses, walked from the centre front to the back: one fair line, level at both centres, never past a height (Fritsch–Carlson slopes). */
function edgeRises(
  tops: {
    readonly centre: number;
    readonly princess: number;
    readonly side: number;
    readonly blade: number;
    readonly back: number;
  },
  front: Level,
  back: Level,
) {
  const heights = [tops.centre, tops.princess, tops.side, tops.blade, tops.back];
  const wide = [front.inner, front.width - front.inner, back.width - back.inner, back.inner];
  const slope = (i: number) => (heights[i + 1]! - heights[i]!) / Math.max(1, wide[i]!);
  const at = (i: number) => {
    const [a, b] = [slope(i - 1), slope(i)];
    return a * b <= 0 ? 0 : (2 * a * b) / (a + b);
  };
  return { princess: at(1), side: at(2), blade: at(3) };
}

/** The upper edge from one seam to the next: it crosses each as it does on the panel beyond, whichever way that seam leans. */
function upperEdge(inner: Segment, outer: Segment, rises: readonly [number, number]): Segment {
  const [a, b] = [startOf(inner), startOf(outer)];
  const third = Math.hypot(b[0] - a[0], b[1] - a[1]) / 3;
  const way = (seam: Segment, rise: number): Point => {
    const [x, y] = directionAt(seam, 0);
    const turn = Math.atan(rise);
    // Square to the seam, outward, and up by what it rises.
    const [u, v] = [y, -x];
    return [u * Math.cos(turn) + v * Math.sin(turn), v * Math.cos(turn) - u * Math.sin(turn)];
  };
  const [from, to] = [way(inner, rises[0]), way(outer, rises[1])];
  return [
    a,
    [a[0] + from[0] * third, a[1] + from[1] * third],
    [b[0] - to[0] * third, b[1] - to[1] * third],
    b,
  ];
}

/** A placket behind a lacing is wider than its gap by this, and no narrower than this, cm (common practice: 8 to 12). */
const PLACKET = { beyond: 6, least: 9 } as const;
/** What lies between lacing and body, sewn to one of its edges. */
function lacingPlacket(c: PartContext, length: Cm, gap: number): Panel {
  const a = c.allowances;
  const w = c.stepped(cm(Math.max(PLACKET.least, gap + PLACKET.beyond)));
  return oblong(
    {
      id: c.id('lacing-placket'),
      name: 'placket behind the lacing',
      share: 'placket',
      count: 2,
      grain: 'lengthwise',
      note: 'two layers, sewn to the left edge beneath the eyelets',
    },
    [w, length],
    [
      ['top', 'upper edge', a.neck],
      ['free', 'free edge', a.facing],
      ['lower', 'lower edge', a.neck],
      ['inner', 'seam', a.side],
    ],
  );
}

const layer = (q: Panel, kind: 'underlining' | 'lining'): Panel => ({
  ...q,
  id: `${q.id}-${kind}`,
  name: `${q.name} ${kind}`,
  layer: kind,
  note:
    kind === 'lining'
      ? 'covers the channels of the bones'
      : 'underlining: cut as the outer, the channels are sewn on it',
});

function boneFigure(c: PartContext, id: string, seam: string, length: number): Figure {
  return buildFigure(c, {
    id: c.id(id),
    section: c.key,
    name: `bone, ${seam}`,
    group: 'length',
    tolerance: TOLERANCE.detail,
    terms: [
      term('body', 'finished seam', length, 'Measured on the panels.'),
      term('take', 'shorter', -BONE_SHORTER, 'So that it does not push at either end (common practice).'),
    ],
    marked: roundLength(cm(length - BONE_SHORTER), { ...c.rounding, mode: 'down' }),
    follows: (x) =>
      x > 0 && x <= length - 0.5
        ? null
        : `A bone in a seam of ${p(cm(length))} leaves half a centimetre at least.`,
  });
}

function stayFigure(c: PartContext, v: BonedValues): Figure {
  const waist = c.measured.get('waist')?.net ?? null;
  const off = v.reduction > 0 && !readFirm(c.measured) ? v.reduction : 0;
  return buildFigure(c, {
    id: c.id('stay'),
    section: c.key,
    name: 'waist stay',
    group: 'band',
    nearest: true,
    known: waist !== null,
    terms: [
      term('body', 'waist', waist ?? 0, 'On the body: the stay carries the garment, not its seams.'),
      ...(off > 0 ? [term('take', 'drawn in', -off, 'As agreed.')] : []),
      term('add', 'overlap', STAY_LAP, 'For its hooks (common practice).'),
    ],
    follows: (x) => (x > 0 ? null : 'Enter a length over 0.'),
  });
}

/** The outer edge of a panel: the side seam of the garment, or a seam of its face. */
const outerId = (id: PanelId) => (AT[id] === 'side' ? 'side' : 'outer');

/** A panel moved to where it is worn, waist at y 0. */
export const asWorn = (q: Panel, dx: number) => {
  const waist = q.lines.find((l) => l.id === 'waist')!.y;
  return (id: string): Segment[] =>
    edgeOf(q, id).path.map((s) => mapped(s, ([x, y]): Point => [x + dx, y - waist]));
};

function placesOf(c: PartContext, shaped: Readonly<Record<PanelId, Panel>>, below: boolean): Place[] {
  const along = (q: Panel, id: string, t: number) => pointAlong(edgeOf(q, id).path, sewnLength(q, id) * t);
  return PANEL_IDS.flatMap((id): Place[] => {
    const q = shaped[id];
    const at = (figure: string, where: Point): Place => ({ figure, panel: q.id, at: where });
    const own = (name: string, where: Point) => at(c.id(name), where);
    const line = (name: string) => q.lines.find((l) => l.id === name)?.y ?? 0.5;
    switch (id) {
      case 'front-centre':
        return [
          own('top-front', along(q, 'outer', 0)),
          own('bust-height', [0, line('bust')]),
          own('underbust-height', [0, line('underbust')]),
          own('apex', along(q, 'outer', 0.2)),
          own('cup-upper', along(q, 'outer', 0.08)),
          own('cup-lower', along(q, 'outer', 0.35)),
          own('bone-front', along(q, 'outer', 0.6)),
          own('edge-round', along(q, 'top', 0.5)),
          own('stay', [0, line('waist')]),
        ];
      case 'front-side':
        return [
          ...(['bust', 'underbust', 'waist'] as const).map((z) => at(z, [0, line(z)])),
          own('top-side', along(q, 'side', 0)),
          own('bone-side', along(q, 'side', 0.6)),
          ...(below
            ? [
                at('tummy', along(q, below ? 'lower' : 'waist', 0.5)),
                own('below', along(q, below ? 'lower' : 'waist', 0.2)),
                at('hip', along(q, 'lower', 0.7)),
                at('level-tummy', along(q, 'lower', 0.4)),
                at('level-hip', along(q, 'lower', 0.9)),
              ]
            : []),
        ];
      case 'back-side':
        return [
          ...(['bust', 'underbust', 'waist'] as const).map((z) => at(z, [0, line(z)])),
          own('bone-back', along(q, 'inner', 0.5)),
        ];
      default:
        return [
          own('top-back', along(q, 'top', 0)),
          own('bone-centre-back', along(q, 'inner', 0.5)),
          own('gap', along(q, 'inner', 0.7)),
        ];
    }
  });
}
