import { endOf, lengthOf, mapped, type Point, reversed, type Segment } from '../../../draft/curve.ts';
import { sewnLength, widthAt } from '../../../draft/measure.ts';
import { edge, edgeOf, type Panel } from '../../../draft/panel.ts';
import { BENDS, flared, levelOfLength, seamThrough, straight } from '../../../draft/shape.ts';
import {
  buildFigure,
  finely,
  MARKED_FINER,
  markedGirth,
  share,
  TOLERANCE,
  term,
} from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { FREE_FIELDS, liningNote, liningShorter, seamForZip } from '../../common/flared.ts';
import type { FreeDraft } from '../../common/free-skirt.ts';
import { widestLine } from '../../common/from-waist/widest.ts';
import { type HemLengths, hemLengths, markedLengths, STATIONS } from '../../common/hem-lengths.ts';
import { onPanel } from '../../common/on-panel.ts';
import { NO_BAND, waistband } from '../../common/waistband.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import type { BodyLine } from '../../lines.ts';
import type { PartContext } from '../../part.ts';

export const FIELDS = {
  ...FREE_FIELDS,
  gores: choice(
    'Gores',
    [
      ['4', '4'],
      ['6', '6'],
      ['8', '8'],
      ['10', '10'],
      ['12', '12'],
    ],
    { default: '6' },
  ),
  flare: {
    kind: 'length',
    label: 'Flare at the hem, each edge of a gore',
    hint: 'every seam has two edges',
    min: 0,
    max: 40,
    default: '6 cm',
  },
  flareFrom: choice('Flares from', [
    ['hip', 'its widest line'],
    ['knee', 'the knee'],
  ]),
  train: {
    kind: 'length',
    label: 'Train, beyond the hem at centre back',
    hint: '0 for none',
    min: 0,
    max: 250,
    default: '0 cm',
  },
} as const;
export type GoredValues = ValuesOf<typeof FIELDS>;

/** A train spreads by this part of its length at centre back (common practice). */
const TRAIN_SPREADS = 0.25;
/** A flare from the knee begins no lower than this part of the length, or there is none to flare (common practice). */
const FLARE_LEFT = 0.7;
/** Whether the flare begins at the knee itself: a short skirt’s begins higher, so that some of it is left to flare. */
export const flaresAtKnee = (knee: number, longest: number): boolean => knee <= longest * FLARE_LEFT;
/** Without a reading the knee lies this far below the waist, cm (the middle of what is usual). */
const USUAL_KNEE = cm(60);

export interface GoredDraft extends FreeDraft {
  readonly count: number;
  readonly wide: BodyLine | null;
  readonly hem: Figure;
  readonly lengths: HemLengths;
  readonly train: Figure | null;
  /** the gore at the waist, where the sheet does not share the waist by gores */
  readonly atWaist: Figure | null;
  /** from the waist down to where the flare begins */
  readonly flaresAt: number | null;
}

/** Gores of one width: narrow at the waist, as wide as the body asks below it, flared from there. */
export function draftGored(c: PartContext, v: GoredValues): GoredDraft {
  const count = Number(v.gores);
  const [waist, wide] = [c.line('waist'), widestLine(c.line)];
  const lengths = hemLengths(c, v);
  const marked = markedLengths(lengths);
  const longest = cm(Math.max(0, ...STATIONS.map((s) => lengths[s].marked ?? 0)));
  const hem = hemFigure(c, v, wide, count);
  const train =
    v.train > 0
      ? buildFigure(c, {
          id: c.id('train'),
          section: c.key,
          name: 'train, beyond the hem',
          group: 'length',
          terms: [term('style', 'from the brief', v.train, 'Style, as briefed.')],
          follows: (value) => (value > 0 ? null : 'Enter a train over 0, or set none in the brief.'),
        })
      : null;
  const plan: GorePlan | null =
    marked && waist?.figure.shares.length && wide?.level != null && hem.shares.length > 0
      ? {
          waist: goreOf(waist, count),
          lines: [...new Set([wide, c.line('tummy'), c.line('hip')])].flatMap((l) =>
            l?.level != null && l.level > 0 && l.figure.shares.length > 0
              ? [{ id: l.zone, name: l.figure.name, y: l.level, width: goreOf(l, count) }]
              : [],
          ),
          hem: hem.shares[0]!.rounded,
          length: longest,
          flaresAt:
            v.flareFrom === 'knee'
              ? Math.min(c.measured.get('waist-to-knee')?.net ?? USUAL_KNEE, longest * FLARE_LEFT)
              : 0,
        }
      : null;
  const shape = (layer: 'outer' | 'lining', tail: number): Panel | null =>
    plan && gore(c, plan, { layer, count, tail, lifted: train?.marked ? 0 : liningShorter(c) });
  const plain = shape('outer', 0);
  const trained = train?.marked ? shape('outer', train.marked) : null;
  const outer = plain && train?.marked ? [{ ...plain, count: count - 2 }, trained!] : plain ? [plain] : [];
  const lining = c.input.brief.lining ? shape('lining', 0) : null;
  const linings =
    lining && trained
      ? [{ ...lining, count: count - 2 }, shape('lining', train!.marked!)!]
      : lining
        ? [lining]
        : [];
  const sewn = plain ? cm(count * sewnLength(plain, 'waist')) : null;
  const markedWaist = waist ? markedGirth(waist.figure) : null;
  const band = c.above ? NO_BAND : waistband(c, sewn ?? markedWaist, v.band, v.overlap);
  const fitted = ['close', 'fitted'].includes(c.input.brief.fit) && wide?.level != null;
  return {
    panels: [...outer, ...band.panels, ...linings],
    sewn: { waist: sewn },
    girthAt: (depth) => {
      if (!plain) return null;
      if (depth <= 0) return sewn;
      const at = widthAt(plain, depth);
      return at === null ? null : cm(count * at);
    },
    reaches: longest,
    ...(fitted && wide!.level! > 3
      ? {
          opensAtLeast: {
            depth: cm(wide!.level! - 3),
            because: `On a fitted skirt at least to ${p(3)} above its widest line (common practice).`,
          },
        }
      : {}),
    places: () => (plain && plan ? placesOf(c, plain, trained, plan, { hem, lengths, train }) : []),
    count,
    wide: wide ?? null,
    hem,
    lengths,
    train,
    atWaist:
      plain && !waist!.figure.shares.some((s) => s.panel === 'gore')
        ? onPanel(c, 'gore-waist', 'a gore at the waist', sewnLength(plain, 'waist'))
        : null,
    flaresAt: plan?.flaresAt ?? null,
    band,
    panel: plain,
    waist: sewn ?? markedWaist,
    longest,
  };
}

/** What a gore has of a line: its share, or an equal part of what the panels above it are marked. */
export const goreOf = (line: BodyLine, count: number): Cm =>
  line.figure.shares.find((s) => s.panel === 'gore')?.rounded ?? cm(markedGirth(line.figure)! / count);

/** The hem's girth: its widest line, and the flare of two edges of each gore. */
function hemFigure(c: PartContext, v: GoredValues, wide: BodyLine | undefined, count: number): Figure {
  const finished = wide ? markedGirth(wide.figure) : null;
  const hem = buildFigure(c, {
    id: c.id('hem'),
    section: c.key,
    name: 'hem',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    known: finished !== null,
    terms: [
      term(
        'body',
        `${wide?.figure.name ?? 'widest line'}, as marked`,
        finished ?? 0,
        'Straight down from it.',
      ),
      term(
        'style',
        `flare, ${2 * count} edges × ${p(v.flare)}`,
        2 * count * v.flare,
        'As briefed, at each edge.',
      ),
    ],
    follows: (value) =>
      finished !== null && value >= finished
        ? null
        : 'A gore is no narrower at its hem than at its widest line.',
  });
  if (hem.finished === null || !wide || wide.figure.shares.length === 0 || finished === null) return hem;
  const one = goreOf(wide, count);
  return {
    ...hem,
    shares: [
      {
        ...share(finely(c, count), 'gore', count, [
          term('body', `${wide.figure.name}, a gore`, one, 'As marked.'),
          term('style', 'both edges', (hem.finished - finished) / count, 'What the hem is wider, by gores.'),
        ]),
        note: finely(c, count) === c ? '' : MARKED_FINER,
      },
    ],
  };
}

interface GorePlan {
  readonly waist: number;
  readonly lines: readonly {
    readonly id: string;
    readonly name: string;
    readonly y: Cm;
    readonly width: number;
  }[];
  readonly hem: number;
  readonly length: number;
  readonly flaresAt: number;
}

/** From where it flares, upright there, down to a hem of this half width, as long as wanted: one fair line. */
function flareOfLength([x, y]: Point, wide: number, length: number, bends: number): Segment {
  const out = wide - x;
  const at = (down: number): Segment => flared([x, y], [wide, y + down], bends);
  let down = Math.sqrt(length ** 2 - out ** 2);
  for (let i = 0; i < 20; i++) {
    const off = length - lengthOf(at(down));
    if (Math.abs(off) < 1e-9) break;
    down += off;
  }
  return at(down);
}

/** Half a hem from its middle, level there, to the foot of a seam, square to it. */
function squareTo([x, y]: Point, flare: Segment): Segment {
  const [[fx, fy], [cx, cy]] = [flare.at(-1) as Point, flare.at(-2) as Point];
  const lean = (fx - cx) / (fy - cy);
  // Its curve lies near the seam: no part of the hem hangs below its middle.
  const reach = lean <= 0 ? (fx - x) / 3 : Math.min((fx - x) / 3, (y - fy) / lean);
  return [
    [x, y],
    [x + (fx - x) / 2, y],
    [fx - reach, fy + reach * lean],
    [fx, fy],
  ];
}

const PANEL = {
  outer: { plain: 'gore', trained: 'train-gore' },
  lining: { plain: 'lining', trained: 'lining-train' },
} as const;

/** One gore, about its middle at x 0; with a tail its left edge is the centre back. */
function gore(
  c: PartContext,
  q: GorePlan,
  { layer, count, tail, lifted }: { layer: 'outer' | 'lining'; count: number; tail: number; lifted: number },
): Panel | null {
  const a = c.allowances;
  const length = q.length - (layer === 'lining' ? lifted : 0);
  const lines = [...q.lines].sort((x, y) => x.y - y.y);
  // Two lines at one level are one point of the seam, and none is nearer than a centimetre to the next.
  const kept = lines.filter((l, i) => l.y > 1 && (i === 0 || l.y - lines[i - 1]!.y > 1));
  // The waist bends down to its middle, square to both seams, as long along itself as it is marked.
  const first = kept[0];
  const lean = first ? Math.max(0, (1.5 * (first.width - q.waist)) / 2 / first.y) : 0;
  const dip = Math.min(q.waist / 8, (q.waist * lean) / 4);
  const bent = levelOfLength([0, dip], dip, q.waist / 2);
  const top: Point = [endOf(bent)[0], 0];
  const points: Point[] = [top, ...kept.map((l): Point => [l.width / 2, l.y])];
  const upper = points.length > 1 ? seamThrough(points) : [];
  const low = points.at(-1)!;
  const flaresAt: Point = q.flaresAt > low[1] + 1 ? [low[0], q.flaresAt] : low;
  const fall: Segment[] = flaresAt === low ? [] : straight(low, flaresAt);
  const before = [...upper, ...fall].reduce((sum, s) => sum + lengthOf(s), 0);
  const rest = length - before;
  const out = q.hem / 2 - flaresAt[0];
  if (rest <= Math.abs(out) + 1) return null;
  const flare = flareOfLength(flaresAt, q.hem / 2, rest, flaresAt === low ? BENDS.hip : BENDS.knee);
  const foot = endOf(flare);
  const side: Segment[] = [...upper, ...fall, flare];
  const mirror = ([x, y]: Point): Point => [-x, y];
  const waistLine: Segment[] = [...reversed([mapped(bent, mirror)]), bent];
  const left = side.map((s) => mapped(s, mirror));
  const zipped = c.opens ? cm(Math.max(a.side, a.zip)) : a.side;
  const hemAllowance = layer === 'lining' ? a.liningHem : a.flaredHem;
  const middle: Point = [0, Math.max(length, endOf(flare)[1])];
  let centre = left;
  const toFoot: Segment = squareTo(middle, flare);
  let hem: Segment[] = [...reversed([toFoot]), mapped(toFoot, mirror)];
  if (tail > 0) {
    // The centre back runs on below the hem, and swings out as a train does.
    const end: Point = [-foot[0] - tail * TRAIN_SPREADS, foot[1] + tail];
    centre = [...left, [mirror(foot), end]];
    hem = [[foot, [foot[0] * 0.2, foot[1] + (middle[1] - foot[1])], [end[0] * 0.45, end[1]], end]];
  }
  return {
    id: c.id(PANEL[layer][tail > 0 ? 'trained' : 'plain']),
    name: `${tail > 0 ? 'back gore, with the train' : 'gore'}${layer === 'lining' ? ', lining' : ''}`,
    share: 'gore',
    ...(tail > 0 ? { is: ['train'] } : {}),
    layer,
    cut: tail > 0 ? 'pair' : 'single',
    count: tail > 0 ? 2 : count,
    grain: 'lengthwise, along its middle',
    edges: [
      edge('waist', 'waist', waistLine, a.waist),
      edge('side', 'side', side, zipped),
      edge('hem', 'hem', hem, hemAllowance, { turned: true }),
      edge('centre', tail > 0 ? 'centre back' : 'other side', reversed(centre), zipped),
    ],
    darts: [],
    lines: lines.map(({ id, name, y }) => ({ id, name, y })),
    marks: [{ kind: 'notch', name: 'widest line', at: low }],
    across: { centre: 'centre', side: 'side' },
    note: [
      tail > 0 ? 'the two lie at the centre back' : seamForZip(c),
      layer !== 'lining'
        ? ''
        : lifted > 0
          ? liningNote(c)
          : 'as long as its outer gore: with a train they are joined at the hem',
    ]
      .filter(Boolean)
      .join('; '),
  };
}

function placesOf(
  c: PartContext,
  panel: Panel,
  trained: Panel | null,
  q: GorePlan,
  { hem, lengths, train }: { hem: Figure; lengths: HemLengths; train: Figure | null },
) {
  const foot = panel.edges.find((e) => e.id === 'hem')!.path[0]![0];
  const low = Math.max(q.waist, ...q.lines.map((l) => l.width)) / 2;
  const at = (figure: string, x: number, y: number) => ({ figure, panel: panel.id, at: [x, y] as Point });
  const end = trained ? endOf(edgeOf(trained, 'hem').path.at(-1)!) : undefined;
  return [
    at('waist', 0, 0),
    at(c.id('gore-waist'), q.waist * 0.3, 0),
    ...panel.lines.map((l) => at(l.id, (q.lines.find((x) => x.id === l.id)!.width / 2) * 0.9, l.y)),
    ...panel.lines.map((l) => at(`level-${l.id}`, -q.waist * 0.3, l.y)),
    at(hem.id, 0, q.length),
    ...STATIONS.map((s, i) => at(lengths[s].id, (i % 2 ? -0.9 : 0.9) * low, foot[1] * (0.5 + 0.1 * i))),
    ...(train && trained && end ? [{ figure: train.id, panel: trained.id, at: end }] : []),
  ];
}
