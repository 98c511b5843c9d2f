import type { NewAppointment } from '@rocchetto/contract';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { HttpError } from '../../http/problem.ts';
import { readOrder, refuseCancelled } from '../orders.ts';
import { addAppointment, addSlot, holdDays, isClient, isOrderOf, readAppointment } from './appointments.ts';
import { type Book, kindOf, readBook } from './book.ts';
import { checkSlot } from './check.ts';
import { readRules } from './hours.ts';
import { planMessages } from './telling.ts';
import { TEXTS } from './texts.ts';

/** Keeps the times of a new appointment. @throws HttpError 422; the exclusion's error when one is taken */
export async function bookAppointment(tx: Tx, now: Date, b: NewAppointment, by: number) {
  const { zone, dateOrder, rules } = await readRules(tx);
  const kind = kindOf(rules.kinds, b.kind);
  if (!(await isClient(tx, b.clientId))) throw new HttpError(422, 'no-such-client', TEXTS.noSuchClient);
  if (b.orderId !== null && !(await isOrderOf(tx, b.orderId, b.clientId)))
    throw new HttpError(422, 'not-their-order', TEXTS.notTheirOrder);
  const order = b.orderId === null ? null : await readOrder(tx, b.orderId);
  if (order) refuseCancelled(order);
  const minutes = b.minutes ?? kind.minutes;
  const buffer = b.buffer ?? kind.buffer;
  const offered = b.heldUntil !== null;
  if (b.slots.length > 1 && !offered) throw new HttpError(422, 'held-until', TEXTS.heldUntil);
  if (offered && new Date(b.heldUntil!) <= now) throw new HttpError(422, 'held-until', TEXTS.heldUntilPast);
  const days = b.slots.map((s) => s.day).sort();
  await holdDays(tx, days);
  const around = new Map<string, Book>();
  for (const day of new Set(days)) around.set(day, await readBook(tx, zone, rules, [day, day]));
  const slots = b.slots.map((s) =>
    checkSlot({ zone, dateOrder }, around.get(s.day)!, kind, minutes, s, Math.floor(now.getTime() / 60_000)),
  );
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
  await planMessages(tx, zone, made, status, now);
  await remember(tx, 'appointment', id, by, status, undefined, {
    kind: kind.id,
    clientId,
    orderId,
    slots: b.slots,
  });
  return made;
}
