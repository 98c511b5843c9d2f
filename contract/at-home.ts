import { z } from 'zod';
import { ReadingWire } from './reading.ts';

const key = { key: z.string().max(100) };
export const HomeLook = z.strictObject(key);

/** For how long a client's page for measuring at home is open. */
export const NewHomeLink = z.strictObject({ days: z.int().min(1).max(60).default(14) });

/** What a client read at home. The readings are hers; how they came is for the server to say. */
export const HomeSend = z.strictObject({
  ...key,
  /** who held the tape */
  helper: z.string().trim().max(120).default(''),
  /** over what it was read */
  beneath: z.string().trim().max(200).default(''),
  /** the guardian who was present, for a minor */
  guardian: z.string().trim().max(200).default(''),
  /** what has changed since the last time, as the client tells it */
  words: z.string().trim().max(300).default(''),
  unit: z.enum(['cm', 'in']),
  readings: z
    .array(
      z.strictObject({
        id: z.uuid(),
        measure: ReadingWire.shape.measure,
        /** as it was typed */
        text: z.string().trim().min(1).max(60),
        /** how the tape lay */
        tape: z.enum(['snug', 'one-finger']).default('snug'),
        /** that it was looked at again and stands */
        stands: z.boolean().default(false),
      }),
    )
    .min(1, 'Nothing is filled in yet.')
    .max(120),
});
export type HomeSend = z.infer<typeof HomeSend>;

/** What a client's page for measuring at home shows: what to measure, and nothing of the studio's book. */
export const HomePage = z.strictObject({
  studio: z.string(),
  /** how the studio is reached: address, phone, e-mail, those it has given */
  contact: z.array(z.string()).readonly(),
  /** in which unit the studio measures */
  unit: z.enum(['cm', 'in']),
  client: z.string(),
  minor: z.boolean(),
  measures: z.array(z.string()).readonly(),
  /** the client's language, where the house has this page in it; empty for its own */
  language: z.string(),
  /** what the page says, by the id of its text; fields are filled in where it is shown */
  words: z.record(z.string(), z.string()),
  /** printed day until which it is open */
  until: z.string(),
  /** printed day on which it was sent; empty until then */
  sent: z.string(),
});
export type HomePage = z.infer<typeof HomePage>;

/** A client's link, as the studio sees it; the link itself is shown once, when it is made. */
export const HomeLinkView = z.strictObject({
  id: z.number(),
  madeBy: z.string(),
  /** ISO instants */
  madeAt: z.string(),
  expiresAt: z.string(),
  sentAt: z.string().nullable(),
  state: z.enum(['open', 'sent', 'closed', 'over']),
});
export type HomeLinkView = z.infer<typeof HomeLinkView>;
