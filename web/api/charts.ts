import type { AnswerOf } from '@rocchetto/contract';
import type { ChartChange, ChartFileWrite, ChartTextWrite, SizeChoice } from '@rocchetto/contract/compare.ts';
import { api, change } from './base.ts';

const charts = api.injectEndpoints({
  endpoints: (b) => ({
    charts: b.query<AnswerOf<'GET /charts'>, void>({ query: () => '/charts', providesTags: ['House'] }),
    addChart: b.mutation<AnswerOf<'POST /charts'>, ChartFileWrite>({
      query: (body) => change('/charts', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    readChartText: b.mutation<AnswerOf<'POST /charts/read'>, ChartTextWrite>({
      query: (body) => change('/charts/read', 'POST', body),
    }),
    changeChart: b.mutation<
      AnswerOf<'PUT /charts/:id'>,
      Omit<ChartChange, 'chart'> & { id: number; chart: ChartFileWrite }
    >({
      query: ({ id, ...body }) => change(`/charts/${id}`, 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    dropChart: b.mutation<AnswerOf<'DELETE /charts/:id'>, number>({
      query: (id) => change(`/charts/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    sizes: b.query<AnswerOf<'GET /orders/:id/size'>, { orderId: number; chart: number }>({
      query: ({ orderId, chart }) => `/orders/${orderId}/size?chart=${chart}`,
      providesTags: (_, __, { orderId }) => [
        { type: 'Order', id: orderId },
        { type: 'Sheet', id: orderId },
        'House',
      ],
    }),
    chooseSize: b.mutation<AnswerOf<'PUT /orders/:id/size'>, SizeChoice & { orderId: number }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/size`, 'PUT', body),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Order', id: orderId }]),
    }),
  }),
});
export const {
  useChartsQuery,
  useAddChartMutation,
  useReadChartTextMutation,
  useChangeChartMutation,
  useDropChartMutation,
  useSizesQuery,
  useChooseSizeMutation,
} = charts;
