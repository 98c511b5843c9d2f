import type { ENCODINGS } from '@rocchetto/contract';
import Papa from 'papaparse';
import { HttpError } from '../http/problem.ts';
import { TEXTS } from './texts.ts';

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

/** The cells of a CSV file (RFC 4180 and what goes by that name), or of its first rows. @throws HttpError 422 for what is no table */
export function tableOf(bytes: Uint8Array, encoding: Encoding, first?: number): Table {
  const no = (code: string, sentence: string) => new HttpError(422, code, sentence);
  const text = new TextDecoder(encoding).decode(bytes);
  if (text.includes('\0')) throw no('no-table', TEXTS.noTable);
  const { data, meta } = Papa.parse<string[]>(text, {
    skipEmptyLines: 'greedy',
    ...(first === undefined ? {} : { preview: first + 1 }),
  });
  const [headers, ...rows] = data;
  if (!headers || rows.length === 0) throw no('no-rows', TEXTS.noRows);
  if (headers.length > MOST_COLUMNS)
    throw no('many-columns', TEXTS.manyColumns(headers.length, MOST_COLUMNS));
  if (rows.length > MOST_ROWS) throw no('many-rows', TEXTS.manyRows(rows.length, MOST_ROWS));
  return { delimiter: meta.delimiter, headers: headers.map((h) => h.trim().slice(0, 100)), rows };
}
