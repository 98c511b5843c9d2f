import type { CareLine } from '@rocchetto/core/care/care.ts';
import { TREATMENTS, type Treatment } from '@rocchetto/core/care/fibres.ts';
import { z } from 'zod';
import { lengthText } from './length.ts';
import { made } from './made.ts';
import { Target } from './targets.ts';
import { by, reason } from './texts.ts';

/** Where the garment hangs; empty when it hangs nowhere. */
export const RackWrite = z.strictObject({ rack: z.string().trim().max(60) });

/** The care of a garment as the house words it; what is left out says what the cloth asks for. */
export const CareWrite = z.strictObject({
  lines: z.partialRecord(z.enum(TREATMENTS), z.string().trim().max(200)),
});

export type CareWrite = z.infer<typeof CareWrite>;

export const StoredCare = CareWrite.extend({ version: z.literal(1) });

/** How the garment leaves: where it hangs, its care, when it is fetched. */
export const LeavingView = z.strictObject({
  rack: z.string(),
  care: z.array(made<CareLine>()).readonly(),
  own: z.partialRecord(made<Treatment>(), z.string()),
  /** the next appointment at which it can be fetched */
  fetchedAt: z.string().nullable(),
  fetchedKind: z.string().nullable(),
});
export type LeavingView = z.infer<typeof LeavingView>;

/** Pins counted in before a fitting, or out after it. */
export const PinsWrite = z.strictObject({
  way: z.enum(['in', 'out']),
  pins: z.int('Enter a whole number of pins.').min(0).max(2000, 'That’s over the limit. Check the number.'),
});

/** Pins counted in and out so far. */
export const PinsView = z.strictObject({ in: z.number(), out: z.number() });
/** Points of the finished garment as they were read; one outside its tolerance may be accepted by name. */
export const PointsWrite = z.strictObject({
  readings: z
    .record(z.string().max(80), lengthText({ max: 1000, name: 'reading' }))
    .refine((r) => Object.keys(r).length > 0, 'Nothing was measured.'),
  accepted: z
    .strictObject({ name: by('Enter who accepts it.'), reason: reason('Enter the reason for accepting it.') })
    .nullable()
    .default(null),
});

export const PointView = Target.omit({ target: true, tolerance: true }).extend({
  /** cm; null on a garment that has no sheet to lie against */
  target: z.number().nullable(),
  tolerance: z.number().nullable(),
  /** what the sheet marks, before any alteration; cm */
  agreed: z.number().nullable(),
  /** how much more of it lies in front than the sheet marks, cm; null where the sheet has no such measure */
  inFront: z.number().nullable(),
  /** it must be measured before the garment leaves */
  required: z.boolean(),
  reading: z
    .strictObject({
      written: z.string(),
      within: z.boolean(),
      acceptedBy: z.string(),
      reason: z.string(),
      by: z.string(),
      at: z.string(),
    })
    .nullable(),
});
export type PointView = z.infer<typeof PointView>;

/** The garment is given to the client, who agrees by name; the cautions were read out. */
export const HandOverWrite = z.strictObject({
  clientName: by('Enter who receives it.'),
  cautionsRead: z.literal(true, 'Read the cautions out first, then tick the box.'),
});

export const TakeBackWrite = z.strictObject({ reason: reason('Enter the reason for the return.') });

export const StoredCautions = z.strictObject({ version: z.literal(1), cautions: z.array(z.string()) });

/** One hand-over, and its taking back where it came again. */
export const HandOverView = z.strictObject({
  id: z.number(),
  at: z.string(),
  by: z.string(),
  clientName: z.string(),
  takenBackAt: z.string().nullable(),
  reason: z.string(),
});
export type HandOverView = z.infer<typeof HandOverView>;
