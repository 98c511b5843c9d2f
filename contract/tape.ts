import { findMeasure } from '@rocchetto/core';
import { z } from 'zod';
import { Id } from './basics.ts';
import { lengthText } from './length.ts';

/** How one hand reads one measure, or two hands beside each other. */
export const TapeRow = z.strictObject({
  pairs: z.number(),
  tem: z.number(),
  mean: z.number(),
  /** TEM in per cent of the mean */
  relative: z.number(),
  measure: z.string(),
  /** what two readings may lie apart, cm */
  allowed: z.number(),
  verdict: z.enum(['too few', 'steady', 'strays']),
});
export type TapeRow = z.infer<typeof TapeRow>;
export const WhoseTape = z.strictObject({
  hands: z
    .array(
      z.strictObject({
        name: z.string(),
        rows: z.array(TapeRow).readonly(),
      }),
    )
    .readonly(),
  /** of practice: who read against whom */
  between: z
    .array(
      z.strictObject({
        reader: z.string(),
        second: z.string(),
        rows: z.array(TapeRow).readonly(),
      }),
    )
    .readonly(),
  /** how many of the newest sessions were looked at */
  sessions: z.number(),
});
export type WhoseTape = z.infer<typeof WhoseTape>;

/** What two hands read on one body for practice, each without seeing the other. */
export const PairsWrite = z
  .strictObject({
    readerId: Id,
    secondId: Id,
    pairs: z
      .array(
        z.strictObject({
          measure: z
            .string()
            .refine((id) => findMeasure(id) !== undefined, 'There is no measurement with this name.'),
          reader: lengthText({ min: 0.5, max: 300, name: 'first reading' }),
          second: lengthText({ min: 0.5, max: 300, name: 'second reading' }),
        }),
      )
      .min(1, 'Nothing was measured.')
      .max(40),
  })
  .refine((p) => p.readerId !== p.secondId, {
    path: ['secondId'],
    message: 'Choose two different people.',
  });
export type PairsWrite = z.infer<typeof PairsWrite>;

/** One measure of a client over the sessions, the oldest first. */
export const MeasureSeries = z.strictObject({
  measure: z.string(),
  points: z
    .array(
      z.strictObject({
        session: z.string(),
        /** ISO instant */
        at: z.string(),
        /** the body, cm */
        cm: z.number(),
        asRead: z.string(),
        beneath: z.string(),
        measurer: z.string(),
        tape: z.string(),
      }),
    )
    .readonly(),
});
export type MeasureSeries = z.infer<typeof MeasureSeries>;
export const HistoryView = z.strictObject({
  clientName: z.string(),
  series: z.array(MeasureSeries).readonly(),
  /** open orders whose measuring is too old, a sentence each */
  stale: z
    .array(
      z.strictObject({
        orderId: z.number(),
        number: z.string(),
        says: z.string(),
      }),
    )
    .readonly(),
});
export type HistoryView = z.infer<typeof HistoryView>;
