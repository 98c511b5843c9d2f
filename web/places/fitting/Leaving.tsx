import type { OrderAlterations } from '@rocchetto/contract';
import { useState } from 'react';
import { useHandOverMutation, useTakeBackMutation, useUncountPinsMutation } from '../../api/leaving.ts';
import { writes } from '../../parts/outbox/queue.ts';
import { clearUnlessChanged } from '../../shared/clear-unless-changed.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField, Tick } from '../../shared/pieces.tsx';

interface Props {
  readonly orderId: number;
  readonly clientName: string;
  readonly alterations: OrderAlterations;
}

/** Pins counted in and out, what stands in the way of handing the garment over, and the hand-over itself. */
export function Leaving({ orderId, clientName, alterations }: Props) {
  const { long } = useDays();
  const [mayCount, mayGive] = [useMay('alter.work'), useMay('alter.ask')];
  const [counting, setCounting] = useState(false);
  const [wrong, setWrong] = useState('');
  const [give, giving] = useHandOverMutation();
  const [take, taking] = useTakeBackMutation();
  const [uncount, uncounting] = useUncountPinsMutation();
  const [pins, setPins] = useState('');
  const [read, setRead] = useState(false);
  const [name, setName] = useState(clientName);
  const [reason, setReason] = useState('');
  const out = alterations.handOvers.find((h) => h.takenBackAt === null);
  const n = Number(pins);
  const counted = async (way: 'in' | 'out') => {
    setCounting(true);
    const sent = await writes().keep({
      orderId,
      is: 'pins',
      path: `/orders/${orderId}/pins`,
      body: { way, pins: n },
      says: `${n} pins counted ${way}.`,
    });
    setCounting(false);
    setWrong(sent.is === 'refused' ? sent.sentence : '');
    if (sent.is !== 'refused') setPins(clearUnlessChanged(pins, ''));
  };
  return (
    <>
      <h2>Pins and hand-over</h2>
      <Problem error={giving.error ?? taking.error ?? uncounting.error} />
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      <p>
        {alterations.pins === null
          ? 'No pins counted yet.'
          : `${alterations.pins.in} pins counted in, ${alterations.pins.out} out.`}{' '}
        {alterations.pins !== null && mayCount && !out && (
          <ActionButton look="quiet" busy={uncounting.isLoading} onClick={() => void uncount(orderId)}>
            Undo last count
          </ActionButton>
        )}
      </p>
      {mayCount && !out && (
        <form
          className="row"
          aria-label="Pins"
          onSubmit={(e) => {
            e.preventDefault();
            // Enter counts what comes next: out, as long as more went in than came out.
            if (pins !== '' && !counting)
              void counted(alterations.pins && alterations.pins.in > alterations.pins.out ? 'out' : 'in');
          }}
        >
          <label htmlFor="pins">Pins and needles</label>
          <TextField
            id="pins"
            className="short"
            inputMode="numeric"
            value={pins}
            onChange={(e) => setPins(e.target.value.replace(/\D/g, '').slice(0, 4))}
          />
          <ActionButton look="plain" disabled={pins === '' || counting} onClick={() => void counted('in')}>
            Count in
          </ActionButton>
          <ActionButton look="plain" disabled={pins === '' || counting} onClick={() => void counted('out')}>
            Count out
          </ActionButton>
        </form>
      )}
      {alterations.handOvers.length > 0 && (
        <ul className="why">
          {alterations.handOvers.map((h) => (
            <li key={h.id}>
              Handed over on {long(h.at)} by {h.by} to {h.clientName}.
              {h.takenBackAt && ` Back in on ${long(h.takenBackAt)}: ${h.reason}`}
            </li>
          ))}
        </ul>
      )}
      {out ? (
        mayGive && (
          <form
            className="row"
            aria-label="Record return"
            onSubmit={(e) => {
              e.preventDefault();
              void take({ orderId, reason });
            }}
          >
            <label htmlFor="take-back">Reason for the return</label>
            <TextField
              id="take-back"
              className="grow"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
            <ActionButton look="plain" type="submit" disabled={reason.trim() === '' || taking.isLoading}>
              Record return
            </ActionButton>
          </form>
        )
      ) : alterations.inTheWay.length > 0 ? (
        <>
          <p>Before hand-over:</p>
          <ul className="why">
            {alterations.inTheWay.map((s) => (
              <li key={s} className="pending">
                {s}
              </li>
            ))}
          </ul>
        </>
      ) : (
        mayGive && (
          <form
            className="slip"
            aria-label="Hand over"
            onSubmit={(e) => {
              e.preventDefault();
              void give({ orderId, clientName: name, cautionsRead: true });
            }}
          >
            {alterations.cautions.map((c) => (
              <Notice key={c}>{c}</Notice>
            ))}
            <p>
              <label>
                <Tick checked={read} onChange={(e) => setRead(e.target.checked)} />{' '}
                {alterations.cautions.length > 0
                  ? 'I have read these out.'
                  : 'I have explained the garment’s care.'}
              </label>
            </p>
            <div className="row">
              <label htmlFor="receives">Received by</label>
              <TextField
                id="receives"
                className="grow"
                value={name}
                onChange={(e) => setName(e.target.value)}
              />
              <ActionButton
                look="take"
                type="submit"
                disabled={!read || name.trim() === '' || giving.isLoading}
              >
                Hand over
              </ActionButton>
            </div>
          </form>
        )
      )}
      <p>
        <a href={`/api/orders/${orderId}/fitting-record.pdf`} target="_blank" rel="noreferrer">
          Print fitting record (PDF)
        </a>
      </p>
    </>
  );
}
