import { Ledger } from '../../shared/pieces.tsx';
import './ledger.css';
import type { OrderRow } from '@rocchetto/contract';
import { STAGE_WORD, STAGES } from '@rocchetto/core/thread/stage.ts';
import { Link } from 'react-router';
import { useDays } from '../../shared/me.ts';

/** A short length of the order's thread: solid as far as it has come. */
function Strand({ stage, tight }: { stage: OrderRow['stage']; tight: boolean }) {
  const to = 6 + (stage === 'cancelled' ? 0 : STAGES.indexOf(stage)) * 10.5;
  const slack = tight ? 0 : 5;
  return (
    <svg className="strand" width="96" height="18" aria-hidden="true">
      <path d="M6 9 L90 9" stroke="var(--line)" strokeWidth="1.5" strokeDasharray="3 4" />
      <path
        d={`M6 9 Q${6 + (to - 6) / 3} ${9 - slack} ${(6 + to) / 2} 9 T${to} 9`}
        fill="none"
        stroke={tight ? 'var(--thread)' : 'var(--ink)'}
        strokeWidth={tight ? 3 : 2}
      />
      <circle cx={to} cy="9" r="4" fill={tight ? 'var(--thread)' : 'var(--ink)'} />
    </svg>
  );
}

/** Orders ruled like a ledger, each with the length of thread it has run. */
export function OrderLedger({
  orders,
  empty,
  withClient = false,
}: {
  orders: readonly OrderRow[];
  empty: string;
  withClient?: boolean;
}) {
  const { danger, short } = useDays();
  if (orders.length === 0)
    return (
      <p className="soft" role="status">
        {empty}
      </p>
    );
  return (
    <div className="scroll" tabIndex={-1}>
      <Ledger className="orders">
        <thead>
          <tr>
            <th scope="col">Order</th>
            <th scope="col">What</th>
            {withClient && <th scope="col">Client</th>}
            <th scope="col">Due</th>
            <th scope="col">Progress</th>
          </tr>
        </thead>
        <tbody>
          {orders.map((o) => {
            const why = danger(o);
            return (
              <tr key={o.id}>
                <td className="number">
                  <Link to={`/orders/${o.id}`}>{o.number}</Link>
                </td>
                <td>
                  {o.what}
                  {o.occasion && <span className="soft"> · {o.occasion}</span>}
                </td>
                {withClient && (
                  <td>
                    <Link to={`/clients/${o.clientId}`}>{o.clientName}</Link>
                  </td>
                )}
                <td className="number">{short(o.dueOn)}</td>
                <td className="run">
                  <Strand stage={o.stage} tight={why !== null} />
                  <span className={why ? 'tight' : 'soft'} title={why ?? undefined}>
                    {STAGE_WORD[o.stage]}
                  </span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </Ledger>
    </div>
  );
}
