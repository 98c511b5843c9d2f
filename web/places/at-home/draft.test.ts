import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY, type HomeDraft, keepDraft, keptDraft, open, saidOf } from './draft.ts';

const KEY = 'abcdefghijkl-the-rest-is-secret';
let rows: Map<string, string>;
beforeEach(() => {
  rows = new Map();
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => rows.get(k) ?? null,
    setItem: (k: string, v: string) => rows.set(k, v),
    removeItem: (k: string) => rows.delete(k),
  });
});
afterEach(() => vi.unstubAllGlobals());

const line = (id: string, text: string, stands = false) => ({ [id]: { id, text, finger: false, stands } });
const draft = (more: Partial<HomeDraft>): HomeDraft => ({ ...EMPTY, ...more });

describe('what a client fills in at home', () => {
  it('outlives a reload, by the address it belongs to, and its place does not spell the address', () => {
    const mine = draft({ unit: 'in', helper: 'a sister', lines: line('waist', '27 1/2') });
    keepDraft(KEY, mine);
    expect(keptDraft(KEY)).toEqual(mine);
    expect(keptDraft('another-address-entirely')).toEqual(EMPTY);
    expect([...rows.keys()].join()).not.toContain('secret');
    keepDraft(KEY, null);
    expect(keptDraft(KEY)).toEqual(EMPTY);
  });

  it('begins anew where the browser keeps nothing, or what it kept is no draft', () => {
    rows.set(`at-home ${KEY.slice(0, 12)}`, '{"unit":');
    expect(keptDraft(KEY)).toEqual(EMPTY);
    vi.stubGlobal('sessionStorage', {
      getItem: () => {
        throw new Error('private window');
      },
      setItem: () => {
        throw new Error('private window');
      },
    });
    expect(keptDraft(KEY)).toEqual(EMPTY);
    expect(() => keepDraft(KEY, draft({ words: 'kept nowhere' }))).not.toThrow();
  });
});

describe('a figure typed at home', () => {
  it('is let be while it is empty or likely', () => {
    expect(saidOf('waist', '', 'cm')).toBeNull();
    expect(saidOf('waist', '  ', 'cm')).toBeNull();
    expect(saidOf('waist', '72', 'cm')).toBeNull();
    expect(saidOf('waist', '28 1/4', 'in')).toBeNull();
    expect(saidOf('no-such-measure', '72', 'cm')).toBeNull();
  });

  it('cannot be sent when it is no length', () => {
    for (const text of ['wide', '-70', '0', '70 80', '1/0'])
      expect(saidOf('waist', text, 'cm')).toMatchObject({ hard: true });
    expect(saidOf('waist', 'wide', 'cm')!.sentence).toMatch(/[.?]$/);
  });

  it('is asked about when it is unlikely, in the client’s unit, and may stand', () => {
    const inches = saidOf('waist', '28', 'cm')!;
    expect(inches.hard).toBe(false);
    expect(inches.sentence).toContain('inches');
    const far = saidOf('waist', '100', 'in')!;
    expect(far.hard).toBe(false);
    expect(far.sentence).toContain('100 in');
  });

  it('keeps the page from being sent until it was looked at again; a wrong one always', () => {
    const all = ['waist', 'hip', 'bust', 'waist-to-hip'];
    const lines = { ...line('waist', '28'), ...line('hip', '98'), ...line('bust', 'ninety') };
    expect(open(draft({ lines }), all)).toEqual(['waist', 'bust']);
    const looked = { ...lines, ...line('waist', '28', true), ...line('bust', 'ninety', true) };
    expect(open(draft({ lines: looked }), all)).toEqual(['bust']);
    expect(open(draft({ lines: line('waist', '28'), unit: 'in' }), all)).toEqual([]);
    // What is not asked for is not judged.
    expect(open(draft({ lines: line('thigh', 'x') }), all)).toEqual([]);
  });
});
