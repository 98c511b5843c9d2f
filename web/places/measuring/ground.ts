import type { ClientFull, MeasuringList, OrderFull } from '@rocchetto/contract';
import { toPart } from '@rocchetto/contract/to-core.ts';
import { measuringTogether } from '@rocchetto/core';

/** What is measured, of whom and for what: an order's garments, or a list that hangs on no order. */
export interface Ground
  extends Pick<OrderFull, 'clientId' | 'clientName' | 'minor' | 'guardian' | 'sessions'> {
  /** null for a measuring of its own */
  readonly orderId: number | null;
  readonly brief: OrderFull['brief'];
  readonly list: readonly { readonly id: string; readonly needed: boolean }[];
  /** the list keeps its own order; else the tape goes as the house goes */
  readonly ordered: boolean;
  /** the list on paper; null where there is none */
  readonly paper: string | null;
  /** where a hand goes when all is read */
  readonly after: { readonly to: string; readonly words: string };
}

export const groundOfOrder = (order: OrderFull): Ground => ({
  orderId: order.id,
  clientId: order.clientId,
  clientName: order.clientName,
  minor: order.minor,
  guardian: order.guardian,
  sessions: order.sessions,
  brief: order.brief,
  list: measuringTogether(order.garments.map((g) => g.parts.map(toPart))),
  ordered: false,
  paper: `/api/orders/${order.id}/measuring-list.pdf`,
  after: { to: `/orders/${order.id}/sheet`, words: 'Open the sheet' },
});

/** What a client is measured by without an order: a standing list of the house, or what was read of them last. */
export const groundOfClient = (
  client: ClientFull,
  list: Pick<MeasuringList, 'measures'> & { readonly id: number | null },
): Ground => ({
  orderId: null,
  clientId: client.id,
  clientName: client.name,
  minor: client.minor,
  guardian: client.guardian,
  sessions: client.sessions.filter((s) => s.orderId === null),
  brief: null,
  list: list.measures.map((id) => ({ id, needed: true })),
  ordered: true,
  paper: list.id === null ? null : `/api/measuring-lists/${list.id}/list.pdf`,
  after: { to: `/clients/${client.id}`, words: 'Open the client' },
});
