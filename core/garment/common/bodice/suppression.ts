import { buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { JOINT_WORD, type Joint } from '../../joint.ts';
import type { PartContext } from '../../part.ts';
import { type Face, MOST_INTAKE, suppress } from '../../tables/darts.ts';

/** What one face of a bodice takes up between bust and waist, as marked. Lengths cm. */
export interface BodiceTaking {
  readonly waistLine: Cm;
  readonly centre: Cm;
  readonly side: Cm;
  readonly over: Cm;
  readonly darts: readonly { readonly at: Cm; readonly intake: Cm; readonly length: Cm }[];
  readonly figures: readonly Figure[];
}

interface Quarter {
  readonly face: Face;
  /** the line it is taken up at */
  readonly joint: Joint;
  /** where it takes two darts, they lie on either side of the bust point */
  readonly straddles?: boolean;
  readonly bust: Cm;
  readonly waist: Cm;
  readonly centreIn: Cm;
  /** half the apex span: where the front dart lies */
  readonly apex: Cm;
  /** how long a dart may be */
  readonly most: Cm;
  /** one dart takes all that the side does not: a princess seam carries it */
  readonly one: boolean;
  /** a dart of this intake whatever else is taken up, the side the rest: a quick plan's; null by the rule */
  readonly fixed: Cm | null;
  /** what both faces’ sides take alike; undefined by a quick plan */
  readonly sideTakes?: Cm | undefined;
  /** where a quick plan puts the dart, from the centre; null by the rule */
  readonly place?: Cm | null;
}

/** Two darts from a seam under the bust lie on either side of its point, so far from each other, cm (common practice: 2.5 to 4). */
const UNDER_BUST_APART = 3;
/** A dart keeps so far from the ends of its line, cm (own choice). */
const FROM_ENDS = 1;
/** How far from the line of the bust point each of two darts under it lies, to its middle, cm; null where they lie as from a waist. */
function besideBust(
  { straddles }: Quarter,
  d: { readonly apex: Cm | null; readonly count: number; readonly intake: Cm; readonly waistLine: Cm },
): number | null {
  if (!straddles || d.count !== 2 || d.apex === null) return null;
  const half = (UNDER_BUST_APART + d.intake) / 2;
  const out = half + d.intake / 2 + FROM_ENDS;
  return d.apex > out && d.apex < d.waistLine - out ? half : null;
}

/** Under the bust two darts share all that the side, which is short, does not take. */
const halfOf = (q: Quarter, total: Cm): Cm =>
  cm(
    Math.max(
      MOST_INTAKE[q.face],
      (total - (total > 2 * q.centreIn ? q.centreIn : 0) - (q.sideTakes ?? 0)) / 2,
    ),
  );

/** A dart from the waist, or one from the seam under the bust. */
const dartName = ({ joint }: Quarter): string => (joint === 'waist' ? 'waist dart' : 'under-bust dart');

/** Shares a quarter's suppression over centre seam, side seam and waist darts; a dart's intake set by hand takes from the side. */
export function bodiceTaking(c: PartContext, q: Quarter): BodiceTaking {
  const { face } = q;
  const at = JOINT_WORD[q.joint];
  const total = cm(q.bust - q.waist);
  const ruled = suppress(total, face, c.rounding, {
    centre: q.centreIn,
    ...(q.fixed === null ? {} : { fixed: { count: 1, intake: q.fixed } }),
    ...(q.one ? { most: cm(20) } : q.joint === 'waist' ? {} : { most: halfOf(q, total) }),
    sideTakes: q.sideTakes,
  });
  // A plan's own dart leaves the centre seam what the house shapes it in.
  const shaped = q.fixed !== null && total > 2 * q.centreIn ? q.centreIn : cm(0);
  const rule = shaped > 0 ? { ...ruled, centre: shaped, side: cm(ruled.side - shaped) } : ruled;
  const base = { section: c.key, group: 'dart' as const, tolerance: TOLERANCE.detail, nearest: true };
  const because = `bust quarter − ${at} quarter = ${p(total)}, as marked. ${rule.because}`;
  const asked = c.overridesOf(c.id(`dart-${face}-intake`)).length > 0;
  const count = asked ? Math.max(1, rule.count) : rule.count;
  const intake =
    count === 0
      ? null
      : buildFigure(c, {
          id: c.id(`dart-${face}-intake`),
          name: `${face} ${dartName(q)}, intake`,
          note: count > 1 ? `${count} per panel, each` : '',
          ...(rule.count > 0 ? { marked: rule.intake } : {}),
          terms: [
            term('take', 'suppression', total, because),
            ...(rule.centre > 0
              ? [term('take', 'centre seam takes', -rule.centre, 'Shaped in, so that a zip does not bulge.')]
              : []),
            term('take', 'side seam takes', -rule.side, rule.because),
            ...(count > 1
              ? [term('share', `shared by ${count}`, -(count - 1) * rule.intake, 'Equal darts.')]
              : []),
          ],
          follows: (v) =>
            v <= 0
              ? 'A dart must take up over 0.'
              : total - rule.centre - count * v < -1e-9
                ? `Darts of ${p(cm(count * v))} hold more than the ${face} quarter gives up (${p(total)}): the side seam would run outward.`
                : null,
          ...base,
        });
  const taken = intake?.marked ?? cm(0);
  const waistLine = cm(q.waist + count * taken);
  const side = cm(total - rule.centre - count * taken);
  const line = buildFigure(c, {
    id: c.id(`waist-line-${face}`),
    name: `${at} line, ${face} quarter`,
    marked: waistLine,
    terms: [
      term('body', `${at}, ${face} quarter`, q.waist, 'As marked.'),
      ...(count > 0
        ? [term('take', `${count} × dart of ${p(taken)}`, count * taken, 'Open on the flat panel.')]
        : []),
    ],
    settable: [],
    why: [
      `The side seam runs in ${p(side)} at the ${q.joint === 'waist' ? 'waist' : 'seam under the bust'}.`,
    ],
    ...base,
  });
  const sideFigure = buildFigure(c, {
    id: c.id(`side-${face}`),
    name: `side seam in ${q.joint === 'waist' ? 'at waist' : 'at the seam under the bust'}, ${face}`,
    marked: side,
    terms: [term('take', 'side seam', side, because)],
    settable: [],
    ...base,
  });
  const darts = Array.from({ length: count }, (_, i) => dart(c, q, { i, count, intake: taken, waistLine }));
  const centre =
    rule.centre > 0
      ? [
          buildFigure(c, {
            id: c.id('centre-back-in'),
            name: `centre back in ${q.joint === 'waist' ? 'at waist' : 'at the seam under the bust'}`,
            marked: rule.centre,
            terms: [
              term(
                'take',
                'centre back seam',
                rule.centre,
                `Shaped in, so that a zip does not bulge (studio figure${q.joint === 'waist' ? '' : '; no more than keeps the seam straight down to its end'}).`,
              ),
            ],
            settable: [],
            ...base,
          }),
        ]
      : [];
  return {
    waistLine,
    centre: rule.centre,
    side,
    over: asked ? cm(0) : rule.over,
    darts: darts.map((d) => ({ at: d.place.marked!, intake: taken, length: d.length.marked! })),
    figures: [
      line,
      ...(intake ? [intake] : []),
      ...darts.flatMap((d) => [d.place, d.length]),
      ...centre,
      sideFigure,
    ],
  };
}

function dart(
  c: PartContext,
  q: Quarter,
  { i, count, intake, waistLine }: { i: number; count: number; intake: Cm; waistLine: Cm },
) {
  const base = { section: c.key, group: 'dart' as const, tolerance: TOLERANCE.detail, nearest: true };
  const id = `dart-${q.face}${i > 0 ? `-${i + 1}` : ''}`;
  const name = `${q.face} ${dartName(q)}${count > 1 ? ` ${i + 1}` : ''}`;
  const apex =
    q.face === 'front' && q.apex > intake / 2 && q.apex < waistLine - count * intake ? q.apex : null;
  const planned = q.place != null && q.place < waistLine - intake / 2 ? q.place : null;
  const first = planned ?? apex ?? waistLine / (count + 1);
  const beside = besideBust(q, { apex, count, intake, waistLine });
  const along = cm(
    beside !== null
      ? apex! + (i === 0 ? -beside : beside)
      : i === 0
        ? first
        : first + (waistLine - first) / 2,
  );
  const place = buildFigure(c, {
    id: c.id(`${id}-place`),
    name: `${name}, from the centre`,
    terms: [
      term(
        'body',
        planned !== null
          ? 'by the plan'
          : beside !== null
            ? 'beside the bust point'
            : i === 0 && apex !== null
              ? 'half the apex span'
              : `shared along the ${q.joint === 'waist' ? 'waist' : 'seam'}`,
        along,
        planned !== null
          ? 'Where the plan puts it (common practice).'
          : beside !== null
            ? `One on either side of the line of the bust point, ${p(cm(beside))} from it, to the middle of the dart.`
            : i === 0 && apex !== null
              ? 'On the line of the bust point, to the middle of the dart.'
              : 'To the middle of the dart.',
      ),
    ],
    follows: (v) =>
      v < intake / 2 ||
      v > waistLine - intake / 2 ||
      (count > 1 && Math.abs(v - along) > waistLine / 4 - intake)
        ? `A dart of ${p(intake)} at ${p(v)} would leave its place on a waist line of ${p(waistLine)}.`
        : null,
    ...base,
  });
  const most = cm(q.most - (i > 0 && beside === null ? 2 : 0));
  const length = buildFigure(c, {
    id: c.id(`${id}-length`),
    name: `${name}, length`,
    marked: roundLength(most, { ...c.rounding, mode: 'down' }),
    terms: [
      term(
        'body',
        'length',
        most,
        q.face === 'front'
          ? `From ${q.joint === 'waist' ? 'the waist' : 'the seam'} to ${p(2.5)} below the bust point (common practice).`
          : `From ${q.joint === 'waist' ? 'the waist' : 'the seam'} to the shoulder blade, about mid armhole (common practice).`,
      ),
    ],
    follows: (v) =>
      v > 0 && v <= q.most + 1e-9 ? null : `It would run past where it should end: ${p(q.most)} is the most.`,
    ...base,
  });
  return { place, length };
}
