import type { Point } from '../../../draft/curve.ts';
import type { Panel } from '../../../draft/panel.ts';
import { buildFigure, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import type { PartContext } from '../../part.ts';
import { onPanel } from '../on-panel.ts';
import type { Marked } from './plan.ts';

/** A waist dart ends this far below the bust point, a side dart this far short of it, cm (common practice). */
export const SHORT_OF_BUST = 2.5;

/** What a dart holds where it was moved to, and how long it is there. */
export function movedFigures(c: PartContext, panels: readonly Panel[]): Figure[] {
  const dart = panels.flatMap((p1) => p1.darts).find((d) => d.figure === c.id('moved-dart'));
  if (!dart) return [];
  return [
    onPanel(
      c,
      'moved-dart',
      `bust dart at the ${dart.edge}, open${dart.edge === 'waist' ? ', with the waist dart' : ''}`,
      dart.intake,
    ),
    onPanel(c, 'moved-dart-length', `bust dart at the ${dart.edge}, length`, dart.length),
  ];
}

/** The bust dart: what the front is longer than the back, in the side seam below the bust line, toward the bust point. */
export function bustDartFigures(c: PartContext, m: Marked, rule: Cm, width: Cm, drop: Cm): Figure[] {
  const base = { section: c.key, group: 'dart' as const, tolerance: TOLERANCE.detail, nearest: true };
  const id = c.id('bust-dart-intake');
  if (rule <= 0 && c.overridesOf(id).length === 0) return [];
  const intake = buildFigure(c, {
    id,
    name: 'bust dart, intake',
    terms: [
      term('body', 'waist level, front', m.waistFront, 'As marked.'),
      term(
        'take',
        'waist level, back',
        -m.waistBack,
        'As marked; the front is longer over the bust by the rest (common practice).',
      ),
    ],
    follows: (value) =>
      value > 0 && value < 12
        ? null
        : 'A bust dart takes up more than nothing and less than 12 cm; more asks for a princess seam.',
    ...base,
  });
  const taken = intake.marked ?? ZERO;
  const reach = Math.hypot(width - m.apex, taken / 2 + Math.min(0, drop));
  const length = buildFigure(c, {
    id: c.id('bust-dart-length'),
    name: 'bust dart, length',
    terms: [
      term('body', 'side seam to bust point', reach, 'Measured on the panel.'),
      term('take', 'ends short of it', -SHORT_OF_BUST, 'Common practice.'),
    ],
    marked: roundLength(cm(reach - SHORT_OF_BUST), { ...c.rounding, mode: 'down' }),
    follows: (value) =>
      value > 0 && value <= reach ? null : `It would run past the bust point: ${p(reach)} is the most.`,
    ...base,
  });
  return [intake, length];
}

/** The other leg of a dart at the side: as long from the bust point as the first, so far below it as the dart takes up. */
export function equalLeg([x, y]: Point, first: Point, intake: number): Point {
  const reach = Math.hypot(first[0] - x, first[1] - y);
  const turn = Math.atan2(first[1] - y, first[0] - x) + 2 * Math.asin(Math.min(0.9, intake / 2 / reach));
  return [x + reach * Math.cos(turn), y + reach * Math.sin(turn)];
}
