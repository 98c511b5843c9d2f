import { cm } from '../units/length.ts';
import { endOf, reversed, startOf } from './curve.ts';
import { liesOn } from './move-dart.ts';
import type { Edge, Panel } from './panel.ts';
import { alongAtX, withoutStart } from './path.ts';
import { straight } from './shape.ts';

/**
 * A half whose centre edge lies so far beside its centre line, since a band sewn to it covers the rest: the edges that
 * end at the centre are cut there. As it was where one of them does not reach so far. Lengths cm.
 */
export function insetCentre(panel: Panel, by: number): Panel {
  const i = panel.edges.findIndex((e) => e.id === 'centre');
  if (i < 0 || by <= 0) return panel;
  const n = panel.edges.length;
  const [before, after] = [panel.edges[(i + n - 1) % n]!, panel.edges[(i + 1) % n]!];
  const [fromEnd, begins] = [alongAtX(reversed(before.path), by), alongAtX(after.path, by)];
  if (fromEnd === null || begins === null) return panel;
  const lower = reversed(withoutStart(reversed(before.path), fromEnd));
  const upper = withoutStart(after.path, begins);
  const edges = panel.edges.map((e): Edge => {
    if (e === before) return { ...e, path: lower };
    if (e === after) return { ...e, path: upper };
    if (e.id !== 'centre') return e;
    return { ...e, path: straight(endOf(lower.at(-1)!), startOf(upper[0]!)) };
  });
  return {
    ...panel,
    edges,
    darts: panel.darts.map((d) => (d.edge === after.id ? { ...d, at: cm(d.at - begins) } : d)),
    marks: panel.marks.filter((m) => m.at[0] > by || edges.some((e) => liesOn(e.path, m.at))),
    beside: cm(by),
  };
}
