import { describe, expect, it } from 'vitest';
import { dayAfter } from '../dates/day-after.ts';
import { common, without } from '../diary/spans.ts';
import type { Span } from '../diary/zoned.ts';
import { seeded } from '../garment/testing.ts';
import type { PlanGround } from './answer.ts';
import { type OrderAtWork, type Step, usualChoices } from './chain.ts';
import { leastChanges, loosened } from './mend.ts';
import { asAmong, benchStep, FIRST, inventedStudio, plainOrder } from './testing.ts';
import { type AmongOthers, brokenBy, planTogether, type Together } from './together.ts';
import { PLAIN_WORK } from './work.ts';

const day = (n: number) => dayAfter(FIRST, n);

/** An order with what is booked and given of it, and the minutes that were given. */
interface Raw {
  readonly id: number;
  readonly order: OrderAtWork;
  readonly client: readonly Span[];
  readonly minutes: number;
}
/** A studio in which that is kept: by other code than the plan's, every item taken out of a bare one. */
function kept(bare: PlanGround, raw: readonly Raw[]): PlanGround {
  const staff = bare.book.staff.map((h) => {
    const booked = raw.flatMap((r) =>
      r.order.booked
        .filter((b) => b.staff.includes(h.id))
        .map((b) => ({ from: b.start, to: b.end + bare.book.rooming.get(b.kind)!.buffer })),
    );
    const busy = booked.sort((a, b) => a.from - b.from);
    let works = without(without(h.works, [{ from: 0, to: bare.book.now }]), busy);
    for (const r of raw)
      for (const g of r.order.given) {
        if (g.staffId !== h.id) continue;
        const on = bare.book.days.find((d) => d.day === g.day)!;
        // The last of the day, minute by minute from the back.
        let left = r.minutes;
        for (const s of common(works, [on]).reverse()) {
          const take = Math.min(left, s.to - s.from);
          works = without(works, [{ from: s.to - take, to: s.to }]);
          left -= take;
        }
      }
    return { ...h, works, busy };
  });
  return { ...bare, book: { ...bare.book, staff } };
}
const amongAll = (raw: readonly Raw[]) => raw.map((r) => asAmong(r.id, r.order, r.client));

describe('the least that mends a late order', () => {
  it('says whom it would help to be served first, where that harms no other; and whom it did not try', () => {
    let helped = 0;
    for (const seed of [1, 2, 3, 4, 5, 6, 7, 8]) {
      const rnd = seeded(seed);
      const ground = inventedStudio(1 + (seed % 2));
      // Worn soon, each with as much work as may be, and clients who are away for six days.
      const all = Array.from({ length: 14 }, (_, i) => {
        const away = Math.floor(rnd() * 30) * 1440;
        const work = { ...PLAIN_WORK, counts: { ...PLAIN_WORK.counts, panel: 3 + Math.floor(rnd() * 20) } };
        const order = plainOrder({ wornOn: day(14 + Math.floor(rnd() * 25)), work });
        return asAmong(i + 1, order, without(ground.open, [{ from: away, to: away + 6 * 1440 }]));
      });
      const before = planTogether(ground, all);
      const late = before.held.filter((h) => h.answer.holds === 'no');
      const { mends, untried } = leastChanges(ground, all, before, () => true);
      const helps = mends.filter((m) => m.moves === null);
      expect(untried).toBe(0);
      expect(leastChanges(ground, all, before, () => false)).toEqual({
        mends: [],
        untried: late.length,
      });
      helped += helps.length;
      for (const { id, ready } of helps) {
        // By planning anew with its day of hand-over brought before all others: it is in time, and all that held still hold.
        const first = all.map((o) =>
          o.id === id ? { ...o, last: { ...o.last, handOver: dayAfter(FIRST, 1) } } : o,
        );
        const after = new Map(planTogether(ground, first, 0).held.map((h) => [h.id, h.answer]));
        const was = before.held.find((h) => h.id === id)!;
        expect(was.answer.holds).toBe('no');
        expect(after.get(id)!.ready).toBe(ready);
        expect(ready <= was.last.handOver!).toBe(true);
        for (const h of before.held)
          if (h.answer.holds === 'yes') expect([h.id, after.get(h.id)!.holds]).toEqual([h.id, 'yes']);
      }
    }
    expect(helped).toBeGreaterThan(0);
  });

  it('is work of another order before an appointment of another client; what it says is so in a studio built without it', () => {
    let found = 0;
    for (let seed = 1; seed <= 120; seed++) {
      const rnd = seeded(seed);
      const studio = inventedStudio(1, 60);
      // One pair of hands at the bench.
      const bare = {
        ...studio,
        book: { ...studio.book, staff: studio.book.staff.filter((h) => h.name !== 'Fitter Two') },
      };
      const bench = bare.book.staff.filter((h) => h.skills.includes('tailoring'));
      const raw: Raw[] = [0, 1, 2, 3].map((i) => {
        const on = [2, 3, 4, 7, 8, 9][Math.floor(rnd() * 6)]!;
        const given =
          i < 3 ? [{ step: 'draft', staffId: bench[i % bench.length]!.id, day: day(on), done: false }] : [];
        const work = { ...PLAIN_WORK, counts: { ...PLAIN_WORK.counts, panel: 40 + Math.floor(rnd() * 60) } };
        return {
          id: i + 1,
          order: plainOrder({ wornOn: day(55), booked: [], given, work }),
          client: bare.open,
          minutes: given.length > 0 ? 240 + Math.floor(rnd() * 180) : 0,
        };
      });
      // The last one has as long as it would take by itself, and a day now and then.
      const alone = planTogether(bare, amongAll(raw.slice(3)), 0).held[0]!.answer.ready!;
      const last = {
        handOver: dayAfter(alone, Math.floor(rnd() * 2)),
        lastFitting: null,
        why: 'the day it is worn',
      };
      const amongThem = (of: readonly Raw[]) => amongAll(of).map((o) => (o.id === 4 ? { ...o, last } : o));
      const ground = kept(bare, raw);
      const before = planTogether(ground, amongThem(raw), 0);
      const { mends } = leastChanges(ground, amongThem(raw), before, () => true);
      for (const m of mends) {
        if (!m.moves) continue;
        expect(m.moves.does).toBe('work');
        found++;
        const less = raw.map((r) =>
          r.id === m.moves!.orderId ? { ...r, order: { ...r.order, booked: [], given: [] }, minutes: 0 } : r,
        );
        const served = amongThem(less).map((o) =>
          o.id === m.id ? { ...o, last: { ...o.last, handOver: dayAfter(FIRST, 1) } } : o,
        );
        const after = planTogether(kept(bare, less), served, 0);
        const ready = after.held.find((h) => h.id === m.id)!.answer.ready!;
        expect([seed, ready]).toEqual([seed, m.ready]);
        for (const h of before.held)
          if (h.answer.holds === 'yes')
            expect([seed, h.id, after.held.find((x) => x.id === h.id)!.answer.holds]).toEqual([
              seed,
              h.id,
              'yes',
            ]);
        // Being served first alone did not do it.
        const only = amongThem(raw).map((o) =>
          o.id === m.id ? { ...o, last: { ...o.last, handOver: dayAfter(FIRST, 1) } } : o,
        );
        const first = planTogether(ground, only, 0);
        const own = first.held.find((h) => h.id === m.id)!;
        const harmed = before.held.filter((was) => {
          const is = first.held.find((x) => x.id === was.id)!.answer;
          const later = was.answer.ready !== null && (is.ready ?? '9999') > was.answer.ready;
          return (was.answer.holds === 'yes' || later) && is.holds !== 'yes';
        });
        const wanted = before.held.find((h) => h.id === m.id)!.last.handOver!;
        expect((own.answer.ready ?? '9999') > wanted || harmed.length > 0).toBe(true);
      }
    }
    expect(found).toBeGreaterThan(3);
  });

  it('is an appointment of another client where nothing less does it', () => {
    const studio = inventedStudio(2, 60);
    const bare = {
      ...studio,
      book: { ...studio.book, staff: studio.book.staff.filter((h) => h.name !== 'Fitter Two') },
    };
    const on = bare.book.days[7]!;
    const morning = { from: on.from + 540, to: on.from + 780 };
    const held = {
      id: 1,
      kind: 'consultation',
      done: false,
      start: morning.from,
      end: morning.to,
      staff: [1],
    };
    const other: Raw = {
      id: 1,
      order: plainOrder({ stage: 'asked', wornOn: day(55), booked: [held] }),
      client: bare.open,
      minutes: 0,
    };
    // Her only morning this week is the one the other client has.
    const client = [morning, ...without(bare.open, [{ from: 0, to: bare.book.days[14]!.from }])];
    const alone = asAmong(2, plainOrder({ stage: 'asked', wornOn: day(50) }), client);
    const ready = planTogether(bare, [alone], 0).held[0]!.answer.ready!;
    const last = { handOver: ready, lastFitting: null, why: 'the day it is worn' };
    // Another garment of the same order is talked over at the same appointment.
    const beside = asAmong(3, other.order, other.client);
    const all = [asAmong(1, other.order, other.client), { ...alone, last }, beside];
    const ground = kept(bare, [other]);
    const before = planTogether(ground, all, 0);
    expect(before.held.find((h) => h.id === 2)!.answer.holds).toBe('no');
    const { mends } = leastChanges(ground, all, before, () => true);
    expect(mends).toEqual([
      {
        id: 2,
        ready,
        moves: { orderId: 1, step: 'settle the design', does: 'meeting', to: expect.any(String) },
      },
    ]);
    expect(mends[0]!.moves!.to).not.toBe(on.day);
    const steps = (o: AmongOthers) => o.chain(o.choices);
    const step = steps(all[0]!).find((s) => s.booked)!;
    expect(all.flatMap(steps).filter((s) => s.booked)).toHaveLength(2);
    expect(
      all
        .map((o) => loosened(o, all[0]!, step))
        .flatMap(steps)
        .some((s) => s.booked),
    ).toBe(false);
  });
});

/** A step of bench work that waits so many days after the one before it. */
const work = (id: string, minutes: number, wait: number, before: string | null): Step =>
  benchStep(id, minutes, {
    waits: before === null || wait === 0 ? [] : [{ after: before, days: wait, name: 'rest' }],
  });

describe('what breaks when a hand is away', () => {
  it('is what one who walks over the hours minute by minute finds: one hand, 200 random benches', () => {
    let [broke, held] = [0, 0];
    for (let seed = 1; seed <= 200; seed++) {
      const rnd = seeded(seed);
      const studio = inventedStudio(1, 40);
      const one = { ...studio.book, staff: studio.book.staff.filter((h) => h.name === 'Hand 1') };
      const orders = Array.from({ length: 4 }, (_, i): AmongOthers => {
        const steps = Array.from({ length: 1 + Math.floor(rnd() * 4) }, (_, k) =>
          work(`s${k}`, 30 + Math.floor(rnd() * 600), Math.floor(rnd() * 3), k === 0 ? null : `s${k - 1}`),
        );
        return {
          id: i + 1,
          clientId: i + 1,
          chain: () => steps,
          choices: usualChoices(null),
          last: { handOver: day(3 + Math.floor(rnd() * 14)), lastFitting: null, why: 'the day it is worn' },
          client: [],
        };
      });
      const from = 1 + Math.floor(rnd() * 9);
      const away = { from: from * 1440, to: (from + 1 + Math.floor(rnd() * 4)) * 1440 };
      const works = without(one.staff[0]!.works, [{ from: 0, to: one.now }]);
      const hand = (h: readonly Span[]) => ({
        ...studio,
        book: { ...one, staff: [{ ...one.staff[0]!, works: h }] },
      });
      const walked = (h: readonly Span[]) => walk(h, orders, one.now);
      const [was, is] = [walked(works), walked(without(works, [away]))];
      const expected = orders
        .filter(({ id, last }) => {
          const due = last.handOver!;
          return is.get(id)! > due && (was.get(id)! <= due || is.get(id)! > was.get(id)!);
        })
        .map((o) => o.id)
        .sort();
      const [before, after] = [hand(works), hand(without(works, [away]))].map((g) =>
        planTogether(g, orders, 0),
      ) as [Together, Together];
      for (const h of before.held) expect([seed, h.id, h.answer.ready]).toEqual([seed, h.id, was.get(h.id)]);
      expect([
        seed,
        brokenBy(before, after)
          .map((b) => b.is.id)
          .sort(),
      ]).toEqual([seed, expected]);
      broke += expected.length;
      held += orders.length - expected.length;
    }
    expect(Math.min(broke, held)).toBeGreaterThan(100);
  });
});

/** The day on which each is ready: every free minute of the hand goes to the first order by its day that can use it for its step. */
function walk(free: readonly Span[], orders: readonly AmongOthers[], now: number): Map<number, string> {
  const mine = new Set(free.flatMap((s) => Array.from({ length: s.to - s.from }, (_, i) => s.from + i)));
  const out = new Map<number, string>();
  const inTurn = [...orders].sort((a, b) => a.last.handOver!.localeCompare(b.last.handOver!) || a.id - b.id);
  for (const o of inTurn) {
    let at = now;
    for (const s of o.chain(o.choices)) {
      const wait = s.waits[0]?.days ?? 0;
      if (wait > 0) at = (Math.floor(at / 1440) + wait) * 1440;
      for (let left = s.minutes; left > 0; at++)
        if (mine.has(at)) {
          mine.delete(at);
          left--;
        }
    }
    out.set(o.id, day(Math.floor((at - 1) / 1440)));
  }
  return out;
}
