import type { Point } from '../../../draft/curve.ts';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { edge, type Panel } from '../../../draft/panel.ts';
import { arc, straight } from '../../../draft/shape.ts';
import { buildFigure, finely, share, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { roundLength } from '../../../units/rounding.ts';
import { foldOrSeam } from '../../cloth.ts';
import { FREE_FIELDS, leastPlacket, liningNote, liningShorter, seamForZip } from '../../common/flared.ts';
import { type HemLengths, hemLengths, markedLengths, STATIONS } from '../../common/hem-lengths.ts';
import { fromSeam, type HangingDraft, hangsAt } from '../../common/joint.ts';
import { NO_BAND, waistband } from '../../common/waistband.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import { jointEdge } from '../../joint.ts';
import type { PartContext } from '../../part.ts';

export const FIELDS = {
  ...FREE_FIELDS,
  circle: choice(
    'How much of a circle',
    [
      ['1/4', 'a quarter'],
      ['1/2', 'half'],
      ['3/4', 'three quarters'],
      ['1', 'a whole circle'],
      ['3/2', 'one and a half'],
      ['2', 'two circles'],
    ],
    { default: '1/2' },
  ),
} as const;
export type CircleValues = ValuesOf<typeof FIELDS>;

/** The fraction of a circle, and the pieces it is cut in: each at most half a circle. */
export function sector(circle: CircleValues['circle']): {
  readonly fraction: number;
  readonly pieces: number;
} {
  const [a, b = '1'] = circle.split('/');
  const fraction = Number(a) / Number(b);
  return { fraction, pieces: Math.max(1, Math.ceil(fraction / 0.5 - 1e-9)) };
}

export interface CircleDraft extends HangingDraft {
  readonly radius: Figure;
  readonly hem: Figure;
  readonly lengths: HemLengths;
}

/** Sectors of a circle whose inner arc is the marked waist: r = waist ÷ 2πf (geometry). */
export function draftCircle(c: PartContext, v: CircleValues): CircleDraft {
  const { fraction, pieces } = sector(v.circle);
  const half = (Math.PI * fraction) / pieces;
  const hangs = hangsAt(c);
  const { round: waist, up } = hangs;
  const r = waist === null ? null : waist / (2 * Math.PI * fraction);
  const fine = { ...c.rounding, step: c.rounding.step === 0 ? 0 : c.rounding.unit === 'cm' ? 0.1 : 0.0625 };
  const radius = buildFigure(c, {
    id: c.id('radius'),
    section: c.key,
    name: c.joint === 'waist' ? 'waist radius' : 'radius of the seam under the bust',
    group: 'length',
    tolerance: TOLERANCE.detail,
    known: r !== null,
    ...(r === null ? {} : { marked: roundLength(cm(r), { ...fine, mode: 'nearest' }) }),
    terms: [
      term(
        'share',
        `${hangs.name} ÷ 2π × ${v.circle}`,
        r ?? 0,
        `So long is the radius whose arc is the marked ${c.joint === 'waist' ? 'waist' : 'seam'} (geometry). Marked finer than a width: what it misses is multiplied by 2π.`,
      ),
    ],
    settable: [],
  });
  const lengths = hemLengths(c, v);
  const marked = markedLengths(lengths);
  const longest = cm(Math.max(0, ...STATIONS.map((s) => lengths[s].marked ?? 0)));
  const down = cm(longest + up);
  const panel = marked && r !== null ? sectorPanel(c, { r, half, length: down, pieces }) : null;
  const lining =
    panel && r !== null && c.input.brief.lining
      ? sectorPanel(c, { r, half, length: cm(down - liningShorter(c)), pieces, lining: true })
      : null;
  const arcLength = panel ? edgeLength(panel, 'hem') : ZERO;
  const hemBase = buildFigure(c, {
    id: c.id('hem'),
    section: c.key,
    name: 'hem sweep',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    known: panel !== null,
    why: panel === null ? ['Not known until the waist it is cut to is drafted.'] : [],
    terms: [
      term(
        'share',
        `2π × ${v.circle} × (radius + length)`,
        2 * pieces * arcLength,
        'Measured along the panel’s hem.',
      ),
    ],
    settable: [],
  });
  const fineHem = finely(c, 2 * pieces);
  const nearest = { ...fineHem, rounding: { ...fineHem.rounding, mode: 'nearest' as const } };
  const hem: Figure = panel
    ? {
        ...hemBase,
        shares: [
          share(nearest, 'half panel', 2 * pieces, [
            term('share', 'hem of a half panel', arcLength, 'Measured on the panel.'),
          ]),
        ],
      }
    : hemBase;
  const whole = panel ? cm(2 * pieces * sewnLength(panel, 'waist')) : waist;
  const band = c.above ? NO_BAND : waistband(c, whole, v.band, v.overlap);
  const at = (radius0: number, angle: number): Point => [
    radius0 * Math.sin(angle),
    -(r ?? 0) + radius0 * Math.cos(angle),
  ];
  return {
    panels: [...(panel ? [panel] : []), ...band.panels, ...(lining ? [lining] : [])],
    sewn: { waist: panel ? whole : null },
    girthAt: (depth) =>
      r === null ? null : depth <= -up ? whole : cm(2 * Math.PI * fraction * (r + depth + up)),
    reaches: longest,
    opensAtLeast: leastPlacket(up),
    places: () =>
      panel && r !== null
        ? [
            { figure: radius.id, panel: panel.id, at: [0, 0] },
            ...(c.above ? [] : [{ figure: 'waist', panel: panel.id, at: at(r, half * 0.6) }]),
            { figure: hem.id, panel: panel.id, at: at(r + down, half * 0.5) },
            ...STATIONS.map((s, i) => ({
              figure: lengths[s].id,
              panel: panel.id,
              at: at(r + down * (0.3 + 0.15 * i), half),
            })),
            { figure: c.id('from-seam'), panel: panel.id, at: at(r + down * 0.9, half) },
          ]
        : [],
    radius,
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

/** Half of a sector on the fold: the circle's centre lies straight above the middle of the waist. */
function sectorPanel(
  c: PartContext,
  {
    r,
    half,
    length,
    pieces,
    lining = false,
  }: { r: number; half: number; length: Cm; pieces: number; lining?: boolean },
): Panel {
  const joint = jointEdge(c.joint);
  const down = Math.PI / 2;
  const waist = arc([0, -r], r, down, down - half);
  const hem = arc([0, -r], r + length, down - half, down);
  const corner = waist.at(-1)!.at(-1) as Point;
  const side = c.opens ? cm(Math.max(c.allowances.side, c.allowances.zip)) : c.allowances.side;
  return foldOrSeam(
    c.input,
    {
      id: c.id(lining ? 'lining' : 'panel'),
      name: lining ? 'lining panel' : 'panel',
      share: 'half panel',
      layer: lining ? 'lining' : 'outer',
      cut: 'fold',
      count: pieces,
      grain: 'lengthwise along the fold; the sides lie on the bias',
      edges: [
        edge('waist', joint.name, waist, c.allowances.waist, joint.on),
        edge('side', 'side seam', straight(corner, hem[0]![0]), side),
        edge('hem', 'hem', hem, lining ? c.allowances.liningHem : c.allowances.flaredHem, { turned: true }),
        edge('centre', 'middle', straight([0, length], [0, 0]), ZERO, { fold: true }),
      ],
      darts: [],
      lines: [],
      marks: [{ kind: 'notch', name: 'middle', at: [0, 0] }],
      across: { centre: 'centre', side: 'side' },
      note: [seamForZip(c), lining && liningNote(c)].filter(Boolean).join('; '),
    },
    c.allowances.centre,
  );
}
