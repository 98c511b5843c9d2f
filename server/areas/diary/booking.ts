import type { SlotWire } from '@rocchetto/contract';
import { type AppointmentStatus, NEXT, STATUS_WORD } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { Hono } from 'hono';
import { isClientTaken, isTaken } from '../../db/error-kinds.ts';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import {
  addSlot,
  forgetAnswer,
  holdAppointment,
  holdDays,
  leaveSlots,
  letGo,
  noteAppointment,
  readAppointment,
  readyAppointment,
  stepAppointment,
  takeSlot,
} from '../../records/diary/appointments.ts';
import { kindOf, readBook } from '../../records/diary/book.ts';
import { bookAppointment } from '../../records/diary/book-appointment.ts';
import { checkSlot, nearest } from '../../records/diary/check.ts';
import { readRules } from '../../records/diary/hours.ts';
import { closeClientLinks } from '../../records/diary/links.ts';
import { planMessages } from '../../records/diary/telling.ts';
import { beginFitting } from '../../records/orders.ts';
import { TEXTS } from './texts.ts';

/** Booking, moving, and what comes of an appointment. */
export function bookingRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'POST /appointments', (c, { body }) =>
    offeringOthers(deps, body.kind, body.slots, body, () =>
      once(c, deps, async (tx) => {
        await letGo(tx, deps.now());
        const made = await bookAppointment(tx, deps.now(), body, c.get('who').id);
        return {
          body: made,
          changed: [['diary', made.id, 1], ...(body.orderId ? [['order', body.orderId, 0] as const] : [])],
        };
      }),
    ),
  );

  on(app, 'PUT /appointments/:id', (c, { body: { version, ...details } }) =>
    changed(c, deps, version, details, async (tx, a) => {
      // Saved as it stands is no change.
      if (a.whoComes === details.whoComes && a.bring === details.bring && a.note === details.note)
        return null;
      await noteAppointment(tx, a.id, details);
      return ['noted', details];
    }),
  );

  on(app, 'POST /appointments/:id/move', async (c, { body: { version, slot, reason } }) => {
    const { zone, dateOrder } = await readRules(deps.pool);
    const was = await readAppointment(deps.pool, zone, idParam(c, 'appointment'));
    return offeringOthers(deps, was?.kind ?? '', [slot], was ?? {}, () =>
      changed(c, deps, version, { slot, reason }, async (tx, a) => {
        if (a.status !== 'offered' && a.status !== 'confirmed')
          throw new HttpError(422, 'not-movable', TEXTS.notMovable(said(a.status)));
        await letGo(tx, deps.now());
        const { rules } = await readRules(tx);
        const kind = { ...kindOf(rules.kinds, a.kind), minutes: a.minutes };
        await holdDays(tx, [slot.day]);
        const around = await readBook(tx, zone, rules, [slot.day, slot.day], { moving: a.id });
        const to = checkSlot({ zone, dateOrder }, around, kind, a.minutes, slot, minuteNow(deps));
        await leaveSlots(tx, a.id, { reason: reason || 'moved', by: c.get('who').id, at: deps.now() });
        await addSlot(tx, a.id, 'taken', to);
        await stepAppointment(tx, a.id, 'confirmed', { heldUntil: null });
        // Her yes was to the time before: to this one she has not said anything yet.
        await forgetAnswer(tx, a.id);
        await planMessages(tx, zone, (await readAppointment(tx, zone, a.id))!, 'moved', deps.now());
        return ['moved', { to: `${slot.day} ${slot.time}`, staff: slot.staff, roomId: slot.roomId, reason }];
      }),
    );
  });

  on(app, 'POST /appointments/:id/status', (c, { body: { version, status, slotId, reason } }) =>
    changed(c, deps, version, { status, slotId, reason }, async (tx, a) => {
      if (!NEXT[a.status].includes(status))
        throw new HttpError(422, 'not-next', TEXTS.notNext(said(a.status), said(status)));
      const by = { by: c.get('who').id, at: deps.now() };
      if (a.status === 'offered' && status === 'confirmed') {
        if (a.heldUntil && new Date(a.heldUntil) <= deps.now())
          throw new HttpError(422, 'lapsed', TEXTS.lapsed);
        const chosen = a.slots.find((s) => s.id === slotId && s.state === 'offered');
        if (!chosen) throw new HttpError(422, 'which-time', TEXTS.whichTime);
        await leaveSlots(tx, a.id, { but: chosen.id, reason: 'another was chosen', ...by });
        await takeSlot(tx, chosen.id);
      } else if (status === 'cancelled') await leaveSlots(tx, a.id, { reason: reason || 'cancelled', ...by });
      else if (status === 'arrived' || status === 'did-not-come' || status === 'done') {
        const taken = a.slots.find((s) => s.state === 'taken');
        if (status !== 'arrived' && taken && taken.start > minuteNow(deps))
          throw new HttpError(422, 'not-yet', TEXTS.notYet(taken.from, taken.day));
      }
      if ((status === 'arrived' || status === 'done') && a.orderId !== null) {
        const { rules } = await readRules(tx);
        if (kindsOf(rules.kinds).find((k) => k.id === a.kind)?.at === 'mirror')
          await beginFitting(tx, a.orderId);
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

  on(app, 'POST /appointments/:id/close-link', (c) => {
    const id = idParam(c, 'appointment');
    return once(c, deps, async (tx) => {
      const ended = await closeClientLinks(tx, id);
      if (ended > 0)
        await remember(tx, 'appointment', id, c.get('who').id, 'client’s page closed', undefined, undefined);
      return { body: { ended }, changed: [['diary', id, 0]] };
    });
  });

  on(app, 'POST /appointments/:id/ready', (c, { body: { version, ready } }) =>
    changed(c, deps, version, { ready }, async (tx, a) => {
      await readyAppointment(tx, a.id, ready ? deps.now() : null, c.get('who').id);
      return [ready ? 'ready' : 'no longer ready', { ready }];
    }),
  );
  return app;
}

const minuteNow = (deps: Deps) => Math.floor(deps.now().getTime() / 60_000);
const said = (status: string) => STATUS_WORD[status as AppointmentStatus] ?? status;

/** One change of an appointment on top of its version, remembered, told to the pages that show it. */
function changed(
  c: Ctx,
  deps: Deps,
  version: number,
  mine: unknown,
  work: (
    tx: Tx,
    a: NonNullable<Awaited<ReturnType<typeof holdAppointment>>>,
  ) => Promise<readonly [did: string, what: unknown] | null>,
) {
  const id = idParam(c, 'appointment');
  return once(c, deps, async (tx) => {
    const { zone } = await readRules(tx);
    const before = await holdAppointment(tx, zone, id);
    if (!before) throw notFound('appointment');
    if (before.version !== version) throw conflict(before, mine);
    const made = await work(tx, before);
    if (made === null) return { body: before };
    const [did, what] = made;
    await remember(tx, 'appointment', id, c.get('who').id, did, { status: before.status }, what);
    const body = (await readAppointment(tx, zone, id))!;
    return {
      body,
      changed: [['diary', id, body.version], ...(body.orderId ? [['order', body.orderId, 0] as const] : [])],
    };
  });
}

/** When the database says that a time is taken, the answer names the nearest that are free. */
async function offeringOthers<A>(
  deps: Deps,
  kindId: string,
  slots: readonly SlotWire[],
  own: {
    id?: number;
    clientId?: number;
    minutes?: number | undefined;
    buffer?: number | undefined;
  },
  work: () => Promise<A>,
): Promise<A> {
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
      { moving: own.id, clientId: own.clientId },
    );
    const minutes = own.minutes ?? kind.minutes;
    throw new HttpError(
      409,
      'taken',
      isClientTaken(error)
        ? 'This client has another appointment at that time. Nothing was booked; your choice is still here. Choose one of the times below.'
        : slots.length > 1
          ? 'Someone else took one of these times, or two overlap. Nothing was booked; your choice is still here. Choose again.'
          : 'Someone else took this time. Nothing was booked; your choice is still here. Choose one of the times below.',
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
