import type { FlatChanged } from '@rocchetto/core/compare/flat-table.ts';
import {
  FLAT_CUTS,
  type FlatCut,
  findFlatPoint,
  LAID,
  type Laid,
} from '@rocchetto/core/measures/flat/flat-points.ts';
import { z } from 'zod';
import { lengthText } from './length.ts';
import { made } from './made.ts';

/** What is laid flat beside an order. */
export const FlatLay = z.strictObject({
  of: z.enum(LAID),
  cut: z.enum(FLAT_CUTS),
  words: z.string().trim().max(200).default(''),
  /** what a length may differ by on this piece, halves half of it; null for the studio's own */
  tolerance: lengthText({ min: 0.1, max: 5, name: 'tolerance' }).nullable().default(null),
});
export const FlatTolerance = FlatLay.pick({ tolerance: true });
/** A change that is accepted for a piece, or taken back. */
export const FlatAccept = z.strictObject({ point: z.string().max(40), accepted: z.boolean() });
/** What was read off it. The id is the tablet's, so that a repeat is known. */
export const FlatReadings = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        id: z.uuid(),
        point: z
          .string()
          .refine(
            (id) => FLAT_CUTS.some((cut) => findFlatPoint(cut, id)),
            'There is no such point on this piece.',
          ),
        written: lengthText({ min: 0.1, max: 300, name: 'reading' }),
      }),
    )
    .min(1, 'Nothing was measured.')
    .max(60),
});
/** What lies flat, with its points beside the body and the sheet. */
export const FlatView = z.strictObject({
  id: z.number(),
  of: made<Laid>(),
  cut: made<FlatCut>(),
  words: z.string(),
  by: z.string(),
  /** ISO instant */
  at: z.string(),
  rows: z.array(made<FlatChanged>()).readonly(),
  tolerance: z.string().nullable(),
  /** what is to be changed, as it was accepted, lengths kept open */
  changes: z
    .array(z.strictObject({ point: z.string(), says: z.string(), by: z.string(), at: z.string() }))
    .readonly(),
  says: z.array(z.string()).readonly(),
});
export type FlatView = z.infer<typeof FlatView>;
