import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import { ActionButton } from '../../shared/pieces.tsx';
import './bench.css';
import type { BenchRow } from '@rocchetto/contract';
import { dayIn, formatSentence } from '@rocchetto/core';
import { latenessWords, neededBy, STATE_WORD } from '@rocchetto/core/alter/index.ts';
import { hoursWord, overloadWords } from '@rocchetto/core/diary/load.ts';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useBenchRowsQuery, useBenchWeekQuery } from '../../api/bench.ts';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Assignment, DragHandle } from './Assignment.tsx';
import { WeekProposal } from './WeekProposal.tsx';
import { WeekThreads } from './WeekThreads.tsx';

/** Work at the bench: one’s own in the order it is needed, or every hand’s thread with what it still holds. */
export function Component() {
  const me = useMe();
  const leads = useMay('bench.write');
  const mayAsk = useMay('alter.ask');
  const [params, setParams] = useSearchParams();
  const everybody = params.get('of') ? params.get('of') === 'all' : leads;
  const { data, error, refetch } = useBenchRowsQuery(everybody ? null : me.id);
  const { data: week } = useBenchWeekQuery(undefined, { skip: !(leads && everybody) });
  const { today, dateOrder } = useDays();
  const [proposing, setProposing] = useState(false);
  if (!data) return <Place title="Bench" waiting={{ what: 'the bench', error, again: refetch }} />;
  const late = data.flatMap((r) => {
    const why = latenessOf(r, me.timeZone, today, dateOrder);
    return why ? [{ ...r, why }] : [];
  });
  const tooMuch = (week?.hands ?? []).flatMap((h) =>
    h.days.flatMap(({ works, booked, bench }, i) => {
      const over = Math.max(0, booked + bench - works);
      return overloadWords(h.name, week!.days[i]!, today, { works, booked, bench, over }, dateOrder) ?? [];
    }),
  );
  const hands = new Map<number, { name: string; rows: BenchRow[] }>();
  for (const r of data) {
    const id = r.staffId ?? 0;
    const of = hands.get(id) ?? { name: r.staffName ?? 'Unassigned', rows: [] };
    of.rows.push(r);
    hands.set(id, of);
  }
  const mine = data.filter((r) => r.staffId === me.id);
  const free = data.filter((r) => r.staffId === null && r.status !== 'asked');
  const toCheck = data.filter((r) => r.status === 'done' && (me.ownCheck || r.doneById !== me.id));
  const all = [...hands]
    .sort(([a, x], [b, y]) => Number(b === 0) - Number(a === 0) || x.name.localeCompare(y.name))
    .map(([id, { name, rows }]) => <Hand key={id} name={name} rows={rows} mixed gives={leads && !!week} />);
  return (
    <Place
      title="Bench"
      margin={
        <section>
          <h2>At risk</h2>
          {late.length + tooMuch.length === 0 ? (
            <p className="soft">Nothing is late, and nothing waits too long.</p>
          ) : (
            <ul className="why">
              {late.slice(0, 12).map((r) => (
                <li key={r.id}>
                  <Link to={to(r)}>
                    {r.orderNumber}, {r.clientName}
                  </Link>
                  : {r.why}
                </li>
              ))}
              {tooMuch.slice(0, 12).map((words) => (
                <li key={words}>{keepTogether(words)}</li>
              ))}
            </ul>
          )}
        </section>
      }
    >
      <div className="spread">
        <h1>Bench</h1>
        <div className="row noprint">
          <ActionButton
            look="ask"
            aria-pressed={!everybody}
            onClick={() => setParams({ of: 'me' }, { replace: true })}
          >
            Mine
          </ActionButton>
          <ActionButton
            look="ask"
            aria-pressed={everybody}
            onClick={() => setParams({ of: 'all' }, { replace: true })}
          >
            Everyone
          </ActionButton>
        </div>
      </div>
      {mayAsk && (
        <p className="noprint">
          <Link to="/brought-in">Garment brought in, or find a ticket</Link>
        </p>
      )}
      {leads && data.length > 0 && !proposing && (
        <div className="row acts noprint">
          <ActionButton look="plain" onClick={() => setProposing(true)}>
            Suggest a week
          </ActionButton>
        </div>
      )}
      {proposing && <WeekProposal onDone={() => setProposing(false)} />}
      {data.length === 0 && (
        <p className="soft">
          No open alterations. What is agreed at a fitting appears here, in the order it is needed.
        </p>
      )}
      {everybody ? (
        leads && week ? (
          <Assignment week={week} rows={data}>
            {(held) => (
              <>
                <WeekThreads week={week} held={held} />
                <p className="soft noprint">Drag a job onto someone’s day.</p>
                {all}
              </>
            )}
          </Assignment>
        ) : (
          all
        )
      ) : (
        <>
          <Hand name="With you" rows={mine.filter((r) => r.status !== 'done')} mixed={false} />
          {toCheck.length > 0 && <Hand name="To be checked" rows={toCheck} mixed={false} />}
          {free.length > 0 && (
            <Hand name="Unassigned" rows={free.filter((r) => r.status !== 'done')} mixed={false} />
          )}
        </>
      )}
    </Place>
  );
}

const to = (r: BenchRow) => `/orders/${r.orderId}/alterations/${r.id}`;
const latenessOf = (r: BenchRow, zone: string, today: string, order: DateOrder) =>
  latenessWords({ ...r, nextOn: r.nextAt === null ? null : dayIn(zone, r.nextAt) }, today, order);

/** One hand’s thread: a loop for each piece of work, long as its minutes, and the work under it in order. */
interface HandProps {
  readonly name: string;
  readonly rows: readonly BenchRow[];
  readonly mixed: boolean;
  /** its work can be taken up and given */
  readonly gives?: boolean;
}

function Hand({ name, rows, mixed, gives = false }: HandProps) {
  const { short, today, dateOrder } = useDays();
  const { timeZone } = useMe();
  const open = rows.filter((r) => r.status !== 'done');
  const minutes = open.reduce((a, r) => a + Math.max(0, r.minutes - r.worked), 0);
  return (
    <section className="benchhand" aria-label={name}>
      <div className="spread">
        <h2>{name}</h2>
        {mixed && (
          <span className="soft">{open.length === 0 ? 'nothing to sew' : `${hoursWord(minutes)} to do`}</span>
        )}
      </div>
      {rows.length === 0 ? (
        <p className="soft">No jobs here.</p>
      ) : (
        <>
          <Loops rows={open} />
          <ol className="jobs">
            {rows.map((r) => {
              const why = latenessOf(r, timeZone, today, dateOrder);
              const by = neededBy({ ...r, nextOn: r.nextAt === null ? null : dayIn(timeZone, r.nextAt) });
              return (
                <li key={r.id} className={gives ? 'gives' : ''}>
                  {gives && (r.status === 'agreed' || r.status === 'in-work') && <DragHandle row={r} />}
                  <Link to={to(r)}>{formatSentence(r.sentence, r.unit)}</Link>
                  <div className="soft">
                    {r.orderNumber} {r.order}, {r.clientName} · {STATE_WORD[r.status]}
                    {r.workingId !== null && r.status !== 'in-work' && ', in progress'}
                    {r.boxesOpen > 0 &&
                      r.status !== 'asked' &&
                      ` · ${r.boxesOpen} ${r.boxesOpen === 1 ? 'piece' : 'pieces'} to tick`}
                    {r.day && ` · on ${short(r.day)}`}
                    {by && ` · needed ${short(by)}`}
                  </div>
                  {why && <div className="tight">{why}</div>}
                </li>
              );
            })}
          </ol>
        </>
      )}
    </section>
  );
}

/** The thread with its loops: as long as the work is, slack where nothing is on it. */
function Loops({ rows }: { rows: readonly BenchRow[] }) {
  let x = 6;
  const loops = rows.slice(0, 40).map((r) => {
    const w = Math.max(14, Math.min(120, r.minutes * 0.6));
    const at = x;
    x += w + 12;
    return { id: r.id, at, w, begun: r.status === 'in-work', asked: r.status === 'asked' };
  });
  return (
    <svg
      className="loops"
      viewBox={`0 0 ${Math.max(640, x + 20)} 34`}
      aria-hidden="true"
      preserveAspectRatio="xMinYMid meet"
    >
      {loops.map((l) => (
        <g key={l.id}>
          <path d={`M${l.at - 12} 22 L${l.at} 22`} stroke="var(--ink)" strokeWidth={1.5} />
          <path
            d={`M${l.at} 22 C${l.at + l.w * 0.1} 2 ${l.at + l.w * 0.9} 2 ${l.at + l.w} 22`}
            fill={l.begun ? 'var(--thread)' : 'none'}
            fillOpacity={0.25}
            stroke={l.begun ? 'var(--thread)' : 'var(--ink)'}
            strokeWidth={l.begun ? 2.5 : 1.8}
            strokeDasharray={l.asked ? '4 4' : undefined}
          />
        </g>
      ))}
      <path
        d={`M${x - 12} 22 q${Math.max(20, 640 - x) / 2} 14 ${Math.max(40, 640 - x)} 0`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.2}
        strokeDasharray="2 5"
      />
    </svg>
  );
}
