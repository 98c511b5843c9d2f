import type { Panel } from '../../../draft/panel.ts';
import type { Figure } from '../../../figure/figure.ts';
import type { PartContext } from '../../part.ts';
import { onPanel } from '../on-panel.ts';

/** A waist dart ends this far below the bust point, a side dart this far short of it, cm (common practice). */
export const SHORT_OF_BUST = 2.5;

/** What a dart holds where it was moved to, and how long it is there. */
export function movedFigures(c: PartContext, panels: readonly Panel[]): Figure[] {
  const darts = panels.flatMap((p1) => p1.darts);
  const dart = darts.find((d) => d.figure === c.id('moved-dart'));
  if (!dart) return [];
  const side = darts.find((d) => d.figure === c.id('side-dart'));
  return [
    ...(side
      ? [
          onPanel(c, 'side-dart', 'bust dart at the side, half of it, open', side.intake),
          onPanel(c, 'side-dart-length', 'bust dart at the side, length', side.length),
        ]
      : []),
    onPanel(
      c,
      'moved-dart',
      `bust dart at the ${dart.edge}, open${dart.edge === 'waist' ? ', with the waist dart' : ''}`,
      dart.intake,
    ),
    onPanel(c, 'moved-dart-length', `bust dart at the ${dart.edge}, length`, dart.length),
  ];
}
