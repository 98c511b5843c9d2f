import { type ClientFull, type ClientWrite, languageName } from '@rocchetto/contract';
import { Popconfirm } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useChangeClientMutation, useClientQuery, useDeleteClientMutation } from '../../api/clients.ts';
import { ClientLikes } from '../../parts/design/Likes.tsx';
import { OrderLedger } from '../../parts/ledger/OrderLedger.tsx';
import { ClientAway } from '../../parts/people/ClientAway.tsx';
import { SessionReadings } from '../../parts/readings/SessionReadings.tsx';
import { ClientMoves } from '../../parts/would-move/ClientMoves.tsx';
import { Facts } from '../../shared/Facts.tsx';
import { useMay } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { useVersionedSave } from '../../shared/useVersionedSave.tsx';
import { ClientData } from './ClientData.tsx';
import { ClientForm } from './ClientForm.tsx';

const LABELS = {
  name: 'Name',
  phone: 'Phone',
  email: 'E-mail',
  address: 'Address',
  note: 'Note',
  minor: 'Under age',
  guardian: 'Guardian',
  unit: 'Unit on their own pages',
  language: 'Language of letters',
};

const writable = ({
  name,
  phone,
  email,
  address,
  note,
  minor,
  guardian,
  unit,
  language,
}: ClientFull): ClientWrite => ({
  unit,
  language,
  name,
  phone: phone ?? '',
  email: email ?? '',
  address: address ?? '',
  note,
  minor,
  guardian,
});

/** What the client's open orders would become if they were made from this measuring. */
function HeldAgainst({ clientId, sessionId }: { clientId: number; sessionId: string }) {
  const [asked, ask] = useState(false);
  return asked ? (
    <ClientMoves clientId={clientId} sessionId={sessionId} readings={[]} except={null} />
  ) : (
    <ActionButton look="quiet" onClick={() => ask(true)}>
      Compare open orders with this measuring
    </ActionButton>
  );
}

export function Component() {
  const id = Number(useParams().id);
  const { data: client, error, refetch } = useClientQuery(id);
  const [change, changing] = useChangeClientMutation();
  const { editing, version, edit, leave, save, problem } = useVersionedSave<ClientWrite>({
    now: client?.version ?? 0,
    send: (w, onTop) => change({ id, version: onTop, ...w }),
    state: changing,
    labels: LABELS,
    refetch,
  });
  const [remove, removing] = useDeleteClientMutation();
  const navigate = useNavigate();
  const mayWrite = useMay('client.write');
  const mayOrder = useMay('order.write');
  const mayData = useMay('client.data');
  const mayCall = useMay('client.contact');
  const mayMeasures = useMay('session.read');
  const mayMeasure = useMay('session.write');
  if (!client) return <Place title="Client" waiting={{ what: 'the client', error, again: refetch }} />;
  return (
    <Place
      title={client.name}
      margin={
        <>
          {mayMeasures && (
            <section>
              <h2>Measured</h2>
              {client.sessions.length === 0 ? (
                <p className="soft">Not measured yet.</p>
              ) : (
                client.sessions.map((x) => (
                  <SessionReadings key={x.id} session={x}>
                    {client.orders.length > 0 && <HeldAgainst clientId={id} sessionId={x.id} />}
                  </SessionReadings>
                ))
              )}
              {client.sessions.length > 0 && (
                <p>
                  <Link to={`/clients/${id}/measures`}>Measurements over time</Link>
                </p>
              )}
              {mayMeasure && <Link to={`/clients/${id}/measure`}>Measure without an order</Link>}
            </section>
          )}
          <ClientLikes clientId={id} />
          <ClientAway client={client} />
          {mayData && <ClientData client={client} />}
        </>
      }
    >
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
            onSave={(w) => save(w, version)}
            besides={
              <ActionButton look="quiet" onClick={leave}>
                Cancel
              </ActionButton>
            }
          />
        </>
      ) : (
        <>
          <Facts
            facts={[
              ['Phone', client.phone],
              ['E-mail', client.email],
              ['Address', client.address],
              ['Note', client.note],
              ['Guardian', client.minor ? client.guardian : null],
              ['Language of letters', client.language ? languageName(client.language) : null],
            ]}
          />
          <Problem error={removing.error} />
          <div className="row acts">
            {mayOrder && (
              <>
                <Link className="take" to={`/orders/new?client=${id}`}>
                  New order
                </Link>{' '}
                <Link to={`/brought-in?client=${id}`}>Garment brought in</Link>
              </>
            )}
            {mayWrite && (
              <ActionButton look="plain" onClick={edit}>
                Edit client
              </ActionButton>
            )}
            {mayWrite && client.orders.length === 0 && client.sessions.length === 0 && (
              <Popconfirm
                title={`Delete ${client.name}?`}
                description="Nothing is kept with this client. What the card says is deleted for good."
                okText="Delete client"
                cancelText="Cancel"
                onConfirm={async () => {
                  if ('data' in (await remove(id))) void navigate('/clients', { replace: true });
                }}
              >
                <ActionButton look="plain">Delete client</ActionButton>
              </Popconfirm>
            )}
            {mayCall && (
              <a href={`/api/clients/${id}/card.vcf`} download>
                Contact card (vCard)
              </a>
            )}
          </div>
        </>
      )}
      <h2>Orders</h2>
      <OrderLedger orders={client.orders} empty="No orders yet." />
    </Place>
  );
}
