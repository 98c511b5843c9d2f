import { describe, expect, it } from 'vitest';
import { KINDS } from '../diary/kinds.ts';
import { chance } from '../units/chance.ts';
import { chainOf, type Step, usualChoices } from './chain.ts';
import { chanceOf, chanceWords } from './chance.ts';
import { type Case, drawFrom, ENOUGH, pastOf, quantile, workStepOf } from './past.ts';
import { dayOf, forwards, type PlanBook } from './schedule.ts';
import { benchStep, inventedStudio, plainOrder } from './testing.ts';
import { USUAL_TIMES, type WorkStep } from './times.ts';

/** A normal number by the polar way of Box and Muller (from memory). */
function normal(rnd: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - rnd())) * Math.cos(2 * Math.PI * rnd());
}
/** The normal distribution: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.2.17 (from memory; error under 1e-7). */
function phi(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const d = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
  const p =
    d * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - p : p;
}

const DAYS = 60;
/** One hand who works day and night: what is done when is then a sum and nothing else. */
const endless: PlanBook = {
  staff: [
    { id: 1, name: 'One', skills: ['tailoring', 'fitting'], works: [{ from: 0, to: DAYS * 1440 }], busy: [] },
  ],
  rooms: [],
  client: [],
  rooming: new Map(),
  days: Array.from({ length: DAYS }, (_, d) => ({
    day: `d${String(d).padStart(2, '0')}`,
    from: d * 1440,
    to: (d + 1) * 1440,
  })),
  now: 0,
};
const work = (id: WorkStep, minutes: number): Step => benchStep(id, minutes, { work: id });

describe('how sure a promise is', () => {
  it('agrees with the sum of normals within 2 %', () => {
    const chain = [work('draft', 3000), work('cut', 5000), work('sew', 9000), work('hem', 4000)];
    const spread: Partial<Record<WorkStep, number>> = { draft: 0.2, cut: 0.15, sew: 0.25, hem: 0.3 };
    const draw = (step: WorkStep, rnd: () => number) => 1 + spread[step]! * normal(rnd);
    const mean = chain.reduce((sum, s) => sum + s.minutes, 0);
    const sd = Math.sqrt(chain.reduce((sum, s) => sum + (s.minutes * spread[s.work!]!) ** 2, 0));
    for (const day of [12, 13, 14, 15, 16, 17]) {
      const by = (day + 1) * 1440;
      const said = chanceOf(endless, chain, endless.days[day]!.day, draw, { runs: 6000, seed: day });
      expect(Math.abs(said - phi((by - mean) / sd))).toBeLessThan(0.02);
    }
  });

  it('keeps of promises said “8 in 10” 75 to 85 %, over invented studios whose spread is known', () => {
    const ground = inventedStudio(3, 160);
    const order = plainOrder({
      work: {
        hangs: false,
        counts: { ...plainOrder().work!.counts, panel: 30, piece: 60, dart: 20, lining: 40 },
      },
    });
    const chain = chainOf(order, usualChoices(order.work), USUAL_TIMES, KINDS);
    const steps: WorkStep[] = ['draft', 'cut', 'baste', 'changes', 'sew', 'hem', 'finish'];
    let [promised, kept] = [0, 0];
    for (let studio = 0; studio < 60; studio++) {
      const rnd = chance(studio * 977 + 5);
      // Factors as work really has them: never below nothing, a long tail upwards.
      const truth = new Map(steps.map((s) => [s, { middle: 0.8 + rnd() * 0.9, wide: 0.15 + rnd() * 0.35 }]));
      const real = (s: WorkStep, r: () => number) => {
        const t = truth.get(s);
        return t ? t.middle * Math.exp(t.wide * normal(r)) : 1;
      };
      const cases: Case[] = steps.flatMap((step) =>
        Array.from({ length: 12 + Math.floor(rnd() * 30) }, () => ({
          step,
          given: 100,
          took: 100 * real(step, rnd),
        })),
      );
      const draw = drawFrom(pastOf(cases));
      for (const { day } of ground.book.days.slice(8, 60)) {
        const said = chanceOf(ground.book, chain, day, draw, { runs: 120, seed: studio + 1 });
        // Later days are only surer.
        if (said > 0.9) break;
        if (chanceWords(said) !== '8 in 10') continue;
        for (let i = 0; i < 12; i++) {
          const early = forwards(
            ground.book,
            chain.map((s) => (s.work ? { ...s, minutes: Math.round(s.minutes * real(s.work, rnd)) } : s)),
          );
          promised++;
          if (early.every((e) => e.stuck === null) && dayOf(ground.book, early.at(-1)!.at!.end - 1) <= day)
            kept++;
        }
      }
    }
    process.stdout.write(
      `of ${promised} promises said “8 in 10” ${((100 * kept) / promised).toFixed(1)} % were kept\n`,
    );
    expect(promised).toBeGreaterThan(300);
    expect(kept / promised).toBeGreaterThan(0.75);
    expect(kept / promised).toBeLessThan(0.85);
  }, 120_000);

  it('says nothing of a step with fewer than eight cases, and gives the same answer to the same question', () => {
    const cases = (n: number): Case[] =>
      Array.from({ length: n }, (_, i) => ({ step: 'sew', given: 60, took: 60 + 6 * i }));
    expect(pastOf(cases(ENOUGH - 1))).toEqual([]);
    const [past] = pastOf(cases(11));
    // 1, 1.1, … 2: the middle is 1.5, eight in ten lie from 1.1 to 1.9.
    expect([past!.cases, past!.median, past!.low, past!.high].map((n) => Math.round(n * 100) / 100)).toEqual([
      11, 1.5, 1.1, 1.9,
    ]);
    expect(quantile([1, 2], 0.5)).toBe(1.5);
    const chain = [work('sew', 9000)];
    const ask = () => chanceOf(endless, chain, 'd09', drawFrom(pastOf(cases(11))), { seed: 3 });
    expect(ask()).toBe(ask());
    expect(chanceOf(endless, chain, 'd09', drawFrom([]))).toBe(1);
    expect([chanceWords(1), chanceWords(0.76), chanceWords(0)]).toEqual([
      'more than 9 in 10',
      '8 in 10',
      'less than 1 in 10',
    ]);
    expect([workStepOf('changes-2'), workStepOf('sew'), workStepOf('own-1')]).toEqual([
      'changes',
      'sew',
      null,
    ]);
  });
});
