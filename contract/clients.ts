import { z } from 'zod';
import { IsoDate } from './basics.ts';
import type { OrderRow } from './orders.ts';
import type { SessionRow } from './sessions.ts';
import { name, text } from './texts.ts';

export const ClientAwayWrite = z
  .strictObject({
    firstDay: IsoDate,
    lastDay: IsoDate,
    reason: z.string().trim().max(200).default(''),
  })
  .refine((d) => d.firstDay <= d.lastDay, 'The last day lies before the first.');

export type ClientAwayWrite = z.infer<typeof ClientAwayWrite>;

/** Days on which a client cannot come, both of them included. */
export interface ClientAway extends ClientAwayWrite {
  readonly id: number;
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
  /** days to come on which they cannot */
  readonly away: readonly ClientAway[];
}

export interface ClientRow {
  readonly id: number;
  readonly code: string;
  readonly name: string;
  readonly phone: string | null;
  readonly orders: number;
}
