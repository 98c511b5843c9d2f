import { NEEDS, type Need } from '@rocchetto/core';
import { z } from 'zod';
import { Id, IsoDate, Version } from './basics.ts';

/** Work at the bench promised to an order: who, on which day, for how long, and what it makes ready. */
export const BenchWrite = z.strictObject({
  staffId: Id,
  day: IsoDate,
  minutes: z
    .int()
    .min(5, 'Bench work takes 5 minutes or more.')
    .max(720, 'More than 12 hours go on several days: promise each by itself.'),
  what: z.string().trim().min(1, 'Say what is done.').max(200),
  makes: z
    .enum(Object.keys(NEEDS) as [Need, ...Need[]])
    .nullable()
    .default(null),
});
export type BenchWrite = z.infer<typeof BenchWrite>;
export const BenchDone = z.strictObject({ version: Version, done: z.boolean() });

export interface BenchWork extends BenchWrite {
  readonly id: number;
  readonly orderId: number;
  readonly orderNumber: string;
  readonly order: string;
  readonly doneAt: string | null;
  /** the alteration it is work on: changed and ticked there */
  readonly alterationId: number | null;
  readonly version: number;
}
/** What a promise was kept as, and what it asks of the day when that is too much. */
export interface BenchKept {
  readonly id: number;
  readonly version: number;
  readonly says: string | null;
}

export const ClientAwayWrite = z
  .strictObject({
    firstDay: IsoDate,
    lastDay: IsoDate,
    reason: z.string().trim().max(200).default(''),
  })
  .refine((d) => d.firstDay <= d.lastDay, 'The last day lies before the first.');
export type ClientAwayWrite = z.infer<typeof ClientAwayWrite>;
/** Days on which a client cannot come, both of them included. */
export interface ClientAway extends ClientAwayWrite {
  readonly id: number;
}

/** Somebody's busy times as a calendar file (RFC 5545) has them. */
export const BusyWrite = z.strictObject({
  staffId: Id,
  name: z.string().trim().min(1, 'A calendar needs a name.').max(80),
  text: z.string().min(1, 'The file is empty.').max(2_000_000, 'This is more than 2 MB.'),
});
export interface BusyFile {
  readonly id: number;
  readonly staffId: number;
  readonly name: string;
  /** as far as it was followed */
  readonly until: string;
  readonly madeAt: string;
}
/** What was read in: entries that make busy, times they come to, how many lie over bookings, what was left out. */
export interface BusyKept {
  readonly id: number;
  readonly entries: number;
  readonly times: number;
  readonly over: number;
  readonly notes: readonly string[];
  readonly until: string;
}
