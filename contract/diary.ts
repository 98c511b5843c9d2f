import {
  type AppointmentKind,
  type AppointmentStatus,
  type Hours,
  type RoomUse,
  type Skill,
  STATUSES,
} from '@rocchetto/core';
import { type MessageKind, PAGE_WORD_IDS, type PageWord } from '@rocchetto/core/diary/words.ts';
import { z } from 'zod';
import { Id, Instant, IsoDate, Version } from './basics.ts';
import { BenchWork } from './bench.ts';
import { DiaryRules, ORDER, short, WallTime } from './diary-rules.ts';
import { made } from './made.ts';
import { RoleName } from './roles.ts';

/** A time as a hand writes it: the studio's wall time, who, and where. */
export const SlotWire = z.strictObject({
  day: IsoDate,
  time: WallTime,
  /** which of the two, where the clocks show this time twice */
  turn: z.enum(['first', 'second']).optional(),
  staff: z
    .array(Id)
    .min(1, 'Choose who takes the appointment.')
    .max(4, 'Choose at most four people for one appointment.'),
  roomId: Id.nullable().default(null),
});
export type SlotWire = z.infer<typeof SlotWire>;

const details = { whoComes: short(200), bring: short(500), note: short(1000) };
export const AppointmentDetails = z.strictObject({ version: Version, ...details });
export const NewAppointment = z.strictObject({
  kind: z.string().max(40),
  clientId: Id,
  orderId: Id.nullable().default(null),
  minutes: z.int().min(5, 'Enter 5 minutes or more.').max(720, 'Enter at most 12 hours.').optional(),
  buffer: z.int().min(0).max(120).optional(),
  /** one that is agreed, or several that are offered until `heldUntil` */
  slots: z.array(SlotWire).min(1, 'Choose a time.').max(5, 'Offer at most five times at once.'),
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
export const AheadView = z.strictObject({
  bookings: z
    .array(
      z.strictObject({
        id: z.number(),
        clientName: z.string(),
        when: z.string(),
      }),
    )
    .readonly(),
  bench: z.array(BenchWork).readonly(),
});
export type AheadView = z.infer<typeof AheadView>;
export const HandedOver = z.strictObject({
  /** bookings and bench work that went */
  handed: z.number(),
  standing: z
    .array(
      z.strictObject({
        id: z.number(),
        clientName: z.string(),
        when: z.string(),
        why: z.string(),
      }),
    )
    .readonly(),
});
export type HandedOver = z.infer<typeof HandedOver>;

const key = { key: z.string().max(100) };
export const AnswerLook = z.strictObject(key);
/** What a client says on their own page: yes (to one of several times, where they are offered), or another time. */
export const ClientAnswer = z.strictObject({
  ...key,
  answer: z.enum(['yes', 'another-time']),
  slotId: Id.optional(),
  words: z.string().trim().max(500, 'Please use at most 500 characters.').default(''),
});
/** What the client's own page shows: her times, and nothing else. */
export const ClientPage = z.strictObject({
  studio: z.string(),
  /** how the studio is reached: address, phone, e-mail, those it has given */
  contact: z.array(z.string()).readonly(),
  client: z.string(),
  kind: z.string(),
  status: made<AppointmentStatus>(),
  answer: z.enum(['', 'yes', 'another-time']),
  bring: z.string(),
  until: z.string(),
  /** in which language it is written, and what stands on it */
  language: z.string(),
  words: z.record(z.enum(PAGE_WORD_IDS as [PageWord, ...PageWord[]]), z.string()),
  times: z
    .array(
      z.strictObject({
        id: z.number(),
        day: z.string(),
        from: z.string(),
        to: z.string(),
      }),
    )
    .readonly(),
});
export type ClientPage = z.infer<typeof ClientPage>;

/** What was, will be or could not be told to a client. */
export const MessageView = z.strictObject({
  id: z.number(),
  appointmentId: z.number(),
  clientName: z.string(),
  kind: made<MessageKind>(),
  dueAt: z.string(),
  state: z.enum(['waiting', 'sent', 'dropped', 'no-address', 'refused']),
  /** by the house's mail server; else it is recorded only */
  mailed: z.boolean(),
  channel: z.string(),
  /** where it went; empty for those who may not see contacts */
  sentTo: z.string(),
  subject: z.string(),
  body: z.string(),
  tries: z.number(),
  trouble: z.string(),
});
export type MessageView = z.infer<typeof MessageView>;
export const Outbox = z.strictObject({
  /** whether letters go through a mail server; else they are recorded only */
  mail: z.boolean(),
  /** the demo, where sending may be made to fail */
  demo: z.boolean(),
  /** whether sending is made to fail just now */
  fails: z.boolean(),
  messages: z.array(MessageView).readonly(),
});
export type Outbox = z.infer<typeof Outbox>;
export const MessagesQuery = z.object({
  /** what was told, the newest first, or what is still to be told, the nearest first */
  show: z.enum(['told', 'to-come']).default('told'),
  appointment: z.coerce.number().pipe(Id).optional(),
  before: z.coerce.number().pipe(Id).optional(),
});
export const Carrier = z.strictObject({ fails: z.boolean() });

/** A calendar address: one's own days, or a room's. */
export const NewFeed = z.strictObject({ roomId: Id.nullable().default(null) });
export const FeedView = z.strictObject({
  id: z.number(),
  name: z.string(),
  madeAt: z.string(),
});
export type FeedView = z.infer<typeof FeedView>;

/** Several in a row: how many, how many days apart at least, and by when the last. */
export const SeriesQuery = TimesQuery.extend({
  count: z.coerce.number().pipe(z.int().min(2).max(6)).default(3),
  apart: z.coerce.number().pipe(z.int().min(1).max(60)).default(10),
  lastBy: IsoDate.optional(),
});

export const StaffAtWork = z.strictObject({
  id: z.number(),
  name: z.string(),
  role: RoleName,
  skills: z.array(made<Skill>()).readonly(),
  initials: z.string(),
  mark: z.number(),
  hours: z.array(made<Hours>()).readonly(),
  version: z.number(),
});
export type StaffAtWork = z.infer<typeof StaffAtWork>;
export const RoomView = z.strictObject({
  id: z.number(),
  name: z.string(),
  goodFor: z.array(made<RoomUse>()).readonly(),
  version: z.number(),
});
export type RoomView = z.infer<typeof RoomView>;
export const LeaveView = z.strictObject({
  id: z.number(),
  staffId: z.number(),
  firstDay: z.string(),
  lastDay: z.string(),
  reason: z.string(),
});
export type LeaveView = z.infer<typeof LeaveView>;
export const ClosureView = z.strictObject({
  id: z.number(),
  name: z.string(),
  firstDay: z.string(),
  lastDay: z.string(),
});
export type ClosureView = z.infer<typeof ClosureView>;
/** All that the diary goes by. */
export const DiaryHouse = z.strictObject({
  version: z.number(),
  rules: DiaryRules,
  kinds: z.array(made<AppointmentKind>()).readonly(),
  staff: z.array(StaffAtWork).readonly(),
  rooms: z.array(RoomView).readonly(),
  leave: z.array(LeaveView).readonly(),
  closures: z.array(ClosureView).readonly(),
});
export type DiaryHouse = z.infer<typeof DiaryHouse>;

/** A time as the screens show it: minutes since 1970 and the studio's wall time. */
export const SlotView = z.strictObject({
  id: z.number(),
  state: z.enum(['offered', 'taken', 'left']),
  start: z.number(),
  end: z.number(),
  day: z.string(),
  from: z.string(),
  to: z.string(),
  staff: z.array(z.number()).readonly(),
  roomId: z.number().nullable(),
  reason: z.string(),
  leftAt: z.string().nullable(),
});
export type SlotView = z.infer<typeof SlotView>;
export const AppointmentView = z.strictObject({
  id: z.number(),
  kind: z.string(),
  /** what the house calls it */
  kindName: z.string(),
  status: made<AppointmentStatus>(),
  clientId: z.number(),
  clientName: z.string(),
  orderId: z.number().nullable(),
  orderNumber: z.string().nullable(),
  what: z.string().nullable(),
  minutes: z.number(),
  buffer: z.number(),
  whoComes: z.string(),
  bring: z.string(),
  note: z.string(),
  heldUntil: z.string().nullable(),
  /** what the client said on their own page */
  answer: z.enum(['', 'yes', 'another-time']),
  answerWords: z.string(),
  /** who of the staff said it for the client; null when it came by the client’s own page */
  answeredBy: z.string().nullable(),
  readyAt: z.string().nullable(),
  changedAt: z.string(),
  version: z.number(),
  /** its time, the times it is offered, and those it left, in the order they were given */
  slots: z.array(SlotView).readonly(),
});
export type AppointmentView = z.infer<typeof AppointmentView>;
/** Stretches of time: minutes since 1970. */
const Spans = z.array(z.strictObject({ from: z.number(), to: z.number() })).readonly();
export const DiaryDay = z.strictObject({
  day: z.string(),
  /** whole day, opening, and each one's hours less leave: minutes since 1970 */
  from: z.number(),
  to: z.number(),
  open: Spans,
  closed: z.string().nullable(),
  works: z.record(z.string(), Spans),
  away: z.record(z.string(), z.string()),
  /** what their own calendars keep */
  kept: z.record(z.string(), Spans),
});
export type DiaryDay = z.infer<typeof DiaryDay>;
export const DiaryView = z.strictObject({
  days: z.array(DiaryDay).readonly(),
  appointments: z.array(AppointmentView).readonly(),
  /** work promised for these days, and for the orders that have a time on them */
  bench: z.array(BenchWork).readonly(),
});
export type DiaryView = z.infer<typeof DiaryView>;
/** A free time, with what to send to take it. */
export const TimeView = SlotWire.extend({
  start: z.number(),
  to: z.string(),
  reasons: z.array(z.string()).readonly(),
});
export type TimeView = z.infer<typeof TimeView>;
/** Free times for one kind of appointment, the best first, and what stands in the way. */
export const FreeTimes = z.strictObject({
  kind: z.string(),
  minutes: z.number(),
  says: z.string(),
  times: z.array(TimeView).readonly(),
});
/** An order's appointment on its thread. */
export const OrderAppointment = z.strictObject({
  id: z.number(),
  kind: z.string(),
  kindName: z.string(),
  status: made<AppointmentStatus>(),
  day: z.string(),
  time: z.string(),
});
export type OrderAppointment = z.infer<typeof OrderAppointment>;
