import { cm } from '@rocchetto/core';
import { z } from 'zod';

/** A measure that is looked at again when the work is done. Lengths cm. */
export const Target = z.strictObject({
  id: z.string(),
  name: z.string(),
  target: z.number(),
  tolerance: z.number(),
});
export type Target = z.infer<typeof Target>;

/** How far a reading may lie from its target, cm: a girth on the whole, an edge on each (house figures of page 3). */
export const TARGET_TOLERANCE = { girth: cm(0.6), edge: cm(0.3) } as const;

export const StoredTargets = z.strictObject({
  version: z.literal(1),
  targets: z.array(
    z.strictObject({ id: z.string(), name: z.string(), target: z.number(), tolerance: z.number() }),
  ),
});
