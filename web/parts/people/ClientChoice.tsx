import { useState } from 'react';
import { useClientsQuery } from '../../api/clients.ts';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { useSettled } from '../../shared/useSettled.ts';

/** Finds a client by what is typed, for an appointment without an order. */
export function ClientChoice({ onChoose }: { onChoose: (id: number) => void }) {
  const [typed, setTyped] = useState('');
  const q = useSettled(typed.trim(), 200);
  const { data } = useClientsQuery({ q }, { skip: q === '' });
  return (
    <>
      <label htmlFor="for-whom">Client</label>
      <TextField
        id="for-whom"
        value={typed}
        autoComplete="off"
        placeholder="name or code"
        onChange={(e) => setTyped(e.target.value)}
      />
      {q !== '' && data && (
        <ul className="why">
          {data.slice(0, 8).map((c) => (
            <li key={c.id}>
              <ActionButton look="quiet" onClick={() => onChoose(c.id)}>
                {c.name} <span className="soft">{c.code}</span>
              </ActionButton>
            </li>
          ))}
          {data.length === 0 && <li>No client found.</li>}
        </ul>
      )}
    </>
  );
}
