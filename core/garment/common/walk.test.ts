import { sheetOf, skirtSpec } from '@rocchetto/contract/testing.ts';
import { describe, expect, it } from 'vitest';

/** A straight skirt 80 long, the knee at 58, so narrow that its hem gives no step by itself. */
const skirt = (fields: object, lines: readonly string[] = ['waist-to-knee 58 cm']) =>
  sheetOf(
    skirtSpec(['waist 62 cm', 'hip 88 cm', 'waist-to-hip 20 cm', ...lines], {
      skirt: { length: '80 cm', taper: '2.5 cm', ...fields },
    }),
  );
const opened = (openingHeight: string, more: object = {}) =>
  skirt({ hemOpening: 'vent', openingHeight, ...more });
const state = (s: ReturnType<typeof skirt>, code: string) => s.checks.find((k) => k.code === code)?.state;

// The bounds are common practice: an opening begins at most 5 below the knee, is 15 high, and 10 from its zip.
describe('room to walk', () => {
  it.each([
    // The waist drops 0.8 at the centre back: 79.2 long there; 79.2 − 16.2 = 63, 5 below the knee of 58.
    ['16.2 cm', 'passed'],
    ['16.1 cm', 'warned'],
    ['30 cm', 'passed'],
  ])('a vent of %s on 80, the knee at 58: %s', (height, expected) => {
    expect(state(opened(height), 'skirt.stride')).toBe(expected);
  });

  it('where the knee was not measured it is taken to lie at 60', () => {
    const s = (openingHeight: string) => skirt({ hemOpening: 'slit', openingHeight }, []);
    // 79.2 − 14.2 = 65.
    expect(state(s('14.2 cm'), 'skirt.stride')).toBe('passed');
    expect(state(s('14.1 cm'), 'skirt.stride')).toBe('warned');
  });

  it('an opening under 15 gives no step; one longer than the skirt is left out and said so', () => {
    expect(state(opened('15 cm'), 'skirt.opening-height')).toBeUndefined();
    expect(state(opened('14.9 cm'), 'skirt.opening-height')).toBe('warned');
    const long = opened('79.5 cm');
    expect(long.checks.find((k) => k.code === 'skirt.opening')!.sentence).toContain('it was left out');
  });

  it('between a vent and the zip of the same seam 10 are sewn', () => {
    const zip = sheetOf(skirtSpec(['waist 62 cm', 'hip 88 cm', 'waist-to-hip 20 cm'], {})).figures.find(
      (f) => f.id === 'zip',
    )!.finished!;
    const begins = (from: number) => opened(`${(79.2 - zip - from).toFixed(1)} cm`);
    expect(state(begins(10), 'skirt.opening-zip')).toBe('passed');
    expect(state(begins(9.9), 'skirt.opening-zip')).toBe('warned');
    // At the side the zip lies in another seam.
    expect(
      state(opened(`${(79.2 - zip - 5).toFixed(1)} cm`, { zip: 'left-side' }), 'skirt.opening-zip'),
    ).toBeUndefined();
  });

  it('above the knee, or 96 round and more, nothing is asked of a hem', () => {
    expect(state(skirt({ length: '57 cm', hemOpening: 'none' }), 'skirt.stride')).toBe('passed');
    expect(state(skirt({ hemOpening: 'none' }), 'skirt.stride')).toBe('warned');
    // 88 + 5 at the hip and straight down is 93; over a hip of 91 it is 96.
    const straight = (hip: number) =>
      sheetOf(
        skirtSpec(['waist 66 cm', `hip ${hip} cm`, 'waist-to-hip 20 cm', 'waist-to-knee 58 cm'], {
          skirt: { length: '80 cm', taper: '0 cm', hemOpening: 'none' },
        }),
      );
    expect(state(straight(91), 'skirt.stride')).toBe('passed');
    expect(state(straight(90.9), 'skirt.stride')).toBe('warned');
  });
});
