import type { ClientRow } from '@rocchetto/contract';
import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useClientsQuery } from '../api/api.ts';
import { useMay } from '../app/me.ts';
import { Problem, Waiting } from '../shared/Problem.tsx';
import { useSettled } from '../shared/useSettled.ts';

export function Component() {
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useState(params.get('q') ?? '');
  const q = useSettled(typed.trim(), 120);
  const [after, setAfter] = useState<ClientRow | undefined>();
  const { data, error, refetch, isFetching } = useClientsQuery({ q, after: q ? undefined : after });
  const mayWrite = useMay('client.write');
  const mayCall = useMay('client.contact');
  useEffect(() => {
    document.title = 'Clients · Rocchetto';
  }, []);
  useEffect(() => setParams(q ? { q } : {}, { replace: true }), [q, setParams]);
  return (
    <main className="work" id="work">
      <div>
        <div className="spread">
          <h1>Clients</h1>
          {mayWrite && (
            <Link to="/clients/new">
              <Button type="primary" tabIndex={-1}>
                New client
              </Button>
            </Link>
          )}
        </div>
        <Input
          autoFocus
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          placeholder="Name, phone or code"
          aria-label="Search clients by name, phone or code"
          allowClear
          style={{ margin: '10px 0' }}
        />
        {error && data && <Problem error={error} again={refetch} />}
        {!data ? (
          <Waiting what="the clients" error={error} again={refetch} />
        ) : data.length === 0 ? (
          <p className="soft" role="status">
            {q
              ? `Nobody in the book is called “${q}” or nearly so.`
              : 'The book is empty. Clients will stand here in order of name; add the first with “New client”.'}
          </p>
        ) : (
          <>
            <table className="ledger" aria-busy={isFetching}>
              <thead>
                <tr>
                  <th scope="col">Name</th>
                  <th scope="col">Code</th>
                  {mayCall && <th scope="col">Phone</th>}
                  <th scope="col">Orders</th>
                </tr>
              </thead>
              <tbody>
                {data.map((c) => (
                  <tr key={c.id}>
                    <td>
                      <Link to={`/clients/${c.id}`}>{c.name}</Link>
                    </td>
                    <td>{c.code}</td>
                    {mayCall && <td>{c.phone}</td>}
                    <td>{c.orders || '—'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {!q && (
              <div className="row" style={{ marginTop: 10 }}>
                {after && <Button onClick={() => setAfter(undefined)}>From the beginning</Button>}
                {data.length === 50 && <Button onClick={() => setAfter(data.at(-1))}>Further</Button>}
              </div>
            )}
          </>
        )}
      </div>
      <aside className="margin" aria-label="Margin">
        <section>
          <h2>Finding</h2>
          <p className="soft">
            Accents and small slips are forgiven: “soren” finds Søren. A few digits of the phone will do.
          </p>
        </section>
      </aside>
    </main>
  );
}
