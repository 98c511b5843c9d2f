import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import './plan.css';
import type { Promised, PromisesView } from '@rocchetto/contract/plan.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import type { ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { usePromisesQuery } from '../../api/plan.ts';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useDays } from '../../shared/me.ts';
import { Place, Waiting } from '../../shared/Place.tsx';
import { Suppose } from './Suppose.tsx';
import { ThreadsOverHands } from './ThreadsOverHands.tsx';

/** Every order in work, planned together over the same hands: which promises hold, and what breaks if something moves. */
export function Component() {
  const [params, setParams] = useSearchParams();
  const asked = Object.fromEntries(params);
  const { data, error, refetch, isFetching } = usePromisesQuery(asked);
  const least = (orders: readonly Pick<Promised, 'holds'>[]) =>
    orders.some((o) => o.holds === 'no') && (
      <LeastChange
        tried={params.has('first')}
        untried={data?.untried ?? 0}
        onTry={() => setParams({ ...asked, first: '1' })}
      />
    );
  return (
    <Place
      title="Promises"
      margin={
        data && (
          <Suppose
            key={params.toString()}
            promises={data}
            asked={asked}
            onAsk={(q) => setParams(q)}
            busy={isFetching}
          />
        )
      }
    >
      <p className="soft noprint">
        <Link to="/diary/weeks">Weeks ahead</Link>
      </p>
      <h1>Promises</h1>
      {error ? (
        <>
          <Waiting what="the promises" error={error} again={refetch} />
          <ActionButton look="quiet" onClick={() => setParams({})}>
            Show the promises as they are
          </ActionButton>
        </>
      ) : data ? (
        <>
          {data.breaks && (
            <Breaks
              breaks={data.breaks}
              least={least([...data.breaks.orders, ...(data.breaks.taken ? [data.breaks.taken] : [])])}
            />
          )}
          <ThreadsOverHands promises={data} />
          <Orders promises={data} least={data.breaks ? null : least(data.orders)} />
          <Weeks promises={data} />
        </>
      ) : (
        <Waiting what="the promises" error={error} again={refetch} />
      )}
    </Place>
  );
}

/** The least change that mends a late order is looked for when it is asked for: it takes a while. */
function LeastChange(of: { tried: boolean; untried: number; onTry: () => void }) {
  if (!of.tried)
    return (
      <ActionButton look="quiet" className="noprint" onClick={of.onTry}>
        Look for the least change
      </ActionButton>
    );
  return (
    <p className="soft">
      For each late order it was tried to serve it before the others, to move a piece of another order’s work,
      and to move another client’s appointment, one change alone. Where it would then hold and no other
      promise breaks, that is said beneath it.
      {of.untried > 0 &&
        ` For ${of.untried} late ${of.untried === 1 ? 'order' : 'orders'} not everything was tried.`}
    </p>
  );
}

function Breaks({ breaks, least }: { breaks: NonNullable<PromisesView['breaks']>; least: ReactNode }) {
  const { short } = useDays();
  const nothing = breaks.orders.length === 0 && breaks.appointments.length === 0;
  return (
    <section aria-label="What would break" className="plan-breaks">
      <h2>Suppose: {breaks.says}</h2>
      {breaks.taken && (
        <p className="plan-says" data-holds={breaks.taken.holds}>
          {breaks.taken.says.map((w) => keepTogether(w)).join(' ')}
        </p>
      )}
      {breaks.taken && breaks.taken.holds !== 'yes' && (
        <ul>
          {breaks.taken.would.map((w) => (
            <li key={w}>{keepTogether(w)}</li>
          ))}
        </ul>
      )}
      {nothing && <p>{breaks.taken ? 'No promise that was given breaks by it.' : 'No promise breaks.'}</p>}
      {breaks.orders.length > 0 && (
        <ol>
          {breaks.orders.map((o) => (
            <li key={o.id}>
              <Link to={`/orders/${o.id}/plan`}>
                {o.number} {o.what}
              </Link>
              , {o.clientName}: {keepTogether(o.says[0] ?? '')}
              {o.before && o.ready && o.ready !== o.before && <> Until now ready on {short(o.before)}.</>}
              <ul>
                {[...o.says.slice(1), ...o.would].map((w) => (
                  <li key={w} className="soft">
                    {keepTogether(w)}
                  </li>
                ))}
              </ul>
            </li>
          ))}
        </ol>
      )}
      {least}
      {breaks.appointments.length > 0 && (
        <>
          <h3>Appointments that need another hand or another time</h3>
          <ul>
            {breaks.appointments.map((a) => (
              <li key={a.id}>
                <Link to={`/diary?day=${a.day}&a=${a.id}`}>{a.says}</Link>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="soft">Nothing of this is done.</p>
    </section>
  );
}

const spareWords = (n: number) =>
  n < 0 ? `${-n} ${n === -1 ? 'day' : 'days'} late` : n === 0 ? 'none' : `${n} ${n === 1 ? 'day' : 'days'}`;

function Orders({ promises, least }: { promises: PromisesView; least: ReactNode }) {
  const { short } = useDays();
  if (promises.orders.length === 0) return <p>No order is in work.</p>;
  return (
    <>
      <p className="soft">
        Planned together, the one to be handed over first having the first choice of hands and times.
        {promises.more && ' Only the 400 that are due first are looked at.'}
      </p>
      {least}
      <div className="scroll">
        <Ledger className="promises">
          <thead>
            <tr>
              <th scope="col">Order</th>
              <th scope="col">Hand-over</th>
              <th scope="col">Ready</th>
              <th scope="col">To spare</th>
            </tr>
          </thead>
          <tbody>
            {promises.orders.map((o) => (
              <tr key={o.id}>
                <td>
                  <Link to={`/orders/${o.id}/plan`}>
                    {o.number} {o.what}
                  </Link>
                  , {o.clientName}
                  <Trouble promised={o} />
                </td>
                <td>{short(o.handOver)}</td>
                <td>{short(o.ready)}</td>
                <td className={o.holds === 'no' ? 'tight' : undefined}>
                  {o.spare === null ? '—' : spareWords(o.spare)}
                </td>
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
    </>
  );
}

function Trouble({ promised: o }: { promised: Promised }) {
  // What holds is told by its days; only what is in its way is added, and ways out where it does not hold.
  const told =
    o.holds === 'no-day'
      ? []
      : o.holds === 'yes'
        ? o.says.slice(1).filter((s) => o.broken.includes(s))
        : [...o.says, ...o.would.slice(0, 2)];
  if (told.length === 0) return null;
  return (
    <ul className="why">
      {told.map((s) => (
        <li key={s}>{keepTogether(s)}</li>
      ))}
    </ul>
  );
}

function Weeks({ promises }: { promises: PromisesView }) {
  const { short } = useDays();
  return (
    <>
      <h2>Hours left, week by week</h2>
      <p className="soft">
        What is free once all of this is done, and in brackets what these plans take of it that is not yet
        given.
      </p>
      <div className="scroll">
        <Ledger className="figures">
          <thead>
            <tr>
              <th scope="col">Who</th>
              {promises.weeks.map((w) => (
                <th key={w.from} scope="col">
                  {short(w.from)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {promises.staff.map((s) => (
              <tr key={s.id}>
                <th scope="row">{s.name}</th>
                {promises.weeks.map((w) => {
                  const hand = w.hands.find((h) => h.id === s.id)!;
                  return (
                    <td key={w.from}>
                      {hoursWord(Math.round((hand.free - hand.planned) / 5) * 5)}
                      {hand.planned > 0 && (
                        <div className="soft">({hoursWord(Math.round(hand.planned / 5) * 5)})</div>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
    </>
  );
}
