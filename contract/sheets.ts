import type { Change, Kept } from '@rocchetto/core';
import { z } from 'zod';
import { Id, Version } from './basics.ts';
import { HouseWire } from './brief.ts';
import { BY_HAND, lengthText } from './length.ts';
import { made } from './made.ts';
import { SpecFile } from './spec.ts';

export const SheetChange = z.strictObject({
  version: Version,
  change: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('override'),
      id: z.uuid(),
      figure: z.string().max(60),
      target: z.enum(['wearing', 'style', 'finished']),
      value: lengthText({ ...BY_HAND, name: 'figure' }),
      reason: z.string().trim().min(1, 'Enter a reason for setting the figure by hand.').max(500),
    }),
    z.strictObject({
      kind: z.literal('withdraw'),
      figure: z.string().max(60),
      target: z.enum(['wearing', 'style', 'finished']),
    }),
    z.strictObject({
      kind: z.literal('accept'),
      code: z.string().max(80),
      reason: z.string().trim().min(1, 'Enter a reason for accepting the warning.').max(500),
    }),
    z.strictObject({ kind: z.literal('unaccept'), code: z.string().max(80) }),
    z.strictObject({ kind: z.literal('house'), house: HouseWire }),
    z.strictObject({ kind: z.literal('session'), sessionId: z.uuid() }),
    z.strictObject({ kind: z.literal('revise') }),
    /** a change agreed at a fitting goes into the sheet, as a step into the client’s block, or is left for the bench; or what was decided of it is open again */
    z.strictObject({ kind: z.literal('carry'), alterationId: Id, to: z.enum(['sheet', 'block', 'bench']) }),
    z.strictObject({ kind: z.literal('uncarry'), alterationId: Id }),
  ]),
});

export type SheetChange = z.infer<typeof SheetChange>;

/** A change agreed at a fitting before the cloth is cut, and what was decided of it. */
export const AgreedChange = z.strictObject({
  alterationId: z.number(),
  /** as it was read back, lengths kept open */
  sentence: z.string(),
  /** null while nothing was decided */
  to: z.enum(['sheet', 'block', 'bench']).nullable(),
  /** a step of the client’s block says the same */
  asStep: z.boolean(),
  /** why it cannot go into the sheet, lengths kept open; '' where it can */
  cannot: z.string(),
  by: z.string(),
  version: z.number(),
});
export type AgreedChange = z.infer<typeof AgreedChange>;

/** An order's sheet as the screen shows it. */
export const SheetView = z.strictObject({
  revision: z.number(),
  status: z.enum(['draft', 'agreed', 'cut']),
  /** counts every change of the order's sheet; sent back with the next one */
  version: z.number(),
  agreedBy: z.string().nullable(),
  agreedName: z.string().nullable(),
  agreedAt: z.string().nullable(),
  cutBy: z.string().nullable(),
  cutAt: z.string().nullable(),
  /** the studio's, in which its days are counted and printed */
  timeZone: z.string(),
  /** letters of the sheet's texts that no face of the paper holds, each once */
  unprintable: z.array(z.string()).readonly(),
  /** the session the figures come from; null when the order has none */
  sessionId: z.string().nullable(),
  /** everything the sheet is computed from; without its readings for those who may not read them */
  spec: SpecFile,
  /** the sheet as it was agreed, or as those see it who may not read readings; null for one computed from the spec */
  kept: made<Kept>().nullable(),
  /** what moved since the revision before, when there is one */
  since: z.array(made<Change>()).readonly(),
  /** what brief or readings have moved since this sheet was agreed; empty for a draft */
  moved: z.array(made<Change>()).readonly(),
  /** what was agreed at its fittings and changes its panels; empty once it is cut */
  agreed: z.array(AgreedChange).readonly(),
});
export type SheetView = z.infer<typeof SheetView>;

export const Agree = z.strictObject({
  version: Version,
  name: z.string().trim().min(1, 'Enter who agrees.').max(200),
});

export const MarkCut = z.strictObject({ version: Version });
