import { createHash, randomUUID } from 'node:crypto';
import type { ImportReport } from '@rocchetto/contract';
import { foldPhone, foldText, type ImportedRow, readRow } from '@rocchetto/core';
import type { Pool, Tx } from '../db/pool.ts';
import { inTransaction } from '../db/pool.ts';
import { tableOf } from './decode.ts';
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
} from './sql.ts';

const BATCH = 400;
const MOST_TOLD = 2000;

export const NOTHING: ImportReport = {
  version: 1,
  taken: 0,
  clients: 0,
  readings: 0,
  already: 0,
  left: [],
  failed: '',
};

interface Doing {
  readonly pool: Pool;
  readonly staffId: number;
  readonly today: string;
}

/** Takes a whole file in one transaction, some hundred rows at a time so that others are served between them. */
export async function takeImport(file: ImportFile, { pool, staffId, today }: Doing): Promise<ImportReport> {
  const { rows } = tableOf(file.bytes, file.encoding);
  return inTransaction(pool, async (tx) => {
    await holdTaking(tx, file.id);
    const report = { ...NOTHING, left: [] as ImportReport['left'][number][] };
    const tell = (row: number, says: string) => {
      if (report.left.length < MOST_TOLD) report.left.push({ row, says });
    };
    /** cards this file has made, by name and phone */
    const made = new Map<string, number>();
    for (let from = 0; from < rows.length; from += BATCH) {
      const batch = rows.slice(from, from + BATCH).flatMap((cells, i) => {
        // The header is the first line of a spreadsheet.
        const row = from + i + 2;
        const read = readRow(cells, file.columns, today);
        for (const says of read.left) tell(row, says);
        if (read.refused) {
          tell(row, read.refused);
          return [];
        }
        return [{ row, read, hash: hashOf(read) }];
      });
      await takeBatch(tx, batch, { made, report, tell, staffId });
      await progress(pool, file.id, Math.min(rows.length, from + BATCH));
      await new Promise((r) => setImmediate(r));
    }
    await finishImport(tx, file.id, rows.length, report);
    return report;
  });
}

interface Row {
  readonly row: number;
  readonly read: ImportedRow;
  readonly hash: Buffer;
}
interface Batch {
  readonly made: Map<string, number>;
  readonly report: { -readonly [K in keyof ImportReport]: ImportReport[K] };
  readonly tell: (row: number, says: string) => void;
  readonly staffId: number;
}

async function takeBatch(
  tx: Tx,
  batch: readonly Row[],
  { made, report, tell, staffId }: Batch,
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
  const there = new Map<string, { id: number; phone: string }[]>();
  for (const c of await clientsNamed(tx, [...new Set(fresh.map((f) => foldText(f.read.name)))]))
    there.set(c.name, [...(there.get(c.name) ?? []), c]);
  const cards: NewCard[] = [];
  const keys: string[] = [];
  const taken = fresh.filter(({ row, read }) => {
    const [folded, digits] = [foldText(read.name), foldPhone(read.phone)];
    const key = `${folded}\n${digits}`;
    if (made.has(key)) return true;
    // One of the same name is the same client unless the phones differ; of several only the phone can tell.
    const fits = (there.get(folded) ?? []).filter(
      (c) => digits === '' || c.phone === '' || c.phone === digits,
    );
    if (fits.length > 1 && fits.filter((c) => c.phone !== '' && c.phone === digits).length !== 1) {
      tell(
        row,
        `${fits.length} clients are called ${read.name}: the phone tells which. The row is left out.`,
      );
      return false;
    }
    const one = fits.length > 1 ? fits.find((c) => c.phone === digits) : fits[0];
    if (one) made.set(key, one.id);
    else {
      made.set(key, -1);
      keys.push(key);
      const { name, phone, email, address, note } = read;
      cards.push({ name, phone, email, address, note, digits, folded });
    }
    return true;
  });
  if (cards.length > 0) for (const [i, id] of (await addCards(tx, cards)).entries()) made.set(keys[i]!, id);
  report.clients += cards.length;
  const sessions: NewSession[] = [];
  const kept = taken.map(({ read, hash, row }) => {
    const clientId = made.get(`${foldText(read.name)}\n${foldPhone(read.phone)}`)!;
    const session = read.readings.length === 0 ? null : sessionOf(read, clientId, row);
    if (session) sessions.push(session);
    report.readings += session?.readings.length ?? 0;
    report.taken++;
    return { hash, clientId, sessionId: session?.id ?? null };
  });
  if (sessions.length > 0) await addSessions(tx, sessions, staffId);
  await rememberRows(tx, kept);
}

function sessionOf(read: ImportedRow, clientId: number, row: number): NewSession {
  return {
    id: randomUUID(),
    clientId,
    at: `${read.date}T12:00:00Z`,
    measurer: read.measurer || 'the old book',
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
        note: `from the old book, row ${row}`,
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
