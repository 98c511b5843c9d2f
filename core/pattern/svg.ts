import { mapped, type Point, type Segment } from '../draft/curve.ts';
import type { Arranged } from './arrange.ts';
import type { PatternKind, PatternPiece, PatternWord } from './piece.ts';
import { lines } from './polyline.ts';

/** Width of each line, mm, and its dashes. */
export const DRAWN: Readonly<
  Record<Exclude<PatternKind, 'TEXT'>, { readonly width: number; readonly dash: readonly number[] }>
> = {
  CUT: { width: 0.5, dash: [] },
  SEAM: { width: 0.25, dash: [3, 1.5] },
  GRAIN: { width: 0.4, dash: [] },
  FOLD: { width: 0.5, dash: [] },
  NOTCH: { width: 0.4, dash: [] },
  DRILL: { width: 0.3, dash: [] },
  MARK: { width: 0.2, dash: [1, 1] },
};
const MM = 10;
/** White paper around it, mm. */
const EDGE = 10;

const n = (x: number) => String(Math.round(x * 1000) / 1000);
const pt = ([x, y]: Point) => `${n(x)} ${n(y)}`;
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** A path in mm, moved. */
function data(path: readonly Segment[], move: (p: Point) => Point): string {
  let [out, here] = ['', null as Point | null];
  for (const s of path.map((x) => mapped(x, move))) {
    const from = s[0];
    if (!here || Math.hypot(here[0] - from[0], here[1] - from[1]) > 1e-6) out += `M${pt(from)}`;
    out += s.length === 2 ? `L${pt(s[1])}` : `C${pt(s[1])} ${pt(s[2])} ${pt(s[3])}`;
    here = s.at(-1) as Point;
  }
  return out;
}

const toMm =
  ([dx, dy]: readonly [number, number]) =>
  ([x, y]: Point): Point => [(x + dx) * MM, (y + dy) * MM];

function word(w: PatternWord, move: (p: Point) => Point): string {
  const [x, y] = move(w.at);
  const turn = w.upright ? ` transform="rotate(-90 ${n(x)} ${n(y)})"` : '';
  const middle = w.centred ? ' text-anchor="middle"' : '';
  return `<text x="${n(x)}" y="${n(y)}" font-size="${n(w.size * MM * 1.4)}"${middle}${turn}>${escaped(w.text)}</text>`;
}

/** One piece as the inside of an SVG group, mm. */
export function pieceSvg(piece: PatternPiece, by: readonly [number, number]): string {
  const move = toMm(by);
  const path = (kind: Exclude<PatternKind, 'TEXT'>, segments: readonly Segment[], closed = false) => {
    const { width, dash } = DRAWN[kind];
    return `<path class="${kind}" d="${data(segments, move)}${closed ? 'Z' : ''}" fill="none" stroke="#000" stroke-width="${width}"${dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}"` : ''}/>`;
  };
  return [
    path('CUT', lines(piece.ring), true),
    ...piece.lines.map((l) => path(l.kind, l.path)),
    ...piece.words.map((w) => word(w, move)),
  ].join('');
}

/** Pieces as they lie on paper, an SVG document at full size: one unit is a millimetre. */
export function patternSvg({ placed, width, height }: Arranged, title: string): string {
  const [w, h] = [width * MM + 2 * EDGE, height * MM + 2 * EDGE];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(w)}mm" height="${n(h)}mm" viewBox="${-EDGE} ${-EDGE} ${n(w)} ${n(h)}" font-family="sans-serif"><title>${escaped(title)}</title>${placed
    .map(
      ({ piece, by }) =>
        `<g id="${escaped(piece.id)}"><title>${escaped(piece.name)}</title>${pieceSvg(piece, by)}</g>`,
    )
    .join('')}</svg>\n`;
}
