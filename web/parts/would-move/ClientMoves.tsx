import type { ClientMovesAsk } from '@rocchetto/contract/would-move.ts';
import { useClientMovesQuery } from '../../api/would-move.ts';
import { Problem } from '../../shared/Problem.tsx';
import { MovedOrders } from './MovedOrders.tsx';

interface Props extends ClientMovesAsk {
  readonly clientId: number;
}

/** What a client's measuring would move in the client's open orders. */
export function ClientMoves(ask: Props) {
  const { data, error, isFetching, refetch } = useClientMovesQuery(ask);
  if (error) return <Problem error={error} again={refetch} />;
  if (!data || isFetching)
    return (
      <p className="soft" role="status">
        Working out the open orders …
      </p>
    );
  const { orders, looked, more } = data;
  const of = `${more ? 'the first ' : ''}${looked} open order${looked === 1 ? '' : 's'}`;
  return (
    <>
      <p role="status">
        {looked === 0
          ? ask.readings.length > 0
            ? 'No other open order is made from this measuring.'
            : 'Every open order is made from this measuring.'
          : orders.length === 0
            ? `It would change none of ${of}.`
            : `It would change ${orders.length} of ${of}. Nothing is kept.`}
      </p>
      <MovedOrders orders={orders} />
    </>
  );
}
