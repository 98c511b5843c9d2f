import { guessColumn } from '../import/columns.ts';
import { findMeasure } from '../measures/catalogue.ts';
import { type Cm, cm } from '../units/length.ts';
import { readLength } from '../units/reading.ts';
import type { SizeRow, Span } from './chart.ts';

/** What a column of a chart holds. */
export type ChartColumn =
  | { readonly is: 'leave' }
  | { readonly is: 'size' }
  | { readonly is: 'cup' }
  | {
      readonly is: 'measure';
      readonly id: string;
      readonly unit: 'cm' | 'in';
      /** halves as they lie on a table, taken twice */
      readonly half: boolean;
    };
/** How a chart is read: sizes down its first columns, or across its head. */
export interface ChartMap {
  readonly sizes: 'down' | 'across';
  readonly columns: readonly ChartColumn[];
}

const SIZE = /^(size|sizes|eu|uk|us|de|it|fr)( size)?$/i;
const CUP = /^(cup|cups|cup size)$/i;

const turned = (cells: readonly (readonly string[])[]): string[][] => {
  const wide = Math.max(0, ...cells.map((r) => r.length));
  return Array.from({ length: wide }, (_, i) => cells.map((r) => r[i] ?? ''));
};

/** Guesses how a chart is read, from its head and its figures; to be seen and changed by a hand. */
export function guessChart(cells: readonly (readonly string[])[]): ChartMap {
  const known = (head: readonly string[]) => head.filter((h) => guessOne(h, []).is === 'measure').length;
  const down = known(cells[0] ?? []) >= known(cells.map((r) => r[0] ?? ''));
  const rows = down ? cells : turned(cells);
  const columns = (rows[0] ?? []).map((h, i) =>
    guessOne(
      h,
      rows.slice(1).map((r) => r[i] ?? ''),
    ),
  );
  // A chart whose first column has no name has its sizes there.
  const sized = columns.some((c) => c.is === 'size');
  return {
    sizes: down ? 'down' : 'across',
    columns: columns.map((c, i) => (!sized && i === 0 && c.is === 'leave' ? { is: 'size' } : c)),
  };
}

function guessOne(header: string, cells: readonly string[]): ChartColumn {
  const head = header.trim();
  if (SIZE.test(head)) return { is: 'size' };
  if (CUP.test(head)) return { is: 'cup' };
  const of = guessColumn(
    head,
    cells.map((c) => c.split(RANGE)[0] ?? ''),
  );
  return of.is === 'measure'
    ? { is: 'measure', id: of.id, unit: of.unit, half: of.way === 'half' }
    : { is: 'leave' };
}

/** Between the two ends of a range: a dash between figures, or a word. "34-1/2" is one figure. */
const RANGE = /\s*(?:–|—|\bto\b|(?<=\d)\s*-\s*(?=\d+(?!\s*\/|\d*\/)))\s*/;

/** "88", "86–90", "34 1/2 to 36 in"; a sentence where it is none. */
export function readSpan(text: string, unit: 'cm' | 'in'): Span | string {
  const ends = text
    .trim()
    .replace(/(\d)-(\d+\/\d+)/g, '$1 $2')
    .split(RANGE);
  const read = ends.map((e) => readLength(e, unit));
  const bad = read.find((r) => !r.ok);
  if (bad && !bad.ok) return bad.sentence;
  if (ends.length > 2) return `“${text.trim().slice(0, 30)}” is more than one range.`;
  // The unit may stand once, behind the second.
  const named = read.find((r) => r.ok && r.unitGiven);
  const all = ends.map((e) => {
    const r = readLength(e, named?.ok ? named.written.unit : unit);
    return r.ok ? r.cm : cm(0);
  });
  const [least, most] = [Math.min(...all), Math.max(...all)];
  return { least: cm(least), most: cm(most) };
}

/** The sizes of a chart's cells as they are mapped, and what was left out, a sentence each. Nothing is thrown. */
export function readChart(
  cells: readonly (readonly string[])[],
  map: ChartMap,
): { readonly rows: readonly SizeRow[]; readonly left: readonly string[] } {
  const rows = (map.sizes === 'down' ? cells : turned(cells)).slice(1);
  const left: string[] = unitsSay(rows, map.columns);
  const read = rows.flatMap((row): SizeRow[] => {
    const text = (is: 'size' | 'cup') => {
      const i = map.columns.findIndex((c) => c.is === is);
      return i < 0 ? '' : (row[i] ?? '').trim();
    };
    if (row.every((c) => c.trim() === '')) return [];
    const size = text('size');
    if (size === '') {
      left.push(`“${row.join(' ').trim().slice(0, 40)}” has no size and is left out.`);
      return [];
    }
    const at: Record<string, Span> = {};
    for (const [i, column] of map.columns.entries()) {
      const cell = (row[i] ?? '').trim();
      if (column.is !== 'measure' || cell === '' || /^[-–—]+$/.test(cell)) continue;
      const span = readSpan(cell, column.unit);
      if (typeof span === 'string') left.push(`Size ${size}, ${findMeasure(column.id)?.name}: ${span}`);
      else at[column.id] = column.half ? { least: cm(2 * span.least), most: cm(2 * span.most) } : span;
    }
    return [{ size: size.slice(0, 20), cup: text('cup').slice(0, 10) || null, at }];
  });
  return { rows: read, left };
}

/** A column that names two units is told: figures without one are read in the column’s. */
function unitsSay(rows: readonly (readonly string[])[], columns: readonly ChartColumn[]): string[] {
  return columns.flatMap((column, i) => {
    if (column.is !== 'measure') return [];
    const units = new Set(
      rows.flatMap((r) => {
        const read = readLength((r[i] ?? '').split(RANGE).at(-1) ?? '', column.unit);
        return read.ok && read.unitGiven ? [read.written.unit] : [];
      }),
    );
    return units.size > 1
      ? [
          `The column ${findMeasure(column.id)?.name} has centimetres and inches: each figure is read by its own unit.`,
        ]
      : [];
  });
}

/** A chart of this house's own: figures by size as rows of cells, the head first, in one unit. */
export const chartCells = (
  rows: readonly SizeRow[],
  ids: readonly string[],
  print: (length: Cm) => string,
): string[][] => [
  ['size', ...(rows.some((r) => r.cup) ? ['cup'] : []), ...ids.map((id) => findMeasure(id)?.name ?? id)],
  ...rows.map((r) => [
    r.size,
    ...(rows.some((q) => q.cup) ? [r.cup ?? ''] : []),
    ...ids.map((id) => {
      const s = r.at[id];
      return s ? (s.most - s.least < 1e-9 ? print(s.least) : `${print(s.least)}–${print(s.most)}`) : '';
    }),
  ]),
];
