import { printEquals, printWritten, readLength, type SheetUnit } from '@rocchetto/core';

/** What a length field understood, when that is not plainly what stands in it; empty otherwise. */
export function understood(text: string | null | undefined, unit: SheetUnit): string {
  const bare = (text ?? '').trim();
  const read = bare === '' ? null : readLength(bare, unit);
  if (!read?.ok) return '';
  const other = read.written.unit === 'in' ? 'cm' : 'in';
  const shown = printWritten(read.written);
  return shown === bare ? '' : `${shown} ${printEquals(read.cm, other)}`;
}
