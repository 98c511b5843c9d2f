import { SIGNS } from '@rocchetto/core/alter/index.ts';
import { describe, expect, it } from 'vitest';
import { benchMoved, HouseBench } from './bench-rules.ts';
import { heldBack } from './design.ts';

const bench = (more: object = {}) => HouseBench.parse({ version: 1, ...more });
const sign = (more: object = {}) => ({
  name: 'the yoke ripples',
  like: SIGNS[0]!.id,
  hidden: false,
  causes: [{ cause: 'fed unevenly', try: 'press', kind: null, direction: '' }],
  ...more,
});

describe('what a change of the bench figures moved', () => {
  it('is told kind by kind and sign by sign, and nothing where nothing moved', () => {
    expect(benchMoved(bench(), bench())).toEqual([]);
    expect(benchMoved(bench(), bench({ kinds: { zip: { minutes: 50, price: 45 } } }))).toEqual([
      'zip replaced: usual → 50 minutes',
      'zip replaced: price none → 45.00',
    ]);
    expect(benchMoved(bench({ kinds: { zip: { minutes: 50 } } }), bench())).toEqual([
      'zip replaced: 50 → usual minutes',
    ]);
  });
  it('a sign is added, worded anew, hidden, shown again, taken off', () => {
    const own = (s: object | null) => bench(s ? { signs: { 'own-yoke': { ...sign(), ...s } } } : {});
    expect(benchMoved(own(null), own({}))).toEqual(['sign “the yoke ripples” added']);
    expect(benchMoved(own({}), own({ name: 'ripples' }))).toEqual(['sign “ripples” edited']);
    expect(benchMoved(own({}), own({ hidden: true }))).toEqual(['sign “the yoke ripples” hidden']);
    expect(benchMoved(own({ hidden: true }), own({}))).toEqual(['sign “the yoke ripples” shown again']);
    expect(benchMoved(own({}), own(null))).toEqual(['sign “the yoke ripples” removed']);
  });
});

describe('what an open question holds back', () => {
  const q = (
    what: string,
    holds: 'nothing' | 'sheet' | 'cut' | 'hand-over',
    decision: string | null = null,
  ) => ({
    what,
    holds,
    decision,
  });
  it('is only what it says, and nothing once it is decided', () => {
    const all = [
      q('Slit or vent?', 'cut'),
      q('Which lining?', 'nothing'),
      q('A bow.', 'cut'),
      q('Hem?', 'sheet', 'long'),
    ];
    expect(heldBack(all, 'cut')).toBe('Not decided yet: Slit or vent; A bow. Decide it first.');
    expect(heldBack(all, 'sheet')).toBe('');
    expect(heldBack(all, 'hand-over')).toBe('');
  });
});
