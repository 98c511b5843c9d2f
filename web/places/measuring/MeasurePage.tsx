import type { OrderFull } from '@rocchetto/contract';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useOrderQuery } from '../../api/orders.ts';
import { useEarlierQuery, useUseMeasuringMutation } from '../../api/sessions.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { useDays, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { groundOfOrder } from './ground.ts';
import { SessionStart } from './SessionStart.tsx';
import { Taping } from './Taping.tsx';
import { useCurrentSession } from './useSession.ts';

export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const me = useMe();
  const ground = useMemo(() => order && groundOfOrder(order), [order]);
  const { session, looked, begin, anew, take } = useCurrentSession(ground, me.id);
  if (!order || !ground)
    return <Place title="Measure" waiting={{ what: 'the order', error, again: refetch }} />;
  const thread = <Thread order={order} here="measured" />;
  if (!order.brief || order.brief.parts.length === 0)
    return (
      <Place title="Measure" thread={thread}>
        <h1>Brief first</h1>
        <p>
          The brief decides which measurements this order needs.{' '}
          <Link to={`/orders/${id}/brief`}>Write brief</Link>
        </p>
      </Place>
    );
  if (session)
    return <Taping key={session.id} ground={ground} session={session} thread={thread} onAnew={anew} />;
  return (
    <Place title="Measure" thread={thread}>
      {looked ? (
        <>
          <h1>Measuring {order.clientName}</h1>
          <p className="soft">
            The client stands upright, weight even, eyes ahead. Mark the waist with a cord first. The client
            may decline any measurement.
          </p>
          <EarlierMeasuring order={order} onUse={take} />
          <SessionStart ground={ground} onBegin={(s) => void begin(s)} />
        </>
      ) : (
        <p className="soft">Looking for an unfinished session …</p>
      )}
    </Place>
  );
}

/** What was measured before, offered whole: its figures come as they were read, and what is missing is asked. */
function EarlierMeasuring({ order, onUse }: { order: OrderFull; onUse: (sessionId: string) => void }) {
  const own = new Set(order.sessions.map((s) => s.id));
  const { data: earlier = [] } = useEarlierQuery({ clientId: order.clientId });
  const [use, { error, isLoading }] = useUseMeasuringMutation();
  const { short } = useDays();
  const offered = earlier
    .filter((s) => !own.has(s.id))
    .map((s) => ({
      ...s,
      read: new Set(s.readings.filter((r) => r.state === 'read').map((r) => r.measure)).size,
    }))
    .filter((s) => s.read > 0)
    .slice(0, 3);
  if (offered.length === 0) return null;
  return (
    <>
      <Problem error={error} />
      <div className="row">
        {offered.map((s) => (
          <ActionButton
            look="plain"
            key={s.id}
            busy={isLoading}
            onClick={async () => {
              const used = await use({ orderId: order.id, sessionId: s.id });
              if ('data' in used && used.data) onUse(used.data.sessionId);
            }}
          >
            Use the measuring of {short(s.at)} ({s.read} {s.read === 1 ? 'figure' : 'figures'})
          </ActionButton>
        ))}
      </div>
    </>
  );
}
