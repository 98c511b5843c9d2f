import { readLength } from '../units/reading.ts';
import type { Reading } from './session.ts';

let count = 0;

/** A reading for tests: `typed` with its unit. */
export function taken(measure: string, typed: string, more: Partial<Reading> = {}): Reading {
  const read = readLength(typed, 'cm');
  if (!read.ok) throw new Error(read.sentence);
  count += 1;
  return {
    id: `r${count}`,
    measure,
    state: 'read',
    written: read.written,
    way: 'whole',
    tape: 'snug',
    source: 'taken here',
    replaces: null,
    reason: '',
    note: '',
    by: 'Fitter',
    wroteBy: '',
    at: '2026-03-02T10:00:00Z',
    ...more,
  };
}
