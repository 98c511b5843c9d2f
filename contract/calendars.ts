import { z } from 'zod';
import { Id } from './basics.ts';

/** Somebody's busy times as a calendar file (RFC 5545) has them. */
export const BusyWrite = z.strictObject({
  staffId: Id,
  name: z.string().trim().min(1, 'Enter a name for the calendar.').max(80),
  text: z.string().min(1, 'The file is empty.').max(2_000_000, 'This is over 2 MB.'),
});

export const BusyFile = z.strictObject({
  id: z.number(),
  staffId: z.number(),
  name: z.string(),
  /** as far as it was followed */
  until: z.string(),
  madeAt: z.string(),
});
export type BusyFile = z.infer<typeof BusyFile>;

/** What was read in: entries that make busy, times they come to, how many lie over bookings, what was left out. */
export const BusyKept = z.strictObject({
  id: z.number(),
  entries: z.number(),
  times: z.number(),
  over: z.number(),
  notes: z.array(z.string()).readonly(),
  until: z.string(),
});
export type BusyKept = z.infer<typeof BusyKept>;
