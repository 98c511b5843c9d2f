import { ActionButton } from '../../shared/pieces.tsx';
import './sheet.css';
import type { SheetView } from '@rocchetto/contract';
import { sheetOfView, unitOf } from '@rocchetto/contract/to-core.ts';
import { undecided } from '@rocchetto/contract/undecided.ts';
import { formatSentence, openMatters, type SheetUnit } from '@rocchetto/core';
import { lazy, Suspense, useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useOrderQuery } from '../../api/orders.ts';
import { useSheetQuery } from '../../api/sheets.ts';
import { usePartsOf } from '../../parts/garment/usePartsOf.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { Facts } from '../../shared/Facts.tsx';
import { useMay } from '../../shared/me.ts';
import { Place, Waiting } from '../../shared/Place.tsx';
import { useAfterPaint } from '../../shared/useAfterPaint.ts';
import { Checks } from './Checks.tsx';
import { CutList } from './CutList.tsx';
import { Drawing, Panels } from './Drawing.tsx';
import { Points } from './Points.tsx';
import { SheetBar } from './SheetBar.tsx';
import { partOf, SheetParts } from './SheetParts.tsx';
import { usePicked } from './usePicked.ts';
import { useSheetChange } from './useSheetChange.tsx';
import { Why } from './Why.tsx';

// What stands beside a sheet, or below it: it comes after the sheet can be read.
const Sides = lazy(() => import('./Sides.tsx'));
const Agreed = lazy(() => import('./Agreed.tsx'));
const FitHistory = lazy(async () => ({
  default: (await import('../../parts/design/FitHistory.tsx')).FitHistory,
}));
const FlatBeside = lazy(async () => ({
  default: (await import('../../parts/flat/FlatBeside.tsx')).FlatBeside,
}));
const Moved = lazy(async () => ({ default: (await import('../../parts/drawings/Moved.tsx')).Moved }));
const OverrideForm = lazy(async () => ({ default: (await import('./OverrideForm.tsx')).OverrideForm }));
const RoundingForm = lazy(async () => ({ default: (await import('./RoundingForm.tsx')).RoundingForm }));
const Ease = lazy(() => import('./Ease.tsx'));
const AsMade = lazy(async () => ({ default: (await import('./AsMade.tsx')).AsMade }));

export function Component() {
  const id = Number(useParams().id);
  const [params] = useSearchParams();
  const asked = Number(params.get('revision')) || null;
  const { data: order, error: missing, refetch: again } = useOrderQuery(id);
  const { data: view, error, refetch } = useSheetQuery({ id, revision: asked });
  const parts = usePartsOf((view?.spec.garment.parts ?? order?.brief?.parts ?? []).map((p) => p.part));
  if (!order) return <Place title="Sheet" waiting={{ what: 'the order', error: missing, again }} />;
  const thread = <Thread order={order} sheet={view} here="sheet" />;
  if (!view || !parts.there)
    return (
      <Place title="Sheet" thread={thread}>
        <h1>Sheet</h1>
        <Waiting what="the sheet" error={view ? parts.error : error} again={view ? parts.again : refetch} />
        <Link to={`/orders/${id}`}>Back to the order</Link>
      </Place>
    );
  const frozen = asked !== null && asked !== order.sheets.at(-1)?.revision;
  const altered = !frozen && order.alterations.all > 0;
  return (
    <Sheet
      key={id}
      id={id}
      view={view}
      frozen={frozen}
      altered={altered}
      clientId={order.clientId}
      thread={thread}
    />
  );
}

interface Props {
  readonly id: number;
  readonly view: SheetView;
  readonly frozen: boolean;
  /** something of the garment was altered since */
  readonly altered: boolean;
  readonly clientId: number;
  readonly thread: React.ReactNode;
}

/** What was read and moves nothing of this garment, folded: each reason with the measures that share it. */
function Unused({ lines }: { readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <details>
      <summary>Read, not used</summary>
      <ul className="why">
        {lines.map((l) => (
          <li key={l}>{l}</li>
        ))}
      </ul>
    </details>
  );
}

function Sheet({ id, view, frozen, altered, clientId, thread }: Props) {
  const [params, setParams] = useSearchParams();
  const sheet = useMemo(() => sheetOfView(view), [view]);
  const own = unitOf(view.spec);
  const unit = (['cm', 'in'].includes(params.get('unit') ?? '') ? params.get('unit') : own) as SheetUnit;
  const both = params.get('both') === '1';
  const part = partOf(params);
  const printed = sheet.printed[unit];
  const other = both ? sheet.printed[unit === 'cm' ? 'in' : 'cm'] : null;
  // Figures first: what a hand set shows in its row before the drawings and the cut list follow.
  const following = useAfterPaint(sheet);
  const { views, panels } = following.drawn[unit];
  const absent = useMemo(() => new Set(sheet.checks.filter((k) => k.absent).map((k) => k.code)), [sheet]);
  const open = useMemo(
    () => [...openMatters(sheet), ...undecided(view.agreed ?? [])].map((s) => formatSentence(s, unit)),
    [sheet, view, unit],
  );
  const mayWrite = useMay('sheet.write') && view.status !== 'cut' && !frozen;
  const [mayRead, mayMeasure] = [useMay('client.read'), useMay('session.write')];
  const { change, problem } = useSheetChange(id, view);
  const [chosen, pick] = usePicked(sheet.figures[0]?.id ?? '');
  const picked = sheet.figures.find((f) => f.id === chosen) ?? sheet.figures[0];
  const ask = (next: Record<string, string | null>) => {
    // As the address is by now, which a figure chosen a moment ago may have changed.
    const now = new URLSearchParams(window.location.search);
    for (const [k, v] of Object.entries(next)) v === null ? now.delete(k) : now.set(k, v);
    setParams(now, { replace: true });
  };
  return (
    <Place
      title={`Sheet ${view.spec.order.number}`}
      thread={thread}
      margin={
        <>
          {picked && <Why figure={picked} printed={printed.figures.find((f) => f.id === picked.id)!} />}
          <Suspense>
            {picked && mayWrite && picked.settable.length > 0 && (
              <OverrideForm key={picked.id} figure={picked} unit={unit} onChange={change} />
            )}
            <FitHistory
              orderId={id}
              unit={unit}
              figures={mayWrite && view.status === 'draft' ? sheet.figures : null}
              onTake={(take) => void change({ kind: 'override', id: crypto.randomUUID(), ...take })}
            />
            {mayWrite && (
              <RoundingForm
                rounding={sheet.rounding}
                shown={unit}
                onChange={(rounding) => void change({ kind: 'house', house: { rounding } })}
              />
            )}
          </Suspense>
        </>
      }
    >
      <p className="soft noprint">
        <Link to={`/orders/${id}`}>Order {view.spec.order.number}</Link>
        {mayRead && (
          <>
            , <Link to={`/clients/${clientId}`}>{view.spec.order.client}</Link>
          </>
        )}
        {mayMeasure && (
          <>
            , <Link to={`/orders/${id}/measure`}>measurements</Link>
          </>
        )}
      </p>
      <SheetBar id={id} view={view} unit={unit} both={both} open={open} may={mayWrite} onAsk={ask} />
      {problem}
      {view.agreed?.length > 0 && (
        <Suspense>
          <Agreed orderId={id} view={view} unit={unit} may={mayWrite} onChange={change} />
        </Suspense>
      )}
      {view.since.length > 0 && (
        <Suspense>
          <Moved title="Changes since the previous revision" changes={view.since} unit={unit} />
        </Suspense>
      )}
      {view.moved.length > 0 && (
        <>
          <Suspense>
            <Moved
              title="The brief or measurements changed since this was agreed"
              changes={view.moved}
              unit={unit}
            />
          </Suspense>
          {mayWrite && (
            <p>
              <ActionButton look="plain" onClick={() => void change({ kind: 'revise' })}>
                Start revision {view.revision + 1} with these
              </ActionButton>
            </p>
          )}
        </>
      )}
      <article className="page" aria-label="Specification sheet">
        <div className="spread">
          <h1>{view.spec.order.what}</h1>
          <span className="soft">
            {view.spec.order.number} · r{view.revision} · in {unit === 'cm' ? 'centimetres' : 'inches'}
          </span>
        </div>
        <SheetParts
          at={part}
          body={view.spec.readings.length > 0}
          open={printed.checks.filter((k) => k.state === 'warned').length}
          onGo={(p) => ask({ part: p === 'figures' ? null : p, panel: null })}
        />
        {part === 'figures' && (
          <>
            <div className="headgrid">
              <Facts facts={printed.head.slice(1)} />
              {views.length > 0 ? (
                <Drawing views={views} picked={picked?.id ?? ''} />
              ) : (
                <p className="soft">The drawing appears when the needed measurements are taken.</p>
              )}
            </div>
            <Points
              printed={printed}
              other={other}
              figures={sheet.figures}
              picked={picked?.id ?? ''}
              onPick={pick}
            />
            <p className="after">
              {printed.fit} {printed.rounding}
            </p>
            {printed.missing.length > 0 && (
              <p className="soft">Not measured: {printed.missing.join(', ')}.</p>
            )}
            <Unused lines={printed.unused ?? []} />
            <Suspense>
              {printed.sides && <Sides rows={printed.sides} />}
              {altered && <AsMade orderId={id} unit={unit} />}
              <FlatBeside orderId={id} unit={unit} />
            </Suspense>
          </>
        )}
        {part === 'panels' && !panels && (
          <p className="soft">The panels appear when the needed measurements are taken.</p>
        )}
        {part === 'panels' && panels && (
          <Panels
            view={panels}
            picked={picked?.id ?? ''}
            alone={params.get('panel')}
            onAlone={(panel) => ask({ panel })}
          />
        )}
        {part === 'cutting' && <CutList printed={following.printed[unit]} />}
        {part === 'ease' && (
          <Suspense>
            <Ease orderId={id} view={view} sheet={sheet} altered={altered} unit={unit} />
          </Suspense>
        )}
        {part === 'checks' && (
          <>
            <Checks
              printed={printed}
              absent={absent}
              mayAccept={mayWrite && view.status === 'draft'}
              onAccept={(code, reason) => void change({ kind: 'accept', code, reason })}
              onTakeBack={(code) => void change({ kind: 'unaccept', code })}
            />
            <div className="cautions">
              <h2>Take care</h2>
              <ul>
                {printed.cautions.map((c) => (
                  <li key={c}>{c}</li>
                ))}
              </ul>
            </div>
          </>
        )}
      </article>
    </Place>
  );
}
