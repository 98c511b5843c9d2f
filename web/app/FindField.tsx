import { AutoComplete, Input, type InputRef } from 'antd';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useClientsQuery } from '../api/clients.ts';
import { useOrdersQuery } from '../api/orders.ts';
import { Dressed } from '../shared/Dressed.tsx';
import { openHelp } from '../shared/help.ts';
import { useSettled } from '../shared/useSettled.ts';
import { helpOptions } from './help-options.ts';

/** One field for clients and orders; "/" goes to it from anywhere. `start` is what was typed before it was there. */
export default function FindField({ start, focused }: { start: string; focused: boolean }) {
  const [typed, setTyped] = useState(start);
  const q = useSettled(typed.trim(), 120);
  const skip = q.length < 2;
  const { data: clients = [], isFetching } = useClientsQuery({ q }, { skip });
  const { data: orders = [], isFetching: looking } = useOrdersQuery({ q, view: 'all' }, { skip });
  const navigate = useNavigate();
  const input = useRef<InputRef>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only as it takes the plain field's place
  useLayoutEffect(() => {
    if (focused) input.current?.focus({ cursor: 'end' });
  }, []);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== '/' || e.ctrlKey || e.metaKey || e.altKey) return;
      if ((e.target as HTMLElement).closest('input, textarea, [contenteditable]')) return;
      e.preventDefault();
      input.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const found = [
    {
      label: 'Clients',
      options: clients
        .slice(0, 6)
        .map((c) => ({ value: `/clients/${c.id}`, label: `${c.name} · ${c.code}` })),
    },
    {
      label: 'Orders',
      options: orders
        .slice(0, 6)
        .map((o) => ({ value: `/orders/${o.id}`, label: `${o.number} · ${o.what} · ${o.clientName}` })),
    },
    { label: 'Help', options: skip ? [] : helpOptions(q) },
  ].filter((group) => group.options.length > 0);
  return (
    <Dressed>
      <AutoComplete
        className="findfield"
        value={typed}
        defaultOpen={focused && start.length > 0}
        options={skip ? [] : found}
        onChange={(text) => !/^[/?]/.test(text) && setTyped(text)}
        onSelect={(to: string) => {
          setTyped('');
          if (to.startsWith('?')) openHelp(to.slice(1));
          else void navigate(to);
        }}
        notFoundContent={skip || isFetching || looking ? null : 'No client, order or help page found.'}
      >
        <Input
          ref={input}
          placeholder="Find a client or an order  ( / )"
          aria-label="Find a client or an order"
        />
      </AutoComplete>
    </Dressed>
  );
}
