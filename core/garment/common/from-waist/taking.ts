import { buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure, Override } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import type { PartContext } from '../../part.ts';
import {
  ABOVE_WIDEST,
  DART_LENGTH,
  type Face,
  LEAST_LENGTH,
  SECOND_SHORTER,
  type Suppression,
  suppress,
} from '../../tables/darts.ts';

/** What one face takes up between its widest line and its waist, as marked, and the figures that say so. Lengths cm. */
export interface FaceTaking {
  readonly face: Face;
  /** drafted width of the waist line, darts and fullness in it */
  readonly waistLine: Cm;
  readonly centre: Cm;
  readonly side: Cm;
  readonly gather: Cm;
  readonly darts: readonly { readonly at: Cm; readonly intake: Cm; readonly length: Cm }[];
  readonly over: Cm;
  /** false where the widest line lies too high for a dart that something would have taken */
  readonly roomForDarts: boolean;
  readonly figures: readonly Figure[];
}

interface Quarter {
  readonly face: Face;
  /** marked shares */
  readonly waist: Cm;
  readonly wide: Cm;
  readonly wideName: string;
  readonly wideLevel: Cm;
  /** a centre seam that is shaped in by this */
  readonly centreIn: Cm;
  /** gathers or pleats instead of darts and side seam */
  readonly free: 'gathers' | 'pleats' | null;
  /** where the first dart of what hangs above ends, from the centre along the sewn waist */
  readonly meets: Cm | undefined;
}

/**
 * Shares a face's marked suppression over centre seam, side seam and darts (or fullness), with what was set by hand laid
 * over it first: intake, side seam and waist line hang together, so one of them at a time.
 */
export function takeUp(c: PartContext, q: Quarter): FaceTaking {
  const total = cm(q.wide - q.waist);
  const room = cm(q.wideLevel - ABOVE_WIDEST);
  if (q.free) return freeFall(c, q, total);
  const roomForDarts = room >= LEAST_LENGTH;
  const house = c.input.house.darts[q.face];
  const fixed = roomForDarts ? house : { count: 0, intake: cm(0) };
  const rule = suppress(total, q.face, c.rounding, { centre: q.centreIn, fixed });
  const wanted =
    roomForDarts || suppress(total, q.face, c.rounding, { centre: q.centreIn, fixed: house }).count === 0;
  const ids = {
    intake: c.id(`dart-${q.face}-intake`),
    side: c.id(`side-${q.face}`),
    line: c.id(`waist-line-${q.face}`),
  };
  const last = [...c.input.overrides]
    .reverse()
    .find((o) => o.target === 'finished' && Object.values(ids).includes(o.figure));
  const s = last && roomForDarts ? byHand(rule, last, ids, q, c) : { s: rule, cannot: null };
  const follows = (id: string) => () =>
    id !== last?.figure
      ? 'Intake, side seam and waist line hang together: another of them was set by hand later. Take that back first.'
      : s.cannot;
  return figuresOf(c, q, { rule, s: s.s, room, ids, follows, roomForDarts: wanted });
}

/** The suppression with one of its figures set by hand, or why it cannot be. */
function byHand(
  rule: Suppression,
  o: Override,
  ids: { readonly intake: string; readonly side: string; readonly line: string },
  q: Quarter,
  c: PartContext,
): { s: Suppression; cannot: string | null } {
  const count = Math.max(1, rule.count);
  const near = roundLength(o.value, { ...c.rounding, mode: 'nearest' });
  const intake =
    o.figure === ids.intake
      ? near
      : o.figure === ids.side
        ? cm((rule.total - rule.centre - near) / count)
        : cm((near - q.waist) / count);
  const side = cm(rule.total - rule.centre - count * intake);
  const cannot =
    intake < -1e-9
      ? `The ${q.face} quarter gives up ${p(rule.total)} in all; its darts would have to be less than nothing.`
      : rule.total >= 0 && side < -1e-9
        ? `Darts of ${p(cm(count * intake))} hold more than the ${q.face} quarter gives up (${p(rule.total)}): the side seam would run outward.`
        : null;
  const none = Math.abs(intake) < 1e-9;
  return cannot
    ? { s: rule, cannot }
    : {
        s: {
          ...rule,
          count: none ? 0 : count,
          intake: none ? cm(0) : intake,
          side,
          over: cm(0),
          because: `Set by ${o.by}: ${o.reason}`,
        },
        cannot,
      };
}

interface Making {
  readonly rule: Suppression;
  readonly s: Suppression;
  readonly room: Cm;
  readonly ids: { readonly intake: string; readonly side: string; readonly line: string };
  readonly follows: (id: string) => (v: Cm) => string | null;
  readonly roomForDarts: boolean;
}

function figuresOf(
  c: PartContext,
  q: Quarter,
  { rule, s, room, ids, follows, roomForDarts }: Making,
): FaceTaking {
  const { face } = q;
  const base = { section: c.key, group: 'dart' as const, tolerance: TOLERANCE.detail, nearest: true };
  const because = `${q.wideName} quarter − waist quarter = ${p(s.total)}, as marked. ${s.because}`;
  const waistLine = cm(q.waist + s.count * s.intake);
  const own = (id: string, set: Suppression) => (c.overridesOf(id).length > 0 ? rule : set);
  const line = buildFigure(c, {
    id: ids.line,
    name: `waist line, ${face} quarter`,
    marked: waistLine,
    terms: [
      term('body', `waist, ${face} quarter`, q.waist, 'As marked.'),
      ...(own(ids.line, s).count > 0
        ? [
            term(
              'take',
              `${own(ids.line, s).count} × dart of ${p(own(ids.line, s).intake)}`,
              own(ids.line, s).count * own(ids.line, s).intake,
              own(ids.line, s).because,
            ),
          ]
        : []),
    ],
    follows: follows(ids.line),
    why: [`The side seam runs in ${p(s.side)} at the waist.`],
    ...base,
  });
  const n = own(ids.intake, s);
  const intake = buildFigure(c, {
    id: ids.intake,
    name: `${face} dart, intake`,
    marked: s.intake,
    note: s.count > 1 ? `${s.count} per panel, each` : '',
    terms: [
      term('take', 'suppression', n.total, because),
      ...(n.centre > 0
        ? [term('take', 'centre seam takes', -n.centre, 'Shaped in, so that a zip does not bulge.')]
        : []),
      term('take', 'side seam takes', -n.side, n.because),
      ...(n.count > 1
        ? [term('share', `shared by ${n.count}`, -(n.count - 1) * n.intake, 'Equal darts.')]
        : []),
    ],
    follows: follows(ids.intake),
    ...base,
  });
  const side = buildFigure(c, {
    id: ids.side,
    name: `side seam in at waist, ${face}`,
    marked: s.side,
    terms: [term('take', 'side seam', own(ids.side, s).side, because)],
    follows: follows(ids.side),
    ...base,
  });
  const darts = Array.from({ length: s.count }, (_, i) => dart(c, q, { s, i, waistLine, room }));
  const centre =
    s.centre > 0
      ? [
          buildFigure(c, {
            id: c.id('centre-back-in'),
            name: 'centre back in at waist',
            marked: s.centre,
            terms: [
              term(
                'take',
                'centre back seam',
                s.centre,
                'Shaped in, so that a zip does not bulge (house figure).',
              ),
            ],
            settable: [],
            ...base,
          }),
        ]
      : [];
  return {
    face,
    waistLine,
    centre: s.centre,
    side: s.side,
    gather: cm(0),
    darts: darts.map((d) => ({ at: d.place.marked!, intake: s.intake, length: d.length.marked! })),
    over: s.over,
    roomForDarts,
    figures: [
      line,
      ...(s.count > 0 || intake.overrides.length > 0 ? [intake] : []),
      ...darts.flatMap((d) => [d.place, d.length]),
      ...centre,
      side,
    ],
  };
}

/** Where a dart lies and how long it is. */
function dart(
  c: PartContext,
  q: Quarter,
  { s, i, waistLine, room }: { s: Suppression; i: number; waistLine: Cm; room: Cm },
) {
  const { face } = q;
  const base = { section: c.key, group: 'dart' as const, tolerance: TOLERANCE.detail, nearest: true };
  const name = `${face} dart${s.count > 1 ? ` ${i + 1}` : ''}`;
  const id = `dart-${face}${i > 0 ? `-${i + 1}` : ''}`;
  const meets = i === 0 && q.meets !== undefined ? cm(q.meets + s.intake / 2) : null;
  const along = meets ?? cm((waistLine * (i + 1)) / (s.count + 1));
  const gap = waistLine / (s.count + 1);
  const place = buildFigure(c, {
    id: c.id(`${id}-place`),
    name: `${name}, from the centre`,
    terms: [
      meets === null
        ? term(
            'body',
            `${i + 1}⁄${s.count + 1} of the waist line`,
            along,
            'Along the marked waist, to the middle of the dart.',
          )
        : term(
            'body',
            'where the dart above ends',
            along,
            'Along the marked waist, so that the two darts meet when they are sewn.',
          ),
    ],
    // Neighbours keep apart, and no dart leaves its edge.
    follows: (v) =>
      v < s.intake / 2 || v > waistLine - s.intake / 2
        ? `A dart of ${p(s.intake)} at ${p(v)} would leave a waist line of ${p(waistLine)}.`
        : s.count > 1 && Math.abs(v - along) > gap - s.intake
          ? 'Two darts would run into each other.'
          : null,
    ...base,
  });
  const usual = cm(DART_LENGTH[face] - (i > 0 ? SECOND_SHORTER : 0));
  const most = cm(Math.min(usual, room));
  const nearest = roundLength(most, { ...c.rounding, mode: 'nearest' });
  const length = buildFigure(c, {
    id: c.id(`${id}-length`),
    name: `${name}, length`,
    marked: nearest <= room + 1e-9 ? nearest : roundLength(most, { ...c.rounding, mode: 'down' }),
    terms: [
      term(
        'body',
        'length',
        most,
        `${i > 0 ? 'Nearer the side, so a little shorter. ' : ''}Usual length, ending at least ${p(ABOVE_WIDEST)} above the ${q.wideName} (common practice).`,
      ),
    ],
    follows: (v) =>
      v <= 0
        ? 'A dart is longer than nothing.'
        : v > room + 1e-9
          ? `It would end less than ${p(ABOVE_WIDEST)} above the ${q.wideName}: ${p(room)} is the most.`
          : null,
    ...base,
  });
  return { place, length };
}

/** Fullness instead of darts: the side falls straight and the waist is gathered or pleated. */
function freeFall(c: PartContext, q: Quarter, total: Cm): FaceTaking {
  const gather = cm(Math.max(0, total));
  const base = { section: c.key, group: 'dart' as const, tolerance: TOLERANCE.detail };
  const line = buildFigure(c, {
    id: c.id(`waist-line-${q.face}`),
    name: `waist line, ${q.face} quarter`,
    marked: cm(q.waist + gather),
    terms: [
      term('body', `waist, ${q.face} quarter`, q.waist, 'As marked.'),
      term(
        'add',
        q.free!,
        gather,
        `The side falls straight from the ${q.wideName}; what the waist has too much is taken up in ${q.free}.`,
      ),
    ],
    settable: [],
    ...base,
  });
  const taken = buildFigure(c, {
    id: c.id(`gather-${q.face}`),
    name: `${q.free} at the waist, ${q.face} quarter`,
    marked: gather,
    terms: [term('take', 'suppression', gather, `${q.wideName} quarter − waist quarter, as marked.`)],
    settable: [],
    ...base,
  });
  return {
    face: q.face,
    waistLine: cm(q.waist + gather),
    centre: cm(0),
    side: cm(Math.min(0, total)),
    gather,
    darts: [],
    over: cm(0),
    roomForDarts: true,
    figures: [line, taken],
  };
}
