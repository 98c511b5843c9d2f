import { type Point, reversed, type Segment } from '../../../draft/curve.ts';
import { edgeLength, sewnLength, sewnWidthAt } from '../../../draft/measure.ts';
import { type Edge, edge, type Panel, type PanelMark } from '../../../draft/panel.ts';
import { straight, waistFrom } from '../../../draft/shape.ts';
import { buildFigure, markedGirth, share, shareOf, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { foldOrSeam } from '../../cloth.ts';
import { FACING_DEPTH, waistFacing } from '../../common/facing.ts';
import { liningNote, liningShorter } from '../../common/flared.ts';
import { type FaceTaking, takeUpBoth } from '../../common/from-waist/taking.ts';
import { type Upper, type UpperPlan, upperOf } from '../../common/from-waist/upper.ts';
import { freeness, linesBelow, quarterOf, widestLine } from '../../common/from-waist/widest.ts';
import {
  type HemLengths,
  hemLengths,
  higherWaist,
  markedLengths,
  STATIONS,
  sideOf,
  unevenHems,
} from '../../common/hem-lengths.ts';
import { type Band, NO_BAND, waistband } from '../../common/waistband.ts';
import type { BodyLine } from '../../lines.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import type { SkirtValues } from './fields.ts';

/** Extension of a vent beyond the centre back line, cm (common practice: 4 to 5). */
const LAP = cm(5);

export interface SkirtDraft extends Drafted {
  readonly wide: BodyLine | null;
  readonly taking: Readonly<Record<Face, FaceTaking>> | null;
  readonly hem: Figure;
  readonly lengths: HemLengths;
  readonly band: Band;
  readonly hemOpening: Figure | null;
  readonly lie: readonly Figure[];
  /** outer panels, front and back; null while something is absent or the skirt is too short for its lines */
  readonly faces: Readonly<Record<Face, Panel>> | null;
  /** the whole sewn waist, cm */
  readonly waist: Cm | null;
  readonly longest: Cm;
}

/** From marked figures to panels; everything else is measured on these. */
export function draftSkirt(c: PartContext, v: SkirtValues): SkirtDraft {
  const [waist, hip] = [c.line('waist'), c.line('hip')];
  const wide = widestLine(c.line);
  const { sideRise, backDrop, centreIn } = c.shape;
  const lie = lieFigures(c, { rise: sideRise, higher: higherWaist(c), drop: backDrop });
  const [rise, drop] = lie.map((f) => f.marked!) as [Cm, Cm];
  const lengths = hemLengths(c, v, { rise, drop });
  const marked = markedLengths(lengths);
  const hem = hemFigure(c, v, wide);
  const hemOpening = v.hemOpening === 'none' ? null : openingFigure(c, v);
  const known = waist?.front && waist.back && hip?.front && wide?.front && wide.back && wide.level !== null;
  const free = freeness(v.takenUp, c.input.brief.fit);
  const seam = c.opens === 'centre-back' || v.hemOpening !== 'none';
  const quarter = (face: Face) => ({
    ...quarterOf({ waist: waist!, wide: wide!, of: c.line }, face),
    rise,
    centreIn: face === 'back' && c.opens === 'centre-back' ? centreIn : ZERO,
    free: wide!.zone === 'waist' ? null : free,
    meets: c.above?.sewnDarts?.[face][0],
  });
  const taking = known ? takeUpBoth(c, { front: quarter('front'), back: quarter('back') }) : null;
  const planOf = (face: Face): PanelPlan | null => {
    if (!taking || !marked || !known || hem.shares.length === 0) return null;
    const upper = { face, taking: taking[face], wide, rise, drop, lines: linesBelow(c.line) };
    return {
      ...upper,
      upper: upperOf(c, upper),
      side: sideOf(c, marked),
      centre: marked[face],
      hem: shareOf(hem, face)!.rounded,
      seam: face === 'back' && seam,
      opening: face === 'back' ? hemOpening : null,
    };
  };
  const plans = { front: planOf('front'), back: planOf('back') };
  const shape = (face: Face, layer: Layer): Panel | null => {
    const plan = plans[face];
    return plan && panel(c, v, plan, layer);
  };
  const [front, back] = [shape('front', 'outer'), shape('back', 'outer')];
  const faces = front && back ? { front, back } : null;
  const sewnWaist = faces
    ? cm(2 * sewnLength(faces.front, 'waist') + 2 * sewnLength(faces.back, 'waist'))
    : null;
  const markedWaist = known ? cm(2 * waist.front!.rounded + 2 * waist.back!.rounded) : null;
  const band = c.above ? NO_BAND : waistband(c, sewnWaist ?? markedWaist, v.band, v.overlap);
  const facings =
    faces && !c.above && v.band <= 0
      ? FACES.flatMap((face) =>
          waistFacing(c, face, {
            waist: sewnLength(faces[face], 'waist'),
            lower: sewnWidthAt(faces[face], c.stepped(FACING_DEPTH)) ?? sewnLength(faces[face], 'waist'),
            cut: faces[face].cut === 'fold' ? 'fold' : 'pair',
          }),
        )
      : [];
  const linings = faces && c.input.brief.lining ? FACES.flatMap((face) => shape(face, 'lining') ?? []) : [];
  const girthAt = (depth: Cm): Cm | null => {
    if (!faces) return null;
    if (depth <= 0) return sewnWaist;
    const front = sewnWidthAt(faces.front, depth);
    const back = sewnWidthAt(faces.back, depth);
    return front === null || back === null ? null : cm(2 * (front + back));
  };
  const fitted = ['close', 'fitted'].includes(c.input.brief.fit) && hip?.level != null;
  return {
    panels: [...(faces ? [front!, back!] : []), ...band.panels, ...facings, ...linings],
    uneven: unevenHems(marked),
    sewn: { waist: sewnWaist },
    ...(faces && taking && FACES.some((face) => taking[face].gather > 0)
      ? {
          meets: {
            waist: {
              kind: free === 'pleats' ? 'pleated' : 'gathered',
              cloth: cm(2 * FACES.reduce((sum, face) => sum + edgeLength(faces[face], 'waist'), 0)),
            } as const,
          },
        }
      : {}),
    girthAt,
    reaches: marked ? cm(Math.min(...Object.values(marked))) : ZERO,
    ...(fitted
      ? {
          opensAtLeast: {
            depth: cm(hip.level! - 3),
            because: `On a fitted skirt at least to ${p(3)} above the hip line (common practice).`,
          },
        }
      : {}),
    places: () => (faces ? placesOf(c, faces, hemOpening, unevenHems(marked)) : []),
    wide: wide ?? null,
    taking,
    hem,
    lengths,
    band,
    hemOpening,
    lie,
    faces,
    waist: sewnWaist,
    longest: cm(Math.max(0, ...STATIONS.map((s) => lengths[s].marked ?? 0))),
  };
}

/** How the waist line lies: up at the side, down at centre back (house figures). */
function lieFigures(
  c: PartContext,
  { rise, higher, drop }: { readonly rise: Cm; readonly higher: Cm; readonly drop: Cm },
): Figure[] {
  const base = { section: c.key, group: 'level' as const, tolerance: TOLERANCE.detail, nearest: true };
  const within = (v: Cm) =>
    v >= 0 && v <= 4 ? null : `Between nothing and ${p(4)}, or the waist line is none.`;
  return [
    buildFigure(c, {
      id: c.id('side-rise'),
      name: 'waist line rises at the side',
      marked: cm(rise + higher),
      terms: [
        term('add', 'studio figure', rise, `Over the hip curve (common practice ${p(1)} to ${p(1.3)}).`),
        ...(higher > 0
          ? [
              term(
                'add',
                `longer on the ${c.which}`,
                higher,
                `From waist to hem ${p(c.measured.get('hem-left')!.net!)} was read on the left and ${p(c.measured.get('hem-right')!.net!)} on the right: the way over that hip is longer, so it lies in the waist line, and hip and hem stay level.`,
              ),
            ]
          : []),
      ],
      follows: (v) => within(cm(v - higher)),
      ...base,
    }),
    buildFigure(c, {
      id: c.id('back-drop'),
      name: 'waist line drops at centre back',
      marked: drop,
      terms: [
        term(
          'add',
          'studio figure',
          drop,
          `For the hollow of the back (common practice ${p(0.6)} to ${p(1)}).`,
        ),
      ],
      follows: within,
      ...base,
    }),
  ];
}

/** The hem's girth: straight down from the widest line, less the taper of its four edges. */
function hemFigure(c: PartContext, v: SkirtValues, wide: BodyLine | undefined): Figure {
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
        'A straight skirt falls straight from its widest line.',
      ),
      ...(v.taper > 0
        ? [term('take', `taper, 4 edges × ${p(v.taper)}`, -4 * v.taper, 'Two side seams have four edges.')]
        : []),
    ],
    follows: (value) =>
      finished !== null && value > finished / 2
        ? null
        : 'A hem narrower than half of the widest line is no skirt.',
  });
  if (hem.finished === null || finished === null || !wide?.front || !wide.back) return hem;
  // What changed the hem girth is shared over its four edges, so front and back keep the widest line's balance.
  const perEdge = (hem.finished - finished) / 4;
  return {
    ...hem,
    shares: FACES.map((face) =>
      share(c, face, 2, [
        term(
          'body',
          `${wide.figure.name}, ${face} quarter`,
          wide[face]!.rounded,
          'Straight down, as marked.',
        ),
        term('take', 'per edge', perEdge, 'A quarter of the difference.'),
      ]),
    ),
  };
}

const openingFigure = (c: PartContext, v: SkirtValues): Figure =>
  buildFigure(c, {
    id: c.id(v.hemOpening),
    section: c.key,
    name: `${v.hemOpening}, height`,
    group: 'length',
    terms: [term('style', 'from the brief', v.openingHeight, 'Style, as briefed.')],
    follows: (value) => (value > 0 ? null : 'Enter a height over 0, or set a closed hem in the brief.'),
  });

interface PanelPlan extends UpperPlan {
  readonly upper: Upper;
  readonly side: Cm;
  readonly centre: Cm;
  readonly hem: Cm;
  readonly seam: boolean;
  readonly opening: Figure | null;
}
type Layer = 'outer' | 'lining';

/** One panel from its plan: points placed from marked figures. Null when the skirt ends above its widest line. */
function panel(c: PartContext, v: SkirtValues, q: PanelPlan, layer: Layer): Panel | null {
  const { face, taking } = q;
  const { top, waist, darts, centreSeam, bend, low, side, wide } = q.upper;
  const [wideX, wideY] = wide;
  const a = c.allowances;
  const shorter = layer === 'lining' ? liningShorter(c) : 0;
  const straightDown = q.side - shorter - q.upper.sideLength;
  const inward = q.hem - bend[0];
  const hemY = top + q.centre - shorter;
  if (straightDown <= Math.abs(inward) + 1 || hemY <= low + 1) return null;
  const hemSide: Point = [q.hem, bend[1] + Math.sqrt(straightDown ** 2 - inward ** 2)];
  const hemCentre: Point = [0, hemY];
  const fold = !q.seam;
  const sideAllowance = c.opens === 'left-side' ? cm(Math.max(a.side, a.zip)) : a.side;
  const centreAllowance = c.opens === 'centre-back' ? a.zip : a.centre;
  const vent =
    q.opening && v.hemOpening === 'vent' && q.opening.marked! < hemY - 1 ? q.opening.marked! - shorter : 0;
  const lap = c.stepped(LAP);
  const ventTop = hemY - Math.max(0, vent);
  const tail: Edge[] =
    vent > 0
      ? [
          edge(
            'vent-hem',
            'vent hem',
            straight(hemCentre, [-lap, hemY]),
            layer === 'lining' ? a.liningHem : a.hem,
            { turned: true },
          ),
          edge('vent', 'vent', straight([-lap, hemY], [-lap, ventTop]), a.centre),
          edge('vent-top', 'top of the vent', straight([-lap, ventTop], [0, ventTop]), a.centre),
        ]
      : [];
  const up: Point = [0, ventTop];
  const centrePath: Segment[] =
    centreSeam.length > 0 && ventTop > wideY
      ? [[up, [0, wideY]], ...reversed(centreSeam)]
      : straight(up, [taking.centre, top]);
  const marks: PanelMark[] = [{ kind: 'notch', name: 'hip line', at: [wideX, wideY] }];
  const made: Panel = {
    id: c.id(layer === 'outer' ? face : `lining-${face}`),
    name: layer === 'outer' ? face : `${face} lining`,
    share: face,
    layer,
    cut: fold ? 'fold' : 'pair',
    count: fold ? 1 : 2,
    grain: `lengthwise, parallel to centre ${face}`,
    edges: [
      edge('waist', 'waist', [waist], a.waist, { gather: taking.gather }),
      edge('side', 'side seam', [...side, [bend, hemSide]], sideAllowance),
      edge(
        'hem',
        'hem',
        reversed([waistFrom(hemCentre, hemSide, 0, inward / straightDown)]),
        layer === 'lining' ? a.liningHem : a.hem,
        { turned: true },
      ),
      ...tail,
      edge('centre', `centre ${face}`, centrePath, fold ? ZERO : centreAllowance, { fold }),
    ],
    darts,
    lines: q.lines.filter((l) => l.level! > 0).map((l) => ({ id: l.zone, name: l.figure.name, y: l.level! })),
    marks,
    across: { centre: 'centre', side: 'side' },
    note: noteOf(c, v, q, { layer, fold, vent: vent > 0, sideAllowance }),
  };
  return foldOrSeam(c.input, made, a.centre);
}

function noteOf(
  c: PartContext,
  v: SkirtValues,
  { face, taking }: PanelPlan,
  { layer, fold, vent, sideAllowance }: { layer: Layer; fold: boolean; vent: boolean; sideAllowance: Cm },
): string {
  const notes = fold ? [] : [`centre ${face} seam`];
  if (vent)
    notes.push(
      layer === 'outer'
        ? `vent extension ${p(c.stepped(LAP))} included, the left laps over`
        : 'the vent’s shape mirrored',
    );
  else if (face === 'back' && v.hemOpening === 'slit') notes.push('edges of the slit as the hem');
  if (layer === 'lining') notes.push(liningNote(c));
  if (layer === 'lining' && taking.darts.length > 0) notes.push('darts folded as pleats');
  if (c.opens === 'left-side')
    notes.push(`left side seam ${p(sideAllowance)} for the ${c.closes === 'lacing' ? 'lacing' : 'zip'}`);
  return notes.join('; ');
}

/** Where the skirt's figures are found on its panels. */
function placesOf(
  c: PartContext,
  faces: Readonly<Record<Face, Panel>>,
  opening: Figure | null,
  uneven: boolean,
): Place[] {
  return FACES.flatMap((face): Place[] => {
    const own = faces[face];
    const points = (id: string) => own.edges.find((e) => e.id === id)!.path;
    const corner = points('waist')[0]!.at(-1) as Point;
    const hem = points('hem')[0]!;
    const hemSide = hem[0] as Point;
    const hemCentre = hem.at(-1) as Point;
    const centreTop = points('waist')[0]![0] as Point;
    const mid = (p1: Point, p2: Point, t = 0.5): Point => [
      p1[0] + (p2[0] - p1[0]) * t,
      p1[1] + (p2[1] - p1[1]) * t,
    ];
    const at = (figure: string, where: Point): Place => ({ figure, panel: own.id, at: where });
    const sides: Place[] =
      face === 'front'
        ? [at(c.id('hem-right'), mid(corner, hemSide, 0.7)), at(c.id('side-rise'), corner)]
        : [
            // The panels with figures are the right half’s: where the left is another, its length is not theirs.
            at(c.id(uneven ? 'hem-right' : 'hem-left'), mid(corner, hemSide, 0.7)),
            at(c.id('back-drop'), centreTop),
            at(c.id('centre-back-in'), mid(centreTop, hemCentre, 0.06)),
          ];
    return [
      at(c.id(`waist-line-${face}`), mid(centreTop, corner, 0.8)),
      at(c.id(`gather-${face}`), mid(centreTop, corner, 0.4)),
      at(c.id(`side-${face}`), mid(corner, points('side')[0]!.at(-1) as Point, 0.25)),
      ...own.darts.flatMap((d, i) => {
        const suffix = i > 0 ? `-${i + 1}` : '';
        return [
          ...(i === 0 ? [at(c.id(`dart-${face}-intake`), d.legs[1])] : []),
          at(c.id(`dart-${face}${suffix}-place`), d.legs[0]),
          at(c.id(`dart-${face}${suffix}-length`), d.tip),
        ];
      }),
      at(c.id(`hem-${face}`), mid(centreTop, hemCentre, 0.85)),
      at(c.id('hem'), mid(hemCentre, hemSide)),
      ...sides,
      ...own.lines.map((l) => at(l.id, [own.edges.find((e) => e.id === 'side')!.path[0]![0]![0], l.y])),
      ...(face === 'back' && opening ? [at(opening.id, [0, hemCentre[1] - opening.marked! / 2])] : []),
    ];
  });
}
