import { type Point, startOf } from '../draft/curve.ts';
import { pointAlong } from '../draft/measure.ts';
import { pathData, sewnOutline } from '../draft/outline.ts';
import { pathLength } from '../draft/path.ts';
import { isMain } from '../garment/seams.ts';
import type { WholePanel } from '../garment/whole.ts';
import { type Cm, cm } from '../units/length.ts';
import { cutWords } from './piece.ts';

/** A place that is chalked on the cloth: how far from the upright line and from the level one, cm. */
export interface ChalkPoint {
  readonly number: number;
  readonly name: string;
  readonly across: Cm;
  readonly down: Cm;
}
/** A piece as it is drawn straight on the cloth: its sewing line by points. */
export interface ChalkPiece {
  readonly name: string;
  readonly cut: string;
  /** what the first distance is measured from: the fold, the centre line, its left end */
  readonly from: string;
  readonly points: readonly ChalkPoint[];
  /** the sewing line as an SVG path, cm from the two lines, and how wide and high it is */
  readonly outline: string;
  readonly width: Cm;
  readonly height: Cm;
}

/** Along an edge that bends it is chalked through these parts of it too. */
const THROUGH = [
  [0.25, 'a quarter of the way'],
  [0.5, 'half way'],
  [0.75, 'three quarters of the way'],
] as const;
/** Below this an edge is drawn from end to end, cm. */
const SHORT = 4;

/** The pieces that make a garment, each as points with two distances, for those who draw on cloth without paper. */
export const chalkCard = (panels: readonly WholePanel[]): ChalkPiece[] =>
  panels.filter(isMain).map((p) => {
    const edges = p.edges.filter((e) => e.path.length > 0);
    const all = edges.flatMap((e) => e.path.flatMap((s) => [...s] as Point[]));
    const top = Math.min(...edges.flatMap((e) => e.path.flatMap((s) => [s[0][1], (s.at(-1) as Point)[1]])));
    const left = Math.min(...all.map(([x]) => x));
    // A half lies from its fold or centre line; what is drawn around a middle of its own, from its left end.
    const fold = edges.some((e) => e.fold);
    const centred = left > -0.01 && /centre/.test(p.across.centre);
    const origin = fold || centred ? 0 : left;
    const places: [string, Point][] = [
      ...edges.flatMap((e, i): [string, Point][] => {
        const before = edges[(i + edges.length - 1) % edges.length]!;
        const whole = pathLength(e.path);
        const bends = e.path.some((s) => s.length === 4) && whole > SHORT;
        return [
          [`${before.name} meets ${e.name}`, startOf(e.path[0]!)],
          ...(bends
            ? THROUGH.map(([part, words]): [string, Point] => [
                `${e.name}, ${words}`,
                pointAlong(e.path, whole * part),
              ])
            : []),
        ];
      }),
      ...p.darts.flatMap((d): [string, Point][] => [
        ['dart, first leg', d.legs[0]],
        ['dart, its point', d.tip],
        ['dart, second leg', d.legs[1]],
      ]),
      ...p.marks.flatMap((m): [string, Point][] => (m.kind === 'notch' ? [[`notch, ${m.name}`, m.at]] : [])),
    ];
    const points = places.map(
      ([name, [x, y]], i): ChalkPoint => ({
        number: i + 1,
        name,
        across: cm(x - origin),
        down: cm(y - top),
      }),
    );
    const moved = sewnOutline(p).map((s) => s.map((q) => [(q as Point)[0] - origin, (q as Point)[1] - top]));
    return {
      name: p.name,
      cut: cutWords(p),
      from: fold ? 'the fold' : centred ? 'the centre line' : 'its left end',
      points,
      outline: pathData(moved as never, true),
      width: cm(Math.max(...points.map((q) => q.across))),
      height: cm(Math.max(...points.map((q) => q.down))),
    };
  });
