import type { ClientFull, ClientWrite } from '@rocchetto/contract';
import { Button } from 'antd';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { useChangeClientMutation, useClientQuery } from '../api/api.ts';
import { useMay } from '../app/me.ts';
import { OrderLedger } from '../orders/OrderLedger.tsx';
import { Waiting } from '../shared/Problem.tsx';
import { useVersionedSave } from '../shared/useVersionedSave.tsx';
import { ClientForm } from './ClientForm.tsx';
import { SessionReadings } from './SessionReadings.tsx';

const LABELS = {
  name: 'Name',
  phone: 'Phone',
  email: 'E-mail',
  address: 'Address',
  note: 'To remember',
  minor: 'A minor',
  guardian: 'Guardian',
};

const writable = ({ name, phone, email, address, note, minor, guardian }: ClientFull): ClientWrite => ({
  name,
  phone: phone ?? '',
  email: email ?? '',
  address: address ?? '',
  note,
  minor,
  guardian,
});

export function Component() {
  const id = Number(useParams().id);
  const { data: client, error, refetch } = useClientQuery(id);
  const [change, changing] = useChangeClientMutation();
  const { editing, edit, leave, save, problem } = useVersionedSave<ClientWrite>({
    send: (w, version) => change({ id, version, ...w }),
    state: changing,
    labels: LABELS,
    refetch,
  });
  const mayWrite = useMay('client.write');
  const mayOrder = useMay('order.write');
  useEffect(() => {
    document.title = `${client?.name ?? 'Client'} · Rocchetto`;
  }, [client?.name]);
  if (!client)
    return (
      <main className="work" id="work">
        <Waiting what="the client’s card" error={error} again={refetch} />
      </main>
    );
  return (
    <main className="work" id="work">
      <div>
        <div className="spread">
          <h1>{client.name}</h1>
          <span className="soft">{client.code}</span>
        </div>
        {editing ? (
          <>
            {problem}
            <ClientForm
              start={writable(client)}
              except={id}
              busy={changing.isLoading}
              saveWord="Save"
              onSave={(w) => save(w, client.version)}
            />
            <Button type="text" onClick={leave}>
              Leave as it was
            </Button>
          </>
        ) : (
          <>
            <Card client={client} />
            <div className="row" style={{ margin: '12px 0 20px' }}>
              {mayOrder && (
                <Link to={`/orders/new?client=${id}`}>
                  <Button type="primary" tabIndex={-1}>
                    New order
                  </Button>
                </Link>
              )}
              {mayWrite && <Button onClick={edit}>Change the card</Button>}
              {client.phone !== null && (
                <a href={`/api/clients/${id}/card.vcf`} download>
                  Contact card (vCard)
                </a>
              )}
            </div>
          </>
        )}
        <h2>Orders</h2>
        <OrderLedger orders={client.orders} empty="No order yet. The first one will stand here." />
      </div>
      <aside className="margin" aria-label="Margin">
        <section>
          <h2>Measured</h2>
          {client.sessions.length === 0 ? (
            <p className="soft">Sessions will be listed here, newest first.</p>
          ) : (
            client.sessions.map((x) => <SessionReadings key={x.id} session={x} />)
          )}
        </section>
      </aside>
    </main>
  );
}

function Card({ client }: { client: ClientFull }) {
  const lines: readonly (readonly [string, string | null])[] = [
    ['Phone', client.phone],
    ['E-mail', client.email],
    ['Address', client.address],
    ['To remember', client.note],
    ['Guardian', client.minor ? client.guardian : null],
  ];
  return (
    <dl className="facts" style={{ marginTop: 8 }}>
      {lines
        .filter(([, text]) => text)
        .map(([label, text]) => (
          <div key={label} style={{ display: 'contents' }}>
            <dt>{label}</dt>
            <dd>{text}</dd>
          </div>
        ))}
    </dl>
  );
}
