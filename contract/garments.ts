import { FIT_CLASSES, SCHOOLS } from '@rocchetto/core';
import { z } from 'zod';
import { StepsWire } from './brief.ts';
import { PartsWire } from './parts.ts';

/** A composition the house has saved under a name. */
export const GarmentWrite = z.strictObject({
  name: z.string().trim().min(1, 'Enter a name for the garment.').max(80),
  parts: PartsWire.refine((p) => p.length > 0, 'Choose at least one part for the garment.'),
});

export type GarmentWrite = z.infer<typeof GarmentWrite>;

export const GarmentRow = GarmentWrite.extend({
  id: z.number(),
});
export type GarmentRow = z.infer<typeof GarmentRow>;

/** A client's own block: what the next order of theirs can start from. */
export const OwnBlockWrite = z
  .strictObject({
    name: GarmentWrite.shape.name,
    fit: z.enum(FIT_CLASSES),
    school: z.enum(SCHOOLS),
    parts: GarmentWrite.shape.parts,
    steps: StepsWire,
  })
  .refine((b) => b.steps.every((s) => s.part < b.parts.length), 'A step belongs to a part that was removed.');

export type OwnBlockWrite = z.infer<typeof OwnBlockWrite>;

export const OwnBlock = OwnBlockWrite.extend({
  id: z.number(),
  by: z.string(),
  /** ISO instant */
  at: z.string(),
});
export type OwnBlock = z.infer<typeof OwnBlock>;
