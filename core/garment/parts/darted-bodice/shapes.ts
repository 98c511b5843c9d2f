import type { Point, Segment } from '../../../draft/curve.ts';
import { rounded, straight } from '../../../draft/shape.ts';
import type { BodiceValues } from './fields.ts';

/** A neckline from the centre to the side-neck. */
export function neckline(shape: BodiceValues['neckline'], centre: Point, side: Point): Segment[] {
  if (shape === 'v') return straight(centre, side);
  if (shape === 'square')
    return [...straight(centre, [side[0], centre[1]]), ...straight([side[0], centre[1]], side)];
  return [rounded(centre, side)];
}

/** An armhole from the shoulder point over the mid-armhole point to the underarm, which it reaches level. */
export function armholePath(shoulder: Point, mid: Point, underarm: Point): Segment[] {
  const [dx, dy] = [mid[0] - shoulder[0], mid[1] - shoulder[1]];
  const [ex, ey] = [underarm[0] - mid[0], underarm[1] - mid[1]];
  return [
    [shoulder, [shoulder[0] + dx * 0.5, shoulder[1] + dy * 0.4], [mid[0], mid[1] - dy * 0.35], mid],
    [mid, [mid[0], mid[1] + ey * 0.55], [underarm[0] - ex * 0.55, underarm[1]], underarm],
  ];
}
