import { type Box, emptyBox, mapped, type Point, reachAlong, type Segment } from '../draft/curve.ts';
import { cross, grainArrow, tick } from '../draft/marks-drawn.ts';
import { spanAt } from '../draft/measure.ts';
import { cutOutline, innerOutline, pathData, sewnOutline } from '../draft/outline.ts';
import type { WholePanel } from '../garment/whole.ts';
import { strokeStyle } from './drawing.ts';

/** Between two panels, and round the whole, cm. */
const GAP = 6;
/** A row of panels is about so wide, cm; a longer panel stands alone. */
const ROW = 180;
const GRID = 10;
const LETTERS = 2.2;

const n = (x: number) => String(Math.round(x * 1000) / 1000);
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

interface Drawn {
  readonly panel: WholePanel;
  readonly box: Box;
  readonly x: number;
  readonly y: number;
}

/** Panels side by side in rows, each in its own box. */
function laidOut(panels: readonly WholePanel[]): {
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
    ...panel.marks.flatMap((m) =>
      m.along ? [path('level', m.along)] : m.to ? [path('level', [[m.at, m.to] as const])] : [],
    ),
    ...panel.marks.flatMap((m) => (m.kind === 'drill' ? [path('dart', cross(m.at))] : [])),
    path('seam', grainArrow(panel.warp)),
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
export function drawPanelsApart(panels: readonly WholePanel[]): string {
  const { all, width, height } = laidOut(panels);
  const [across, down] = [width, height].map((l) => Math.ceil(l / GRID) * GRID) as [number, number];
  const grid = [
    ...Array.from({ length: across / GRID + 1 }, (_, i) => `M${i * GRID} 0V${down}`),
    ...Array.from({ length: down / GRID + 1 }, (_, i) => `M0 ${i * GRID}H${across}`),
  ].join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${across}cm" height="${down}cm" viewBox="0 0 ${across} ${down}" font-family="sans-serif"><rect width="${across}" height="${down}" fill="#fff"/><path class="grid" d="${grid}" fill="none" stroke="#ccc" stroke-width="0.05"/>${all.map(panelSvg).join('')}</svg>\n`;
}
