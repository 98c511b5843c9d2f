import type { ENCODINGS } from '@rocchetto/contract';
import Papa from 'papaparse';
import { Refusal } from '../http/problem.ts';

export type Encoding = (typeof ENCODINGS)[number];
/** More columns than any book has. */
const MOST_COLUMNS = 300;
const MOST_ROWS = 50_000;

/** The encoding that a file's bytes are in, by its mark or by what they can be. */
export function guessEncoding(bytes: Uint8Array): Encoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

export interface Table {
  readonly delimiter: string;
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** The cells of a CSV file (RFC 4180 and what goes by that name), or of its first rows. @throws Refusal 422 for what is no table */
export function tableOf(bytes: Uint8Array, encoding: Encoding, first?: number): Table {
  const no = (code: string, sentence: string) => new Refusal(422, code, sentence);
  const text = new TextDecoder(encoding).decode(bytes);
  if (text.includes('\0'))
    throw no(
      'no-table',
      'This is not a CSV file. Nothing was imported. Save the table as CSV and choose it again.',
    );
  const { data, meta } = Papa.parse<string[]>(text, {
    skipEmptyLines: 'greedy',
    ...(first === undefined ? {} : { preview: first + 1 }),
  });
  const [headers, ...rows] = data;
  if (!headers || rows.length === 0)
    throw no('no-rows', 'This file has no rows below its first line. The first line names the columns.');
  if (headers.length > MOST_COLUMNS)
    throw no(
      'many-columns',
      `This file has ${headers.length} columns; the limit is ${MOST_COLUMNS}. Nothing was imported.`,
    );
  if (rows.length > MOST_ROWS)
    throw no(
      'many-rows',
      `This file has ${rows.length} rows; the limit is ${MOST_ROWS}. Nothing was imported. Split the file.`,
    );
  return { delimiter: meta.delimiter, headers: headers.map((h) => h.trim().slice(0, 100)), rows };
}
