import { ActionButton, TextField } from '../../shared/pieces.tsx';
import './agreed.css';
import type { AgreedChange, SheetChange, SheetView } from '@rocchetto/contract';
import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { useStepMutation } from '../../api/alterations.ts';
import { Problem } from '../../shared/Problem.tsx';

interface Props {
  readonly orderId: number;
  readonly view: SheetView;
  readonly unit: SheetUnit;
  readonly may: boolean;
  readonly onChange: (change: SheetChange['change']) => Promise<unknown>;
}

const DECIDED = {
  sheet: 'drafted',
  block: 'in the client’s block',
  bench: 'left for the bench',
} as const;

/** What was agreed at a fitting while the cloth is not cut, each by name: into the sheet, left for the bench, or declined. */
export default function Agreed({ orderId, view, unit, may, onChange }: Props) {
  const { agreed } = view;
  /** the revision that a change goes into */
  const into = view.status === 'agreed' ? view.revision + 1 : view.revision;
  const open = agreed.filter((a) => a.to === null);
  return (
    <section className="agreedlist noprint" aria-label="Agreed at the fitting">
      <h2>Agreed at the fitting</h2>
      {open.length > 0 && (
        <p className="soft">
          The cloth is not cut yet, so these changes can still be drafted into revision {into}. Decide each
          before cutting.
        </p>
      )}
      <ul className="plainlist">
        {agreed.map((a) => (
          <li key={a.alterationId}>
            <One agreed={a} orderId={orderId} into={into} unit={unit} may={may} onChange={onChange} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function One({
  agreed: a,
  orderId,
  into,
  unit,
  may,
  onChange,
}: Omit<Props, 'view'> & { agreed: AgreedChange; into: number }) {
  const [declining, setDeclining] = useState<string | null>(null);
  const [step, { error, isLoading }] = useStepMutation();
  const [busy, setBusy] = useState(false);
  const says = formatSentence(a.sentence, unit);
  const change = async (c: SheetChange['change']) => {
    setBusy(true);
    await onChange(c);
    setBusy(false);
  };
  return (
    <>
      <div className="row">
        <span className="grow">
          <Link to={`/orders/${orderId}/alterations/${a.alterationId}`}>{says}</Link>{' '}
          <span className={a.to === 'sheet' || a.to === 'block' ? 'agreed' : 'soft'}>
            {a.to === null ? `agreed by ${a.by}` : DECIDED[a.to]}
          </span>
        </span>
        {may && a.to !== null && (
          <ActionButton
            look="quiet"
            busy={busy}
            aria-label={`Reopen: ${says}`}
            onClick={() => void change({ kind: 'uncarry', alterationId: a.alterationId })}
          >
            Reopen
          </ActionButton>
        )}
      </div>
      {a.cannot && (
        <p className="soft">This can’t be drafted into the sheet. {formatSentence(a.cannot, unit)}</p>
      )}
      {may && a.to === null && declining === null && (
        <div className="row">
          {!a.cannot && (
            <ActionButton
              look="plain"
              busy={busy}
              aria-label={`Draft into revision ${into}: ${says}`}
              onClick={() => void change({ kind: 'carry', alterationId: a.alterationId, to: 'sheet' })}
            >
              Draft into revision {into}
            </ActionButton>
          )}
          {a.asStep && (
            <ActionButton
              look="quiet"
              busy={busy}
              aria-label={`Save in the client’s block: ${says}`}
              onClick={() => void change({ kind: 'carry', alterationId: a.alterationId, to: 'block' })}
            >
              Save in the client’s block
            </ActionButton>
          )}
          <ActionButton
            look="quiet"
            busy={busy}
            aria-label={`Leave for the bench: ${says}`}
            onClick={() => void change({ kind: 'carry', alterationId: a.alterationId, to: 'bench' })}
          >
            Leave for the bench
          </ActionButton>
          <ActionButton look="quiet" aria-label={`Decline: ${says}`} onClick={() => setDeclining('')}>
            Decline
          </ActionButton>
        </div>
      )}
      {declining !== null && (
        <form
          className="slip row"
          aria-label="Reason for declining"
          onSubmit={async (e) => {
            e.preventDefault();
            const done = await step({
              id: a.alterationId,
              orderId,
              version: a.version,
              step: { step: 'decline', reason: declining },
            });
            if ('data' in done) setDeclining(null);
          }}
        >
          <label htmlFor={`decline-${a.alterationId}`}>Reason</label>
          <TextField
            id={`decline-${a.alterationId}`}
            className="grow"
            value={declining}
            onChange={(e) => setDeclining(e.target.value)}
          />
          <ActionButton look="plain" type="submit" busy={isLoading}>
            Decline
          </ActionButton>
          <ActionButton look="quiet" onClick={() => setDeclining(null)}>
            Cancel
          </ActionButton>
        </form>
      )}
      <Problem error={error} />
    </>
  );
}
