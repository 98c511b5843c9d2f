import type { Point } from '../../../draft/curve.ts';
import { buildFigure, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import { pass, type RawCheck, warn } from '../../../figure/check.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import type { PartContext } from '../../part.ts';
import { SHORT_OF_BUST } from './bust-dart.ts';
import type { Marked } from './plan.ts';
import type { Plan } from './quarter-plan.ts';
import {
  angleByCup,
  angleByLengths,
  angleOfMouth,
  balanceFor,
  balanceOf,
  bustPointBelow,
  mouthOf,
  turnedUp,
  usualAngle,
} from './true-dart.ts';

/** A dart in the side begins at least so far below the underarm, so that it keeps clear of the armhole, cm (common practice). */
const CLEAR = 2.5;
/** More than this between what the lengths and what the cup say asks for another reading, degrees (own estimate). */
const APART = 5;
/** Above this one dart stands up: two, or princess seams, degrees and cm (common practice). */
const WIDE = { degrees: 20, mouth: 8 } as const;
/** A shoulder that slopes by less or more than this is asked about, degrees: 18 to 21 in three published schools (from memory). */
const SLOPES = { least: 14, most: 26 } as const;
/** Beyond this no cloth turns: the lengths belong to no one body, degrees. */
const MOST = 45;

/** How a front is turned about its bust point so that its dart lies in the side seam. */
export interface BustTurn {
  /** the plan with the bust point and the front waist where they lie on the flat panel */
  readonly m: Marked;
  readonly balance: Cm;
  /** by the client’s lengths or, where these make none, by the cup or an average bust, degrees; 0 for no dart */
  readonly angle: number;
  readonly estimated: boolean;
  readonly says: string;
  readonly byCup: number | null;
  /** from the underarm down to the dart, along the side, cm */
  readonly drop: Cm;
  readonly point: Point;
  /** where the dart lies in the side, and the underarm, while it is open in the shoulder */
  readonly side: Point;
  readonly underarm: Point;
  /** from the bust point to the side, cm */
  readonly cut: number;
}

const n = (x: number) => String(Math.round(x * 10) / 10);

/**
 * @param width of the front at the bust, cm
 * @param plan the quarter plan squares its lines across and has no dart but one set by hand
 */
export function bustTurn(c: PartContext, marked: Marked, width: Cm, plan: Plan): BustTurn {
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  const lengths = {
    ...marked.exact,
    apex: marked.apex,
    neckHalf: marked.neckHalf,
    shoulder: marked.shoulder,
    shoulderBack: marked.shoulderBack,
    slope: marked.slope,
  };
  const square = plan === 'quarter';
  const below = bustPointBelow(lengths);
  const bust = net('bust');
  const byLengths = angleByLengths(lengths);
  const byCup = bust === null ? null : angleByCup(bust, net('high-bust'), net('underbust'));
  const sound = square || (byLengths !== null && byLengths < MOST);
  const angle = square ? 0 : sound ? Math.max(0, byLengths!) : (byCup ?? usualAngle(bust ?? 88));
  // Lengths that belong to no one body would draw none: the estimate's own balance stands in for theirs.
  const balance = square ? 0 : sound ? balanceOf(lengths) : balanceFor(lengths, angle);
  const open = marked.armhole + balance;
  const drop = Math.max(below - open, CLEAR);
  const point: Point = [marked.apex, below];
  const side: Point = [width, open + drop];
  return {
    m: {
      ...marked,
      bustLevel: cm(below),
      waistFront: cm(marked.waistBack + balance),
      underBust: marked.underBust === null ? null : cm(marked.underBust - lengths.neckToBust + below),
    },
    balance: cm(balance),
    angle: angle < 0.5 ? 0 : angle,
    estimated: !sound,
    says: square
      ? 'The quarter plan has none.'
      : sound
        ? `By the lengths: with the dart open the front underarm and waist lie level with the back’s and the side-neck stands ${p(cm(balance))} higher; closed, the shoulder runs straight (plane geometry, on two published blocks from memory).`
        : byCup !== null
          ? 'The lengths belong to no one body: by the cup (own estimate).'
          : 'The lengths belong to no one body: an average bust (a published block’s steps, from memory).',
    byCup,
    drop: cm(drop),
    point,
    side,
    underarm: [width, open],
    cut: Math.hypot(side[0] - point[0], side[1] - point[1]),
  };
}

/** Intake and length of the dart in the side seam; none where the lengths ask for none. */
export function turnedDartFigures(c: PartContext, t: BustTurn): Figure[] {
  const id = c.id('bust-dart-intake');
  if (t.angle === 0 && c.overridesOf(id).length === 0) return [];
  const base = { section: c.key, group: 'dart' as const, tolerance: TOLERANCE.detail, nearest: true };
  const intake = buildFigure(c, {
    id,
    name: 'bust dart, intake',
    terms: [
      term(
        'body',
        `${n(t.angle)}° at ${p(cm(t.cut))}`,
        cm(mouthOf(t.cut, t.angle)),
        `${t.says} The dart is turned from the shoulder to the side about the bust point: twice the way there by the sine of half its angle.`,
      ),
    ],
    estimated: t.estimated,
    follows: (value) =>
      value > 0 && angleOfMouth(t.cut, value) < MOST
        ? null
        : `A bust dart must take up over 0 and under ${p(cm(mouthOf(t.cut, MOST)))} here.`,
    ...base,
  });
  const taken = intake.marked ?? ZERO;
  const reach = Math.sqrt(Math.max(0, t.cut ** 2 - (taken / 2) ** 2));
  const length = buildFigure(c, {
    id: c.id('bust-dart-length'),
    name: 'bust dart, length',
    terms: [
      term('body', 'side seam to bust point', cm(reach), 'Measured on the panel, along its middle.'),
      term('take', 'ends short of it', cm(-SHORT_OF_BUST), 'Common practice.'),
    ],
    marked: roundLength(cm(reach - SHORT_OF_BUST), { ...c.rounding, mode: 'down' }),
    follows: (value) =>
      value > 0 && value <= reach ? null : `It would run past the bust point: ${p(cm(reach))} is the most.`,
    ...base,
  });
  return [intake, length];
}

/** The front turned by the dart as it is marked: its underarm and both legs. */
export function turnedFront(t: BustTurn, intake: number) {
  const angle = intake > 0 ? angleOfMouth(t.cut, intake) : 0;
  return {
    angle,
    underarm: turnedUp(t.underarm, t.point, angle),
    upper: turnedUp(t.side, t.point, angle),
    lower: t.side,
  };
}

/** What the dart is, beside what the cup leads one to expect, and whether one dart will do. */
export function turnChecks(c: PartContext, t: BustTurn, intake: Cm, hasOne: boolean): RawCheck[] {
  if (t.angle === 0 && intake === 0)
    return [
      warn(
        c.id('balance'),
        c.id('waist-front'),
        'The front is hardly longer over the bust than the back: there is no bust dart, and the front will ride up. Read both lengths again.',
      ),
    ];
  const apart = t.byCup === null || t.estimated ? 0 : Math.abs(t.byCup - t.angle);
  const found: RawCheck[] = [
    t.estimated
      ? warn(
          c.id('balance'),
          c.id('waist-front'),
          `${t.says} Read both lengths again, over the bust and behind.`,
        )
      : apart > APART
        ? warn(
            c.id('balance'),
            c.id('waist-front'),
            `The lengths make a bust dart of ${n(t.angle)}°, the cup leads to ${n(t.byCup!)}°: read front and back length, bust and high bust again. A centimetre in length is about four degrees.`,
          )
        : pass(
            c.id('balance'),
            c.id('waist-front'),
            `Bust dart ${n(t.angle)}° by the lengths${t.byCup === null ? '' : `, ${n(t.byCup)}° by the cup`}; the front side-neck stands ${p(t.balance)} above the back’s.`,
          ),
  ];
  if (t.m.slope < SLOPES.least || t.m.slope > SLOPES.most)
    found.push(
      warn(
        c.id('slope'),
        c.id('shoulder'),
        `The shoulders slope ${n(t.m.slope)}°: front and back together are usually 36 to 42 (three published schools, from memory). Look at the studio rule for the slope, or pin the shoulders at the toile.`,
      ),
    );
  const marked = angleOfMouth(t.cut, intake);
  if (hasOne && (marked > WIDE.degrees || intake > WIDE.mouth))
    found.push(
      warn(
        c.id('dart-wide'),
        c.id('bust-dart-intake'),
        `The bust dart is ${n(marked)}° and ${p(intake)} wide: one such dart stands up at its point. Choose two darts, or princess seams.`,
      ),
    );
  return found;
}
