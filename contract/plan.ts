import { type Need, SKILLS, type Stage } from '@rocchetto/core';
import type { Choices } from '@rocchetto/core/plan/chain.ts';
import type { OneVisit } from '@rocchetto/core/plan/one-visit.ts';
import type { HouseTimes } from '@rocchetto/core/plan/times.ts';
import type { SheetUnit } from '@rocchetto/core/units/length.ts';
import { z } from 'zod';
import { IsoDate, Version } from './basics.ts';
import { BenchWrite } from './bench.ts';
import type { HouseBench } from './bench-rules.ts';
import { SlotWire } from './diary.ts';
import { made } from './made.ts';
import { reason } from './texts.ts';

const StepId = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'There is no such step. Reload and choose again.');
const minutes = z
  .int('Enter whole minutes.')
  .min(0, 'Enter 0 minutes or more.')
  .max(6000, 'Enter at most 100 hours.');

/** How the work on an order goes, where a choice is left, and what of its steps is its own. */
export const PlanChoices = z.strictObject({
  version: z.literal(1).default(1),
  toile: z.boolean(),
  fittings: z.int().min(1, 'Plan 1 fitting or more.').max(6, 'Plan up to 6 fittings.'),
  once: z.boolean(),
  fittingKind: z.string().max(40),
  cloth: z
    .strictObject({ state: z.enum(['here', 'comes', 'order']), on: IsoDate.nullable() })
    .refine((c) => c.state !== 'comes' || c.on !== null, 'Enter the day on which the cloth comes.'),
  own: z
    .array(
      z.strictObject({
        id: StepId,
        minutes: minutes.nullable(),
        reason: reason('Enter why this step is not as usual.'),
        added: z
          .strictObject({
            name: z.string().trim().min(1, 'Enter what is to be done.').max(80),
            after: StepId,
            skill: z.enum(SKILLS),
          })
          .nullable(),
      }),
    )
    .max(40, 'Change up to 40 steps.')
    .refine((o) => new Set(o.map((s) => s.id)).size === o.length, 'A step is there twice.'),
  /** steps that a hand says are done, since which day */
  done: z.array(z.strictObject({ step: StepId, on: IsoDate })).max(60),
}) satisfies z.ZodType<Choices>;
export type PlanChoices = z.infer<typeof PlanChoices>;

export const PlanWrite = z.strictObject({ version: Version, choices: PlanChoices });

const Place = z.strictObject({
  day: z.string(),
  time: z.string(),
  /** where it ends, when that is another day */
  untilDay: z.string(),
  untilTime: z.string(),
  staff: z.array(z.strictObject({ id: z.number(), name: z.string() })).readonly(),
  room: z.strictObject({ id: z.number(), name: z.string() }).nullable(),
});
export const PlanStep = z.strictObject({
  id: z.string(),
  name: z.string(),
  does: z.enum(['work', 'meeting']),
  kind: z.string().nullable(),
  minutes: z.number(),
  /** who can do it, in words */
  skills: z.string(),
  why: z.array(z.string()).readonly(),
  /** waits that are nobody's work, in words */
  waits: z.array(z.string()).readonly(),
  earliest: Place.nullable(),
  latest: z.strictObject({ day: z.string(), time: z.string() }).nullable(),
  /** days from the earliest start to the latest; null where one of them is not known */
  slackDays: z.number().nullable(),
  tight: z.boolean(),
  booked: z.boolean(),
  given: z.boolean(),
  /** booked or given too early: the day from which it could be */
  readyOn: z.string().nullable(),
  /** what an appointment needs that it makes ready */
  makes: made<Need>().nullable(),
  /** what it would be as work at the bench, a line a day */
  work: z.array(z.strictObject({ staffId: z.number(), day: z.string(), minutes: z.number() })).readonly(),
});
export type PlanStep = z.infer<typeof PlanStep>;

/** What can be promised of an order, and its steps at their earliest and latest. */
export const PlanView = z.strictObject({
  version: z.number(),
  /** what is booked and given as it is seen here: an acceptance says it again */
  stamp: z.string(),
  order: z.strictObject({ number: z.string(), what: z.string(), stage: made<Stage>() }),
  choices: PlanChoices,
  /** nobody has chosen yet */
  usual: z.boolean(),
  today: z.string(),
  wornOn: z.string().nullable(),
  handOver: z.string().nullable(),
  ready: z.string().nullable(),
  holds: z.enum(['yes', 'no', 'unknown', 'no-day']),
  says: z.array(z.string()).readonly(),
  would: z.array(z.strictObject({ id: z.string(), says: z.string(), day: z.string() })).readonly(),
  /** how sure it is, from the studio’s own past: a sentence, and what is known of each kind of work */
  sure: z.strictObject({ says: z.string(), past: z.array(z.string()).readonly() }),
  steps: z.array(PlanStep).readonly(),
  /** all that the one fitting settles, where the client can come once */
  once: made<OneVisit>().nullable(),
  /** what a hand left out of it: struck, or marked as done */
  left: z.array(z.strictObject({ id: z.string(), name: z.string(), says: z.string() })).readonly(),
  fittingKinds: z.array(z.strictObject({ id: z.string(), name: z.string() })).readonly(),
});
export type PlanView = z.infer<typeof PlanView>;

/** What is taken of a plan, as it was seen: work for days, and appointments at their times. */
export const PlanAccept = z.strictObject({
  /** what was booked and given when it was seen */
  stamp: z.string().max(8000),
  work: z.array(BenchWrite.extend({ step: StepId })).max(100),
  meetings: z
    .array(
      z.strictObject({
        step: StepId,
        kind: z.string().max(40),
        minutes: z.int().min(5).max(720),
        slot: SlotWire,
      }),
    )
    .max(20),
});
export type PlanAccept = z.infer<typeof PlanAccept>;
export const PlanAccepted = z.strictObject({ work: z.number(), meetings: z.number() });

/** The house's times as core reckons with them. */
export const timesOf = (bench: HouseBench, unit: SheetUnit): HouseTimes => ({
  minutes: bench.times,
  days: bench.waits,
  unit,
});

/** What is supposed while all promises are looked at: nothing of it is kept. */
export const PromisesAsk = z
  .object({
    /** somebody who is away on these days */
    staff: z.coerce.number().int().positive().optional(),
    from: IsoDate.optional(),
    until: IsoDate.optional(),
    /** an order whose cloth comes on this day */
    order: z.coerce.number().int().positive().optional(),
    cloth: IsoDate.optional(),
    /** an appointment that is moved to this day, at the same time */
    appointment: z.coerce.number().int().positive().optional(),
    to: IsoDate.optional(),
    /** the least change that mends each late order is looked for, which takes a while */
    first: z.literal('1').optional(),
    /** another order like this one, of a new client, that is worn on this day */
    like: z.coerce.number().int().positive().optional(),
    worn: IsoDate.optional(),
    /** an order that comes back to the bench for so many minutes */
    back: z.coerce.number().int().positive().optional(),
    minutes: z.coerce
      .number('Enter the minutes as a number.')
      .int('Enter whole minutes.')
      .min(5, 'Enter 5 minutes or more.')
      .max(6000, 'Enter at most 100 hours.')
      .optional(),
  })
  .refine(
    (q) => (q.like === undefined) === (q.worn === undefined),
    'Choose an order and the day on which the other is worn.',
  )
  .refine(
    (q) => (q.back === undefined) === (q.minutes === undefined),
    'Choose an order and for how long it is back on the bench.',
  )
  .refine(
    (q) => q.staff === undefined || (q.from !== undefined && q.until !== undefined && q.from <= q.until),
    {
      message: 'Enter the first and the last day away, the first one first.',
    },
  )
  .refine(
    (q) => (q.order === undefined) === (q.cloth === undefined),
    'Choose an order and the day on which its cloth comes.',
  )
  .refine(
    (q) => (q.appointment === undefined) === (q.to === undefined),
    'Choose an appointment and its new day.',
  );
export type PromisesAsk = z.infer<typeof PromisesAsk>;

const Promised = z.strictObject({
  id: z.number(),
  number: z.string(),
  what: z.string(),
  clientName: z.string(),
  wornOn: z.string().nullable(),
  handOver: z.string().nullable(),
  ready: z.string().nullable(),
  holds: PlanView.shape.holds,
  /** days to spare; fewer than none where it is late */
  spare: z.number().nullable(),
  says: z.array(z.string()).readonly(),
  /** of what it says, what cannot stay as it is booked or given */
  broken: z.array(z.string()).readonly(),
  would: z.array(z.string()).readonly(),
  /** the hands its thread passes, in order of time, with the days from today */
  passes: z
    .array(z.strictObject({ staffId: z.number(), step: z.string(), day: z.string(), at: z.number() }))
    .readonly(),
  /** booked for it from now on */
  appointments: z.array(z.strictObject({ id: z.number(), says: z.string() })).readonly(),
});
export type Promised = z.infer<typeof Promised>;

/** Every order in work, planned together. */
export const PromisesView = z.strictObject({
  today: z.string(),
  orders: z.array(Promised).readonly(),
  /** there are more than are looked at */
  more: z.boolean(),
  /** for so many late ones the least change was not looked for to the end, for want of time */
  untried: z.number(),
  staff: z.array(z.strictObject({ id: z.number(), name: z.string() })).readonly(),
  /** minutes of each hand week by week: free, and of that planned but not given */
  weeks: z
    .array(
      z.strictObject({
        from: z.string(),
        hands: z.array(z.strictObject({ id: z.number(), free: z.number(), planned: z.number() })).readonly(),
      }),
    )
    .readonly(),
  /** what breaks by what was supposed, in the order of the day of hand-over; null where nothing was */
  breaks: z
    .strictObject({
      says: z.string(),
      /** what becomes of an order that is supposed to be taken in: its answer, and what would help */
      taken: z
        .strictObject({
          holds: PlanView.shape.holds,
          says: z.array(z.string()).readonly(),
          would: z.array(z.string()).readonly(),
        })
        .nullable(),
      orders: z
        .array(Promised.extend({ before: z.string().nullable(), says: z.array(z.string()).readonly() }))
        .readonly(),
      /** appointments that cannot be held as they are booked */
      appointments: z.array(z.strictObject({ id: z.number(), day: z.string(), says: z.string() })).readonly(),
    })
    .nullable(),
});
export type PromisesView = z.infer<typeof PromisesView>;

/** The promises that do not hold, as they were a moment ago. */
export const BrokenView = PromisesView.pick({ today: true, orders: true });

/** What the studio's own past says of the table of times: steps of which enough times are kept. */
export const PastView = z
  .array(
    z.strictObject({
      step: z.string(),
      name: z.string(),
      cases: z.number(),
      median: z.number(),
      low: z.number(),
      high: z.number(),
    }),
  )
  .readonly();
export type PastView = z.infer<typeof PastView>;
