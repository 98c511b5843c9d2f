import { describe, expect, it } from 'vitest';
import { clearUnlessChanged, emptyForm } from './clear-unless-changed.ts';
import { keepTogether } from './keepTogether.ts';
import { parsedHint } from './parsed-hint.ts';
import { problemOf } from './problem-of.ts';

describe('text', () => {
  it('keeps a whole, its fraction and its unit on one line', () => {
    expect(keepTogether('marked 7 1⁄8 in.')).toBe('marked 7\u00a01⁄8\u00a0in.');
    expect(keepTogether('34 9⁄16 in apart')).toBe('34\u00a09⁄16\u00a0in apart');
    expect(keepTogether('2.5 cm at the waist in wool')).toBe('2.5\u00a0cm at the waist in wool');
    expect(keepTogether('12 inches')).toBe('12 inches');
    expect(keepTogether('2 h 30 at the bench, 45 min free')).toBe(
      '2\u00a0h\u00a030 at the bench, 45\u00a0min free',
    );
  });
});

describe('a failed call', () => {
  it('is told in the server’s own sentence, or as a server that is away', () => {
    const problem = { type: '/problems/x', title: 'x', status: 422, code: 'x', detail: 'Say why.' };
    expect(problemOf({ status: 422, data: problem })).toEqual(problem);
    for (const silence of [{ status: 'FETCH_ERROR', error: 'x' }, { status: 502, data: '<html>' }, undefined])
      expect(problemOf(silence)).toMatchObject({
        code: 'away',
        detail: expect.stringContaining('still here'),
      });
  });
});

describe('a length field', () => {
  it('says what it understood when that is not plainly what stands in it', () => {
    expect(parsedHint('72', 'cm')).toMatch(/^72 cm/);
    expect(parsedHint('72 cm', 'cm')).toBe('');
    expect(parsedHint('28 1/2', 'in')).toMatch(/^28 1⁄2 in .*72\.39? cm/);
    expect(parsedHint('3/4 in', 'in')).toBe('');
  });
  it('beside a unit that stands in the field says nothing of a figure in it, and of another in the field’s own', () => {
    expect(parsedHint('28 1/2', 'in', true)).toBe('');
    expect(parsedHint('72', 'cm', true)).toBe('');
    expect(parsedHint('72 cm', 'in', true)).toBe('72 cm ≈ 28 3⁄8 in');
    expect(parsedHint('620 mm', 'cm', true)).toBe('620 mm = 62 cm');
    expect(parsedHint('72cm', 'in', true)).toBe('72 cm ≈ 28 3⁄8 in');
    expect(parsedHint('28.5', 'in', true)).toBe('');
    expect(parsedHint('72,5', 'cm', true)).toBe('72.5 cm');
  });
  it('keeps silent while there is nothing, or nothing readable, in it', () => {
    for (const text of [null, undefined, '', '  ', 'about', '72 c', '-3 cm'])
      expect(parsedHint(text, 'cm')).toBe('');
  });
});

describe('a form whose answer comes late', () => {
  it('empties what was sent and leaves what a hand has written since', () => {
    expect(clearUnlessChanged('lace', '')('lace')).toBe('');
    expect(clearUnlessChanged('lace', '')('e.g. lace for the hem')).toBe('e.g. lace for the hem');
    expect(clearUnlessChanged('lace', '')('')).toBe('');
    const sent = { waist: '72' };
    expect(clearUnlessChanged<object>(sent, {})(sent)).toEqual({});
    expect(clearUnlessChanged<object>(sent, {})({ ...sent, hip: '99' })).toEqual({ waist: '72', hip: '99' });
  });
  it('field by field, whatever they hold', () => {
    const form = (now: Record<string, unknown>) => {
      const reset: unknown[] = [];
      emptyForm(
        {
          getFieldValue: (name: string) => now[name],
          resetFields: (names?: unknown[]) => void reset.push(...(names ?? ['all of them'])),
        } as never,
        { name: 'Blue room', goodFor: ['fitting', 'bridal'], note: undefined },
      );
      return reset;
    };
    expect(form({ name: 'Blue room', goodFor: ['fitting', 'bridal'] })).toEqual(['name', 'goodFor', 'note']);
    expect(form({ name: 'Re', goodFor: ['fitting', 'bridal'] })).toEqual(['goodFor', 'note']);
    expect(form({ name: 'Red room', goodFor: ['fitting'], note: 'up the stairs' })).toEqual([]);
  });
});
