import { reversed } from '../../../draft/curve.ts';
import { edgeLength, sewnLength, sewnWidthAt } from '../../../draft/measure.ts';
import { type Edge, edge, type Panel } from '../../../draft/panel.ts';
import { rounded, straight } from '../../../draft/shape.ts';
import { buildFigure, markedGirth, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say } from '../../../units/print.ts';
import { liningShorter } from '../../common/flared.ts';
import { type FaceTaking, takeUpBoth } from '../../common/from-waist/taking.ts';
import { upperOf } from '../../common/from-waist/upper.ts';
import { freeness, linesBelow, quarterOf, widestLine } from '../../common/from-waist/widest.ts';
import {
  type LegShape,
  type LegUpper,
  legGirth,
  legPanel,
  legShapes,
  sideLonger,
  withUpper,
} from '../../common/leg.ts';
import { BACK_RISE, type LegPlanned, planLegs } from '../../common/leg-plan.ts';
import { onPanel } from '../../common/on-panel.ts';
import { type Band, waistband } from '../../common/waistband.ts';
import type { BodyLine } from '../../lines.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import { crotchSeam, towardReading } from './crotch.ts';
import type { TrouserValues } from './fields.ts';

/** A fly's facing and shield are this wide, finished, and reach this far below the hip line, cm (common practice). */
const FLY_WIDTH = cm(4);
/** How far the centre back leans in at the waist, cm (common practice: 2 to 3). */
const BACK_LEAN = 2;

export interface TrouserDraft extends Drafted {
  readonly plan: LegPlanned;
  readonly wide: BodyLine | null;
  readonly taking: Readonly<Record<Face, FaceTaking>> | null;
  readonly lie: readonly Figure[];
  readonly band: Band;
  readonly waist: Cm | null;
  readonly faces: Readonly<Record<Face, Panel>> | null;
  readonly shapes: Readonly<Record<Face, LegShape>> | null;
  readonly measured: readonly Figure[];
}

/** Trousers as cut, cm; no panels while a figure is absent. */
export function draftTrousers(c: PartContext, v: TrouserValues): TrouserDraft {
  const [waist, hip] = [c.line('waist'), c.line('hip')];
  const from = { girth: hip ? markedGirth(hip.figure) : null, name: 'hip' };
  const wide = widestLine(c.line);
  const rise = sideRise(c).marked!;
  const known = waist?.front && waist.back && hip?.front && wide?.front && wide.back && wide.level !== null;
  const free = freeness('by-fit', c.input.brief.fit) && wide?.zone !== 'waist' ? ('pleats' as const) : null;
  const quarter = (face: Face) => ({
    ...quarterOf({ waist: waist!, wide: wide!, of: c.line }, face),
    rise,
    centreIn: face === 'back' ? c.stepped(cm(BACK_LEAN)) : ZERO,
    free,
    meets: undefined,
  });
  const taking = known ? takeUpBoth(c, { front: quarter('front'), back: quarter('back') }) : null;
  const made = taking && drafted(c, v, { taking, wide: wide!, rise, from });
  const plan = made?.plan ?? planLegs(c, v, from);
  const shapes = made?.shapes ?? null;
  const lie = [sideRise(c), backRise(c, made?.toward?.rise ?? 0)];
  const panelOf = (face: Face, layer: 'outer' | 'lining'): Panel =>
    legPanel(shapes![face], {
      id: c.id(layer === 'outer' ? face : `lining-${face}`),
      name: layer === 'outer' ? `leg ${face}` : `leg ${face}, lining`,
      layer,
      lines: linesBelow(c.line)
        .filter((l) => l.level! > 0)
        .map((l) => ({ id: l.zone, name: l.figure.name, y: l.level! })),
      a: c.allowances,
      waist: c.allowances.waist,
      // The lining is cut to the hem of the leg and turned up short of it.
      hem: layer === 'outer' ? c.allowances.hem : cm(Math.max(0, c.allowances.liningHem - liningShorter(c))),
      opens:
        c.opens === 'left-side'
          ? 'side'
          : c.opens === (face === 'front' ? 'centre-front' : 'centre-back')
            ? 'crotch'
            : null,
      gather: taking![face].gather,
      note: [
        layer === 'lining' ? 'turned up above the hem of the leg; darts folded as pleats' : '',
        face === 'front' && c.opens === 'centre-front' ? 'the fly lies on its crotch seam' : '',
      ]
        .filter(Boolean)
        .join('; '),
    });
  const faces = shapes ? { front: panelOf('front', 'outer'), back: panelOf('back', 'outer') } : null;
  const sewnWaist = faces
    ? cm(2 * sewnLength(faces.front, 'waist') + 2 * sewnLength(faces.back, 'waist'))
    : known
      ? cm(2 * waist.front!.rounded + 2 * waist.back!.rounded)
      : null;
  const band = waistband(c, sewnWaist, v.band, v.overlap);
  const fly = faces && c.opens === 'centre-front' ? flyPanels(c, wide!.level!) : [];
  const linings = faces && c.input.brief.lining ? FACES.map((f) => panelOf(f, 'lining')) : [];
  const girthAt = (depth: Cm): Cm | null => {
    if (!faces || !plan.crotch || depth >= plan.crotch) return null;
    if (depth <= 0) return sewnWaist;
    const [f, b] = FACES.map((face) => sewnWidthAt(faces[face], depth));
    return f == null || b == null ? null : cm(2 * (f + b));
  };
  const crotch = faces ? FACES.map((f) => edgeLength(faces[f], 'crotch')) : [];
  return {
    panels: [...(faces ? [faces.front, faces.back] : []), ...band.panels, ...fly, ...linings],
    sewn: { waist: faces ? sewnWaist : null },
    girthAt,
    reaches: wide?.level ?? ZERO,
    zones: shapes ? [{ zone: 'thigh', figure: c.id('thigh') }] : [],
    places: () => (faces && shapes ? placesOf(c, faces, shapes, plan) : []),
    plan,
    wide: wide ?? null,
    taking,
    lie,
    band,
    waist: faces ? sewnWaist : null,
    faces,
    shapes,
    measured:
      faces && shapes
        ? [
            onPanel(c, 'thigh', 'thigh, at the crotch level', legGirth(shapes)),
            onPanel(c, 'crotch-seam', 'crotch seam, waist to waist', cm(crotch[0]! + crotch[1]!)),
            onPanel(c, 'outseam', 'outside leg', edgeLength(faces.back, 'side')),
            onPanel(
              c,
              'crotch-drop',
              'back crotch point below the front’s',
              cm(shapes.back.crotchPoint[1] - shapes.front.crotchPoint[1]),
            ),
          ]
        : [],
  };
}

const forksOf = ({ extends: e }: LegPlanned): number => (e ? e.front + e.back : 0);

interface LegsFrom {
  readonly taking: Readonly<Record<Face, FaceTaking>>;
  readonly wide: BodyLine;
  readonly rise: Cm;
  readonly from: { readonly girth: Cm | null; readonly name: string };
}

/** Both faces of a leg, the crotch seam drafted towards its reading where there is one. */
function drafted(c: PartContext, v: TrouserValues, q: LegsFrom) {
  const first = planLegs(c, v, q.from);
  const lines = linesBelow(c.line);
  const upper = (face: Face, up: number, rise: number): LegUpper => {
    const drop = cm(face === 'back' ? -rise : 0);
    const u = upperOf(c, { face, taking: q.taking[face], wide: q.wide, rise: cm(up), drop, lines });
    const centre = u.centreSeam.length > 0 ? u.centreSeam : straight([0, u.top], [0, u.wide[1]]);
    return { waist: [u.waist], side: u.side, darts: u.darts, centre };
  };
  const front = upper('front', q.rise, 0);
  const usualRise = backRise(c, 0).marked!;
  // Each rise is drawn once, however often it is tried.
  const backs = new Map<number, LegUpper>();
  const backAt = (rise: number) => {
    const known = backs.get(rise) ?? upper('back', q.rise, rise);
    backs.set(rise, known);
    return known;
  };
  const legsOf = (plan: LegPlanned, rise: number): Record<Face, LegShape> | null => {
    const { crotch, inseam, knee, hem, extends: reach } = plan;
    return crotch === null || !reach || inseam === null || !hem
      ? null
      : legShapes({ front, back: backAt(rise) }, { crotch, extends: reach, inseam, knee, hem });
  };
  /** The back's corner is set so high that its side seam is as long as the front's. */
  const sidesAlike = (legs: Record<Face, LegShape> | null, rise: number) =>
    legs && {
      front: legs.front,
      back: withUpper(
        legs.back,
        backAt(rise),
        upper('back', q.rise + Math.max(-3, Math.min(4, sideLonger(legs.front, legs.back))), rise),
      ),
    };
  const reading = c.measured.get('crotch-length')?.net ?? null;
  const hip = c.line('hip')?.net ?? null;
  // A side that runs in below the hip takes from the thigh what the forks seemed to give.
  const legs = legsOf(first, usualRise);
  const lack = legs && first.thigh !== null ? Math.max(0, first.thigh - legGirth(legs)) : 0;
  const usual = lack > 0 ? planLegs(c, v, q.from, { lack }) : first;
  const toward =
    reading === null || hip === null || !usual.extends
      ? null
      : towardReading(
          (t) => {
            // As they are usually: that has been drawn.
            if (t.front === 0 && t.rise === 0 && usual === first) return legs && crotchSeam(legs);
            const { front, back } = usual.extends!;
            const reach = { front: cm(front + t.front), back: cm(back + t.back) };
            const shapes = legsOf({ ...usual, extends: reach }, usualRise + t.rise);
            return shapes && crotchSeam(shapes);
          },
          {
            reading,
            hip,
            fit: c.input.brief.fit,
            forks: forksOf(usual),
            least: legs && first.thigh !== null ? forksOf(first) - (legGirth(legs) - first.thigh) : 0,
            backRise: usualRise,
          },
        );
  const plan = toward ? planLegs(c, v, q.from, { toward, lack }) : usual;
  const rise = toward ? backRise(c, toward.rise).marked! : usualRise;
  return { plan, toward, shapes: sidesAlike(plan === first ? legs : legsOf(plan, rise), rise) };
}

const LIE = { group: 'level', tolerance: TOLERANCE.detail, nearest: true } as const;
const within = (v: Cm) =>
  v >= 0 && v <= 6 ? null : `Between nothing and ${say(6)}, or the waist line is none.`;

/** How much higher the waist line lies at the side. */
const sideRise = (c: PartContext): Figure =>
  buildFigure(c, {
    id: c.id('side-rise'),
    section: c.key,
    name: 'waist line rises at the side',
    marked: c.shape.sideRise,
    terms: [
      term(
        'add',
        'studio figure',
        c.shape.sideRise,
        `Over the hip curve (common practice ${say(1)} to ${say(1.3)}).`,
      ),
    ],
    follows: within,
    ...LIE,
  });
/** How much higher it lies at the centre back, for sitting; more or less towards the crotch length. */
function backRise(c: PartContext, toward: number): Figure {
  const usual = c.stepped(cm(BACK_RISE));
  return buildFigure(c, {
    id: c.id('back-rise'),
    section: c.key,
    name: 'waist line rises at centre back',
    ...(toward === 0 ? { marked: usual } : {}),
    terms: [
      term('add', 'for sitting', usual, `Common practice ${say(2)} to ${say(3)}.`),
      ...(toward === 0
        ? []
        : [
            term(
              toward > 0 ? 'add' : 'take',
              'towards the crotch length',
              toward,
              `The forks reach as far as they may; the rest of the crotch seam is made up here, between ${say(2)} and ${say(3)}.`,
            ),
          ]),
    ],
    follows: within,
    ...LIE,
  });
}

/** The fly's facing, rounded off below, with its interfacing, and its shield, folded along its free edge. */
function flyPanels(c: PartContext, hipLevel: number): Panel[] {
  const a = c.allowances;
  const [w, h] = [c.stepped(FLY_WIDTH), hipLevel];
  const seam = cm(Math.max(a.side, a.zip));
  const piece = (id: string, name: string, edges: readonly Edge[], more: Partial<Panel>): Panel => ({
    id: c.id(id),
    name,
    share: 'fly',
    layer: 'outer',
    cut: 'single',
    count: 1,
    grain: 'lengthwise',
    edges,
    darts: [],
    lines: [],
    marks: [],
    across: { centre: 'centre', side: 'free' },
    note: '',
    ...more,
  });
  const turn = Math.min(w, h / 2);
  const facing = piece(
    'fly',
    'fly facing',
    [
      edge('top', 'waist', straight([0, 0], [w, 0]), a.waist),
      edge(
        'free',
        'free edge',
        [...straight([w, 0], [w, h - turn]), rounded([0, h], [w, h - turn])].map((s, i) =>
          i === 0 ? s : reversed([s])[0]!,
        ),
        a.facing,
      ),
      edge('centre', 'seam', straight([0, h], [0, 0]), seam),
    ],
    { note: 'faces the right front' },
  );
  const shield = piece(
    'fly-shield',
    'fly shield',
    [
      edge('top', 'waist', straight([0, 0], [w, 0]), a.waist),
      edge('free', 'fold', straight([w, 0], [w, h]), cm(0), { fold: true }),
      edge('lower', 'lower end', straight([w, h], [0, h]), a.facing),
      edge('centre', 'seam', straight([0, h], [0, 0]), seam),
    ],
    { cut: 'fold', note: 'under the left front, folded along its free edge' },
  );
  // Where the hip lies at the very waist there is nothing to stiffen.
  return [facing, shield, ...(h > 2 ? [withoutAllowances(facing)] : [])];
}

/** The interfacing of a piece: its shape without allowances. */
const withoutAllowances = (q: Panel): Panel => ({
  ...q,
  id: `${q.id}-interfacing`,
  name: `${q.name}, interfacing`,
  layer: 'interfacing',
  edges: q.edges.map((e) => ({ ...e, allowance: cm(0) })),
  note: 'without allowances',
});

function placesOf(
  c: PartContext,
  faces: Readonly<Record<Face, Panel>>,
  shapes: Readonly<Record<Face, LegShape>>,
  plan: LegPlanned,
): Place[] {
  return FACES.flatMap((face): Place[] => {
    const [panel, s] = [faces[face], shapes[face]];
    const at = (figure: string, x: number, y: number): Place => ({ figure, panel: panel.id, at: [x, y] });
    const own = (id: string, x: number, y: number) => at(c.id(id), x, y);
    const start = s.waist[0]![0];
    const end = s.waist.at(-1)!.at(-1)!;
    const hemY = s.hem[0]![0][1];
    const [hemOut, hemIn] = [s.hem[0]![0][0], s.hem[0]![1]![0]];
    const kneeY = plan.knee?.level;
    const half = (x0: number, x1: number, t: number) => x0 + (x1 - x0) * t;
    return [
      own(`waist-line-${face}`, half(start[0], end[0], 0.8), half(start[1], end[1], 0.8)),
      own(`gather-${face}`, half(start[0], end[0], 0.4), half(start[1], end[1], 0.4)),
      own(`side-${face}`, end[0], end[1] + 2),
      own(`crotch-${face}`, s.crotchPoint[0], s.crotchPoint[1]),
      own('hem', half(hemIn, hemOut, 0.5), hemY),
      ...(kneeY === undefined ? [] : [own('knee', s.crease, kneeY)]),
      ...s.darts.flatMap((d, i) => {
        const suffix = i > 0 ? `-${i + 1}` : '';
        return [
          ...(i === 0 ? [own(`dart-${face}-intake`, ...d.legs[1])] : []),
          own(`dart-${face}${suffix}-place`, ...d.legs[0]),
          own(`dart-${face}${suffix}-length`, ...d.tip),
        ];
      }),
      ...panel.lines.flatMap((l) => [
        at(l.id, half(0, end[0], 0.9), l.y),
        at(`level-${l.id}`, half(0, end[0], 0.5), l.y),
      ]),
      at('waist', half(start[0], end[0], 0.3), half(start[1], end[1], 0.3)),
      ...(face === 'front'
        ? [
            own('crotch-depth', s.sideAtCrotch, plan.crotch!),
            own('inseam', hemIn, half(s.crotchPoint[1], hemY, 0.6)),
            own('side-rise', end[0], end[1]),
            ...(kneeY === undefined ? [] : [own('knee-level', s.crease + plan.knee!.front / 2, kneeY)]),
          ]
        : [
            own('thigh', half(s.crotchPoint[0], s.sideAtCrotch, 0.5), plan.crotch!),
            own('crotch-seam', 0, plan.crotch! * 0.6),
            own('crotch-drop', s.crotchPoint[0] + 2, s.crotchPoint[1]),
            own('outseam', hemOut, half(plan.crotch!, hemY, 0.5)),
            own('centre-back-in', start[0], start[1] + 1),
            own('back-rise', start[0], start[1]),
          ]),
    ];
  });
}
