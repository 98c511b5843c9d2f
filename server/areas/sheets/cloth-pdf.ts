import { type SheetView, toSheetInput } from '@rocchetto/contract';
import { clothInHand } from '@rocchetto/contract/cloth-lay.ts';
import type { ClothId } from '@rocchetto/contract/laid.ts';
import {
  CLOTH_NAME,
  type Cm,
  cm,
  computeSheet,
  printDate,
  printWithUnit,
  type SheetUnit,
} from '@rocchetto/core';
import { pathData } from '@rocchetto/core/draft/outline.ts';
import { byCloth } from '@rocchetto/core/lay/by-cloth.ts';
import { beforeShrinking, type ClothInHand } from '@rocchetto/core/lay/cloth.ts';
import type { Lay } from '@rocchetto/core/lay/lay.ts';
import { stripsToKeep } from '@rocchetto/core/lay/pieces.ts';
import { type LayRow, layRows, widthAsLaid } from '@rocchetto/core/lay/rows.ts';
import { WAY_NAME } from '@rocchetto/core/lay/ways.ts';
import { middleOf } from '@rocchetto/core/pattern/label.ts';
import { lines } from '@rocchetto/core/pattern/polyline.ts';
import type { Content } from 'pdfmake/interfaces.js';
import { printPaper } from '../../paper/print.ts';
import type { KeptRow } from './cloth.ts';

/** The drawing's room on the page, points: above the list where the cloth is long, beside it where it is not. */
const ABOVE = { width: 785, height: 220 };
const BESIDE = { width: 370, height: 440 };

/** To the millimetre or the sixteenth, as a hand measures along a table. */
const said = (length: Cm, unit: SheetUnit) =>
  printWithUnit(unit === 'cm' ? cm(Math.round(length * 10) / 10) : length, unit);

/** The cloth from its cut end at the left, its first selvedge or fold above; every piece with its number. */
function drawing(lay: Lay, rows: readonly LayRow[], cloth: ClothInHand): string {
  const wide = Math.max(...lay.stages.map((s) => widthAsLaid(s.strips, cloth)));
  const size = Math.max(2.6, Math.max(lay.length, wide) / 42);
  const turned = rows.map((r) => {
    const outline = r.outline.map(([x, y]) => [y, x] as const);
    return { number: r.number, outline, middle: middleOf(outline, []) };
  });
  const parts = lay.stages.map((s) => {
    const w = widthAsLaid(s.strips, cloth);
    const folds = s.strips
      .flatMap((p) => p.folds.map((f) => (f === 'left' ? p.across : p.across + p.width)))
      .map(
        (y) =>
          `<path d="M${s.from} ${y}h${s.length}" stroke-width="${size / 6}" stroke-dasharray="${size} ${size / 3} ${size / 4} ${size / 3}"/>`,
      );
    const edge =
      s.strips.length === 2
        ? `<path d="M${s.from} ${s.strips[1]!.across}h${s.length}" stroke-dasharray="${size / 3}"/>`
        : '';
    return `<rect x="${s.from}" y="0" width="${s.length}" height="${w}"/>${folds.join('')}${edge}`;
  });
  const shapes = turned.map(
    (r) =>
      `<path d="${pathData(lines(r.outline, true), true)}" fill="#f2f2f2"/><text x="${r.middle[0]}" y="${r.middle[1] + size / 3}" font-size="${size}" text-anchor="middle" fill="#000" stroke="none">${r.number}</text>`,
  );
  const arrow = cloth.oneWay
    ? `<path d="M${size} ${wide + size * 1.2}h${size * 5}m${-size} ${-size / 2}l${size} ${size / 2}l${-size} ${size / 2}"/><text x="${size * 7}" y="${wide + size * 1.6}" font-size="${size}" fill="#000" stroke="none">nap: every piece with its upper end to the left</text>`
    : '';
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-1 -1 ${lay.length + 2} ${wide + 2 + (cloth.oneWay ? 2 * size : 0)}"><g fill="none" stroke="#000" stroke-width="${size / 12}">${parts.join('')}${shapes.join('')}${arrow}</g></svg>`;
}

/** A box to tick. */
const BOX =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8"><rect x="0.5" y="0.5" width="7" height="7" fill="none" stroke="#000"/></svg>';

/** Pieces in the order of cutting, each with its two distances. */
const rowsTable = (rows: readonly LayRow[], unit: SheetUnit): Content => ({
  fontSize: 8,
  table: {
    headerRows: 1,
    widths: [8, 12, '*', 50, 100, 78],
    body: [
      ['', '', 'piece', 'from the cut end', 'across', 'lies'].map((text) => ({ text, bold: true })),
      ...rows.map((r) => [
        { svg: BOX, width: 8 },
        String(r.number),
        r.name,
        said(r.fromEnd, unit),
        `${said(r.fromSide, unit)} from the ${r.side}`,
        r.how,
      ]),
    ],
  },
  layout: { ...LINES, paddingLeft: () => 3, paddingRight: () => 3 },
});
/** A hairline under each row. */
const LINES = {
  hLineWidth: (i: number) => (i === 0 ? 0 : i === 1 ? 0.8 : 0.3),
  vLineWidth: () => 0,
};

/** A kept lay on one page: drawn, and each piece with its two distances, in the order of cutting, with a box to tick. */
export async function layPdf(
  view: SheetView,
  kept: readonly KeptRow[],
  of: ClothId,
  code: string,
  unit: SheetUnit,
): Promise<{ readonly pdf: Buffer } | { readonly refused: string }> {
  const row = kept.find((k) => k.of === of);
  const own = byCloth(computeSheet(toSheetInput(view.spec))).find((c) => c.of === of);
  if (!row || !own)
    return { refused: 'No lay of this cloth is kept yet. Lay the pieces and keep the lay, then print it.' };
  if (row.panels !== own.panels)
    return {
      refused: `The lay “${row.name}” was made for other panels than the sheet has now. Lay the pieces again, then print it.`,
    };
  const cloth = clothInHand(row.cloth);
  const lay = row.lay as Lay;
  const rows = layRows(lay, [...own.pieces, ...stripsToKeep(cloth.strips)], cloth);
  const takes = beforeShrinking(lay.length, cloth);
  const half = Math.ceil(rows.length / 2);
  const isLong = lay.length > 1.6 * cloth.width;
  const drawn: Content = {
    svg: drawing(lay, rows, cloth),
    fit: isLong ? [ABOVE.width, ABOVE.height] : [BESIDE.width, BESIDE.height],
  };
  const list: Content[] =
    isLong && rows.length > 8
      ? [rowsTable(rows.slice(0, half), unit), rowsTable(rows.slice(half), unit)]
      : [rowsTable(rows, unit)];
  const pdf = await printPaper({
    pageOrientation: 'landscape',
    info: { title: `Lay ${view.spec.order.number}`, creator: 'Rocchetto' },
    content: [
      {
        text: `${row.name}: ${CLOTH_NAME[of]} of ${view.spec.order.number}`,
        bold: true,
        fontSize: 14,
      },
      {
        text: `${[code, view.status === 'draft' ? 'DRAFT: do not cut' : `sheet revision ${view.revision}`, `kept by ${row.by}, ${printDate(row.at.slice(0, 10), view.spec.dateOrder ?? 'dmy')}`].join(' · ')}. The cloth lies ${WAY_NAME[lay.way]}: ${row.cloth.width} wide; the pieces take ${said(cm(lay.length), unit)}${cloth.shrinks > 0 ? `, ${said(cm(takes), unit)} before it shrinks` : ''}. Cut end at the left, ${lay.stages[0]!.strips[0]!.folds.length > 0 ? 'fold' : 'first selvedge'} above.`,
        margin: [0, 2, 0, 6],
      },
      ...(isLong
        ? [drawn, { margin: [0, 8, 0, 0], columnGap: 14, columns: list } as Content]
        : [
            {
              columnGap: 14,
              columns: [
                { width: BESIDE.width, stack: [drawn] },
                { width: '*', stack: list },
              ],
            } as Content,
          ]),
    ],
  });
  return { pdf };
}
