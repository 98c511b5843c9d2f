import { useNavigate, useSearchParams } from 'react-router';
import { useClientQuery } from '../../api/clients.ts';
import { useAddOrderMutation } from '../../api/orders.ts';
import { useMay } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { OrderForm } from './OrderForm.tsx';

export function Component() {
  const [params] = useSearchParams();
  const clientId = Number(params.get('client')) || 0;
  const { data: client, error: missing, refetch } = useClientQuery(clientId, { skip: clientId === 0 });
  const [add, { error, isLoading }] = useAddOrderMutation();
  const mayBrief = useMay('sheet.write');
  const navigate = useNavigate();
  return (
    <Place
      title="New order"
      waiting={clientId && !client ? { what: 'the client', error: missing, again: refetch } : null}
      margin={
        <section>
          <h2>What comes next</h2>
          <p className="soft">
            After this comes the brief: style, cloth, what is worn beneath and the shoes decide what is
            measured.
          </p>
        </section>
      }
    >
      <h1>New order{client ? ` for ${client.name}` : ''}</h1>
      <Problem error={error} />
      <OrderForm
        start={client ? { clientId: client.id } : {}}
        clientName={client?.name ?? null}
        busy={isLoading}
        saveWord="Create order"
        onSave={async (w) => {
          const done = await add(w);
          if ('data' in done && done.data) navigate(`/orders/${done.data.id}${mayBrief ? '/brief' : ''}`);
        }}
      />
    </Place>
  );
}
