import type { AnswerOf, PatternQuery } from '@rocchetto/contract';
import { api } from './base.ts';

/** What of a pattern is asked for, as its address says it. */
export type PatternAsk = Partial<Record<keyof PatternQuery, string>>;
export const patternFile = (id: number, as: 'svg' | 'dxf' | 'pdf', ask: PatternAsk): string => {
  const query = new URLSearchParams(ask as Record<string, string>).toString();
  return `/api/orders/${id}/pattern.${as}${query ? `?${query}` : ''}`;
};

/** Its pieces by points, for drawing straight on the cloth. */
export const chalkCard = (id: number, { revision }: PatternAsk, unit: string): string =>
  `/api/orders/${id}/chalk-card.pdf?unit=${unit}${revision ? `&revision=${revision}` : ''}`;

const pattern = api.injectEndpoints({
  endpoints: (b) => ({
    pattern: b.query<AnswerOf<'GET /orders/:id/pattern'>, { id: number; ask: PatternAsk }>({
      query: ({ id, ask }) => ({ url: `/orders/${id}/pattern`, params: ask }),
      providesTags: (_, __, { id }) => [{ type: 'Sheet', id }],
    }),
  }),
});
export const { usePatternQuery } = pattern;
