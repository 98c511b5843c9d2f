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
import { FREE_FIELDS, leastPlacket, seamForZip } from '../../common/flared.ts';
import { type HemLengths, hemLengths, markedLengths, STATIONS } from '../../common/hem-lengths.ts';
import { fromSeam, type HangingDraft, type Hangs, hangsAt } from '../../common/joint.ts';
import { NO_BAND, waistband } from '../../common/waistband.ts';
import type { ValuesOf } from '../../fields.ts';
import type { SheetInput } from '../../input.ts';
import { jointEdge } from '../../joint.ts';
import type { PartContext } from '../../part.ts';
import type { Allowances } from '../../tables/allowances.ts';

export const FIELDS = {
  ...FREE_FIELDS,
  tiers: { kind: 'count', label: 'Tiers', min: 2, max: 6, step: 1, default: 3 },
  ratio: {
    kind: 'count',
    label: 'Each tier to what it hangs from',
    hint: '1.5 heavy cloth, 1.7 medium, 2 sheer',
    min: 1.2,
    max: 3,
    step: 0.1,
    default: 1.5,
  },
} as const;
export type TieredValues = ValuesOf<typeof FIELDS>;

/** How many panels a tier takes: its cloth by the width that is left between the seams, rounded up. */
export function tierPanels(input: SheetInput, allowances: Allowances, cloth: number): number {
  const usable = (input.brief.cloth.width ?? LINING_WIDTH) - 2 * allowances.side;
  return Math.max(1, Math.ceil(cloth / usable - 1e-9));
}

interface Tier {
  readonly round: Figure;
  readonly height: Figure;
  readonly count: number;
  readonly panel: Panel | null;
}
export interface TieredDraft extends HangingDraft {
  readonly tiers: readonly Tier[];
  readonly hem: Figure;
  readonly lengths: HemLengths;
}

/** The tiers from the seam down, each gathered to the one above, and how much cloth the last has. `down`: seam to hem, cm; null while no length is known. */
function tiersOf(
  c: PartContext,
  v: TieredValues,
  { line, round: waist, up, name: joins }: Hangs,
  down: Cm | null,
): { readonly tiers: readonly Tier[]; readonly above: Cm | null } {
  const nearest = (x: number) => roundLength(cm(x), { ...c.rounding, mode: 'nearest' });
  const whole = down ?? cm(0);
  const tiers: Tier[] = [];
  let above = waist;
  let left: number = whole;
  for (let i = 0; i < v.tiers; i++) {
    const name = `tier ${i + 1}`;
    const known = above !== null;
    const bare = buildFigure(c, {
      id: c.id(`tier-${i + 1}`),
      section: c.key,
      name: `${name}, cloth round`,
      group: 'girth',
      tolerance: TOLERANCE.girth,
      known,
      terms: [
        term('body', i === 0 ? `${joins}, as marked` : `tier ${i}, as cut`, above ?? 0, 'The seam it joins.'),
        term(
          'add',
          `fullness, ${v.ratio} : 1`,
          (v.ratio - 1) * (above ?? 0),
          'As briefed (common practice).',
        ),
      ],
      follows: (value) =>
        above !== null && value >= above ? null : 'There is less cloth than what it is gathered to.',
    });
    const count =
      i === 0 && line?.figure.shares.some((s) => s.panel === 'panel')
        ? line.figure.shares[0]!.times
        : bare.finished === null
          ? 1
          : tierPanels(c.input, c.allowances, bare.finished);
    const round: Figure =
      bare.finished === null
        ? bare
        : {
            ...bare,
            shares: [
              share(finely(c, count), 'panel', count, [
                term(
                  'share',
                  `cloth ÷ ${count}`,
                  bare.finished / count,
                  `As many panels as the cloth’s width asks for: ${count}.`,
                ),
              ]),
            ],
          };
    // The last tier takes what rounding left of the length.
    const last = i === v.tiers - 1;
    const high = last ? left : nearest(whole / v.tiers);
    const height = buildFigure(c, {
      id: c.id(`tier-${i + 1}-height`),
      section: c.key,
      name: `${name}, height`,
      group: 'length',
      known: down !== null,
      why: down === null ? ['No length was measured and the brief gives none.'] : [],
      terms: [
        term(
          'share',
          last
            ? 'what the tiers above leave'
            : `${up > 0 ? 'from the seam to the hem' : 'the longest station'} ÷ ${v.tiers}`,
          down === null ? 0 : last ? high : whole / v.tiers,
          last ? 'So that all of them make the length.' : 'Tiers of one height.',
        ),
      ],
      follows: (value) =>
        value > 0 && (last || value < left - 2) ? null : 'The tiers would be longer than the skirt.',
    });
    left = cm(left - (height.marked ?? 0));
    const width = round.shares[0]?.rounded ?? null;
    const panel =
      down !== null && width !== null && height.marked !== null && height.marked > 0 && above !== null
        ? tierPanel(c, i + 1, { width, height: height.marked, sewn: cm(above / count), count, last })
        : null;
    tiers.push({ round, height, count, panel });
    above = width === null ? null : cm(count * width);
  }
  return { tiers, above };
}

/** Tiers of rectangles, each gathered to the one above, the first to the waist. */
export function draftTiered(c: PartContext, v: TieredValues): TieredDraft {
  const hangs = hangsAt(c);
  const { round: waist, up } = hangs;
  const lengths = hemLengths(c, v);
  const marked = markedLengths(lengths);
  const longest = cm(Math.max(0, ...STATIONS.map((s) => lengths[s].marked ?? 0)));
  const { tiers, above } = tiersOf(c, v, hangs, marked === null ? null : cm(longest + up));
  const hemBase = buildFigure(c, {
    id: c.id('hem'),
    section: c.key,
    name: 'hem',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    known: above !== null,
    terms: [term('body', 'the last tier, as cut', above ?? 0, 'Straight down.')],
    settable: [],
  });
  const first = tiers[0]!;
  const drafted = tiers.every((t) => t.panel);
  const whole = drafted ? cm(first.count * sewnLength(first.panel!, 'waist')) : waist;
  const band = c.above ? NO_BAND : waistband(c, whole, v.band, v.overlap);
  const panels = drafted ? tiers.map((t) => t.panel!) : [];
  const roundOf = (t: Tier) => cm(t.count * (t.round.shares[0]?.rounded ?? 0));
  return {
    panels: [...panels, ...band.panels],
    sewn: { waist: drafted ? whole : null },
    ...(drafted
      ? {
          meets: {
            waist: { kind: 'gathered', cloth: cm(first.count * edgeLength(first.panel!, 'waist')) } as const,
          },
        }
      : {}),
    girthAt: (depth) => {
      if (!drafted) return null;
      if (depth <= -up) return whole;
      let ends: number = -up;
      for (const t of tiers) {
        ends += t.height.marked!;
        if (depth <= ends + 1e-9) return roundOf(t);
      }
      return roundOf(tiers.at(-1)!);
    },
    reaches: longest,
    opensAtLeast: leastPlacket(up),
    places: () => (drafted ? placesOf(c, tiers, { hem: hemBase, lengths }) : []),
    tiers,
    hem: hemBase,
    lengths,
    band,
    panel: drafted ? first.panel : null,
    waist: whole,
    longest,
    up,
    fromSeam: fromSeam(c, hangs, longest),
  };
}

function tierPanel(
  c: PartContext,
  number: number,
  q: { width: Cm; height: Cm; sewn: Cm; count: number; last: boolean },
): Panel {
  const [a, b, d, e]: Point[] = [
    [0, 0],
    [q.width, 0],
    [q.width, q.height],
    [0, q.height],
  ];
  const joint = jointEdge(c.joint);
  const first = number === 1;
  const side = first && c.opens ? cm(Math.max(c.allowances.side, c.allowances.zip)) : c.allowances.side;
  return {
    id: c.id(`panel-${number}`),
    name: `tier ${number}`,
    share: 'panel',
    ring: `tier ${number}`,
    layer: 'outer',
    cut: 'single',
    count: q.count,
    grain: 'lengthwise, parallel to the sides',
    edges: [
      edge(first ? 'waist' : 'top', first ? joint.name : 'top', straight(a!, b!), c.allowances.waist, {
        gather: cm(q.width - q.sewn),
        ...(first ? joint.on : {}),
      }),
      edge('side', 'side', straight(b!, d!), side),
      edge(
        'hem',
        q.last ? 'hem' : 'lower edge',
        straight(d!, e!),
        q.last ? c.allowances.hem : c.allowances.waist,
        q.last ? { turned: true } : {},
      ),
      edge('centre', 'other side', straight(e!, a!), side),
    ],
    darts: [],
    lines: [],
    marks: [{ kind: 'notch', name: 'middle', at: [q.width / 2, 0] }],
    across: { centre: 'centre', side: 'side' },
    note: [`gathered to ${p(q.sewn)}`, first ? seamForZip(c) : ''].filter(Boolean).join('; '),
  };
}

function placesOf(
  c: PartContext,
  tiers: readonly Tier[],
  { hem, lengths }: { hem: Figure; lengths: HemLengths },
) {
  const at = (t: Tier, figure: string, x: number, y: number) => ({
    figure,
    panel: t.panel!.id,
    at: [t.panel!.edges[1]!.path[0]![0][0] * x, t.height.marked! * y] as Point,
  });
  const last = tiers.at(-1)!;
  return [
    ...(c.above ? [] : [at(tiers[0]!, 'waist', 0.75, 0)]),
    ...tiers.flatMap((t) => [at(t, t.round.id, 0.3, 0.5), at(t, t.height.id, 1, 0.5)]),
    at(last, hem.id, 0.5, 1),
    ...STATIONS.map((s, i) => at(last, lengths[s].id, 0.9 - 0.1 * i, 1)),
  ];
}
