import { edgeLength } from '../../../draft/measure.ts';
import type { Panel } from '../../../draft/panel.ts';
import { straight } from '../../../draft/shape.ts';
import { buildFigure, markedGirth, share, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure, Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say } from '../../../units/print.ts';
import { casingAllowance, casingWords, waistElastic } from '../../common/elastic.ts';
import { type LegShape, legGirth, legPanel, legShapes, sideLonger, withUpper } from '../../common/leg.ts';
import { BACK_RISE, type LegPlanned, planLegs } from '../../common/leg-plan.ts';
import { onPanel } from '../../common/on-panel.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import type { PullOnValues } from './fields.ts';

/** What guards worn beneath ask for, round the body and in depth, cm (common practice). */
const GUARDS = { round: 4, deeper: 2 } as const;
/** The girths a pull-on must pass: the largest decides. */
const TO_PASS = ['waist', 'tummy', 'hip'] as const;

export interface PullOnDraft extends Drafted {
  readonly plan: LegPlanned;
  /** the girth above the legs, by what it must pass */
  readonly round: Figure;
  /** the body girth that decides it */
  readonly largest: { readonly id: string; readonly net: Cm } | null;
  readonly elastic: Figure;
  /** the waist with the same room, shown beside the girth to pass; null but in the plan from three girths */
  readonly waist: Figure | null;
  readonly faces: Readonly<Record<Face, Panel>> | null;
  readonly shapes: Readonly<Record<Face, LegShape>> | null;
  readonly measured: readonly Figure[];
}

/**
 * Pull-on trousers as cut, cm: as wide at the waist as the largest girth they must pass; no panels while a figure is
 * absent.
 */
export function draftPullOn(c: PartContext, v: PullOnValues): PullOnDraft {
  const read = TO_PASS.flatMap((id) => {
    const net = c.measured.get(id)?.net;
    return net == null ? [] : [{ id, net }];
  });
  const largest =
    c.measured.get('hip')?.net == null || c.measured.get('waist')?.net == null
      ? null
      : read.reduce((a, b) => (b.net > a.net ? b : a));
  const round = roundFigure(c, v, largest);
  const deeper: Term[] = v.guards
    ? [term('add', 'for the guards', GUARDS.deeper, 'They need depth as well as girth (common practice).')]
    : [];
  const plan = planLegs(c, v, {
    girth: markedGirth(round),
    name: 'girth to pass',
    deeper,
    byThigh: v.plan === 'girths',
  });
  const waist = v.plan === 'girths' ? waistShown(c, v) : null;
  const elastic = waistElastic(c, v.elastic);
  const back = c.stepped(cm(BACK_RISE));
  const upper = (face: Face, higher = 0) => {
    const w = round.shares.find((s) => s.panel === face)!.rounded;
    const top = face === 'back' ? -back : 0;
    const low = plan.crotch! * 0.62;
    return {
      waist: straight([0, top], [w, -higher]),
      centre: straight([0, top], [0, low]),
      side: straight([w, -higher], [w, low]),
      darts: [],
    };
  };
  const legs =
    round.shares.length > 0 && plan.crotch !== null && plan.extends && plan.inseam !== null && plan.hem
      ? legShapes(
          { front: upper('front'), back: upper('back') },
          {
            crotch: plan.crotch,
            extends: plan.extends,
            inseam: plan.inseam,
            knee: plan.knee,
            hem: plan.hem,
          },
        )
      : null;
  // The back's corner lies so high that its side seam is as long as the front's.
  const shapes = legs && {
    front: legs.front,
    back: withUpper(legs.back, upper('back'), upper('back', sideLonger(legs.front, legs.back))),
  };
  const panelOf = (face: Face): Panel => {
    const along = edgeLength({ edges: [{ id: 'w', path: shapes![face].waist }] } as unknown as Panel, 'w');
    const held = elastic.marked === null ? along : elastic.marked / 4;
    return legPanel(shapes![face], {
      id: c.id(face),
      name: `leg ${face}`,
      layer: 'outer',
      lines: [],
      a: c.allowances,
      waist: casingAllowance(c, v),
      hem: c.allowances.hem,
      opens: null,
      gather: cm(Math.max(0, along - held)),
      casing: true,
      note: casingWords(v),
    });
  };
  const faces = shapes ? { front: panelOf('front'), back: panelOf('back') } : null;
  const crotch = faces ? FACES.map((f) => edgeLength(faces[f], 'crotch')) : [];
  return {
    panels: faces ? [faces.front, faces.back] : [],
    sewn: { waist: elastic.marked },
    places: () => (faces && shapes ? placesOf(c, faces, shapes, plan) : []),
    zones: shapes ? [{ zone: 'thigh', figure: c.id('thigh') }] : [],
    plan,
    round,
    largest,
    elastic,
    waist,
    faces,
    shapes,
    measured:
      faces && shapes
        ? [
            onPanel(c, 'thigh', 'thigh, at the crotch level', legGirth(shapes)),
            onPanel(c, 'crotch-seam', 'crotch seam, waist to waist', cm(crotch[0]! + crotch[1]!)),
            onPanel(c, 'outseam', 'outside leg', edgeLength(faces.back, 'side')),
          ]
        : [],
  };
}

/** The girth of the upper part: what it must pass, and room to do so. */
function roundFigure(c: PartContext, v: PullOnValues, largest: PullOnDraft['largest']): Figure {
  const names: Record<string, string> = { waist: 'waist', tummy: 'tummy', hip: 'hip' };
  const figure = buildFigure(c, {
    id: c.id('round'),
    section: c.key,
    name: 'girth to pass',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    known: largest !== null,
    terms:
      largest === null
        ? []
        : [
            term(
              'body',
              names[largest.id]!,
              largest.net,
              'The largest of waist, tummy and hip decides: all of them go through it.',
            ),
            term(
              'wearing',
              'to pull over',
              v.passes,
              `As briefed: ${say(6)} to ${say(10)} (common practice).`,
            ),
            ...(v.guards
              ? [term('layers', 'for the guards', GUARDS.round, 'Worn beneath (common practice).')]
              : []),
          ],
    settable: ['wearing', 'finished'],
    why: largest === null ? ['Waist and hip are needed: which of them is larger decides.'] : [],
    follows: (value) =>
      largest === null || value >= largest.net
        ? null
        : 'Less than the girth it must pass: without an opening it would not go on.',
  });
  if (figure.finished === null) return figure;
  const quarter = term('share', 'a quarter', figure.finished / 4, 'Front and back alike.');
  return { ...figure, shares: FACES.map((face) => share(c, face, 2, [quarter])) };
}

/** What the waist alone would take: shown, so that a hand sees what the elastic holds in. */
function waistShown(c: PartContext, v: PullOnValues): Figure {
  const net = c.measured.get('waist')?.net ?? null;
  const figure = buildFigure(c, {
    id: c.id('waist'),
    section: c.key,
    name: 'waist with the same room, shown',
    group: 'girth',
    tolerance: TOLERANCE.girth,
    known: net !== null,
    terms:
      net === null
        ? []
        : [
            term('body', 'waist', net, 'As read.'),
            term(
              'wearing',
              'as at the girth to pass',
              v.passes,
              'Shown beside it; the panels go straight up to the waist, or they would not pass.',
            ),
          ],
    settable: [],
    why: net === null ? ['The waist was not measured.'] : [],
  });
  if (figure.finished === null) return figure;
  const quarter = term('share', 'a quarter', figure.finished / 4, 'Front and back alike.');
  return { ...figure, shares: FACES.map((face) => share(c, face, 2, [quarter])) };
}

function placesOf(
  c: PartContext,
  faces: Readonly<Record<Face, Panel>>,
  shapes: Readonly<Record<Face, LegShape>>,
  plan: LegPlanned,
): Place[] {
  return FACES.flatMap((face): Place[] => {
    const s = shapes[face];
    const own = (id: string, x: number, y: number): Place => ({
      figure: c.id(id),
      panel: faces[face].id,
      at: [x, y],
    });
    const [start, end] = [s.waist[0]![0], s.waist[0]![1]!];
    const hemY = s.hem[0]![0][1];
    const [hemOut, hemIn] = [s.hem[0]![0][0], s.hem[0]![1]![0]];
    const mid = (a: number, b: number, t = 0.5) => a + (b - a) * t;
    return [
      own('round', end[0], plan.crotch! * 0.5),
      own(`crotch-${face}`, s.crotchPoint[0], s.crotchPoint[1]),
      own('hem', mid(hemIn, hemOut), hemY),
      ...(plan.knee ? [own('knee', s.crease, plan.knee.level)] : []),
      ...(face === 'front'
        ? [
            own('elastic', mid(start[0], end[0], 0.4), start[1]),
            own('crotch-depth', s.sideAtCrotch, plan.crotch!),
            own('inseam', hemIn, mid(s.crotchPoint[1], hemY, 0.6)),
            ...(plan.knee ? [own('knee-level', s.crease + plan.knee.front / 2, plan.knee.level)] : []),
          ]
        : [
            own('thigh', mid(s.crotchPoint[0], s.sideAtCrotch), plan.crotch!),
            own('crotch-seam', 0, plan.crotch! * 0.5),
            own('outseam', hemOut, mid(plan.crotch!, hemY, 0.5)),
          ]),
    ];
  });
}
