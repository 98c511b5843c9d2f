import type { Point } from '../../../draft/curve.ts';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { edge, type Panel, type PanelMark } from '../../../draft/panel.ts';
import { straight } from '../../../draft/shape.ts';
import { buildFigure, markedGirth, share, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { LINING_WIDTH } from '../../cloth.ts';
import { FREE_FIELDS, leastPlacket, liningNote, liningShorter, seamForZip } from '../../common/flared.ts';
import type { FreeDraft } from '../../common/free-skirt.ts';
import { widestLine } from '../../common/from-waist/widest.ts';
import { type HemLengths, hemLengths, markedLengths, STATIONS } from '../../common/hem-lengths.ts';
import { NO_BAND, waistband } from '../../common/waistband.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import type { PartContext } from '../../part.ts';

export const FIELDS = {
  ...FREE_FIELDS,
  pleats: choice('Pleats', [
    ['knife', 'knife, all one way'],
    ['box', 'box'],
    ['single', 'single ones, with cloth between'],
  ]),
  count: {
    kind: 'count',
    label: 'How many pleats all round',
    min: 1,
    max: 60,
    step: 1,
    default: 24,
  },
  depth: {
    kind: 'length',
    label: 'Depth of a pleat, hidden',
    hint: 'leave empty for full pleats, three layers all round',
    min: 0.5,
    max: 30,
    default: null,
  },
  stitched: {
    kind: 'length',
    label: 'Stitched down from the waist',
    hint: '0 for none',
    min: 0,
    max: 40,
    default: '0 cm',
  },
} as const;
export type PleatedValues = ValuesOf<typeof FIELDS>;

/** A single pleat is this deep where nothing is briefed, cm (studio figure). */
const SINGLE_DEPTH = 6;

export interface PleatedDraft extends FreeDraft {
  readonly count: number;
  readonly seen: Figure;
  readonly depth: Figure;
  readonly atWaist: Figure;
  readonly cloth: Figure;
  readonly width: Figure;
  readonly hem: Figure;
  readonly lengths: HemLengths;
  readonly stitched: Figure | null;
  /** the skirt round its pleats where they lie closed, as marked */
  readonly closed: Cm | null;
}

interface Around {
  /** the waist and the widest line as marked, cm; null where they are not known */
  readonly round: Cm | null;
  readonly closed: Cm | null;
  readonly wide: ReturnType<typeof widestLine>;
}
/** What is seen and hidden of each pleat, what they take of the cloth, and how much further they lap at the waist. */
function pleatFigures(c: PartContext, v: PleatedValues, { round, closed, wide }: Around) {
  const n = v.count;
  const base = { section: c.key, known: closed !== null && round !== null };
  const one = closed === null ? 0 : closed / n;
  // Pleats are marked finer than seams: a step lost on each would be lost many times.
  const fine = (x: number) =>
    c.rounding.step === 0
      ? cm(x)
      : roundLength(cm(x), {
          unit: c.rounding.unit,
          step: c.rounding.unit === 'cm' ? 0.1 : 0.0625,
          mode: 'nearest',
        });
  const seen = buildFigure(c, {
    id: c.id('seen'),
    name: `seen of each pleat, at the ${wide?.figure.name ?? 'hip'}`,
    group: 'length',
    tolerance: TOLERANCE.detail,
    terms: [
      term(
        'share',
        `${wide?.figure.name ?? 'hip'} ÷ ${n}`,
        one,
        'The pleats lie closed round the widest line.',
      ),
    ],
    settable: [],
    marked: fine(one),
    note: `${n} × this; the last one takes what is left over`,
    ...base,
  });
  const depth = buildFigure(c, {
    id: c.id('depth'),
    name: 'depth of a pleat, hidden',
    group: 'dart',
    tolerance: TOLERANCE.detail,
    nearest: true,
    // A full pleat is not marked deeper than it shows.
    ...(v.depth === null && v.pleats !== 'single'
      ? { marked: roundLength(cm(one), { ...c.rounding, mode: 'down' }) }
      : {}),
    terms:
      v.depth !== null
        ? [term('style', 'from the brief', v.depth, 'As briefed.')]
        : v.pleats === 'single'
          ? [term('style', 'studio figure', SINGLE_DEPTH, 'A single pleat (studio figure).')]
          : [
              term(
                'body',
                'as deep as is seen',
                one,
                'Full: three layers all round, so a pleat hides what it shows.',
              ),
            ],
    follows: (value) =>
      value <= 0
        ? 'A pleat must hide over 0.'
        : v.pleats !== 'single' && value > one + 1e-9
          ? `Deeper than what is seen of each (${p(cm(one))}): the pleats would lie over one another in four layers. Take fewer.`
          : null,
    ...base,
  });
  const hides = cm(2 * (depth.marked ?? 0));
  const cloth = buildFigure(c, {
    id: c.id('cloth-round'),
    name: 'cloth round, pleats open',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    terms: [
      term('body', `${wide?.figure.name ?? 'hip'}, as marked`, closed ?? 0, 'What is seen.'),
      term(
        'add',
        `${n} pleats × 2 × ${p(depth.marked ?? cm(0))}`,
        n * hides,
        'A pleat takes twice its depth.',
      ),
    ],
    settable: [],
    ...base,
  });
  // Above the widest line each pleat laps further, until what is seen is the waist.
  const more = round === null || closed === null ? 0 : (closed - round) / n;
  const atWaist = buildFigure(c, {
    id: c.id('lap'),
    name: 'each pleat laps further at the waist by',
    group: 'dart',
    tolerance: TOLERANCE.detail,
    nearest: true,
    marked: fine(more),
    terms: [
      term(
        'take',
        `${wide?.figure.name ?? 'hip'} less waist, ÷ ${n}`,
        more,
        'What the waist is narrower is shared by the pleats; the last ones are trued on the band.',
      ),
    ],
    settable: [],
    ...base,
  });
  return { base, one, hides, seen, depth, cloth, atWaist };
}

/** How many panels the cloth's width asks for, how wide each is, the hem, and how far the pleats are stitched down. */
function panelFigures(
  c: PartContext,
  v: PleatedValues,
  cloth: Figure,
  base: { readonly section: string; readonly known: boolean },
) {
  const nearest = (x: number) => roundLength(cm(x), { ...c.rounding, mode: 'nearest' });
  const usable = (c.input.brief.cloth.width ?? LINING_WIDTH) - 2 * c.allowances.side;
  const panels = cloth.finished === null ? 1 : Math.max(1, Math.ceil(cloth.finished / usable - 1e-9));
  const width = buildFigure(c, {
    id: c.id('panel-width'),
    name: 'panel, width',
    group: 'length',
    note: `${panels} × this`,
    terms: [
      term(
        'share',
        `cloth ÷ ${panels}`,
        (cloth.finished ?? 0) / panels,
        `As many panels as the cloth’s width asks for: ${panels}.`,
      ),
    ],
    marked: nearest((cloth.finished ?? 0) / panels),
    settable: [],
    ...base,
  });
  const hemBare = buildFigure(c, {
    id: c.id('hem'),
    name: 'hem, pleats open',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    terms: [term('body', `${panels} × panel, as marked`, panels * (width.marked ?? 0), 'Straight down.')],
    settable: [],
    ...base,
  });
  const hem =
    width.marked === null
      ? hemBare
      : {
          ...hemBare,
          shares: [share(c, 'panel', panels, [term('body', 'panel, width', width.marked, 'As marked.')])],
        };
  const stitched =
    v.stitched > 0
      ? buildFigure(c, {
          id: c.id('stitched'),
          section: c.key,
          name: 'pleats stitched down to',
          group: 'level',
          tolerance: TOLERANCE.detail,
          terms: [term('style', 'from the brief', v.stitched, 'As briefed.')],
          follows: (value) => (value > 0 ? null : 'Enter a length over 0, or set none in the brief.'),
        })
      : null;
  return { panels, width, hem, stitched };
}

/** Rectangles laid in pleats: closed they are as wide as the widest line, and lapped further at the waist. */
export function draftPleated(c: PartContext, v: PleatedValues): PleatedDraft {
  const [waist, wide] = [c.line('waist'), widestLine(c.line)];
  const [round, closed] = [waist ? markedGirth(waist.figure) : null, wide ? markedGirth(wide.figure) : null];
  const n = v.count;
  const pleats = pleatFigures(c, v, { round, closed, wide });
  const { one, hides, seen, depth, cloth, atWaist } = pleats;
  const { panels, width, hem, stitched } = panelFigures(c, v, cloth, pleats.base);
  const lengths = hemLengths(c, v);
  const marked = markedLengths(lengths);
  const longest = cm(Math.max(0, ...STATIONS.map((s) => lengths[s].marked ?? 0)));
  const shape = (layer: 'outer' | 'lining'): Panel | null =>
    marked && width.marked !== null && round !== null && longest > 0
      ? rectangle(c, {
          width: width.marked,
          length: layer === 'outer' ? longest : cm(longest - liningShorter(c)),
          sewn: cm(round / panels),
          count: panels,
          layer,
          pleat: { seen: one, hides, times: n / panels, kind: v.pleats },
          note: `${n} ${v.pleats} pleats, each hides 2 × ${p(depth.marked ?? cm(0))}${stitched?.marked ? `, stitched ${p(stitched.marked)} down` : ''}`,
        })
      : null;
  const panel = shape('outer');
  const lining = panel && c.input.brief.lining ? shape('lining') : null;
  const whole = panel ? cm(panels * sewnLength(panel, 'waist')) : round;
  const band = c.above ? NO_BAND : waistband(c, whole, v.band, v.overlap);
  return {
    panels: [...(panel ? [panel] : []), ...band.panels, ...(lining ? [lining] : [])],
    sewn: { waist: panel ? whole : null },
    ...(panel
      ? { meets: { waist: { kind: 'pleated', cloth: cm(panels * edgeLength(panel, 'waist')) } as const } }
      : {}),
    // Closed they are no wider than the widest line until they may open.
    girthAt: (depth) =>
      !panel || closed === null || round === null || !wide
        ? null
        : depth <= 0
          ? whole
          : depth <= Math.max(stitched?.marked ?? 0, wide.level ?? 0)
            ? cm(round + (closed - round) * Math.min(1, depth / Math.max(1, wide.level ?? 1)))
            : cm(panels * (width.marked ?? 0)),
    reaches: longest,
    opensAtLeast: leastPlacket(ZERO),
    places: () =>
      panel ? placesOf(c, panel, { seen, depth, atWaist, cloth, width, hem, lengths, stitched }) : [],
    count: panels,
    seen,
    depth,
    atWaist,
    cloth,
    width,
    hem,
    lengths,
    stitched,
    closed,
    band,
    panel,
    waist: whole,
    longest,
  };
}

function rectangle(
  c: PartContext,
  q: {
    width: Cm;
    length: Cm;
    sewn: Cm;
    count: number;
    layer: 'outer' | 'lining';
    pleat: { seen: number; hides: number; times: number; kind: PleatedValues['pleats'] };
    note: string;
  },
): Panel {
  const [a, b, d, e]: Point[] = [
    [0, 0],
    [q.width, 0],
    [q.width, q.length],
    [0, q.length],
  ];
  const side = c.opens ? cm(Math.max(c.allowances.side, c.allowances.zip)) : c.allowances.side;
  const lining = q.layer === 'lining';
  const step = q.pleat.seen + q.pleat.hides;
  // Fold and placing line of each pleat along the top, as far as they lie on this panel.
  const marks: PanelMark[] = lining
    ? []
    : Array.from({ length: Math.floor(q.pleat.times + 1e-9) }, (_, i) => i * step + q.pleat.seen).flatMap(
        (x) =>
          x + q.pleat.hides <= q.width + 1e-6
            ? [
                {
                  kind: 'fold line' as const,
                  name: 'fold',
                  at: [x, 0] as Point,
                  to: [x, q.length * 0.15] as Point,
                },
                { kind: 'notch' as const, name: 'placed at', at: [x + q.pleat.hides, 0] as Point },
              ]
            : [],
      );
  return {
    id: c.id(lining ? 'lining' : 'panel'),
    name: lining ? 'lining panel' : 'panel',
    share: 'panel',
    layer: q.layer,
    cut: 'single',
    count: q.count,
    grain: 'lengthwise, parallel to the sides',
    edges: [
      edge('waist', 'waist', straight(a!, b!), c.allowances.waist, {
        gather: cm(q.width - q.sewn),
        ...(lining ? {} : { pleated: true as const }),
      }),
      edge('side', 'side', straight(b!, d!), side),
      edge('hem', 'hem', straight(d!, e!), lining ? c.allowances.liningHem : c.allowances.hem, {
        turned: true,
      }),
      edge('centre', 'other side', straight(e!, a!), side),
    ],
    darts: [],
    lines: [],
    marks,
    across: { centre: 'centre', side: 'side' },
    note: [q.note, seamForZip(c), lining && liningNote(c)].filter(Boolean).join('; '),
  };
}

function placesOf(
  c: PartContext,
  panel: Panel,
  f: Pick<PleatedDraft, 'seen' | 'depth' | 'atWaist' | 'cloth' | 'width' | 'hem' | 'lengths' | 'stitched'>,
) {
  const [w, h] = [panel.edges[1]!.path[0]![0][0], panel.edges[1]!.path[0]!.at(-1)![1]];
  const at = (figure: string, x: number, y: number) => ({ figure, panel: panel.id, at: [x, y] as Point });
  const firstFold = panel.marks[0]?.at[0] ?? w * 0.1;
  return [
    at(f.seen.id, firstFold * 0.5, 0),
    at(f.depth.id, firstFold, 0),
    at(f.atWaist.id, firstFold, 1),
    at(f.cloth.id, w * 0.4, 0),
    ...(c.above ? [] : [at('waist', w * 0.75, 0)]),
    at(f.width.id, w / 2, h * 0.4),
    at(f.hem.id, w / 2, h),
    ...(f.stitched ? [at(f.stitched.id, w * 0.6, Math.min(h * 0.3, f.stitched.marked ?? 10))] : []),
    ...STATIONS.map((s, i) => at(f.lengths[s].id, w, h * (0.3 + 0.15 * i))),
    ...['hip', 'tummy'].flatMap((zone) => [
      at(zone, w * 0.8, Math.min(h * 0.3, 20)),
      at(`level-${zone}`, w * 0.6, Math.min(h * 0.3, 20)),
    ]),
  ];
}
