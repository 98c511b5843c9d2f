import type { SheetView } from '@rocchetto/contract';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useAgreeSheetMutation } from '../../api/sheets.ts';
import { useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { useLater } from '../../shared/useLater.ts';

const loadCutStep = () => import('./CutStep.tsx');

interface Props {
  readonly id: number;
  readonly view: SheetView;
  readonly open: readonly string[];
  readonly may: boolean;
}

/** Draft, then agreed by name, then cut: the sheet's next step, or what stands in its way. */
export function Decide({ id, view, open, may }: Props) {
  const mayBook = useMay('diary.write');
  // Beside the panels, the cutting and the checks it is folded: the page is theirs.
  const part = useSearchParams()[0].get('part');
  const [asking, setAsking] = useState(false);
  // Here and not in the form: what is written stays while a figure set by hand opens a question, and why it was refused.
  const [name, setName] = useState('');
  const [agree, { error, isLoading }] = useAgreeSheetMutation();
  const CutStep = useLater(loadCutStep, asking);
  if (view.status === 'cut')
    return <p className="soft">The figures are locked. Further changes are alterations.</p>;
  if (!may) return null;
  // After each step the next one: what is agreed is booked for a fitting of the toile, and cut.
  if (view.status === 'agreed')
    return (
      <div className="row">
        {mayBook && <Link to={`/diary/book?order=${id}`}>Book fitting</Link>}
        {CutStep ? (
          <CutStep id={id} view={view} />
        ) : (
          <ActionButton look="plain" onClick={() => setAsking(true)}>
            Mark as cut …
          </ActionButton>
        )}
      </div>
    );
  if (open.length > 0)
    return (
      <>
        <Problem error={error} />
        <details className="standsin" open={open.length <= 2 && part === null}>
          <summary>Before you can agree: {open.length === 1 ? '1 thing' : `${open.length} things`}</summary>
          <ul className="why">
            {open.map((o) => (
              <li key={o}>{o}</li>
            ))}
          </ul>
          <Link to={`/orders/${id}/measure`}>{view.sessionId === null ? 'Measure' : 'Measure again'}</Link>
        </details>
      </>
    );
  return (
    <>
      <Problem error={error} />
      <form
        className="row"
        onSubmit={(e) => {
          e.preventDefault();
          if (name.trim()) void agree({ id, version: view.version, name: name.trim() });
        }}
      >
        <TextField
          className="short"
          aria-label="Agreed by"
          placeholder="name"
          value={name}
          maxLength={200}
          onChange={(e) => setName(e.target.value)}
        />
        <ActionButton look="take" type="submit" disabled={!name.trim() || isLoading}>
          Agree revision {view.revision}
        </ActionButton>
      </form>
    </>
  );
}
