import type { AheadView, HandedOver } from '@rocchetto/contract';
import { printDayAndDate } from '@rocchetto/core';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { wallAt } from '@rocchetto/core/diary/zoned.ts';
import { isTaken } from '../../db/error-kinds.ts';
import { remember } from '../../db/history.ts';
import type { Db, Tx } from '../../db/pool.ts';
import type { Deps } from '../../http/context.ts';
import { HttpError } from '../../http/problem.ts';
import { bookedAhead } from '../../records/diary/ahead.ts';
import { addSlot, holdAppointment, holdDays, stepAppointment } from '../../records/diary/appointments.ts';
import { benchAhead, writeBench } from '../../records/diary/bench.ts';
import { readBook } from '../../records/diary/book.ts';
import { checkSlot } from '../../records/diary/check.ts';
import { readRules } from '../../records/diary/hours.ts';

/** Why one booking cannot go to the other; null once it has gone. */
async function giveOne(
  tx: Tx,
  deps: Deps,
  id: number,
  { from, to, by }: { from: number; to: number; by: number },
): Promise<string | null> {
  const { zone, dateOrder, rules } = await readRules(tx);
  const a = (await holdAppointment(tx, zone, id))!;
  const kind = kindsOf(rules.kinds).find((k) => k.id === a.kind);
  if (!kind) return 'its appointment type no longer exists';
  const slots = a.slots.filter((s) => s.state !== 'left' && s.staff.includes(from));
  await holdDays(
    tx,
    slots.map((s) => s.day),
  );
  await tx.query('savepoint hand_over');
  try {
    for (const s of slots) {
      const staff = [...new Set(s.staff.map((m) => (m === from ? to : m)))];
      const book = await readBook(tx, zone, rules, [s.day, s.day], { moving: a.id });
      const made = checkSlot(
        { zone, dateOrder },
        book,
        kind,
        a.minutes,
        { day: s.day, time: s.from, turn: 'first', staff, roomId: s.roomId },
        Math.floor(deps.now().getTime() / 60_000),
      );
      await tx.query(
        `update slot set state = 'left', reason = 'reassigned', left_by = $2, left_at = $3 where id = $1`,
        [s.id, by, deps.now()],
      );
      // The wall time may come twice on that day: the instant is the old one's.
      await addSlot(tx, a.id, s.state as 'offered' | 'taken', { ...made, start: s.start, end: s.end });
    }
    await stepAppointment(tx, a.id, a.status);
    await remember(tx, 'appointment', a.id, by, 'reassigned', { staff: from }, { staff: to });
    await tx.query('release savepoint hand_over');
    return null;
  } catch (error) {
    await tx.query('rollback to savepoint hand_over');
    if (isTaken(error)) return 'they have another appointment then';
    if (error instanceof HttpError) return error.problem.detail;
    throw error;
  }
}

interface Wanted {
  readonly from: number;
  readonly to: number;
  readonly by: number;
  /** these alone; all of both when neither is said */
  readonly appointments: readonly number[] | undefined;
  readonly bench: readonly number[] | undefined;
}

/** Gives what somebody has ahead to another: each by itself, so that one that cannot go holds up none. */
export async function handOver(tx: Tx, deps: Deps, who: Wanted): Promise<HandedOver> {
  const { zone, dateOrder } = await readRules(tx);
  const all = !who.appointments && !who.bench;
  const standing: HandedOver['standing'][number][] = [];
  let handed = 0;
  const booked = await bookedAhead(tx, { staffId: who.from }, deps.now());
  for (const id of new Set(booked.map((b) => b.id))) {
    if (!all && !who.appointments?.includes(id)) continue;
    const why = await giveOne(tx, deps, id, who);
    if (why === null) {
      handed++;
      continue;
    }
    const b = booked.find((x) => x.id === id)!;
    const { day, from } = (await holdAppointment(tx, zone, id))!.slots.find((s) => s.start === b.start)!;
    standing.push({ id, clientName: b.clientName, when: `${printDayAndDate(day, dateOrder)} ${from}`, why });
  }
  for (const work of await benchAhead(tx, who.from)) {
    if (!all && !who.bench?.includes(work.id)) continue;
    await writeBench(tx, work.id, { ...work, staffId: who.to });
    await remember(tx, 'order', work.orderId, who.by, 'bench work reassigned', work, { staffId: who.to });
    handed++;
  }
  return { handed, standing };
}

/** What somebody has ahead, to be handed over one by one. */
export async function aheadOf(db: Db, staffId: number, now: Date): Promise<AheadView> {
  const { zone, dateOrder } = await readRules(db);
  const booked = await bookedAhead(db, { staffId }, now);
  const first = [...new Map([...booked].reverse().map((b) => [b.id, b])).values()].reverse();
  return {
    bookings: first.map(({ id, clientName, start }) => {
      const { day, time } = wallAt(zone, start);
      return { id, clientName, when: `${printDayAndDate(day, dateOrder)} ${time}` };
    }),
    bench: await benchAhead(db, staffId),
  };
}
