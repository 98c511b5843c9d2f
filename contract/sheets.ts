import type { Change, Kept } from '@rocchetto/core';
import { z } from 'zod';
import { Id, Version } from './basics.ts';
import { HouseWire } from './brief.ts';
import { BY_HAND, lengthText } from './length.ts';
import type { SpecFile } from './spec.ts';

export const SheetChange = z.strictObject({
  version: Version,
  change: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('override'),
      id: z.uuid(),
      figure: z.string().max(60),
      target: z.enum(['wearing', 'style', 'finished']),
      value: lengthText({ ...BY_HAND, name: 'figure' }),
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
    /** a change agreed at a fitting goes into the sheet, as a step into the client’s block, or is left for the bench; or what was decided of it is open again */
    z.strictObject({ kind: z.literal('carry'), alterationId: Id, to: z.enum(['sheet', 'block', 'bench']) }),
    z.strictObject({ kind: z.literal('uncarry'), alterationId: Id }),
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
  /** the studio's, in which its days are counted and printed */
  readonly timeZone: string;
  /** letters of the sheet's texts that no face of the paper holds, each once */
  readonly unprintable: readonly string[];
  /** the session the figures come from; null when the order has none */
  readonly sessionId: string | null;
  /** everything the sheet is computed from; without its readings for those who may not read them */
  readonly spec: SpecFile;
  /** the sheet as it was agreed, or as those see it who may not read readings; null for one computed from the spec */
  readonly kept: Kept | null;
  /** what moved since the revision before, when there is one */
  readonly since: readonly Change[];
  /** what brief or readings have moved since this sheet was agreed; empty for a draft */
  readonly moved: readonly Change[];
  /** what was agreed at its fittings and changes its panels; empty once it is cut */
  readonly agreed: readonly AgreedChange[];
}

/** A change agreed at a fitting before the cloth is cut, and what was decided of it. */
export interface AgreedChange {
  readonly alterationId: number;
  /** as it was read back, lengths kept open */
  readonly sentence: string;
  /** null while nothing was decided */
  readonly to: 'sheet' | 'block' | 'bench' | null;
  /** a step of the client’s block says the same */
  readonly asStep: boolean;
  /** why it cannot go into the sheet, lengths kept open; '' where it can */
  readonly cannot: string;
  readonly by: string;
  readonly version: number;
}

export const Agree = z.strictObject({
  version: Version,
  name: z.string().trim().min(1, 'Name who agrees.').max(200),
});

export const MarkCut = z.strictObject({ version: Version });
