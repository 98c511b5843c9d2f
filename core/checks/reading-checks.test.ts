import { describe, expect, it } from 'vitest';
import { measure } from '../measures/catalogue.ts';
import { wholeOf } from '../measures/session.ts';
import { taken } from '../measures/testing.ts';
import { cm } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { checkReading, isSwap } from './reading-checks.ts';
import { staleSentence } from './stale.ts';

/** What the checks say of one reading. `others` are cm by measure; `last` as read. */
function codes(
  id: string,
  typed: string,
  others: Record<string, number> = {},
  last?: string,
  way: 'whole' | 'half' | 'quarter' = 'whole',
) {
  const r = taken(id, typed, { way });
  const before = last ? taken(id, last) : null;
  return checkReading({
    measure: measure(id),
    value: wholeOf(r),
    written: r.written!,
    way,
    others: new Map(Object.entries(others).map(([k, v]) => [k, cm(v)])),
    last: before ? { cm: wholeOf(before), text: before.written!.text, date: '2 March' } : undefined,
  });
}
const names = (...args: Parameters<typeof codes>) => codes(...args).map((f) => f.code);

describe('what makes no bodice is asked at the tape', () => {
  it.each([
    ['neck-to-waist-front', '41 cm', { 'neck-to-waist-back': 42.5 }, 'front-under-back-length'],
    ['neck-to-waist-front', '44 cm', { 'neck-to-waist-back': 42.5 }, null],
    ['neck-to-waist-front', '53 cm', { 'neck-to-waist-back': 42.5 }, 'front-over-back-length'],
    // Handbook page 10's full body: 7 cm, a dart of 33 degrees.
    ['neck-to-waist-front', '51 cm', { 'neck-to-waist-back': 44 }, null],
    ['neck-to-waist-back', '42.5 cm', { 'underarm-to-waist': 30 }, 'side-height-over-back'],
    ['underarm-to-waist', '19 cm', { 'neck-to-waist-back': 42.5 }, null],
    ['across-back', '45 cm', { bust: 88 }, 'across-back-over-bust'],
    ['across-front', '43 cm', { bust: 88 }, 'across-front-over-bust'],
    ['across-back', '34.4 cm', { bust: 88 }, null],
    ['shoulder-drop', '8 cm', { shoulder: 11.5 }, 'shoulder-slope'],
    ['shoulder', '12.25 cm', { 'shoulder-drop': 4.5 }, null],
  ])('%s %s beside %o: %s', (id, typed, others, code) => {
    const asked = names(id, typed, others as unknown as Record<string, number>).filter((c) =>
      /length|side-height|across|slope/.test(c),
    );
    expect(asked).toEqual(code ? [code] : []);
  });
});

describe('hard checks: cannot be', () => {
  it.each([
    ['hip-front', '101 cm', { hip: 100 }, 'hip-front-part-of-whole'],
    ['hip', '50 cm', { 'hip-front': 52 }, 'hip-front-part-of-whole'],
    ['waist-to-hip', '20 cm', { 'waist-to-knee': 19 }, 'waist-to-hip-before-waist-to-knee'],
    ['waist-to-high-hip', '21 cm', { 'waist-to-hip': 20 }, 'waist-to-high-hip-before-waist-to-hip'],
    ['waist-to-knee', '105 cm', { 'waist-to-floor': 104 }, 'waist-to-knee-before-waist-to-floor'],
  ])('%s %s', (id, typed, others, code) => {
    const found = codes(id, typed, others as unknown as Record<string, number>);
    expect(found[0]).toMatchObject({ code, level: 'hard' });
  });
  it('nothing left after the tape', () => {
    const r = taken('waist', '0.5 cm', { tape: 'one-finger' });
    expect(
      checkReading({
        measure: measure('waist'),
        value: cm(-0.5),
        written: r.written!,
        way: 'whole',
        others: new Map(),
      })[0]?.level,
    ).toBe('hard');
  });
});

describe('soft checks: ask, and let it stand', () => {
  it.each([
    ['waist', '170 cm', {}, 'out-of-range'],
    ['waist', '27.5 cm', {}, 'other-unit-or-share'],
    ['waist', '70 in', {}, 'other-unit-or-share'],
    ['hip', '24 cm', {}, 'other-unit-or-share'],
    ['waist', '100 cm', { hip: 96 }, 'waist-over-hip'],
    ['waist', '90 cm', { tummy: 88 }, 'waist-over-tummy'],
    ['hip', '95 cm', { 'high-hip': 98 }, 'hip-under-high-hip'],
    ['hip-front', '63 cm', { hip: 100 }, 'hip-front-share'],
    ['waist-to-knee', '70 cm', { 'waist-to-floor': 100 }, 'knee-share'],
    ['hem-left', '60 cm', { 'hem-right': 64 }, 'hem-sides-differ'],
    ['hem-front', '106 cm', { 'waist-to-floor': 104 }, 'hem-front-past-floor'],
  ])('%s %s: %o', (id, typed, others, code) =>
    expect(names(id, typed, others as unknown as Record<string, number>)).toContain(code),
  );

  it('says in its sentence what the figure would be in the other unit, or as a whole', () => {
    expect(codes('waist', '27.5 cm')[0]!.sentence).toContain('27.5 inches would be usual');
    expect(formatSentence(codes('hip', '24 cm')[0]!.sentence, 'cm')).toContain(
      'As a quarter it would make 96 cm',
    );
  });
  it('does not doubt the share of an entry that says it is a quarter', () =>
    expect(names('hip', '24 cm', {}, undefined, 'quarter')).toEqual([]));
  it('knows swapped digits from a change', () => {
    expect(names('waist', '96.5 cm', {}, '69.5 cm')).toEqual(['swapped-digits']);
    expect(isSwap('96.5', '69.5')).toBe(true);
    expect(isSwap('69.5', '69.5')).toBe(false);
    expect(isSwap('70.5', '69.5')).toBe(false);
  });
  it.each([
    ['96.5', '95.6', true],
    ['132', '123', true],
    // One digit, three digits, only one of the two that would have changed places, the point itself, another length.
    ['96.5', '96.4', false],
    ['123', '231', false],
    ['12.34', '21.43', false],
    ['96.5', '86.9', false],
    ['96.5', '56.8', false],
    ['96.5', '9.65', false],
    ['965', '96', false],
    ['96.5 cm', '69.5', true],
  ])('%s after %s: two digits changed places, %s', (now, last, swapped) =>
    expect(isSwap(now, last)).toBe(swapped),
  );
  it('asks neither about the unit nor about the share of what is usual as it stands', () => {
    // 50 cm and 50 in are both lengths that a hem may have.
    expect(names('hem-front', '50 cm')).toEqual([]);
    expect(names('hem-front', '50 in')).toEqual([]);
  });
  it('takes only a girth that was said to be whole for a half or a quarter', () => {
    const said = (id: string, text: string, way: 'whole' | 'half' | 'quarter') =>
      codes(id, text, {}, undefined, way)
        .map((f) => f.sentence)
        .join(' ');
    expect(said('hip', '48 cm', 'whole')).toContain('As a half');
    expect(said('waist-to-floor', '52 cm', 'whole')).not.toContain('As a');
    expect(said('hip', '24 cm', 'half')).not.toContain('As a');
  });
  it('says of what is no length that, and nothing else', () => {
    const own = (value: number) =>
      checkReading({
        measure: measure('hip'),
        value: cm(value),
        written: taken('hip', '98 cm').written!,
        way: 'whole',
        others: new Map([['hip-front', cm(50)]]),
        last: undefined,
      }).map((f) => f.code);
    expect(own(0)).toEqual(['not-positive']);
    expect(own(-1)).toEqual(['not-positive']);
    expect(own(Number.NaN)).toEqual(['not-a-number']);
  });
  it('asks when a girth moved more than 4 % or a height more than 1.5 cm', () => {
    expect(names('waist', '73 cm', {}, '70 cm')).toEqual(['moved']);
    expect(names('waist', '72.5 cm', {}, '70 cm')).toEqual([]);
    expect(names('waist-to-floor', '106 cm', {}, '104 cm')).toEqual(['moved']);
    expect(names('hem-front', '80 cm', {}, '60 cm')).toEqual([]);
  });
  it('is silent about a usual figure', () =>
    expect(names('hip', '101.5 cm', { waist: 74, 'high-hip': 92, 'hip-front': 50 }, '101 cm')).toEqual([]));
  it('writes about the cloth and the tape', () => {
    for (const f of [...codes('waist', '170 cm'), ...codes('waist', '100 cm', { hip: 96 })])
      expect(f.sentence).not.toMatch(/fat|wide body|problem/i);
  });
});

describe('stale measurements', () => {
  it.each([
    ['2026-01-01', '2026-04-01', false, false],
    ['2026-01-01', '2026-04-02', false, true],
    ['2026-03-01', '2026-03-29', true, false],
    ['2026-03-01', '2026-03-30', true, true],
  ])('%s on %s, close %s', (then, now, close, stale) =>
    expect(staleSentence(then, now, close) !== null).toBe(stale),
  );
  it('a reported change shortens it to 14 days', () =>
    expect(staleSentence('2026-03-01', '2026-03-16', false, { changed: true })).toContain('15 days'));
});
