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
          of={open}
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

function OwnList({ clientId, of, onClose }: { clientId: number; of: MeasuringList; onClose: () => void }) {
  const [add, adding] = useAddClientListMutation();
  const [change, changing] = useChangeClientListMutation();
  const [drop, dropping] = useDropClientListMutation();
  return (
    <ListForm
      of={of}
      busy={adding.isLoading || changing.isLoading || dropping.isLoading}
      error={adding.error ?? changing.error ?? dropping.error}
      onSave={async (made) =>
        'data' in
        (of.id === 0
          ? await add({ clientId, ...made })
          : await change({ id: of.id, clientId, version: of.version, ...made }))
      }
      onRemove={async () => 'data' in (await drop({ id: of.id, clientId }))}
      onClose={onClose}
    />
  );
}
