import { SKILLS } from '@rocchetto/core/diary/kinds.ts';
import type { EstimateChoices as Choices, Estimate } from '@rocchetto/core/estimate/estimate.ts';
import type { Moved } from '@rocchetto/core/estimate/moved.ts';
import { NO_RATES, type HouseRates as Rates } from '@rocchetto/core/estimate/rates.ts';
import { CLOTH_NAMES, SOLD, type Sold } from '@rocchetto/core/estimate/sold.ts';
import { z } from 'zod';
import { IsoDate, Version } from './basics.ts';
import { made } from './made.ts';
import { MoneyView } from './money.ts';
import { name, reason } from './texts.ts';

/** An amount of the house's money, in hundredths at most. */
const amount = z
  .number('Enter the amount as a number.')
  .min(0, 'Enter an amount of 0 or more.')
  .max(1_000_000, 'Enter a smaller price.')
  .refine((n) => Math.abs(n * 100 - Math.round(n * 100)) < 1e-6, 'Enter at most two decimals.');
/** How much is bought: pieces, metres or yards; null: as it is reckoned. */
const quantity = z
  .number('Enter the number as a number.')
  .min(0, 'Enter 0 or more.')
  .max(10_000, 'Enter at most 10,000.')
  .nullable();
const percent = (what: string, max: number) =>
  z
    .number(`Enter the ${what} in per cent.`)
    .min(0, `Enter a ${what} of 0 % or more.`)
    .max(max, `Enter a ${what} of at most ${max} %.`);

/** What the house reckons an estimate with. */
export const HouseRates = z
  .strictObject({
    hour: z.partialRecord(z.enum(SKILLS), amount),
    notions: z.partialRecord(z.enum(Object.keys(SOLD) as [Sold, ...Sold[]]), amount),
    share: z.strictObject({ work: percent('share', 500), goods: percent('share', 500) }),
    deposit: percent('deposit', 100),
    step: amount,
  })
  .default({ ...NO_RATES, hour: {}, notions: {}, share: { ...NO_RATES.share } }) satisfies z.ZodType<Rates>;
export type HouseRates = z.infer<typeof HouseRates>;

/** What a hand wrote for the estimate of one order. */
export const EstimateChoices = z.strictObject({
  version: z.literal(1).default(1),
  cloths: z
    .array(
      z.strictObject({
        name: z.enum(CLOTH_NAMES),
        price: amount.nullable(),
        quantity: quantity.default(null),
        theirs: z.boolean(),
      }),
    )
    .max(CLOTH_NAMES.length)
    .default([]),
  notions: z
    .array(
      z.strictObject({
        name: z.string().max(80),
        price: amount.nullable(),
        quantity,
      }),
    )
    .max(80)
    .default([]),
  more: z.array(z.strictObject({ name, amount })).max(40, 'Add up to 40 lines.').default([]),
  asked: amount.nullable().default(null),
  deposit: amount.nullable().default(null),
  /** the last day on which it holds */
  until: IsoDate.nullable().default(null),
  /** what is said to the client beneath it */
  words: z.string().trim().max(1000, 'The text is over 1,000 characters. Shorten it.').default(''),
}) satisfies z.ZodType<Choices>;
export type EstimateChoices = z.infer<typeof EstimateChoices>;

export const EstimateWrite = z.strictObject({ version: Version, choices: EstimateChoices });
/** Keeps an estimate as it was seen. */
export const EstimateKeep = z.strictObject({ stamp: z.string().max(80) });
export const EstimateAgree = z.strictObject({ name });
export const EstimateWithdraw = z.strictObject({ reason: reason('Enter why it is withdrawn.') });

const part = z.enum(['work', 'cloth', 'notions', 'more']);
const maybe = z.number().nullable();
/** An estimate as it is kept and answered. */
export const EstimateWire = z.strictObject({
  lines: z
    .array(
      z.strictObject({
        id: z.string(),
        part,
        name: z.string(),
        quantity: z.string(),
        rate: maybe,
        of: z.enum(['hour', 'metre', 'yard', 'piece']).nullable(),
        amount: maybe,
        why: z.array(z.string()).readonly(),
        minutes: z.number().optional(),
        sold: z.enum(Object.keys(SOLD) as [Sold, ...Sold[]]).optional(),
      }),
    )
    .readonly(),
  minutes: z.number(),
  sums: z.array(z.strictObject({ part, amount: z.number(), share: z.number() })).readonly(),
  total: maybe,
  asked: maybe,
  moved: z.strictObject({ by: z.number(), how: z.enum(['rounded', 'set']) }).nullable(),
  deposit: maybe,
  balance: maybe,
  leaves: z.array(z.string()).readonly(),
}) satisfies z.ZodType<Estimate>;

export const StoredEstimate = z.strictObject({
  version: z.literal(1),
  /** the sheet’s revision it was reckoned from; null while none was drafted */
  sheet: z.number().nullable(),
  until: IsoDate.nullable(),
  words: z.string(),
  estimate: EstimateWire,
});
export type StoredEstimate = z.infer<typeof StoredEstimate>;

export const ESTIMATE_STATES = ['kept', 'agreed', 'replaced', 'withdrawn'] as const;
const Hand = z.strictObject({ at: z.string(), by: z.string() });
export const KeptEstimate = StoredEstimate.omit({ version: true }).extend({
  id: z.number(),
  revision: z.number(),
  state: z.enum(ESTIMATE_STATES),
  kept: Hand,
  agreed: Hand.extend({ name: z.string() }).nullable(),
  gone: Hand.extend({ reason: z.string() }).nullable(),
  /** against the revision before it */
  moved: z.array(made<Moved>()).readonly(),
});
export type KeptEstimate = z.infer<typeof KeptEstimate>;

/** What an order would cost as it stands, and the revisions that were kept. */
export const EstimateView = z.strictObject({
  version: z.number(),
  /** what is seen here: keeping it says it again */
  stamp: z.string(),
  order: z.strictObject({
    number: z.string(),
    what: z.string(),
    clientName: z.string(),
    closed: z.boolean(),
  }),
  /** why there is none: a garment that was brought in */
  none: z.string().nullable(),
  choices: EstimateChoices,
  sheet: z.number().nullable(),
  estimate: EstimateWire,
  /** what it would be, made another way */
  would: z.array(z.strictObject({ says: z.string(), asked: z.number() })).readonly(),
  /** newest first */
  kept: z.array(KeptEstimate).readonly(),
  /** since the newest that was kept and not withdrawn */
  since: z.array(made<Moved>()).readonly(),
  money: MoneyView.pick({ agreed: true, received: true, open: true }),
});
export type EstimateView = z.infer<typeof EstimateView>;

export const EstimatePdfQuery = z.object({
  revision: z.coerce.number().int().positive().optional(),
  /** with hours and rates, for the studio */
  detail: z.enum(['1']).optional(),
});
