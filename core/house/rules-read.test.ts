import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { toSheetInput } from '@rocchetto/contract/to-core.ts';
import { describe, expect, it } from 'vitest';
import type { HouseRules } from '../garment/input.ts';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { GARMENTS } from '../index.ts';
import { computeSheet } from '../sheet/compute.ts';
import { cm } from '../units/length.ts';
import { readsAny, rulesDiffer, watchedRules } from './rules-read.ts';

describe('rules that are watched', () => {
  const RULES = { step: 0.5, ease: { hip: { fitted: 5 }, waist: {} as { fitted?: number } }, list: [1, 2] };
  const reads = (look: (of: typeof RULES) => unknown) => {
    const { rules, read } = watchedRules(RULES);
    look(rules);
    return [...read];
  };
  it('are written down as they are read, deep, and where there is none', () => {
    expect(reads((r) => r.step)).toEqual(['step']);
    expect(reads((r) => r.ease.hip.fitted)).toEqual(['ease.hip.fitted']);
    expect(reads((r) => r.ease.waist.fitted)).toEqual(['ease.waist.fitted']);
    expect(reads((r) => r.list.map((n) => n))).toContain('list.1');
    // A table that is only taken into the hand says nothing yet.
    expect(reads((r) => r.ease.hip)).toEqual([]);
    expect(reads((r) => Object.keys(r.ease))).toEqual(['ease.*']);
    expect(reads((r) => 'linen' in r.ease)).toEqual(['ease.linen']);
    expect(reads((r) => ({ ...r.ease.hip }))).toEqual(['ease.hip.*', 'ease.hip.fitted']);
  });
  it('cannot be changed by whoever has them, and are the same table each time', () => {
    const { rules } = watchedRules(Object.freeze({ ...RULES }));
    expect(() => {
      (rules as { step: number }).step = 1;
    }).toThrow();
    expect(rules.ease).toBe(rules.ease);
    expect(RULES.step).toBe(0.5);
  });
  it('differ down to the figure, or where one has no table', () => {
    const other = { ...RULES, step: 1, ease: { hip: { fitted: 6 }, waist: {}, bust: { fitted: 1 } } };
    expect(rulesDiffer(RULES, other)).toEqual(['step', 'ease.hip.fitted', 'ease.bust']);
    expect(rulesDiffer(RULES, structuredClone(RULES))).toEqual([]);
  });
  it('matter where one of those that were read differs, above it or below it, or a name was listed', () => {
    const read = new Set(['ease.hip.fitted', 'shape.*']);
    expect(readsAny(read, ['ease.hip.fitted'])).toBe(true);
    expect(readsAny(read, ['ease.hip'])).toBe(true);
    expect(readsAny(read, ['ease.hip.fitted.more'])).toBe(true);
    expect(readsAny(read, ['shape.slope'])).toBe(true);
    expect(readsAny(read, ['ease.hip.loose', 'ease.hipster', 'step'])).toBe(false);
    expect(readsAny(read, [])).toBe(false);
  });
});

/** Every single figure of the rules moved by itself. */
const MOVES: Readonly<Record<string, (h: HouseRules) => HouseRules>> = {
  rounding: (h) => ({ ...h, rounding: { unit: 'cm', step: 0.1, mode: 'nearest' } as HouseRules['rounding'] }),
  pairing: (h) => ({ ...h, pairing: h.pairing === 'each' ? 'pair' : 'each' }),
  band: (h) => ({ ...h, band: h.band === 'marked' ? 'eased' : 'marked' }),
  zips: (h) => ({ ...h, zips: 'in' }),
  hipDrop: (h) => ({ ...h, hipDrop: cm(h.hipDrop + 1) }),
  'balance.hip': (h) => ({ ...h, balance: { ...h.balance, hip: cm(h.balance.hip + 0.5) } }),
  'balance.bust': (h) => ({ ...h, balance: { ...h.balance, bust: cm(h.balance.bust + 0.5) } }),
  'ease.hip': (h) => ({ ...h, ease: { ...h.ease, hip: { fitted: cm(9) } } }),
  'ease.bust': (h) => ({ ...h, ease: { ...h.ease, bust: { fitted: cm(9) } } }),
  'ease.waist, loose': (h) => ({ ...h, ease: { ...h.ease, waist: { loose: cm(20) } } }),
  'allowances.side': (h) => ({ ...h, allowances: { ...h.allowances, side: cm(3.5) } }),
  'allowances.hem': (h) => ({ ...h, allowances: { ...h.allowances, hem: cm(7) } }),
  'darts.front': (h) => ({ ...h, darts: { ...h.darts, front: { count: 2, intake: cm(1.5) } } }),
  'ages.close': (h) => ({ ...h, ages: { ...h.ages, close: 1 } }),
  ...Object.fromEntries(
    (['sideRise', 'backDrop', 'centreIn', 'slope', 'neckWidth', 'forkForward'] as const).map((k) => [
      `shape.${k}`,
      (h: HouseRules): HouseRules => ({ ...h, shape: { ...h.shape, [k]: h.shape[k] + 0.5 } }),
    ]),
  ),
};

describe('a sheet that read none of what differs is the same by the other rules', () => {
  const body = asLines(randomBody(seeded(30)));
  it.each(GARMENTS.map((g) => g.id))('%s', (id) => {
    const input = toSheetInput(garmentSpec(id, body));
    const { rules, read } = watchedRules(input.house);
    const watched = computeSheet({ ...input, house: rules });
    const told = ({ figures, pieces, notions, checks, panels, left }: typeof watched) =>
      JSON.stringify({ figures, pieces, notions, checks, panels, left });
    // Watching changes nothing.
    expect(told(watched)).toBe(told(computeSheet(input)));
    const spared: string[] = [];
    for (const [name, move] of Object.entries(MOVES)) {
      const other = move(input.house);
      if (readsAny(read, rulesDiffer(input.house, other))) continue;
      spared.push(name);
      expect(told(computeSheet({ ...input, house: other })), name).toBe(told(watched));
    }
    expect(spared.length, 'something is spared').toBeGreaterThan(0);
    expect(spared).not.toContain('rounding');
  });
});
