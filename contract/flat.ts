import { FLAT_CUTS, type FlatCut, type FlatRow, findFlatPoint, LAID, type Laid } from '@rocchetto/core';
import { z } from 'zod';
import { lengthText } from './length.ts';
import { made } from './made.ts';

/** What is laid flat beside an order. */
export const FlatLay = z.strictObject({
  of: z.enum(LAID),
  cut: z.enum(FLAT_CUTS),
  words: z.string().trim().max(200).default(''),
});
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
  rows: z.array(made<FlatRow & { readonly change: string | null }>()).readonly(),
  says: z.array(z.string()).readonly(),
});
export type FlatView = z.infer<typeof FlatView>;
