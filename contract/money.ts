import { z } from 'zod';

/** Money that was spoken of, noted by hand; nothing is paid through this program. */
export const MoneyWrite = z.strictObject({
  is: z.enum(['price', 'received', 'given-back']),
  amount: z
    .number('Enter the amount as a number.')
    .min(0.01, 'Enter an amount over 0. For a refund choose “given back”.')
    .max(1_000_000, 'Enter a smaller price.')
    .refine((n) => Math.abs(n * 100 - Math.round(n * 100)) < 1e-6, 'Enter at most two decimals.'),
  words: z.string().trim().max(200).default(''),
});

export type MoneyWrite = z.infer<typeof MoneyWrite>;

export const MoneyNoted = MoneyWrite.extend({
  id: z.number(),
  at: z.string(),
  by: z.string(),
});
export type MoneyNoted = z.infer<typeof MoneyNoted>;

export const MoneyView = z.strictObject({
  noted: z.array(MoneyNoted).readonly(),
  /** prices agreed with alterations that stand */
  alterations: z
    .array(
      z.strictObject({
        sentence: z.string(),
        price: z.number(),
      }),
    )
    .readonly(),
  /** the estimate that is agreed */
  estimate: z.strictObject({ revision: z.number(), price: z.number() }).nullable(),
  agreed: z.number(),
  received: z.number(),
  open: z.number(),
});
export type MoneyView = z.infer<typeof MoneyView>;
