import { crossing, directionAt, lengthOf, type Point, type Segment } from '../../../draft/curve.ts';
import { bendOf, fairSide } from '../../../draft/fair-side.ts';
import { dartOn, held } from '../../../draft/measure.ts';
import type { Dart } from '../../../draft/panel.ts';
import { levelOfLength, seamThrough, waistFrom } from '../../../draft/shape.ts';
import type { Cm } from '../../../units/length.ts';
import type { BodyLine } from '../../lines.ts';
import type { PartContext } from '../../part.ts';
import type { Face } from '../../tables/darts.ts';
import type { FaceTaking } from './taking.ts';
import { betweenLines, LEAST_RUN } from './widest.ts';

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

/** A side that leans otherwise by more than this than was thought, cm for each cm, is drawn once more. */
const TURNED = 0.04;

/** Where the read lines between put the side seam: their marked share, what the darts hold there, and the centre seam's lean. */
function throughOf(q: UpperPlan, centreSeam: readonly Segment[], darts: readonly Dart[]): Point[] {
  return betweenLines(q.lines, q.wide, q.face).map(({ level: y, share }): Point => {
    const centre = centreSeam.reduce<number>((x, s) => crossing(s, y) ?? x, 0);
    return [centre + share + darts.reduce((sum, d) => sum + held(d, y), 0), y];
  });
}

/** The side seam from the waist's corner to the widest line: one fair curve. */
function curveOf(q: UpperPlan, corner: Point, through: readonly Point[]): Segment[] {
  const wide: Point = [q.wide[q.face]!.rounded, q.wide.level!];
  if (wide[1] <= 0) return [];
  // Where nothing was read between, or the waist is as wide as what it falls from, there is nothing to bend out for.
  return through.length === 0 || wide[0] < corner[0] + LEAST_RUN
    ? seamThrough([corner, wide])
    : [fairSide(corner, wide, bendOf(corner, through, wide))];
}

/** How far a seam leans where it begins, sideways for each cm down. */
function leanOf([seam]: readonly Segment[]): number {
  if (!seam) return 0;
  const [x, y] = directionAt(seam, 0);
  return x / y;
}

/** How far the side will lean at its corner, from the figures alone: the waist as a parabola, its darts upright on it. */
function leanAhead(q: UpperPlan, top: number): number {
  const { taking } = q;
  const up = q.rise + top;
  const corner: Point = [taking.centre + taking.waistLine - (2 * up * up) / (3 * taking.waistLine), -q.rise];
  const wide: Point = [q.wide[q.face]!.rounded, q.wide.level!];
  const [run, height] = [wide[0] - corner[0], wide[1] - corner[1]];
  const through = betweenLines(q.lines, q.wide, q.face).map(({ level, share }): Point => {
    const down = (level - top) / (wide[1] - top);
    const centre = taking.centre * (1 - 1.5 * down + 0.5 * down ** 3);
    const inDarts = taking.darts.reduce((sum, d) => {
      const foot = top - up * (d.at / taking.waistLine) ** 2;
      return sum + d.intake * Math.min(1, Math.max(0, 1 - (level - foot) / d.length));
    }, 0);
    return [centre + share + inDarts, level];
  });
  return through.length === 0 || run < LEAST_RUN
    ? (1.5 * run) / height
    : run / (bendOf(corner, through, wide) * height);
}

/** Waist line, darts, centre and side seam of a face, placed from marked figures. */
export function upperOf(c: PartContext, q: UpperPlan): Upper {
  const { face, taking } = q;
  const top = face === 'back' ? q.drop : 0;
  const wideY: number = q.wide.level!;
  const wideX: number = q.wide[face]!.rounded;
  const centreSeam: Segment[] =
    taking.centre > 0
      ? seamThrough([
          [taking.centre, top],
          [0, wideY],
        ])
      : [];
  const leaves = taking.centre > 0 ? (1.5 * taking.centre) / (wideY - top) : 0;
  const waistTo = (ends: number | null) =>
    levelOfLength([taking.centre, top], q.rise + top, taking.waistLine, (a, b) =>
      waistFrom(a, b, leaves, ends),
    );
  const from = (waist: Segment) => {
    const darts = taking.darts.map((d, i) =>
      dartOn([waist], {
        id: c.id(`dart-${face}${i > 0 ? `-${i + 1}` : ''}`),
        figure: c.id(`dart-${face}-intake`),
        edge: 'waist',
        ...d,
      }),
    );
    return { waist, darts, curve: curveOf(q, waist.at(-1) as Point, throughOf(q, centreSeam, darts)) };
  };
  // Where the side leans in is known well enough from the figures; the waist that is drawn meets it square.
  const lean = leanAhead(q, top);
  let drawn = from(waistTo(lean));
  // A full line near the waist leans the side so far that moving its corner turns it: once more, then.
  if (Math.abs(leanOf(drawn.curve) - lean) > TURNED) drawn = from(waistTo(leanOf(drawn.curve)));
  const { waist, darts, curve } = drawn;
  const above: Point = wideY > 0 ? [wideX, wideY] : (waist.at(-1) as Point);
  // Below its widest line it falls straight past every line that is as wide, then to the hem.
  const low = Math.max(wideY, ...q.lines.map((l) => l.level!));
  const bend: Point = low > above[1] + 0.01 ? [wideX, low] : above;
  const next: Point = [wideX, Math.min(...q.lines.map((l) => l.level!).filter((y) => y > above[1] + 0.01))];
  const fall: Segment[] =
    bend === above
      ? []
      : next[1] < low - 0.01
        ? [
            [above, next],
            [next, bend],
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
