import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Step } from '../plan/chain.ts';
import { benchStep } from '../plan/testing.ts';
import { cm } from '../units/length.ts';
import { type EstimateGround, estimateOf, NO_CHOICES } from './estimate.ts';
import { movedBetween } from './moved.ts';
import { NO_RATES } from './rates.ts';
import { boughtAs, clothCost } from './sold.ts';

const step = (id: string, minutes: number, ...hands: Step['hands'][number][]): Step =>
  benchStep(id, minutes, { hands });
const ground = (more: Partial<EstimateGround> = {}): EstimateGround => ({
  steps: [step('cut', 65, ['tailoring', 'fitting']), step('fitting-1', 90, ['bridal'], ['fitting'])],
  drafted: true,
  cloths: ['cloth', 'lining'],
  notions: [
    { name: 'cloth', length: cm(265), bought: 'cm', note: 'pieces in rows' },
    { name: 'lining', length: cm(120), bought: 'cm', note: 'as laid, “one”' },
    { name: 'zip', length: cm(35), bought: 'cm', note: 'centre back' },
    { name: 'bones, side seams', length: cm(17.5), count: 2, note: '2 of this length' },
    { name: 'bone channels', length: cm(41), note: '' },
    { name: 'buttons in loops', length: null, note: 'along the opening' },
    { name: 'needle', length: null, note: '80' },
  ],
  unit: 'cm',
  rates: {
    hour: { tailoring: 38, fitting: 48, bridal: 52 },
    notions: { zip: 7.5, bone: 1.4, channel: 2.2, button: 1 },
    share: { work: 20, goods: 12 },
    deposit: 40,
    step: 5,
  },
  ...more,
});
const priced = {
  ...NO_CHOICES,
  cloths: [{ name: 'cloth', price: 46, quantity: null, theirs: false }],
} as const;

describe('an estimate', () => {
  // Reckoned by hand, as a workroom does (hours by rate, cloth by the metre, notions, a share on each; common practice, no source).
  it('is what a hand reckons', () => {
    const e = estimateOf(ground(), priced);
    // 65 ÷ 60 × 38 = 41.1666; one and a half hours of two hands, 52 + 48: 150.
    expect(e.lines.filter((l) => l.part === 'work').map((l) => l.amount)).toEqual([41.17, 150]);
    // 2.65 × 46 = 121.90; the lining has no price.
    expect(e.lines.filter((l) => l.part === 'cloth').map((l) => l.amount)).toEqual([121.9, null]);
    // 7.50 + 2 × 1.40 + 0.41 × 2.20 = 0.902, and buttons nobody can count.
    expect(e.lines.filter((l) => l.part === 'notions').map((l) => l.amount)).toEqual([7.5, 2.8, 0.9, null]);
    // 191.17 and a fifth: 229.40; 121.90 and 12 %: 136.53; 11.20 and 12 %: 12.54. In all 378.47, up to 380; 40 %: 152, up to 155.
    expect(e.sums.map((s) => s.amount)).toEqual([229.4, 136.53, 12.54]);
    expect([e.total, e.asked, e.deposit, e.balance]).toEqual([378.47, 380, 155, 225]);
    expect(e.moved).toEqual({ by: 1.53, how: 'rounded' });
    expect(e.minutes).toBe(65 + 2 * 90);
  });
  it('says what is not in it', () => {
    const { leaves } = estimateOf(ground({ rates: NO_RATES }), {
      ...NO_CHOICES,
      cloths: [{ name: 'lining', price: null, quantity: null, theirs: true }],
    });
    expect(leaves.slice(0, 6)).toEqual([
      'No rate is set for tailoring, bridal and fitting: 4 h 5 are not in it (cut and fitting-1).',
      'The client brings the lining, 1.2 m.',
      'The cloth has no price yet: 2.65 m are not in it.',
      'How many it takes is not known: buttons in loops.',
      'These have no price yet: zip, bones, side seams and bone channels.',
      'Cloth: reckoned in rows; laid out it may take less.',
    ]);
    expect(estimateOf(ground({ rates: NO_RATES }), NO_CHOICES).asked).toBeNull();
    expect(estimateOf(ground({ drafted: false, notions: [] }), NO_CHOICES).leaves[0]).toMatch(
      /plain lined skirt/,
    );
  });
  it('takes what a hand wrote: prices, numbers, lines, the price itself', () => {
    const e = estimateOf(ground(), {
      ...priced,
      notions: [{ name: 'buttons in loops', price: 2.5, quantity: 12 }],
      more: [{ name: 'beads', amount: 65.5 }],
      asked: 500,
      deposit: 600,
    });
    expect(e.lines.find((l) => l.name === 'buttons in loops')?.amount).toBe(30);
    expect([e.asked, e.deposit, e.balance]).toEqual([500, 500, 0]);
    expect(e.moved).toEqual({ by: Math.round(50000 - e.total! * 100) / 100, how: 'set' });
  });
  it('buys by the yard where cloth is sold in inches', () => {
    const notions = [{ name: 'cloth', length: cm(2.875 * 91.44), bought: 'in' as const, note: 'in rows' }];
    const e = estimateOf(ground({ notions, cloths: ['cloth'], unit: 'in' }), { ...priced });
    const [cloth] = e.lines.filter((l) => l.part === 'cloth');
    expect([cloth!.quantity, cloth!.of, cloth!.amount]).toEqual(['2 7⁄8 yd', 'yard', 132.25]);
  });
  it('says so where the sheet cannot tell how much cloth it takes, and takes what a hand says', () => {
    const none = ground({ notions: [], cloths: ['cloth', 'interfacing'] });
    expect(estimateOf(none, priced).leaves.slice(0, 2)).toEqual([
      'How much cloth it takes is not known yet: it is not in it.',
      'How much interfacing it takes is not known yet: it is not in it.',
    ]);
    // In a house of inches whose sheets are in centimetres, all of it is bought by the metre.
    const mixed = estimateOf(ground({ cloths: ['cloth', 'interfacing'], unit: 'in' }), priced);
    expect(mixed.lines.filter((l) => l.part === 'cloth').map((l) => l.of)).toEqual(['metre', 'metre']);
    const said = estimateOf(none, { ...NO_CHOICES, cloths: [{ ...priced.cloths[0], quantity: 3 }] });
    expect(said.lines.find((l) => l.name === 'cloth')).toMatchObject({ quantity: '3 m', amount: 138 });
    // Cloth that is written by hand is not called reckoned in rows.
    const over = estimateOf(ground(), { ...NO_CHOICES, cloths: [{ ...priced.cloths[0], quantity: 3 }] });
    expect(over.leaves.filter((l) => l.includes('in rows'))).toEqual([]);
  });
  it('costs at the table what it costs in the estimate', () => {
    for (const needed of [261, 264.99, 265]) {
      expect(clothCost(cm(needed), 'cm', 46)).toBe(121.9);
      expect(estimateOf(ground(), priced).lines.find((l) => l.name === 'cloth')!.amount).toBe(121.9);
    }
    // 2.75 yards are bought up to an eighth: 2 7⁄8 at 46 are 132.25.
    expect(clothCost(cm(2.76 * 91.44), 'in', 46)).toBe(132.25);
  });
  it('counts notions as they are sold', () => {
    const as = (name: string, more: object = {}) =>
      boughtAs({ name, length: cm(50), note: '', ...more }, 'cm');
    expect(as('needle')).toBeNull();
    expect(as('cloth')).toBeNull();
    expect(as('12 buttons', { count: 12 })).toEqual({ as: 'button', quantity: 12 });
    expect(as('elastic for the waist')).toEqual({ as: 'elastic', quantity: 0.5 });
    expect(as('something new')).toEqual({ as: 'other', quantity: 1 });
    expect(as('lacing cord', { length: null })).toEqual({ as: 'cord', quantity: null });
  });
});

const money = fc.integer({ min: 0, max: 90_000 }).map((n) => n / 100);
const hundred = (n: number) => BigInt(Math.round(n * 100));

describe('whatever it is reckoned with', () => {
  it('its lines add up to the hundredth, and its price is deposit and balance', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 3000 }), money), { maxLength: 12 }),
        fc.record({ work: fc.integer({ min: 0, max: 200 }), goods: fc.integer({ min: 0, max: 200 }) }),
        fc.integer({ min: 0, max: 100 }),
        fc.constantFrom(0, 0.05, 1, 5, 10),
        fc.array(money, { maxLength: 4 }),
        (work, share, deposit, by, more) => {
          const [tailoring] = work.map(([, rate]) => rate);
          const e = estimateOf(
            ground({
              steps: work.map(([minutes], i) => step(`s${i}`, minutes, ['tailoring'])),
              rates: {
                hour: tailoring === undefined ? {} : { tailoring },
                notions: { zip: 3.33 },
                share,
                deposit,
                step: by,
              },
            }),
            { ...priced, more: more.map((amount, i) => ({ name: `m${i}`, amount })) },
          );
          // By other code: whole hundredths throughout, halves up.
          const half = (top: bigint, below: bigint) => (2n * top + below) / (2n * below);
          const rows = (part: string) => e.lines.filter((l) => l.part === part && l.amount !== null);
          for (const l of rows('work'))
            expect(hundred(l.amount!)).toBe(half(BigInt(l.minutes!) * hundred(l.rate!), 60n));
          let all = 0n;
          for (const part of ['work', 'cloth', 'notions', 'more'] as const) {
            const bare = rows(part).reduce((sum, l) => sum + hundred(l.amount!), 0n);
            const percent = part === 'work' ? share.work : part === 'more' ? 0 : share.goods;
            const sum = bare + half(bare * BigInt(percent), 100n);
            expect(hundred(e.sums.find((s) => s.part === part)?.amount ?? 0)).toBe(sum);
            all += sum;
          }
          expect(hundred(e.total ?? 0)).toBe(all);
          if (e.asked === null) return;
          expect(hundred(e.asked)).toBeGreaterThanOrEqual(all);
          if (by > 0) {
            expect(hundred(e.asked) % hundred(by)).toBe(0n);
            expect(hundred(e.asked) - all).toBeLessThan(hundred(by));
          }
          expect(hundred(e.deposit!) + hundred(e.balance!)).toBe(hundred(e.asked));
        },
      ),
      { numRuns: 500 },
    );
  });
  it('tells what moved, and nothing where nothing did', () => {
    const a = estimateOf(ground(), priced);
    expect(movedBetween(a, a)).toEqual([]);
    const b = estimateOf(ground({ steps: [step('cut', 125, ['tailoring'])] }), priced);
    expect(movedBetween(a, b)).toEqual([
      { name: 'cut', before: 41.17, after: 79.17 },
      { name: 'fitting-1', before: 150, after: null },
      { name: 'price', before: 380, after: b.asked },
    ]);
  });
});
