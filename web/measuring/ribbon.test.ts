import { MEASURES, measure, type Reading, readLength, resolve } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import { courseOf, LEVEL, outline } from './figure-paths.ts';
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

describe('the drawn figure', () => {
  const SKIRT = [
    'waist',
    'high-hip',
    'waist-to-high-hip',
    'tummy',
    'waist-to-tummy',
    'hip',
    'waist-to-hip',
    'hip-front',
    'waist-to-knee',
    'waist-to-floor',
    'hem-front',
    'hem-left',
    'hem-right',
    'hem-back',
  ];
  it('shows a course for every measure of the skirt, on a view there is, with landmarks to feel for', () => {
    for (const id of SKIRT) {
      const course = courseOf(id);
      expect(course, id).not.toBeNull();
      expect(course!.seen).toMatch(/^M/);
      expect(course!.seen).not.toContain('NaN');
      expect(course!.landmarks.length).toBeGreaterThan(0);
      expect(outline(course!.view).every((d) => !d.includes('NaN'))).toBe(true);
    }
  });
  it('draws no tape where it knows no course', () =>
    expect(MEASURES.filter((m) => !m.course).every((m) => courseOf(m.id) === null)).toBe(true));
  it('draws every course the catalogue has, without a number that is none', () => {
    for (const { id, course } of MEASURES) {
      if (!course) continue;
      const drawn = courseOf(id)!;
      expect(`${drawn.seen} ${drawn.behind}`, id).not.toMatch(/NaN|undefined/);
      expect(drawn.view).toBe(course.view);
    }
  });
  it('has its levels in the order of a figure', () => {
    const down = ['waist', 'tummy', 'high-hip', 'hip', 'knee', 'hem', 'floor'].map(
      (l) => LEVEL[l as keyof typeof LEVEL],
    );
    expect(down).toEqual([...down].sort((a, b) => a - b));
  });
});
