import type { StaffWork } from '@rocchetto/contract';
import { dayIn, initialsOf, type Need, type Skill, usualSkills } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { planAt, weekdayOf, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import { remember } from '@rocchetto/server/db/history.ts';
import type { Tx } from '@rocchetto/server/db/pool.ts';
import type { SignedIn } from '@rocchetto/server/http/context.ts';
import {
  addAppointment,
  addSlot,
  leaveSlots,
  readAppointment,
  readyAppointment,
  stepAppointment,
} from '@rocchetto/server/records/diary/appointments.ts';
import { addBench, addClientAway } from '@rocchetto/server/records/diary/bench.ts';
import { addBusy } from '@rocchetto/server/records/diary/busy.ts';
import { addAway, addRoom, readRules, writeRules, writeWork } from '@rocchetto/server/records/diary/hours.ts';
import { type Happened, planMessages } from '@rocchetto/server/records/diary/telling.ts';

const MORE_SKILLS: Record<string, readonly Skill[]> = {
  'Odile Marchetti': ['measuring', 'fitting', 'bridal', 'tailoring'],
  'Ines Kovar': ['measuring', 'fitting', 'bridal'],
  'Pia Ostrander': ['tailoring', 'beading'],
};

const FITTINGS = ['toile-fitting', 'fitting', 'final-fitting'];
/** What an order still comes for, by its stage. */
const TO_COME: Record<string, readonly string[]> = {
  agreed: FITTINGS,
  cut: ['fitting', 'final-fitting'],
  fitting: ['final-fitting'],
  ready: [],
  'handed-over': [],
  cancelled: [],
};

/** Hours with a break in the middle of the day; the desk is there at noon. */
const hours = (role: string, days: readonly number[]): StaffWork['hours'] =>
  days.flatMap((weekday) =>
    role === 'desk'
      ? [{ weekday, from: '09:00', to: '17:00' }]
      : [
          { weekday, from: '09:00', to: '12:30' },
          { weekday, from: '13:30', to: '18:00' },
        ],
  );

interface People {
  readonly staff: readonly SignedIn[];
  readonly clients: readonly { readonly id: number }[];
}

/** Five past and four coming weeks of the invented studio's diary. */
export async function seedDiary(tx: Tx, { staff, clients }: People, now: Date) {
  const { rows } = await tx.query<{ zone: string }>('select time_zone as zone from house');
  const { zone } = rows[0]!;
  const today = dayIn(zone, now);
  // Whoever looks at it on a Sunday sees a studio at work too.
  const startsOn = weekdayOf(today);
  const isOff = (day: string) => weekdayOf(day) > 5 && weekdayOf(day) !== startsOn;
  const also = startsOn > 5 ? [startsOn] : [];
  if (startsOn > 5)
    await writeRules(tx, {
      ...(await readRules(tx)).rules,
      opening: [1, 2, 3, 4, 5, startsOn].map((weekday) => ({ weekday, from: '09:00', to: '18:00' })),
    });
  for (const [i, s] of staff.entries())
    await writeWork(tx, s.id, {
      skills: [...(MORE_SKILLS[s.name] ?? usualSkills(s.role))],
      initials: initialsOf(s.name),
      mark: i,
      hours: hours(s.role, [...(i === 4 ? [1, 2, 3, 4] : [1, 2, 3, 4, 5]), ...also]),
    });
  const bay = await addRoom(tx, { name: 'Bay window', goodFor: ['fitting', 'step-free'] });
  const long = await addRoom(tx, { name: 'Long room', goodFor: ['fitting', 'bridal'] });
  const [odile, bram, ines, wren, tomas, pia, jonah] = staff as [
    SignedIn,
    SignedIn,
    SignedIn,
    SignedIn,
    SignedIn,
    SignedIn,
    SignedIn,
  ];
  const { rows: orders } = await tx.query<{ id: number; clientId: number; stage: string; dueOn: string }>(
    `select id, client_id as "clientId", stage, due_on as "dueOn" from orders order by id`,
  );

  /** The next day the house is open, at least so many days from today. */
  const openDay = (from: number, by = 1) => {
    let day = dayAfter(today, from);
    while (isOff(day)) day = dayAfter(day, by);
    return day;
  };
  const holiday = openDay(19);
  const during = (day: string, last = day) => ({
    from: wholeDay(zone, day).from,
    to: wholeDay(zone, last).to,
  });
  await addAway(
    tx,
    { table: 'closure', name: 'Harbour feast' },
    { firstDay: holiday, lastDay: holiday },
    during(holiday),
  );
  const away = { firstDay: openDay(6), lastDay: dayAfter(openDay(6), 3) };
  await addAway(
    tx,
    { table: 'leave', staffId: pia.id, reason: 'sister’s wedding' },
    away,
    during(away.firstDay, away.lastDay),
  );

  const told = async (id: number, what: Happened) =>
    planMessages(tx, zone, (await readAppointment(tx, zone, id))!, what, now);
  const keep = async (
    kind: string,
    who: { clientId: number; orderId: number | null },
    day: string,
    time: string,
    staffIds: readonly number[],
    roomId: number | null,
    more: { minutes?: number; bring?: string; whoComes?: string; by?: number } = {},
  ) => {
    const minutes = more.minutes ?? 45;
    const id = await addAppointment(tx, {
      kind,
      ...who,
      status: 'confirmed',
      minutes,
      buffer: 10,
      whoComes: more.whoComes ?? '',
      bring: more.bring ?? '',
      note: '',
      heldUntil: null,
      by: more.by ?? jonah.id,
    });
    const start = planAt(zone, day, time);
    const slot = await addSlot(tx, id, 'taken', { start, end: start + minutes, staff: staffIds, roomId });
    await remember(tx, 'appointment', id, more.by ?? jonah.id, 'confirmed', undefined, { kind, day, time });
    if (start * 60_000 > now.getTime()) await told(id, 'confirmed');
    return { id, slot };
  };
  /** What was there before these orders: garments that were handed over before the book. */
  const before = (i: number) => ({ clientId: clients[i % clients.length]!.id, orderId: null });
  const coming = orders.map((o) => ({
    who: { clientId: o.clientId, orderId: o.id },
    dueOn: o.dueOn,
    kinds: [...(TO_COME[o.stage] ?? ['measuring', ...FITTINGS])],
    from: today,
  }));
  /** The next order from this one on that comes for something by that day, with days of work in between. */
  const nextFor = (i: number, day: string) => {
    const o = [...coming.slice(i % coming.length), ...coming.slice(0, i % coming.length)].find(
      (c) => c.kinds.length > 0 && c.from <= day && day < c.dueOn,
    );
    if (!o) return null;
    o.from = dayAfter(day, 4);
    return { who: o.who, kind: o.kinds.shift()! };
  };

  // The usual weeks: two fitters, two rooms, a counter.
  const TIMES = ['09:30', '11:00', '14:00', '15:30'] as const;
  let n = 0;
  for (let offset = -35; offset <= 28; offset++) {
    const day = dayAfter(today, offset);
    if (isOff(day) || day === holiday) continue;
    for (const [i, time] of TIMES.entries()) {
      const turn = (offset + 40) * 4 + i;
      if (turn % 3 === 0) continue;
      const fitter = turn % 2 ? bram : ines;
      // The rest of this week belongs to the story below.
      if (offset >= 0 && offset <= 1 && i > 1) continue;
      const next =
        offset < 0
          ? { who: before(turn * 7), kind: ['measuring', ...FITTINGS][turn % 4]! }
          : nextFor(turn * 7, day);
      if (!next) continue;
      const { who, kind } = next;
      const { id } = await keep(kind, who, day, time, [fitter.id], turn % 2 ? bay : long, {
        minutes: kind === 'toile-fitting' ? 60 : 45,
        bring: turn % 5 === 0 ? 'the shoes of the day' : '',
      });
      if (offset < 0) await stepAppointment(tx, id, n++ === 6 ? 'did-not-come' : 'done');
      else if (kind === 'final-fitting') await readyAppointment(tx, id, now, staff[3]!.id);
    }
    if (offset % 3 === 0) {
      const done = coming.find((o) => o.kinds.length === 0 && o.dueOn <= day);
      if (offset >= 0 && !done) continue;
      if (done) coming.splice(coming.indexOf(done), 1);
      const who = done?.who ?? before(offset + 50);
      const { id } = await keep('collection', who, day, '16:30', [jonah.id], null, { minutes: 20 });
      if (offset < 0) await stepAppointment(tx, id, 'done');
    }
  }

  // A soloist who can come once: everything in one visit, with two of the staff.
  const soloist = orders.find((o) => o.clientId === clients[2]!.id);
  await keep(
    'bridal-fitting',
    { clientId: clients[2]!.id, orderId: soloist?.id ?? null },
    openDay(2),
    '16:15',
    [odile.id, ines.id],
    long,
    { minutes: 90, bring: 'the petticoat, the shoes', whoComes: 'her répétiteur' },
  );
  // One that was moved: it keeps where it was and why.
  const dancer = orders.find((o) => o.clientId === clients[3]!.id);
  const moved = await keep(
    'fitting',
    { clientId: clients[3]!.id, orderId: dancer?.id ?? null },
    openDay(1),
    '16:45',
    [bram.id],
    bay,
  );
  await leaveSlots(tx, moved.id, { reason: 'rehearsal called for that hour', by: jonah.id, at: now });
  const start = planAt(zone, openDay(3), '16:45');
  await addSlot(tx, moved.id, 'taken', { start, end: start + 45, staff: [bram.id], roomId: bay });
  await stepAppointment(tx, moved.id, 'confirmed');
  await told(moved.id, 'moved');
  await remember(tx, 'appointment', moved.id, jonah.id, 'moved', undefined, {
    reason: 'rehearsal called for that hour',
  });
  // Several times offered, and not answered yet.
  const offered = await addAppointment(tx, {
    kind: 'consultation',
    clientId: clients[10]!.id,
    orderId: null,
    status: 'offered',
    minutes: 60,
    buffer: 10,
    whoComes: '',
    bring: 'a picture of the hall',
    note: '',
    heldUntil: new Date(now.getTime() + 2 * 86_400_000).toISOString(),
    by: jonah.id,
  });
  for (const [after, time] of [
    [4, '09:00'],
    [7, '09:00'],
  ] as const) {
    const at = planAt(zone, openDay(after), time);
    await addSlot(tx, offered, 'offered', { start: at, end: at + 60, staff: [odile.id], roomId: null });
  }
  await told(offered, 'offered');
  // A second hand wanted a time that was taken: the database refused it, and the book says so.
  const [taken] = (
    await tx.query<{ id: number; slot: number }>(
      `select a.id, s.id as slot from appointment a join slot s on s.appointment_id = a.id and s.state = 'taken'
        where a.status = 'confirmed' and lower(s.during) > $1 order by lower(s.during) limit 1`,
      [now],
    )
  ).rows;
  await tx.query('savepoint second_hand');
  try {
    await tx.query(
      `insert into slot (appointment_id, during, room_id, state) select $1, during, room_id, 'offered' from slot where id = $2`,
      [offered, taken!.slot],
    );
    throw new Error('the demo’s double booking was not refused');
  } catch (error) {
    if ((error as { code?: string }).code !== '23P01') throw error;
    await tx.query('rollback to savepoint second_hand');
  }
  await remember(
    tx,
    'appointment',
    taken!.id,
    bram.id,
    'a second booking of this time was refused',
    undefined,
    undefined,
  );

  // Work promised at the bench: some of it today, one day with too much, and what the fittings to come wait for.
  const { rows: toCome } = await tx.query<{ orderId: number; kind: string; day: string }>(
    `select distinct on (a.kind) a.order_id as "orderId", a.kind, (lower(s.during) at time zone $2)::date as day
       from appointment a join slot s on s.appointment_id = a.id and s.state = 'taken'
      where a.order_id is not null and a.status = 'confirmed' and lower(s.during) > $1 and a.kind in ('toile-fitting', 'fitting')
      order by a.kind, lower(s.during)`,
    [new Date(planAt(zone, openDay(2), '00:00') * 60_000), zone],
  );
  const bench = (
    who: SignedIn,
    orderId: number,
    day: string,
    hoursOfWork: number,
    what: string,
    makes: Need | null = null,
  ) => addBench(tx, orderId, { staffId: who.id, day, minutes: hoursOfWork * 60, what, makes });
  /** The last day up to this one on which Tomas works, Monday to Thursday; today at the earliest. */
  const forTomas = (day: string) => {
    let at = day;
    while (weekdayOf(at) > 4 && at > today) at = dayAfter(at, -1);
    return at;
  };
  const someOrder = (i: number) => orders[i % orders.length]!.id;
  await bench(wren, someOrder(8), openDay(0), 2, 'Hem by hand');
  await bench(tomas, someOrder(12), forTomas(openDay(0)), 1, 'Set the lining');
  await bench(pia, someOrder(20), openDay(0), 4, 'Beads along the neckline');
  await bench(wren, someOrder(14), openDay(3), 6, 'Buttonholes and hem');
  await bench(wren, someOrder(22), openDay(3), 3.5, 'Press and finish', 'checked');
  if (soloist) await bench(tomas, soloist.id, forTomas(openDay(1)), 4, 'Baste the gown', 'basted');
  for (const { orderId, kind, day } of toCome)
    await bench(
      tomas,
      orderId,
      forTomas(dayAfter(day, -1)),
      1.5,
      kind === 'fitting' ? 'Baste for the fitting' : 'Toile cut and sewn',
      kind === 'fitting' ? 'basted' : 'toile',
    );
  await addClientAway(tx, clients[5]!.id, {
    firstDay: openDay(4),
    lastDay: dayAfter(openDay(4), 7),
    reason: 'on tour',
  });
  const lesson = { from: planAt(zone, openDay(9), '17:00'), to: planAt(zone, openDay(9), '18:00') };
  await addBusy(tx, { staffId: bram.id, name: 'my own', until: dayAfter(today, 366), by: bram.id }, [lesson]);
}
