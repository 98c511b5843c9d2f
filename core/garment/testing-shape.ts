import { edgeOf, type Panel } from '../draft/panel.ts';
import { type Body, randomBody } from './testing.ts';

export type Point = readonly [number, number];
const bearing = (a: Point, b: Point) => Math.atan2(b[1] - a[1], b[0] - a[0]);
/** The angle inside a panel between the end of one edge and the beginning of the next, degrees. */
export function corner(p: Panel, ends: string, begins: string): number {
  const [a, b] = [edgeOf(p, ends).path.at(-1)!, edgeOf(p, begins).path[0]!];
  const corner = b[0]!;
  const off = (points: readonly Point[]) =>
    points.find((q) => Math.hypot(q[0] - corner[0], q[1] - corner[1]) > 1e-6)!;
  const [back, on] = [off([...a].reverse().slice(1)), off(b.slice(1))];
  const turn = Math.abs(bearing(corner, back) - bearing(corner, on));
  return ((turn > Math.PI ? 2 * Math.PI - turn : turn) * 180) / Math.PI;
}

/** A body whose lengths and widths go together as bodies' do: cup, balance, small and full, petite and tall. */
export function trueBody(rnd: () => number): Body {
  const between = (a: number, b: number) => Math.round((a + rnd() * (b - a)) * 2) / 2;
  const half = (x: number) => Math.round(x * 2) / 2;
  const { 'bust-front': _, 'hip-front': __, tummy: ___, 'high-hip': ____, ...body } = randomBody(rnd);
  const bust = between(76, 132);
  const cup = between(2, 4 + (bust - 70) * 0.12);
  const tall = between(-3, 3);
  const back = half(42.5 + tall + (bust - 88) * 0.03);
  const side = half(19 + tall * 0.6);
  const neckToBust = half(26 + (bust - 88) * 0.14 + tall * 0.4);
  // By the cup, as read with a tape: a centimetre in length is about four degrees.
  const front = half(back + (cup - 4) * 0.45 + 1.2 + between(-0.5, 0.5) + (bust - 88) * 0.04);
  return {
    ...body,
    bust,
    'high-bust': bust - cup,
    waist: half(bust - between(10, 22)),
    hip: half(bust + between(-4, 14)),
    underbust: half(bust - cup - between(7, 11)),
    'neck-to-bust': neckToBust,
    'neck-to-waist-front': front,
    'neck-to-waist-back': back,
    'nape-to-waist': back - 1.5,
    'underarm-to-waist': side,
    'armhole-depth': half(back - side - 2.5),
    'apex-span': half(19 + (bust - 88) * 0.12),
    'across-shoulder': half(38 + (bust - 88) * 0.09 + between(-1, 1)),
    shoulder: half(12.25 + between(-0.5, 0.5)),
    'neck-width': half(14.4 + (bust - 88) * 0.03),
    'across-front': half(32.4 + (bust - 88) * 0.2 + between(-0.5, 0.5)),
    'across-back': half(34.4 + (bust - 88) * 0.24 + between(-0.5, 0.5)),
    'upper-arm': half(28.4 + (bust - 88) * 0.3),
  };
}
