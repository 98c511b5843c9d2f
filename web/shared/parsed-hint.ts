import { printEquals, printWritten, readLength, type SheetUnit } from '@rocchetto/core';

/**
 * What a length field understood, when that is not plainly what stands in it; empty otherwise. Where the unit stands in
 * the field anyway a figure in that unit needs no word, and what is told of another is told in the field's own.
 */
export function parsedHint(text: string | null | undefined, unit: SheetUnit, unitStands = false): string {
  const bare = (text ?? '').trim().replaceAll('/', '⁄');
  const read = bare === '' ? null : readLength(bare, unit);
  if (!read?.ok) return '';
  const shown = printWritten(read.written);
  if (unitStands && read.written.unit !== unit) return `${shown} ${printEquals(read.cm, unit)}`;
  if (shown === bare) return '';
  if (!unitStands) return `${shown} ${printEquals(read.cm, read.written.unit === 'in' ? 'cm' : 'in')}`;
  return shown === `${bare} ${unit}` ? '' : shown;
}
