import type { MeasuringList } from '@rocchetto/contract';
import { findMeasure, MEASURES } from '@rocchetto/core';
import { Input } from 'antd';
import { useState } from 'react';
import {
  useAddMeasuringListMutation,
  useChangeMeasuringListMutation,
  useDropMeasuringListMutation,
  useMeasuringListsQuery,
} from '../../api/sessions.ts';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';

const NEW = { id: 0, name: '', measures: [], version: 0 } satisfies MeasuringList;

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
              <button type="button" className="quiet" onClick={() => setOpen(l)}>
                Edit<span className="hidden"> {l.name}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {may && !open && (
        <button type="button" className="plain" onClick={() => setOpen(NEW)}>
          Add list
        </button>
      )}
      {open && <ListForm key={`${open.id} ${open.version}`} of={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

function ListForm({ of, onClose }: { of: MeasuringList; onClose: () => void }) {
  const [name, setName] = useState(of.name);
  const [measures, setMeasures] = useState<readonly string[]>(of.measures);
  const [add, adding] = useAddMeasuringListMutation();
  const [change, changing] = useChangeMeasuringListMutation();
  const [drop, dropping] = useDropMeasuringListMutation();
  const busy = adding.isLoading || changing.isLoading || dropping.isLoading;
  const made = { name, measures: [...measures] };
  const save = async () => {
    const saved = of.id === 0 ? await add(made) : await change({ id: of.id, version: of.version, ...made });
    if ('data' in saved) onClose();
  };
  const move = (i: number, by: number) => {
    const next = [...measures];
    const [one] = next.splice(i, 1);
    next.splice(i + by, 0, one!);
    setMeasures(next);
  };
  const nameOf = (id: string) => findMeasure(id)?.name ?? id;
  return (
    <form
      className="slip"
      aria-label={of.id === 0 ? 'New list' : `List ${of.name}`}
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <Problem error={adding.error ?? changing.error ?? dropping.error} />
      <label htmlFor="list-name">Name of the list</label>
      <Input id="list-name" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} autoFocus />
      <ol className="listed">
        {measures.map((id, i) => (
          <li key={id}>
            <span>{nameOf(id)}</span>
            <button type="button" className="quiet" disabled={i === 0} onClick={() => move(i, -1)}>
              Up<span className="hidden"> {nameOf(id)}</span>
            </button>
            <button
              type="button"
              className="quiet"
              disabled={i === measures.length - 1}
              onClick={() => move(i, 1)}
            >
              Down<span className="hidden"> {nameOf(id)}</span>
            </button>
            <button
              type="button"
              className="quiet"
              onClick={() => setMeasures(measures.filter((m) => m !== id))}
            >
              Remove<span className="hidden"> {nameOf(id)}</span>
            </button>
          </li>
        ))}
      </ol>
      <ChoiceByTyping
        aria-label="Add measurement"
        placeholder="Add measurement"
        style={{ width: '100%' }}
        value={null}
        onChange={(id) => setMeasures([...measures, id])}
        options={MEASURES.filter((m) => !measures.includes(m.id)).map((m) => ({
          value: m.id,
          label: m.name,
        }))}
      />
      <div className="row acts">
        <button type="submit" className="take" disabled={busy || !name.trim() || measures.length === 0}>
          Save list
        </button>
        {of.id !== 0 && (
          <button
            type="button"
            className="quiet"
            disabled={busy}
            onClick={async () => {
              if ('data' in (await drop(of.id))) onClose();
            }}
          >
            Remove list
          </button>
        )}
        <button type="button" className="quiet" onClick={onClose}>
          Cancel
        </button>
      </div>
    </form>
  );
}
