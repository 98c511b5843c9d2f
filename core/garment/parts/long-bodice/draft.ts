import { endOf, type Point, reversed, type Segment, startOf } from '../../../draft/curve.ts';
import { insetCentre } from '../../../draft/inset.ts';
import { dartOn, edgeLength, pointAlong, sewnLength, sewnWidthAt } from '../../../draft/measure.ts';
import { edge, edgeOf, type InnerDart, type Panel, type PanelMark } from '../../../draft/panel.ts';
import { alongAtX, pathLength } from '../../../draft/path.ts';
import { BENDS, flared, levelFrom, levelOfLength, seamThrough, straight } from '../../../draft/shape.ts';
import { hemLift, squareHem } from '../../../draft/square-hem.ts';
import { TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure, Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { foldOrSeam } from '../../cloth.ts';
import { movedFigures, SHORT_OF_BUST } from '../../common/bodice/bust-dart.ts';
import { type BustTurn, bustTurn, turnedDartFigures, turnedFront } from '../../common/bodice/bust-turn.ts';
import { closingBands, closingFigures, halfOverlap } from '../../common/bodice/closing.ts';
import { facings } from '../../common/bodice/facings.ts';
import { linings } from '../../common/bodice/lining.ts';
import { type BodicePlan, type Marked, planBodice } from '../../common/bodice/plan.ts';
import { quarterDart } from '../../common/bodice/quarter-plan.ts';
import { type CutFace, cutFace, type GoesOn, isPrincess } from '../../common/bodice/seams.ts';
import { type BodiceTaking, bodiceTaking } from '../../common/bodice/suppression.ts';
import { type Figuring, figuresOf } from '../../common/figures-of.ts';
import { belowWanted } from '../../common/length-wanted.ts';
import { armEnds, armholePath, neckEnds, neckline, withArmNotches } from '../../common/neck-and-armhole.ts';
import { onPanel } from '../../common/on-panel.ts';
import { belowByTotal } from '../../common/total-length.ts';
import type { BodyLine } from '../../lines.ts';
import type { Drafted, PartContext } from '../../part.ts';
import { FACES, type Face, sidesAlike } from '../../tables/darts.ts';
import { isOver, type LongValues } from './fields.ts';
import { longPlaces } from './places.ts';

/** A waist dart goes on this far below the waist, cm, and ends at least this far above the hip line (common practice). */
const BELOW_WAIST: Readonly<Record<Face, number>> = { front: 12, back: 14 };
const ABOVE_HIP = 3;
/** An armhole that goes over another one lies this much lower, cm (common practice). */
const LOWER_ARMHOLE = 1.5;

export interface LongDraft extends Drafted {
  readonly plan: BodicePlan;
  readonly own: readonly Figure[];
  readonly taking: Readonly<Record<Face, BodiceTaking>> | null;
  /** how the front is turned about its bust point; null until it is drafted */
  readonly turn: BustTurn | null;
  readonly bustDart: readonly Figure[];
  /** with the bust dart in the side seam */
  readonly faces: Readonly<Record<Face, Panel>> | null;
  /** as they are cut */
  readonly cut: readonly CutFace[];
  /** half the width of a face below the waist once darts are closed, cm */
  readonly halfAt: (face: Face, depth: number) => number | null;
  readonly measured: readonly Figure[];
  readonly below: Cm | null;
  /** below the waist, cm; null where it ends above the hip or none was read */
  readonly hipLevel: Cm | null;
  /** height of the side slits, cm */
  readonly slits: Cm;
}

/** What darts, side seam and centre of each face take between bust and waist. */
function takingsOf(
  c: PartContext,
  v: LongValues,
  m: Marked,
  turn: BustTurn,
  { bust, waist }: { readonly bust: BodyLine; readonly waist: BodyLine },
): Record<Face, BodiceTaking> {
  const { drop } = turn;
  const centreIn = (face: Face) => (face === 'back' && c.opens === 'centre-back' ? c.shape.centreIn : ZERO);
  const left = FACES.map((face) => {
    const total = bust[face]!.rounded - waist[face]!.rounded;
    return total > 2 * centreIn(face) ? total - centreIn(face) : total;
  });
  const sideTakes = v.plan === 'measured' ? sidesAlike(left[0]!, left[1]!) : undefined;
  return Object.fromEntries(
    FACES.map((face) => [
      face,
      bodiceTaking(c, {
        joint: 'waist',
        face,
        bust: bust[face]!.rounded,
        waist: waist[face]!.rounded,
        centreIn: centreIn(face),
        sideTakes,
        apex: m.apex,
        one: isPrincess(v),
        fixed: v.plan === 'quarter' ? quarterDart(c.stepped).dart : null,
        // Up to below the bust point in front, to the bust line at the back: further up it would take from the bust.
        most: cm(
          face === 'front'
            ? m.waistFront - Math.max(m.bustLevel + SHORT_OF_BUST, m.armhole + turn.balance + drop)
            : m.waistBack - m.armhole - drop,
        ),
      }),
    ]),
  ) as Record<Face, BodiceTaking>;
}

interface Below {
  readonly toHip: number;
  readonly below: Cm;
  readonly slits: Cm;
}
/** How far the darts of each face go on below the waist; null where a face has none. */
function belowWaist(
  c: PartContext,
  v: LongValues,
  make: ReturnType<typeof figuresOf>['make'],
  taking: Readonly<Record<Face, BodiceTaking>>,
  { toHip, below, slits }: Below,
): Record<Face, Figure | null> {
  return Object.fromEntries(
    FACES.map((face) => {
      const wanted = v.plan === 'quarter' ? quarterDart(c.stepped).below : BELOW_WAIST[face];
      const most = Math.min(wanted, toHip - ABOVE_HIP, below - slits - ABOVE_HIP);
      const darts = taking[face].darts.length;
      return [
        face,
        darts === 0
          ? null
          : make(
              `dart-${face}-below`,
              `${face} waist dart, below the waist`,
              [
                term(
                  'style',
                  'on below the waist',
                  Math.max(1, most),
                  `${p(cm(wanted))} where there is room, and at least ${p(cm(ABOVE_HIP))} above the hip line (common practice).`,
                ),
              ],
              {
                group: 'dart',
                tolerance: TOLERANCE.detail,
                marked: roundLength(cm(Math.max(1, most)), { ...c.rounding, mode: 'down' }),
                follows: (value) =>
                  value > 0 && value <= Math.min(toHip, below)
                    ? null
                    : `It would run past the hip line (${p(cm(Math.min(toHip, below)))} below the waist).`,
              },
            ),
      ];
    }),
  ) as Record<Face, Figure | null>;
}

/** Each face cut along its princess seam, where it has one, over the bust or the blade and down through its dart. */
function cutAs(c: PartContext, v: LongValues, m: Marked, face: Face, panel: Panel, whole = panel): CutFace {
  const hem = edgeOf(panel, 'hem').path;
  const dart = panel.inner?.[0];
  const hip = panel.lines.find((l) => l.id === 'hip')?.y;
  const over: Point =
    face === 'front'
      ? [m.apex, m.bustLevel]
      : // From the armhole the seam turns down at the underarm's height, or it would hook.
        [dart?.up[0] ?? panel.lines[0]!.y * 0.4, Math.max(dart?.up[1] ?? 0, m.armhole)];
  const x = dart?.down[0] ?? over[0];
  const after = [
    ...(dart ? [dart.down] : []),
    ...(hip !== undefined && hip > (dart?.down[1] ?? over[1]) + 0.5 ? [[x, hip] as Point] : []),
  ];
  const on: GoesOn = {
    along: alongAtX(hem, x) ?? 0,
    waist: dart
      ? [
          [dart.at[0] - dart.intake / 2, dart.at[1]],
          [dart.at[0] + dart.intake / 2, dart.at[1]],
        ]
      : null,
    after,
    spread: v.flare,
    notch: 'waist',
  };
  return cutFace(c, v, face, panel, over, on, whole);
}

interface Drawing {
  readonly turn: BustTurn;
  readonly bustDart: readonly Figure[];
  /** what a face is drawn from, without its side's shift and its dart */
  readonly at: (face: Face) => Omit<Half, 'shift' | 'open' | 'sideDart'>;
  readonly below: Cm;
}
/** Front and back halves, their side seams as long as each other, their hems square; null where the heights belong to no one body. */
function drawnHalves(c: PartContext, v: LongValues, m: Marked, { turn, bustDart, at, below }: Drawing) {
  const behind = half(c, v, m, 'back', { ...at('back'), shift: 0, open: null, sideDart: null });
  const intake = bustDart[0]?.marked ?? ZERO;
  const open = turnedFront(turn, intake);
  if (open.underarm[1] < 4) return null;
  // The front's side seam is the back's and its dart: where its waist, hip and hem lie at the side follows.
  const goal = edgeLength(behind, 'side') + intake;
  const shaped = (shift: number) =>
    half(c, v, m, 'front', {
      ...at('front'),
      shift,
      open,
      sideDart: bustDart.length > 0 ? { intake, length: bustDart[1]!.marked! } : null,
    });
  let drawn = shaped(turn.balance);
  let drawnAt = turn.balance as number;
  const off = (shift: number) => {
    if (shift !== drawnAt) [drawn, drawnAt] = [shaped(shift), shift];
    return goal - edgeLength(drawn, 'side');
  };
  // No shift that makes both as long: the heights belong to no one body.
  const shift = rootFrom(off, turn.balance);
  if (shift === null) return null;
  off(shift);
  // One lift for both, so that the seam stays as long; the hip line stays on the panel.
  const room = below - (at('back').hipLevel ?? 0) - 0.5;
  const lift = Math.min(room, (hemLift(drawn, 'hem') + hemLift(behind, 'hem')) / 2);
  return withArmNotches({
    front: squareHem(drawn, 'hem', lift),
    back: squareHem(behind, 'hem', lift),
  });
}

/** How wide a face is so far below its waist, cm; null where it is not reached. */
function halfWidths(
  cut: readonly CutFace[],
  faces: Readonly<Record<Face, Panel>>,
  waists: Readonly<Record<Face, number>>,
): (face: Face, depth: number) => number | null {
  const lows = new Map(
    [...cut.flatMap((f) => f.panels), ...FACES.map((face) => faces[face])].map((q) => [q, lowest(q)]),
  );
  return (face: Face, depth: number): number | null => {
    // Below its dart a princess seam may spread: the width is that of both panels.
    const widths = (
      cut.find((f) => f.face === face)!.panels.length > 1 && depth > 0
        ? cut.find((f) => f.face === face)!.panels
        : [faces[face]]
    ).map((q) => sewnWidthAt(q, Math.min(waists[face] + depth, lows.get(q)!)));
    return widths.some((w) => w === null) ? null : widths.reduce<number>((a, w) => a + w!, 0);
  };
}

/** A bodice on to the hip goes at least this far below the waist, cm. */
const LEAST_BELOW = 4;

/** How far it goes below the waist: as the whole length was read, else as briefed. */
const lengthTerms = (c: PartContext, v: LongValues): readonly Term[] | null =>
  belowByTotal(c) ??
  (v.lengthFrom === 'waist' ? [term('style', 'wanted', v.below, 'As briefed.')] : belowWanted(c, v));

/** The height of the side slits; null where there are none. */
const slitFigure = (v: LongValues, below: Cm | null, make: Figuring['make']): Figure | null =>
  v.slits > 0
    ? make('slits', 'side slits, height', [term('style', 'wanted', v.slits, 'As briefed.')], {
        follows: (value) =>
          value > 0 && value < (below ?? v.below) - 3
            ? null
            : `A slit ends at least ${p(3)} below the waist.`,
      })
    : null;

/** A bodice in one with what hangs below the waist, as cut, cm; no panels while a figure is absent. */
export function draftLong(c: PartContext, v: LongValues): LongDraft {
  const first = planBodice(c, v);
  const plan = isOver(v) ? lowered(first, c) : first;
  const { figures: own, make } = figuresOf(c, { tolerance: TOLERANCE.length });
  const length = make('below', 'length below the waist', lengthTerms(c, v));
  const slit = slitFigure(v, length.marked, make);
  const [bust, waist, hip] = [c.line('bust'), c.line('waist'), c.line('hip')];
  const turn = plan.marked && bust?.front ? bustTurn(c, plan.marked, bust.front.rounded, v.plan) : null;
  const m = turn?.m;
  const none: LongDraft = {
    panels: [],
    sewn: {},
    places: () => [],
    plan,
    own,
    taking: null,
    turn,
    bustDart: [],
    faces: null,
    cut: [],
    halfAt: () => null,
    measured: [],
    below: length.marked,
    hipLevel: null,
    slits: ZERO,
  };
  if (!turn || !m || length.marked === null || !bust?.front || !bust.back || !waist?.front || !waist.back)
    return none;
  const below = length.marked;
  const slits = slit?.marked != null && slit.marked < below - 3 ? slit.marked : ZERO;
  const drop = turn.drop;
  const sensible =
    below >= LEAST_BELOW &&
    m.waistFront > m.bustLevel + 4 &&
    m.waistBack > m.armhole + drop + 4 &&
    m.armhole > 5;
  const toHip = hip?.level ?? c.input.house.hipDrop;
  const needsHip = below > toHip;
  if (!sensible || (needsHip && !hip?.front)) return none;
  const hipLevel = hip?.front ? toHip : null;

  const taking = takingsOf(c, v, m, turn, { bust, waist });
  const lower = belowWaist(c, v, make, taking, { toHip, below, slits });

  const at = (face: Face) => ({
    below,
    hipLevel: hipLevel !== null && hipLevel < below - 1 ? hipLevel : null,
    hip: hip?.[face]?.rounded ?? bust[face]!.rounded,
    toHip,
    bust: bust[face]!.rounded,
    drop,
    slits,
    taking: taking[face],
    dartBelow: lower[face]?.marked ?? ZERO,
  });
  const bustDart = turnedDartFigures(c, turn);
  const halves = drawnHalves(c, v, m, { turn, bustDart, at, below });
  if (!halves) return none;
  const { front, back } = halves;
  const fold = (panel: Panel) => foldOrSeam(c.input, panel, c.allowances.centre);
  const faces = { front: fold(front), back: fold(back) };
  const cut = [cutAs(c, v, m, 'front', front), cutAs(c, v, m, 'back', back)];
  // Where a princess seam spreads the hem is lifted at it too.
  const lifted = ({ panels }: CutFace) =>
    v.flare > 0 && panels.length > 1 ? panels.map((q) => squareHem(q, 'hem')) : panels;
  const cutPanels = cut.flatMap((f) =>
    lifted(f).map((q) => (f.face === 'front' ? insetCentre(q, halfOverlap(c)) : q)),
  );
  const faced = facings(c, v, faces);
  const inside = c.input.brief.lining
    ? linings(c, faces, cut, faced, { edge: 'hem', allowance: c.allowances.liningHem }, (face, panel) =>
        lifted(cutAs(c, v, m, face, panel, faces[face])),
      )
    : [];
  const waists = { front: lineY(front, 'waist'), back: m.waistBack };
  const halfAt = halfWidths(cut, faces, waists);
  const girthAt = (depth: Cm): Cm | null => {
    const halves = FACES.map((face) => halfAt(face, depth));
    return halves.some((w) => w === null) ? null : cm(2 * (halves[0]! + halves[1]!));
  };
  const armhole = cm(FACES.reduce((sum, f) => sum + sewnLength(faces[f], 'armhole'), 0));
  const neck = cm(2 * FACES.reduce((sum, f) => sum + sewnLength(faces[f], 'neck'), 0));
  const side = sewnLength(faces.back, 'side');
  const hem = cm(2 * cutPanels.reduce((sum, q) => sum + edgeLength(q, 'hem') + (q.beside ?? 0), 0));
  const whole = c.opens === 'centre-front';
  return {
    ...none,
    panels: [...cutPanels, ...closingBands(c, m, faces.front), ...faced, ...inside],
    sewn: { armhole, neck },
    arm: armEnds(faces.back, m.waistBack),
    neckline: neckEnds(faces.front, faces.back, m.waistBack),
    girthAt,
    reaches: cm(below - 0.01),
    opensAbove:
      c.opens === 'left-side'
        ? cm(m.waistBack - m.armhole)
        : cm(edgeLength(faces[whole ? 'front' : 'back'], 'centre') - below),
    ...(whole
      ? { opensAtLeast: { depth: below, because: 'It opens in front all the way down.', whole: true } }
      : {}),
    places: () => longPlaces(c, cut, waists),
    taking,
    bustDart: v.shaping === 'darts' ? bustDart : bustDart.slice(0, 1),
    faces,
    cut,
    halfAt,
    hipLevel: at('back').hipLevel,
    slits,
    measured: [
      ...movedFigures(c, cut[0]!.panels),
      ...closingFigures(c, m, faces.front),
      onPanel(c, 'side-seam', 'side seam, underarm to hem', side),
      onPanel(c, 'armhole-round', 'armhole, sewn', armhole),
      onPanel(c, 'neck-round', 'neckline, sewn', neck),
      onPanel(c, 'hem', 'hem, all round', hem),
      onPanel(c, 'centre-back-length', 'centre back, neck to hem', edgeLength(faces.back, 'centre')),
    ],
  };
}

/** Where a falling difference is nothing, by secants from a first guess, to a ten-thousandth of a millimetre; null where they find none. */
function rootFrom(off: (x: number) => number, first: number): number | null {
  let [a, fa] = [first, off(first)];
  let b = a + fa;
  for (let i = 0; i < 24; i++) {
    if (Math.abs(fa) < 1e-5) return a;
    const fb = off(b);
    if (Math.abs(fb) < 1e-5) return b;
    const slope = (fb - fa) / (b - a || 1e-9);
    // Never further than twenty centimetres at once: a side that bends hard is felt out.
    const step = Math.abs(slope) < 0.05 ? Math.sign(fb) * 2 : -fb / slope;
    [a, fa] = [b, fb];
    b += Math.max(-20, Math.min(20, step));
  }
  return Math.abs(fa) < 0.01 ? a : null;
}

/** Down to where a panel has a width: a hem that is lifted at a seam leaves it none below. */
const lowest = (q: Panel): number =>
  Math.min(
    ...[q.across.centre, q.across.side].map((id) =>
      Math.max(
        ...edgeOf(q, id)
          .path.flat()
          .map(([, y]) => y),
      ),
    ),
  ) - 0.01;

const lineY = (panel: Panel, id: string): number => panel.lines.find((l) => l.id === id)!.y;

/** Over another garment the armhole lies lower: the plan with that told on its figure. */
function lowered(plan: BodicePlan, c: PartContext): BodicePlan {
  const more = c.stepped(cm(LOWER_ARMHOLE));
  const because = 'It goes over another armhole (common practice).';
  const figures = plan.figures.map((f) => {
    if (f.id !== c.id('armhole-depth') || f.finished === null || f.marked === null) return f;
    if (f.overrides.some((o) => o.target === 'finished')) return f;
    return {
      ...f,
      terms: [...f.terms, term('layers', 'over another armhole', more, because)],
      rule: f.rule === null ? null : cm(f.rule + more),
      finished: cm(f.finished + more),
      marked: roundLength(cm(f.finished + more), { ...c.rounding, mode: 'nearest' }),
    };
  });
  const depth = figures.find((f) => f.id === c.id('armhole-depth'))?.marked;
  return { figures, marked: plan.marked && { ...plan.marked, armhole: depth ?? plan.marked.armhole } };
}

interface Half {
  readonly below: Cm;
  readonly hipLevel: Cm | null;
  readonly hip: Cm;
  readonly toHip: Cm;
  readonly bust: Cm;
  readonly drop: Cm;
  readonly slits: Cm;
  readonly taking: BodiceTaking;
  readonly dartBelow: Cm;
  /** how much lower the side lies than the back's from the bust dart on */
  readonly shift: number;
  /** a front turned about its bust point */
  readonly open: ReturnType<typeof turnedFront> | null;
  readonly sideDart: { readonly intake: Cm; readonly length: Cm } | null;
}

/** The darts of the waist, closed at both ends: their widest on the waist, their tips above and below it. */
const waistDarts = (
  c: PartContext,
  m: Marked,
  face: Face,
  q: Half,
  waist: Segment,
  bustY: number,
): InnerDart[] =>
  q.taking.darts.map((d, i): InnerDart => {
    const [x, y] = pointAlong([waist], d.at);
    return {
      id: c.id(`dart-${face}${i > 0 ? `-${i + 1}` : ''}`),
      figure: c.id(`dart-${face}-intake`),
      at: [x, y],
      intake: d.intake,
      // Where the waist rises to its side the dart still ends below the bust line.
      up: [face === 'front' && i === 0 ? m.apex : x, Math.max(y - d.length, bustY)],
      down: [x, y + q.dartBelow - (i > 0 ? 1 : 0)],
    };
  });

function half(c: PartContext, v: LongValues, m: Marked, face: Face, q: Half): Panel {
  const a = c.allowances;
  const { taking } = q;
  const angle = (m.slope * Math.PI) / 180;
  const along = (d: number): Point => [m.neckHalf + d * Math.cos(angle), d * Math.sin(angle)];
  const sideNeck = along(m.widen);
  const eased = face === 'back' ? cm(m.shoulderBack - m.shoulder) : ZERO;
  const tip = along(m.widen + m.shoulder + eased);
  const centreNeck: Point = [0, sideNeck[1] + (face === 'front' ? m.neckFront : m.neckBack)];
  const underarm: Point = q.open?.underarm ?? [q.bust, m.armhole];
  const bustSide: Point = q.open?.upper ?? [q.bust, m.armhole + q.drop];
  const bustY = q.open?.lower[1] ?? bustSide[1];
  const centreWaist: number = face === 'front' ? m.waistFront : m.waistBack;
  const sideWaistY = m.waistBack + q.shift;
  const rise = centreWaist - sideWaistY;
  const waist =
    Math.abs(rise) < taking.waistLine - 1
      ? levelOfLength([taking.centre, centreWaist], rise, taking.waistLine)
      : levelFrom([taking.centre, centreWaist], [taking.centre + taking.waistLine, sideWaistY]);
  const sideWaist = endOf(waist);
  // Between waist and hip, or on to it: a hem that ends above the hip is as wide as the way there.
  const share = Math.min(1, q.below / q.toHip);
  const wide = sideWaist[0] + (q.hip - sideWaist[0]) * share;
  const foot: Point = [(q.hipLevel === null ? wide : q.hip) + v.flare, sideWaistY + q.below];
  const begin = q.open?.lower ?? bustSide;
  const points: Point[] = [
    begin,
    sideWaist,
    ...(q.hipLevel === null ? [] : [[q.hip, sideWaistY + q.hipLevel] as Point]),
  ];
  const last = points.at(-1)!;
  // Where no dart opens there the side goes on from the underarm without a corner.
  const slope = (a: Point, b: Point) => (b[0] - a[0]) / (b[1] - a[1]);
  const leaves =
    bustSide[1] > underarm[1] + 0.5 ? (slope(underarm, bustSide) + slope(begin, sideWaist)) / 2 : undefined;
  const side: Segment[] = [
    ...straight(underarm, bustSide),
    ...(q.open && q.sideDart ? straight(bustSide, q.open.lower) : []),
    ...seamThrough(points, q.open && q.sideDart ? undefined : leaves),
    flared(last, foot, BENDS.hip),
  ];
  const seam = c.opens === `centre-${face}`;
  const centreHem: Point = [0, centreWaist + q.below];
  const centre: Segment[] =
    taking.centre > 0
      ? [
          ...straight(centreHem, [0, centreWaist + Math.min(q.toHip, q.below - 1)]),
          [
            [0, centreWaist + Math.min(q.toHip, q.below - 1)],
            [taking.centre, centreWaist],
          ],
          [
            [taking.centre, centreWaist],
            [0, bustY],
          ],
          [[0, bustY], centreNeck],
        ]
      : straight(centreHem, centreNeck);
  const inner = waistDarts(c, m, face, q, waist, bustY);
  const across: number = face === 'front' ? m.acrossFront : m.acrossBack;
  const mid: Point = [Math.min(across, underarm[0] - 1), (tip[1] + underarm[1]) / 2];
  const arm = armholePath(tip, mid, underarm, m.slope, q.open?.angle);
  const marks: PanelMark[] = [
    { kind: 'notch', name: 'bust line', at: bustSide },
    { kind: 'notch', name: 'waist', at: sideWaist },
    ...(q.slits > 0
      ? [
          {
            kind: 'notch' as const,
            name: 'slit begins',
            at: pointAlong(side, pathLength(side) - q.slits),
          },
        ]
      : []),
  ];
  const panel: Panel = {
    id: c.id(face),
    name: face,
    share: face,
    layer: 'outer',
    cut: seam ? 'pair' : 'fold',
    count: seam ? 2 : 1,
    grain: `lengthwise, parallel to centre ${face}`,
    edges: [
      edge(
        'neck',
        'neckline',
        neckline(face === 'back' ? 'round' : v.neckline, centreNeck, sideNeck, m.slope),
        a.neck,
      ),
      edge('shoulder', 'shoulder', straight(sideNeck, tip), a.shoulder, { gather: eased }),
      edge('armhole', 'armhole', arm, a.armhole),
      edge('side', 'side seam', side, c.opens === 'left-side' ? cm(Math.max(a.side, a.zip)) : a.side),
      edge('hem', 'hem', reversed([levelFrom(centreHem, foot)]), a.hem, { turned: true }),
      edge('centre', `centre ${face}`, centre, seam ? a.zip : ZERO, { fold: !seam }),
    ],
    darts: q.sideDart
      ? [
          dartOn(
            side,
            {
              id: c.id('bust-dart'),
              figure: c.id('bust-dart-intake'),
              edge: 'side',
              at: cm(q.drop + q.sideDart.intake / 2),
              ...q.sideDart,
            },
            [m.apex, m.bustLevel],
          ),
        ]
      : [],
    inner,
    lines: [
      { id: 'bust', name: 'bust', y: cm(bustY) },
      { id: 'waist', name: 'waist', y: cm(sideWaist[1]) },
      ...(q.hipLevel === null ? [] : [{ id: 'hip', name: 'hip', y: cm(sideWaistY + q.hipLevel) }]),
    ],
    marks,
    across: { centre: 'centre', side: 'side' },
    note: seam ? `centre ${face} seam` : '',
  };
  return panel;
}

/** First and last point of an edge. */
export const endsOf = (panel: Panel, id: string): readonly [Point, Point] => {
  const { path } = edgeOf(panel, id);
  return [startOf(path[0]!), endOf(path.at(-1)!)];
};
