import { type AppointmentView, contactOf, type DiaryRules, messageValues } from '@rocchetto/contract';
import { DEFAULT_WORDS, fillWords, type MessageKind } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { planOn, wallAt } from '@rocchetto/core/diary/zoned.ts';
import type { Db, Tx } from '../../db/pool.ts';
import { newToken } from '../../http/token.ts';
import { readHouse } from '../house.ts';
import { readAppointment } from './appointments.ts';
import { readRules } from './hours.ts';
import { addClientLink } from './links.ts';
import { addMessage, carry, dropMessages, holdMessage, messageTo, settleMessage } from './messages.ts';

/** Reminders go out at this hour of the studio's day. */
const HOUR = '10:00';
const REMINDERS: readonly (readonly [kind: MessageKind, days: number])[] = [
  ['two-days', 2],
  ['day-before', 1],
];

export type Happened = 'confirmed' | 'offered' | 'moved' | 'cancelled';

/**
 * Writes down what the client is to be told of a change, in the change's own transaction: so it is told if and only if
 * the change was made. What was still to be told of the time before is dropped.
 */
export async function planMessages(
  tx: Tx,
  zone: string,
  a: AppointmentView,
  happened: Happened,
  now: Date,
): Promise<void> {
  await dropMessages(tx, a.id);
  const taken = a.slots.find((s) => s.state === 'taken');
  const tells = happened === 'cancelled' ? a.slots.filter((s) => s.state === 'left').at(-1) : taken;
  const begun = tells && tells.start * 60_000 <= now.getTime();
  if (happened === 'cancelled' && begun) return;
  await addMessage(tx, { appointmentId: a.id, slotId: tells?.id ?? null, kind: happened, dueAt: now });
  if (happened === 'cancelled' || happened === 'offered' || !taken) return;
  for (const [kind, days] of REMINDERS) {
    const dueAt = new Date(planOn(zone, dayAfter(taken.day, -days), HOUR) * 60_000);
    if (dueAt > now) await addMessage(tx, { appointmentId: a.id, slotId: taken.id, kind, dueAt });
  }
}

/** Until when the client's own page is open: until the last time it tells of has begun. */
const endOf = (a: AppointmentView, now: Date) =>
  new Date(
    Math.max(now.getTime(), ...a.slots.filter((s) => s.state !== 'left').map((s) => s.start * 60_000)),
  );

/** Whether what a message tells of is still so. */
function stillSo(a: AppointmentView, kind: MessageKind, slotId: number | null): boolean {
  if (kind === 'offered') return a.status === 'offered';
  if (kind === 'cancelled') return a.status === 'cancelled';
  return a.status === 'confirmed' && a.slots.some((s) => s.id === slotId && s.state === 'taken');
}

/** The carrier is a stand-in: what it would have sent stands in the outbox. Out of order, it throws. */
export class CarrierFails extends Error {
  constructor() {
    super('Sending failed (simulated).');
  }
}

/**
 * Sends one message that is due, in one transaction: it is sent and says so, or neither. One that tells of what is no
 * longer so is dropped. @throws CarrierFails, so that the queue tries again later
 */
export async function sendMessage(tx: Tx, id: number, now: Date, address: string): Promise<void> {
  const message = await holdMessage(tx, id);
  if (message?.state !== 'waiting') return;
  const { zone, rules, studio, fails } = await carrierOf(tx);
  const a = await readAppointment(tx, zone, message.appointmentId);
  if (!a || !stillSo(a, message.kind, message.slotId)) return settleMessage(tx, id, 'dropped', now);
  const { to, channel, roomNames } = await messageTo(tx, a.clientId);
  if (!to) return settleMessage(tx, id, 'no-address', now);
  if (fails) throw new CarrierFails();
  const words = rules.words[message.kind] ?? DEFAULT_WORDS[message.kind];
  const { token, hash } = newToken();
  await addClientLink(tx, hash, a.id, endOf(a, now));
  const values = {
    link: `${address}/answer#${token}`,
    ...messageValues(
      a,
      a.slots.find((x) => x.id === message.slotId),
      {
        studio,
        contact: contactOf(await readHouse(tx)),
        wall: (at) => wallAt(zone, at),
        roomName: (r) => (r === null ? '' : (roomNames.get(r) ?? '')),
      },
    ),
  };
  await carry(tx, id, now, {
    channel,
    to,
    subject: channel === 'mail' ? fillWords(words.subject, values) : '',
    body: fillWords(words.body, values),
  });
  await settleMessage(tx, id, 'sent', now);
}

async function carrierOf(
  db: Db,
): Promise<{ zone: string; rules: DiaryRules; studio: string; fails: boolean }> {
  const { zone, rules } = await readRules(db);
  const { rows } = await db.query<{ studio: string; fails: boolean }>(
    'select studio, carrier_fails as fails from house',
  );
  return { zone, rules, ...rows[0]! };
}
