import { useEffect } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useAddOrderMutation, useClientQuery } from '../api/api.ts';
import { useMay } from '../app/me.ts';
import { Problem, Waiting } from '../shared/Problem.tsx';
import { OrderForm } from './OrderForm.tsx';

export function Component() {
  const [params] = useSearchParams();
  const clientId = Number(params.get('client')) || 0;
  const { data: client, error: missing, refetch } = useClientQuery(clientId, { skip: clientId === 0 });
  const [add, { error, isLoading }] = useAddOrderMutation();
  const mayBrief = useMay('sheet.write');
  const navigate = useNavigate();
  useEffect(() => {
    document.title = 'New order · Rocchetto';
  }, []);
  if (clientId && !client)
    return (
      <main className="work" id="work">
        <Waiting what="the client" error={missing} again={refetch} />
      </main>
    );
  return (
    <main className="work" id="work">
      <div>
        <h1>New order{client ? ` for ${client.name}` : ''}</h1>
        <Problem error={error} />
        <OrderForm
          start={client ? { clientId: client.id } : {}}
          clientName={client?.name ?? null}
          busy={isLoading}
          saveWord="Begin the thread"
          onSave={async (w) => {
            const done = await add(w);
            if ('data' in done && done.data) navigate(`/orders/${done.data.id}${mayBrief ? '/brief' : ''}`);
          }}
        />
      </div>
      <aside className="margin" aria-label="Margin">
        <section>
          <h2>First the brief</h2>
          <p className="soft">
            Style, cloth, what is worn beneath and the shoes come before the tape: they decide what is
            measured.
          </p>
        </section>
      </aside>
    </main>
  );
}
