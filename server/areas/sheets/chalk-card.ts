import type { SheetView } from '@rocchetto/contract';
import { type Cm, printByHand, type SheetUnit } from '@rocchetto/core';
import { type ChalkPiece, chalkCard } from '@rocchetto/core/pattern/chalk-card.ts';
import type { Content } from 'pdfmake/interfaces.js';
import { printPaper } from '../../paper/print.ts';
import { drafted, type PatternOf } from './pattern.ts';

/** In centimetres a hand chalks to the millimetre; in inches print takes an eighth. */
const chalked = (length: Cm, unit: SheetUnit) =>
  printByHand((unit === 'cm' ? Math.round(length * 10) / 10 : length) as Cm, unit);

/** The drawing of a piece beside its points, points of the page. */
const DRAWN = { width: 150, height: 190 };

function drawing(p: ChalkPiece): Content {
  const edge = Math.max(p.width, p.height) * 0.06;
  const size = Math.max(p.width, p.height) * 0.035;
  const marks = p.points
    .map(
      ({ number, across, down }) =>
        `<circle cx="${across}" cy="${down}" r="${size / 4}" fill="#000"/><text x="${across + size * 0.4}" y="${down - size * 0.3}" font-size="${size}">${number}</text>`,
    )
    .join('');
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${-edge} ${-edge} ${p.width + 2 * edge} ${p.height + 2 * edge}"><path d="${p.outline}" fill="none" stroke="#000" stroke-width="${size / 8}"/><path d="M0 ${-edge}V${p.height + edge}M${-edge} 0H${p.width + edge}" fill="none" stroke="#999" stroke-width="${size / 12}" stroke-dasharray="${size / 2} ${size / 3}"/>${marks}</svg>`,
    fit: [DRAWN.width, DRAWN.height],
  };
}

/** Each piece drawn straight on the cloth: every point of its sewing line by two distances; null where nothing can be drafted yet. */
export async function chalkCardPdf(view: SheetView, of: PatternOf, unit: SheetUnit): Promise<Buffer | null> {
  const { panels } = drafted(view, of, {});
  const pieces = chalkCard(panels);
  if (pieces.length === 0) return null;
  const status = view.status === 'draft' ? 'DRAFT: do not cut' : `revision ${view.revision}`;
  return printPaper({
    info: { title: `Chalk card ${view.spec.order.number}`, creator: 'Rocchetto' },
    content: [
      { text: `Chalk card for ${view.spec.order.number}`, bold: true, fontSize: 14 },
      {
        text: `${of.code} · ${status}. Sewing lines: add the allowances of the cut list. Square two lines on the cloth, the upright one on the fold or centre, the level one through the highest point; measure each point from both, join curves through their points.`,
        margin: [0, 2, 0, 6],
      },
      ...pieces.map(
        (p): Content => ({
          unbreakable: p.points.length < 30,
          margin: [0, 6, 0, 0],
          columns: [
            { width: DRAWN.width + 10, stack: [{ text: p.name, bold: true }, { text: p.cut }, drawing(p)] },
            {
              width: '*',
              fontSize: 8.5,
              table: {
                headerRows: 1,
                widths: [14, '*', 70, 70],
                body: [
                  ['', 'point', `from ${p.from}`, 'down'].map((text) => ({ text, bold: true })),
                  ...p.points.map((q) => [
                    String(q.number),
                    q.name,
                    chalked(q.across, unit),
                    chalked(q.down, unit),
                  ]),
                ],
              },
              layout: 'lightHorizontalLines',
            },
          ],
        }),
      ),
    ],
  });
}
