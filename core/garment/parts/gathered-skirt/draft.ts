import type { Point } from '../../../draft/curve.ts';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { edge, type Panel } from '../../../draft/panel.ts';
import { straight } from '../../../draft/shape.ts';
import { buildFigure, finely, share, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { LINING_WIDTH } from '../../cloth.ts';
import { FREE_FIELDS, leastPlacket, liningNote, liningShorter, seamForZip } from '../../common/flared.ts';
import { type HemLengths, hemLengths, markedLengths, STATIONS } from '../../common/hem-lengths.ts';
import { fromSeam, type HangingDraft, hangsAt } from '../../common/joint.ts';
import { NO_BAND, waistband } from '../../common/waistband.ts';
import type { ValuesOf } from '../../fields.ts';
import type { SheetInput } from '../../input.ts';
import { jointEdge } from '../../joint.ts';
import type { PartContext } from '../../part.ts';
import type { Allowances } from '../../tables/allowances.ts';

export const FIELDS = {
  ...FREE_FIELDS,
  ratio: {
    kind: 'count',
    label: 'Cloth gathered to one length of waist',
    hint: '1.5 heavy cloth, 2 medium, 2.5 to 3 sheer',
    min: 1.2,
    max: 4,
    step: 0.1,
    default: 2,
  },
} as const;
export type GatheredValues = ValuesOf<typeof FIELDS>;

/** Cloth is taken to be this wide while its width is not known, cm (house figure, no source). */
const USUAL_WIDTH = LINING_WIDTH;

/** How many panels across: the cloth it takes by the width that is left between the seams, rounded up. */
export function panelCount(input: SheetInput, allowances: Allowances, ratio: number, waist: Cm): number {
  // Along a border the cloth is as long as it is bought.
  if (input.brief.cloth.border) return 1;
  const usable = (input.brief.cloth.width ?? USUAL_WIDTH) - 2 * allowances.side;
  return Math.max(1, Math.ceil((ratio * waist) / usable - 1e-9));
}

export interface GatheredDraft extends HangingDraft {
  readonly count: number;
  readonly cloth: Figure;
  readonly width: Figure;
  readonly hem: Figure;
  readonly lengths: HemLengths;
}

/** Rectangles gathered to the marked waist. */
export function draftGathered(c: PartContext, v: GatheredValues): GatheredDraft {
  const hangs = hangsAt(c);
  const { round: waist, up } = hangs;
  const finished = hangs.line?.figure.finished ?? null;
  const count = finished === null ? 1 : panelCount(c.input, c.allowances, v.ratio, finished);
  const base = { section: c.key, known: waist !== null };
  const cloth = buildFigure(c, {
    id: c.id('cloth-round'),
    name: c.joint === 'waist' ? 'cloth gathered to the waist' : 'cloth gathered to the seam',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    terms: [
      term('body', `${hangs.name}, as marked`, waist ?? 0, 'The seam it joins.'),
      term(
        'add',
        `fullness, ${v.ratio} : 1`,
        (v.ratio - 1) * (waist ?? 0),
        'As briefed: 1.5 heavy, 2 medium, 2.5 to 3 sheer (common practice).',
      ),
    ],
    follows: (value) =>
      waist !== null && value >= waist
        ? null
        : `There is less cloth than ${c.joint === 'waist' ? 'waist' : 'seam'}: nothing could be gathered.`,
    ...base,
  });
  const one = cloth.finished === null ? 0 : cloth.finished / count;
  const width = buildFigure(c, {
    id: c.id('panel-width'),
    name: 'panel, width',
    group: 'length',
    note: `${count} × this`,
    terms: [
      term('share', `cloth ÷ ${count}`, one, `As many panels as the cloth's width asks for: ${count}.`),
    ],
    ...(cloth.finished === null ? {} : { marked: roundLength(cm(one), finely(c, count).rounding) }),
    settable: [],
    ...base,
  });
  const hemBase = buildFigure(c, {
    id: c.id('hem'),
    name: 'hem',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    terms: [term('body', `${count} × panel, as marked`, count * (width.marked ?? 0), 'Straight down.')],
    settable: [],
    ...base,
  });
  const hem: Figure =
    width.marked === null
      ? hemBase
      : {
          ...hemBase,
          shares: [share(c, 'panel', count, [term('body', 'panel, width', width.marked, 'As marked.')])],
        };
  const lengths = hemLengths(c, v);
  const marked = markedLengths(lengths);
  const longest = cm(Math.max(0, ...STATIONS.map((s) => lengths[s].marked ?? 0)));
  const sewn = waist === null ? null : cm(waist / count);
  const panel =
    marked && width.marked !== null && sewn !== null
      ? rectangle(c, { width: width.marked, length: cm(longest + up), sewn, count })
      : null;
  const lining =
    panel && c.input.brief.lining
      ? rectangle(c, {
          width: width.marked!,
          length: cm(longest + up - liningShorter(c)),
          sewn: sewn!,
          count,
          lining: true,
        })
      : null;
  const whole = panel ? cm(count * sewnLength(panel, 'waist')) : waist;
  const band = c.above ? NO_BAND : waistband(c, whole, v.band, v.overlap);
  const bottom: Point = [width.marked ?? 0, longest + up];
  return {
    panels: [...(panel ? [panel] : []), ...band.panels, ...(lining ? [lining] : [])],
    sewn: { waist: panel ? whole : null },
    ...(panel
      ? { meets: { waist: { kind: 'gathered', cloth: cm(count * edgeLength(panel, 'waist')) } as const } }
      : {}),
    girthAt: (depth) => (width.marked === null ? null : depth <= -up ? whole : cm(count * width.marked)),
    reaches: longest,
    opensAtLeast: leastPlacket(up),
    places: () =>
      panel
        ? [
            { figure: cloth.id, panel: panel.id, at: [bottom[0] * 0.25, 0] },
            ...(c.above ? [] : [{ figure: 'waist', panel: panel.id, at: [bottom[0] * 0.75, 0] as Point }]),
            { figure: width.id, panel: panel.id, at: [bottom[0] / 2, bottom[1] * 0.4] },
            { figure: hem.id, panel: panel.id, at: [bottom[0] / 2, bottom[1]] },
            ...STATIONS.map((s, i) => ({
              figure: lengths[s].id,
              panel: panel.id,
              at: [bottom[0], bottom[1] * (0.3 + 0.15 * i)] as Point,
            })),
            { figure: c.id('from-seam'), panel: panel.id, at: [bottom[0], bottom[1] * 0.9] as Point },
          ]
        : [],
    count,
    cloth,
    width,
    hem,
    lengths,
    band,
    panel,
    waist: whole,
    longest,
    up,
    fromSeam: fromSeam(c, hangs, longest),
  };
}

function rectangle(
  c: PartContext,
  {
    width,
    length,
    sewn,
    count,
    lining = false,
  }: { width: Cm; length: Cm; sewn: Cm; count: number; lining?: boolean },
): Panel {
  const [a, b, d, e]: Point[] = [
    [0, 0],
    [width, 0],
    [width, length],
    [0, length],
  ];
  const joint = jointEdge(c.joint);
  const side = c.opens ? cm(Math.max(c.allowances.side, c.allowances.zip)) : c.allowances.side;
  return {
    id: c.id(lining ? 'lining' : 'panel'),
    name: lining ? 'lining panel' : 'panel',
    share: 'panel',
    layer: lining ? 'lining' : 'outer',
    cut: 'single',
    count,
    grain: 'lengthwise, parallel to the sides',
    edges: [
      edge('waist', joint.name, straight(a!, b!), c.allowances.waist, {
        gather: cm(width - sewn),
        ...joint.on,
      }),
      edge('side', 'side', straight(b!, d!), side),
      edge('hem', 'hem', straight(d!, e!), lining ? c.allowances.liningHem : c.allowances.hem, {
        turned: true,
      }),
      edge('centre', 'other side', straight(e!, a!), side),
    ],
    darts: [],
    lines: [],
    marks: [{ kind: 'notch', name: 'middle', at: [width / 2, 0] }],
    across: { centre: 'centre', side: 'side' },
    note: [`gathered to ${p(sewn)}`, seamForZip(c), lining && liningNote(c)].filter(Boolean).join('; '),
  };
}
