import { CARD_FIELDS, type Column, findMeasure, type ImportedRow, WAYS } from '@rocchetto/core';
import { z } from 'zod';
import { made } from './made.ts';

const ColumnWire: z.ZodType<Column> = z.union([
  z.strictObject({ is: z.literal('leave') }),
  z.strictObject({ is: z.enum(CARD_FIELDS) }),
  z.strictObject({
    is: z.literal('measure'),
    id: z.string().refine((id) => findMeasure(id) !== undefined, 'There is no measurement with this name.'),
    unit: z.enum(['cm', 'in']),
    way: z.enum(WAYS),
  }),
]);
/** How the columns of an old book are read, and which rows a hand leaves, numbered as a spreadsheet numbers them. */
export const MappingWire = z.strictObject({
  columns: z.array(ColumnWire).max(300),
  leave: z.array(z.int().min(2)).max(5000, 'At most 5,000 rows can be skipped one by one.').default([]),
});
export const StoredMapping = MappingWire.extend({ version: z.literal(1) });

/** What became of an import. */
export const StoredReport = z.strictObject({
  version: z.literal(1),
  /** rows that are in the book now */
  taken: z.int(),
  clients: z.int(),
  readings: z.int(),
  /** rows that were there already */
  already: z.int(),
  /** rows and cells that were left out, each with why; at most 2,000 are kept */
  left: z.array(z.strictObject({ row: z.int(), says: z.string() })),
  /** how many more there were */
  untold: z.int().default(0),
  failed: z.string().default(''),
});
export type ImportReport = z.infer<typeof StoredReport>;

/** From which row on they are looked at, counted from 0. */
export const ImportLook = z.object({ from: z.coerce.number().int().min(0).max(1_000_000).default(0) });

export const ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252'] as const;
export const ImportView = z.strictObject({
  id: z.number(),
  name: z.string(),
  encoding: z.enum(ENCODINGS),
  delimiter: z.string(),
  headers: z.array(z.string()).readonly(),
  columns: z.array(made<Column>()).readonly(),
  /** why these columns cannot be read together; '' when they can */
  says: z.string(),
  rows: z.number(),
  /** rows that a hand leaves */
  leave: z.array(z.number()).readonly(),
  state: z.enum(['open', 'taking', 'taken', 'failed']),
  done: z.number(),
  report: StoredReport.nullable(),
  /** some rows as they would be taken, numbered as a spreadsheet numbers them */
  preview: z.array(z.strictObject({ row: z.number(), read: made<ImportedRow>() })).readonly(),
});
export type ImportView = z.infer<typeof ImportView>;
