import { endOf, mapped, type Point, startOf } from '../draft/curve.ts';
import { edgeLength, pointAlong } from '../draft/measure.ts';
import { innerBy } from '../draft/outline.ts';
import { type Dart, type Edge, edgeOf, type Panel } from '../draft/panel.ts';
import { between, pathLength } from '../draft/path.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { CannotAlter } from './refusal.ts';

/**
 * A panel slashed from the middle of one edge to the middle of the edge across, and the part toward the side turned
 * about that hinge: the slashed edge opens by so much (+) or overlaps (−), the hinged edge keeps its length. Lengths cm.
 * @throws CannotAlter where the edges do not lie across from each other, or more would go than there is
 */
export function spread(panel: Panel, from: string, hinge: string, by: number): Panel {
  const ids = panel.edges.map((e) => e.id);
  const [top, open] = [ids.indexOf(hinge), ids.indexOf(from)];
  if (top < 0 || open < 0 || open < top)
    throw new CannotAlter(`The ${panel.name} cannot be slashed from its ${from} to its ${hinge}.`);
  const [hinged, opened] = [edgeOf(panel, hinge), edgeOf(panel, from)];
  const half = { top: pathLength(hinged.path) / 2, open: pathLength(opened.path) / 2 };
  if (-by > half.open * 0.9)
    throw new CannotAlter(
      `The ${opened.name} of the ${panel.name} is ${say(edgeLength(panel, from))}; so much cannot be folded out of it.`,
    );
  const pivot = pointAlong(hinged.path, half.top);
  const slashed = pointAlong(opened.path, half.open);
  const radius = Math.hypot(slashed[0] - pivot[0], slashed[1] - pivot[1]);
  if (Math.abs(by) > 2 * radius)
    throw new CannotAlter(`A panel ${say(cm(radius))} long cannot be spread by ${say(cm(Math.abs(by)))}.`);
  // The gap is the chord of the turn.
  const turn = 2 * Math.asin(by / (2 * radius));
  const [s, c] = [Math.sin(turn), Math.cos(turn)];
  const turned = ([x, y]: Point): Point => {
    const [u, v] = [x - pivot[0], y - pivot[1]];
    return [pivot[0] + u * c + v * s, pivot[1] - u * s + v * c];
  };
  const turnPath = (path: Edge['path']) => path.map((q) => mapped(q, turned));
  const edges = panel.edges.map((e, i): Edge => {
    if (i > top && i < open) return { ...e, path: turnPath(e.path) };
    if (i === top)
      return {
        ...e,
        path: [...between(e.path, 0, half.top), ...turnPath(between(e.path, half.top, pathLength(e.path)))],
      };
    if (i !== open) return e;
    // Spread, the gap is bridged straight; overlapped, each stretch gives half of what is folded out.
    const gone = Math.max(0, -by) / 2;
    const moved = turnPath(between(e.path, 0, half.open - gone));
    const stays = between(e.path, half.open + gone, pathLength(e.path));
    return { ...e, path: [...moved, [endOf(moved.at(-1)!), startOf(stays[0]!)], ...stays] };
  });
  const beyond = ([x, y]: Point) =>
    (slashed[0] - pivot[0]) * (y - pivot[1]) - (slashed[1] - pivot[1]) * (x - pivot[0]) < 0;
  const onSide = (d: Dart) => {
    const at = ids.indexOf(d.edge);
    return (at > top && at < open) || (at === top && d.at > half.top) || (at === open && d.at < half.open);
  };
  return {
    ...panel,
    edges,
    darts: panel.darts.map((d) =>
      onSide(d) ? { ...d, legs: [turned(d.legs[0]), turned(d.legs[1])], tip: turned(d.tip) } : d,
    ),
    marks: panel.marks.map((m) => (beyond(m.at) ? { ...m, at: turned(m.at) } : m)),
    ...(panel.inner ? { inner: panel.inner.map((d) => (beyond(d.at) ? innerBy(d, turned) : d)) } : {}),
  };
}
