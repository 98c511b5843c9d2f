import type { EstimateView, HouseView, KeptEstimate } from '@rocchetto/contract';
import { dayIn, printDate } from '@rocchetto/core';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import type { EstimateLine, EstimatePart } from '@rocchetto/core/estimate/estimate.ts';
import { printMoney } from '@rocchetto/core/units/print-money.ts';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { printPaper } from '../../paper/print.ts';

/** What is printed of an estimate: one that was kept, word for word, or as it stands now. */
export interface EstimatePaper {
  readonly order: EstimateView['order'];
  readonly kept: KeptEstimate | null;
  readonly now: EstimateView | null;
  readonly house: Pick<
    HouseView,
    'studio' | 'address' | 'phone' | 'email' | 'currency' | 'timeZone' | 'dateOrder'
  >;
  /** with hours, rates and shares */
  readonly detail: boolean;
  readonly at: string;
}

const PART: Readonly<Record<EstimatePart, string>> = {
  work: 'The making',
  cloth: 'Cloth',
  notions: 'Notions',
  more: 'Besides',
};
type Row = readonly [name: string, words: string, amount: string, is?: 'sum'];

/** The estimate of an order: for the client its parts and its price, for the studio every line. */
export function estimatePdf({ order, kept, now, house, detail, at }: EstimatePaper): Promise<Buffer> {
  const { estimate, until, words } = kept ?? { ...now!, ...now!.choices };
  const price = (n: number) => printMoney(n, house.currency);
  const day = printDate(dayIn(house.timeZone, new Date(kept ? kept.kept.at : at)), house.dateOrder);
  // Where a hand set the price, parts that add up to another are not the client’s.
  const summed = detail || estimate.moved?.how !== 'set';
  const rows = detail ? detailRows(estimate, price) : partRows(estimate, price, summed);
  const state =
    kept === null
      ? 'as it stands today; not kept'
      : kept.agreed && kept.state === 'agreed'
        ? `agreed by ${kept.agreed.name} on ${printDate(dayIn(house.timeZone, new Date(kept.agreed.at)), house.dateOrder)}`
        : kept.state === 'withdrawn' || kept.state === 'replaced'
          ? `${kept.state}: no longer holds`
          : until === null
            ? ''
            : `holds until ${printDate(until, house.dateOrder)}`;
  const ends: Row[] = [
    ...(estimate.moved && summed
      ? [[estimate.moved.how === 'set' ? 'Set by hand' : 'Rounded up', '', price(estimate.moved.by)] as const]
      : []),
  ];
  const after: Row[] = [
    ...(estimate.deposit ? [['Deposit, to begin with', '', price(estimate.deposit)] as const] : []),
    ...(estimate.deposit && estimate.balance
      ? [['Balance, when it is fetched', '', price(estimate.balance)] as const]
      : []),
  ];
  return printPaper({
    pageMargins: [56, 56, 56, 56],
    defaultStyle: { font: 'Source', fontSize: 10, lineHeight: 1.1 },
    info: { title: `Estimate ${order.number}`, creator: 'Rocchetto' },
    content: [
      { text: house.studio, bold: true, fontSize: 14 },
      { text: [house.address, house.phone, house.email].filter(Boolean).join(' · '), fontSize: 9 },
      {
        text: `Estimate${kept ? ` ${kept.revision}` : ''} for ${order.clientName}`,
        bold: true,
        fontSize: 18,
        margin: [0, 28, 0, 2],
      },
      {
        text: [`${order.what}, order ${order.number}`, day, state].filter(Boolean).join(' · '),
        margin: [0, 0, 0, 14],
      },
      ...(rows.length + ends.length > 0 ? [table([...rows, ...ends], detail ? 1 : 3)] : []),
      {
        columns: [
          { text: 'Price', bold: true, fontSize: 15 },
          {
            text: estimate.asked === null ? 'not known yet' : price(estimate.asked),
            bold: true,
            fontSize: 15,
            alignment: 'right',
          },
        ],
        margin: [0, 8, 0, 8],
      },
      ...(after.length > 0 ? [table(after, 3)] : []),
      ...(words === '' ? [] : [{ text: words, margin: [0, 14, 0, 0] } as Content]),
      { text: 'Not in it', bold: true, margin: [0, 16, 0, 2] },
      { ul: [...estimate.leaves] },
    ],
    footer: (page: number, pages: number) => ({
      text: `Estimate ${order.number}${pages > 1 ? `, ${page} of ${pages}` : ''}`,
      alignment: 'center',
      fontSize: 8,
    }),
  });
}

function table(rows: readonly Row[], apart: number): Content {
  return {
    table: {
      widths: ['auto', '*', 'auto'],
      body: rows.map(([name, words, amount, is]): TableCell[] => [
        { text: name, bold: is === 'sum' },
        { text: words },
        { text: amount, alignment: 'right', bold: is === 'sum' },
      ]),
    },
    layout: {
      hLineWidth: () => 0.4,
      vLineWidth: () => 0,
      paddingLeft: () => 0,
      paddingRight: (i) => (i === 2 ? 0 : 8),
      paddingTop: () => apart,
      paddingBottom: () => apart,
    },
  };
}

const rateWord = (l: EstimateLine, price: (n: number) => string): string =>
  [
    l.quantity,
    l.rate !== null && l.of ? `at ${price(l.rate)} ${l.of === 'hour' ? 'an hour' : `a ${l.of}`}` : '',
  ]
    .filter(Boolean)
    .join(' ');

function detailRows(e: EstimateView['estimate'], price: (n: number) => string): Row[] {
  return (['work', 'cloth', 'notions', 'more'] as const).flatMap((part): Row[] => {
    const sum = e.sums.find((s) => s.part === part);
    return [
      ...e.lines
        .filter((l) => l.part === part)
        .map((l): Row => [l.name, rateWord(l, price), l.amount === null ? 'not in it' : price(l.amount)]),
      ...(sum && sum.share > 0
        ? [[`House share on ${PART[part].toLowerCase()}`, '', price(sum.share)] as Row]
        : []),
      ...(sum
        ? [
            [
              `${PART[part]}, in all`,
              part === 'work' ? hoursWord(e.minutes) : '',
              price(sum.amount),
              'sum',
            ] as Row,
          ]
        : []),
    ];
  });
}

/** "with a toile and 2 fittings": what the client comes for. */
function visits(lines: readonly EstimateLine[]): string {
  const fittings = lines.filter((l) => /^work-(fitting-\d+|final-fitting)$/.test(l.id)).length;
  const toile = lines.some((l) => l.id === 'work-toile-fitting') ? 'a toile' : '';
  return [toile, fittings === 0 ? '' : fittings === 1 ? '1 fitting' : `${fittings} fittings`]
    .filter(Boolean)
    .join(', ');
}

function partRows(e: EstimateView['estimate'], price: (n: number) => string, summed: boolean): Row[] {
  return e.sums.flatMap(({ part, amount }): Row[] => {
    const within = e.lines.filter((l) => l.part === part && l.amount !== null);
    if (part === 'more') return within.map((l): Row => [l.name, '', summed ? price(l.amount!) : '']);
    return [
      [
        PART[part],
        part === 'work'
          ? visits(e.lines)
          : within.map((l) => (part === 'cloth' ? `${l.name} ${l.quantity}` : l.name)).join(', '),
        summed ? price(amount) : '',
      ],
    ];
  });
}
