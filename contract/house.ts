import { isPlaceZone } from '@rocchetto/core';
import { z } from 'zod';

/** What the whole house goes by. */
export const HouseSettings = z.strictObject({
  studio: z.string().trim().min(1, 'The studio needs a name.').max(120),
  timeZone: z
    .string()
    .max(60)
    .refine(isPlaceZone, 'No time zone has this name; write it as Europe/Rome or UTC.'),
});

export type HouseSettings = z.infer<typeof HouseSettings>;

export const HouseView = HouseSettings.extend({
  version: z.number(),
});
export type HouseView = z.infer<typeof HouseView>;
