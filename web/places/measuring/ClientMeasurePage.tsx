import type { ClientFull } from '@rocchetto/contract';
import { useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useClientQuery } from '../../api/clients.ts';
import { useClientListsQuery, useEarlierQuery, useMeasuringListsQuery } from '../../api/sessions.ts';
import { useMay, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { ClientLists } from './ClientLists.tsx';
import { groundOfClient } from './ground.ts';
import { SessionStart } from './SessionStart.tsx';
import { Taping } from './Taping.tsx';
import { GOES_ON, useCurrentSession } from './useSession.ts';

/** The lists a client can be measured by without an order: their own, the house's, and what was read of them last. */
function useLists(client: ClientFull | undefined) {
  const { data: house, error, refetch } = useMeasuringListsQuery();
  const { data: own } = useClientListsQuery(client?.id ?? 0, { skip: !client });
  const { data: earlier } = useEarlierQuery({ clientId: client?.id ?? 0 }, { skip: !client });
  return useMemo(() => {
    const last = [
      ...new Set(
        (earlier?.find((s) => Date.now() - Date.parse(s.at) > GOES_ON)?.readings ?? [])
          .filter((r) => r.state === 'read')
          .map((r) => r.measure),
      ),
    ];
    const lists = house &&
      own &&
      earlier && [
        ...own.map((l) => ({ ...l, key: String(l.id), id: l.id as number | null })),
        ...house.map((l) => ({ ...l, key: String(l.id), id: l.id as number | null })),
        ...(last.length > 0 ? [{ key: 'last', id: null, name: 'as last time', measures: last }] : []),
      ];
    return { lists, own: own ?? [], error, refetch };
  }, [house, own, earlier, error, refetch]);
}

/** A measuring of its own, from the client's card: by a standing list, without an order. */
export function Component() {
  const id = Number(useParams().id);
  const { data: client, error, refetch } = useClientQuery(id);
  const me = useMe();
  const may = useMay('session.write');
  const [params, setParams] = useSearchParams();
  const { lists, own, error: noLists, refetch: again } = useLists(client);
  const chosen = lists?.find((l) => l.key === params.get('list'));
  const ground = useMemo(
    () => (client && lists ? groundOfClient(client, chosen ?? { id: null, measures: [] }) : undefined),
    [client, lists, chosen],
  );
  const { session, looked, begin, anew } = useCurrentSession(ground, me.id);
  if (!client) return <Place title="Measure" waiting={{ what: 'the client', error, again: refetch }} />;
  if (!lists || !ground)
    return <Place title="Measure" waiting={{ what: 'the lists', error: noLists, again }} />;
  if (session && chosen) return <Taping key={session.id} ground={ground} session={session} onAnew={anew} />;
  return (
    <Place title="Measure">
      <h1>Measuring {client.name}</h1>
      <p className="soft">
        Without an order: what is read is kept with the client, and an order can use it later.
      </p>
      <fieldset className="row">
        <legend>By which list</legend>
        {lists.map((l) => (
          <ActionButton
            look="ask"
            key={l.key}
            aria-pressed={l === chosen}
            onClick={() => setParams({ list: l.key }, { replace: true })}
          >
            {l.name} ({l.measures.length})
          </ActionButton>
        ))}
        <Link to="/how-we-measure#lists">Lists of the studio</Link>
      </fieldset>
      {may && !session && <ClientLists clientId={client.id} name={client.name} lists={own} />}
      {!looked && <p className="soft">Looking for an unfinished session …</p>}
      {looked && !session && chosen && <SessionStart ground={ground} onBegin={(s) => void begin(s)} />}
      {looked && session && !chosen && (
        <p>A session of today is still open. Choose its list to go on with it.</p>
      )}
    </Place>
  );
}
