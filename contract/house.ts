import { isPlaceZone } from '@rocchetto/core';
import { ROUNDING_CHOICES } from '@rocchetto/core/units/rounding-choices.ts';
import { z } from 'zod';

/** The paper on which everything larger than a card is printed. */
export const PAPERS = ['A4', 'Letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** What the whole house goes by. */
export const HouseSettings = z.strictObject({
  studio: z.string().trim().min(1, 'Enter the studio’s name.').max(120),
  timeZone: z
    .string()
    .max(60)
    .refine(isPlaceZone, 'There is no such time zone. Type it like Europe/Rome or UTC.'),
  /** how clients reach it: on their pages, in messages and on paper */
  address: z.string().trim().max(300, 'The address is over 300 characters. Shorten it.'),
  phone: z.string().trim().max(60, 'The phone number is over 60 characters. Shorten it.'),
  email: z.union([z.literal(''), z.email('This isn’t an e-mail address. Check it.').max(200)]),
  /** in which everybody starts: brief, tape, sheet, fitting; each can write the other */
  unit: z.enum(['cm', 'in']),
  paper: z.enum(PAPERS),
  /** how 3/4 is read: the third of April, or the fourth of March */
  dateOrder: z.enum(['dmy', 'mdy']),
  /** what stands before an amount of money; empty for nothing */
  currency: z.string().trim().max(8, 'The currency sign is over 8 characters. Shorten it.'),
  /** 1 Monday, 7 Sunday */
  weekStarts: z.union([z.literal(1), z.literal(7)]),
  /** whether a person may check work they did themselves: for a sole dressmaker */
  ownCheck: z.boolean(),
});

export type HouseSettings = z.infer<typeof HouseSettings>;

/** What is changed of it: what is not named stays as it is. */
export const HouseWrite = HouseSettings.partial()
  .required({ studio: true, timeZone: true })
  .extend({
    /** in which steps figures are marked, as `roundingWord` writes it: into the rules, with the settings */
    rounding: z
      .string()
      .refine(
        (word) => ROUNDING_CHOICES.some((c) => c.value === word),
        'Choose how figures are rounded from the list.',
      )
      .optional(),
  });
export type HouseWrite = z.infer<typeof HouseWrite>;

/** What of the first steps of a new studio is done. */
export const FirstSteps = z.strictObject({
  staff: z.boolean(),
  hours: z.boolean(),
  rooms: z.boolean(),
  client: z.boolean(),
  order: z.boolean(),
  tape: z.boolean(),
});
export type FirstSteps = z.infer<typeof FirstSteps>;

export const HouseView = HouseSettings.extend({
  version: z.number(),
});
export type HouseView = z.infer<typeof HouseView>;
