import type { Point, Segment } from '../../../draft/curve.ts';
import { reversed } from '../../../draft/curve.ts';
import { insetCentre } from '../../../draft/inset.ts';
import { edge, edgeOf, type Panel } from '../../../draft/panel.ts';
import { straight } from '../../../draft/shape.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { PartContext } from '../../part.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import { FACING, FACING_DEPTH } from '../facing.ts';
import { armholePath, neckline } from '../neck-and-armhole.ts';
import { halfOverlap } from './closing.ts';
import type { Neck } from './plan.ts';

const NONE = 0 as Cm;
const end = (path: readonly Segment[]): Point => path.at(-1)!.at(-1) as Point;

/** Neck facings, and armhole facings where no sleeve is set in, each following its own edge of the panel, with their interfacings. */
export function facings(c: PartContext, v: Neck, faces: Readonly<Record<Face, Panel>>): Panel[] {
  const sideDepth = armDepth(c, faces.front);
  return FACES.flatMap((face) => {
    // A collar finishes its neckline, a sleeve its armhole.
    const own = [
      ...(c.joined.has('neck') ? [] : [neckFacing(c, v, face, faces[face])]),
      ...(c.joined.has('armhole') ? [] : [armFacing(c, face, faces[face], sideDepth)]),
    ];
    // A front with a band sewn to it ends beside its centre line, and its facing with it.
    const beside = face === 'front' ? halfOverlap(c) : 0;
    return own.flatMap((f) => {
      const q = f.edges.some((e) => e.id === 'centre') ? insetCentre(f, beside) : f;
      return [q, interfacing(q)];
    });
  });
}

const interfacing = (p: Panel): Panel => ({
  ...p,
  id: `${p.id}-interfacing`,
  layer: 'interfacing',
  edges: p.edges.map((e) => ({ ...e, allowance: NONE })),
  note: 'without allowances',
});

/** How wide both facings can be at the shoulder without meeting, cm. */
const depthAt = (shoulder: number): number => Math.min(FACING_DEPTH, shoulder / 2 - 0.2);

function shoulderOf(panel: Panel) {
  const [from, to] = edgeOf(panel, 'shoulder').path[0] as readonly [Point, Point];
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const at = (d: number): Point => [
    from[0] + ((to[0] - from[0]) * d) / length,
    from[1] + ((to[1] - from[1]) * d) / length,
  ];
  /** degrees */
  const slope = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  return { from, to, length, at, slope };
}

function neckFacing(c: PartContext, v: Neck, face: Face, panel: Panel): Panel {
  const neck = edgeOf(panel, 'neck').path;
  const centre = neck[0]![0];
  const s = shoulderOf(panel);
  const outer = s.at(depthAt(s.length));
  const low: Point = [0, centre[1] + c.stepped(FACING_DEPTH)];
  const a = c.allowances;
  const { fold } = edgeOf(panel, 'centre');
  return {
    ...blank(c, face, 'neck', panel),
    cut: fold ? 'fold' : 'pair',
    count: fold ? 1 : 2,
    edges: [
      edge('neck', 'neckline', neck, a.neck),
      edge('shoulder', 'shoulder', straight(end(neck), outer), a.shoulder),
      edge(
        'lower',
        'lower edge',
        reversed(neckline(face === 'back' ? 'round' : v.neckline, low, outer, s.slope)),
        a.facing,
      ),
      edge('centre', 'centre', straight(low, centre), edgeOf(panel, 'centre').allowance, { fold }),
    ],
    across: { centre: 'centre', side: 'shoulder' },
  };
}

/** A facing at the underarm ends above a bust dart in the side, so far from it, cm, and is no shallower than this (common practice). */
const ABOVE_DART = 0.7;
const LEAST_DEPTH = 2;
/** How deep armhole facings are at the side: alike in front and behind, so that they meet. */
function armDepth(c: PartContext, front: Panel): Cm {
  const darts = front.darts.filter((d) => d.edge === 'side').map((d) => d.at - d.intake / 2 - ABOVE_DART);
  return cm(Math.max(LEAST_DEPTH, Math.min(c.stepped(FACING_DEPTH), ...darts)));
}

function armFacing(c: PartContext, face: Face, panel: Panel, depth: Cm): Panel {
  const arm = edgeOf(panel, 'armhole').path;
  const s = shoulderOf(panel);
  const inner = s.at(s.length - depthAt(s.length));
  const mid = arm[0]!.at(-1) as Point;
  const underarm = end(arm);
  // A front that is turned for its dart has its side turned with it.
  const [from, to] = [edgeOf(panel, 'side').path[0]![0], edgeOf(panel, 'side').path[0]!.at(-1) as Point];
  const turned = Math.max(0, Math.atan2(to[0] - from[0], to[1] - from[1]));
  const low: Point = [underarm[0] + depth * Math.sin(turned), underarm[1] + depth * Math.cos(turned)];
  const a = c.allowances;
  return {
    ...blank(c, face, 'armhole', panel),
    cut: 'pair',
    count: 2,
    edges: [
      edge('shoulder', 'shoulder', straight(inner, s.to), a.shoulder),
      edge('armhole', 'armhole', arm, a.armhole),
      edge('side', 'side', straight(underarm, low), edgeOf(panel, 'side').allowance),
      edge(
        'lower',
        'lower edge',
        reversed(armholePath(inner, [mid[0] - FACING_DEPTH, mid[1]], low, s.slope, (turned * 180) / Math.PI)),
        a.facing,
      ),
    ],
    across: { centre: 'lower', side: 'side' },
  };
}

const blank = (c: PartContext, face: Face, edge: string, panel: Panel) => ({
  id: c.id(`${face}-${edge}-facing`),
  name: `${face} ${edge} facing`,
  ...FACING,
  face,
  note: `follows the ${panel.name}; interfaced`,
});
