import type { Change, Sheet } from '@rocchetto/core';
import { z } from 'zod';
import { BriefWire, HouseWire } from './brief.ts';
import { lengthText } from './length.ts';
import { Role } from './roles.ts';
import type { SpecFile } from './spec.ts';

const name = z
  .string()
  .trim()
  .min(1, 'A name is needed.')
  .max(200, 'A name can hold 200 characters at most.');
const text = z.string().max(2000, 'This text is longer than 2,000 characters.').default('');
const date = z.iso.date().nullable().default(null);

export const SignIn = z.strictObject({ name: z.string().max(200), passphrase: z.string().max(200) });
export const Setup = z.strictObject({
  token: z.string().max(100),
  name: z.string().trim().max(200).default(''),
  passphrase: z
    .string()
    .min(12, 'A passphrase needs 12 characters or more; a few plain words do well.')
    .max(200),
});
export const NewStaff = z.strictObject({ name, role: Role });

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
  /** sent back in a header with every change */
  readonly csrf: string;
}

export const ClientWrite = z.strictObject({
  name,
  phone: z.string().max(60).default(''),
  email: z.union([z.literal(''), z.email('This is not an e-mail address.').max(200)]).default(''),
  address: z.string().max(500).default(''),
  note: text,
  minor: z.boolean().default(false),
  guardian: z.string().max(200).default(''),
});
export type ClientWrite = z.infer<typeof ClientWrite>;
/** A client as a role may see it; contact fields are null for those who may not. */
export interface ClientView {
  readonly id: number;
  readonly code: string;
  readonly name: string;
  readonly phone: string | null;
  readonly email: string | null;
  readonly address: string | null;
  readonly note: string;
  readonly minor: boolean;
  readonly guardian: string;
  readonly version: number;
}
export interface ClientFull extends ClientView {
  readonly orders: readonly OrderRow[];
  readonly sessions: readonly SessionRow[];
}
export interface ClientRow {
  readonly id: number;
  readonly code: string;
  readonly name: string;
  readonly phone: string | null;
  readonly orders: number;
}

export const OrderWrite = z.strictObject({
  clientId: z.int().positive(),
  what: z.string().trim().min(1, 'Say what is to be made.').max(200),
  occasion: z.string().max(200).default(''),
  wornOn: date,
  dueOn: date,
  responsibleId: z.int().positive().nullable().default(null),
});
export type OrderWrite = z.infer<typeof OrderWrite>;
export const BriefChange = z.strictObject({ version: z.int(), brief: BriefWire });

export interface OrderRow {
  readonly id: number;
  readonly number: string;
  readonly what: string;
  readonly occasion: string;
  readonly wornOn: string | null;
  readonly dueOn: string | null;
  readonly clientId: number;
  readonly clientName: string;
  readonly responsible: string | null;
  readonly stage: Stage;
}
/** How far an order has come. The later knots of the thread join as their work does. */
export type Stage = 'asked' | 'brief' | 'measured' | 'sheet' | 'agreed' | 'cut';
export interface OrderFull extends Omit<OrderRow, 'responsible'> {
  readonly responsibleId: number | null;
  readonly responsible: string | null;
  readonly version: number;
  readonly brief: BriefWire | null;
  readonly briefAt: string | null;
  readonly minor: boolean;
  readonly guardian: string;
  readonly sessions: readonly SessionRow[];
  readonly sheets: readonly SheetRow[];
}
export interface SheetRow {
  readonly revision: number;
  readonly status: 'draft' | 'agreed' | 'cut';
  readonly agreedBy: string | null;
  readonly agreedAt: string | null;
  readonly cutAt: string | null;
}

export const SessionWrite = z.strictObject({
  id: z.uuid(),
  clientId: z.int().positive(),
  orderId: z.int().positive().nullable().default(null),
  at: z.iso.datetime({ offset: true }),
  measurer: z.string().max(200).default(''),
  scribe: z.string().max(200).default(''),
  beneath: z.string().max(200).default(''),
  heel: lengthText({ max: 20, name: 'heel' }).nullable().default(null),
  posture: z.string().max(500).default(''),
  waistRule: z.string().max(200).default('where the body folds when bending sideways'),
  hipRule: z.string().max(200).default('fullest seat, seen from the side'),
  unit: z.enum(['cm', 'in']).default('cm'),
  guardian: z.string().max(200).default(''),
});
export type SessionWrite = z.infer<typeof SessionWrite>;
export interface SessionRow {
  readonly id: string;
  readonly orderId: number | null;
  readonly at: string;
  readonly measurer: string;
  readonly unit: 'cm' | 'in';
  readonly readings: number;
}

export const SheetChange = z.strictObject({
  version: z.int(),
  change: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('override'),
      id: z.uuid(),
      figure: z.string().max(60),
      target: z.enum(['wearing', 'style', 'finished']),
      value: lengthText({ min: -20, max: 400, name: 'figure' }),
      reason: z.string().trim().min(1, 'Say why the figure is set by hand.').max(500),
    }),
    z.strictObject({
      kind: z.literal('withdraw'),
      figure: z.string().max(60),
      target: z.enum(['wearing', 'style', 'finished']),
    }),
    z.strictObject({
      kind: z.literal('accept'),
      code: z.string().max(80),
      reason: z.string().trim().min(1, 'Say why the warning is accepted.').max(500),
    }),
    z.strictObject({ kind: z.literal('unaccept'), code: z.string().max(80) }),
    z.strictObject({ kind: z.literal('house'), house: HouseWire }),
    z.strictObject({ kind: z.literal('session'), sessionId: z.uuid() }),
    z.strictObject({ kind: z.literal('revise') }),
  ]),
});
export type SheetChange = z.infer<typeof SheetChange>;
/** An order's sheet as the screen shows it. */
export interface SheetView {
  readonly revision: number;
  readonly status: 'draft' | 'agreed' | 'cut';
  /** counts every change of the order's sheet; sent back with the next one */
  readonly version: number;
  readonly agreedBy: string | null;
  readonly agreedName: string | null;
  readonly agreedAt: string | null;
  readonly cutBy: string | null;
  readonly cutAt: string | null;
  /** the session the figures come from; null when the order has none */
  readonly sessionId: string | null;
  readonly spec: SpecFile;
  /** the sheet as it was agreed; null for a draft, which is computed from the spec */
  readonly kept: Sheet | null;
  /** what moved since the revision before, when there is one */
  readonly since: readonly Change[];
  /** what brief or readings have moved since this sheet was agreed; empty for a draft */
  readonly moved: readonly Change[];
}
export const Agree = z.strictObject({
  version: z.int(),
  name: z.string().trim().min(1, 'Name who agrees.').max(200),
});
export const MarkCut = z.strictObject({ version: z.int() });
