import { z } from 'zod';
import { Id } from './basics.ts';

/** Somebody's busy times as a calendar file (RFC 5545) has them. */
export const BusyWrite = z.strictObject({
  staffId: Id,
  name: z.string().trim().min(1, 'A calendar needs a name.').max(80),
  text: z.string().min(1, 'The file is empty.').max(2_000_000, 'This is more than 2 MB.'),
});

export interface BusyFile {
  readonly id: number;
  readonly staffId: number;
  readonly name: string;
  /** as far as it was followed */
  readonly until: string;
  readonly madeAt: string;
}

/** What was read in: entries that make busy, times they come to, how many lie over bookings, what was left out. */
export interface BusyKept {
  readonly id: number;
  readonly entries: number;
  readonly times: number;
  readonly over: number;
  readonly notes: readonly string[];
  readonly until: string;
}
