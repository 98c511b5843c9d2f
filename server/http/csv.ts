import Papa from 'papaparse';

/**
 * Cells that a table program would run as a formula, kept as text by an apostrophe before them: what begins with
 * `=`, `@`, `+`, `-` or white space that hides one of these. A plain number or phone keeps its sign: with digits and
 * their marks alone it can call nothing.
 */
export const FORMULA =
  /^(?:[=@\t\r\n\uFF1D\uFF20]|[+\-\uFF0B\uFF0D](?![\d\s().,/+-]*$)|\s+(?:[=@]|[+-](?![\d\s().,/+-]*$)))/;

/** Lines of CSV (RFC 4180, CRLF), each cell safe to open in a table program. */
export const csvOf: typeof Papa.unparse = (data, more = {}) =>
  Papa.unparse(data as never, { newline: '\r\n', escapeFormulae: FORMULA, ...more });

/** What is looked at of a table's text: beyond it is no table that a hand would read. */
const MOST = { rows: 420, columns: 80 } as const;
/** The rows of cells of a table program's text, whatever separates them. */
export const cellsOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    preview: MOST.rows,
  }).data.map((row) => row.slice(0, MOST.columns));
