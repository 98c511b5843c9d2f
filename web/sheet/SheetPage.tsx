import { type SheetView, sheetOfView, unitOf } from '@rocchetto/contract';
import {
  drawGarment,
  type Figure,
  openMatters,
  printSheet,
  type Sheet,
  type SheetUnit,
  tell,
} from '@rocchetto/core';
import { Button } from 'antd';
import { useEffect, useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useOrderQuery, useSheetQuery } from '../api/api.ts';
import { useMay } from '../app/me.ts';
import { shortDate } from '../shared/dates.ts';
import { keepTogether } from '../shared/keepTogether.ts';
import { Waiting } from '../shared/Problem.tsx';
import { Thread } from '../thread/Thread.tsx';
import { Checks } from './Checks.tsx';
import { Decide } from './Decide.tsx';
import { Drawing } from './Drawing.tsx';
import { Moved } from './Moved.tsx';
import { OverrideForm } from './OverrideForm.tsx';
import { Points } from './Points.tsx';
import { RoundingForm } from './RoundingForm.tsx';
import { useSheetChange } from './useSheetChange.tsx';
import { Why } from './Why.tsx';

export function Component() {
  const id = Number(useParams().id);
  const [params] = useSearchParams();
  const asked = Number(params.get('revision')) || null;
  const { data: order, error: missing, refetch: again } = useOrderQuery(id);
  const { data: view, error, refetch } = useSheetQuery({ id, revision: asked });
  useEffect(() => {
    document.title = `Sheet ${view?.spec.order.number ?? ''} · Rocchetto`;
  }, [view?.spec.order.number]);
  if (!order)
    return (
      <main className="work" id="work">
        <Waiting what="the order" error={missing} again={again} />
      </main>
    );
  return (
    <main className="work" id="work">
      <div className="wide">
        <Thread order={order} sheet={view} here="sheet" />
      </div>
      {view ? (
        <Page id={id} view={view} frozen={asked !== null && asked !== order.sheets.at(-1)?.revision} />
      ) : (
        <div>
          <h1>Sheet</h1>
          <Waiting what="the sheet" error={error} again={refetch} />
          <Link to={`/orders/${id}`}>Back to the order</Link>
        </div>
      )}
    </main>
  );
}

function Page({ id, view, frozen }: { id: number; view: SheetView; frozen: boolean }) {
  const [params, setParams] = useSearchParams();
  const sheet = useMemo(() => sheetOfView(view), [view]);
  const own = unitOf(view.spec);
  const unit = (['cm', 'in'].includes(params.get('unit') ?? '') ? params.get('unit') : own) as SheetUnit;
  const both = params.get('both') === '1';
  const printed = useMemo(() => printSheet(sheet, unit), [sheet, unit]);
  const other = useMemo(
    () => (both ? printSheet(sheet, unit === 'cm' ? 'in' : 'cm') : null),
    [sheet, unit, both],
  );
  const views = useMemo(() => drawGarment(sheet), [sheet]);
  const mayWrite = useMay('sheet.write') && view.status !== 'cut' && !frozen;
  const { change, problem } = useSheetChange(id, view);
  const set = (next: Record<string, string | null>) => {
    const now = new URLSearchParams(params);
    for (const [k, v] of Object.entries(next)) v === null ? now.delete(k) : now.set(k, v);
    setParams(now, { replace: true });
  };
  const picked: Figure | undefined = sheet.figures.find((f) => f.id === params.get('f')) ?? sheet.figures[0];
  const query = `?unit=${unit}${both ? '&both=1' : ''}${params.get('revision') ? `&revision=${view.revision}` : ''}`;
  const file = (kind: string) => `/api/orders/${id}/sheet.${kind}${query}`;
  return (
    <>
      <div>
        <div className="spread noprint" style={{ marginBottom: 8 }}>
          <Status view={view} />
          <div className="row">
            <a href={file('pdf')} target="_blank" rel="noreferrer">
              Paper (PDF)
            </a>
            <a href={file('csv')} download>
              CSV
            </a>
            <a href={file('json')} download>
              JSON
            </a>
            <Button onClick={() => set({ unit: unit === 'cm' ? 'in' : 'cm' })}>
              {unit === 'cm' ? 'in inches' : 'in centimetres'}
            </Button>
            <Button onClick={() => set({ both: both ? null : '1' })} aria-pressed={both}>
              both units
            </Button>
          </div>
        </div>
        {problem}
        <Moved title="What moved since the revision before" changes={view.since} unit={unit} />
        {view.moved.length > 0 && (
          <>
            <Moved
              title="Brief or readings have moved since this was agreed"
              changes={view.moved}
              unit={unit}
            />
            {mayWrite && (
              <p>
                <Button onClick={() => void change({ kind: 'revise' })}>
                  Begin revision {view.revision + 1} with these
                </Button>
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
          <div className="headgrid">
            <dl className="facts">
              {printed.head.slice(1).map(([label, text]) => (
                <div key={label} style={{ display: 'contents' }}>
                  <dt>{label}</dt>
                  <dd>{text}</dd>
                </div>
              ))}
            </dl>
            {views.length > 0 ? (
              <Drawing views={views} picked={picked?.id ?? ''} />
            ) : (
              <p className="soft">The drawing appears once waist, hip and length are known.</p>
            )}
          </div>
          <Points
            printed={printed}
            other={other}
            figures={sheet.figures}
            picked={picked?.id ?? ''}
            onPick={(f) => set({ f })}
          />
          <p style={{ marginTop: 10 }}>
            {printed.fit} {printed.rounding}
          </p>
          {printed.missing.length > 0 && <p className="soft">Not read: {printed.missing.join(', ')}.</p>}
          <CutList printed={printed} />
          <Checks
            printed={printed}
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
        </article>
      </div>
      <aside className="margin" aria-label="Margin">
        {picked && <Why figure={picked} printed={printed.figures.find((f) => f.id === picked.id)!} />}
        {picked && mayWrite && <OverrideForm key={picked.id} figure={picked} unit={unit} onChange={change} />}
        {mayWrite && (
          <RoundingForm
            rounding={sheet.input.house.rounding}
            onChange={(rounding) => void change({ kind: 'house', house: { rounding } })}
          />
        )}
        <Decide id={id} view={view} open={openOf(sheet, unit)} may={mayWrite} />
      </aside>
    </>
  );
}

const openOf = (sheet: Sheet, unit: SheetUnit) => openMatters(sheet).map((s) => tell(s, unit));

function Status({ view }: { view: SheetView }) {
  if (view.status === 'draft')
    return (
      <p>
        <strong>Draft, revision {view.revision}.</strong> Do not cut from it.
      </p>
    );
  return (
    <p>
      <strong className="agreed">
        Revision {view.revision}, {view.status}.
      </strong>{' '}
      Agreed by {view.agreedName} ({view.agreedBy}), {shortDate(view.agreedAt)}
      {view.cutAt && `; cut ${shortDate(view.cutAt)} by ${view.cutBy}`}.
    </p>
  );
}

function CutList({ printed }: { printed: ReturnType<typeof printSheet> }) {
  return (
    <>
      <h2 style={{ marginTop: 16 }}>Cut list</h2>
      <div className="scroll">
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">piece</th>
              <th scope="col">layer</th>
              <th scope="col">cut</th>
              <th scope="col">size with allowances</th>
              <th scope="col">note</th>
            </tr>
          </thead>
          <tbody>
            {printed.pieces.map((p) => (
              <tr key={`${p.piece}${p.layer}`}>
                <td>
                  <strong>{p.piece}</strong>
                </td>
                <td>{p.layer}</td>
                <td>{p.cut}</td>
                <td>
                  <details>
                    <summary>{p.size}</summary>
                    <span className="soft">{keepTogether(p.why)}</span>
                  </details>
                </td>
                <td className="soft">{p.note}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="twocol">
        <div>
          <h2>Allowances</h2>
          <dl className="facts">
            {printed.allowances.map((a) => (
              <div key={a.name} style={{ display: 'contents' }}>
                <dt>{a.name}</dt>
                <dd>{a.text}</dd>
              </div>
            ))}
          </dl>
        </div>
        <div>
          <h2>Lay ready</h2>
          <dl className="facts">
            {printed.notions.map((n) => (
              <div key={n.name} style={{ display: 'contents' }}>
                <dt>{n.name}</dt>
                <dd>{n.text}</dd>
              </div>
            ))}
          </dl>
        </div>
      </div>
    </>
  );
}
