import { type SheetView, toSheetInput } from '@rocchetto/contract';
import {
  computeSheet,
  formatSentence,
  printDate,
  printWithUnit,
  type SheetUnit,
  toileOf,
} from '@rocchetto/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { printPaper } from '../../paper/print.ts';

/** The cut list of a toile of this garment on A4: its pieces with wide seams, and what holds it for the fitting. */
export async function toilePdf(view: SheetView, unit: SheetUnit): Promise<Buffer> {
  const sheet = computeSheet(toSheetInput(view.spec));
  const toile = toileOf(sheet);
  const { order } = view.spec;
  const cell = (text: string, more: object = {}): TableCell => ({ text, ...more });
  const size = (n: number | null) => (n === null ? '—' : printWithUnit(n as never, unit));
  const rows = toile.pieces.map((p): TableCell[] => [
    // A box for the pencil.
    { canvas: [{ type: 'rect', x: 0, y: 1, w: 7, h: 7, lineWidth: 0.6 }] },
    cell(p.name, { bold: true }),
    cell(p.cut === 'single' ? String(p.count) : `${p.count}, ${p.cut}`),
    cell(`${size(p.width)} × ${size(p.length)}`),
    cell(p.grain),
  ]);
  const body: Content[] =
    rows.length === 0
      ? [{ text: 'Nothing can be cut yet. Measure what is missing first.', margin: [0, 8, 0, 0] }]
      : [
          {
            table: {
              headerRows: 1,
              dontBreakRows: true,
              widths: [10, 110, 70, 120, '*'],
              body: [
                ['', 'piece', 'cut', 'across × along the grain', 'grain'].map((t) =>
                  cell(t, { fontSize: 7.5 }),
                ),
                ...rows,
              ],
            },
            layout: 'lightHorizontalLines',
            margin: [0, 8, 0, 8],
          },
          {
            text: toile.calico
              ? `Calico: ${size(toile.calico)} at ${size(toile.width)} wide.`
              : `A piece is wider than calico of ${size(toile.width)}: put a seam in.`,
          },
        ];
  return printPaper({
    info: { title: `Toile ${order.number}`, creator: 'Rocchetto' },
    content: [
      { text: view.spec.order.studio },
      { text: `Toile for ${order.number} · ${order.what}`, bold: true, fontSize: 14 },
      {
        text: `${order.client} · due ${order.dueOn ? printDate(order.dueOn, view.spec.dateOrder ?? 'dmy') : '—'} · revision ${view.revision}, ${view.status}`,
      },
      ...body,
      { text: 'Materials for the toile', bold: true, margin: [0, 8, 0, 2] },
      ...toile.notes.map((n): Content => ({ text: `• ${formatSentence(n, unit)}` })),
    ],
  });
}
