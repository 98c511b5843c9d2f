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
        /** that it was looked at again and stands */
        stands: z.boolean().default(false),
      }),
    )
    .min(1, 'Nothing was filled in yet.')
    .max(120),
});
export type HomeSend = z.infer<typeof HomeSend>;

/** What a client's page for measuring at home shows: what to measure, and nothing of the studio's book. */
export interface HomePage {
  readonly studio: string;
  readonly client: string;
  readonly minor: boolean;
  readonly measures: readonly string[];
  /** printed day until which it is open */
  readonly until: string;
  /** printed day on which it was sent; empty until then */
  readonly sent: string;
}

/** A client's link, as the studio sees it; the link itself is shown once, when it is made. */
export interface HomeLinkView {
  readonly id: number;
  readonly madeBy: string;
  /** ISO instants */
  readonly madeAt: string;
  readonly expiresAt: string;
  readonly sentAt: string | null;
  readonly state: 'open' | 'sent' | 'closed' | 'over';
}
