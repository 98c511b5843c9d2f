import { type SheetView, sheetOfView } from '@rocchetto/contract';
import { bundlesOf, printDate, type SheetUnit, viewToSvg } from '@rocchetto/core';
import type { Content } from 'pdfmake/interfaces.js';
import { printPaper } from '../../paper/print.ts';

/**
 * One A5 card for each bundle of pieces: what lies in it, with boxes for a pencil, and a code that opens the order on a
 * phone in the studio's own network.
 * @param address where the order is opened
 */
export async function benchCardsPdf(view: SheetView, unit: SheetUnit, address: string): Promise<Buffer> {
  const sheet = sheetOfView(view);
  const printed = sheet.printed[unit];
  const { order } = view.spec;
  const front = sheet.drawn[unit].views.find((v) => v.title === 'front');
  const bundles = bundlesOf(printed);
  const status = view.status === 'draft' ? 'DRAFT: do not cut' : `revision ${view.revision}`;
  const card = (b: (typeof bundles)[number], i: number): Content => ({
    ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    stack: [
      {
        columns: [
          {
            width: '*',
            stack: [
              { text: `${order.number} · ${order.what}`, bold: true, fontSize: 14 },
              {
                text: `${order.client} · due ${order.dueOn ? printDate(order.dueOn, view.spec.dateOrder ?? 'dmy') : '—'} · ${status}`,
              },
              {
                text: `Bundle ${i + 1} of ${bundles.length}: ${b.part}, ${b.layer}`,
                bold: true,
                fontSize: 11,
                margin: [0, 6, 0, 0],
              },
              { text: `${b.count} ${b.count === 1 ? 'piece' : 'pieces'} of cloth: count them in and out.` },
            ],
          },
          {
            width: 78,
            stack: [
              { qr: address, fit: 76 },
              { text: 'opens the order', fontSize: 7 },
            ],
          },
        ],
        columnGap: 10,
      },
      {
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: [10, 96, 62, '*'],
          body: [
            ['', 'piece', 'cut', 'across × along; grain; note'].map((text) => ({ text, fontSize: 7.5 })),
            ...b.pieces.map((p) => [
              // A box for the pencil.
              { canvas: [{ type: 'rect' as const, x: 0, y: 1, w: 7, h: 7, lineWidth: 0.6 }] },
              { text: p.piece, bold: true },
              p.cut,
              [p.size, p.grain, p.note].filter(Boolean).join('; '),
            ]),
          ],
        },
        layout: 'lightHorizontalLines',
        margin: [0, 8, 0, 0],
      },
      {
        columns: [
          {
            width: '*',
            stack: [
              { text: 'Allowances', bold: true, margin: [0, 8, 0, 1] },
              ...printed.allowances.map((a): Content => ({ text: `${a.name}: ${a.text}` })),
              ...(b.pieces[0]?.layer === 'outer'
                ? [
                    { text: 'Materials', bold: true, margin: [0, 6, 0, 1] } as Content,
                    ...printed.notions.map((n): Content => ({ text: `${n.name}: ${n.text}` })),
                  ]
                : []),
            ],
          },
          ...(front ? [{ width: 110, svg: viewToSvg(front, 'Source'), fit: [110, 170] } as Content] : []),
        ],
        columnGap: 10,
      },
    ],
  });
  return printPaper({
    pageSize: 'A5',
    info: { title: `Bench cards ${order.number}`, creator: 'Rocchetto' },
    content:
      bundles.length > 0
        ? bundles.map(card)
        : [{ text: `${order.number}: nothing can be cut yet. Measure what is missing first.` }],
  });
}
