import type { MeasuringList } from '@rocchetto/contract';
import { useState } from 'react';
import {
  useAddMeasuringListMutation,
  useChangeMeasuringListMutation,
  useDropMeasuringListMutation,
  useMeasuringListsQuery,
} from '../../api/sessions.ts';
import { ListForm, NEW_LIST } from '../../parts/measuring-lists/ListForm.tsx';
import { useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

/** The standing lists of the house: printed by everybody, made and ordered by who may set the studio up. */
export function Lists() {
  const { data: lists, error, refetch } = useMeasuringListsQuery();
  const may = useMay('house.write');
  const [open, setOpen] = useState<MeasuringList | null>(null);
  if (!lists) return <Problem error={error} again={refetch} />;
  return (
    <section id="lists" aria-label="Lists">
      <h2>Lists</h2>
      <p className="soft">For measuring a client without an order, from the client’s card.</p>
      <ul className="why">
        {lists.map((l) => (
          <li key={l.id}>
            {l.name} ({l.measures.length}){' '}
            <a href={`/api/measuring-lists/${l.id}/list.pdf`} target="_blank" rel="noreferrer">
              Print<span className="hidden"> {l.name}</span>
            </a>{' '}
            {may && (
              <ActionButton look="quiet" onClick={() => setOpen(l)}>
                Edit<span className="hidden"> {l.name}</span>
              </ActionButton>
            )}
          </li>
        ))}
      </ul>
      {may && !open && (
        <ActionButton look="plain" onClick={() => setOpen(NEW_LIST)}>
          Add list
        </ActionButton>
      )}
      {open && <HouseList key={`${open.id} ${open.version}`} list={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

function HouseList({ list, onClose }: { list: MeasuringList; onClose: () => void }) {
  const [add, adding] = useAddMeasuringListMutation();
  const [change, changing] = useChangeMeasuringListMutation();
  const [drop, dropping] = useDropMeasuringListMutation();
  return (
    <ListForm
      list={list}
      busy={adding.isLoading || changing.isLoading || dropping.isLoading}
      error={adding.error ?? changing.error ?? dropping.error}
      onSave={async (made) =>
        'data' in
        (list.id === 0 ? await add(made) : await change({ id: list.id, version: list.version, ...made }))
      }
      onRemove={async () => 'data' in (await drop(list.id))}
      onClose={onClose}
    />
  );
}
