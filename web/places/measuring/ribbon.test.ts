import { measure, type Reading, readLength, resolve } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import { stateOf } from './Ribbon.tsx';

const of = (id: string, typed: readonly string[], more: Partial<Reading> = {}) =>
  resolve(
    measure(id),
    typed.map((text, i): Reading => {
      const read = readLength(text, 'cm');
      return {
        id: `${i}`,
        measure: id,
        state: 'read',
        written: read.ok ? read.written : null,
        way: 'whole',
        tape: 'snug',
        source: 'taken here',
        replaces: null,
        reason: '',
        note: '',
        by: '',
        wroteBy: '',
        at: '',
        ...more,
      };
    }),
  );
const state = (id: string, typed: readonly string[], needed = true, more: Partial<Reading> = {}) =>
  stateOf({ measured: of(id, typed, more), needed });

describe('a tick on the tape', () => {
  it.each([
    ['waist', [], true, 'pending'],
    ['high-hip', [], false, 'optional'],
    ['waist', ['70'], true, 'doubtful'],
    ['waist', ['70', '70.5'], true, 'done'],
    ['waist', ['70', '72'], true, 'doubtful'],
    ['waist', ['70', '72', '71'], true, 'done'],
    ['waist-to-hip', ['20'], true, 'done'],
    ['waist-to-hip', ['20', '22'], true, 'doubtful'],
  ] as const)('%s read %j, needed %s: %s', (id, typed, needed, is) =>
    expect(state(id, typed, needed)).toBe(is),
  );
  it('declined and skipped are told apart', () => {
    expect(state('hip', ['1'], true, { state: 'declined', written: null })).toBe('declined');
    expect(state('hip', ['1'], true, { state: 'skipped', written: null })).toBe('skipped');
  });
});
