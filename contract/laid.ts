import { CLOTHS } from '@rocchetto/core/garment/laid-length.ts';
import { z } from 'zod';
import { lengthText } from './length.ts';

export const ClothId = z.enum(CLOTHS, `Say which cloth: ${CLOTHS.join(', ')}.`);
export type ClothId = z.infer<typeof ClothId>;

/** A kept lay as a sheet takes its length from it. */
export const LaidWire = z.strictObject({
  of: ClothId,
  name: z.string().max(200),
  length: lengthText({ min: 0, max: 100_000, name: 'length of a lay' }),
  width: lengthText({ min: 0, max: 400, name: 'width of a lay' }),
  panels: z.string().max(80),
});
export type LaidWire = z.infer<typeof LaidWire>;
