import { dartOn, edgeLength, pointAlong } from '../draft/measure.ts';
import { type Dart, edgeOf, type Panel } from '../draft/panel.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { CannotAlter } from './refusal.ts';

/** Room that stays between two darts, and between a dart and the end of its edge, cm (common practice, no source). */
const ROOM = 0.5;

/** Whether every dart of an edge has its room on it. */
function crowded(panel: Panel, edge: string): boolean {
  const darts = panel.darts.filter((d) => d.edge === edge).sort((a, b) => a.at - b.at);
  const length = edgeLength(panel, edge);
  let free = 0;
  for (const d of darts) {
    if (d.at - d.intake / 2 < free + ROOM - 1e-9) return true;
    free = d.at + d.intake / 2;
  }
  return free > length - ROOM + 1e-9;
}

/**
 * Every dart of an edge moved along it (+ away from its first end), its tip with it: the intake and the length stay.
 * @throws CannotAlter where one would come off the edge or onto another
 */
export function moveDarts(panel: Panel, edge: string, by: Cm): Panel {
  const { path, name } = edgeOf(panel, edge);
  const after = {
    ...panel,
    darts: panel.darts.map((d): Dart => {
      if (d.edge !== edge) return d;
      const at = cm(d.at + by);
      const [was, is] = [pointAlong(path, d.at), pointAlong(path, at)];
      const legs = dartOn(path, { ...d, at }).legs;
      return { ...d, at, legs, tip: [d.tip[0] + is[0] - was[0], d.tip[1] + is[1] - was[1]] };
    }),
  };
  if (crowded(after, edge))
    throw new CannotAlter(
      `Moved by ${say(cm(Math.abs(by)))}, a dart of the ${panel.name} would come off the ${name}.`,
    );
  return after;
}

/**
 * A dart sewn where there was none: it takes its whole intake at the edge, half to each side of its middle.
 * @throws CannotAlter where there is no room for it
 */
export function addDart(
  panel: Panel,
  edge: string,
  { intake, at, length }: { readonly intake: Cm; readonly at: Cm; readonly length: Cm },
): Panel {
  const { path, name } = edgeOf(panel, edge);
  const id = `${edge}-new-${panel.darts.filter((d) => d.id.startsWith(`${edge}-new`)).length + 1}`;
  const after = {
    ...panel,
    darts: [...panel.darts, dartOn(path, { id, figure: '', edge, at, intake, length })],
  };
  if (crowded(after, edge))
    throw new CannotAlter(
      `There is no room for a dart of ${say(intake)} at ${say(at)} along the ${name} of the ${panel.name}.`,
    );
  return after;
}
