import type { HouseRulesWire, SheetView } from '@rocchetto/contract';
import {
  type Column,
  dayIn,
  guessColumn,
  type ImportedRow,
  printDate,
  readRow,
  type SheetUnit,
} from '@rocchetto/core';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { Record as FittingRecord } from '../alterations/record.ts';
import { openPool, type Pool } from '../db/pool.ts';
import type { CardFor, ListFor } from '../guide/paper.ts';
import { type Encoding, guessEncoding, tableOf } from '../imports/decode.ts';

/** A worker asks the database by itself; a statement of it may take as long as a whole book takes. */
const pools = new Map<string, Pool>();
function poolOf(url: string): Pool {
  const known = pools.get(url);
  if (known) return known;
  const pool = openPool(url, () => undefined, { max: 2, patience: 120_000 });
  pools.set(url, pool);
  return pool;
}

/** Rows that a column’s kind is guessed from. */
const SAMPLE = 40;

/**
 * What takes a processor long enough that others would wait for it. Each runs in a thread of the pool: what goes in and
 * comes out is copied, so it is plain data.
 */
export const JOBS = {
  sheetPdf: async (view: SheetView, unit: SheetUnit, both: boolean) =>
    (await import('../sheets/pdf.ts')).sheetPdf(view, unit, both),
  benchCards: async (view: SheetView, unit: SheetUnit, address: string) =>
    (await import('../sheets/bench-cards.ts')).benchCardsPdf(view, unit, address),
  toile: async (view: SheetView, unit: SheetUnit) =>
    (await import('../sheets/toile-pdf.ts')).toilePdf(view, unit),
  fittingRecord: async (record: FittingRecord) =>
    (await import('../alterations/record.ts')).fittingRecord(record),
  paper: async (definition: TDocumentDefinitions) =>
    (await import('../paper/print.ts')).printPaper(definition),
  guide: async (studio: string, ids: readonly string[] | null) => {
    const { clientPage, wholeGuide } = await import('../guide/paper.ts');
    return ids ? clientPage(studio, ids) : wholeGuide(studio);
  },
  measuringList: async (list: ListFor) => (await import('../guide/paper.ts')).orderList(list),
  measureCard: async (card: CardFor) => (await import('../guide/paper.ts')).measureCard(card),

  /** All that is kept of one client, packed; null when there is no such client. */
  clientBundle: async (url: string, id: number, studio: string, timeZone: string) => {
    const [{ readClientData }, { bundle }] = await Promise.all([
      import('../client-data/sql.ts'),
      import('../client-data/bundle.ts'),
    ]);
    const data = await readClientData(poolOf(url), id);
    if (!data) return null;
    const zip = await bundle(data, studio, (at) => printDate(dayIn(timeZone, at)));
    return { code: data.client.code, zip };
  },

  /** The layout of an old book’s file: its encoding, its header, how many rows, and what each column seems to hold. */
  bookLayout: async (bytes: Uint8Array, said: Encoding | null) => {
    const encoding = said ?? guessEncoding(bytes);
    const { headers, rows } = tableOf(bytes, encoding);
    const columns = headers.map((h, i) =>
      guessColumn(
        h,
        rows.slice(0, SAMPLE).map((r) => r[i] ?? ''),
      ),
    );
    return { encoding, headers, rows: rows.length, columns };
  },
  /** Some rows of it as they would be read. */
  bookRows: async (
    bytes: Uint8Array,
    of: { encoding: Encoding; columns: readonly Column[]; today: string; from: number; count: number },
  ) => {
    const { delimiter, headers, rows } = tableOf(bytes, of.encoding, of.from + of.count);
    const preview = rows.slice(of.from).map((cells, i): { row: number; read: ImportedRow } => ({
      row: of.from + i + 2,
      read: readRow(cells, of.columns, of.today),
    }));
    return { delimiter, headers, preview };
  },
  /** Takes it into the book, whole or not at all. */
  takeBook: async (url: string, id: number, staffId: number, today: string) => {
    const [{ takeImport }, { readImport }] = await Promise.all([
      import('../imports/take.ts'),
      import('../imports/sql.ts'),
    ]);
    const pool = poolOf(url);
    return takeImport((await readImport(pool, id))!, { pool, staffId, today });
  },

  /** What other rules would move. */
  wouldMove: async (url: string, rules: HouseRulesWire, now: string) =>
    (await import('../sheets/would-move.ts')).wouldMove(poolOf(url), rules, new Date(now)),
} as const;

export type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
export type Answer<K extends JobName> = Awaited<ReturnType<Jobs[K]>>;
