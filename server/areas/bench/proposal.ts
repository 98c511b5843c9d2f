import type { BenchRow, BenchWeek, Proposal } from '@rocchetto/contract';
import { dayIn, printShortDate } from '@rocchetto/core';
import { neededBy, proposePlan, rankOf, skillsFor } from '@rocchetto/core/alter/index.ts';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { daysFrom } from '@rocchetto/core/diary/zoned.ts';
import { Hono } from 'hono';
import type { Deps, Env } from '../../http/context.ts';
import { on } from '../../http/route.ts';
import { openAlterations } from '../../records/alterations.ts';
import { readBook } from '../../records/diary/book.ts';
import { readRules } from '../../records/diary/hours.ts';
import { handDays } from './hand-days.ts';

/** How many days ahead are planned, today with them. */
const AHEAD = 7;

/** The week’s proposal: what has no day yet, laid into the minutes that hours, leave, appointments and the bench leave. */
export function proposalRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /bench/week', async (_c) => {
    const now = deps.now();
    const { zone, rules } = await readRules(deps.pool);
    const today = dayIn(zone, now);
    const days = daysFrom(today, dayAfter(today, AHEAD - 1));
    const book = await readBook(deps.pool, zone, rules, [today, days.at(-1)!]);
    return { days, hands: handDays(book, zone, days, now) } satisfies BenchWeek;
  });
  on(app, 'GET /bench/proposal', async (_c) => {
    const now = deps.now();
    const { zone, rules, dateOrder } = await readRules(deps.pool);
    const today = dayIn(zone, now);
    const days = daysFrom(today, dayAfter(today, AHEAD - 1));
    const [book, open] = await Promise.all([
      readBook(deps.pool, zone, rules, [today, days.at(-1)!]),
      openAlterations(deps.pool, null, now),
    ]);
    const hands = handDays(book, zone, days, now).map((h) => ({ ...h, free: h.days.map((d) => d.free) }));
    const rows = open.filter((r) => (r.status === 'agreed' || r.status === 'in-work') && r.day === null);
    // Whoever comes to be fitted finds it checked: what an appointment waits for is done the day before.
    const dueOf = (r: BenchRow) =>
      neededBy({
        neededOn: r.neededOn,
        nextOn: r.nextAt === null ? null : dayAfter(dayIn(zone, r.nextAt), -1),
      });
    const dated = open
      .filter((r) => (r.status === 'agreed' || r.status === 'in-work') && r.day !== null)
      .map((r) => {
        const at = days.indexOf(r.day!);
        return {
          orderId: r.orderId,
          rank: rankOf(r.kind),
          day: at >= 0 ? at : r.day! < today ? 0 : days.length,
        };
      });
    const plan = proposePlan(
      rows.map((r) => ({
        id: r.id,
        orderId: r.orderId,
        minutes: Math.max(5, r.minutes - r.worked),
        skills: skillsFor(r.kind),
        staffId: r.staffId,
        due: dueOf(r),
        rank: rankOf(r.kind),
      })),
      hands,
      days,
      dated,
    );
    const of = new Map(rows.map((r) => [r.id, r]));
    const short = (day: string) => printShortDate(day, today, dateOrder);
    const row = (id: number) => {
      const { orderId, orderNumber, clientName, sentence, unit, version } = of.get(id)!;
      return { id, orderId, orderNumber, clientName, sentence, unit, version };
    };
    return {
      days,
      placed: plan.placed
        .map((p) => {
          const r = of.get(p.jobId)!;
          const hand = hands.find((h) => h.id === p.staffId)!;
          const due = dueOf(r);
          const day = days[p.day]!;
          const rank = rankOf(r.kind);
          const earlier =
            dated.some((d) => d.orderId === r.orderId && d.rank < rank) ||
            plan.placed.some((q) => {
              const o = of.get(q.jobId)!;
              return o.orderId === r.orderId && rankOf(o.kind) < rank;
            });
          const why = [
            due === null ? 'no deadline' : day > due ? `late: was due ${short(due)}` : `due ${short(due)}`,
            `${hand.name} has ${hoursWord(hand.free[p.day]!)} free that day`,
            earlier && 'after the other work on this garment',
            r.staffId !== null && 'already assigned to them',
          ].filter(Boolean);
          return {
            ...row(p.jobId),
            staffId: hand.id,
            staffName: hand.name,
            day,
            minutes: Math.max(5, r.minutes - r.worked),
            why: `${why.join('; ')}.`,
          };
        })
        .sort((a, b) => a.day.localeCompare(b.day) || a.staffName.localeCompare(b.staffName)),
      left: plan.left.map((id) => {
        const r = of.get(id)!;
        const later = dated.some(
          (d) => d.orderId === r.orderId && d.rank < rankOf(r.kind) && d.day >= days.length,
        );
        return {
          ...row(id),
          why: later
            ? 'Other work on this garment must come first and is on a later day.'
            : `No one with the skill has ${hoursWord(Math.max(5, r.minutes - r.worked))} free in one stretch on these days.`,
        };
      }),
    } satisfies Proposal;
  });
  return app;
}
