import { ActionButton, SelectField } from '../../shared/pieces.tsx';
import '../../parts/ledger/ledger.css';
import './orders.css';
import type { OrderRow, OrderView } from '@rocchetto/contract';
import { waitsForClient } from '@rocchetto/core/thread/danger.ts';
import { STAGE_WORD, STAGES } from '@rocchetto/core/thread/stage.ts';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useOrdersQuery } from '../../api/orders.ts';
import { useStaffQuery } from '../../api/staff.ts';
import { OrderLedger } from '../../parts/ledger/OrderLedger.tsx';
import { Further } from '../../shared/Further.tsx';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Place, Waiting } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';

/** What a studio asks its book of orders for, and what an empty answer means. */
const VIEWS: readonly (readonly [view: OrderView, word: string, empty: string])[] = [
  ['work', 'In progress', 'No orders in progress. Start with “New order”.'],
  ['mine', 'Mine', 'No orders in progress are yours.'],
  ['danger', 'At risk', 'No orders are at risk.'],
  ['week', 'Due this week', 'Nothing is due within seven days.'],
  ['client', 'Waiting for client', 'No orders are waiting for a client.'],
  ['all', 'All', 'No orders yet. Add the first with “New order”.'],
];

/** The orders by the day they are due, as a studio asks for them; those in danger are told in the margin with their reason. */
export function Component() {
  const { studio } = useMe();
  const { danger } = useDays();
  const [params, setParams] = useSearchParams();
  const [view, , empty] = VIEWS.find(([v]) => v === params.get('view')) ?? VIEWS[0]!;
  const stage = STAGES.find((s) => s === params.get('stage'));
  const responsible = Number(params.get('responsible')) || undefined;
  const [after, setAfter] = useState<OrderRow | undefined>();
  const { data, error, refetch } = useOrdersQuery({ view, stage, responsible, after });
  const { data: staff = [] } = useStaffQuery();
  const mayWrite = useMay('order.write');
  const ask = (next: Record<string, string>) => {
    const now = new URLSearchParams(params);
    for (const [k, v] of Object.entries(next)) v ? now.set(k, v) : now.delete(k);
    setAfter(undefined);
    setParams(now, { replace: true });
  };
  const tight = (data ?? []).filter((o) => danger(o)).slice(0, 8);
  const waiting = (data ?? []).filter((o) => waitsForClient(o.stage)).slice(0, 8);
  return (
    <Place
      title="Orders"
      margin={
        <>
          <section>
            <h2>At risk</h2>
            {tight.length === 0 ? (
              <p className="soft">No order on this page is at risk.</p>
            ) : (
              <ul className="why">
                {tight.map((o) => (
                  <li key={o.id}>
                    <Link to={`/orders/${o.id}`}>{o.number}</Link> {o.what}: {danger(o)}
                  </li>
                ))}
              </ul>
            )}
          </section>
          {waiting.length > 0 && (
            <section>
              <h2>Waiting for client</h2>
              <ul className="why">
                {waiting.map((o) => (
                  <li key={o.id}>
                    <Link to={`/orders/${o.id}`}>{o.number}</Link> {o.clientName}, {waitsForClient(o.stage)}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </>
      }
    >
      <p className="soft">{studio}</p>
      <div className="spread">
        <h1>Orders</h1>
        {mayWrite && (
          <Link className="take" to="/orders/new">
            New order
          </Link>
        )}
      </div>
      <div className="asks">
        <fieldset className="row">
          <legend className="hidden">Which orders</legend>
          {VIEWS.map(([v, word]) => (
            <ActionButton
              look="ask"
              key={v}
              aria-pressed={v === view}
              onClick={() => ask({ view: v === 'work' ? '' : v })}
            >
              {word}
            </ActionButton>
          ))}
        </fieldset>
        <div className="row">
          <SelectField
            aria-label="Status"
            value={stage ?? ''}
            onChange={(e) => ask({ stage: e.target.value })}
          >
            <option value="">any status</option>
            {STAGES.map((s) => (
              <option key={s} value={s}>
                {STAGE_WORD[s]}
              </option>
            ))}
          </SelectField>
          <SelectField
            aria-label="Responsible"
            value={responsible ?? ''}
            onChange={(e) => ask({ responsible: e.target.value })}
          >
            <option value="">anyone</option>
            {staff.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </SelectField>
        </div>
      </div>
      {error && data && <Problem error={error} again={refetch} />}
      {!data ? (
        <Waiting what="the orders" error={error} again={refetch} />
      ) : (
        <>
          <OrderLedger
            orders={data}
            withClient
            empty={stage || responsible ? 'No orders match. Try fewer filters.' : empty}
          />
          <Further rows={data} after={after} onTurn={setAfter} />
        </>
      )}
    </Place>
  );
}
