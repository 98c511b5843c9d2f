import {
  type Box,
  directionAt,
  distance,
  emptyBox,
  mapped,
  type Point,
  pointAt,
  reachAlong,
  type Segment,
} from '../draft/curve.ts';
import { spanAt } from '../draft/measure.ts';
import { cutOutline, innerOutline, pathData, sewnOutline } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import { strokeStyle } from './drawing.ts';

/** Between two panels, and round the whole, cm. */
const GAP = 6;
/** A row of panels is about so wide, cm; a longer panel stands alone. */
const ROW = 180;
const GRID = 10;
const LETTERS = 2.2;
/** How far a notch's tick goes inward from the seam line, cm. */
const TICK = 0.6;

const n = (x: number) => String(Math.round(x * 1000) / 1000);
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** Which way the warp runs on a panel as it is drawn, degrees from upright. */
const grainTurn = (panel: Panel): number => (panel.grain.includes('bias') ? 45 : panel.sideways ? 90 : 0);

/** A notch as a tick across the seam line: from a little inside to the cut line; null where it lies on no edge. */
function tick(panel: Panel, at: Point): readonly [Point, Point] | null {
  let nearest: { away: number; way: Point; allowance: number } | null = null;
  for (const e of panel.edges)
    for (const s of e.path)
      for (let i = 0; i <= 64; i++) {
        const away = distance(pointAt(s, i / 64), at);
        if (!nearest || away < nearest.away - 1e-9)
          nearest = { away, way: directionAt(s, i / 64), allowance: e.allowance };
      }
  if (!nearest || nearest.away > 1) return null;
  const out: Point = [nearest.way[1], -nearest.way[0]];
  const to = (by: number): Point => [at[0] + by * out[0], at[1] + by * out[1]];
  return [to(-TICK), to(nearest.allowance)];
}

/** An arrow along the warp through the middle of a panel, a third of its height or width long. */
function grainLine(panel: Panel, [x0, y0, x1, y1]: Box): Segment[] {
  const turn = (grainTurn(panel) * Math.PI) / 180;
  const way: Point = [Math.sin(turn), -Math.cos(turn)];
  const y = (y0 + y1) / 2;
  const [from, to] = spanAt(panel, y) ?? [x0, x1];
  const half = Math.min(
    20,
    (grainTurn(panel) === 90 ? x1 - x0 : grainTurn(panel) === 45 ? Math.min(x1 - x0, y1 - y0) : y1 - y0) / 6,
  );
  const middle: Point = [from + (to - from) * 0.55, y];
  const end = (by: number): Point => [middle[0] + by * way[0], middle[1] + by * way[1]];
  const barb = (by: number, side: number): Point => {
    const [x, z] = end(by * (half - Math.min(2, half / 2)));
    return [x + side * way[1], z - side * way[0]];
  };
  return [
    [end(-half), end(half)],
    ...([1, -1] as const).flatMap((by): Segment[] =>
      [0.8, -0.8].map((side) => [end(by * half), barb(by, side)] as const),
    ),
  ];
}

interface Drawn {
  readonly panel: Panel;
  readonly box: Box;
  readonly x: number;
  readonly y: number;
}

/** Panels side by side in rows, each in its own box. */
function laidOut(panels: readonly Panel[]): {
  readonly all: readonly Drawn[];
  readonly width: number;
  readonly height: number;
} {
  let [x, y, low, right] = [GAP, GAP, GAP, GAP];
  const all = panels.map((panel): Drawn => {
    const box = emptyBox();
    for (const s of cutOutline(panel)) reachAlong(box, s, 0);
    const width = Math.max(box[2] - box[0], panel.name.length * LETTERS * 0.6);
    if (x > GAP && x + width > ROW) [x, y] = [GAP, low];
    const at = { panel, box, x: x - box[0], y: y - box[1] };
    x += width + GAP;
    right = Math.max(right, x);
    low = Math.max(low, y + box[3] - box[1] + 3 * LETTERS + GAP);
    return at;
  });
  return { all, width: right, height: low };
}

function panelSvg({ panel, box, x, y }: Drawn): string {
  const move = ([px, py]: Point): Point => [px + x, py + y];
  const path = (
    kind: 'outline' | 'cut' | 'fold' | 'dart' | 'level' | 'seam',
    segments: readonly Segment[],
    close = false,
  ) => {
    const { width, dash } = strokeStyle(kind);
    return `<path class="${kind}" d="${pathData(
      segments.map((s) => mapped(s, move)),
      close,
    )}" fill="none" stroke="#000" stroke-width="${width / 2}"${dash ? ` stroke-dasharray="${dash}"` : ''}/>`;
  };
  const notches = panel.marks.flatMap((m) => {
    const across = m.kind === 'notch' ? tick(panel, m.at) : null;
    return across ? [across] : [];
  });
  const middle = (box[0] + box[2]) / 2;
  const below = box[3] + y + 1.4 * LETTERS;
  const word = (text: string, line: number) =>
    `<text x="${n(middle + x)}" y="${n(below + line * LETTERS * 0.9)}" font-size="${line === 0 ? LETTERS : LETTERS * 0.7}" text-anchor="middle">${escaped(text)}</text>`;
  const how = { fold: 'on the fold', pair: 'a pair', single: '' }[panel.cut];
  return `<g id="${escaped(panel.id)}">${[
    path('cut', cutOutline(panel), true),
    path('outline', sewnOutline(panel), true),
    ...panel.edges.filter((e) => e.fold).map((e) => path('fold', e.path)),
    ...panel.darts.map((d) => path('dart', [[d.legs[0], d.tip] as const, [d.tip, d.legs[1]] as const])),
    ...(panel.inner ?? []).map((d) => path('dart', innerOutline(d), true)),
    ...panel.lines.flatMap((l) => {
      const span = spanAt(panel, l.y);
      return span
        ? [
            path('level', [
              [
                [span[0], l.y],
                [span[1], l.y],
              ] as const,
            ]),
          ]
        : [];
    }),
    ...panel.marks.flatMap((m) => (m.to ? [path('level', [[m.at, m.to] as const])] : [])),
    path('seam', grainLine(panel, box)),
    ...notches.map((t) => path('dart', [t])),
    word(panel.name, 0),
    word([`× ${panel.count}`, how, panel.layer === 'outer' ? '' : panel.layer].filter(Boolean).join(', '), 1),
  ].join('')}</g>`;
}

/**
 * Every panel of a sheet, flat, as an SVG document whose units are centimetres, drawn at full size: seam and cut lines,
 * folds, darts, body lines, notches as ticks, the warp as an arrow, names, and a grid of 10 cm behind. For looking at:
 * what a cutter works from is the sheet.
 */
export function drawPanelsApart(panels: readonly Panel[]): string {
  const { all, width, height } = laidOut(panels);
  const [across, down] = [width, height].map((l) => Math.ceil(l / GRID) * GRID) as [number, number];
  const grid = [
    ...Array.from({ length: across / GRID + 1 }, (_, i) => `M${i * GRID} 0V${down}`),
    ...Array.from({ length: down / GRID + 1 }, (_, i) => `M0 ${i * GRID}H${across}`),
  ].join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${across}cm" height="${down}cm" viewBox="0 0 ${across} ${down}" font-family="sans-serif"><rect width="${across}" height="${down}" fill="#fff"/><path class="grid" d="${grid}" fill="none" stroke="#ccc" stroke-width="0.05"/>${all.map(panelSvg).join('')}</svg>\n`;
}
