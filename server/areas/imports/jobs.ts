import { type Column, type DateOrder, guessColumn, type ImportedRow, readRow } from '@rocchetto/core';
import { type Encoding, guessEncoding, tableOf } from '../../records/imported-file.ts';
import { poolOf } from '../../threads/pool-of.ts';

/** Rows that a column’s kind is guessed from. */
const SAMPLE = 40;

/** Reading an old book, and taking it into the house's. */
export const IMPORT_JOBS = {
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
    of: {
      encoding: Encoding;
      columns: readonly Column[];
      today: string;
      dateOrder: DateOrder;
      from: number;
      count: number;
    },
  ) => {
    const { delimiter, headers, rows } = tableOf(bytes, of.encoding, of.from + of.count);
    const preview = rows.slice(of.from).map((cells, i): { row: number; read: ImportedRow } => ({
      row: of.from + i + 2,
      read: readRow(cells, of.columns, of.today, of.dateOrder),
    }));
    return { delimiter, headers, preview };
  },
  /** Takes it into the book, whole or not at all. */
  takeBook: async (url: string, id: number, staffId: number, today: string, dateOrder: DateOrder) => {
    const [{ takeImport }, { readImport }] = await Promise.all([
      import('./take.ts'),
      import('../../records/imports.ts'),
    ]);
    const pool = poolOf(url);
    return takeImport((await readImport(pool, id))!, { pool, staffId, today, dateOrder });
  },
} as const;
export type ImportJobs = typeof IMPORT_JOBS;
