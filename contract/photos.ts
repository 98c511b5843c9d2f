import { z } from 'zod';
import { PHOTO_OF } from './design.ts';

/** A photograph of a garment or a fitting, without its bytes. */
export const PhotoView = z.strictObject({
  id: z.number(),
  width: z.number(),
  height: z.number(),
  words: z.string(),
  about: z.enum(PHOTO_OF),
  /** the mark it shows; null for one of the whole garment */
  alterationId: z.number().nullable(),
  by: z.string(),
  at: z.string(),
});
export type PhotoView = z.infer<typeof PhotoView>;
