import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import './history.css';
import type { HistoryView, MeasureSeries } from '@rocchetto/contract';
import { cm, formatSentence, measure, printLength, printSigned, type SheetUnit } from '@rocchetto/core';
import { cupSentences } from '@rocchetto/core/measures/cups.ts';
import { scaleLinear, scaleTime } from 'd3-scale';
import { line } from 'd3-shape';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useHistoryQuery } from '../../api/tape.ts';
import { useDays, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';

/** Each measure of a client over time: small lines on one page, a table beside, and what is too old for which order. */
export function Component() {
  const id = Number(useParams().id);
  const { data, error, refetch } = useHistoryQuery(id);
  if (!data)
    return (
      <Place title="Measurements over time" waiting={{ what: 'the measurements', error, again: refetch }} />
    );
  return <History id={id} history={data} />;
}

/** Both cups of the newest session in which the bust was read. */
function cupsOf({ series }: HistoryView): string[] {
  const pointsOf = (id: string) => series.find((s) => s.measure === id)?.points ?? [];
  const newest = pointsOf('bust').at(-1)?.session;
  return cupSentences((id) => pointsOf(id).find((p) => p.session === newest)?.cm ?? null);
}

function History({ id, history }: { id: number; history: HistoryView }) {
  const [params, setParams] = useSearchParams();
  const [unit, setUnit] = useState<SheetUnit>(useMe().unit);
  const { short } = useDays();
  const chosen = history.series.find((s) => s.measure === params.get('m')) ?? history.series[0];
  const at = history.series.flatMap((s) => s.points.map((p) => Date.parse(p.at)));
  const span = [Math.min(...at), Math.max(...at)] as const;
  const cups = cupsOf(history);
  return (
    <Place
      title={`Measurements of ${history.clientName}`}
      margin={
        chosen && (
          <section aria-label={measure(chosen.measure).name}>
            <h2>{measure(chosen.measure).name}</h2>
            <Ledger className="figures">
              <thead>
                <tr>
                  <th scope="col">Day</th>
                  <th scope="col">{unit}</th>
                  <th scope="col">Change</th>
                </tr>
              </thead>
              <tbody>
                {[...chosen.points].reverse().map((p, i, all) => {
                  const before = all[i + 1];
                  return (
                    <tr key={p.session}>
                      <td>
                        {short(p.at)}
                        <div className="soft">
                          {p.measurer}
                          {p.beneath && `, over ${p.beneath}`}
                          {p.tape && `, ${p.tape}`}
                          {p.asRead && `; read ${p.asRead}`}
                        </div>
                      </td>
                      <td>{printLength(cm(p.cm), unit)}</td>
                      <td>{before ? printSigned(cm(p.cm - before.cm), unit) : ''}</td>
                    </tr>
                  );
                })}
              </tbody>
            </Ledger>
          </section>
        )
      }
    >
      <p className="crumb">
        <Link to={`/clients/${id}`}>{history.clientName}</Link>
      </p>
      <div className="spread">
        <h1>Measurements over time</h1>
        <div className="row noprint">
          {(['cm', 'in'] as const).map((u) => (
            <ActionButton look="ask" key={u} aria-pressed={unit === u} onClick={() => setUnit(u)}>
              {u}
            </ActionButton>
          ))}
        </div>
      </div>
      {history.stale.map((s) => (
        <Notice key={s.orderId}>
          <Link to={`/orders/${s.orderId}/measure`}>{s.number}</Link>: {s.says}
        </Notice>
      ))}
      {cups.map((c) => (
        <p key={c} className="soft">
          {formatSentence(c, unit)}
        </p>
      ))}
      {history.series.length === 0 && <p className="soft">Not measured yet.</p>}
      <ul className="lines">
        {history.series.map((s) => (
          <li key={s.measure}>
            <ActionButton
              look="bare"
              aria-pressed={s === chosen}
              onClick={() => setParams({ m: s.measure }, { replace: true })}
            >
              <span>{measure(s.measure).name}</span>
              <Small series={s} span={span} />
              <strong>{printLength(cm(s.points.at(-1)!.cm), unit)}</strong>
            </ActionButton>
          </li>
        ))}
      </ul>
    </Place>
  );
}

const [W, H] = [130, 34];

/** One measure as a small line: every session a knot, the last one filled; a tenth of the figure is the height of the field. */
function Small({ series: { points }, span }: { series: MeasureSeries; span: readonly [number, number] }) {
  const x = scaleTime()
    .domain(span[0] === span[1] ? [span[0] - 1, span[1] + 1] : span)
    .range([5, W - 5]);
  const mid = points.reduce((a, p) => a + p.cm, 0) / points.length;
  const reach = Math.max(mid * 0.05, ...points.map((p) => Math.abs(p.cm - mid)));
  const y = scaleLinear()
    .domain([mid + reach, mid - reach])
    .range([5, H - 5]);
  const d = line<(typeof points)[number]>()
    .x((p) => x(Date.parse(p.at)))
    .y((p) => y(p.cm))([...points]);
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width={W} height={H} aria-hidden="true">
      <path d={d ?? ''} fill="none" stroke="var(--chalk)" strokeWidth={1.6} />
      {points.map((p, i) => (
        <circle
          key={p.session}
          cx={x(Date.parse(p.at))}
          cy={y(p.cm)}
          r={i === points.length - 1 ? 3.2 : 2.4}
          fill={i === points.length - 1 ? 'var(--thread)' : 'var(--paper)'}
          stroke="var(--chalk)"
        />
      ))}
    </svg>
  );
}
