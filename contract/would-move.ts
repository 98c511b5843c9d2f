import { z } from 'zod';
import { Id } from './basics.ts';
import { HouseRulesWire } from './brief.ts';

/** One open order whose sheet would come out otherwise. */
export const OrderMoved = z.strictObject({
  id: z.number(),
  number: z.string(),
  what: z.string(),
  /** agreed: it keeps what was agreed */
  agreed: z.boolean(),
  /** the first things that move, each from what to what, in the unit of that sheet */
  moves: z.array(z.string()).readonly(),
  /** how many more move */
  more: z.number(),
});
export type OrderMoved = z.infer<typeof OrderMoved>;

/** Asks what other rules would move, a piece of the open orders at a time; `after` is the answer's `next`, '' for the first. */
export const WouldMoveAsk = z.strictObject({
  rules: HouseRulesWire,
  after: z
    .string()
    .max(40)
    .regex(/^$|^(infinity|\d{4}-\d{2}-\d{2}) \d{1,15}$/)
    .default(''),
});
export type WouldMoveAsk = z.infer<typeof WouldMoveAsk>;
/** What a change of the rules would move before anyone makes it: one piece of the open orders, those due first. */
export const WouldMove = z.strictObject({
  /** open orders with a sheet; told with the first piece */
  all: z.number().nullable(),
  looked: z.number(),
  /** where the next piece begins; null after the last */
  next: z.string().nullable(),
  /** orders in danger before and after; told with the first piece */
  danger: z.tuple([z.number(), z.number()]).readonly().nullable(),
  orders: z.array(OrderMoved).readonly(),
});
export type WouldMove = z.infer<typeof WouldMove>;

/** All pieces that have come so far, together. */
export interface MovedSoFar {
  readonly all: number;
  readonly looked: number;
  readonly danger: readonly [number, number];
  readonly orders: readonly OrderMoved[];
}
export const NONE_YET: MovedSoFar = { all: 0, looked: 0, danger: [0, 0], orders: [] };
export const withPiece = (so: MovedSoFar, piece: WouldMove): MovedSoFar => ({
  all: piece.all ?? so.all,
  looked: so.looked + piece.looked,
  danger: piece.danger ?? so.danger,
  orders: [...so.orders, ...piece.orders],
});

/** "This changes 12 open orders, none agreed." */
export function wouldMoveWords({ all, looked, danger, orders }: MovedSoFar): string {
  const agreed = orders.filter((o) => o.agreed).length;
  const moved = orders.length - agreed;
  const named = (n: number) => `${n} open order${n === 1 ? '' : 's'}`;
  const of = looked < all ? ` of the first ${looked}` : '';
  const kept =
    agreed === 0
      ? ', none agreed'
      : `; ${agreed} more ${agreed === 1 ? 'is agreed and keeps' : 'are agreed and keep'} what was agreed`;
  const sheets =
    orders.length === 0 ? `This changes no open order${of}.` : `This changes ${named(moved)}${of}${kept}.`;
  const [before, after] = danger;
  const dates =
    before === after ? '' : ` ${after} order${after === 1 ? '' : 's'} would be at risk, now ${before}.`;
  return sheets + dates;
}

/**
 * Asks what a client's measuring would move: without readings every open order that is not made from it, as if it were;
 * with readings those that are made from it, as if these had been read.
 */
export const ClientMovesAsk = z.strictObject({
  sessionId: z.uuid(),
  readings: z
    .array(z.strictObject({ measure: z.string().max(60), value: z.string().max(60) }))
    .max(60)
    .default([]),
  /** an order that is looked at already */
  except: Id.nullable().default(null),
});
export type ClientMovesAsk = z.infer<typeof ClientMovesAsk>;
export const ClientMoves = z.strictObject({
  looked: z.number(),
  /** the client has more open orders than were looked at */
  more: z.boolean(),
  orders: z.array(OrderMoved).readonly(),
});
export type ClientMoves = z.infer<typeof ClientMoves>;
