import { findMeasure } from '@rocchetto/core';
import { z } from 'zod';
import { Version } from './basics.ts';

/** A standing list of the house: what is measured, in its order, whatever the order. */
export const MeasuringListWrite = z.strictObject({
  name: z.string().trim().min(1, 'Enter a name for the list.').max(60),
  measures: z
    .array(z.string().max(60))
    .min(1, 'Choose at least one measurement for the list.')
    .max(120)
    .superRefine((ids, c) => {
      for (const [i, id] of ids.entries()) {
        const name = findMeasure(id)?.name;
        if (!name) c.addIssue({ code: 'custom', path: [i], message: `There is no measurement “${id}”.` });
        else if (ids.indexOf(id) < i)
          c.addIssue({
            code: 'custom',
            path: [i],
            message: `The ${name} is on this list twice. Remove one of them.`,
          });
      }
    }),
});
export type MeasuringListWrite = z.infer<typeof MeasuringListWrite>;

export const MeasuringListChange = MeasuringListWrite.extend({ version: Version });
export type MeasuringListChange = z.infer<typeof MeasuringListChange>;

export const MeasuringList = z.strictObject({
  id: z.number(),
  name: z.string(),
  measures: z.array(z.string()).readonly(),
  version: z.number(),
});
export type MeasuringList = z.infer<typeof MeasuringList>;

/** What a list's column holds. */
export const StoredMeasuringList = z.strictObject({
  version: z.literal(1),
  measures: z.array(z.string()),
});

/** An earlier measuring of the client, to be used whole for an order. */
export const UseMeasuring = z.strictObject({ sessionId: z.uuid() });
