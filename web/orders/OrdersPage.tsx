import type { OrderRow } from '@rocchetto/contract';
import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useOrdersQuery } from '../api/api.ts';
import { useMay, useMe } from '../app/me.ts';
import { Problem, Waiting } from '../shared/Problem.tsx';
import { useSettled } from '../shared/useSettled.ts';
import { danger } from '../thread/danger.ts';
import { OrderLedger } from './OrderLedger.tsx';

/** The orders by the day they are due; those in danger are told in the margin with their reason. */
export function Component() {
  const { studio } = useMe();
  const [typed, setTyped] = useState('');
  const q = useSettled(typed.trim(), 120);
  const [after, setAfter] = useState<OrderRow | undefined>();
  const { data, error, refetch } = useOrdersQuery({ q, after });
  const mayWrite = useMay('order.write');
  useEffect(() => {
    document.title = 'Orders · Rocchetto';
  }, []);
  const tight = (data ?? []).filter((o) => danger(o)).slice(0, 8);
  return (
    <main className="work" id="work">
      <div>
        <p className="soft">{studio}</p>
        <div className="spread">
          <h1>Orders</h1>
          {mayWrite && (
            <Link to="/orders/new">
              <Button type="primary" tabIndex={-1}>
                New order
              </Button>
            </Link>
          )}
        </div>
        <Input
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setAfter(undefined);
          }}
          placeholder="Number, garment, occasion or client"
          aria-label="Search orders"
          allowClear
          style={{ margin: '10px 0' }}
        />
        {error && data && <Problem error={error} again={refetch} />}
        {!data ? (
          <Waiting what="the orders" error={error} again={refetch} />
        ) : (
          <>
            <OrderLedger
              orders={data}
              withClient
              empty={q ? `No order says “${q}”.` : 'No orders yet. Begin with a client, then “New order”.'}
            />
            <div className="row" style={{ marginTop: 10 }}>
              {after && <Button onClick={() => setAfter(undefined)}>From the beginning</Button>}
              {data.length === 50 && <Button onClick={() => setAfter(data.at(-1))}>Further</Button>}
            </div>
          </>
        )}
      </div>
      <aside className="margin" aria-label="Margin">
        <section>
          <h2>Pulled tight</h2>
          {tight.length === 0 ? (
            <p className="soft">No date on this page is in danger.</p>
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
      </aside>
    </main>
  );
}
