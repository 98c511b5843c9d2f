import { STAGES, type Stage } from '@rocchetto/core';
import { z } from 'zod';
import { Id, IsoDate, Version } from './basics.ts';
import type { BenchWork } from './bench.ts';
import { BriefWire } from './brief.ts';
import type { OrderAppointment } from './diary.ts';
import type { SessionRow } from './sessions.ts';

const date = IsoDate.nullable().default(null);

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
