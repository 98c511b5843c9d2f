import { findMeasure, type Tem } from '@rocchetto/core';
import { z } from 'zod';
import { Id } from './basics.ts';
import { lengthText } from './length.ts';

/** How one hand reads one measure, or two hands beside each other. */
export interface TapeRow extends Tem {
  readonly measure: string;
  /** what two readings may lie apart, cm */
  readonly allowed: number;
  readonly verdict: 'too few' | 'steady' | 'strays';
}
export interface WhoseTape {
  readonly hands: readonly { readonly name: string; readonly rows: readonly TapeRow[] }[];
  /** of practice: who read against whom */
  readonly between: readonly {
    readonly reader: string;
    readonly second: string;
    readonly rows: readonly TapeRow[];
  }[];
  /** how many of the newest sessions were looked at */
  readonly sessions: number;
}

/** What two hands read on one body for practice, each without seeing the other. */
export const PairsWrite = z
  .strictObject({
    readerId: Id,
    secondId: Id,
    pairs: z
      .array(
        z.strictObject({
          measure: z.string().refine((id) => findMeasure(id) !== undefined, 'No measurement has this name.'),
          reader: lengthText({ min: 0.5, max: 300, name: 'first reading' }),
          second: lengthText({ min: 0.5, max: 300, name: 'second reading' }),
        }),
      )
      .min(1, 'Nothing was read.')
      .max(40),
  })
  .refine((p) => p.readerId !== p.secondId, {
    path: ['secondId'],
    message: 'Two hands read: the second is another than the first.',
  });
export type PairsWrite = z.infer<typeof PairsWrite>;

/** One measure of a client over the sessions, the oldest first. */
export interface MeasureSeries {
  readonly measure: string;
  readonly points: readonly {
    readonly session: string;
    /** ISO instant */
    readonly at: string;
    /** the body, cm */
    readonly cm: number;
    readonly asRead: string;
    readonly beneath: string;
    readonly measurer: string;
    readonly tape: string;
  }[];
}
export interface HistoryView {
  readonly clientName: string;
  readonly series: readonly MeasureSeries[];
  /** open orders whose measuring is too old, a sentence each */
  readonly stale: readonly { readonly orderId: number; readonly number: string; readonly says: string }[];
}
