import { ActionButton, SelectField } from '../../shared/pieces.tsx';
import './paper-pattern.css';
import type { PatternView } from '@rocchetto/contract';
import { printSigned, printWithUnit, type SheetUnit } from '@rocchetto/core';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useOrderQuery } from '../../api/orders.ts';
import { type PatternAsk, usePatternQuery } from '../../api/pattern.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place, Waiting } from '../../shared/Place.tsx';
import { Board } from './Board.tsx';
import { Printing } from './Printing.tsx';
import { SeamWalk } from './SeamWalk.tsx';

/** What of the address goes to the server; the rest is how it is looked at. */
const ASKED = ['revision', 'paper', 'way', 'apart', 'opened', 'toile'] as const;

/** The garment’s pieces at full size: looked at, measured, walked along their seams, printed. */
export function Component() {
  const id = Number(useParams().id);
  const [params, setParams] = useSearchParams();
  const { data: order, error: missing, refetch: again } = useOrderQuery(id);
  const ask: PatternAsk = Object.fromEntries(
    ASKED.flatMap((k) => (params.get(k) ? [[k, params.get(k)!]] : [])),
  );
  const { currentData, data: before, error, refetch } = usePatternQuery({ id, ask });
  // Another paper changes a number: what is looked at stays meanwhile.
  const view = currentData ?? before;
  const me = useMe();
  if (!order) return <Place title="Paper pattern" waiting={{ what: 'the order', error: missing, again }} />;
  const set = (key: string, value: string | null) => {
    const next = new URLSearchParams(params);
    if (value === null || value === '') next.delete(key);
    else next.set(key, value);
    setParams(next, { replace: true });
  };
  return (
    <Place
      title="Paper pattern"
      thread={<Thread order={order} here="sheet" />}
      margin={
        view?.pattern && (
          <>
            <Printing
              id={id}
              view={view}
              ask={ask}
              counting={currentData === undefined}
              unit={me.unit}
              onSet={set}
            />
            <h2>Pieces</h2>
            <ul className="why">
              {view.pattern.pieces.map((p) => (
                <li key={p.id}>
                  <strong>{p.name}</strong>: {p.cut.join('; ')}
                </li>
              ))}
            </ul>
          </>
        )
      }
    >
      <p className="soft noprint">
        <Link to={`/orders/${id}`}>Order {order.number}</Link>, <Link to={`/orders/${id}/sheet`}>sheet</Link>
      </p>
      <h1>Paper pattern</h1>
      {!view ? (
        <Waiting what="the pattern" error={error} again={refetch} />
      ) : view.pattern === null ? (
        <Notice>
          Nothing can be drafted yet. <Link to={`/orders/${id}/sheet`}>The sheet</Link> says what is missing.
        </Notice>
      ) : (
        <Shown view={view} unit={me.unit} piece={params.get('piece')} seam={params.get('seam')} onSet={set} />
      )}
    </Place>
  );
}

interface ShownProps {
  readonly view: PatternView;
  readonly unit: SheetUnit;
  readonly piece: string | null;
  readonly seam: string | null;
  readonly onSet: (key: string, value: string | null) => void;
}

function Shown({ view, unit, piece, seam, onSet }: ShownProps) {
  const [measuring, setMeasuring] = useState(false);
  const { pieces } = view.pattern!;
  const alone = pieces.find((p) => p.id === piece);
  const walked = view.seams.find((s) => s.id === seam);
  return (
    <>
      <Standing view={view} unit={unit} />
      <div className="looking noprint">
        <label>
          Show
          <SelectField value={alone?.id ?? ''} onChange={(e) => onSet('piece', e.target.value)}>
            <option value="">all pieces</option>
            {pieces.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </SelectField>
        </label>
        <label>
          Walk a seam
          <SelectField value={walked?.id ?? ''} onChange={(e) => onSet('seam', e.target.value)}>
            <option value="">none</option>
            {view.seams.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </SelectField>
        </label>
        <ActionButton look="ask" aria-pressed={measuring} onClick={() => setMeasuring((m) => !m)}>
          Measure between two places
        </ActionButton>
      </div>
      {walked && <SeamWalk seam={walked} unit={unit} />}
      <Board
        key={alone?.id ?? 'all'}
        pieces={alone ? [alone] : pieces}
        marked={walked ? walked.sides.flatMap((s) => s.edges) : []}
        measuring={measuring}
        unit={unit}
      />
    </>
  );
}

/** Whether it may be cut from, and where today’s draft is another than the agreed one. */
function Standing({ view, unit }: { readonly view: PatternView; readonly unit: SheetUnit }) {
  return (
    <>
      {view.status === 'draft' && (
        <p>
          <strong>Draft, revision {view.revision}.</strong> Do not cut from it before the sheet is agreed.
        </p>
      )}
      {view.moved.length > 0 && (
        <Notice>
          This sheet was agreed as the program drafted it then. Drafted today {view.moved.length}{' '}
          {view.moved.length === 1 ? 'figure differs' : 'figures differ'}:{' '}
          {view.moved
            .slice(0, 6)
            .map(
              (m) =>
                `${m.name}${m.what === 'finished' ? '' : ` (${m.what})`} ${m.before === null ? '—' : printWithUnit(m.before, unit)} then, ${m.after === null ? '—' : printWithUnit(m.after, unit)} now${m.by === null ? '' : ` (${printSigned(m.by, unit)})`}`,
            )
            .join('; ')}
          . Cut by the printed sheet, or start a new revision.
        </Notice>
      )}
    </>
  );
}
