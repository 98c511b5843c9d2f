import type { FlatView } from '@rocchetto/contract';
import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { findFlatPoint } from '@rocchetto/core/measures/flat/flat-points.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { useAskForMutation } from '../../api/alterations.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

interface Props {
  readonly orderId: number;
  readonly lay: FlatView;
  readonly unit: SheetUnit;
  /** of whom it is, for the card */
  readonly client: string;
}

/** What was accepted to be changed on a piece: the card to pin to it, and work for the bench where that is wanted. */
export function Accepted({ orderId, lay, unit, client }: Props) {
  const { long } = useDays();
  const mayAsk = useMay('alter.ask');
  const [ask, asking] = useAskForMutation();
  const [asked, setAsked] = useState(false);
  if (lay.changes.length === 0) return null;
  const name = (point: string) => findFlatPoint(lay.cut, point)?.name ?? point;
  const now = (point: string) => lay.rows.find((r) => r.point.id === point)?.change ?? null;
  const toBench = async () => {
    for (const c of lay.changes) {
      const note = `${lay.of}${lay.words ? ` (${lay.words})` : ''}, ${name(c.point)}: ${formatSentence(c.says, unit)}`;
      const done = await ask({ orderId, note });
      if (!('data' in done)) return;
    }
    setAsked(true);
  };
  return (
    <section className="slip card" aria-label="Changes to make">
      <h2>
        Changes to make{' '}
        <span className="soft">
          on the {lay.of}
          {lay.words && `, ${lay.words}`}, for {client}
        </span>
      </h2>
      <ol className="changes">
        {lay.changes.map((c) => (
          <li key={c.point}>
            <strong>{name(c.point)}</strong>: {formatSentence(c.says, unit)}{' '}
            <span className="soft">
              ({c.by}, {long(c.at)})
            </span>
            {now(c.point) !== c.says && (
              <Notice>
                {now(c.point) === null
                  ? 'By what was read since, nothing is to be changed there.'
                  : `By what was read since it would be: ${formatSentence(now(c.point)!, unit)}`}
              </Notice>
            )}
          </li>
        ))}
      </ol>
      <Problem error={asking.error} />
      {asked && (
        <p role="status">
          Asked as alterations: agree them on the{' '}
          <Link to={`/orders/${orderId}/fitting`}>page of the fitting</Link>.
        </p>
      )}
      <div className="row acts noprint">
        <ActionButton look="plain" onClick={() => window.print()}>
          Print card
        </ActionButton>
        {mayAsk && !asked && (
          <ActionButton look="quiet" busy={asking.isLoading} onClick={() => void toBench()}>
            Ask for them as alterations
          </ActionButton>
        )}
      </div>
    </section>
  );
}
