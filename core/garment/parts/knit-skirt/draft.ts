import { lengthOf, type Point, reversed } from '../../../draft/curve.ts';
import { edgeLength } from '../../../draft/measure.ts';
import { edge, type Panel } from '../../../draft/panel.ts';
import { seamThrough, straight, waistFrom } from '../../../draft/shape.ts';
import { buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { casingAllowance, casingWords, waistElastic } from '../../common/elastic.ts';
import {
  type HemLengths,
  hemLengths,
  markedLengths,
  STATIONS,
  sideOf,
  unevenHems,
} from '../../common/hem-lengths.ts';
import { onPanel } from '../../common/on-panel.ts';
import type { LineWanted } from '../../lines.ts';
import type { Drafted, PartContext } from '../../part.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import type { KnitSkirtValues } from './fields.ts';

/** A practitioner's eases at the hip of a pull-on straight skirt, cm (common practice, inches: −1½, 1, 2½). */
const RULES = { hugging: -3.8, fitted: 2.5, easy: 6.3 } as const;
/** The front is wider by this at each side where its hem should hang balanced, cm (common practice: ½ in). */
const FRONT_MORE = cm(1.3);

/** The ease that the brief's own rule gives the hip; undefined where the fit decides. */
export const easeOfRule = (rule: KnitSkirtValues['rule']): LineWanted['ease'] =>
  rule === 'fit'
    ? undefined
    : {
        ease: cm(RULES[rule]),
        because: `A practitioner’s rule for a pull-on skirt, ${rule} (common practice); it stands in for the fit’s ease and stretch.`,
      };

export interface KnitSkirtDraft extends Drafted {
  readonly hem: Figure;
  readonly atWaist: Readonly<Record<Face, Figure>> | null;
  readonly lengths: HemLengths;
  readonly elastic: Figure;
  readonly faces: Readonly<Record<Face, Panel>> | null;
  readonly measured: readonly Figure[];
  /** the whole marked waist, relaxed */
  readonly round: Cm | null;
  readonly longest: Cm;
}

/** How wide something relaxed becomes when it is stretched by half of what its cloth can, cm. */
export const halfStretched = (relaxed: number, stretch: number): Cm => cm(relaxed * (1 + stretch / 200));

/** Front and back on the fold, an elastic in a casing; the waist passes the hip by half of the stretch. */
export function draftKnitSkirt(c: PartContext, v: KnitSkirtValues): KnitSkirtDraft {
  const [waist, hip] = [c.line('waist'), c.line('hip')];
  const lengths = hemLengths(c, v);
  const marked = markedLengths(lengths);
  const longest = cm(Math.max(0, ...STATIONS.map((s) => lengths[s].marked ?? 0)));
  const elastic = waistElastic(c, v.elastic);
  const { stretch } = c.input.brief.cloth;
  const must = hip?.net == null ? null : hip.net / (1 + stretch / 200);
  const known = waist?.front && waist.back && hip?.front && hip.back && hip.level !== null;
  const wanted = known ? 2 * (waist.front!.rounded + waist.back!.rounded) : 0;
  const short = known && must !== null ? Math.max(0, must - wanted) : 0;
  const atWaist = known
    ? (Object.fromEntries(
        FACES.map((face) => [
          face,
          buildFigure(c, {
            id: c.id(`waist-line-${face}`),
            section: c.key,
            name: `waist line, ${face} quarter`,
            group: 'dart',
            tolerance: TOLERANCE.detail,
            marked: roundLength(cm(waist[face]!.rounded + short / 4), {
              ...c.rounding,
              mode: short > 0 ? 'up' : 'nearest',
            }),
            terms: [
              term('body', `waist, ${face} quarter`, waist[face]!.rounded, 'As marked.'),
              ...(short > 0
                ? [
                    term(
                      'add',
                      'to pass the hip',
                      short / 4,
                      `Without an opening: stretched by half of its ${stretch} % the waist must pass the hip; the elastic draws it in.`,
                    ),
                  ]
                : []),
            ],
            follows: (value) =>
              value > 0 && value <= hip[face]!.rounded + 5
                ? null
                : 'A waist line wider than its hip is no straight skirt.',
          }),
        ]),
      ) as Record<Face, Figure>)
    : null;
  const shape = (face: Face): Panel | null =>
    atWaist && marked && known
      ? half(c, v, face, {
          waist: atWaist[face].marked!,
          hip: hip[face]!.rounded,
          level: hip.level!,
          length: sideOf(c, marked),
          centre: marked[face],
          elastic: elastic.marked,
        })
      : null;
  const [front, back] = [shape('front'), shape('back')];
  const faces = front && back ? { front, back } : null;
  const round = atWaist ? cm(2 * (atWaist.front.marked! + atWaist.back.marked!)) : null;
  const hemGirth = faces ? cm(2 * (edgeLength(faces.front, 'hem') + edgeLength(faces.back, 'hem'))) : null;
  const hem = buildFigure(c, {
    id: c.id('hem'),
    section: c.key,
    name: 'hem',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    known: hemGirth !== null,
    nearest: true,
    terms: [
      term(
        'body',
        'along the hems',
        hemGirth ?? 0,
        v.hemFront === null && v.hemBack === null
          ? 'Measured on the panels: the hip less its taper.'
          : 'Measured on the panels: quarters as briefed.',
      ),
    ],
    settable: [],
  });
  return {
    panels: faces ? [faces.front, faces.back] : [],
    uneven: unevenHems(marked),
    sewn: { waist: elastic.marked },
    girthAt: () => null,
    reaches: longest,
    places: () => (faces ? placesOf(c, faces, lengths) : []),
    hem,
    atWaist,
    lengths,
    elastic,
    faces,
    measured: faces ? [onPanel(c, 'side-seam', 'side seam', edgeLength(faces.front, 'side'))] : [],
    round,
    longest,
  };
}

function half(
  c: PartContext,
  v: KnitSkirtValues,
  face: Face,
  q: { waist: Cm; hip: Cm; level: Cm; length: Cm; centre: Cm; elastic: Cm | null },
): Panel | null {
  const a = c.allowances;
  const more = face === 'front' && v.balanced ? c.stepped(FRONT_MORE) : 0;
  const hem = (face === 'front' ? v.hemFront : v.hemBack) ?? q.hip - v.taper + more;
  if (q.length <= q.level + 2 || hem <= 2) return null;
  const top: Point = [q.waist, 0];
  const wide: Point = [q.hip, q.level];
  const upper = seamThrough([top, wide]);
  const rest = q.length - upper.reduce((sum, s) => sum + lengthOf(s), 0);
  if (rest <= Math.abs(hem - q.hip) + 1) return null;
  const foot: Point = [hem, q.level + Math.sqrt(rest ** 2 - (hem - q.hip) ** 2)];
  const held = q.elastic === null ? q.waist : Math.min(q.waist, q.elastic / 4);
  return {
    id: c.id(face),
    name: `skirt ${face}`,
    share: face,
    layer: 'outer',
    cut: 'fold',
    count: 1,
    grain: 'lengthwise, the stretch round the body',
    edges: [
      edge('top', 'waist', straight([0, 0], top), casingAllowance(c, v), {
        gather: cm(q.waist - held),
        turned: true,
      }),
      edge('side', 'side seam', [...upper, [wide, foot]], a.side),
      edge(
        'hem',
        'hem',
        reversed([waistFrom([0, q.centre], foot, 0, (hem - q.hip) / (foot[1] - q.level))]),
        a.hem,
        { turned: true },
      ),
      edge('centre', `centre ${face}`, straight([0, q.centre], [0, 0]), cm(0), { fold: true }),
    ],
    darts: [],
    lines: [{ id: 'hip', name: 'hip', y: q.level }],
    marks: [{ kind: 'notch', name: 'hip line', at: wide }],
    across: { centre: 'centre', side: 'side' },
    note: `${casingWords(v)}; it holds the waist to ${p(roundLength(cm(held), { ...c.rounding, mode: 'nearest' }))}`,
  };
}

function placesOf(c: PartContext, faces: Readonly<Record<Face, Panel>>, lengths: HemLengths) {
  return FACES.flatMap((face) => {
    const panel = faces[face];
    const at = (figure: string, where: Point) => ({ figure, panel: panel.id, at: where });
    const top = panel.edges[0]!.path[0]!.at(-1) as Point;
    const [foot, centre] = [panel.edges[2]!.path[0]![0], panel.edges[2]!.path[0]!.at(-1) as Point];
    const hip = panel.marks[0]!.at;
    return [
      at(c.id(`waist-line-${face}`), [top[0] * 0.75, 0]),
      at('waist', [top[0] * 0.4, 0]),
      at('hip', hip),
      at('level-hip', [hip[0] * 0.3, hip[1]]),
      at(c.id('hem'), [foot[0] / 2, (foot[1] + centre[1]) / 2]),
      at(lengths[face].id, [0, centre[1] * 0.8]),
      ...(face === 'front'
        ? [at(lengths.right.id, [foot[0], foot[1] * 0.9]), at(c.id('elastic'), [top[0] * 0.15, 0])]
        : [
            // As on any panel with figures: the right half’s, where the left is another.
            at((unevenHems(markedLengths(lengths)) ? lengths.right : lengths.left).id, [
              foot[0],
              foot[1] * 0.9,
            ]),
            at(c.id('side-seam'), [hip[0], (hip[1] + foot[1]) / 2]),
          ]),
    ];
  });
}
