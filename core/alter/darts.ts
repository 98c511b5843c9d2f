import { dartOn, edgeLength, pointAlong, spanAt } from '../draft/measure.ts';
import { innerBy } from '../draft/outline.ts';
import { type Dart, edgeOf, type InnerDart, type Panel } from '../draft/panel.ts';
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
 * The darts of an edge, and for the waist those with two ends, take more (+) or less (−), each so much: half to each side
 * of their line, tips and places stay. @throws CannotAlter where one would be gone or run into its neighbour
 */
export function dartsBy(panel: Panel, edge: string, by: number): Panel {
  const wider = (intake: Cm): Cm => {
    const now = cm(intake + by);
    if (now < 0.2)
      throw new CannotAlter(`A dart of ${say(intake)} would be gone; take less out, or unpick it whole.`);
    return now;
  };
  const path = panel.edges.find((e) => e.id === edge)?.path;
  const after = {
    ...panel,
    darts: panel.darts.map((d): Dart => {
      if (d.edge !== edge || !path) return d;
      const intake = wider(d.intake);
      return { ...d, legs: dartOn(path, { ...d, intake }).legs, intake };
    }),
    ...(panel.inner && edge === 'waist'
      ? { inner: panel.inner.map((d): InnerDart => ({ ...d, intake: wider(d.intake) })) }
      : {}),
  };
  if (by > 0 && ((path && crowded(after, edge)) || crowdedInside(after)))
    throw new CannotAlter(
      `Wider by ${say(cm(by))}, a dart of the ${panel.name} would run into its neighbour or off the panel.`,
    );
  return after;
}

/** Whether darts with two ends run into each other, or off the panel, where they are widest. */
function crowdedInside(panel: Panel): boolean {
  const darts = [...(panel.inner ?? [])].sort((a, b) => a.at[0] - b.at[0]);
  if (darts.length === 0) return false;
  const span = spanAt(panel, darts[0]!.at[1]);
  let free = span ? span[0] : 0;
  for (const d of darts) {
    if (d.at[0] - d.intake / 2 < free + ROOM - 1e-9) return true;
    free = d.at[0] + d.intake / 2;
  }
  return span !== null && free > span[1] - ROOM + 1e-9;
}

/** The middle of the widest stretch of an edge without a dart, cm along it. */
export function freeAt(panel: Panel, edge: string): Cm {
  const darts = panel.darts.filter((d) => d.edge === edge).sort((a, b) => a.at - b.at);
  const ends = [
    0,
    ...darts.flatMap((d) => [d.at - d.intake / 2, d.at + d.intake / 2]),
    edgeLength(panel, edge) as number,
  ];
  let best = { at: 0, width: -1 };
  for (let i = 0; i < ends.length; i += 2)
    if (ends[i + 1]! - ends[i]! > best.width)
      best = { at: (ends[i]! + ends[i + 1]!) / 2, width: ends[i + 1]! - ends[i]! };
  return cm(best.at);
}

/**
 * Every dart of an edge moved along it (+ away from its first end), its tip with it: the intake and the length stay.
 * Darts with two ends go straight across. @throws CannotAlter where one would come off the edge or onto another
 */
export function moveDarts(panel: Panel, edge: string, by: Cm): Panel {
  const own = panel.edges.find((e) => e.id === edge);
  const after = {
    ...panel,
    darts: panel.darts.map((d): Dart => {
      if (d.edge !== edge || !own) return d;
      const { path } = own;
      const at = cm(d.at + by);
      const [was, is] = [pointAlong(path, d.at), pointAlong(path, at)];
      const legs = dartOn(path, { ...d, at }).legs;
      return { ...d, at, legs, tip: [d.tip[0] + is[0] - was[0], d.tip[1] + is[1] - was[1]] };
    }),
    ...(panel.inner && edge === 'waist'
      ? { inner: panel.inner.map((d) => innerBy(d, ([x, y]) => [x + by, y])) }
      : {}),
  };
  if ((own && crowded(after, edge)) || crowdedInside(after))
    throw new CannotAlter(
      `Moved by ${say(cm(Math.abs(by)))}, a dart of the ${panel.name} would come off the ${own?.name ?? 'panel'} or onto its neighbour.`,
    );
  return after;
}

/** The same across a panel at its waist, among darts with two ends. */
function freeAcross(panel: Panel, [from, to]: readonly [number, number]): number {
  const darts = [...(panel.inner ?? [])].sort((a, b) => a.at[0] - b.at[0]);
  const ends = [from, ...darts.flatMap((d) => [d.at[0] - d.intake / 2, d.at[0] + d.intake / 2]), to];
  let [best, width] = [from, -1];
  for (let i = 0; i < ends.length; i += 2)
    if (ends[i + 1]! - ends[i]! > width)
      [best, width] = [(ends[i]! + ends[i + 1]!) / 2, ends[i + 1]! - ends[i]!];
  return best;
}

/**
 * A dart with two ends sewn where there was none, at the waist line: so wide at its middle, to nothing above and below.
 * @param from how far from the centre its middle lies, cm; half way to the side where nothing is said
 * @throws CannotAlter where there is no room for it
 */
export function addInnerDart(
  panel: Panel,
  {
    intake,
    from,
    above,
    below,
  }: { readonly intake: Cm; readonly from: Cm | null; readonly above: Cm; readonly below: Cm },
): Panel {
  const y = panel.lines.find((l) => l.id === 'waist')!.y;
  const span = spanAt(panel, y);
  if (!span) throw new CannotAlter(`The ${panel.name} has no width at its waist.`);
  const x = from === null ? freeAcross(panel, span) : span[0] + from;
  const inner = [
    ...(panel.inner ?? []),
    {
      id: `waist-new-${(panel.inner ?? []).length + 1}`,
      figure: '',
      at: [x, y],
      intake,
      up: [x, y - above],
      down: [x, y + below],
    } satisfies InnerDart,
  ];
  const after = { ...panel, inner };
  const heights = panel.edges.flatMap((e) => e.path.flatMap((s) => s.map(([, v]) => v)));
  if (crowdedInside(after) || y - above < Math.min(...heights) || y + below > Math.max(...heights))
    throw new CannotAlter(
      `There is no room for a dart of ${say(intake)} there on the ${panel.name}: it would run into another, or off the panel.`,
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
