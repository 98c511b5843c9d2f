import { ownFindings } from '../checks/own-findings.ts';
import { type DateOrder, readDate } from '../dates/read-date.ts';
import { measure } from '../measures/catalogue.ts';
import { type Way, wholeOf } from '../measures/session.ts';
import { formatSentence } from '../units/print.ts';
import { readLength, type Written } from '../units/reading.ts';
import type { Column } from './columns.ts';

/** One row of an old book as it would be taken. */
export interface ImportedRow {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly address: string;
  readonly note: string;
  /** ISO day on which it was measured; empty when the row tells none */
  readonly date: string;
  readonly measurer: string;
  readonly readings: readonly { readonly measure: string; readonly written: Written; readonly way: Way }[];
  /** cells that are left out, a sentence each */
  readonly left: readonly string[];
  /** figures that are taken and doubted */
  readonly doubts: readonly string[];
  /** why the whole row is left out; '' when it is taken */
  readonly refused: string;
}

const short = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text);
/** How long each field of a card may be, in characters. */
export const LONGEST: Readonly<Record<'name' | 'phone' | 'email' | 'address' | 'note' | 'measurer', number>> =
  {
    name: 200,
    phone: 60,
    email: 200,
    address: 500,
    note: 2000,
    measurer: 200,
  };

/** Reads one row by its columns. Nothing is thrown: what cannot be taken says why. */
export function readRow(
  cells: readonly string[],
  columns: readonly Column[],
  today: string,
  order: DateOrder = 'dmy',
): ImportedRow {
  const card = { name: '', phone: '', email: '', address: '', note: '', measurer: '' };
  let date = '';
  const readings: ImportedRow['readings'][number][] = [];
  const left: string[] = [];
  const doubts: string[] = [];
  columns.forEach((column, i) => {
    const cell = (cells[i] ?? '').trim();
    if (cell === '' || column.is === 'leave') return;
    if (column.is === 'date') {
      const day = readDate(cell, today, order);
      if (day === null) left.push(`“${short(cell)}” isn’t a date.`);
      else if (day > today) left.push(`${day} is in the future.`);
      else date = day;
      return;
    }
    if (column.is === 'measure') {
      const m = measure(column.id);
      const read = readLength(cell, column.unit);
      if (!read.ok) {
        left.push(`${m.name}: ${read.sentence}`);
        return;
      }
      const written = read.written;
      const value = wholeOf({ written, way: column.way });
      const found = ownFindings({ measure: m, value, written, way: column.way });
      const hard = found.find((f) => f.level === 'hard');
      if (hard) left.push(`${m.name}: ${formatSentence(hard.sentence, 'cm')}`);
      else {
        readings.push({ measure: m.id, written, way: column.way });
        for (const f of found) doubts.push(`${m.name}: ${formatSentence(f.sentence, 'cm')}`);
      }
      return;
    }
    if (column.is === 'email' && !/^[^@\s]+@[^@\s]+\.[^@\s]+$/.test(cell)) {
      left.push(`“${short(cell)}” isn’t an e-mail address.`);
      return;
    }
    const before = card[column.is];
    card[column.is] = (before && column.is === 'note' ? `${before}\n${cell}` : cell).slice(
      0,
      LONGEST[column.is],
    );
  });
  const undated = readings.length > 0 && date === '';
  return {
    ...card,
    date,
    readings: undated ? [] : readings,
    left: undated
      ? [...left, 'The row has no date of measuring, so its measurements are not imported.']
      : left,
    doubts: undated ? [] : doubts,
    refused: card.name === '' ? 'The row has no name.' : '',
  };
}
