import type { AlterationView, HandOverView, LeavingView, PointView, Question } from '@rocchetto/contract';
import { handUnit } from '@rocchetto/contract/alterations.ts';
import {
  cm,
  type DrawingView,
  dayIn,
  formatSentence,
  printDate,
  printWithUnit,
  type SheetUnit,
  viewToSvg,
} from '@rocchetto/core';
import { ALTERATION_STEPS, boxSentence, STATE_WORD } from '@rocchetto/core/alter/index.ts';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import type { Content } from 'pdfmake/interfaces.js';
import { printPaper } from '../../paper/print.ts';

/** What the fitting record tells. */
export interface Record {
  readonly studio: string;
  readonly timeZone: string;
  readonly dateOrder: DateOrder;
  readonly number: string;
  readonly what: string;
  readonly client: string;
  readonly unit: SheetUnit;
  readonly views: readonly DrawingView[];
  readonly alterations: readonly AlterationView[];
  readonly pins: { readonly in: number; readonly out: number } | null;
  readonly points: readonly PointView[];
  readonly handOvers: readonly HandOverView[];
  readonly cautions: readonly string[];
  readonly questions: readonly Question[];
  readonly leaving: LeavingView;
}

const wordOf = (step: string) =>
  step in ALTERATION_STEPS
    ? ALTERATION_STEPS[step as keyof typeof ALTERATION_STEPS].word
    : step === 'struck'
      ? 'piece crossed out'
      : step;

const n = (x: number) => String(Math.round(x * 100) / 100);

/** A drawing with the numbers of the list where they were marked. */
function marked(view: DrawingView, alterations: readonly AlterationView[]): string {
  const bare = viewToSvg({ ...view, callouts: [] }, 'Source');
  const r = view.letters * 0.75;
  const marks = alterations
    .map((a, i) => ({ mark: a.asked.mark, no: i + 1 }))
    .filter(({ mark }) => mark?.view === view.title)
    .map(
      ({ mark, no }) =>
        `<circle cx="${n(mark!.x)}" cy="${n(mark!.y)}" r="${n(r)}" fill="#fff" stroke="#000" stroke-width="0.3"/><text x="${n(mark!.x)}" y="${n(mark!.y + r * 0.4)}" font-family="Source" font-size="${n(r * 1.15)}" font-weight="bold" text-anchor="middle">${no}</text>`,
    );
  return bare.replace('</svg>', `${marks.join('')}</svg>`);
}

/** The fitting record as a PDF: every decision, its pieces, who did and checked it, and a line to sign. */
export function fittingRecord(r: Record): Promise<Buffer> {
  const day = (at: string) => printDate(dayIn(r.timeZone, at), r.dateOrder);
  const rows = r.alterations.map((a, i): Content => {
    const hand = handUnit(a.asked) ?? r.unit;
    const pieces = a.boxes
      .map(
        (b) =>
          `${b.struck ? `crossed out (${b.struck})` : b.doneAt ? '×' : '○'} ${formatSentence(boxSentence(b), hand)}`,
      )
      .join('\n');
    const steps = a.steps
      .filter((s) => s.step !== 'asked' && s.step !== 'changed')
      .map(
        (s) =>
          `${day(s.at)}, ${s.by}: ${wordOf(s.step)}${s.says ? `, ${formatSentence(s.says, r.unit)}` : ''}`,
      )
      .join('\n');
    return {
      unbreakable: true,
      margin: [0, 6, 0, 0],
      stack: [
        {
          columns: [
            { text: `${i + 1}`, width: 16, bold: true },
            { text: formatSentence(a.sentence, r.unit), bold: true, fontSize: 10 },
            { text: STATE_WORD[a.status], width: 90, alignment: 'right' },
          ],
        },
        ...(a.asked.words
          ? [{ text: `“${a.asked.words}”`, italics: true, margin: [16, 1, 0, 0] } as Content]
          : []),
        {
          columns: [
            { text: pieces, margin: [16, 2, 6, 0] },
            { text: steps, color: '#333', margin: [0, 2, 0, 0] },
          ],
        },
      ],
    };
  });
  const last = r.handOvers.at(-1);
  // The panels are small on paper, and the inside is the back once more: they stand there only where something is marked.
  const marks = new Set(r.alterations.map((a) => a.asked.mark?.view as string | undefined));
  const views = r.views.filter((v) => v.title === 'front' || v.title === 'back' || marks.has(v.title));
  const read = r.points.filter((p) => p.reading !== null);
  return printPaper({
    info: { title: `Fitting record ${r.number}`, creator: 'Rocchetto' },
    footer: (page, pages) => ({
      text: `${r.studio} · fitting record ${r.number} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 7.5,
    }),
    content: [
      { text: `Fitting record ${r.number}`, bold: true, fontSize: 15 },
      { text: `${r.what}, ${r.client}`, margin: [0, 2, 0, 6] },
      ...(views.length > 0
        ? [
            {
              columns: views.map((v) => ({
                svg: marked(v, r.alterations),
                fit: [170, 200] as [number, number],
              })),
            } as Content,
          ]
        : []),
      rows.length === 0 ? { text: 'No alterations.' } : { stack: rows },
      ...(read.length > 0
        ? [
            {
              margin: [0, 10, 0, 0],
              table: {
                headerRows: 1,
                widths: ['*', 70, 70, '*'],
                body: [
                  ['Measured on the garment', 'should be', 'measured', ''],
                  ...read.map((p) => [
                    p.name,
                    p.target === null ? '' : printWithUnit(cm(p.target), r.unit),
                    p.reading!.written,
                    p.reading!.within
                      ? ''
                      : p.reading!.acceptedBy
                        ? `accepted by ${p.reading!.acceptedBy}: ${p.reading!.reason}`
                        : 'outside',
                  ]),
                ],
              },
              layout: 'lightHorizontalLines',
            } as Content,
          ]
        : []),
      {
        text:
          r.pins === null
            ? 'Pins not counted.'
            : `Pins counted in: ${r.pins.in}; counted out: ${r.pins.out}.`,
        margin: [0, 10, 0, 0],
      },
      ...(r.questions.length > 0
        ? [
            {
              margin: [0, 8, 0, 0],
              stack: [
                { text: 'Decisions', bold: true },
                ...r.questions.map(
                  (q): Content =>
                    `${q.what}: ${q.decision === null ? 'not decided yet' : `${q.decision}${q.decidedName ? `, ${q.decidedName}` : ''}`}`,
                ),
              ],
            } as Content,
          ]
        : []),
      ...(r.leaving.care.some((l) => l.says !== '')
        ? [
            {
              margin: [0, 8, 0, 0],
              stack: [
                { text: 'Care', bold: true },
                { text: r.leaving.care.flatMap((l) => (l.says === '' ? [] : [l.says])).join(' ') },
              ],
            } as Content,
          ]
        : []),
      ...(r.cautions.length > 0
        ? [
            {
              table: { widths: ['*'], body: [[{ stack: ['Take care', { ul: [...r.cautions] }] }]] },
              margin: [0, 6, 0, 0],
            } as Content,
          ]
        : []),
      {
        margin: [0, 18, 0, 0],
        text:
          last && last.takenBackAt === null
            ? `Handed over on ${day(last.at)} by ${last.by} to ${last.clientName}.`
            : 'Agreed and received: ______________________________     Date: ______________',
      },
    ],
  });
}
