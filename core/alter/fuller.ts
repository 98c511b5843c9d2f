import { edgeLength } from '../draft/measure.ts';
import { moveDart } from '../draft/move-dart.ts';
import type { Panel } from '../draft/panel.ts';
import { SHORT_OF_BUST } from '../garment/common/bodice/bust-dart.ts';
import { dartsBy } from './darts.ts';
import { alongAt, heightOf } from './run.ts';
import { level, slash } from './slash.ts';

/** The bust dart of a front, where it was turned away from the side seam; undefined where it has none there. */
export const turnedDart = (p: Panel) =>
  p.levels?.some((l) => l.id === 'bust' && l.over) &&
  p.edges.some((e) => e.id === 'side' && e.path.length > 0)
    ? p.darts.find((d) => d.id.endsWith('bust-dart') && d.edge !== 'side')
    : undefined;

/**
 * A front made longer (+) or shorter (−) over the bust by so much, its dart taking it up, wherever it was turned to: it is
 * turned back into the side seam, widened by as much as the front is lengthened below the bust, and turned to its place
 * again. Every sewn length but the centre front stays. Lengths cm.
 */
export function fuller(panel: Panel, by: number): Panel {
  const dart = turnedDart(panel)!;
  const over = panel.levels!.find((l) => l.id === 'bust')!.over!;
  const side = panel.edges.find((e) => e.id === 'side')!;
  const along = Math.min(Math.max(2, alongAt(side.path, over[1])), edgeLength(panel, 'side') - 2);
  const begins = dart.at - dart.intake / 2;
  const atSide = moveDart(
    panel,
    dart.id,
    { edge: 'side', along, figure: dart.figure, short: SHORT_OF_BUST },
    over,
  );
  const wider = dartsBy(atSide, 'side', by);
  const y = ((heightOf(wider, 'bust') ?? over[1]) + (heightOf(wider, 'waist') ?? over[1] + 16)) / 2;
  return moveDart(
    slash(wider, level(y, by)),
    dart.id,
    { edge: dart.edge, along: begins, figure: dart.figure, short: SHORT_OF_BUST },
    over,
  );
}
