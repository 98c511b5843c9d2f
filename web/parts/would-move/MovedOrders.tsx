import type { OrderMoved } from '@rocchetto/contract/would-move.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { ActionButton } from '../../shared/pieces.tsx';

/** So many are shown before anybody asks for more. */
const AT_ONCE = 20;

/** Open orders that would come out otherwise, each with the first things that move. */
export function MovedOrders({ orders }: { orders: readonly OrderMoved[] }) {
  const [shown, show] = useState(AT_ONCE);
  return (
    <>
      <ul className="bare">
        {orders.slice(0, shown).map((o) => (
          <li key={o.id}>
            <Link to={`/orders/${o.id}/sheet`}>{o.number}</Link> {o.what}
            {o.agreed && <span className="soft"> (agreed: stays as it is)</span>}
            {o.moves.map((m) => (
              <div key={m} className="soft">
                {m}
              </div>
            ))}
            {o.more > 0 && <div className="soft">and {o.more} more</div>}
          </li>
        ))}
      </ul>
      {orders.length > shown && (
        <ActionButton look="quiet" onClick={() => show(shown + AT_ONCE)}>
          Show {Math.min(AT_ONCE, orders.length - shown)} more orders
        </ActionButton>
      )}
    </>
  );
}
