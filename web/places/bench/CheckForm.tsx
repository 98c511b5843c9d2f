import type { AlterationView, StepWire } from '@rocchetto/contract';
import { cm, printLength, type SheetUnit, withUnit } from '@rocchetto/core';
import { useState } from 'react';
import { useMay, useMe } from '../../shared/me.ts';
import { ActionButton, Ledger, TextField } from '../../shared/pieces.tsx';

interface Props {
  readonly alteration: AlterationView;
  readonly unit: SheetUnit;
  readonly busy: boolean;
  readonly take: (s: StepWire) => unknown;
}

/** Measured again by another than the doer: each moved measure against its target and tolerance. */
export function CheckForm({ alteration: a, unit, take, busy }: Props) {
  const me = useMe();
  const mayAccept = useMay('alter.accept');
  const [read, setRead] = useState<Readonly<Record<string, string>>>({});
  const [reason, setReason] = useState('');
  const own = a.doneById === me.id;
  const unread = a.targets.some((t) => (read[t.id] ?? '').trim() === '');
  const size = (n: number) => printLength(cm(n), unit);
  const readings = Object.fromEntries(
    Object.entries(read)
      .filter(([, t]) => t.trim() !== '')
      .map(([id, t]) => [id, withUnit(t.trim(), unit)!]),
  );
  return (
    <section className="noprint" aria-label="Check">
      <h2>Check</h2>
      {own && me.ownCheck && (
        <p className="soft">You did this work. The record will say that you checked it yourself.</p>
      )}
      {own && !me.ownCheck ? (
        <p className="soft">You did this work. Someone else must check it.</p>
      ) : (
        <>
          {a.targets.length > 0 && (
            <Ledger className="figures">
              <thead>
                <tr>
                  <th scope="col">Measure again</th>
                  <th scope="col">should be</th>
                  <th scope="col">tolerance</th>
                  <th scope="col">now, {unit}</th>
                </tr>
              </thead>
              <tbody>
                {a.targets.map((t) => (
                  <tr key={t.id}>
                    <td>{t.name}</td>
                    <td>{size(t.target)}</td>
                    <td>{size(t.tolerance)}</td>
                    <td>
                      <TextField
                        className="short"
                        aria-label={`${t.name} is`}
                        inputMode="decimal"
                        value={read[t.id] ?? ''}
                        onChange={(e) => setRead({ ...read, [t.id]: e.target.value })}
                      />
                    </td>
                  </tr>
                ))}
              </tbody>
            </Ledger>
          )}
          <div className="row acts">
            <ActionButton
              look="take"
              disabled={busy || (unread && reason.trim() === '')}
              onClick={() => take({ step: 'check', readings, note: reason.trim() })}
            >
              Mark checked
            </ActionButton>
          </div>
          <div className="row">
            <label htmlFor="check-reason">
              {unread ? 'Reason, where something is not measured' : 'Reason'}
            </label>
            <TextField
              id="check-reason"
              className="grow"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
            <ActionButton
              look="plain"
              disabled={busy || reason.trim() === ''}
              onClick={() => take({ step: 'back', reason })}
            >
              Send back
            </ActionButton>
            {mayAccept && (
              <ActionButton
                look="plain"
                disabled={busy || reason.trim() === ''}
                onClick={() => take({ step: 'accept', name: me.name, reason })}
              >
                Accept as is
              </ActionButton>
            )}
          </div>
        </>
      )}
    </section>
  );
}
