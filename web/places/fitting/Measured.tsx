import type { PointView } from '@rocchetto/contract';
import { asGiven, cm, printLength, readLength, type SheetUnit, withUnit } from '@rocchetto/core';
import { useState } from 'react';
import { writes } from '../../parts/outbox/queue.ts';
import { clearUnlessChanged } from '../../shared/clear-unless-changed.ts';
import { useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton, Ledger, TextField } from '../../shared/pieces.tsx';

interface Props {
  readonly orderId: number;
  readonly unit: SheetUnit;
  readonly points: readonly PointView[];
  /** nothing but this is still to be done before the garment leaves */
  readonly due: boolean;
}

/** The finished garment against its sheet, as it is made by now: each point's target, what was read, and its verdict. */
export function Measured({ orderId, unit, points, due }: Props) {
  const [shown, show] = useState<boolean | null>(null);
  const me = useMe();
  const [may, mayAccept] = [useMay('alter.work'), useMay('alter.accept')];
  const [isLoading, setLoading] = useState(false);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [reason, setReason] = useState('');
  const [wrong, setWrong] = useState('');
  if (points.length === 0) return null;
  // What was brought in has no sheet to lie against.
  const lies = points.every((p) => p.target === null);
  const given = Object.entries(typed).filter(([, t]) => t.trim() !== '');
  const outside = points.filter((p) => p.reading && !p.reading.within && p.reading.acceptedBy === '');
  /** Kept here first, and sent; true unless the server would not take it. */
  const keep = async (
    readings: Record<string, string>,
    accepted: { name: string; reason: string } | null,
  ) => {
    setLoading(true);
    const names = Object.keys(readings).map((id) => points.find((p) => p.id === id)?.name ?? id);
    const sent = await writes().keep({
      orderId,
      is: 'points',
      path: `/orders/${orderId}/points`,
      body: { readings, accepted },
      says: `${accepted ? 'Accepted as is' : 'Measured'}: ${names.join(', ')}.`,
    });
    setLoading(false);
    setWrong(sent.is === 'refused' ? sent.sentence : '');
    return sent.is !== 'refused';
  };
  const send = async () => {
    const readings: Record<string, string> = {};
    for (const [id, t] of given) {
      const read = readLength(t.trim(), unit);
      if (!read.ok) return setWrong(read.sentence);
      readings[id] = withUnit(t.trim(), unit)!;
    }
    if (await keep(readings, null)) setTyped(clearUnlessChanged(typed, {}));
  };
  const accept = async () => {
    const readings = Object.fromEntries(outside.map((p) => [p.id, p.reading!.written]));
    if (await keep(readings, { name: me.name, reason })) setReason(clearUnlessChanged(reason, ''));
  };
  return (
    <details
      open={shown ?? due}
      onToggle={(e) => show(e.currentTarget.open === due ? null : e.currentTarget.open)}
    >
      <summary>
        <h2>{lies ? 'Measured flat' : 'Measured against the sheet'}</h2>
      </summary>
      <form
        aria-label="Measured against the sheet"
        onSubmit={(e) => {
          e.preventDefault();
          void send();
        }}
      >
        <Ledger className="figures">
          <thead>
            <tr>
              <th scope="col">Point, {unit === 'cm' ? 'in centimetres' : 'in inches'}</th>
              {!lies && <th scope="col">should be</th>}
              {!lies && <th scope="col">tolerance</th>}
              <th scope="col">measured</th>
              {may && <th scope="col">measure now</th>}
            </tr>
          </thead>
          <tbody>
            {points.map((p) => (
              <tr key={p.id}>
                <td>
                  {p.name}
                  {!p.required && !lies && <span className="soft"> (optional)</span>}
                </td>
                {!lies && (
                  <>
                    <td>{p.target === null ? '' : printLength(cm(p.target), unit)}</td>
                    <td>{p.tolerance === null ? '' : printLength(cm(p.tolerance), unit)}</td>
                  </>
                )}
                <td>
                  {p.reading && (
                    <span className={p.reading.within ? 'agreed' : 'tight'}>
                      {writtenIn(p.reading.written, unit)}{' '}
                      {lies
                        ? ''
                        : p.reading.within
                          ? '✓'
                          : p.reading.acceptedBy
                            ? `accepted by ${p.reading.acceptedBy}`
                            : 'outside'}
                    </span>
                  )}
                </td>
                {may && (
                  <td>
                    <TextField
                      className="short"
                      inputMode="decimal"
                      aria-label={`${p.name}, measured`}
                      value={typed[p.id] ?? ''}
                      onChange={(e) => setTyped({ ...typed, [p.id]: e.target.value })}
                    />
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </Ledger>
        {wrong && <Notice tone="bad">{wrong}</Notice>}
        {may && (
          <div className="row acts">
            <ActionButton look="plain" type="submit" disabled={given.length === 0 || isLoading}>
              Save measurements
            </ActionButton>
          </div>
        )}
      </form>
      {mayAccept && outside.length > 0 && (
        <div className="row">
          <label htmlFor="points-reason">Reason to accept what is outside tolerance</label>
          <TextField
            id="points-reason"
            className="grow"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
          <ActionButton
            look="plain"
            disabled={reason.trim() === '' || isLoading}
            onClick={() => void accept()}
          >
            Accept as is
          </ActionButton>
        </div>
      )}
    </details>
  );
}

/** A reading as the hand wrote it. */
function writtenIn(text: string, unit: SheetUnit): string {
  const read = readLength(text, unit);
  return read.ok ? asGiven(text, read.cm, unit) : text;
}
