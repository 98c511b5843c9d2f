import type { Point } from '../draft/curve.ts';
import type { Adapted, SeamPut } from './adapted-parts.ts';
import { NO_PICTURE, type Picture, type Stroke } from './picture.ts';

type Face = 'front' | 'back';
const FACES: readonly Face[] = ['front', 'back'];
const on = (a: Adapted, face: Face) => a.seams.filter((s) => s.panel.includes(`.${face}`));

/** A seam across as the wearer shows it. */
function lines(a: Adapted, face: Face): Stroke[] {
  return on(a, face).flatMap(({ y, half, waist, dip, curved }): Stroke[] => {
    if (waist === null) return [];
    const at = y - waist;
    // A curve goes half of the way to its handle.
    const way = dip === 0 ? 'L' : curved ? `Q0 ${at + 2 * dip} ` : `L0 ${at + dip} L`;
    return [{ kind: 'seam', figure: null, d: `M${-half} ${at} ${way}${half} ${at}` }];
  });
}

/** What is left of a line between two points on one side of a height; null where nothing is. */
function left([a, b]: readonly [Point, Point], y: number, below: boolean): readonly [Point, Point] | null {
  const isLeft = (p: Point) => p[1] > y === below;
  if (isLeft(a) && isLeft(b)) return [a, b];
  if (!isLeft(a) && !isLeft(b)) return null;
  const t = (y - a[1]) / (b[1] - a[1]);
  const cut: Point = [a[0] + (b[0] - a[0]) * t, y];
  return isLeft(a) ? [a, cut] : [cut, b];
}

/** A line `M x y L x y` as its two points; null for any other path. */
function ends(d: string): readonly [Point, Point] | null {
  const [, x0, y0, x1, y1] = /^M(\S+) (\S+) L(\S+) (\S+)$/.exec(d) ?? [];
  return y1 === undefined
    ? null
    : [
        [Number(x0), Number(y0)],
        [Number(x1), Number(y1)],
      ];
}

/** A drawing without what seams across have closed of its darts, and the letter of each where it opens now. */
function clipped(p: Picture[Face], seams: readonly SeamPut[]): Picture[Face] {
  let { strokes, points } = p;
  for (const { closed, y, waist, dip, curved, half } of seams) {
    if (!closed || waist === null) continue;
    const heightAt = (x: number) => {
      const out = Math.min(1, Math.abs(x) / half);
      return y - waist + dip * (1 - (curved ? out * out : out));
    };
    strokes = strokes.flatMap((s): Stroke[] => {
      const line = s.kind === 'dart' && s.figure && closed.figures.includes(s.figure) ? ends(s.d) : null;
      if (!line) return [s];
      const rest = left(line, heightAt((line[0][0] + line[1][0]) / 2), closed.above);
      return rest ? [{ ...s, d: `M${rest[0].join(' ')} L${rest[1].join(' ')}` }] : [];
    });
    points = points.map((q) => {
      const line = strokes.find((s) => s.figure === q.figure && s.kind === 'dart');
      if (!line || !closed.figures.includes(q.figure)) return q;
      const [x] = ends(line.d)![0];
      return q.at[1] < heightAt(q.at[0]) === closed.above ? { ...q, at: [Math.abs(x), heightAt(x)] } : q;
    });
  }
  return { strokes, points };
}

/** A part’s drawing with the seams across that were put in. */
export function withSeams(p: Picture, a: Adapted | undefined): readonly Picture[] {
  if (!a || a.seams.length === 0) return [p, NO_PICTURE];
  const face = <T>(make: (f: Face) => T) =>
    Object.fromEntries(FACES.map((f) => [f, make(f)])) as Record<Face, T>;
  return [face((f) => clipped(p[f], on(a, f))), face((f) => ({ strokes: lines(a, f), points: [] }))];
}
