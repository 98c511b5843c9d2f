import type { AnswerOf } from '@rocchetto/contract';
import type { ClientMovesAsk, WouldMoveAsk } from '@rocchetto/contract/would-move.ts';
import { api, change } from './base.ts';

const wouldMove = api.injectEndpoints({
  endpoints: (b) => ({
    wouldMove: b.query<AnswerOf<'POST /house/rules/would-move'>, WouldMoveAsk>({
      query: (ask) => change('/house/rules/would-move', 'POST', ask),
      keepUnusedDataFor: 0,
    }),
    clientMoves: b.query<AnswerOf<'POST /clients/:id/would-move'>, ClientMovesAsk & { clientId: number }>({
      query: ({ clientId, ...ask }) => change(`/clients/${clientId}/would-move`, 'POST', ask),
      keepUnusedDataFor: 0,
    }),
  }),
});
export const { useClientMovesQuery } = wouldMove;
export const wouldMovePiece = wouldMove.endpoints.wouldMove.initiate;
