import type { OrderFull } from '@rocchetto/contract';
import { STAGE_WORD } from '@rocchetto/core/thread/stage.ts';
import { type FormEvent, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAddGarmentMutation } from '../../api/orders.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger, TextField } from '../../shared/pieces.tsx';

/** The garments of an order: measured together, each with its own brief, sheet and cut. */
export function GarmentsOfOrder({ order, mayWrite }: { order: OrderFull; mayWrite: boolean }) {
  const [add, adding] = useAddGarmentMutation();
  const [what, setWhat] = useState('');
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const more = order.garments.length > 1;
  if (!more && !mayWrite) return null;
  const send = async (e: FormEvent) => {
    e.preventDefault();
    if (what.trim() === '' || adding.isLoading) return;
    const done = await add({ id: order.id, what: what.trim() });
    if ('data' in done && done.data) navigate(`/orders/${done.data.id}/brief`);
  };
  return (
    <section aria-label="Garments of this order">
      {more && (
        <>
          <h2>Garments of this order</h2>
          <p className="soft">Measured once for all; each has its own sheet and is cut on its own.</p>
          <Ledger>
            <tbody>
              {order.garments.map((g) => (
                <tr key={g.id}>
                  <td className="number">{g.number}</td>
                  <td>
                    {g.id === order.id ? (
                      <strong aria-current="page">{g.what}</strong>
                    ) : (
                      <Link to={`/orders/${g.id}`}>{g.what}</Link>
                    )}
                  </td>
                  <td>{STAGE_WORD[g.stage]}</td>
                </tr>
              ))}
            </tbody>
          </Ledger>
        </>
      )}
      {mayWrite &&
        (open ? (
          <form className="row" onSubmit={(e) => void send(e)}>
            <label className="grow">
              Further garment{' '}
              <TextField
                value={what}
                maxLength={200}
                placeholder="e.g. jacket"
                autoFocus
                onChange={(e) => setWhat(e.target.value)}
              />
            </label>
            <ActionButton look="plain" type="submit" disabled={what.trim() === '' || adding.isLoading}>
              Add garment and write brief
            </ActionButton>
            <ActionButton look="quiet" onClick={() => setOpen(false)}>
              Cancel
            </ActionButton>
          </form>
        ) : (
          <ActionButton look="quiet" onClick={() => setOpen(true)}>
            Add garment
          </ActionButton>
        ))}
      <Problem error={adding.error} />
    </section>
  );
}
