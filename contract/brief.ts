import { FIT_CLASSES, ROUNDING_STEPS, SCHOOLS } from '@rocchetto/core';
import { z } from 'zod';
import { lengthText } from './length.ts';

const short = z.string().max(200);

/** A straight woven skirt, as briefed. */
export const StraightSkirtWire = z.strictObject({
  part: z.literal('straight-skirt'),
  length: lengthText({ min: 20, max: 140, name: 'skirt length' }).nullable().default(null),
  band: lengthText({ max: 15, name: 'waistband width' })
    .default('3 cm')
    .meta({ description: 'finished width of the waistband; "0 cm" is a faced waist' }),
  overlap: lengthText({ max: 15, name: 'overlap' }).default('3 cm'),
  taper: lengthText({ max: 2.54, name: 'taper per side edge' }).default('0 cm'),
  hemOpening: z
    .strictObject({
      kind: z.enum(['none', 'vent', 'slit']),
      height: lengthText({ max: 80, name: 'height of the vent or slit' }),
    })
    .default({ kind: 'none', height: '0 cm' }),
  zip: z.enum(['centre-back', 'left-side']).default('centre-back'),
});

/** One part of a garment. Later parts join this list; files written today stay readable. */
export const PartWire = z.discriminatedUnion('part', [StraightSkirtWire]);

/** The brief: what was agreed before the tape came out. Lengths are texts with their unit. */
export const BriefWire = z.strictObject({
  fit: z.enum(FIT_CLASSES).default('fitted'),
  school: z.enum(SCHOOLS).default('workroom'),
  cloth: z
    .strictObject({
      name: short.default(''),
      width: lengthText({ min: 30, max: 400, name: 'cloth width' }).nullable().default(null),
      stretch: z
        .number()
        .min(0)
        .max(300)
        .default(0)
        .meta({ description: 'stretch around the body, percent' }),
      weight: z.number().min(1).max(3000).nullable().default(null).meta({ description: 'g/m²' }),
    })
    .prefault({}),
  lining: short.default(''),
  beneath: short.default(''),
  shoes: short.default(''),
  heel: lengthText({ max: 20, name: 'heel' }).nullable().default(null),
  letOut: z.boolean().default(false),
  note: z.string().max(2000).default(''),
  parts: z.array(PartWire).max(1, 'A garment of several parts is not possible yet; give one part.'),
});
export type BriefWire = z.infer<typeof BriefWire>;

const ease = z.partialRecord(
  z.enum(['waist', 'tummy', 'high-hip', 'hip']),
  z.partialRecord(z.enum(FIT_CLASSES), lengthText({ max: 60, name: 'ease' })),
);
const fixedDarts = z.strictObject({
  count: z.int().min(0).max(3),
  intake: lengthText({ max: 6, name: 'dart intake' }),
});

/** Rounding of the figures a hand marks. */
export const RoundingWire = z
  .strictObject({ unit: z.enum(['cm', 'in']), step: z.number(), mode: z.enum(['nearest', 'up']) })
  .refine(
    (r) => ROUNDING_STEPS[r.unit].includes(r.step),
    'The step must be one the house knows: 0, 0.1 or 0.5 cm; 0, 1/8, 1/4 or 1/2 in.',
  );

/** House rules laid over the tables. All optional. */
export const HouseWire = z.strictObject({
  rounding: RoundingWire.optional(),
  balance: z
    .strictObject({
      waist: lengthText({ min: -5, max: 5, name: 'waist balance' }).default('0 cm'),
      hip: lengthText({ min: -5, max: 5, name: 'hip balance' }).default('0 cm'),
    })
    .optional()
    .meta({ description: 'moved from each back quarter to the front quarter' }),
  ease: ease.optional(),
  allowances: z
    .strictObject({
      side: lengthText({ max: 10, name: 'side allowance' }).optional(),
      waist: lengthText({ max: 10, name: 'waist allowance' }).optional(),
      zip: lengthText({ max: 10, name: 'zip allowance' }).optional(),
      hem: lengthText({ max: 20, name: 'hem allowance' }).optional(),
      liningHem: lengthText({ max: 20, name: 'lining hem' }).optional(),
      band: lengthText({ max: 10, name: 'band allowance' }).optional(),
    })
    .optional(),
  darts: z.strictObject({ front: fixedDarts.optional(), back: fixedDarts.optional() }).optional(),
  hipDrop: lengthText({ min: 10, max: 35, name: 'hip drop' }).optional(),
});
export type HouseWire = z.infer<typeof HouseWire>;
