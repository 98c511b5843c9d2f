import {
  type AppointmentKind,
  type AppointmentStatus,
  type Hours,
  type RoomUse,
  type Skill,
  STATUSES,
} from '@rocchetto/core';
import type { MessageKind } from '@rocchetto/core/diary/words.ts';
import { z } from 'zod';
import { Id, Instant, IsoDate, Version } from './basics.ts';
import type { BenchWork } from './bench.ts';
import { type DiaryRules, ORDER, short, WallTime } from './diary-rules.ts';
import type { Role } from './may.ts';

/** A time as a hand writes it: the studio's wall time, who, and where. */
export const SlotWire = z.strictObject({
  day: IsoDate,
  time: WallTime,
  /** which of the two, where the clocks show this time twice */
  turn: z.enum(['first', 'second']).optional(),
  staff: z
    .array(Id)
    .min(1, 'Say who takes it.')
    .max(4, 'Four of the staff at the most take part in one appointment.'),
  roomId: Id.nullable().default(null),
});
export type SlotWire = z.infer<typeof SlotWire>;

const details = { whoComes: short(200), bring: short(500), note: short(1000) };
export const AppointmentDetails = z.strictObject({ version: Version, ...details });
export const NewAppointment = z.strictObject({
  kind: z.string().max(40),
  clientId: Id,
  orderId: Id.nullable().default(null),
  minutes: z
    .int()
    .min(5, 'An appointment takes 5 minutes or more.')
    .max(720, 'An appointment takes 12 hours at the most.')
    .optional(),
  buffer: z.int().min(0).max(120).optional(),
  /** one that is agreed, or several that are offered until `heldUntil` */
  slots: z.array(SlotWire).min(1, 'Give a time.').max(5, 'Five times at the most are offered at once.'),
  heldUntil: Instant.nullable().default(null),
  ...details,
});
export type NewAppointment = z.infer<typeof NewAppointment>;
const reason = z.string().trim().max(500).default('');
export const MoveAppointment = z.strictObject({ version: Version, slot: SlotWire, reason });
export const AppointmentStep = z.strictObject({
  version: Version,
  status: z.enum(STATUSES),
  /** the offered time that was chosen */
  slotId: Id.optional(),
  reason,
});
export const AppointmentReady = z.strictObject({ version: Version, ready: z.boolean() });

export const DiaryQuery = z.object({
  day: IsoDate.optional(),
  days: z.coerce.number().pipe(z.int().min(1).max(14)).default(1),
});
/** Weekdays as "3,6"; empty for none. */
const Weekdays = z
  .string()
  .max(20)
  .regex(/^([1-7](,[1-7])*)?$/, 'Weekdays are numbers from 1 to 7 with commas between them.')
  .default('')
  .transform((text) => text.split(',').filter(Boolean).map(Number));
/** Days on which the client cannot come: "2026-12-01..2026-12-05,2026-12-10"; empty for none. */
const Away = z
  .string()
  .max(400)
  .default('')
  .transform((text) => text.split(',').filter(Boolean))
  .pipe(
    z.array(
      z
        .string()
        .transform((one) => {
          const [from, until = from] = one.split('..');
          return { from, until };
        })
        .pipe(z.object({ from: IsoDate, until: IsoDate }).refine((d) => d.from <= d.until, ORDER)),
    ),
  );
/** What free times are asked for. */
export const TimesQuery = z.object({
  kind: z.string().max(40),
  from: IsoDate.optional(),
  until: IsoDate.optional(),
  earliest: z.union([WallTime, z.literal('')]).default(''),
  latest: z.union([WallTime, z.literal('')]).default(''),
  /** weekdays that do not suit, 1 to 7 */
  notOn: Weekdays,
  away: Away,
  stepFree: z.enum(['0', '1']).default('0'),
  clientId: z.coerce.number().pipe(Id).optional(),
  orderId: z.coerce.number().pipe(Id).optional(),
  /** an appointment that would be moved: its own time counts as free */
  moving: z.coerce.number().pipe(Id).optional(),
  /** only once what it needs will be there, by the work promised to the order */
  ready: z.enum(['0', '1']).default('0'),
});
export type TimesQuery = z.infer<typeof TimesQuery>;

/** Who takes over the bookings of somebody who leaves; those that cannot go to them stay and are told. */
export const HandOver = z.strictObject({
  toId: Id,
  /** these alone; all of them when left out */
  appointments: z.array(Id).max(100).optional(),
  bench: z.array(Id).max(100).optional(),
});
/** What somebody has ahead: bookings, and work promised at the bench. */
export interface AheadView {
  readonly bookings: readonly { readonly id: number; readonly clientName: string; readonly when: string }[];
  readonly bench: readonly BenchWork[];
}
export interface HandedOver {
  /** bookings and bench work that went */
  readonly handed: number;
  readonly standing: readonly {
    readonly id: number;
    readonly clientName: string;
    readonly when: string;
    readonly why: string;
  }[];
}

const key = { key: z.string().max(100) };
export const AnswerLook = z.strictObject(key);
/** What a client says on their own page: yes (to one of several times, where they are offered), or another time. */
export const ClientAnswer = z.strictObject({
  ...key,
  answer: z.enum(['yes', 'another-time']),
  slotId: Id.optional(),
  words: z.string().trim().max(500, 'Five hundred characters at the most, please.').default(''),
});
/** What the client's own page shows: her times, and nothing else. */
export interface ClientPage {
  readonly studio: string;
  readonly client: string;
  readonly kind: string;
  readonly status: AppointmentStatus;
  readonly answer: '' | 'yes' | 'another-time';
  readonly bring: string;
  readonly until: string;
  readonly times: readonly {
    readonly id: number;
    readonly day: string;
    readonly from: string;
    readonly to: string;
  }[];
}

/** What was, will be or could not be told to a client. */
export interface MessageView {
  readonly id: number;
  readonly appointmentId: number;
  readonly clientName: string;
  readonly kind: MessageKind;
  readonly dueAt: string;
  readonly state: 'waiting' | 'sent' | 'dropped' | 'no-address';
  readonly channel: string;
  /** where it went; empty for those who may not see contacts */
  readonly sentTo: string;
  readonly subject: string;
  readonly body: string;
  readonly tries: number;
  readonly trouble: string;
}
export interface Outbox {
  /** whether the simulated carrier is out of order */
  readonly fails: boolean;
  readonly messages: readonly MessageView[];
}
export const MessagesQuery = z.object({
  /** what was told, the newest first, or what is still to be told, the nearest first */
  show: z.enum(['told', 'to-come']).default('told'),
  appointment: z.coerce.number().pipe(Id).optional(),
  before: z.coerce.number().pipe(Id).optional(),
});
export const Carrier = z.strictObject({ fails: z.boolean() });

/** A calendar address: one's own days, or a room's. */
export const NewFeed = z.strictObject({ roomId: Id.nullable().default(null) });
export interface FeedView {
  readonly id: number;
  readonly name: string;
  readonly madeAt: string;
}

/** Several in a row: how many, how many days apart at least, and by when the last. */
export const SeriesQuery = TimesQuery.extend({
  count: z.coerce.number().pipe(z.int().min(2).max(6)).default(3),
  apart: z.coerce.number().pipe(z.int().min(1).max(60)).default(10),
  lastBy: IsoDate.optional(),
});

export interface StaffAtWork {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly skills: readonly Skill[];
  readonly initials: string;
  readonly mark: number;
  readonly hours: readonly Hours[];
  readonly version: number;
}
export interface RoomView {
  readonly id: number;
  readonly name: string;
  readonly goodFor: readonly RoomUse[];
  readonly version: number;
}
export interface LeaveView {
  readonly id: number;
  readonly staffId: number;
  readonly firstDay: string;
  readonly lastDay: string;
  readonly reason: string;
}
export interface ClosureView {
  readonly id: number;
  readonly name: string;
  readonly firstDay: string;
  readonly lastDay: string;
}
/** All that the diary goes by. */
export interface DiaryHouse {
  readonly version: number;
  readonly rules: DiaryRules;
  readonly kinds: readonly AppointmentKind[];
  readonly staff: readonly StaffAtWork[];
  readonly rooms: readonly RoomView[];
  readonly leave: readonly LeaveView[];
  readonly closures: readonly ClosureView[];
}

/** A time as the screens show it: minutes since 1970 and the studio's wall time. */
export interface SlotView {
  readonly id: number;
  readonly state: 'offered' | 'taken' | 'left';
  readonly start: number;
  readonly end: number;
  readonly day: string;
  readonly from: string;
  readonly to: string;
  readonly staff: readonly number[];
  readonly roomId: number | null;
  readonly reason: string;
  readonly leftAt: string | null;
}
export interface AppointmentView {
  readonly id: number;
  readonly kind: string;
  /** what the house calls it */
  readonly kindName: string;
  readonly status: AppointmentStatus;
  readonly clientId: number;
  readonly clientName: string;
  readonly orderId: number | null;
  readonly orderNumber: string | null;
  readonly what: string | null;
  readonly minutes: number;
  readonly buffer: number;
  readonly whoComes: string;
  readonly bring: string;
  readonly note: string;
  readonly heldUntil: string | null;
  /** what the client said on their own page */
  readonly answer: '' | 'yes' | 'another-time';
  readonly answerWords: string;
  /** who of the staff said it for the client; null when it came by the client’s own page */
  readonly answeredBy: string | null;
  readonly readyAt: string | null;
  readonly version: number;
  /** its time, the times it is offered, and those it left, in the order they were given */
  readonly slots: readonly SlotView[];
}
export interface DiaryDay {
  readonly day: string;
  /** whole day, opening, and each one's hours less leave: minutes since 1970 */
  readonly from: number;
  readonly to: number;
  readonly open: readonly { readonly from: number; readonly to: number }[];
  readonly closed: string | null;
  readonly works: Readonly<Record<number, readonly { readonly from: number; readonly to: number }[]>>;
  readonly away: Readonly<Record<number, string>>;
  /** what their own calendars keep */
  readonly kept: Readonly<Record<number, readonly { readonly from: number; readonly to: number }[]>>;
}
export interface DiaryView {
  readonly days: readonly DiaryDay[];
  readonly appointments: readonly AppointmentView[];
  /** work promised for these days, and for the orders that have a time on them */
  readonly bench: readonly BenchWork[];
}
/** A free time, with what to send to take it. */
export interface TimeView extends SlotWire {
  readonly start: number;
  readonly to: string;
  readonly reasons: readonly string[];
}
/** An order's appointment on its thread. */
export interface OrderAppointment {
  readonly id: number;
  readonly kind: string;
  readonly kindName: string;
  readonly status: AppointmentStatus;
  readonly day: string;
  readonly time: string;
}
