import { type AppointmentView, contactOf, type MailServer, messageValues } from '@rocchetto/contract';
import { DEFAULT_WORDS, fillWords, type MessageKind } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { planOn, wallAt } from '@rocchetto/core/diary/zoned.ts';
import type { Tx } from '../../db/pool.ts';
import { newToken } from '../../http/token.ts';
import { readHouse } from '../house.ts';
import { mailSecret, readMailServer } from '../mail-server.ts';
import { readAppointment } from './appointments.ts';
import { readRules } from './hours.ts';
import { addClientLink } from './links.ts';
import {
  addMessage,
  carrierFails,
  carry,
  dropMessages,
  holdMessage,
  type Letter,
  messageTo,
  pageKeyOf,
  settleMessage,
} from './messages.ts';

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

/** Sending that is made to fail: in the demo only. */
export class CarrierFails extends Error {
  constructor() {
    super('Sending failed (simulated).');
  }
}

/** A letter that is to be handed to the house's mail server, with the name it goes by. */
export interface Addressed {
  readonly letter: Letter;
  readonly name: string;
  readonly from: string;
  readonly server: MailServer;
  readonly secret: string;
}

/**
 * Writes one message that is due, in one transaction. Without a mail server, and for a text, that is all: it is recorded
 * and says so, or neither. Else the letter is given back, to be sent; written again for another try it has the same page.
 * One that tells of what is no longer so is dropped. @throws CarrierFails, so that the queue tries again later
 */
export async function writeMessage(
  tx: Tx,
  id: number,
  now: Date,
  address: string,
): Promise<Addressed | undefined> {
  const message = await holdMessage(tx, id);
  if (message?.state !== 'waiting') return;
  const { zone, rules } = await readRules(tx);
  const house = await readHouse(tx);
  const a = await readAppointment(tx, zone, message.appointmentId);
  if (!a || !stillSo(a, message.kind, message.slotId)) return settleMessage(tx, id, 'dropped', now);
  const { to, channel, language, roomNames } = await messageTo(tx, a.clientId);
  if (!to) return settleMessage(tx, id, 'no-address', now);
  if (await carrierFails(tx)) throw new CarrierFails();
  const own = rules.languages[language]?.words[message.kind];
  const words = own ?? rules.words[message.kind] ?? DEFAULT_WORDS[message.kind];
  let key = await pageKeyOf(tx, id);
  if (!key) {
    const { token, hash } = newToken();
    await addClientLink(tx, hash, a.id, endOf(a, now));
    key = token;
  }
  const values = {
    link: `${address}/answer#${key}`,
    ...messageValues(
      a,
      a.slots.find((x) => x.id === message.slotId),
      {
        studio: house.studio,
        contact: contactOf(house),
        wall: (at) => wallAt(zone, at),
        dateOrder: house.dateOrder,
        roomName: (r) => (r === null ? '' : (roomNames.get(r) ?? '')),
        ...(own ? { language, kinds: rules.languages[language]!.kinds } : {}),
      },
    ),
  };
  const letter: Letter = {
    channel,
    to,
    subject: channel === 'mail' ? fillWords(words.subject, values) : '',
    body: fillWords(words.body, values),
  };
  await carry(tx, id, now, letter, key);
  const server = channel === 'mail' ? await readMailServer(tx) : undefined;
  if (!server?.on) return settleMessage(tx, id, 'sent', now);
  return { letter, server, secret: await mailSecret(tx), name: house.studio, from: house.email };
}
