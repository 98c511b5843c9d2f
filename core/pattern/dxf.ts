import type { Point } from '../draft/curve.ts';
import type { Arranged } from './arrange.ts';
import { KINDS, type PatternPiece } from './piece.ts';
import { pointsAlong } from './polyline.ts';

const MM = 10;
const n = (x: number) => (Math.round(x * 10_000) / 10_000).toFixed(4);
/** Names in a drawing file of that age: capitals, digits and dashes. */
const named = (id: string) =>
  id
    .toUpperCase()
    .replace(/[^A-Z0-9]+/g, '-')
    .slice(0, 31);
/** Its letters are those of ASCII. */
const plain = (text: string) =>
  text
    .normalize('NFKD')
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/[\u2010-\u2015\u2212]/g, '-')
    .replace(/\u00d7/g, 'x')
    .replace(/[^\x20-\x7e]/g, '');

type Code = readonly [code: number, value: string | number];
const write = (codes: readonly Code[]) => codes.map(([c, v]) => `${c}\n${v}\n`).join('');

/** In millimetres, with y up. */
const up = ([x, y]: Point): Point => [x * MM, -y * MM];

function polyline(points: readonly Point[], layer: string, closed: boolean): Code[] {
  return [
    [0, 'POLYLINE'],
    [8, layer],
    [66, 1],
    [10, '0.0'],
    [20, '0.0'],
    [30, '0.0'],
    [70, closed ? 1 : 0],
    ...points.flatMap((p): Code[] => {
      const [x, y] = up(p);
      return [
        [0, 'VERTEX'],
        [8, layer],
        [10, n(x)],
        [20, n(y)],
        [30, '0.0'],
      ];
    }),
    [0, 'SEQEND'],
    [8, layer],
  ];
}

/** Paths that do not go on where the one before ended are lines of their own. */
function runs(path: PatternPiece['lines'][number]['path']): Point[][] {
  const out: Point[][] = [];
  let last: Point | null = null;
  for (const s of path) {
    const points = pointsAlong([s]);
    if (last && Math.hypot(last[0] - s[0][0], last[1] - s[0][1]) < 1e-6) out.at(-1)!.push(...points.slice(1));
    else out.push(points);
    last = points.at(-1)!;
  }
  return out;
}

function block(piece: PatternPiece): Code[] {
  return [
    [0, 'BLOCK'],
    [8, '0'],
    [2, named(piece.id)],
    [70, 0],
    [10, '0.0'],
    [20, '0.0'],
    [30, '0.0'],
    [3, named(piece.id)],
    ...polyline(piece.ring, 'CUT', true),
    ...piece.lines.flatMap((l) => runs(l.path).flatMap((r) => polyline(r, l.kind, false))),
    ...piece.words.flatMap((w): Code[] => {
      const [x, y] = up(w.at);
      return [
        [0, 'TEXT'],
        [8, 'TEXT'],
        [10, n(x)],
        [20, n(y)],
        [30, '0.0'],
        [40, n(w.size * MM)],
        [1, plain(w.text)],
        ...(w.upright ? ([[50, '90.0']] as Code[]) : []),
      ];
    }),
    [0, 'ENDBLK'],
    [8, '0'],
  ];
}

/**
 * Pieces as a drawing file of release 12 (AC1009), which the most programs read: a block a piece, each inserted once where it
 * lies on the paper, millimetres, y up, layers CUT SEAM GRAIN FOLD NOTCH DRILL MARK TEXT. Curves are fine polylines.
 */
export function patternDxf({ placed, width, height }: Arranged): string {
  const layers = KINDS.flatMap((k): Code[] => [
    [0, 'LAYER'],
    [2, k],
    [70, 0],
    [62, 7],
    [6, 'CONTINUOUS'],
  ]);
  return write([
    [0, 'SECTION'],
    [2, 'HEADER'],
    [9, '$ACADVER'],
    [1, 'AC1009'],
    [9, '$EXTMIN'],
    [10, '0.0'],
    [20, n(-height * MM)],
    [9, '$EXTMAX'],
    [10, n(width * MM)],
    [20, '0.0'],
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'TABLES'],
    [0, 'TABLE'],
    [2, 'LTYPE'],
    [70, 1],
    [0, 'LTYPE'],
    [2, 'CONTINUOUS'],
    [70, 0],
    [3, 'Solid line'],
    [72, 65],
    [73, 0],
    [40, '0.0'],
    [0, 'ENDTAB'],
    [0, 'TABLE'],
    [2, 'LAYER'],
    [70, KINDS.length],
    ...layers,
    [0, 'ENDTAB'],
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'BLOCKS'],
    ...placed.flatMap(({ piece }) => block(piece)),
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
    ...placed.flatMap(({ piece, by }): Code[] => {
      const [x, y] = up(by);
      return [
        [0, 'INSERT'],
        [8, 'CUT'],
        [2, named(piece.id)],
        [10, n(x)],
        [20, n(y)],
        [30, '0.0'],
      ];
    }),
    [0, 'ENDSEC'],
    [0, 'EOF'],
  ]);
}
