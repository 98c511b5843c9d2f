import type { SheetView } from '@rocchetto/contract';
import { sheetOfView } from '@rocchetto/contract';
import {
  type DrawingView,
  dayIn,
  type PrintedFigure,
  type PrintedSheet,
  printDate,
  type SheetUnit,
  viewToSvg,
} from '@rocchetto/core';
import { ofCloth } from '@rocchetto/core/sheet/bundles.ts';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { pageHeight } from '../../paper/page.ts';
import { printPaper } from '../../paper/print.ts';

const MARK: Record<string, string> = {
  estimated: 'est.',
  overridden: 'by hand',
  warned: '! see checks',
  absent: 'absent',
  read: '',
  computed: '',
};
const small = (text: string): Content => ({ text, fontSize: 7.5, color: '#333' });
const cell = (text: string, more: object = {}): TableCell => ({ text, ...more });

function markText(mark: string): string {
  return mark
    .split(', ')
    .map((m) => MARK[m])
    .filter(Boolean)
    .join(', ');
}

/** Texts one after another; a semicolon stands between them unless the first closes with a stop of its own. */
const listed = (texts: readonly string[], before = ''): string =>
  texts
    .filter(Boolean)
    .reduce((all, t) => `${all}${all && !/[.!?…]$/.test(all) ? ';' : ''}${before || (all && ' ')}${t}`, '');

/** Points: what is marked is bold; an estimate is in italics, a figure set by hand underlined, a warned one has a bang. */
function pointRow(f: PrintedFigure, dense: boolean): TableCell[] {
  const look = {
    ...(f.mark.includes('estimated') ? { italics: true } : {}),
    ...(f.mark.includes('overridden') ? { decoration: 'underline' as const } : {}),
  };
  const ease = [
    f.tape && `tape ${f.tape}`,
    f.wearing && `wear ${f.wearing}`,
    f.style && f.style[0] !== '0' && `style ${f.style}`,
    f.layers && `layers ${f.layers}`,
    f.stretch && `stretch ${f.stretch}`,
  ].filter(Boolean);
  const mark = markText(f.mark);
  const note = listed([mark && `${mark}${f.rule ? ` (rule ${f.rule})` : ''}`, ...f.byHand, f.note]);
  const drift = f.drift && f.drift[0] !== '0' ? `drift ${f.drift}` : '';
  const marked = f.front ? `F ${f.front}\u00a0 B ${f.back}` : f.panels || f.marked;
  return [
    cell(f.letter, { bold: true }),
    {
      text: [
        f.name,
        {
          text: listed([ease.join(', '), note, drift], '\u00a0 '),
          fontSize: dense ? DENSE.small : 7.5,
          color: '#333',
        },
      ],
    },
    cell(f.body, { alignment: 'right' }),
    cell(f.finished, { alignment: 'right', ...look }),
    cell(marked, { bold: true, alignment: 'right', ...look }),
    cell(f.tolerance, { alignment: 'right' }),
    cell(''),
  ];
}

/** How a long sheet is set so that it keeps to two pages: smaller, closer, its points as wide as the page allows. */
const DENSE = { text: 7.4, small: 6.6, padding: 0.35, drawings: 92 } as const;

const lines = {
  hLineWidth: (i: number, node: { table: { body: unknown[] } }) =>
    i === 0 || i === node.table.body.length ? 0.8 : 0.25,
  vLineWidth: () => 0,
  paddingTop: () => 0.8,
  paddingBottom: () => 0.8,
  paddingLeft: () => 2,
  paddingRight: () => 2,
};

const heading = (text: string): Content => ({ text, bold: true, fontSize: 9.5, margin: [0, 6, 0, 2] });

function status(view: SheetView): string {
  if (view.status === 'draft') return 'DRAFT: do not cut';
  const day = (at: string) => printDate(dayIn(view.timeZone, at), view.spec.dateOrder ?? 'dmy');
  const agreed = `agreed by ${view.agreedName} ${day(view.agreedAt!)}`;
  return view.status === 'cut' ? `${agreed}, cut ${day(view.cutAt!)}` : agreed;
}

const closer = { ...lines, paddingTop: () => DENSE.padding, paddingBottom: () => DENSE.padding };

/** Stands where the panels come, to find out how much room the page has left for them. */
const END: Content = { text: ' ', id: 'end', fontSize: 1 };
/** The page between its margins, points, and the least height at which panels can be read. */
const PAGE = { top: 26, heading: 26, least: 190 };
const bottom = () => pageHeight() - 28;

/**
 * The sheet on paper, black on white, everything as `printSheet` prints it. It is laid out once without its panels,
 * which then take what the second page has left; a page of their own where that would be too little.
 */
export async function sheetPdf(view: SheetView, unit: SheetUnit, both: boolean): Promise<Buffer> {
  const sheet = sheetOfView(view);
  const { panels } = sheet.drawn[unit];
  if (!panels) return printPaper(paperOf(view, sheet, unit, both, 0, false));
  const plain = await endOf(view, sheet, unit, both, false);
  // The same figures in the other unit come after them, in three columns.
  const after = both ? 24 + Math.ceil(sheet.printed[unit].figures.length / 3) * 11.5 : 0;
  const leftBy = (end: { page: number; top: number }) => bottom() - end.top - PAGE.heading - after;
  const fits = (end: { page: number; top: number }) =>
    end.page === 1 || (end.page === 2 && leftBy(end) >= PAGE.least);
  // What does not keep to two pages is set closer, if that brings it there.
  const close = fits(plain) ? null : await endOf(view, sheet, unit, both, true);
  const end = close !== null && (both || fits(close)) ? close : plain;
  const dense = end === close;
  const left = leftBy(end);
  const whole = bottom() - PAGE.top - PAGE.heading;
  // What is left of the first page is small: the panels stand on the second.
  const room = end.page === 1 ? Math.min(both ? 400 : 520, whole) : left >= PAGE.least ? left : whole;
  return printPaper(paperOf(view, sheet, unit, both, room, dense));
}

/** Where the sheet ends before its panels come. */
async function endOf(
  view: SheetView,
  sheet: ReturnType<typeof sheetOfView>,
  unit: SheetUnit,
  both: boolean,
  dense: boolean,
): Promise<{ page: number; top: number }> {
  let end = { page: 1, top: PAGE.top };
  await printPaper({
    ...paperOf(view, sheet, unit, both, null, dense),
    pageBreakBefore: (node) => {
      if (node.id === 'end') end = { page: node.startPosition.pageNumber, top: node.startPosition.top };
      return false;
    },
  });
  return end;
}

/** The definition of the paper; with no room given, a mark stands where its panels come. */
function paperOf(
  view: SheetView,
  sheet: ReturnType<typeof sheetOfView>,
  unit: SheetUnit,
  both: boolean,
  room: number | null,
  dense: boolean,
): TDocumentDefinitions {
  const printed = sheet.printed[unit];
  const other: SheetUnit = unit === 'cm' ? 'in' : 'cm';
  const { views, panels } = sheet.drawn[unit];
  const title = `Sheet ${view.spec.order.number} · revision ${view.revision} · ${status(view)}`;
  const definition: TDocumentDefinitions = {
    info: { title, author: view.spec.order.studio, creator: 'Rocchetto' },
    footer: (page, pages) => ({
      columns: [
        small(title),
        { ...(small(`page ${page} of ${pages}`) as object), alignment: 'right' } as Content,
      ],
      margin: [28, 8, 28, 0],
    }),
    content: [
      {
        columns: [
          { text: `${view.spec.order.studio}`, fontSize: 10 },
          { text: `in ${unit === 'cm' ? 'centimetres' : 'inches'}`, alignment: 'right', fontSize: 10 },
        ],
      },
      { text: title, bold: true, fontSize: 14, margin: [0, 0, 0, 3] },
      headTable(printed),
      {
        columns: [
          {
            width: dense ? DENSE.drawings : 118,
            ...(dense ? { fontSize: DENSE.text } : {}),
            stack: [
              ...views.map(
                (v): Content => ({
                  stack: [
                    { text: v.title, alignment: 'center', fontSize: 8 },
                    {
                      svg: viewToSvg(v, 'Source'),
                      width: dense ? DENSE.drawings - 2 : 116,
                      margin: [0, 0, 0, 6],
                    },
                  ],
                }),
              ),
              heading('Allowances'),
              ...printed.allowances.map(
                (a): Content => ({ columns: [a.name, { text: a.text, alignment: 'right', width: 'auto' }] }),
              ),
              // Beside the points, so that they are never alone on a page of their own.
              cautions(printed),
            ],
          },
          { width: '*', stack: sectionTables(printed, dense), ...(dense ? { fontSize: DENSE.text } : {}) },
        ],
        columnGap: 8,
        margin: [0, 4, 0, 0],
      },
      {
        text: `${printed.fit} ${printed.rounding}${printed.missing.length ? ` Not measured: ${printed.missing.join(', ')}.` : ''}`,
        margin: [0, dense ? 2 : 4, 0, 0],
        ...(dense ? { fontSize: DENSE.text } : {}),
      },
      ...sides(printed),
      ...unused(printed),
      cutList(printed, dense),
      {
        columns: [
          {
            width: '*',
            stack: [
              heading('Materials'),
              ...printed.notions.map(
                (n): Content => ({ text: [{ text: n.name, bold: true }, `: ${n.text}`] }),
              ),
            ],
          },
          { width: '*', stack: checksBlock(printed) },
        ],
        columnGap: 12,
      },
      ...(room === null ? [END] : panels ? [panelsBlock(panels, room)] : []),
      ...(both
        ? [
            { text: heading2(other), bold: true, margin: [0, 8, 0, 2] } as Content,
            otherUnit(
              sheet.printed[other].figures.map((f) => [
                f.letter,
                f.finished,
                f.front ? `F ${f.front}  B ${f.back}` : f.panels || f.marked,
              ]),
            ),
          ]
        : []),
    ],
  };
  return definition;
}

/** The points, a table for each section: its name heads the columns, again on the next page, and never stands alone. */
function sectionTables(printed: PrintedSheet, dense: boolean): Content[] {
  return printed.sections.flatMap((section) => {
    const own = printed.figures.filter((f) => f.section === section.id).map((f) => pointRow(f, dense));
    if (own.length === 0) return [];
    const titles = ['body', 'finished', 'mark', 'within', 'pencil'].map((t, i) =>
      cell(t, { fontSize: 7.5, alignment: i < 4 ? 'right' : 'left', margin: [i < 4 ? 0 : 4, 1, 0, 0] }),
    );
    return [
      {
        table: {
          headerRows: 1,
          keepWithHeaderRows: 1,
          dontBreakRows: true,
          widths: dense ? [15, '*', 38, 42, 86, 30, 24] : [16, '*', 44, 46, 92, 34, 34],
          body: [
            [cell(section.name || 'point', { bold: true, fontSize: 8.5, colSpan: 2 }), '', ...titles],
            ...own,
          ],
        },
        layout: dense ? closer : lines,
        margin: [0, 0, 0, dense ? 1 : 3],
      },
    ];
  });
}

/** What is not alike on the panels of both sides. */
const sides = ({ sides: rows = [] }: PrintedSheet): Content[] =>
  rows.length === 0
    ? []
    : [
        {
          text: [
            { text: 'Left and right. ', bold: true },
            rows.map((r) => `${r.name}: right ${r.right}, left ${r.left}`).join('; '),
          ],
          margin: [0, 2, 0, 2],
        },
      ];

/** What was read and not used, each reason with the measures that share it. */
const unused = ({ unused: lines = [] }: PrintedSheet): Content[] =>
  lines.length === 0
    ? []
    : [
        {
          text: [{ text: 'Read, not used. ', bold: true }, lines.join(' ')],
          fontSize: DENSE.small,
        },
      ];

/** The cut list, on one page with its heading where it is short. */
const cutList = (printed: PrintedSheet, dense: boolean): Content => ({
  ...(dense ? { fontSize: DENSE.text } : {}),
  unbreakable: printed.pieces.length <= 12,
  stack: [
    heading('Cut list'),
    {
      table: {
        headerRows: 1,
        keepWithHeaderRows: 1,
        dontBreakRows: true,
        widths: [92, 52, 62, '*'],
        body: [
          ['piece', 'layer', 'cut', 'across × along the grain with allowances; grain'].map((t) =>
            cell(t, { fontSize: 7.5 }),
          ),
          ...printed.pieces.map((p) => [
            cell(p.piece, { bold: true }),
            ofCloth(p),
            p.cut,
            [p.size, p.grain, p.note && `(${p.note})`].filter(Boolean).join('; '),
          ]),
        ],
      },
      layout: dense ? closer : lines,
    },
  ],
});

const cautions = (printed: PrintedSheet): Content => ({
  table: {
    widths: ['*'],
    body: [
      [
        {
          stack: [
            { text: 'Take care', bold: true },
            ...printed.cautions.map((t): Content => ({ text: `• ${t}` })),
          ],
        },
      ],
    ],
  },
  margin: [0, 6, 0, 0],
  layout: { hLineWidth: () => 0.8, vLineWidth: () => 0.8 },
});

/** The panels flat and to scale, their letters with their measures, on one page with their heading; no higher than `height` points. */
const panelsBlock = (panels: DrawingView, height: number): Content => ({
  unbreakable: true,
  stack: [
    heading('The panels, flat and to scale: seam line solid, cut line dashed'),
    { svg: viewToSvg(panels, 'Source'), fit: [535, height] },
  ],
});

const heading2 = (unit: SheetUnit) => `The same in ${unit === 'cm' ? 'centimetres' : 'inches'}`;

/** Letters with their figures, in three columns. */
function otherUnit(rows: readonly string[][]): Content {
  const third = Math.ceil(rows.length / 3);
  const table = (part: readonly string[][]): Content => ({
    table: { widths: [16, 54, '*'], body: part.map((r) => r.map((t) => cell(t))) },
    layout: lines,
  });
  return {
    columns: [0, 1, 2].map((i) => table(rows.slice(i * third, (i + 1) * third))),
    columnGap: 12,
  };
}

function headTable(printed: PrintedSheet): Content {
  const half = Math.ceil(printed.head.length / 2);
  const column = (rows: PrintedSheet['head']): Content => ({
    table: {
      widths: [58, '*'],
      body: rows.map(([label, text]) => [cell(label, { fontSize: 7.5 }), cell(text)]),
    },
    layout: lines,
  });
  return { columns: [column(printed.head.slice(0, half)), column(printed.head.slice(half))], columnGap: 12 };
}

function checksBlock(printed: PrintedSheet): Content[] {
  const open = printed.checks.filter((k) => k.state !== 'passed');
  const passed = printed.checks.length - open.length;
  return [
    heading('Checks'),
    { text: `${passed} passed.${open.length ? '' : ' No warnings.'}` },
    ...open.map((k): Content => ({ text: `${k.state === 'accepted' ? 'Accepted' : '! Open'}: ${k.text}` })),
  ];
}
