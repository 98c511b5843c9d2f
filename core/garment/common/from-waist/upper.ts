import { crossing, lengthOf, type Point, type Segment } from '../../../draft/curve.ts';
import { dartOn, held } from '../../../draft/measure.ts';
import type { Dart } from '../../../draft/panel.ts';
import { levelOfLength, seamThrough } from '../../../draft/shape.ts';
import type { Cm } from '../../../units/length.ts';
import type { BodyLine } from '../../lines.ts';
import type { PartContext } from '../../part.ts';
import type { Face } from '../../tables/darts.ts';
import type { FaceTaking } from './taking.ts';

/** What places the upper part of a face: marked widths and levels, and how the waist is taken up. Lengths cm. */
export interface UpperPlan {
  readonly face: Face;
  readonly taking: FaceTaking;
  readonly wide: BodyLine;
  readonly rise: Cm;
  readonly drop: Cm;
  readonly lines: readonly BodyLine[];
}

/** A face from its waist to where it falls straight: the same for the cloth and for its lining. */
export interface Upper {
  readonly top: number;
  /** where the widest line meets the side seam */
  readonly wide: Point;
  readonly waist: Segment;
  readonly darts: readonly Dart[];
  readonly centreSeam: readonly Segment[];
  /** the side seam down to the last line that is as wide */
  readonly side: readonly Segment[];
  readonly sideLength: number;
  /** where it ends */
  readonly bend: Point;
  /** the lowest of the lines */
  readonly low: number;
}

/** Waist line, darts, centre and side seam of a face, placed from marked figures. */
export function upperOf(c: PartContext, q: UpperPlan): Upper {
  const { face, taking } = q;
  const top = face === 'back' ? q.drop : 0;
  const wideY: number = q.wide.level!;
  const wideX: number = q.wide[face]!.rounded;
  const waist = levelOfLength([taking.centre, top], q.rise + top, taking.waistLine);
  const corner = waist.at(-1) as Point;
  const darts = taking.darts.map((d, i) =>
    dartOn([waist], {
      id: c.id(`dart-${face}${i > 0 ? `-${i + 1}` : ''}`),
      figure: c.id(`dart-${face}-intake`),
      edge: 'waist',
      ...d,
    }),
  );
  const centreSeam: Segment[] =
    taking.centre > 0
      ? seamThrough([
          [taking.centre, top],
          [0, wideY],
        ])
      : [];
  const centreX = (y: number) => centreSeam.reduce<number>((x, s) => crossing(s, y) ?? x, 0);
  const through = q.lines
    // Two lines at one level are one point of the seam.
    .filter(
      (l, i) =>
        l.level! > 1 &&
        l.level! < wideY - 1 &&
        l.zone !== q.wide.zone &&
        !q.lines.slice(0, i).some((o) => Math.abs(o.level! - l.level!) < 0.01),
    )
    .map((l): Point => {
      const y: number = l.level!;
      return [centreX(y) + l[face]!.rounded + darts.reduce((sum, d) => sum + held(d, y), 0), y];
    });
  const curve = wideY > 0 ? seamThrough([corner, ...through, [wideX, wideY]]) : [];
  // Below its widest line it falls straight past every line that is as wide, then to the hem.
  const low = Math.max(wideY, ...q.lines.map((l) => l.level!));
  const above: Point = wideY > 0 ? [wideX, wideY] : corner;
  const bend: Point = low > above[1] + 0.01 ? [wideX, low] : above;
  const first: Point = [wideX, Math.min(...q.lines.map((l) => l.level!).filter((y) => y > above[1] + 0.01))];
  const fall: Segment[] =
    bend === above
      ? []
      : first[1] < low - 0.01
        ? [
            [above, first],
            [first, bend],
          ]
        : [[above, bend]];
  const side = [...curve, ...fall];
  return {
    top,
    wide: [wideX, wideY],
    waist,
    darts,
    centreSeam,
    side,
    sideLength: side.reduce((sum, s) => sum + lengthOf(s), 0),
    bend,
    low,
  };
}
