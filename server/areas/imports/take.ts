import { createHash, randomUUID } from 'node:crypto';
import type { ImportReport } from '@rocchetto/contract';
import {
  type BookPerson,
  type Column,
  type DateOrder,
  foldPhone,
  foldText,
  type ImportedRow,
  peopleOf,
  readRow,
  unclear,
} from '@rocchetto/core';
import type { Pool, Tx } from '../../db/pool.ts';
import { inTransaction } from '../../db/pool.ts';
import { tableOf } from '../../records/imported-file.ts';
import {
  addCards,
  addSessions,
  clientsNamed,
  finishImport,
  holdTaking,
  type ImportFile,
  knownRows,
  type NewCard,
  type NewSession,
  progress,
  rememberRows,
} from '../../records/imports.ts';

const BATCH = 400;
const MOST_TOLD = 2000;

export const NOTHING: ImportReport = {
  version: 1,
  taken: 0,
  clients: 0,
  readings: 0,
  already: 0,
  left: [],
  untold: 0,
  failed: '',
};

interface Doing {
  readonly pool: Pool;
  readonly staffId: number;
  readonly today: string;
  readonly dateOrder: DateOrder;
}

/** Takes a whole file in one transaction, some hundred rows at a time so that others are served between them. */
export async function takeImport(
  file: ImportFile,
  { pool, staffId, today, dateOrder }: Doing,
): Promise<ImportReport> {
  const { rows } = tableOf(file.bytes, file.encoding);
  const leave = new Set(file.leave);
  const people = await peopleIn(rows, file.columns, leave, today, dateOrder);
  return inTransaction(pool, async (tx) => {
    await holdTaking(tx, file.id);
    const report = { ...NOTHING, left: [] as ImportReport['left'][number][] };
    const tell = (row: number, says: string) => {
      if (report.left.length < MOST_TOLD) report.left.push({ row, says });
      else report.untold++;
    };
    const cards = new Map<string, CardOf>();
    for (let from = 0; from < rows.length; from += BATCH) {
      const batch = rows.slice(from, from + BATCH).flatMap((cells, i) => {
        // The header is the first line of a spreadsheet.
        const row = from + i + 2;
        const read = readRow(cells, file.columns, today, dateOrder);
        if (leave.has(row)) {
          tell(row, 'Skipped by hand.');
          return [];
        }
        for (const says of read.left) tell(row, says);
        if (read.refused) {
          tell(row, read.refused);
          return [];
        }
        return [{ row, read, person: people[from + i]!, hash: hashOf(read) }];
      });
      await takeBatch(tx, batch, { cards, report, tell, staffId });
      // The progress is told beside the transaction: others see it while nothing is taken yet.
      await progress(pool, file.id, Math.min(rows.length, from + BATCH));
      await new Promise((r) => setImmediate(r));
    }
    await finishImport(tx, file.id, rows.length, report);
    return report;
  });
}

/** Whose every row is, read by the columns of the card alone. */
async function peopleIn(
  rows: readonly (readonly string[])[],
  columns: readonly Column[],
  leave: ReadonlySet<number>,
  today: string,
  dateOrder: DateOrder,
): Promise<(BookPerson | string)[]> {
  const ofCard = columns.map((c): Column => (c.is === 'measure' || c.is === 'date' ? { is: 'leave' } : c));
  const read: ImportedRow[] = [];
  for (let from = 0; from < rows.length; from += BATCH) {
    // A row that is left tells nothing of anybody.
    for (const [i, cells] of rows.slice(from, from + BATCH).entries())
      read.push(readRow(leave.has(from + i + 2) ? [] : cells, ofCard, today, dateOrder));
    await new Promise((r) => setImmediate(r));
  }
  return peopleOf(read);
}

/** The card of a person: one that stood in the book, or one that this file makes. */
interface CardOf {
  id: number;
  readonly stood: boolean;
}
interface Row {
  readonly row: number;
  readonly read: ImportedRow;
  readonly person: BookPerson | string;
  readonly hash: Buffer;
}
interface Batch {
  readonly cards: Map<string, CardOf>;
  readonly report: { -readonly [K in keyof ImportReport]: ImportReport[K] };
  readonly tell: (row: number, says: string) => void;
  readonly staffId: number;
}

async function takeBatch(
  tx: Tx,
  batch: readonly Row[],
  { cards, report, tell, staffId }: Batch,
): Promise<void> {
  const known = await knownRows(
    tx,
    batch.map((b) => b.hash),
  );
  const seen = new Set<string>();
  const fresh = batch.filter(({ hash }) => {
    const key = hash.toString('hex');
    const old = known.has(key) || seen.has(key);
    seen.add(key);
    if (old) report.already++;
    return !old;
  });
  if (fresh.length === 0) return;
  const there = new Map<string, Standing[]>();
  for (const c of await clientsNamed(tx, [...new Set(fresh.map((f) => foldText(f.read.name)))]))
    there.set(c.name, [...(there.get(c.name) ?? []), c]);
  const made: { readonly card: CardOf; readonly write: NewCard }[] = [];
  const taken = fresh.flatMap(({ row, read, person, hash }) => {
    if (typeof person === 'string') {
      tell(row, person);
      return [];
    }
    const stands = standing(there.get(person.folded) ?? [], person, foldPhone(read.phone) !== '');
    if (typeof stands === 'number') {
      tell(row, unclear(read.name, stands));
      return [];
    }
    let card = cards.get(person.key);
    if (!card) {
      card = { id: stands?.id ?? 0, stood: stands !== null };
      cards.set(person.key, card);
      const { folded, digits } = person;
      if (!card.stood) made.push({ card, write: { ...person.card, digits, folded } });
    }
    if (card.stood && (read.email || read.address || read.note))
      tell(
        row,
        `${read.name} is already a client: the details stay as they are, and the measurements are added.`,
      );
    return [{ read, hash, row, card }];
  });
  if (made.length > 0) {
    const ids = await addCards(
      tx,
      made.map((m) => m.write),
    );
    for (const [i, { card }] of made.entries()) card.id = ids[i]!;
  }
  report.clients += made.length;
  const sessions: NewSession[] = [];
  const kept = taken.map(({ read, hash, row, card }) => {
    const session = read.readings.length === 0 ? null : sessionOf(read, card.id, row);
    if (session) sessions.push(session);
    report.readings += session?.readings.length ?? 0;
    report.taken++;
    return { hash, clientId: card.id, sessionId: session?.id ?? null };
  });
  if (sessions.length > 0) await addSessions(tx, sessions, staffId);
  await rememberRows(tx, kept);
}

interface Standing {
  readonly id: number;
  readonly phone: string;
}
/** The card that stands for a person; null for nobody yet, a number when it is unclear among so many. */
function standing(of: readonly Standing[], person: BookPerson, told: boolean): number | Standing | null {
  if (person.digits === '') return of.length > 1 ? of.length : (of[0] ?? null);
  const others = of.filter((c) => c.phone !== '' && c.phone !== person.digits).length;
  if (!told && others > 0) return others + 1;
  const same = of.filter((c) => c.phone === person.digits);
  if (same.length > 0) return same.length > 1 ? same.length : same[0]!;
  // A card without a phone is whoever has the name, unless there are several.
  const blank = of.filter((c) => c.phone === '');
  const among = blank.length === 0 ? 0 : Math.max(blank.length, person.namesakes);
  return among > 1 ? among : (blank[0] ?? null);
}

function sessionOf(read: ImportedRow, clientId: number, row: number): NewSession {
  return {
    id: randomUUID(),
    clientId,
    at: `${read.date}T12:00:00Z`,
    measurer: read.measurer || 'the imported file',
    unit: read.readings[0]!.written.unit === 'in' ? 'in' : 'cm',
    readings: read.readings.map((r) => ({
      id: randomUUID(),
      measure: r.measure,
      fact: {
        version: 1,
        written: r.written,
        way: r.way,
        tape: 'snug',
        source: 'carried over',
        replaces: null,
        reason: '',
        note: `imported, row ${row}`,
        wroteBy: '',
      },
    })),
  };
}

/** What a row says, as one hash: the same row of another file is the same row. */
function hashOf(read: ImportedRow): Buffer {
  const said = [
    foldText(read.name),
    foldPhone(read.phone),
    read.date,
    ...read.readings.map((r) => `${r.measure} ${r.written.value} ${r.written.unit} ${r.way}`).sort(),
  ];
  return createHash('sha256').update(said.join('\n')).digest();
}
