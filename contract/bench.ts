import { NEEDS, type Need, type Skill } from '@rocchetto/core';
import type { AlterationState } from '@rocchetto/core/alter/index.ts';
import { z } from 'zod';
import { Id, IsoDate, Version } from './basics.ts';
import { made } from './made.ts';

/** Work at the bench promised to an order: who, on which day, for how long, and what it makes ready. */
export const BenchWrite = z.strictObject({
  staffId: Id,
  day: IsoDate,
  minutes: z
    .int()
    .min(5, 'Enter 5 minutes or more.')
    .max(720, 'Enter at most 12 hours. Schedule longer work as several days.'),
  what: z.string().trim().min(1, 'Enter the work.').max(200),
  makes: z
    .enum(Object.keys(NEEDS) as [Need, ...Need[]])
    .nullable()
    .default(null),
});

export type BenchWrite = z.infer<typeof BenchWrite>;

export const BenchDone = z.strictObject({
  version: Version,
  done: z.boolean(),
  /** how long it took, minutes, where that is said */
  took: z
    .int('Enter whole minutes.')
    .min(1, 'Enter 1 minute or more.')
    .max(2880, 'Enter at most 48 hours.')
    .nullable()
    .default(null),
});

export const BenchWork = BenchWrite.extend({
  id: z.number(),
  orderId: z.number(),
  orderNumber: z.string(),
  order: z.string(),
  doneAt: z.string().nullable(),
  /** the step of its order’s plan that it is */
  step: z.string().nullable(),
  took: z.number().nullable(),
  /** the alteration it is work on: changed and ticked there */
  alterationId: z.number().nullable(),
  version: z.number(),
});
export type BenchWork = z.infer<typeof BenchWork>;

/** What a promise was kept as, and what it asks of the day when that is too much. */
export const BenchKept = z.strictObject({
  id: z.number(),
  version: z.number(),
  says: z.string().nullable(),
});
export type BenchKept = z.infer<typeof BenchKept>;

/** What each day of each hand holds, minutes. */
export const BenchWeek = z.strictObject({
  days: z.array(z.string()).readonly(),
  hands: z
    .array(
      z.strictObject({
        id: z.number(),
        name: z.string(),
        skills: z.array(made<Skill>()).readonly(),
        days: z
          .array(
            z.strictObject({
              /** hours less leave and closed days */
              works: z.number(),
              booked: z.number(),
              /** promised at the bench */
              bench: z.number(),
              /** left from now on */
              free: z.number(),
            }),
          )
          .readonly(),
      }),
    )
    .readonly(),
});
export type BenchWeek = z.infer<typeof BenchWeek>;

/** One line of the bench: enough to choose by; the page of the alteration tells the rest. */
export const BenchRow = z.strictObject({
  id: z.number(),
  orderId: z.number(),
  orderNumber: z.string(),
  order: z.string(),
  clientName: z.string(),
  kind: z.string(),
  sentence: z.string(),
  /** the unit its sheet is marked in */
  unit: z.enum(['cm', 'in']),
  status: made<AlterationState>(),
  staffId: z.number().nullable(),
  staffName: z.string().nullable(),
  day: z.string().nullable(),
  neededOn: z.string().nullable(),
  /** the order’s next appointment, that what is open holds up */
  nextAt: z.string().nullable(),
  nextKind: z.string().nullable(),
  minutes: z.number(),
  worked: z.number(),
  boxesOpen: z.number(),
  workingId: z.number().nullable(),
  doneById: z.number().nullable(),
  version: z.number(),
});
export type BenchRow = z.infer<typeof BenchRow>;

/** What the program would give to whom for the days ahead; nothing of it is done until a hand says so. */
export const Proposal = z.strictObject({
  days: z.array(z.string()).readonly(),
  placed: z
    .array(
      BenchRow.pick({
        id: true,
        orderId: true,
        orderNumber: true,
        clientName: true,
        sentence: true,
        unit: true,
        version: true,
      }).extend({
        staffId: z.number(),
        staffName: z.string(),
        day: z.string(),
        minutes: z.number(),
        why: z.string(),
      }),
    )
    .readonly(),
  left: z
    .array(
      BenchRow.pick({
        id: true,
        orderId: true,
        orderNumber: true,
        clientName: true,
        sentence: true,
        unit: true,
      }).extend({
        why: z.string(),
      }),
    )
    .readonly(),
});
export type Proposal = z.infer<typeof Proposal>;
