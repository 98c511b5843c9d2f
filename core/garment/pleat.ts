import { endOf, mapped, type Point, type Segment, startOf } from '../draft/curve.ts';
import { edgeLength, pointAlong } from '../draft/measure.ts';
import { innerBy } from '../draft/outline.ts';
import { type Dart, type Edge, edgeOf, isA, type Panel } from '../draft/panel.ts';
import { alongAtX, between } from '../draft/path.ts';
import { straight } from '../draft/shape.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Adapted } from './adapted-parts.ts';
import { Cannot, has } from './cannot.ts';

/** A panel with a pleat in it, and where a place of it lies now. */
interface Pleated {
  readonly made: Panel;
  readonly move: (at: Point) => Point;
}

/**
 * A pleat in the front of a part, `width` cm of cloth: at the centre, half of it beyond the fold on either half, or `out` cm
 * from the centre, one on either side. It is taken up at the upper edge and at a waist seam, and hangs open at a hem.
 */
export function pleated(now: Adapted, key: string, width: number, out: number): Adapted {
  const front =
    now.panels.find((p) => p.id === `${key}.front` && p.layer === 'outer') ??
    now.panels.find(
      (p) =>
        p.id.startsWith(`${key}.`) &&
        p.share === 'front' &&
        isA(p, 'centre') &&
        !isA(p, 'yoke') &&
        p.layer === 'outer',
    );
  if (!front || !has(front, 'centre')) throw new Cannot('there is no front that a pleat could lie in.');
  const { made, move } = out > 0 ? besideCentre(front, width, out) : atCentre(front, width);
  const whole = now.place;
  return {
    ...now,
    panels: now.panels.map((p) => (p === front ? made : p)),
    place: (at) => {
      const moved = whole(at);
      return moved.panel === front.id ? { ...moved, at: move(moved.at) } : moved;
    },
  };
}

const moveAll = (path: readonly Segment[], move: (p: Point) => Point) => path.map((s) => mapped(s, move));
const dartBy = (d: Dart, move: (p: Point) => Point): Dart => ({
  ...d,
  tip: move(d.tip),
  legs: [move(d.legs[0]), move(d.legs[1])],
});
const marksBy = (p: Panel, move: (at: Point) => Point): Panel['marks'] =>
  p.marks.map((m) => ({ ...m, at: move(m.at), ...(m.to ? { to: move(m.to) } : {}) }));

/** Half of its width beyond the fold on either half. */
function atCentre(front: Panel, width: number): Pleated {
  if (!edgeOf(front, 'centre').fold) throw new Cannot('the front has a seam or an opening at its centre.');
  const by = cm(width / 2);
  const move = ([x, y]: Point): Point => [x + by, y];
  const all = (path: readonly Segment[]) => moveAll(path, move);
  const centre = edgeOf(front, 'centre');
  const [low, high] = [startOf(centre.path[0]!), endOf(centre.path.at(-1)!)];
  const edges = front.edges.map((e): Edge => {
    if (e.id === 'centre') return { ...e, path: straight([0, low[1]], [0, high[1]]) };
    // From the neckline down, or from a seam across it.
    const begins = startOf(e.path[0]!);
    if (begins[0] === high[0] && begins[1] === high[1])
      return {
        ...e,
        path: [[[0, high[1]], move(high)], ...all(e.path)],
        gather: cm(e.gather + by),
        pleated: true,
      };
    const meets = endOf(e.path.at(-1)!);
    if (meets[0] !== low[0] || meets[1] !== low[1]) return { ...e, path: all(e.path) };
    return {
      ...e,
      path: [...all(e.path), [move(low), [0, low[1]]]],
      // It hangs open at a hem; a waist seam takes it up again.
      ...(e.id === 'waist' ? { gather: cm(e.gather + by), pleated: true } : {}),
    };
  });
  const made: Panel = {
    ...front,
    edges,
    darts: front.darts.map((d) => ({
      ...dartBy(d, move),
      // What lies on an edge that begins with the pleat lies so much further along it.
      ...(startsAt(front, d.edge, high) ? { at: cm(d.at + by) } : {}),
    })),
    ...(front.inner ? { inner: front.inner.map((d) => innerBy(d, move)) } : {}),
    marks: [
      ...marksBy(front, move),
      { kind: 'fold line', name: 'pleat', at: [by, high[1]], to: [by, low[1]] },
    ],
    note: [
      front.note,
      `pleat of ${say(width)} at the fold edge: its line is not on the fold, ${say(by)} beyond it is`,
    ]
      .filter(Boolean)
      .join('; '),
  };
  return { made, move };
}
const startsAt = (p: Panel, id: string, [x, y]: Point): boolean => {
  const [a, b] = startOf(edgeOf(p, id).path[0]!);
  return a === x && b === y;
};

/** One on either side, its inner line `out` from the centre: what lies farther out moves by its width. */
function besideCentre(front: Panel, width: number, out: number): Pleated {
  const move = ([x, y]: Point): Point => [x > out ? x + width : x, y];
  const over = (d: Dart) => {
    const xs = [d.tip, ...d.legs].map(([x]) => x);
    return Math.min(...xs) < out && Math.max(...xs) > out;
  };
  const crossing = front.darts.find(over);
  if (crossing || front.inner?.some((d) => Math.abs(d.at[0] - out) < d.intake / 2))
    throw new Cannot(
      `it would lie across ${crossing ? `the dart at the ${crossing.edge}` : 'the waist dart'} of the ${front.name}: move it further in or out.`,
    );
  const along = new Map(
    front.edges.flatMap((e) => {
      const at = e.id === 'centre' ? null : alongAtX(e.path, out);
      return at === null || at <= 0 || at >= edgeLength(front, e.id) ? [] : [[e.id, at] as const];
    }),
  );
  const lower = [...along.keys()].find((id) => id === 'waist' || id === 'hem');
  if (along.size !== 2 || !lower)
    throw new Cannot(
      `${say(out)} from the centre the ${front.name} has no way for it from its upper edge to its lower one: lay it nearer the centre.`,
    );
  const edges = front.edges.map((e): Edge => {
    const at = along.get(e.id);
    if (at === undefined) return { ...e, path: moveAll(e.path, move) };
    const meets = pointAlong(e.path, at);
    const outward = startOf(e.path[0]!)[0] < out;
    const [inner, outer]: Point[] = [meets, [meets[0] + width, meets[1]]];
    const shift = ([x, y]: Point): Point => [x + width, y];
    const [first, last] = [between(e.path, 0, at), between(e.path, at, edgeLength(front, e.id))];
    return {
      ...e,
      path: outward
        ? [...first, [inner!, outer!], ...moveAll(last, shift)]
        : [...moveAll(first, shift), [outer!, inner!], ...last],
      // It hangs open at a hem; a waist seam takes it up again.
      ...(e.id === 'hem' ? {} : { gather: cm(e.gather + width), pleated: true }),
    };
  });
  const [top, bottom] = [...along].map(([id, at]) => pointAlong(edgeOf(front, id).path, at)) as [
    Point,
    Point,
  ];
  const line = (name: string, x: number): Panel['marks'][number] => ({
    kind: 'fold line',
    name,
    at: [x, top[1]],
    to: [x, bottom[1]],
  });
  return {
    move,
    made: {
      ...front,
      edges,
      darts: front.darts.map((d) => ({
        ...dartBy(d, move),
        ...(d.at > (along.get(d.edge) ?? Number.POSITIVE_INFINITY) ? { at: cm(d.at + width) } : {}),
      })),
      ...(front.inner ? { inner: front.inner.map((d) => innerBy(d, move)) } : {}),
      marks: [
        ...marksBy(front, move),
        line('pleat, its fold', out + width / 2),
        line('pleat, laid from here', out),
        line('pleat, to here', out + width),
      ],
      note: [
        front.note,
        `pleat of ${say(width)} on either side, ${say(out)} from the centre${lower === 'waist' ? ', taken up at the waist' : ''}`,
      ]
        .filter(Boolean)
        .join('; '),
    },
  };
}
