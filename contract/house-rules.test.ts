import { DANGER_DAYS, DEFAULT_HOUSE, RULE_CELLS, RULE_TABLES, ruleWords } from '@rocchetto/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HouseRulesWire } from './brief.ts';
import { rulesMoved, rulesOf, textsOf } from './house-rules.ts';
import { toHouse, toLeads } from './to-core.ts';

/** Something each kind of cell would take, other than what is usual. */
const other = (path: string): string => {
  const cell = RULE_CELLS.get(path)!;
  if (cell.kind === 'choice') return cell.options!.map((o) => o.value).find((v) => v !== cell.usual)!;
  if (cell.kind === 'length')
    return (
      { hipDrop: '21 cm', 'shape.neckWidth': '14.5 cm', 'shape.forkForward': '0.6 cm' }[path] ?? '3.3 cm'
    );
  return path.endsWith('count') ? '2' : '33';
};
/** Every leaf of the schema, by walking what it would take: the tables must hold them all. */
const everything = Object.fromEntries([...RULE_CELLS.keys()].map((p) => [p, other(p)]));

describe('the tables of the house’s rules', () => {
  it('hold each place once, each with a name of its own', () => {
    const cells = RULE_TABLES.flatMap((t) => t.rows.flatMap((r) => r.cells));
    expect(new Set(cells.map((c) => c.path)).size).toBe(cells.length);
    expect(new Set(cells.map((c) => c.name)).size).toBe(cells.length);
    for (const t of RULE_TABLES) for (const r of t.rows) expect(r.cells.length).toBe(t.columns.length);
  });
  it('are taken by the schema wherever they write, and come back as they were written', () => {
    const rules = HouseRulesWire.parse(rulesOf(everything, 'cm'));
    expect(textsOf(rules)).toEqual(everything);
  });
  it('name every key that the schema has', () => {
    const top = new Set([...RULE_CELLS.keys()].map((p) => p.split('.')[0]));
    expect([...top].sort()).toEqual(Object.keys(HouseRulesWire.shape).sort());
  });
  it('tell as usual what core goes by without them', () => {
    const usual = toHouse({});
    expect(usual).toEqual(DEFAULT_HOUSE);
    const plain = Object.fromEntries(
      [...RULE_CELLS.values()]
        .filter((c) => c.usual !== 'by the rule' && c.usual !== '')
        .map((c) => [c.path, c.usual]),
    );
    // Written out in full and parsed, the usual figures are the very ones that hold without a word.
    expect(rulesOf(plain, 'cm')).toEqual({});
    for (const [path, text] of Object.entries(plain)) {
      const one = HouseRulesWire.parse(
        path
          .split('.')
          .reduceRight<unknown>(
            (inner, key) => ({ [key]: inner }),
            path === 'rounding'
              ? DEFAULT_HOUSE.rounding
              : RULE_CELLS.get(path)!.kind === 'number'
                ? Number(text)
                : text,
          ),
      );
      const [own, lead] = [toHouse(one), toLeads(one)];
      if (path.startsWith('ease.') || path.startsWith('allowances.')) continue;
      expect(own, path).toEqual(DEFAULT_HOUSE);
      expect(lead, path).toEqual(DANGER_DAYS);
    }
  });
  it('leave what is empty or usual to the table, in any mixture', () => {
    const texts = fc.uniqueArray(fc.constantFrom(...RULE_CELLS.keys()), { maxLength: 12 });
    fc.assert(
      fc.property(texts, texts, (own, usual) => {
        const mixed = Object.fromEntries([
          ...usual.map((p) => [p, RULE_CELLS.get(p)!.usual]),
          ...own.map((p) => [p, everything[p]!]),
        ]);
        expect(new Set(Object.keys(textsOf(rulesOf(mixed, 'cm') as HouseRulesWire)))).toEqual(new Set(own));
      }),
    );
  });
});

describe('a change of the rules', () => {
  it.each([
    ['ease.hip.fitted', '7', '7 cm'],
    ['ease.hip.fitted', ' 2 3/4 in', '2 3/4 in'],
    ['balance.waist', '-0.5', '-0.5 cm'],
  ])('%s written as %j is %s', (path, text, kept) =>
    expect(textsOf(HouseRulesWire.parse(rulesOf({ [path]: text }, 'cm')))[path]).toBe(kept),
  );
  it.each([
    ['ease.hip.fitted', 'seven', /seven/],
    ['ease.hip.fitted', '200', /between 0 and 60/],
    ['ages.close', 'soon', /whole number/],
    ['ages.close', '2.5', /whole number/],
    ['leads.asked', '4000', /at most 400/],
    ['darts.front.count', '2', /both the number/],
    ['hipDrop', '3 cm', /between 10 and 35/],
  ])('%s as %j is refused in words', (path, text, says) => {
    const read = HouseRulesWire.safeParse(rulesOf({ [path]: text }, 'cm'));
    expect(read.error!.issues.map((i) => i.message).join(' ')).toMatch(says);
  });
  it('is told place by place, with what was usual before', () => {
    const moved = rulesMoved(
      { ease: { hip: { fitted: '6 cm' } }, ages: { close: 21 } },
      { ages: { close: 28 }, rounding: { unit: 'in', step: 0.125, mode: 'nearest' } },
      'cm',
    );
    expect(moved.map(({ name, from, to }) => [name, from, to])).toEqual([
      ['wearing ease, hip, fitted', '6 cm', '5 cm'],
      ['rounding, marked figures', 'nearest 0.5 cm', 'nearest 1⁄8 in'],
      ['age of measurements, for a close garment', '21 days', '28 days'],
    ]);
    expect(rulesMoved({}, { balance: { bust: '0 cm', waist: '0 cm', hip: '0 cm' } }, 'cm')).toEqual([]);
  });
  it('reads a bare figure in the studio’s unit, and prints what is usual in it', () => {
    const hip = RULE_CELLS.get('ease.hip.fitted')!;
    expect(rulesOf({ 'ease.hip.fitted': '2 1/2' }, 'in')).toEqual({ ease: { hip: { fitted: '2 1/2 in' } } });
    expect(ruleWords(hip, hip.usual, 'in')).toBe('2 in');
    expect(ruleWords(hip, '6.5 cm', 'in')).toBe('6.5 cm');
    expect(ruleWords(RULE_CELLS.get('band')!, 'eased', 'in')).toBe(
      'as the finished waist, up to 3⁄8 in eased on',
    );
  });
  it('prints numbers with what they count, and choices as their words', () => {
    expect(ruleWords(RULE_CELLS.get('shape.slope')!, '22', 'cm')).toBe('22 degrees');
    expect(ruleWords(RULE_CELLS.get('zips')!, 'in', 'cm')).toBe('in inches');
    expect(ruleWords(RULE_CELLS.get('darts.back.count')!, '2', 'cm')).toBe('2');
  });
});
