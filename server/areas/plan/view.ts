import { PlanChoices, type PlanStep, type PlanView, timesOf } from '@rocchetto/contract';
import { printShortDate } from '@rocchetto/core';
import { daysBetween } from '@rocchetto/core/dates/studio-day.ts';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { common, lengthOf } from '@rocchetto/core/diary/spans.ts';
import { wallAt } from '@rocchetto/core/diary/zoned.ts';
import { answerOf, type PlanGround, type PlannedStep } from '@rocchetto/core/plan/answer.ts';
import { chainOf, lastDays, leftOut, type Step, usualChoices } from '@rocchetto/core/plan/chain.ts';
import { chanceOf, chanceWords } from '@rocchetto/core/plan/chance.ts';
import { oneVisit } from '@rocchetto/core/plan/one-visit.ts';
import { drawFrom, ENOUGH, ofTable, type Past, pastOf, workStepOf } from '@rocchetto/core/plan/past.ts';
import type { HouseTimes } from '@rocchetto/core/plan/times.ts';
import { PLAIN_WORK, workOf } from '@rocchetto/core/plan/work.ts';
import type { Db } from '../../db/pool.ts';
import { notFound } from '../../http/problem.ts';
import { readRules } from '../../records/diary/hours.ts';
import { houseBench } from '../../records/house.ts';
import { planGround } from './ground.ts';
import { sheetOfOrder } from './sheet.ts';
import { readPlan, stampOf, type Took, tookOf } from './sql.ts';

/** What can be promised of an order now. @throws HttpError 404 */
export async function viewPlan(db: Db, orderId: number, now: Date): Promise<PlanView> {
  const row = await readPlan(db, orderId);
  if (!row) throw notFound('order');
  const [{ zone, dateOrder, rules }, { bench, unit }, made, took] = await Promise.all([
    readRules(db),
    houseBench(db),
    sheetOfOrder(db, row, now),
    tookOf(db),
  ]);
  const work = made && workOf(made.sheet);
  const times = timesOf(bench, unit);
  const last = lastDays(row, times);
  const ground = await planGround(
    db,
    { zone, dateOrder },
    rules,
    { clientId: row.clientId, orderId },
    [last.handOver, row.wornOn]
      .filter((d) => d !== null)
      .sort()
      .at(-1) ?? null,
    now,
  );
  const choices = row.choices ?? PlanChoices.parse(usualChoices(work));
  const kinds = kindsOf(rules.kinds);
  const answer = answerOf(ground, (c) => chainOf({ ...row, work }, c, times, kinds), choices, last);
  return {
    version: row.version,
    stamp: stampOf(row),
    order: { number: row.number, what: row.what, stage: row.stage },
    choices,
    usual: row.choices === null,
    today: ground.today,
    wornOn: row.wornOn,
    handOver: last.handOver,
    ready: answer.ready,
    holds: answer.holds,
    says: answer.says,
    would: answer.would,
    sure: sureOf(
      ground,
      answer.steps.map((s) => s.step),
      last.handOver,
      pastFrom(took, times),
    ),
    steps: answer.steps.map((s) => stepView(s, ground, zone)),
    once: choices.once && !row.broughtIn ? oneVisit(work ?? PLAIN_WORK) : null,
    left: leftOut({ ...row, work }, choices, times, ground.dateOrder),
    fittingKinds: kinds
      .filter((k) => k.at === 'mirror' && k.offered !== false)
      .map(({ id, name }) => ({ id, name })),
  };
}

/** The studio's past by the kinds of its work, brought to today's table. */
export const pastFrom = (took: readonly Took[], times: HouseTimes): Past[] =>
  pastOf(
    took.flatMap(({ step, given, took, ofTable: then }) => {
      const kind = workStepOf(step);
      return kind ? [{ step: kind, given: (given * ofTable(kind, times)) / then, took }] : [];
    }),
  );

/** How sure the hand-over is by the studio's own past; without enough of it the table alone, and it says so. */
function sureOf(
  ground: PlanGround,
  steps: readonly Step[],
  handOver: string | null,
  past: readonly Past[],
): PlanView['sure'] {
  const here = past.filter((p) => steps.some((s) => s.work === p.step));
  if (here.length === 0)
    return {
      says: `The table of times alone is used: of no step here are ${ENOUGH} times kept yet. Times are kept when work is ticked off.`,
      past: [],
    };
  const chance = handOver === null ? null : chanceOf(ground.book, steps, handOver, drawFrom(here));
  const cases = here.reduce((sum, p) => sum + p.cases, 0);
  return {
    says:
      chance === null
        ? `${cases} times are kept of steps like these.`
        : `By the studio’s own past, ${chanceWords(chance)} by ${printShortDate(handOver!, ground.today, ground.dateOrder)}: from ${cases} times kept. Of steps without enough of them the table counts.`,
    past: here.map(
      (p) =>
        `${p.name}: usually ${p.median.toFixed(2)} of its time, 8 in 10 between ${p.low.toFixed(2)} and ${p.high.toFixed(2)}, ${p.cases} times`,
    ),
  };
}

function stepView(
  { step, earliest, latest, readyAt, tight }: PlannedStep,
  ground: PlanGround,
  zone: string,
): PlanStep {
  const names = new Map(ground.book.staff.map((h) => [h.id, h.name]));
  const from = earliest && wallAt(zone, earliest.start);
  const until = earliest && wallAt(zone, earliest.end);
  const late = latest && wallAt(zone, latest.start);
  const room = ground.book.rooms.find((r) => r.id === earliest?.room);
  return {
    id: step.id,
    name: step.name,
    does: step.does,
    kind: step.kind,
    minutes: step.minutes,
    skills: step.hands.map((any) => any.join(' or ')).join(', and '),
    why: step.why,
    waits: [
      ...step.waits.map((w) => `${w.days} ${w.days === 1 ? 'day' : 'days'} before it: ${w.name}`),
      ...(step.notBefore === null
        ? []
        : [`not before ${printShortDate(step.notBefore, ground.today, ground.dateOrder)}`]),
    ],
    earliest:
      earliest && from && until
        ? {
            ...from,
            untilDay: until.day,
            untilTime: until.time,
            staff: earliest.staff.map((id) => ({ id, name: names.get(id) ?? '' })),
            room: room ? { id: room.id, name: room.name } : null,
          }
        : null,
    latest: late,
    slackDays: from && late ? daysBetween(from.day, late.day) : null,
    tight,
    booked: step.booked !== null && step.booked.end > ground.book.now,
    given: step.given !== null,
    readyOn: readyAt === null ? null : wallAt(zone, readyAt).day,
    makes: step.makes,
    work: earliest ? workByDay(earliest, ground) : [],
  };
}

/** The stretches of a step day by day, as work is given at the bench: what is shorter than five minutes counts five. */
function workByDay(
  { staff, parts }: NonNullable<PlannedStep['earliest']>,
  { book }: PlanGround,
): PlanStep['work'] {
  if (parts.length === 0) return [];
  return book.days.flatMap((d) => {
    const minutes = lengthOf(common(parts, [d]));
    return minutes === 0 ? [] : [{ staffId: staff[0]!, day: d.day, minutes: Math.max(5, minutes) }];
  });
}
