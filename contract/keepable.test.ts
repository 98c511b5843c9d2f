import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Id, Instant, IsoDate, Version } from './basics.ts';
import { unkeepable, unkeepableSentence } from './keepable.ts';

describe('texts that cannot be kept', () => {
  it.each([
    ['a zero byte', { order: { client: 'Nell\0' } }, 'order.client'],
    ['half a character', { note: 'x\ud83d' }, 'note'],
    ['the other half', ['fine', '\udc00'], '1'],
    ['a name of a field', { 'a\0b': 1 }, 'a name'],
    ['a name further in', { house: { 'a\0b': 1 } }, 'house'],
    ['the text itself', 'a\0', 'the text'],
  ])('%s is found and told where', (_, value, where) => {
    expect(unkeepable(value)).toBe(where);
    expect(unkeepableSentence(where)).toContain(where);
  });
  it.each([[null], [undefined], [0], [true], [''], ['Zoë 👗 試着'], [{ a: [1, 'two', { b: null }] }], [[]]])(
    '%j can be kept',
    (value) => expect(unkeepable(value)).toBeNull(),
  );
  it('whatever can be kept comes back from JSON as it was', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        if (unkeepable(value) !== null) return;
        expect(JSON.stringify(value)).not.toContain('\\u0000');
      }),
    );
  });
});

describe('the one rule for ids, dates, instants and versions', () => {
  const takes = (schema: { safeParse: (v: unknown) => { success: boolean } }, value: unknown) =>
    schema.safeParse(value).success;
  it.each([1, 2, 2 ** 31])('%d is an id', (n) => expect(takes(Id, n)).toBe(true));
  it.each([0, -1, 1.5, '1', null, Number.NaN, Infinity, 2 ** 60])('%s is none', (n) =>
    expect(takes(Id, n)).toBe(false),
  );
  it.each(['1900-01-01', '2026-12-24', '2028-02-29', '2200-12-31'])('%s is a day', (d) =>
    expect(takes(IsoDate, d)).toBe(true),
  );
  it.each([
    '1899-12-31',
    '2201-01-01',
    '2026-02-29',
    '2026-13-01',
    '0000-01-01',
    '26-12-24',
    '2026-12-24T10:00',
    '',
  ])('%s is none', (d) => expect(takes(IsoDate, d)).toBe(false));
  it.each([
    ['2026-12-24T10:00:00Z', '2026-12-24T10:00:00.000Z'],
    ['2026-12-24T10:00:00+01:00', '2026-12-24T09:00:00.000Z'],
    ['2026-12-31T23:30:00-02:00', '2027-01-01T01:30:00.000Z'],
  ])('%s is kept as %s', (written, kept) => expect(Instant.parse(written)).toBe(kept));
  it.each([
    '2026-12-24',
    '2026-12-24 10:00',
    '2026-12-24T10:00:00',
    '2026-12-24T25:00:00Z',
    '1890-01-01T00:00:00Z',
    'now',
  ])('%s is no moment', (t) => expect(takes(Instant, t)).toBe(false));
  it.each([0, 1, 2_000_000_000])('%d is a version', (n) => expect(takes(Version, n)).toBe(true));
  it.each([-1, 0.5, 3_000_000_000, '1'])('%s is none', (n) => expect(takes(Version, n)).toBe(false));
});
