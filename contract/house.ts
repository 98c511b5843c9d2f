import { isPlaceZone } from '@rocchetto/core';
import { z } from 'zod';

/** What the whole house goes by. */
export const HouseSettings = z.strictObject({
  studio: z.string().trim().min(1, 'Enter the studio’s name.').max(120),
  timeZone: z
    .string()
    .max(60)
    .refine(isPlaceZone, 'There is no such time zone. Type it like Europe/Rome or UTC.'),
});

export type HouseSettings = z.infer<typeof HouseSettings>;

export const HouseView = HouseSettings.extend({
  version: z.number(),
});
export type HouseView = z.infer<typeof HouseView>;
