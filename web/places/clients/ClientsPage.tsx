import { Ledger, TextField } from '../../shared/pieces.tsx';
import '../../parts/ledger/ledger.css';
import type { ClientRow } from '@rocchetto/contract';
import { useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useClientsQuery } from '../../api/clients.ts';
import { Further } from '../../shared/Further.tsx';
import { useMay } from '../../shared/me.ts';
import { Place, Waiting } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { useSettled } from '../../shared/useSettled.ts';

export function Component() {
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useState(params.get('q') ?? '');
  const q = useSettled(typed.trim(), 120);
  const [after, setAfter] = useState<ClientRow | undefined>();
  const { data, error, refetch, isFetching } = useClientsQuery({ q, after: q ? undefined : after });
  const mayWrite = useMay('client.write');
  const mayCall = useMay('client.contact');
  const mayBring = useMay('client.data');
  useEffect(() => setParams(q ? { q } : {}, { replace: true }), [q, setParams]);
  return (
    <Place
      title="Clients"
      margin={
        <section>
          <h2>Searching</h2>
          <p className="soft">
            Accents and small typing errors don’t matter: “soren” finds Søren.
            {mayCall && ' Four digits of a phone number are enough.'}
          </p>
          {mayBring && (
            <ul className="why">
              <li>
                <Link to="/old-book">Import clients</Link>
              </li>
              <li>
                Download all clients with their measurements as{' '}
                <a href="/api/export/clients.csv" download>
                  CSV
                </a>{' '}
                or{' '}
                <a href="/api/export/clients.json" download>
                  JSON
                </a>
              </li>
            </ul>
          )}
        </section>
      }
    >
      <div className="spread">
        <h1>Clients</h1>
        {mayWrite && (
          <Link className="take" to="/clients/new">
            New client
          </Link>
        )}
      </div>
      <div className="asks">
        <TextField
          autoFocus
          type="search"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          placeholder={mayCall ? 'Name, phone or code' : 'Name or code'}
          aria-label={mayCall ? 'Search clients by name, phone or code' : 'Search clients by name or code'}
        />
      </div>
      {error && data && <Problem error={error} again={refetch} />}
      {!data ? (
        <Waiting what="the clients" error={error} again={refetch} />
      ) : data.length === 0 ? (
        <p className="soft" role="status">
          {q ? `No client found for “${q}”.` : 'No clients yet. Add the first.'}
        </p>
      ) : (
        <>
          <Ledger aria-busy={isFetching}>
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
                  {mayCall && <td className="number">{c.phone}</td>}
                  <td>{c.orders || '—'}</td>
                </tr>
              ))}
            </tbody>
          </Ledger>
          {!q && <Further rows={data} after={after} onTurn={setAfter} />}
        </>
      )}
    </Place>
  );
}
