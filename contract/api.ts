import {
  type Change,
  CORDS,
  FIT_CLASSES,
  isPlaceZone,
  type Kept,
  type Leads,
  type Reading,
  SCHOOL_CHOICES,
  SCHOOLS,
  STAGES,
  type Stage,
  type TapeOrder,
  USUAL_SCHOOLS,
} from '@rocchetto/core';
import { z } from 'zod';
import { Id, Instant, IsoDate, Version } from './basics.ts';
import type { BenchWork, ClientAway } from './bench.ts';
import { BriefWire, HouseWire, StepsWire } from './brief.ts';
import type { OrderAppointment } from './diary.ts';
import { newPassphrase } from './doors.ts';
import { BY_HAND, lengthText } from './length.ts';
import type { Role } from './may.ts';
import { PartsWire } from './parts.ts';
import { sentencesOf } from './problems.ts';
import { ReadingWire } from './reading.ts';
import { RoleName } from './roles.ts';
import type { SpecFile } from './spec.ts';

const name = z
  .string()
  .trim()
  .min(1, 'A name is needed.')
  .max(200, 'A name can hold 200 characters at most.');
const text = z.string().max(2000, 'This text is longer than 2,000 characters.').default('');
const date = IsoDate.nullable().default(null);

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

/** What the whole house goes by. */
export const HouseSettings = z.strictObject({
  studio: z.string().trim().min(1, 'The studio needs a name.').max(120),
  timeZone: z
    .string()
    .max(60)
    .refine(isPlaceZone, 'No time zone has this name; write it as Europe/Rome or UTC.'),
});
export type HouseSettings = z.infer<typeof HouseSettings>;
export interface HouseView extends HouseSettings {
  readonly version: number;
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

export const OrderWrite = z.strictObject({
  clientId: Id,
  what: z.string().trim().min(1, 'Say what is to be made.').max(200),
  occasion: z.string().max(200).default(''),
  wornOn: date,
  dueOn: date,
  responsibleId: Id.nullable().default(null),
});
export type OrderWrite = z.infer<typeof OrderWrite>;
export const BriefChange = z.strictObject({ version: Version, brief: BriefWire });

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
/** What a studio asks its book of orders for. */
export const ORDER_VIEWS = ['work', 'mine', 'danger', 'week', 'client', 'all'] as const;
export type OrderView = (typeof ORDER_VIEWS)[number];
export const OrdersQuery = z.object({
  q: z.string().max(100).default(''),
  view: z.enum(ORDER_VIEWS).default('work'),
  stage: z.enum(STAGES).optional(),
  responsible: z.coerce.number().pipe(Id).optional(),
  /** the due date of the last row of the page before; `infinity` for none */
  afterDue: z.union([z.literal('infinity'), IsoDate]).optional(),
  afterId: z.coerce.number().pipe(Id).optional(),
});
export type OrdersQuery = z.infer<typeof OrdersQuery>;
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
  /** those that stand, by time */
  readonly appointments: readonly OrderAppointment[];
  /** work promised at the bench, by day */
  readonly bench: readonly BenchWork[];
  /** alterations that stand, and how many of them are not checked yet */
  readonly alterations: { readonly all: number; readonly open: number };
  /** every garment of the order, this one too, the first one first: they share one measuring */
  readonly garments: readonly GarmentOfOrder[];
  /** since when the garment is with the client; null while it is in the house */
  readonly handedOverAt: string | null;
}
/** One garment of an order that holds several: an order row of its own. */
export interface GarmentOfOrder {
  readonly id: number;
  readonly number: string;
  readonly what: string;
  readonly stage: Stage;
  readonly parts: BriefWire['parts'];
}
/** A further garment of an order. */
export const FurtherGarment = z.strictObject({ what: OrderWrite.shape.what });
export type FurtherGarment = z.infer<typeof FurtherGarment>;
export interface SheetRow {
  readonly revision: number;
  readonly status: 'draft' | 'agreed' | 'cut';
  readonly agreedBy: string | null;
  readonly agreedAt: string | null;
  readonly cutAt: string | null;
}

const choice = <T extends readonly [string, ...string[]]>(of: T) => z.enum(of).default(of[0] as T[number]);
export const SchoolsWire = z.strictObject({
  heightFrom: choice(SCHOOL_CHOICES.heightFrom.of),
  frontLengths: choice(SCHOOL_CHOICES.frontLengths.of),
  sides: choice(SCHOOL_CHOICES.sides.of),
  neckDepth: choice(SCHOOL_CHOICES.neckDepth.of),
  sleeveGirth: choice(SCHOOL_CHOICES.sleeveGirth.of),
  sleeveFrom: choice(SCHOOL_CHOICES.sleeveFrom.of),
});
export const SessionWrite = z.strictObject({
  id: z.uuid(),
  clientId: Id,
  orderId: Id.nullable().default(null),
  at: Instant,
  measurer: z.string().max(200).default(''),
  scribe: z.string().max(200).default(''),
  beneath: z.string().max(200).default(''),
  heel: lengthText({ max: 20, name: 'heel' }).nullable().default(null),
  posture: z.string().max(500).default(''),
  waistRule: z.string().max(200).default('where the body folds when bending sideways'),
  hipRule: z.string().max(200).default('fullest seat, seen from the side'),
  unit: z.enum(['cm', 'in']).default('cm'),
  guardian: z.string().max(200).default(''),
  /** the ways of measuring in which schools differ, as this session has them */
  schools: SchoolsWire.default(USUAL_SCHOOLS),
  /** the client sits: another list, another picture */
  seated: z.boolean().default(false),
  /** levels that were marked with a cord before the tape */
  cords: z.array(z.enum(CORDS)).max(CORDS.length).default([]),
  /** the client agreed to be touched and measured */
  consent: z.boolean().default(false),
  /** what the client reports to have changed since last time, pregnancy too; empty: nothing */
  changed: z.string().max(300).default(''),
});
export type SessionWrite = z.infer<typeof SessionWrite>;
/** A reading as it was sent: one that is right, or its id and the sentence that says why it is not. */
const SentReading = z
  .looseObject({ id: z.string().max(100) })
  .meta(z.toJSONSchema(ReadingWire, { io: 'input' }))
  .transform((one): SentReading => {
    const read = ReadingWire.safeParse(one);
    if (read.success) return read.data;
    return { id: one.id, sentence: sentencesOf(read.error)[0] ?? 'It is not a reading.' };
  });
export type SentReading = ReadingWire | { readonly id: string; readonly sentence: string };

/** Readings as a tablet sends them: each is checked by itself, so that one bad one does not hold up the others. */
export const Readings = z.strictObject({
  session: SessionWrite,
  readings: z.array(SentReading).max(200),
});
/** What became of a batch: the ids that are in the book, and those that are not with their sentence. */
export interface ReadingsAnswer {
  readonly kept: readonly string[];
  readonly refused: readonly { readonly id: string; readonly sentence: string }[];
}
/** What a session says about itself beside its readings. */
export type SessionDetails = Omit<SessionWrite, 'id' | 'clientId' | 'orderId' | 'at' | 'unit'>;
export interface SessionFull {
  readonly id: string;
  readonly clientId: number;
  readonly orderId: number | null;
  readonly at: string;
  readonly measurer: string;
  readonly unit: 'cm' | 'in';
  readonly details: SessionDetails;
  readonly readings: readonly Reading[];
}
/** An earlier session, for what "last time" is told from. */
export interface Earlier {
  readonly id: string;
  readonly at: string;
  readonly readings: readonly Reading[];
}

export interface SessionRow {
  readonly id: string;
  readonly orderId: number | null;
  readonly at: string;
  readonly measurer: string;
  readonly unit: 'cm' | 'in';
  readonly readings: number;
  /** the client read it at home: it never goes on at the tape, and the studio's own counts before it */
  readonly atHome: boolean;
}

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
/** A composition the house has saved under a name. */
export const GarmentWrite = z.strictObject({
  name: z.string().trim().min(1, 'The garment needs a name.').max(80),
  parts: PartsWire.refine((p) => p.length > 0, 'Name at least one part of the garment.'),
});
export type GarmentWrite = z.infer<typeof GarmentWrite>;
export interface GarmentRow extends GarmentWrite {
  readonly id: number;
}
/** A client's own block: what the next order of theirs can start from. */
export const OwnBlockWrite = z
  .strictObject({
    name: GarmentWrite.shape.name,
    fit: z.enum(FIT_CLASSES),
    school: z.enum(SCHOOLS),
    parts: GarmentWrite.shape.parts,
    steps: StepsWire,
  })
  .refine((b) => b.steps.every((s) => s.part < b.parts.length), 'A step names a part that is not there.');
export type OwnBlockWrite = z.infer<typeof OwnBlockWrite>;
export interface OwnBlock extends OwnBlockWrite {
  readonly id: number;
  readonly by: string;
  /** ISO instant */
  readonly at: string;
}
export const Agree = z.strictObject({
  version: Version,
  name: z.string().trim().min(1, 'Name who agrees.').max(200),
});
export const MarkCut = z.strictObject({ version: Version });
