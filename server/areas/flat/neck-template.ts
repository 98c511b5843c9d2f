import { printWithUnit, type SheetUnit } from '@rocchetto/core';
import { printPaper } from '../../paper/print.ts';
import type { NeckHalf } from './neck-half.ts';

/** Points of the paper in a centimetre. */
const PT = 72 / 2.54;
/** The card: wide enough for any neck, cm. */
const [WIDE, HIGH] = [14, 9];
const line = (x1: number, y1: number, x2: number, y2: number, width = 0.8, dash?: number) => ({
  type: 'line' as const,
  x1: x1 * PT,
  y1: y1 * PT,
  x2: x2 * PT,
  y2: y2 * PT,
  lineWidth: width,
  ...(dash ? { dash: { length: dash } } : {}),
});

/**
 * A card to lay on a pattern or a garment: its left edge on the centre line, its upper edge at the height of the
 * side-neck; the side-neck lies under the stroke. To scale; a bar says whether the printer kept to it.
 */
export function neckTemplate({ half, from }: NeckHalf, unit: SheetUnit): Promise<Buffer> {
  const bar = unit === 'cm' ? 5 : 2 * 2.54;
  const margin = 40;
  return printPaper({
    info: { title: 'Neck template', creator: 'Rocchetto' },
    pageMargins: margin,
    content: [
      { text: 'Neck template', bold: true, fontSize: 14 },
      {
        text: `Half the neck width ${printWithUnit(half, unit)}, ${from}. Print at 100 %: the bar at the foot must measure ${unit === 'cm' ? '5 cm' : '2 in'}.`,
        margin: [0, 4, 0, 12],
      },
      {
        canvas: [
          line(0, 0, WIDE, 0),
          line(0, HIGH, WIDE, HIGH),
          line(0, 0, 0, HIGH, 1.6),
          line(WIDE, 0, WIDE, HIGH),
          // The side-neck: a stroke from the upper edge, and on downwards where the heights are read.
          line(half, 0, half, 3, 1.6),
          line(half, 3, half, HIGH, 0.6, 3),
          line(8, HIGH - 1, 8 + bar, HIGH - 1, 1.6),
          line(8, HIGH - 1.3, 8, HIGH - 0.7, 1.6),
          line(8 + bar, HIGH - 1.3, 8 + bar, HIGH - 0.7, 1.6),
        ],
      },
      {
        text: 'Cut it out along its frame. Lay its left edge on the centre front or centre back, its upper edge at the height of the shoulder seam’s end at the neck: the side-neck lies under the stroke. Read heights from there straight down along the broken line, square to the grain.',
        margin: [0, 12, 0, 0],
      },
    ],
  });
}
