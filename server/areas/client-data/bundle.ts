import {
  type AppointmentStatus,
  measure,
  printDate,
  resolveAll,
  STATUS_WORD,
  TAPE_NAME,
} from '@rocchetto/core';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import { strToU8, zipSync } from 'fflate';
import type { Content } from 'pdfmake/interfaces.js';
import { csvOf } from '../../http/csv.ts';
import { printPaper } from '../../paper/print.ts';
import type { ClientData } from './sql.ts';

const csv = (rows: readonly Record<string, unknown>[], columns: readonly string[]) =>
  `\uFEFF${csvOf({ fields: [...columns], data: rows.map((r) => columns.map((k) => r[k] ?? '')) })}\r\n`;

const READING_COLUMNS = [
  'session',
  'date',
  'measure',
  'state',
  'value',
  'unit',
  'way',
  'tape',
  'reason',
  'note',
  'by',
];

const readingRows = (data: ClientData, day: (at: string | Date) => string) =>
  data.sessions.flatMap((s) =>
    s.readings.map((r) => ({
      session: s.id,
      date: day(s.at),
      measure: measureName(r.measure),
      state: r.state,
      value: r.written?.text ?? '',
      unit: r.written?.unit ?? '',
      way: r.way,
      tape: r.tape,
      reason: r.reason,
      note: r.note,
      by: r.by,
    })),
  );

const measureName = (id: string) => {
  try {
    return measure(id).name;
  } catch {
    return id;
  }
};

const facts = (rows: readonly (readonly [string, unknown])[]): Content => ({
  table: { widths: [90, '*'], body: rows.map(([k, v]) => [k, String(v || '—')]) },
  layout: 'noBorders',
});
const heading = (text: string): Content => ({ text, bold: true, fontSize: 12, margin: [0, 10, 0, 3] });

async function paper(
  data: ClientData,
  studio: string,
  day: (at: string | Date) => string,
  order: DateOrder,
): Promise<Buffer> {
  const { client } = data;
  return printPaper({
    info: { title: `What ${studio} holds about ${client.code}`, creator: 'Rocchetto' },
    footer: (page, pages) => ({
      text: `page ${page} of ${pages}`,
      alignment: 'right',
      margin: [28, 8, 28, 0],
    }),
    content: [
      { text: studio, fontSize: 10 },
      { text: `Personal data of ${client.name}`, bold: true, fontSize: 16 },
      heading('Card'),
      facts([
        ['Code', client.code],
        ['Name', client.name],
        ['Phone', client.phone],
        ['E-mail', client.email],
        ['Address', client.address],
        ['Note', client.note],
        ['Guardian', client.guardian],
      ]),
      heading('Orders'),
      ...(data.orders.length === 0 ? ['None.'] : []),
      ...data.orders.map(
        (o): Content =>
          `${o.number}: ${[o.what, o.occasion].filter(Boolean).join(', ')}${o.due_on ? `, due ${printDate(String(o.due_on), order)}` : ''}; ${o.stage}.`,
      ),
      heading('Measured'),
      ...(data.sessions.length === 0 ? ['Never.'] : []),
      ...data.sessions.map(
        (s): Content => ({
          stack: [
            { text: `${day(s.at)}, by ${s.measurer}`, bold: true, margin: [0, 5, 0, 1] },
            ...[...resolveAll(s.readings)].map(([id, m]): Content => {
              const tape = m.readings[0]?.tape;
              return `${measureName(id)}: ${m.asRead || m.state}${tape && tape !== 'snug' ? `, ${TAPE_NAME[tape]}` : ''}`;
            }),
          ],
        }),
      ),
      heading('Appointments'),
      ...(data.appointments.length === 0 ? ['None.'] : []),
      ...data.appointments.map(
        (a): Content =>
          [
            `${day(a.starts as Date)}, ${a.name}: ${STATUS_WORD[a.status as AppointmentStatus]}`,
            a.state === 'left' ? `left, ${a.reason || 'for another time'}` : '',
            a.who_comes && `with ${a.who_comes}`,
            a.bring && `to bring: ${a.bring}`,
            a.note,
          ]
            .filter(Boolean)
            .join('; '),
      ),
      heading('In the other files'),
      'client.json holds all of this as stored, with briefs, sheets and the history of changes; readings.csv and orders.csv are tables for a spreadsheet.',
    ],
  });
}

/** One client's data as a ZIP of files a person and a program can read. `day` names the studio's day of an instant. */
export async function bundle(
  data: ClientData,
  studio: string,
  day: (at: string | Date) => string,
  order: DateOrder,
): Promise<Uint8Array> {
  const { photos, ...rest } = data;
  const file = (p: (typeof photos)[number]) => `photographs/${p.number}-${p.id}.jpg`;
  const json = {
    format: 'rocchetto-client',
    version: 1,
    studio,
    ...rest,
    photographs: photos.map((p) => ({ file: file(p), number: p.number, words: p.words, at: p.at })),
  };
  return zipSync({
    ...Object.fromEntries(photos.map((p) => [file(p), new Uint8Array(p.picture)])),
    'client.json': strToU8(JSON.stringify(json, null, 2)),
    'readings.csv': strToU8(csv(readingRows(data, day), READING_COLUMNS)),
    'orders.csv': strToU8(csv(data.orders, ['number', 'what', 'occasion', 'worn_on', 'due_on', 'stage'])),
    'client.pdf': new Uint8Array(await paper(data, studio, day, order)),
  });
}
