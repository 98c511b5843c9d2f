import { AutoComplete, Input, type InputRef } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useClientsQuery, useOrdersQuery } from '../api/api.ts';
import { useSettled } from '../shared/useSettled.ts';

/** One field for clients and orders; "/" goes to it from anywhere. */
export function FindField() {
  const [typed, setTyped] = useState('');
  const q = useSettled(typed.trim(), 120);
  const skip = q.length < 2;
  const { data: clients = [] } = useClientsQuery({ q }, { skip });
  const { data: orders = [] } = useOrdersQuery({ q }, { skip });
  const navigate = useNavigate();
  const input = useRef<InputRef>(null);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (
        e.key !== '/' ||
        e.ctrlKey ||
        e.metaKey ||
        e.altKey ||
        (e.target as HTMLElement).closest('input, textarea, [contenteditable]')
      )
        return;
      e.preventDefault();
      input.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const options = skip
    ? []
    : [
        ...clients.slice(0, 6).map((c) => ({ value: `/clients/${c.id}`, label: `${c.name} · ${c.code}` })),
        ...orders
          .slice(0, 6)
          .map((o) => ({ value: `/orders/${o.id}`, label: `${o.number} · ${o.what} · ${o.clientName}` })),
      ];
  return (
    <AutoComplete
      value={typed}
      options={options}
      onChange={(text) => !text.startsWith('/') && setTyped(text)}
      onSelect={(to) => {
        setTyped('');
        navigate(to);
      }}
      style={{ width: '100%', maxWidth: 420 }}
      notFoundContent={skip ? null : 'Nobody and nothing is called so.'}
    >
      <Input
        ref={input}
        placeholder="Find a client or an order  ( / )"
        aria-label="Find a client or an order"
      />
    </AutoComplete>
  );
}
