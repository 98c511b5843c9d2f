import type { Point } from '../../../draft/curve.ts';
import { bendOf, fairAt } from '../../../draft/fair-side.ts';
import { buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure, Override } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength, stepOf } from '../../../units/rounding.ts';
import type { PartContext } from '../../part.ts';
import {
  ABOVE_WIDEST,
  BACK_OVER_FRONT,
  DART_LENGTH,
  type Face,
  LEAST_LENGTH,
  MOST_INTAKE,
  MOST_SIDE,
  SECOND_SHORTER,
  type Suppression,
  sidesBelowWaist,
  suppress,
} from '../../tables/darts.ts';
import { LEAST_RUN } from './widest.ts';

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
  /** lines read between waist and widest line: level and marked share */
  readonly between: readonly { readonly level: Cm; readonly share: Cm }[];
  /** how much higher the waist lies at its side */
  readonly rise: Cm;
  /** where the first dart of what hangs above ends, from the centre along the sewn waist */
  readonly meets: Cm | undefined;
}

/** What both faces take up: their sides nearly alike, and the back's darts more than the front's. */
export function takeUpBoth(
  c: PartContext,
  quarters: Readonly<Record<Face, Omit<Quarter, 'face'>>>,
): Readonly<Record<Face, FaceTaking>> {
  const q = {
    front: { ...quarters.front, face: 'front' },
    back: { ...quarters.back, face: 'back' },
  } as const;
  const left = (face: Face) => {
    const total = q[face].wide - q[face].waist;
    return total > 2 * q[face].centreIn ? total - q[face].centreIn : total;
  };
  const [back, ruledFront] = fairly(c, q, (least) => {
    const sides = sidesBelowWaist(left('front'), left('back'), least);
    const read = least !== undefined;
    return [ruleOf(c, q.back, sides.back, read), ruleOf(c, q.front, sides.front, read)];
  });
  let front = ruledFront;
  // A step of rounding must not turn it round again: each of the front's darts holds a step less.
  const less = back.count * back.intake + back.centre - front.count * front.intake < BACK_OVER_FRONT - 1e-9;
  const step = stepOf(c.rounding);
  // Where a read arc makes the front the fuller one, its darts follow the body.
  const even = front.total <= back.total + step;
  if (less && even && step > 0 && front.count > 0 && !c.input.house.darts.front) {
    // One dart holds what is left of two, where it may.
    const inOne = front.count * front.intake - step;
    const [count, intake] =
      front.count === 2 && inOne <= MOST_INTAKE.front + 1e-9
        ? [1, inOne]
        : [front.count, front.intake - step];
    if (intake >= 1)
      front = {
        ...front,
        count,
        intake: cm(intake),
        side: cm(front.total - front.centre - count * intake),
        because: `${front.because.split(';').slice(0, -1).join(';')}; ${count === 1 ? 'one dart takes' : 'two darts share'} what is left, marked a step less${count === 1 ? '' : ' each'}, so that the back’s hold more than the front’s.`,
      };
  }
  return { front: takeUp(c, q.front, front), back: takeUp(c, q.back, back) };
}

/** The most that sides take where a read line asks for it, cm (a metric block has 4, from memory). */
const MOST_READ = 4;
/** What a fair side seam lies outside of a read line without a word, cm. */
const FAIR_WITHIN = 0.25;

/**
 * Where high hip or tummy were read, the sides take as much more, and the darts as much less, as brings a fair side seam
 * to what was read: the darts of an even share end above those lines and would leave the cloth loose there, or dent it.
 */
function fairly(
  c: PartContext,
  q: Readonly<Record<Face, Quarter>>,
  rules: (sides: Cm | undefined) => readonly [back: Suppression, front: Suppression],
): readonly [back: Suppression, front: Suppression] {
  let best = rules(undefined);
  if (q.front.between.length === 0 || q.front.free || c.input.house.darts.front || c.input.house.darts.back)
    return best;
  const off = ([back, front]: typeof best) => Math.max(missed(q.front, front), missed(q.back, back));
  let least = off(best);
  for (let sides = 0.5; sides <= MOST_READ && least > FAIR_WITHIN; sides += 0.5) {
    // Less than they take anyway changes nothing.
    if (sides < Math.min(best[0].side, best[1].side)) continue;
    const next = rules(cm(sides));
    // A face that had a dart keeps one: a side that takes all of it would be no side seam.
    if (next.some((s, i) => s.count === 0 && best[i]!.count > 0)) break;
    const now = off(next);
    if (now < least - 0.01) [best, least] = [next, now];
  }
  return best;
}

/** Cloth that is tighter than what was read is as much worse than looser. */
const TIGHTER = 2;

/** By how much a fair side seam would miss what was read, at the most, cm; inside of it counts double. */
function missed(q: Quarter, s: Suppression): number {
  const corner: Point = [q.waist + s.centre + s.count * s.intake, -q.rise];
  const wide: Point = [q.wide, q.wideLevel];
  if (wide[0] < corner[0] + LEAST_RUN) return 0;
  const lengths = Array.from({ length: s.count }, (_, i) => lengthOfDart(q, s, i));
  const points = q.between.map(({ level, share }): Point => {
    let x = centreAt(q, s, level) + share;
    for (const length of lengths) x += s.intake * Math.max(0, 1 - level / length);
    return [x, level];
  });
  const bend = bendOf(corner, points, wide);
  let most = Number.NEGATIVE_INFINITY;
  for (const [x, y] of points) {
    const off = fairAt(corner, wide, bend, y) - x;
    most = Math.max(most, off < 0 ? -TIGHTER * off : off);
  }
  return most;
}

/** A side seam needs this much to bend in below a read line, cm. */
const TO_BEND = 0.5;
/** How long a dart may be: as usual, above the widest line, and short enough to give what it holds back where a read line is nearly as wide. */
function lengthOfDart(q: Quarter, s: Suppression, i: number): Cm {
  const usual = Math.min(DART_LENGTH[q.face] - (i > 0 ? SECOND_SHORTER : 0), roomOf(q));
  let least = usual;
  for (const { level, share } of q.between) {
    const may = Math.max(0, q.wide - TO_BEND - share - centreAt(q, s, level)) / (s.count * s.intake || 1);
    if (may < 1) least = Math.min(least, level / (1 - may));
  }
  return cm(Math.max(Math.min(usual, LEAST_LENGTH), least));
}
/** Where a shaped centre seam lies at a level, cm: what is left of what it takes at the waist. */
function centreAt(q: Quarter, s: Suppression, level: number): number {
  const down = level / q.wideLevel;
  return s.centre * (1 - 1.5 * down + 0.5 * down ** 3);
}
const roomOf = (q: Quarter) => cm(q.wideLevel - ABOVE_WIDEST);
/** Why the sides are not quite alike. */
const LITTLE = {
  front: 'the front’s a little more, so that the back keeps more for its darts',
  back: 'the back’s a little less, so that more is left for its darts',
} as const;
/** A quarter's suppression by rule: centre seam, side seam, darts. */
function ruleOf(c: PartContext, q: Quarter, sideTakes: Cm, read: boolean): Suppression {
  const fixed = roomOf(q) >= LEAST_LENGTH ? c.input.house.darts[q.face] : { count: 0, intake: cm(0) };
  return suppress(cm(q.wide - q.waist), q.face, c.rounding, {
    centre: q.centreIn,
    fixed,
    sideTakes,
    sideSays: read
      ? `what brings it, as one fair curve, nearest to the lines read between waist and hip (${p(cm(MOST_READ))} at the most, ${LITTLE[q.face]})`
      : `40 % of the mean of both faces (${p(cm(MOST_SIDE))} at the most), ${LITTLE[q.face]}`,
  });
}

/**
 * Shares a face's marked suppression over centre seam, side seam and darts (or fullness), with what was set by hand laid
 * over it first: intake, side seam and waist line hang together, so one of them at a time.
 */
function takeUp(c: PartContext, q: Quarter, rule: Suppression): FaceTaking {
  const room = roomOf(q);
  if (q.free) return freeFall(c, q, rule.total);
  const roomForDarts = room >= LEAST_LENGTH;
  const wanted =
    roomForDarts ||
    suppress(rule.total, q.face, c.rounding, { centre: q.centreIn, fixed: c.input.house.darts[q.face] })
      .count === 0;
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
      ? `The ${q.face} quarter gives up ${p(rule.total)} in all; its darts would have to be under 0.`
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
                'Shaped in, so that a zip does not bulge (studio figure).',
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
  const most = lengthOfDart(q, s, i);
  const shorter = most < Math.min(DART_LENGTH[face] - (i > 0 ? SECOND_SHORTER : 0), room) - 1e-9;
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
        `${i > 0 ? 'Nearer the side, so a little shorter. ' : ''}${shorter ? 'Shorter than usual: a line read above is nearly as wide, and the dart must have given its width back there. It ends' : 'Usual length, ending'} at least ${p(ABOVE_WIDEST)} above the ${q.wideName} (common practice).`,
      ),
    ],
    follows: (v) =>
      v <= 0
        ? 'Enter a length over 0.'
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
