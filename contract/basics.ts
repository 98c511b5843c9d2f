import { z } from 'zod';

/** The one rule for ids of the studio's own rows. */
export const Id = z.int().positive();

const FIRST = 1900;
const LAST = 2200;
const within = (year: number) => year >= FIRST && year <= LAST;
const SPAN = `The year must be between ${FIRST} and ${LAST}.`;

/** The one rule for dates: a day of the calendar as yyyy-mm-dd, 1900 to 2200. */
export const IsoDate = z.iso
  .date('This isn’t a date. Type it as 2026-12-24.')
  .refine((d) => within(Number(d.slice(0, 4))), SPAN);

/** The one rule for instants: ISO 8601 with its offset, 1900 to 2200; kept in UTC. */
export const Instant = z.iso
  .datetime({ offset: true, message: 'This isn’t a date and time. Type it as 2026-12-24T10:00:00Z.' })
  .refine((t) => within(new Date(t).getUTCFullYear()), SPAN)
  .transform((t) => new Date(t).toISOString());

/** The version of a record that a change was made on top of. */
export const Version = z.int().min(0).max(2_000_000_000);
