import {
  type DiaryHouse,
  type DiaryView,
  may,
  type NewAppointment,
  type Outbox,
  type SlotWire,
} from '@rocchetto/contract';
import { type AppointmentKind, dayIn, NEXT } from '@rocchetto/core';
import { findTimes } from '@rocchetto/core/diary/find.ts';
import { windowsOf } from '@rocchetto/core/diary/hours.ts';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { dayAfter, daysFrom, wallAt, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import { Hono } from 'hono';
import { isTaken } from '../db/errors.ts';
import { remember } from '../db/history.ts';
import type { Db, Tx } from '../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../http/context.ts';
import { once } from '../http/once.ts';
import { conflict, notFound, Refusal } from '../http/problem.ts';
import { on } from '../http/route.ts';
import { daysOf, openingOf, readBook } from './book.ts';
import { checkSlot, nearest, timeView } from './check.ts';
import { planMessages } from './messages.ts';
import {
  addAppointment,
  addSlot,
  holdAppointment,
  isClient,
  isOrderOf,
  lastHands,
  leaveSlots,
  letGo,
  listMessages,
  noteAppointment,
  readAppointment,
  readClosures,
  readDiary,
  readLeave,
  readRooms,
  readRules,
  readStaff,
  readyAppointment,
  setCarrier,
  stepAppointment,
  takeSlot,
} from './sql.ts';

/** How far ahead times are looked for when nothing else is asked, days. */
const AHEAD = 42;
const MOST_AHEAD = 120;
const minuteNow = (deps: Deps) => Math.floor(deps.now().getTime() / 60_000);

/** What the diary goes by, for those who book and those who look. */
export async function diaryHouse(db: Db, now: Date): Promise<DiaryHouse> {
  const { zone, rules, version } = await readRules(db);
  const today = dayIn(zone, now);
  const [staff, rooms, leave, closures] = await Promise.all([
    readStaff(db),
    readRooms(db),
    readLeave(db, today),
    readClosures(db, today),
  ]);
  return {
    version,
    rules: { ...rules, opening: [...openingOf(rules)] },
    kinds: kindsOf(rules.kinds),
    staff,
    rooms,
    leave,
    closures,
  };
}

/** Booking, moving, finding and seeing. */
export function diaryRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'GET /diary/house', async (c) => c.json(await diaryHouse(deps.pool, deps.now())));

  on(app, 'GET /diary', async (c, { query }) => {
    const { zone, rules } = await readRules(deps.pool);
    const first = query.day ?? dayIn(zone, deps.now());
    const last = dayAfter(first, query.days - 1);
    const within = { from: wholeDay(zone, first).from, to: wholeDay(zone, last).to };
    const [appointments, staff, leave, closures] = await Promise.all([
      readDiary(deps.pool, zone, within),
      readStaff(deps.pool),
      readLeave(deps.pool, first),
      readClosures(deps.pool, first),
    ]);
    const frame = { zone, opening: openingOf(rules), staff, leave, closures };
    return c.json({ days: daysOf(frame, daysFrom(first, last)), appointments } satisfies DiaryView);
  });

  on(app, 'GET /diary/times', async (c, { query: q }) => {
    const { zone, rules } = await readRules(deps.pool);
    const kind = kindOf(rules.kinds, q.kind);
    const now = minuteNow(deps);
    const today = dayIn(zone, deps.now());
    const from = q.from && q.from > today ? q.from : today;
    const until = q.until ?? dayAfter(from, AHEAD);
    if (until < from) throw new Refusal(422, 'no-days', 'The last day lies before the first.');
    if (until > dayAfter(today, 366) || daysFrom(from, until).length > MOST_AHEAD)
      throw new Refusal(
        422,
        'too-far',
        `Times are looked for over ${MOST_AHEAD} days at once, within a year.`,
      );
    const book = await readBook(deps.pool, zone, rules, [from, until], q.moving);
    const wish = { from, until, earliest: q.earliest, latest: q.latest, notOn: q.notOn, away: [] };
    const times = findTimes(
      book,
      {
        ...kind,
        room: kind.room && [...kind.room, ...(q.stepFree === '1' ? (['step-free'] as const) : [])],
        within: windowsOf(zone, wish, book.opening, book.closed, now),
        step: 15,
        prefer: q.clientId ? await lastHands(deps.pool, q.clientId) : [],
      },
      (at) => {
        const { day, time } = wallAt(zone, at);
        return `${day} ${time < '13:00' ? 'before noon' : 'after noon'}`;
      },
    );
    return c.json({ kind: kind.id, minutes: kind.minutes, times: times.map((t) => timeView(zone, t)) });
  });

  on(app, 'GET /messages', async (c, { query, role }) => {
    const { fails, messages } = await listMessages(deps.pool, query);
    const shown = may(role, 'client.contact') ? messages : messages.map((m) => ({ ...m, sentTo: '' }));
    return c.json({ fails, messages: shown } satisfies Outbox);
  });
  on(app, 'POST /messages/carrier', (c, { body: { fails } }) =>
    once(c, deps, async (tx) => {
      await setCarrier(tx, fails);
      await remember(
        tx,
        'house',
        1,
        c.get('who').id,
        fails ? 'carrier out of order' : 'carrier in order',
        undefined,
        undefined,
      );
      return { status: 200, body: { fails }, changed: [['diary', 0, 0]] };
    }),
  );

  on(app, 'GET /appointments/:id', async (c) => {
    const { zone } = await readRules(deps.pool);
    const found = await readAppointment(deps.pool, zone, idParam(c, 'appointment'));
    if (!found) throw notFound('appointment');
    return c.json(found);
  });

  on(app, 'POST /appointments', (c, { body }) =>
    offeringOthers(deps, body.kind, body.slots, body, () =>
      once(c, deps, async (tx) => {
        await letGo(tx, deps.now());
        const made = await book(tx, deps, body, c.get('who').id);
        return {
          status: 201,
          body: made,
          changed: [['diary', made.id, 1], ...(body.orderId ? [['order', body.orderId, 0] as const] : [])],
        };
      }),
    ),
  );

  on(app, 'PUT /appointments/:id', (c, { body: { version, ...details } }) =>
    changed(c, deps, version, details, async (tx, a) => {
      await noteAppointment(tx, a.id, details);
      return ['noted', details];
    }),
  );

  on(app, 'POST /appointments/:id/move', async (c, { body: { version, slot, reason } }) => {
    const { zone } = await readRules(deps.pool);
    const was = await readAppointment(deps.pool, zone, idParam(c, 'appointment'));
    return offeringOthers(deps, was?.kind ?? '', [slot], was ?? {}, () =>
      changed(c, deps, version, { slot, reason }, async (tx, a) => {
        if (a.status !== 'offered' && a.status !== 'confirmed')
          throw new Refusal(422, 'not-movable', `An appointment that is ${said(a.status)} is not moved.`);
        await letGo(tx, deps.now());
        const { rules } = await readRules(tx);
        const kind = { ...kindOf(rules.kinds, a.kind), minutes: a.minutes };
        const around = await readBook(tx, zone, rules, [slot.day, slot.day], a.id);
        const to = checkSlot(zone, around, kind, a.minutes, slot, minuteNow(deps));
        await leaveSlots(tx, a.id, { reason: reason || 'moved', by: c.get('who').id, at: deps.now() });
        await addSlot(tx, a.id, 'taken', to);
        await stepAppointment(tx, a.id, 'confirmed', { heldUntil: null });
        await planMessages(tx, zone, (await readAppointment(tx, zone, a.id))!, 'moved', deps.now());
        return ['moved', { to: `${slot.day} ${slot.time}`, staff: slot.staff, roomId: slot.roomId, reason }];
      }),
    );
  });

  on(app, 'POST /appointments/:id/status', (c, { body: { version, status, slotId, reason } }) =>
    changed(c, deps, version, { status, slotId, reason }, async (tx, a) => {
      if (!NEXT[a.status].includes(status))
        throw new Refusal(
          422,
          'not-next',
          `An appointment that is ${said(a.status)} cannot become ${said(status)}.`,
        );
      const by = { by: c.get('who').id, at: deps.now() };
      if (a.status === 'offered' && status === 'confirmed') {
        if (a.heldUntil && new Date(a.heldUntil) <= deps.now())
          throw new Refusal(422, 'lapsed', 'The times offered were kept until then only; find them again.');
        const chosen = a.slots.find((s) => s.id === slotId && s.state === 'offered');
        if (!chosen) throw new Refusal(422, 'which-time', 'Say which of the offered times it is.');
        await leaveSlots(tx, a.id, { but: chosen.id, reason: 'another was chosen', ...by });
        await takeSlot(tx, chosen.id);
      } else if (status === 'cancelled') await leaveSlots(tx, a.id, { reason: reason || 'cancelled', ...by });
      else if (status === 'arrived' || status === 'did-not-come' || status === 'done') {
        const taken = a.slots.find((s) => s.state === 'taken');
        if (status !== 'arrived' && taken && taken.start > minuteNow(deps))
          throw new Refusal(422, 'not-yet', `It has not begun: it is at ${taken.from} on ${taken.day}.`);
      }
      await stepAppointment(
        tx,
        a.id,
        status,
        status === 'confirmed' || status === 'cancelled' ? { heldUntil: null } : {},
      );
      // Back from “here” to “confirmed” is nothing to tell anybody.
      if ((a.status === 'offered' && status === 'confirmed') || status === 'cancelled') {
        const { zone } = await readRules(tx);
        await planMessages(tx, zone, (await readAppointment(tx, zone, a.id))!, status, deps.now());
      }
      return [said(status), { status, reason }];
    }),
  );

  on(app, 'POST /appointments/:id/ready', (c, { body: { version, ready } }) =>
    changed(c, deps, version, { ready }, async (tx, a) => {
      await readyAppointment(tx, a.id, ready ? deps.now() : null, c.get('who').id);
      return [ready ? 'ready' : 'not ready after all', { ready }];
    }),
  );
  return app;
}

const said = (status: string) => status.replaceAll('-', ' ');

function kindOf(own: Parameters<typeof kindsOf>[0], id: string): AppointmentKind {
  const found = kindsOf(own).find((k) => k.id === id);
  if (!found)
    throw new Refusal(422, 'no-such-kind', `The house knows no kind of appointment called “${id}”.`);
  return found;
}

/** Keeps the times of a new appointment. @throws Refusal 422; the exclusion's error when one is taken */
async function book(tx: Tx, deps: Deps, b: NewAppointment, by: number) {
  const { zone, rules } = await readRules(tx);
  const kind = kindOf(rules.kinds, b.kind);
  if (!(await isClient(tx, b.clientId))) throw new Refusal(422, 'no-such-client', 'There is no such client.');
  if (b.orderId !== null && !(await isOrderOf(tx, b.orderId, b.clientId)))
    throw new Refusal(422, 'not-their-order', 'This order is not this client’s.');
  const minutes = b.minutes ?? kind.minutes;
  const buffer = b.buffer ?? kind.buffer;
  const offered = b.heldUntil !== null;
  if (b.slots.length > 1 && !offered)
    throw new Refusal(422, 'held-until', 'Several times are offered: say until when they are kept.');
  if (offered && new Date(b.heldUntil!) <= deps.now())
    throw new Refusal(422, 'held-until', 'The moment until which the times are kept is past.');
  const days = b.slots.map((s) => s.day).sort();
  const around = new Map<string, Awaited<ReturnType<typeof readBook>>>();
  for (const day of new Set(days)) around.set(day, await readBook(tx, zone, rules, [day, day]));
  const slots = b.slots.map((s) => checkSlot(zone, around.get(s.day)!, kind, minutes, s, minuteNow(deps)));
  const { whoComes, bring, note, clientId, orderId, heldUntil } = b;
  const status = offered ? 'offered' : 'confirmed';
  const id = await addAppointment(tx, {
    kind: kind.id,
    clientId,
    orderId,
    status,
    minutes,
    buffer,
    whoComes,
    bring,
    note,
    heldUntil,
    by,
  });
  for (const s of slots) await addSlot(tx, id, offered ? 'offered' : 'taken', s);
  const made = (await readAppointment(tx, zone, id))!;
  await planMessages(tx, zone, made, status, deps.now());
  await remember(tx, 'appointment', id, by, status, undefined, {
    kind: kind.id,
    clientId,
    orderId,
    slots: b.slots,
  });
  return made;
}

/** One change of an appointment on top of its version, remembered, told to the pages that show it. */
function changed(
  c: Ctx,
  deps: Deps,
  version: number,
  mine: unknown,
  work: (
    tx: Tx,
    a: NonNullable<Awaited<ReturnType<typeof holdAppointment>>>,
  ) => Promise<readonly [did: string, what: unknown]>,
) {
  const id = idParam(c, 'appointment');
  return once(c, deps, async (tx) => {
    const { zone } = await readRules(tx);
    const before = await holdAppointment(tx, zone, id);
    if (!before) throw notFound('appointment');
    if (before.version !== version) throw conflict(before, mine);
    const [did, what] = await work(tx, before);
    await remember(tx, 'appointment', id, c.get('who').id, did, { status: before.status }, what);
    const body = (await readAppointment(tx, zone, id))!;
    return {
      status: 200,
      body,
      changed: [['diary', id, body.version], ...(body.orderId ? [['order', body.orderId, 0] as const] : [])],
    };
  });
}

/** When the database says that a time is taken, the answer names the nearest that are free. */
async function offeringOthers(
  deps: Deps,
  kindId: string,
  slots: readonly SlotWire[],
  own: { id?: number; minutes?: number | undefined; buffer?: number | undefined },
  work: () => Promise<Response>,
): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (!isTaken(error)) throw error;
    const { zone, rules } = await readRules(deps.pool);
    const kind = kindsOf(rules.kinds).find((k) => k.id === kindId)!;
    const wanted = slots[0]!;
    const around = await readBook(
      deps.pool,
      zone,
      rules,
      [dayAfter(wanted.day, -7), dayAfter(wanted.day, 7)],
      own.id,
    );
    const minutes = own.minutes ?? kind.minutes;
    throw new Refusal(
      409,
      'taken',
      slots.length > 1
        ? 'One of these times was taken meanwhile, or two of them overlap. Nothing was booked; yours is still here.'
        : 'This time was taken meanwhile. Nothing was booked; yours is still here. The nearest free ones stand beside it.',
      {
        mine: slots,
        instead: nearest(
          zone,
          around,
          { ...kind, buffer: own.buffer ?? kind.buffer },
          minutes,
          wanted,
          minuteNow(deps),
        ),
      },
    );
  }
}
