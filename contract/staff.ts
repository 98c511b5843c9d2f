import type { Leads, TapeOrder } from '@rocchetto/core';
import { z } from 'zod';
import { newPassphrase } from './doors.ts';
import { made } from './made.ts';
import { RoleName } from './roles.ts';
import { name } from './texts.ts';

export const Setup = z.strictObject({
  token: z.string().max(100),
  name: z.string().trim().max(200).default(''),
  passphrase: newPassphrase,
});

export const NewStaff = z.strictObject({ name, role: RoleName });
/** Another name or role for somebody; `was` says what the hand saw, so that two hands at once lose nothing. */
export const StaffChange = NewStaff.extend({ was: NewStaff });

export const StaffView = z.strictObject({
  id: z.number(),
  name: z.string(),
  role: RoleName,
  /** whether a passphrase has been set */
  ready: z.boolean(),
  /** until when a sign-in link that was made is good; null for none, and for those who manage no staff */
  linkUntil: z.string().nullable(),
});
export type StaffView = z.infer<typeof StaffView>;

export const OwnUnit = z.strictObject({ unit: z.enum(['cm', 'in']).nullable() });

export const Me = z.strictObject({
  id: z.number(),
  name: z.string(),
  role: RoleName,
  studio: z.string(),
  /** the studio's time zone, an IANA name: what "today" means on every screen */
  timeZone: z.string(),
  /** what the studio writes and counts in */
  unit: z.enum(['cm', 'in']),
  /** their own unit, where it is not the studio's */
  ownUnit: z.enum(['cm', 'in']).nullable(),
  dateOrder: z.enum(['dmy', 'mdy']),
  currency: z.string(),
  weekStarts: z.union([z.literal(1), z.literal(7)]),
  ownCheck: z.boolean(),
  /** what the owner is led to in a new studio: its set-up, then a list of first steps; null for nothing */
  firstSteps: z.enum(['set-up', 'list']).nullable(),
  /** the house's lead times, by which a date is in danger */
  leads: made<Leads>(),
  /** in which order the house walks a measuring list */
  tape: made<TapeOrder>(),
  /** minutes until a screen nobody touches locks; 0 for never */
  idleMinutes: z.number(),
  /** the house asks this person for a second factor, and there is none yet: nothing else is open until then */
  factorOwed: z.boolean(),
  /** sent back in a header with every change */
  csrf: z.string(),
});
export type Me = z.infer<typeof Me>;
