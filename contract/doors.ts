import { z } from 'zod';
import { made } from './made.ts';
import { ROLES, type Role } from './may.ts';

/** How the house keeps its doors, as it is stored. */
export const Doors = z.strictObject({
  version: z.literal(1),
  /** minutes after which a screen nobody touches locks; 0 for never */
  idleMinutes: z
    .int('Enter whole minutes.')
    .min(0, 'Enter 0 or more minutes.')
    .max(480, 'Enter at most 480 minutes, or 0 for never.')
    .default(15),
  /** roles that sign in with a second factor */
  secondFactor: z.array(z.enum(ROLES)).max(ROLES.length).default([]),
});
export type Doors = z.infer<typeof Doors>;
export const DoorsWrite = z.strictObject({
  idleMinutes: Doors.shape.idleMinutes,
  secondFactor: Doors.shape.secondFactor,
});
export type DoorsWrite = z.infer<typeof DoorsWrite>;

const passphrase = z.string().max(200);
export const newPassphrase = passphrase.min(
  12,
  'The passphrase needs 12 characters or more. A few plain words work well.',
);
/** Six digits of an authenticator, or one of the recovery codes. */
const code = z.string().trim().max(40);

export const SignIn = z.strictObject({
  name: z.string().max(200),
  passphrase,
  code: code.default(''),
});
export const Unlock = z.strictObject({ passphrase });
export const PassphraseChange = z.strictObject({ current: passphrase, next: newPassphrase });
export const FactorConfirm = z.strictObject({ code: code.min(6, 'Type the six digits.') });
export const FactorOff = z.strictObject({ passphrase });
export const EventsQuery = z.object({ before: z.coerce.number().int().positive().optional() });

/** One place where somebody is signed in. */
export const SignInView = z.strictObject({
  id: z.number(),
  /** the browser and the system, as it names itself */
  device: z.string(),
  madeAt: z.string(),
  seenAt: z.string(),
  isThis: z.boolean(),
  isLocked: z.boolean(),
});
export type SignInView = z.infer<typeof SignInView>;
export const Account = z.strictObject({
  signIns: z.array(SignInView).readonly(),
  /** since when a second factor is asked for at sign-in; null when none is */
  factorSince: z.string().nullable(),
  codesLeft: z.number(),
  /** the house asks this role for one */
  factorAsked: z.boolean(),
});
export type Account = z.infer<typeof Account>;
/** What an authenticator is set up with; shown once. */
export const FactorBegun = z.strictObject({
  uri: z.string(),
  secret: z.string(),
});
export type FactorBegun = z.infer<typeof FactorBegun>;
/** Shown once, when it is confirmed. */
export const FactorOn = z.strictObject({
  codes: z.array(z.string()).readonly(),
});
export type FactorOn = z.infer<typeof FactorOn>;

/** What happened at the doors, by its word on screen. */
export const SECURITY_WORDS = {
  'signed-in': 'Signed in',
  'sign-in-failed': 'Wrong name or passphrase',
  'code-failed': 'Wrong second factor',
  'slowed-down': 'Too many wrong tries',
  locked: 'Screen locked',
  unlocked: 'Screen unlocked',
  'unlock-failed': 'Wrong passphrase at a locked screen',
  refused: 'Refused: not open to the role',
  'other-author': 'Refused: written under another sign-in',
  'signed-out-elsewhere': 'Sign-in ended',
  'passphrase-set': 'Passphrase set from a link',
  'passphrase-changed': 'Passphrase changed',
  'factor-on': 'Second factor on',
  'factor-off': 'Second factor off',
  'recovery-used': 'Recovery code used',
  'doors-changed': 'Lock and second factor settings changed',
  'staff-added': 'Joined the staff',
  'staff-changed': 'Name or role changed',
  'staff-removed': 'Left the staff',
  'link-made': 'New sign-in link',
  'link-withdrawn': 'Sign-in link withdrawn',
  export: 'Data downloaded',
  erase: 'Client erased',
  restore: 'Backup restored',
  reset: 'Reset on the server',
} as const;
export type SecurityEventKind = keyof typeof SECURITY_WORDS;
export const SecurityEvent = z.strictObject({
  id: z.number(),
  at: z.string(),
  what: made<SecurityEventKind>(),
  /** who did it, or whose name was tried */
  name: z.string(),
  address: z.string(),
  words: z.string(),
});
export type SecurityEvent = z.infer<typeof SecurityEvent>;
export const SecurityEvents = z.strictObject({
  events: z.array(SecurityEvent).readonly(),
  more: z.boolean(),
});
export type SecurityEvents = z.infer<typeof SecurityEvents>;

/** Whether the house asks this role for a second factor. */
export const asksFactor = (doors: Doors, role: Role): boolean => doors.secondFactor.includes(role);
