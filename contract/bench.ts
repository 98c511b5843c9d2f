import { NEEDS, type Need, type Skill } from '@rocchetto/core';
import type { AlterationState } from '@rocchetto/core/alter/index.ts';
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

/** What each day of each hand holds, minutes. */
export interface BenchWeek {
  readonly days: readonly string[];
  readonly hands: readonly {
    readonly id: number;
    readonly name: string;
    readonly skills: readonly Skill[];
    readonly days: readonly {
      /** hours less leave and closed days */
      readonly works: number;
      readonly booked: number;
      /** promised at the bench */
      readonly bench: number;
      /** left from now on */
      readonly free: number;
    }[];
  }[];
}

/** What the program would give to whom for the days ahead; nothing of it is done until a hand says so. */
export interface Proposal {
  readonly days: readonly string[];
  readonly placed: readonly (Pick<
    BenchRow,
    'id' | 'orderId' | 'orderNumber' | 'clientName' | 'sentence' | 'unit' | 'version'
  > & {
    readonly staffId: number;
    readonly staffName: string;
    readonly day: string;
    readonly minutes: number;
    readonly why: string;
  })[];
  readonly left: readonly (Pick<
    BenchRow,
    'id' | 'orderId' | 'orderNumber' | 'clientName' | 'sentence' | 'unit'
  > & { readonly why: string })[];
}

/** One line of the bench: enough to choose by; the page of the alteration tells the rest. */
export interface BenchRow {
  readonly id: number;
  readonly orderId: number;
  readonly orderNumber: string;
  readonly order: string;
  readonly clientName: string;
  readonly kind: string;
  readonly sentence: string;
  /** the unit its sheet is marked in */
  readonly unit: 'cm' | 'in';
  readonly status: AlterationState;
  readonly staffId: number | null;
  readonly staffName: string | null;
  readonly day: string | null;
  readonly neededOn: string | null;
  /** the order’s next appointment, that what is open holds up */
  readonly nextAt: string | null;
  readonly nextKind: string | null;
  readonly minutes: number;
  readonly worked: number;
  readonly boxesOpen: number;
  readonly workingId: number | null;
  readonly doneById: number | null;
  readonly version: number;
}
