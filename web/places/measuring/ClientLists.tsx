import type { MeasuringList } from '@rocchetto/contract';
import { useState } from 'react';
import {
  useAddClientListMutation,
  useChangeClientListMutation,
  useDropClientListMutation,
} from '../../api/sessions.ts';
import { ListForm, NEW_LIST } from '../../parts/measuring-lists/ListForm.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

/** A client's own standing lists: made, changed and printed where the client is measured by them. */
export function ClientLists({
  clientId,
  name,
  lists,
}: {
  clientId: number;
  name: string;
  lists: readonly MeasuringList[];
}) {
  const [open, setOpen] = useState<MeasuringList | null>(null);
  return (
    <section aria-label={`Lists of ${name}`}>
      <h2>Lists of {name}</h2>
      {lists.length === 0 && (
        <p className="soft">None yet: what is measured of this client again and again.</p>
      )}
      <ul className="why">
        {lists.map((l) => (
          <li key={l.id}>
            {l.name} ({l.measures.length}){' '}
            <a href={`/api/client-lists/${l.id}/list.pdf`} target="_blank" rel="noreferrer">
              Print<span className="hidden"> {l.name}</span>
            </a>{' '}
            <ActionButton look="quiet" onClick={() => setOpen(l)}>
              Edit<span className="hidden"> {l.name}</span>
            </ActionButton>
          </li>
        ))}
      </ul>
      {open ? (
        <OwnList
          key={`${open.id} ${open.version}`}
          clientId={clientId}
          list={open}
          onClose={() => setOpen(null)}
        />
      ) : (
        <ActionButton look="plain" onClick={() => setOpen(NEW_LIST)}>
          Add list
        </ActionButton>
      )}
    </section>
  );
}

function OwnList({
  clientId,
  list,
  onClose,
}: {
  clientId: number;
  list: MeasuringList;
  onClose: () => void;
}) {
  const [add, adding] = useAddClientListMutation();
  const [change, changing] = useChangeClientListMutation();
  const [drop, dropping] = useDropClientListMutation();
  return (
    <ListForm
      list={list}
      busy={adding.isLoading || changing.isLoading || dropping.isLoading}
      error={adding.error ?? changing.error ?? dropping.error}
      onSave={async (made) =>
        'data' in
        (list.id === 0
          ? await add({ clientId, ...made })
          : await change({ id: list.id, clientId, version: list.version, ...made }))
      }
      onRemove={async () => 'data' in (await drop({ id: list.id, clientId }))}
      onClose={onClose}
    />
  );
}
