import type { Point } from '../../../draft/curve.ts';
import { type Dart, edgeOf, type Panel } from '../../../draft/panel.ts';
import { between, pathLength } from '../../../draft/path.ts';
import { cm } from '../../../units/length.ts';
import type { PartContext } from '../../part.ts';
import { SHORT_OF_BUST } from './bust-dart.ts';

/**
 * A dart over the bust as two of half its angle, side by side in its edge: between them the edge reaches as far from the
 * bust point as at both legs, so that each has legs of one length. `below`: the one that moves lies farther along the edge.
 */
export function halvedDart(
  c: PartContext,
  panel: Panel,
  dart: Dart,
  over: Point,
  below: boolean,
): { readonly panel: Panel; readonly moving: Dart } {
  const [p1, p2] = dart.legs;
  const far = (p: Point) => Math.hypot(p[0] - over[0], p[1] - over[1]);
  const angle = (p: Point) => Math.atan2(p[1] - over[1], p[0] - over[0]);
  const [a1, a2] = [angle(p1), angle(p2)];
  // Half of the way round from one leg to the other, the short way.
  const turn = Math.atan2(Math.sin(a2 - a1), Math.cos(a2 - a1)) / 2;
  const reach = (far(p1) + far(p2)) / 2;
  const mid: Point = [over[0] + reach * Math.cos(a1 + turn), over[1] + reach * Math.sin(a1 + turn)];
  const own = edgeOf(panel, dart.edge).path;
  const [from, to] = [dart.at - dart.intake / 2, dart.at + dart.intake / 2];
  const path = [
    ...between(own, 0, from),
    [p1, mid] as const,
    [mid, p2] as const,
    ...between(own, to, pathLength(own)),
  ];
  const half = (id: string, figure: string, starts: number, a: Point, b: Point): Dart => {
    const intake = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    const length = Math.max(1, far(middle) - SHORT_OF_BUST);
    const t = length / (far(middle) || 1);
    return {
      id: c.id(id),
      figure: c.id(figure),
      edge: dart.edge,
      at: cm(starts + intake / 2),
      intake: cm(intake),
      length: cm(length),
      tip: [middle[0] + (over[0] - middle[0]) * t, middle[1] + (over[1] - middle[1]) * t],
      legs: [a, b],
    };
  };
  const first = Math.hypot(mid[0] - p1[0], mid[1] - p1[1]);
  const [stays, moves] = ['bust-dart', 'bust-dart-2'];
  const upper = half(below ? stays : moves, 'side-dart', from, p1, mid);
  const lower = half(below ? moves : stays, 'side-dart', from + first, mid, p2);
  return {
    panel: {
      ...panel,
      edges: panel.edges.map((e) => (e.id === dart.edge ? { ...e, path } : e)),
      darts: [...panel.darts.filter((d) => d !== dart), upper, lower],
    },
    moving: below ? lower : upper,
  };
}
