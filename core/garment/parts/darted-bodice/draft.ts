import type { Point } from '../../../draft/curve.ts';
import { insetCentre } from '../../../draft/inset.ts';
import { edgeLength, sewnLength, sewnWidthAt, widthAt } from '../../../draft/measure.ts';
import type { Panel } from '../../../draft/panel.ts';
import { ZERO } from '../../../figure/build.ts';
import type { Figure, Share } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { roundLength } from '../../../units/rounding.ts';
import { foldOrSeam } from '../../cloth.ts';
import { movedFigures, SHORT_OF_BUST } from '../../common/bodice/bust-dart.ts';
import { type BustTurn, bustTurn, turnedDartFigures, turnedFront } from '../../common/bodice/bust-turn.ts';
import { closingBands, closingFigures, halfOverlap } from '../../common/bodice/closing.ts';
import { facings } from '../../common/bodice/facings.ts';
import { backTakes, heightsShape } from '../../common/bodice/heights-plan.ts';
import { linings } from '../../common/bodice/lining.ts';
import { type BodicePlan, type Marked, planBodice } from '../../common/bodice/plan.ts';
import { quarterDart } from '../../common/bodice/quarter-plan.ts';
import { type CutFace, cutFace, type GoesOn, isPrincess } from '../../common/bodice/seams.ts';
import { type BodiceTaking, bodiceTaking } from '../../common/bodice/suppression.ts';
import { armEnds, neckEnds, withArmNotches } from '../../common/neck-and-armhole.ts';
import { onPanel } from '../../common/on-panel.ts';
import type { BodyLine } from '../../lines.ts';
import type { Drafted, PartContext } from '../../part.ts';
import { FACES, type Face, sidesAlike } from '../../tables/darts.ts';
import type { BodiceValues } from './fields.ts';
import { halfPanel, straddles } from './half-panel.ts';
import { placesOf } from './places.ts';
import { princessPlaces } from './princess-places.ts';

export interface BodiceDraft extends Drafted {
  readonly plan: BodicePlan;
  readonly taking: Readonly<Record<Face, BodiceTaking>> | null;
  /** how the front is turned about its bust point; null until it is drafted */
  readonly turn: BustTurn | null;
  /** the bust dart in the front side seam */
  readonly bustDart: readonly Figure[];
  /** with the bust dart in the side seam: what the sewn face is, wherever its dart is moved */
  readonly faces: Readonly<Record<Face, Panel>> | null;
  /** as they are cut */
  readonly cut: readonly CutFace[];
  /** figures measured on the panels */
  readonly measured: readonly Figure[];
  /** the plan by heights: how far a shoulder's end would lie beyond the bust line's quarter, cm; null where it lies within it */
  readonly beyond: Cm | null;
  /** round as it is sewn on the line under the bust, by the plan by heights; null by the others */
  readonly underBust: Cm | null;
}

/** Down to a seam under the bust a side and a centre seam run in by at most so much of the height, or they would bend at the bust line (own choice: 7 degrees). */
const UNDER_BUST_SLANT = Math.tan((7 * Math.PI) / 180);

/** What darts, side seam and centre of each face take between bust and waist, or the seam under the bust. */
function takingsOf(
  c: PartContext,
  v: BodiceValues,
  m: Marked,
  turn: BustTurn,
  { bust, waist }: { readonly bust: BodyLine; readonly waist: BodyLine },
): Record<Face, BodiceTaking> {
  const { drop } = turn;
  const under = c.joint === 'underbust';
  const leans = cm((m.waistBack - m.armhole - drop) * UNDER_BUST_SLANT);
  const shapedIn = under
    ? cm(Math.min(c.shape.centreIn, roundLength(leans, { ...c.rounding, mode: 'down' })))
    : c.shape.centreIn;
  const centreIn = (face: Face) => (face === 'back' && c.opens === 'centre-back' ? shapedIn : ZERO);
  const left = FACES.map((face) => {
    const total = bust[face]!.rounded - waist[face]!.rounded;
    return total > 2 * centreIn(face) ? total - centreIn(face) : total;
  });
  const alike = sidesAlike(left[0]!, left[1]!);
  const sideTakes = under ? cm(Math.min(alike, leans)) : v.plan === 'measured' ? alike : undefined;
  return Object.fromEntries(
    FACES.map((face) => [
      face,
      bodiceTaking(c, {
        face,
        joint: c.joint,
        straddles: face === 'front' && straddles(c, v),
        bust: bust[face]!.rounded,
        waist: waist[face]!.rounded,
        centreIn: centreIn(face),
        sideTakes,
        apex: m.apex,
        one: isPrincess(v),
        // A plan's own dart is counted down to the waist.
        fixed: under
          ? null
          : v.plan === 'quarter'
            ? quarterDart(c.stepped).dart
            : v.plan === 'heights'
              ? face === 'front'
                ? heightsShape(null, c).gap
                : backTakes(c, bust.back!.rounded - waist.back!.rounded)
              : null,
        place: v.plan === 'heights' && face === 'back' ? heightsShape(null, c).back : null,
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

/** How a face of this bodice is cut, or the lining that shares its seams. */
function asCut(c: PartContext, v: BodiceValues, m: Marked, { front, back }: Readonly<Record<Face, Panel>>) {
  const [x, y] = back.darts.find((d) => d.edge === 'waist')?.tip ?? [
    back.lines[0]!.y * 0.4,
    m.armhole * 0.75,
  ];
  // From the armhole the seam turns down at the underarm's height, or it would hook.
  const blade: Point = [x, v.shaping === 'princess-armhole' ? Math.max(y, m.armhole) : y];
  const gap = gapUnderBust(m, front);
  return (face: Face, panel: Panel, whole: Panel): CutFace =>
    face === 'front'
      ? cutFace(c, v, face, panel, [m.apex, m.bustLevel], gap, whole)
      : cutFace(c, v, face, panel, blade, null, whole);
}

/**
 * A bodice to the waist as cut, cm: its shaping moved to where the brief wants it; no panels while a figure is
 * absent.
 */
export function draftBodice(c: PartContext, v: BodiceValues): BodiceDraft {
  const plan = planBodice(c, v);
  const [bust, waist] = [c.line('bust'), c.line(c.joint)];
  // The quarter plan squares its lines across; by the others the front is turned about its bust point.
  const turn = plan.marked && bust?.front ? bustTurn(c, plan.marked, bust.front.rounded, v.plan) : null;
  const m = turn?.m;
  const none: BodiceDraft = {
    panels: [],
    sewn: { waist: null },
    places: () => [],
    up: plan.marked?.up ?? null,
    plan,
    taking: null,
    turn,
    bustDart: [],
    faces: null,
    cut: [],
    measured: [],
    underBust: null,
    beyond: null,
  };
  if (!turn || !m || !bust?.front || !bust.back || !waist?.front || !waist.back) return none;
  const drop = turn.drop;
  const sensible = m.waistFront > m.bustLevel + 4 && m.waistBack > m.armhole + drop + 4 && m.armhole > 5;
  if (!sensible) return none;
  // By heights nothing but the body's widths says where the shoulder ends: it must lie over the bust line's own width.
  const beyond = v.plan === 'heights' ? shoulderBeyond(m, bust) : null;
  if (beyond !== null) return { ...none, beyond };
  const taking = takingsOf(c, v, m, turn, { bust, waist });
  const waistY = m.waistBack - m.armhole - drop;
  const dip = waistDip(taking, waistY);
  const behind = halfPanel(c, v, m, {
    face: 'back',
    taking: taking.back,
    bust: bust.back.rounded,
    drop,
    sideWaist: dip > 0 ? m.waistBack + dip : null,
  });
  const sideLength = edgeLength(behind, 'side');
  const bustDart = turnedDartFigures(c, turn);
  const intake = bustDart[0]?.marked ?? ZERO;
  // The front side seam is the back's and the dart: where it ends at the waist follows.
  const inward = bust.front.rounded - taking.front.waistLine;
  const open = turnedFront(turn, intake);
  const lower = sideLength - drop;
  const sideWaist = open.lower[1] + Math.sqrt(Math.max(1, lower ** 2 - inward ** 2));
  // Turned so far that the underarm nears the neck: front and back were not read on one body.
  if (open.underarm[1] < 4) return none;
  // A waist that would rise to its side by more than it is long is none: the heights do not belong to one body.
  if (Math.abs(m.waistFront - sideWaist) >= taking.front.waistLine - 1) return none;
  const drawn = halfPanel(c, v, m, {
    face: 'front',
    taking: taking.front,
    bust: bust.front.rounded,
    drop,
    sideWaist,
    open,
    sideDart: bustDart.length > 0 ? { intake, length: bustDart[1]!.marked! } : null,
  });
  const { front, back } = withArmNotches({ front: drawn, back: behind });
  const fold = (panel: Panel) => foldOrSeam(c.input, panel, c.allowances.centre);
  const faces = { front: fold(front), back: fold(back) };
  const cutAs = asCut(c, v, m, { front, back });
  const cut = [cutAs('front', front, front), cutAs('back', back, back)];
  const overlap = halfOverlap(c);
  const cutPanels = cut.flatMap((f) =>
    f.panels.map((q) => (f.face === 'front' ? insetCentre(q, overlap) : q)),
  );
  const sewn = cm(2 * sewnLength(faces.front, 'waist') + 2 * sewnLength(faces.back, 'waist'));
  const bands = closingBands(c, m, faces.front);
  const faced = facings(c, v, faces);
  const inside = c.input.brief.lining
    ? linings(
        c,
        faces,
        cut,
        faced,
        c.below ? null : { edge: 'waist', allowance: c.allowances.liningHem },
        (face, panel) => cutAs(face, panel, faces[face]).panels,
      )
    : [];
  const panels = [...cutPanels, ...bands, ...faced, ...inside];
  const side = FACES.map((face) => sewnLength(faces[face], 'side'));
  const down = c.joint === 'waist' ? 'waist' : 'the seam under the bust';
  const armhole = cm(FACES.reduce((sum, f) => sum + sewnLength(faces[f], 'armhole'), 0));
  const neck = cm(2 * FACES.reduce((sum, f) => sum + sewnLength(faces[f], 'neck'), 0));
  return {
    panels,
    sewn: { waist: sewn, armhole, neck },
    arm: armEnds(faces.back, m.waistBack),
    neckline: neckEnds(faces.front, faces.back, m.waistBack),
    up: m.up,
    opensAbove: cm(
      m.up +
        (c.opens === 'centre-back'
          ? edgeLength(faces.back, 'centre')
          : c.opens === 'centre-front'
            ? edgeLength(faces.front, 'centre')
            : side[1]!),
    ),
    sewnDarts: {
      front: sewnPlaces(faces.front),
      back: sewnPlaces(faces.back),
    },
    places: () =>
      isPrincess(v)
        ? princessPlaces(c, cut)
        : placesOf(c, { front: cut[0]!.panels[0]!, back: cut[1]!.panels[0]! }),
    plan,
    turn,
    taking,
    bustDart: v.shaping === 'darts' ? bustDart : bustDart.slice(0, 1),
    faces,
    cut,
    beyond: null,
    underBust: underBustRound(m, faces, taking.front.darts[0]?.intake ?? ZERO, turn.balance),
    measured: [
      ...movedFigures(c, cut[0]!.panels),
      ...closingFigures(c, m, faces.front),
      onPanel(c, 'side-seam', `side seam, underarm to ${down}`, side[1]!),
      onPanel(c, 'armhole-round', 'armhole, sewn', armhole),
      onPanel(c, 'neck-round', 'neckline, sewn', neck),
      onPanel(c, 'centre-back-length', `centre back, neck to ${down}`, edgeLength(faces.back, 'centre')),
    ],
  };
}

/** Two sides may meet in the waist at this much more than a straight line, degrees (common practice: 8). */
const WAIST_CORNER = 7;

/** How much lower the waist lies at the side than at the centre, so that front and back run on into each other there, cm. */
function waistDip(taking: Readonly<Record<Face, BodiceTaking>>, down: number): number {
  const lean = FACES.reduce((sum, f) => sum + Math.atan2(taking[f].side, down), 0);
  const turn = (lean - (WAIST_CORNER * Math.PI) / 180) / 2;
  const line = (taking.front.waistLine + taking.back.waistLine) / 2;
  // A side that runs in by more than any cloth does is told by other checks: no waist hangs lower for it than this.
  return turn > 0 ? Math.min(2, line / 4, (line * Math.tan(turn)) / 2) : 0;
}

/** The girth on the line under the bust once the seams are sewn. */
function underBustRound(m: Marked, faces: Readonly<Record<Face, Panel>>, gap: Cm, balance: Cm): Cm | null {
  if (m.underBust === null) return null;
  const [front, back] = [widthAt(faces.front, m.underBust), sewnWidthAt(faces.back, m.underBust - balance)];
  return front === null || back === null ? null : cm(2 * (front - gap + back));
}

/** By the plan by heights the front panels stand as far apart under the bust as at the waist; null by the others. */
function gapUnderBust(m: Marked, front: Panel): GoesOn | null {
  const dart = front.darts.find((d) => d.edge === 'waist');
  if (m.underBust === null || !dart) return null;
  const y = Math.min(m.underBust, dart.legs[0][1] - 1);
  if (y < m.bustLevel + 2) return null;
  const waist = [-1, 1].map((s): Point => [m.apex + (s * dart.intake) / 2, y]) as [Point, Point];
  return { along: null, notch: 'under bust', waist, after: [], spread: 0 };
}

/** Where each sewn waist dart lies, from the centre. */
function sewnPlaces(panel: Panel): Cm[] {
  let before = 0;
  return panel.darts
    .filter((d) => d.edge === 'waist')
    .sort((a, b) => b.at - a.at)
    .map((d) => {
      // The waist edge runs from the side to the centre.
      const along = edgeLength(panel, 'waist') - d.at - d.intake / 2 - before;
      before += d.intake;
      return cm(along);
    });
}

/** How far the end of a shoulder, or the across line of an armhole, would lie beyond the quarter at the bust, cm; null where both lie within. */
function shoulderBeyond(
  m: Marked,
  bust: { readonly front: Share | null; readonly back: Share | null },
): Cm | null {
  const tip = m.neckHalf + (m.widen + m.shoulder) * Math.cos((m.slope * Math.PI) / 180);
  const over = Math.max(
    Math.max(tip, m.acrossFront) - bust.front!.rounded,
    Math.max(tip, m.acrossBack) - bust.back!.rounded,
  );
  return over > 0 ? cm(over) : null;
}
