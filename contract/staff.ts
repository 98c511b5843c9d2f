import type { Leads, TapeOrder } from '@rocchetto/core';
import { z } from 'zod';
import { newPassphrase } from './doors.ts';
import type { Role } from './may.ts';
import { RoleName } from './roles.ts';
import { name } from './texts.ts';

export const Setup = z.strictObject({
  token: z.string().max(100),
  name: z.string().trim().max(200).default(''),
  passphrase: newPassphrase,
});

export const NewStaff = z.strictObject({ name, role: RoleName });

export interface StaffView {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  /** whether a passphrase has been set */
  readonly ready: boolean;
}

export interface Me {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly studio: string;
  /** the studio's time zone, an IANA name: what "today" means on every screen */
  readonly timeZone: string;
  /** the house's lead times, by which a date is in danger */
  readonly leads: Leads;
  /** in which order the house walks a measuring list */
  readonly tape: TapeOrder;
  /** minutes until a screen nobody touches locks; 0 for never */
  readonly idleMinutes: number;
  /** the house asks this person for a second factor, and there is none yet: nothing else is open until then */
  readonly factorOwed: boolean;
  /** sent back in a header with every change */
  readonly csrf: string;
}
