import type { MeasuringList, MeasuringListWrite } from '@rocchetto/contract';
import { findMeasure, MEASURES } from '@rocchetto/core';
import { Input } from 'antd';
import { useState } from 'react';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { FormFoot } from '../../shared/FormFoot.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

export const NEW_LIST = { id: 0, name: '', measures: [], version: 0 } satisfies MeasuringList;

interface Props {
  /** `NEW_LIST` for one that is not kept yet */
  readonly list: MeasuringList;
  /** both answer whether it was done */
  readonly onSave: (made: MeasuringListWrite) => Promise<boolean>;
  readonly onRemove: () => Promise<boolean>;
  readonly busy: boolean;
  readonly error: unknown;
  readonly onClose: () => void;
}

/** A standing list as it is made: its name, its measurements in order. */
export function ListForm({ list, onSave, onRemove, busy, error, onClose }: Props) {
  const [name, setName] = useState(list.name);
  const [measures, setMeasures] = useState<readonly string[]>(list.measures);
  const save = async () => {
    if (await onSave({ name, measures: [...measures] })) onClose();
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
      aria-label={list.id === 0 ? 'New list' : `List ${list.name}`}
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <Problem error={error} />
      <label htmlFor="list-name">Name of the list</label>
      <Input id="list-name" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} autoFocus />
      <ol className="listed">
        {measures.map((id, i) => (
          <li key={id}>
            <span>{nameOf(id)}</span>
            <ActionButton look="quiet" disabled={i === 0} onClick={() => move(i, -1)}>
              Up<span className="hidden"> {nameOf(id)}</span>
            </ActionButton>
            <ActionButton look="quiet" disabled={i === measures.length - 1} onClick={() => move(i, 1)}>
              Down<span className="hidden"> {nameOf(id)}</span>
            </ActionButton>
            <ActionButton look="quiet" onClick={() => setMeasures(measures.filter((m) => m !== id))}>
              Remove<span className="hidden"> {nameOf(id)}</span>
            </ActionButton>
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
      <FormFoot
        thing="list"
        ready={name.trim() !== '' && measures.length > 0}
        busy={busy}
        onRemove={
          list.id === 0
            ? undefined
            : async () => {
                if (await onRemove()) onClose();
              }
        }
        onCancel={onClose}
      />
    </form>
  );
}
