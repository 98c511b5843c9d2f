import {
  cm,
  formatSentence,
  MEASURES,
  type Measure,
  measure,
  printLength,
  REGIONS,
  type SheetUnit,
} from '@rocchetto/core';
import { cupSentences } from '@rocchetto/core/measures/cups.ts';
import { FIGURE_FIELD } from '@rocchetto/core/measures/guide/figure-model.ts';
import { coursePaths, outline } from '@rocchetto/core/measures/guide/figure-paths.ts';
import { guideOf } from '@rocchetto/core/measures/guide/guide.ts';
import { LANDMARKS } from '@rocchetto/core/measures/guide/landmarks.ts';
import type { Content } from 'pdfmake/interfaces.js';
import { printPaper } from '../../paper/print.ts';

/** The figure with the tape on it, black on white. */
function picture(id: string): string {
  const c = coursePaths(id);
  const [, y, , h] = FIGURE_FIELD;
  const lines = outline(c.view).map(
    ({ d, of }) =>
      `<path d="${d}" fill="none" stroke="${of === 'chair' ? '#999' : '#000'}" stroke-width="2"/>`,
  );
  const behind = c.behindD
    ? `<path d="${c.behindD}" fill="none" stroke="#000" stroke-width="3" stroke-dasharray="4 6"/>`
    : '';
  const spots = c.landmarks.map(
    ({ at: [x, v] }) => `<circle cx="${x}" cy="${v}" r="6" fill="#fff" stroke="#000" stroke-width="3"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="30 ${y} 190 ${h}" width="190" height="${h}">${lines.join('')}${behind}<path d="${c.seenD}" fill="none" stroke="#000" stroke-width="9"/>${spots.join('')}</svg>`;
}

const star = (m: Measure) => (m.twice ? ' ★ measured twice' : '');

function entry(m: Measure): Content {
  const g = guideOf(m.id);
  return {
    unbreakable: true,
    margin: [0, 0, 0, 7],
    columns: [
      { svg: picture(m.id), width: 46, fit: [46, 96] },
      {
        margin: [8, 2, 0, 0],
        stack: [
          { text: [{ text: m.name, bold: true, fontSize: 11 }, star(m)] },
          { text: m.also, color: '#444', italics: true },
          { text: g.how, margin: [0, 2, 0, 0] },
          { text: `Find first: ${g.first.map((l) => LANDMARKS[l].name).join(', ')}.`, color: '#333' },
          { text: `Common mistake: ${g.mistake}`, color: '#333' },
        ],
      },
    ],
  };
}

/** Two columns of entries, read down. */
const twoColumns = (of: readonly Measure[]): Content => {
  const half = Math.ceil(of.length / 2);
  return {
    columnGap: 16,
    columns: [of.slice(0, half).map(entry), of.slice(half).map(entry)].map((stack) => ({ stack })),
  };
};
const heading = (text: string): Content => ({ text, bold: true, fontSize: 13, margin: [0, 8, 0, 5] });
const foot = (studio: string, what: string) => (page: number, pages: number) => ({
  text: `${studio} · ${what} · page ${page} of ${pages}`,
  alignment: 'center' as const,
  fontSize: 7.5,
});

/** How the house measures, whole: landmarks first, then every measurement by region. */
export function wholeGuide(studio: string): Promise<Buffer> {
  const own = MEASURES.filter((m) => !m.side);
  return printPaper({
    info: { title: 'How we measure', creator: 'Rocchetto' },
    footer: foot(studio, 'how we measure'),
    content: [
      { text: studio, fontSize: 10 },
      { text: 'How we measure', bold: true, fontSize: 18, margin: [0, 0, 0, 4] },
      'Mark levels first: a cord at the waist, at the fullest tummy, at the bust and the hip. Then girths from top to bottom, then lengths, then the arm, then what else this garment needs. The client stands upright, weight even, arms down, eyes ahead; a mirror behind shows the tape at the back. Measurements with ★ are taken twice; when the two differ too much, a third decides. The client may decline any of them.',
      heading('Places to find first'),
      {
        columnGap: 16,
        columns: [0, 1].map((n) => ({
          stack: Object.values(LANDMARKS)
            .filter((_, i) => i % 2 === n)
            .map((l) => ({
              text: [{ text: `${l.name}: `, bold: true }, l.find],
              margin: [0, 1, 0, 1] as [number, number, number, number],
            })),
        })),
      },
      ...REGIONS.flatMap((region) => {
        const of = own.filter((m) => m.region === region);
        // Rows of two, so that a page can end between any of them.
        const rows: Content[] = [];
        for (let i = 0; i < of.length; i += 6) rows.push(twoColumns(of.slice(i, i + 6)));
        return [heading(region), ...rows];
      }),
    ],
  });
}

export interface ListFor {
  readonly studio: string;
  readonly title: string;
  /** what stands beneath it: the garment and the client, or a line for the name */
  readonly under: string;
  readonly items: readonly { readonly id: string; readonly needed: boolean }[];
}

/** An order’s or a standing list for the table: what to take, in order, with boxes for a pencil. */
export function orderList(l: ListFor): Promise<Buffer> {
  const box: Content = { text: '', margin: [0, 0, 0, 0] };
  return printPaper({
    info: { title: l.title, creator: 'Rocchetto' },
    footer: foot(l.studio, l.title),
    content: [
      { text: l.title, bold: true, fontSize: 16 },
      { text: l.under, margin: [0, 1, 0, 4] },
      {
        text: 'Date ____________   Measured by ____________________   Written by ____________________   Over ____________________   Heel ________',
        margin: [0, 0, 0, 6],
      },
      {
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: [112, '*', 54, 54, 54],
          body: [
            ['Measurement', 'How', 'first', 'second', 'third'].map((text) => ({ text, bold: true })),
            ...l.items.map(({ id, needed }) => {
              const m = measure(id);
              return [
                {
                  text: [{ text: `${m.name}${m.twice ? ' ★' : ''}`, bold: needed }, needed ? '' : ' (helps)'],
                },
                { text: guideOf(id).how, fontSize: 7.8 },
                box,
                m.twice ? box : { text: '', fillColor: '#eee' },
                { text: '', fillColor: m.twice ? '#fff' : '#eee' },
              ];
            }),
          ],
        },
        layout: { paddingTop: () => 5, paddingBottom: () => 5, hLineWidth: () => 0.5, vLineWidth: () => 0.5 },
      },
    ],
  });
}

/** What a client takes at home, in plain words with pictures. */
export function clientPage(studio: string, ids: readonly string[]): Promise<Buffer> {
  return printPaper({
    info: { title: 'Measuring at home', creator: 'Rocchetto' },
    footer: foot(studio, 'measuring at home'),
    content: [
      { text: studio, fontSize: 10 },
      { text: 'Measuring at home', bold: true, fontSize: 18, margin: [0, 0, 0, 4] },
      'Someone else holds the tape; you look ahead. Wear close, light clothes over what you will wear underneath. The tape lies level and touches without pressing. Write down exactly what you read, with cm or inches. Leave out anything you would rather not measure: we measure again before anything is cut.',
      { text: '', margin: [0, 6, 0, 0] },
      ...ids.map((id): Content => {
        const m = measure(id);
        return {
          unbreakable: true,
          margin: [0, 0, 0, 10],
          columns: [
            { svg: picture(id), width: 64, fit: [64, 130] },
            {
              margin: [10, 4, 0, 0],
              stack: [
                { text: m.name, bold: true, fontSize: 13 },
                { text: guideOf(id).how, fontSize: 10, margin: [0, 3, 0, 0] },
                { text: 'I read: ______________________', fontSize: 11, margin: [0, 12, 0, 0] },
              ],
            },
          ],
        };
      }),
    ],
  });
}

export interface CardFor {
  readonly studio: string;
  readonly client: string;
  readonly day: string;
  readonly measurer: string;
  readonly beneath: string;
  readonly heel: string | null;
  readonly rows: readonly { readonly id: string; readonly cm: number; readonly asRead: string }[];
}

/** The measure card for the book or the wall: each figure whole, half and quarter, in both units. */
export function measureCard(c: CardFor): Promise<Buffer> {
  const parts = (n: number, unit: SheetUnit) => [1, 2, 4].map((d) => printLength(cm(n / d), unit));
  return printPaper({
    info: { title: `Measurements of ${c.client}`, creator: 'Rocchetto' },
    footer: foot(c.studio, `measurements of ${c.client}`),
    content: [
      { text: c.client, bold: true, fontSize: 16 },
      {
        text: [
          `Measured ${c.day} by ${c.measurer}`,
          c.beneath && `over ${c.beneath}`,
          c.heel && `heel ${c.heel}`,
        ]
          .filter(Boolean)
          .join(', '),
        margin: [0, 1, 0, 6],
      },
      {
        table: {
          headerRows: 2,
          widths: ['*', 46, 46, 46, 54, 54, 54, 90],
          body: [
            [
              '',
              { text: 'centimetres', colSpan: 3, alignment: 'center', bold: true },
              '',
              '',
              { text: 'inches', colSpan: 3, alignment: 'center', bold: true },
              '',
              '',
              '',
            ],
            ['', 'whole', 'half', 'quarter', 'whole', 'half', 'quarter', 'as measured'].map((text) => ({
              text,
              bold: true,
            })),
            ...c.rows.map((r) => [
              { text: measure(r.id).name, fontSize: 10 },
              ...[...parts(r.cm, 'cm'), ...parts(r.cm, 'in')].map((text, i) => ({
                text,
                fontSize: 10,
                bold: i % 3 === 0,
                alignment: 'right' as const,
              })),
              { text: r.asRead, color: '#444' },
            ]),
          ],
        },
        layout: 'lightHorizontalLines',
      },
      ...cupSentences((id) => c.rows.find((r) => r.id === id)?.cm ?? null).map(
        (sentence): Content => ({
          text: formatSentence(sentence, 'cm'),
          fontSize: 8,
          margin: [0, 4, 0, 0],
        }),
      ),
    ],
  });
}
