import { findGarmentKind } from '@rocchetto/core/alter/index.ts';
import { z } from 'zod';
import { Id, IsoDate } from './basics.ts';
import { words } from './texts.ts';

/** A garment that a client brings in to be altered. */
export const BroughtInWrite = z.strictObject({
  clientId: Id,
  kind: z
    .string()
    .max(40)
    .refine((k) => findGarmentKind(k) !== undefined, 'There is no such garment. Choose one from the list.'),
  /** what it is called on the ticket */
  what: z.string().trim().min(1, 'Enter what it is.').max(200),
  lined: z.boolean(),
  label: words(200),
  condition: z
    .string()
    .trim()
    .min(1, 'Enter the condition: stains, worn places, or “nothing found”.')
    .max(500),
  dueOn: IsoDate.nullable().default(null),
});

export type BroughtInWrite = z.infer<typeof BroughtInWrite>;

export const BroughtIn = BroughtInWrite.omit({ clientId: true, what: true, dueOn: true }).extend({
  code: z.string(),
  at: z.string(),
  by: z.string(),
});
export type BroughtIn = z.infer<typeof BroughtIn>;
