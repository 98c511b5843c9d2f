import type { EstimateView, KeptEstimate } from '@rocchetto/contract/estimate.ts';
import { useState } from 'react';
import {
  useAgreeEstimateMutation,
  useKeepEstimateMutation,
  useWithdrawEstimateMutation,
} from '../../api/estimate.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { usePrice } from '../../shared/usePrice.ts';

type Moved = EstimateView['since'];
/** So many are open to the eye, the earlier ones folded away. */
const SHOWN = 3;

/** The estimates that were kept, newest first, and what moved since. */
export function Kept({ orderId, view }: { orderId: number; view: EstimateView }) {
  const may = useMay('order.write');
  const price = usePrice();
  const [keep, keeping] = useKeepEstimateMutation();
  const newest = view.kept.find((k) => k.state !== 'withdrawn');
  const next = (view.kept[0]?.revision ?? 0) + 1;
  const same = newest !== undefined && view.since.length === 0 && newest.state !== 'replaced';
  return (
    <section aria-labelledby="estimates-kept">
      <h2 id="estimates-kept">Estimates kept</h2>
      {view.kept.length === 0 && (
        <p className="soft">None yet. What is kept stays word for word, whatever moves afterwards.</p>
      )}
      {newest && view.since.length > 0 && (
        <Notice>
          Since estimate {newest.revision} this moved: <Movements moved={view.since} />
          {newest.state === 'agreed' && (
            <p>
              The client agreed to {price(newest.estimate.asked ?? 0)}. Keep and agree a new one, or leave it.
            </p>
          )}
        </Notice>
      )}
      <Problem error={keeping.error} />
      {may && !view.order.closed && (
        <ActionButton
          look="take"
          disabled={keeping.isLoading || same || view.estimate.asked === null}
          onClick={() => void keep({ orderId, stamp: view.stamp })}
        >
          Keep estimate {next}
        </ActionButton>
      )}
      {same && <p className="soft">Nothing moved since estimate {newest.revision}.</p>}
      <List orderId={orderId} estimates={view.kept.slice(0, SHOWN)} may={may && !view.order.closed} />
      {view.kept.length > SHOWN && (
        <details>
          <summary>Earlier estimates: {view.kept.length - SHOWN}</summary>
          <List orderId={orderId} estimates={view.kept.slice(SHOWN)} may={may && !view.order.closed} />
        </details>
      )}
    </section>
  );
}

const List = ({
  orderId,
  estimates,
  may,
}: {
  orderId: number;
  estimates: readonly KeptEstimate[];
  may: boolean;
}) => (
  <ol className="bare">
    {estimates.map((k) => (
      <li key={k.id}>
        <One orderId={orderId} estimate={k} may={may} />
      </li>
    ))}
  </ol>
);

/** What moved, with both amounts. */
function Movements({ moved }: { moved: Moved }) {
  const price = usePrice();
  const word = (n: number | null) => (n === null ? 'none' : price(n));
  return (
    <ul className="why">
      {moved.map((m, i) => (
        <li key={i}>
          {m.name}: {word(m.before)} → {word(m.after)}
        </li>
      ))}
    </ul>
  );
}

function One({ orderId, estimate: k, may }: { orderId: number; estimate: KeptEstimate; may: boolean }) {
  const price = usePrice();
  const { short, today } = useDays();
  const [agree, agreeing] = useAgreeEstimateMutation();
  const [withdraw, withdrawing] = useWithdrawEstimateMutation();
  const [asks, ask] = useState<'agree' | 'withdraw' | null>(null);
  const [text, setText] = useState('');
  const open = may && (k.state === 'kept' || k.state === 'agreed');
  const past = k.state === 'kept' && k.until !== null && k.until < today;
  const pdf = `/api/orders/${orderId}/estimate.pdf?revision=${k.revision}`;
  return (
    <article className="estimate-kept" data-state={k.state} aria-label={`Estimate ${k.revision}`}>
      <h3>
        {k.revision}: {price(k.estimate.asked ?? 0)} <span className="soft">{k.state}</span>
      </h3>
      <p className="soft">
        {short(k.kept.at)}, {k.kept.by}
        {k.agreed && `; agreed by ${k.agreed.name} on ${short(k.agreed.at)}`}
        {k.state === 'withdrawn' && k.gone && `; withdrawn: ${k.gone.reason}`}
        {k.state === 'kept' && k.until && `; holds until ${short(k.until)}${past ? ', which is past' : ''}`}
      </p>
      {k.moved.length > 0 && (
        <details>
          <summary>What moved from the one before</summary>
          <Movements moved={k.moved} />
        </details>
      )}
      <p className="row acts">
        <a href={pdf} target="_blank" rel="noreferrer">
          Print for the client
        </a>
        <a href={`${pdf}&detail=1`} target="_blank" rel="noreferrer">
          Print in detail
        </a>
        {open && k.state === 'kept' && (
          <ActionButton look="quiet" onClick={() => ask('agree')}>
            Note agreement
          </ActionButton>
        )}
        {open && (
          <ActionButton look="quiet" onClick={() => ask('withdraw')}>
            Withdraw
          </ActionButton>
        )}
      </p>
      <Problem error={agreeing.error ?? withdrawing.error} />
      {asks && (
        <form
          onSubmit={async (e) => {
            e.preventDefault();
            if (text.trim() === '') return;
            const done =
              asks === 'agree'
                ? await agree({ orderId, id: k.id, name: text })
                : await withdraw({ orderId, id: k.id, reason: text });
            if ('data' in done) {
              ask(null);
              setText('');
            }
          }}
        >
          <label>
            {asks === 'agree' ? 'Who agreed' : 'Why it is withdrawn'}
            <TextField autoFocus maxLength={200} value={text} onChange={(e) => setText(e.target.value)} />
          </label>
          <div className="row acts">
            <ActionButton
              look="take"
              type="submit"
              disabled={text.trim() === '' || agreeing.isLoading || withdrawing.isLoading}
            >
              {asks === 'agree' ? 'Save agreement' : 'Withdraw estimate'}
            </ActionButton>
            <ActionButton look="quiet" onClick={() => ask(null)}>
              Cancel
            </ActionButton>
          </div>
        </form>
      )}
    </article>
  );
}
