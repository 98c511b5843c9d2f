import { buildFigure, TOLERANCE } from '../../../sheet/build.ts';
import { type RawCheck, warn } from '../../../sheet/check.ts';
import type { Figure, Term } from '../../../sheet/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { dartLength, type Suppression, suppress } from '../../darts.ts';
import type { PartContext } from '../../part.ts';

export interface Darts {
  readonly lines: readonly Figure[];
  readonly figures: readonly Figure[];
  readonly front: Suppression | null;
  readonly back: Suppression | null;
}

/** What each quarter gives up between its widest line and the waist, as a line to draw, darts and a side seam. */
export function dartFigures(
  c: PartContext,
  waist: Figure,
  wide: Figure,
  hipLevel: Cm | null,
  checks: RawCheck[],
): Darts {
  if (!waist.front || !waist.back || !wide.front || !wide.back || hipLevel === null)
    return { lines: [], figures: [], front: null, back: null };
  const made = (['front', 'back'] as const).map((face) => {
    const narrow = waist[face]!;
    const s = suppress(cm(wide[face]!.exact - narrow.exact), face, c.input.house.darts[face]);
    // Marked so that the line, its darts sewn, closes to the waist's own rounded quarter.
    const marked = cm(narrow.rounded + s.count * roundLength(s.intake, c.input.house.rounding));
    const because = `${wide.name} quarter − waist quarter = ${p(s.total)}. ${s.because}`;
    const terms: Term[] = [
      {
        kind: 'body',
        label: `waist, ${face} quarter`,
        cm: narrow.exact,
        because: 'Finished quarter, unrounded.',
      },
    ];
    if (s.count > 0)
      terms.push({
        kind: 'take',
        label: `${s.count} × dart of ${p(s.intake)}`,
        cm: cm(s.count * s.intake),
        because: s.because,
      });
    const line = {
      ...buildFigure(c, {
        id: `waist-line-${face}`,
        marked,
        name: `waist line, ${face} quarter`,
        group: 'dart',
        terms,
        known: true,
        tolerance: TOLERANCE.detail,
        why: [
          `The side seam runs in ${p(s.side)} at the waist.`,
          'Marked as the rounded waist quarter and the rounded darts, so that it closes to that quarter.',
        ],
      }),
    };
    const intake =
      s.count === 0
        ? []
        : [
            buildFigure(c, {
              id: `dart-${face}-intake`,
              name: `${face} dart, intake`,
              group: 'dart',
              known: true,
              tolerance: TOLERANCE.detail,
              note: `${s.count} per quarter, ${s.count === 1 ? 'half-way along' : 'at 1⁄3 and 2⁄3 of'} the waist`,
              terms: [
                { kind: 'take', label: `suppression`, cm: s.total, because },
                { kind: 'take', label: 'side seam takes', cm: cm(-s.side), because: s.because },
                ...(s.count > 1
                  ? [
                      {
                        kind: 'share' as const,
                        label: `shared by ${s.count}`,
                        cm: cm(-(s.count - 1) * s.intake),
                        because: 'Equal darts.',
                      },
                    ]
                  : []),
              ],
            }),
            buildFigure(c, {
              id: `dart-${face}-length`,
              name: `${face} dart, length`,
              group: 'dart',
              known: true,
              tolerance: TOLERANCE.detail,
              terms: [
                {
                  kind: 'body',
                  label: 'length',
                  cm: dartLength(face, hipLevel),
                  because: 'Usual length, ending at least 3 cm above the hip level (common practice).',
                },
              ],
            }),
          ];
    const side = buildFigure(c, {
      id: `side-${face}`,
      marked: cm(wide[face]!.rounded - marked),
      name: `side seam in at waist, ${face}`,
      group: 'dart',
      known: true,
      tolerance: TOLERANCE.detail,
      terms: [{ kind: 'take', label: 'side seam', cm: s.side, because }],
    });
    // Less than a small detail's tolerance is not worth a warning that somebody must accept.
    if (s.over > TOLERANCE.detail)
      checks.push(
        warn(
          `dart-over-${face}`,
          `side-${face}`,
          `${face}: ${p(s.total)} per quarter is more than two darts and the side seam usually take; ${p(s.over)} went into the side seam. Princess seams are advised, or accept it.`,
        ),
      );
    return { s, line, figures: [...intake, side] };
  });
  const [front, back] = made as [(typeof made)[number], (typeof made)[number]];
  return {
    lines: [front.line, back.line],
    figures: [...front.figures, ...back.figures],
    front: front.s,
    back: back.s,
  };
}
