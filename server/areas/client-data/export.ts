import {
  cm,
  MEASURES,
  type Measured,
  printLength,
  printWritten,
  resolveAll,
  standing,
} from '@rocchetto/core';
import { csvOf } from '../../http/csv.ts';
import type { ExportClient } from './export-sql.ts';

const CARD = ['code', 'name', 'phone', 'email', 'address', 'note', 'date', 'measurer', 'beneath'] as const;
const NAMES = MEASURES.map((m) => m.name);

const line = (cells: readonly unknown[]) => `${csvOf([[...cells]])}\r\n`;

/** The figure that counts, as it was written where one reading was taken whole and snug; else the body in cm. */
function said(m: Measured): string {
  if (m.net === null) return '';
  const read = m.readings.filter((r) => r.state === 'read');
  const [one] = read;
  return read.length === 1 && one!.way === 'whole' && m.added === 0
    ? printWritten(one!.written!)
    : `${printLength(cm(m.net), 'cm')} cm`;
}

/**
 * Every client as CSV: a row for each session, the card before it, every measure a column under its name. The old
 * book's import reads it back.
 */
export async function* asCsv(
  clients: AsyncIterable<ExportClient>,
  day: (at: string) => string,
): AsyncGenerator<string> {
  yield `\uFEFF${line([...CARD, ...NAMES])}`;
  for await (const c of clients) {
    const card = [c.code, c.name, c.phone, c.email, c.address, c.note];
    if (c.sessions.length === 0) yield line(card);
    for (const s of c.sessions) {
      const figures = resolveAll(s.readings);
      yield line([
        ...card,
        day(s.at),
        s.measurer,
        s.details.beneath ?? '',
        ...MEASURES.map((m) => (figures.has(m.id) ? said(figures.get(m.id)!) : '')),
      ]);
    }
  }
}

/** Every client as JSON, with each reading as it was read: `{ format, version, clients: [ … ] }`, a client a line. */
export async function* asJson(clients: AsyncIterable<ExportClient>): AsyncGenerator<string> {
  yield '{"format":"rocchetto-clients","version":1,"clients":[';
  let first = true;
  for await (const { id: _, sessions, ...card } of clients) {
    const told = sessions.map(({ readings, ...s }) => ({ ...s, readings: standing(readings) }));
    yield `${first ? '' : ','}\n${JSON.stringify({ ...card, sessions: told })}`;
    first = false;
  }
  yield '\n]}\n';
}
