import {
  distance,
  endOf,
  type Point,
  pointAt,
  reversed,
  type Segment,
  startOf,
} from '../../../draft/curve.ts';
import { insetCentre } from '../../../draft/inset.ts';
import { edgeLength } from '../../../draft/measure.ts';
import { type Edge, edgeOf, type Panel } from '../../../draft/panel.ts';
import { withoutStart } from '../../../draft/path.ts';
import { straight } from '../../../draft/shape.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { PartContext } from '../../part.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import { halfOverlap } from './closing.ts';

/** A pleat at the centre back lets a lining give when the arms reach forward, cm of cloth in all (common practice: 2). */
const PLEAT = 2;

/** What a lining's hem or waist edge is turned up by, where it hangs free. */
interface Free {
  readonly edge: string;
  readonly allowance: Cm;
}

/**
 * The linings of a bodice: each face from where its facings begin, cut along the seams of the cloth over it, with a pleat
 * at a centre back on the fold. The bust is turned as in the cloth, a dart that stays in the side stays there.
 * @param again cuts a face that begins at its facings as the cloth is cut
 */
export function linings(
  c: PartContext,
  faces: Readonly<Record<Face, Panel>>,
  cut: readonly { readonly face: Face; readonly panels: readonly Panel[] }[],
  facings: readonly Panel[],
  free: Free | null,
  again: (face: Face, panel: Panel) => readonly Panel[],
): Panel[] {
  return FACES.flatMap((face) => {
    const beside = face === 'front' ? halfOverlap(c) : 0;
    const of = (id: string) => facings.find((f) => f.id === c.id(`${face}-${id}-facing`));
    const [neck, arm] = [of('neck'), of('armhole')];
    const several = cut.find((f) => f.face === face)!.panels.length > 1;
    const below = toNeckFacing(insetCentre(faces[face], several ? 0 : beside), neck);
    const cutTo = (panel: Panel) =>
      several ? again(face, panel).map((q) => insetCentre(q, beside)) : [panel];
    const ended = cutTo(toArmFacing(below, arm));
    const room = !arm || ended.every((q) => narrowest(q) >= LEAST_STRIP);
    const note = !room
      ? `${neck ? 'ends where the neck facing begins; ' : ''}trimmed to the armhole facing once it is sewn, since beside its seam too little is left to cut`
      : neck || arm
        ? 'ends where the facings begin'
        : 'joined at the edges';
    return (room ? ended : cutTo(below)).map((q) => lined(face === 'back' ? pleated(q) : q, free, note));
  });
}

/** A strip of lining narrower than this between a seam and a facing cannot be sewn, cm (common practice). */
const LEAST_STRIP = 2;
/** How near a princess seam from the shoulder comes to the armhole, cm; the least strip where it is no such panel. */
function narrowest(q: Panel): number {
  const [seam, arm] = ['princess', 'armhole'].map((id) => q.edges.find((e) => e.id === id)?.path ?? []);
  if (seam!.length === 0 || arm!.length === 0) return LEAST_STRIP;
  const ends = (path: readonly Segment[]) => [startOf(path[0]!), endOf(path.at(-1)!)];
  // From the armhole they meet: there is no strip between them.
  if (ends(seam!).some((a) => ends(arm!).some((b) => distance(a, b) < 0.1))) return LEAST_STRIP;
  const on = (path: readonly Segment[]) =>
    path.flatMap((s) => Array.from({ length: 25 }, (_, i) => pointAt(s, i / 24)));
  const own = on(arm!);
  return Math.min(...on(seam!).map((at) => Math.min(...own.map((b) => distance(at, b)))));
}

const lined = (q: Panel, free: Free | null, note: string): Panel => ({
  ...q,
  id: `${q.id}-lining`,
  name: `${q.name} lining`,
  layer: 'lining',
  edges: q.edges.map((e) => (e.id === free?.edge ? { ...e, allowance: free.allowance } : e)),
  note: [q.note, note, q.darts.length > 0 || q.inner?.length ? 'darts folded as pleats' : '']
    .filter(Boolean)
    .join('; '),
});

const withEdges = (q: Panel, paths: Readonly<Record<string, readonly Segment[]>>): Edge[] =>
  q.edges.map((e) => (paths[e.id] ? { ...e, path: paths[e.id]! } : e));

/** A panel that begins at the lower edge of its neck facing. */
function toNeckFacing(q: Panel, facing: Panel | undefined): Panel {
  if (!facing) return q;
  const neck = reversed(edgeOf(facing, 'lower').path);
  const centre = edgeOf(q, 'centre').path;
  const shoulder = edgeOf(q, 'shoulder').path;
  const [low, outer] = [startOf(neck[0]!), endOf(neck.at(-1)!)];
  const last = centre.at(-1)!;
  if (startOf(last)[1] <= low[1]) return q;
  // A facing that begins beside the centre line leaves the lining level from the line to it.
  const top: Point = [endOf(last)[0], low[1]];
  return {
    ...q,
    edges: withEdges(q, {
      neck: low[0] - top[0] > 0.01 ? [...straight(top, low), ...neck] : neck,
      shoulder: straight(outer, endOf(shoulder.at(-1)!)),
      centre: [...centre.slice(0, -1), [startOf(last), top]],
    }),
  };
}

/** A panel that begins at the lower edge of its armhole facing; as it was where a dart lies in what would be cut off. */
function toArmFacing(q: Panel, facing: Panel | undefined): Panel {
  if (!facing) return q;
  const arm = reversed(edgeOf(facing, 'lower').path);
  const depth = edgeLength(facing, 'side');
  const darts = q.darts.filter((d) => d.edge === 'side');
  if (darts.some((d) => d.at - d.intake / 2 <= depth) || edgeLength(q, 'side') <= depth + 2) return q;
  const side = withoutStart(edgeOf(q, 'side').path, depth);
  const [inner, under] = [startOf(arm[0]!), startOf(side[0]!)];
  const last = arm.at(-1)!;
  const closes = (last.length === 2 ? [last[0], under] : [last[0], last[1], last[2], under]) as Segment;
  return {
    ...q,
    edges: withEdges(q, {
      shoulder: straight(startOf(edgeOf(q, 'shoulder').path[0]!), inner),
      armhole: [...arm.slice(0, -1), closes],
      side,
    }),
    darts: q.darts.map((d) => (d.edge === 'side' ? { ...d, at: cm(d.at - depth) } : d)),
    marks: q.marks.filter((m) => m.at[1] > under[1] || m.kind !== 'notch'),
  };
}

/** A back on the fold with half of a pleat beyond its centre line. */
function pleated(q: Panel): Panel {
  const centre = q.edges.find((e) => e.id === 'centre');
  if (!centre) return q;
  const last = q.edges[(q.edges.findIndex((e) => e.id === 'centre') + q.edges.length - 1) % q.edges.length]!;
  if (!centre.fold || centre.path.length !== 1) return q;
  const [from, to] = [startOf(centre.path[0]!), endOf(centre.path[0]!)];
  const out = ([x, y]: Point): Point => [x - PLEAT / 2, y];
  const neck = edgeOf(q, 'neck').path;
  return {
    ...q,
    edges: withEdges(q, {
      neck: [...straight(out(to), to), ...neck],
      centre: straight(out(from), out(to)),
      [last.id]: [...last.path, ...straight(from, out(from))],
    }),
    marks: [...q.marks, { kind: 'fold line', name: `pleat of ${PLEAT} cm in all`, at: from, to }],
    note: [q.note, 'a pleat at the centre back'].filter(Boolean).join('; '),
  };
}
