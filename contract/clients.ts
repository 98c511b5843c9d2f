import { z } from 'zod';
import { IsoDate } from './basics.ts';
import { LanguageTag } from './language.ts';
import { OrderRow } from './orders.ts';
import { SessionRow } from './sessions.ts';
import { name, text } from './texts.ts';

export const ClientAwayWrite = z
  .strictObject({
    firstDay: IsoDate,
    lastDay: IsoDate,
    reason: z.string().trim().max(200).default(''),
  })
  .refine((d) => d.firstDay <= d.lastDay, 'The last day is before the first. Check the dates.');

export type ClientAwayWrite = z.infer<typeof ClientAwayWrite>;

/** Days on which a client cannot come, both of them included. */
export const ClientAway = ClientAwayWrite.extend({
  id: z.number(),
});
export type ClientAway = z.infer<typeof ClientAway>;

export const ClientWrite = z.strictObject({
  name,
  phone: z.string().max(60).default(''),
  email: z.union([z.literal(''), z.email('This isn’t an e-mail address. Check it.').max(200)]).default(''),
  address: z.string().max(500).default(''),
  note: text,
  minor: z.boolean().default(false),
  guardian: z.string().max(200).default(''),
  /** in what they measure and read; null for the studio's own */
  unit: z.enum(['cm', 'in']).nullable().default(null),
  /** in which of the languages the studio has texts they are written to; empty for its own */
  language: LanguageTag.or(z.literal('')).default(''),
});

export type ClientWrite = z.infer<typeof ClientWrite>;

/** A client as a role may see it; contact fields are null for those who may not. */
export const ClientView = z.strictObject({
  id: z.number(),
  code: z.string(),
  name: z.string(),
  phone: z.string().nullable(),
  email: z.string().nullable(),
  address: z.string().nullable(),
  note: z.string(),
  minor: z.boolean(),
  guardian: z.string(),
  unit: z.enum(['cm', 'in']).nullable(),
  language: z.string(),
  version: z.number(),
});
export type ClientView = z.infer<typeof ClientView>;

export const ClientFull = ClientView.extend({
  orders: z.array(OrderRow).readonly(),
  sessions: z.array(SessionRow).readonly(),
  /** days to come on which they cannot */
  away: z.array(ClientAway).readonly(),
});
export type ClientFull = z.infer<typeof ClientFull>;

export const ClientRow = z.strictObject({
  id: z.number(),
  code: z.string(),
  name: z.string(),
  phone: z.string().nullable(),
  orders: z.number(),
});
export type ClientRow = z.infer<typeof ClientRow>;
