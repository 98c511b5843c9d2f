import { STAGES, type Stage } from '@rocchetto/core';
import { z } from 'zod';
import { Id, IsoDate, Version } from './basics.ts';
import { BenchWork } from './bench.ts';
import { BriefWire } from './brief.ts';
import { OrderAppointment } from './diary.ts';
import { made } from './made.ts';
import { SessionRow } from './sessions.ts';

const date = IsoDate.nullable().default(null);

export const OrderWrite = z.strictObject({
  clientId: Id,
  what: z.string().trim().min(1, 'Enter the garment or job.').max(200),
  occasion: z.string().max(200).default(''),
  wornOn: date,
  dueOn: date,
  responsibleId: Id.nullable().default(null),
});

export type OrderWrite = z.infer<typeof OrderWrite>;

export const BriefChange = z.strictObject({ version: Version, brief: BriefWire });

export const OrderRow = z.strictObject({
  id: z.number(),
  number: z.string(),
  what: z.string(),
  occasion: z.string(),
  wornOn: z.string().nullable(),
  dueOn: z.string().nullable(),
  clientId: z.number(),
  clientName: z.string(),
  responsible: z.string().nullable(),
  stage: made<Stage>(),
});
export type OrderRow = z.infer<typeof OrderRow>;

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

export const SheetRow = z.strictObject({
  revision: z.number(),
  status: z.enum(['draft', 'agreed', 'cut']),
  agreedBy: z.string().nullable(),
  agreedAt: z.string().nullable(),
  cutAt: z.string().nullable(),
});
export type SheetRow = z.infer<typeof SheetRow>;

/** One garment of an order that holds several: an order row of its own. */
export const GarmentOfOrder = z.strictObject({
  id: z.number(),
  number: z.string(),
  what: z.string(),
  stage: made<Stage>(),
  parts: made<BriefWire['parts']>(),
});
export type GarmentOfOrder = z.infer<typeof GarmentOfOrder>;

export const OrderFull = OrderRow.omit({ responsible: true }).extend({
  responsibleId: z.number().nullable(),
  responsible: z.string().nullable(),
  version: z.number(),
  brief: BriefWire.nullable(),
  briefAt: z.string().nullable(),
  minor: z.boolean(),
  guardian: z.string(),
  sessions: z.array(SessionRow).readonly(),
  sheets: z.array(SheetRow).readonly(),
  /** those that stand, by time */
  appointments: z.array(OrderAppointment).readonly(),
  /** work promised at the bench, by day */
  bench: z.array(BenchWork).readonly(),
  /** alterations that stand, and how many of them are not checked yet */
  alterations: z.strictObject({
    all: z.number(),
    open: z.number(),
  }),
  /** every garment of the order, this one too, the first one first: they share one measuring */
  garments: z.array(GarmentOfOrder).readonly(),
  /** since when the garment is with the client; null while it is in the house */
  handedOverAt: z.string().nullable(),
  /** why it was cancelled; empty while it is not */
  cancelledReason: z.string(),
});
export type OrderFull = z.infer<typeof OrderFull>;

/** Why an order is not wanted any more, and whether what is booked ahead for it is cancelled too. */
export const OrderCancel = z.strictObject({
  version: Version,
  reason: z.string().trim().min(1, 'Enter the reason for cancelling.').max(500),
  appointments: z.boolean().default(false),
});
export type OrderCancel = z.infer<typeof OrderCancel>;

/** A further garment of an order. */
export const FurtherGarment = z.strictObject({ what: OrderWrite.shape.what });

export type FurtherGarment = z.infer<typeof FurtherGarment>;
