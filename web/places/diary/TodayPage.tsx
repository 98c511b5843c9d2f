import { ActionButton } from '../../shared/pieces.tsx';
import './diary.css';
import type { BenchWork, OrderRow } from '@rocchetto/contract';
import type { AppointmentKind } from '@rocchetto/core';
import { hoursWord, overloadWords } from '@rocchetto/core/diary/load.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { useDiaryQuery } from '../../api/diary.ts';
import { useDiaryHouseQuery } from '../../api/hours.ts';
import { useOrdersQuery } from '../../api/orders.ts';
import { useBrokenPromisesQuery } from '../../api/plan.ts';
import { DoneBox } from '../../parts/promised/DoneBox.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { AppointmentMargin } from './AppointmentMargin.tsx';
import { DayThreads } from './DayThreads.tsx';
import { FirstSteps } from './FirstSteps.tsx';
import { lacks, promisedWords } from './lacks.ts';
import { type Loop, loadOfThread, loopsOf, staffThreads } from './threads.ts';

/** How many days ahead something that is not ready yet is told to those who must act. */
const EARLY = 4;

/** What needs these hands now, in order, with the day's thread of appointments above it. */
export function Component() {
  const me = useMe();
  const { today, short, danger, weekday, dateOrder } = useDays();
  const mayBook = useMay('diary.write');
  const leads = me.role === 'principal' || me.role === 'desk';
  const { data: house, error: noHouse, refetch: again } = useDiaryHouseQuery();
  const { data, error, refetch } = useDiaryQuery({ day: today, days: EARLY + 1 });
  const { data: inDanger = [] } = useOrdersQuery({ view: 'danger' });
  const { data: mine = [] } = useOrdersQuery({ view: 'mine' });
  const [picked, setPicked] = useState(0);
  const bothAgain = () => {
    again();
    refetch();
  };
  if (!house || !data)
    return <Place title="Today" waiting={{ what: 'the day', error: noHouse ?? error, again: bothAgain }} />;
  const days = data.days.map((d) => ({ day: d, loops: loopsOf(data.appointments, d) }));
  const minute = Math.floor(Date.now() / 60_000);
  const [now, ...later] = days;
  const { threads } = staffThreads(house.staff, now!.day, now!.loops, data.bench);
  const work = data.bench.filter((w) => w.staffId === me.id && w.doneAt === null);
  const [due, ahead] = [work.filter((w) => w.day <= today), work.filter((w) => w.day > today)];
  const tooMuch = days.flatMap(({ day, loops }) =>
    staffThreads(house.staff, day, loops, data.bench)
      .threads.filter((t) => me.role === 'principal' || t.id === me.id)
      .flatMap((t) => overloadWords(t.name, day.day, today, loadOfThread(t), dateOrder) ?? []),
  );
  const own = threads.filter((t) => (leads ? t.loops.length + t.bench > 0 : t.id === me.id));
  const isMine = (l: Loop) => l.slot.staff.includes(me.id);
  const todo = now!.loops.filter(
    (l) => (leads || isMine(l)) && ['confirmed', 'arrived'].includes(l.appointment.status),
  );
  const mustAct = (l: Loop): boolean => {
    const need = house.kinds.find((k) => k.id === l.appointment.kind)?.need;
    if (me.role === 'principal') return true;
    if (me.role === 'fitter') return need === 'brief' || isMine(l);
    return me.role === 'desk'
      ? need === 'checked'
      : need === 'toile' || need === 'basted' || need === 'altered';
  };
  const notReady = days.flatMap(({ day, loops }) =>
    loops
      .filter((l) => l.slot.end > minute && lacks(house, l.appointment) && mustAct(l))
      .map((l) => ({ day: day.day, ...l })),
  );
  const answers = days.flatMap((d) => d.loops).filter((l) => l.appointment.status === 'offered');
  const offers = [...new Map(answers.map((l) => [l.appointment.id, l.appointment])).values()].filter(
    (a) => a.answer === '',
  );
  const asking = data.appointments.filter(
    (a) => a.answer === 'another-time' && ['offered', 'confirmed'].includes(a.status),
  );
  const chosen = data.appointments.find((a) => a.id === picked);
  const tight = (me.role === 'principal' ? inDanger : mine).filter((o) => danger(o)).slice(0, 8);
  return (
    <Place
      title="Today"
      thread={
        <>
          <div className="spread">
            <h1>{weekday(today)}</h1>
            <div className="row noprint">
              <Link to="/diary">Whole day</Link>
              <Link to="/promises">Promises</Link>
              {mayBook && (
                <Link className="take" to="/diary/book">
                  Book appointment
                </Link>
              )}
            </div>
          </div>
          {now!.day.closed ? (
            <p className="tight">The studio is closed: {now!.day.closed}.</p>
          ) : own.length === 0 ? (
            <p className="soft">
              {leads ? 'No appointments today.' : 'You are off today, and nothing is booked with you.'}
            </p>
          ) : (
            <DayThreads
              day={now!.day}
              threads={own}
              lanes="staff"
              picked={picked}
              proposal={null}
              hindered={false}
              may={false}
              now={minute}
              onPick={setPicked}
              onPropose={() => undefined}
            />
          )}
        </>
      }
      margin={
        chosen ? (
          <AppointmentMargin key={chosen.id} appointment={chosen} house={house} bench={data.bench} />
        ) : (
          <Later days={later} with={(l) => leads || isMine(l)} all={leads} />
        )
      }
    >
      {me.firstSteps === 'list' && <FirstSteps />}
      <h2>To do now</h2>
      {todo.length === 0 &&
        work.length === 0 &&
        tooMuch.length === 0 &&
        notReady.length === 0 &&
        offers.length === 0 &&
        asking.length === 0 &&
        tight.length === 0 && (
          <p className="soft">Nothing to do. New work appears here in the order it is needed.</p>
        )}
      <Problem error={error} />
      <ol className="why">
        {todo.map((l) => (
          <li key={l.slot.id}>
            <ActionButton look="pick" onClick={() => setPicked(l.appointment.id)}>
              {l.slot.from} {l.appointment.kindName}, {l.appointment.clientName}
            </ActionButton>
            {l.slot.end < minute ? (
              <span className="pending"> · enter the outcome</span>
            ) : (
              <LayReady loop={l} at={house.kinds.find((k) => k.id === l.appointment.kind)?.at ?? null} />
            )}
          </li>
        ))}
        {due.map((w) => (
          <BenchLine
            key={`b${w.id}`}
            work={w}
            when={w.day < today ? `scheduled for ${short(w.day)}` : ''}
            late
          />
        ))}
        {tooMuch.map((says) => (
          <li key={says} className="tight">
            {keepTogether(says)}
          </li>
        ))}
        {notReady.map((l) => (
          <li key={`r${l.slot.id}`}>
            <ActionButton look="pick" onClick={() => setPicked(l.appointment.id)}>
              {l.appointment.clientName}, {l.day === today ? 'today' : short(l.day)} {l.slot.from}
            </ActionButton>
            : the {l.appointment.kindName} needs <strong>{lacks(house, l.appointment)}</strong>
            {promisedWords(house, l.appointment, data.bench, short)}
            {l.appointment.orderNumber && (
              <>
                {' '}
                (<Link to={`/orders/${l.appointment.orderId}`}>{l.appointment.orderNumber}</Link>)
              </>
            )}
            .
          </li>
        ))}
        {mayBook &&
          asking.map((a) => (
            <li key={`q${a.id}`}>
              <ActionButton look="pick" onClick={() => setPicked(a.id)}>
                {a.clientName}
              </ActionButton>{' '}
              asks for another time{a.answerWords && `: “${a.answerWords}”`}.
            </li>
          ))}
        {mayBook &&
          offers.map((a) => (
            <li key={`o${a.id}`}>
              {a.clientName} has not answered the offered times
              {a.heldUntil && `; held until ${short(a.heldUntil)}`}.{' '}
              <ActionButton look="quiet" onClick={() => setPicked(a.id)}>
                View
              </ActionButton>
            </li>
          ))}
        {ahead.map((w) => (
          <BenchLine key={`b${w.id}`} work={w} when={`for ${short(w.day)}`} />
        ))}
        {tight.map((o: OrderRow) => (
          <li key={`d${o.id}`} className="tight">
            <Link to={`/orders/${o.id}`}>{o.number}</Link> {o.what}: {danger(o)}
          </li>
        ))}
      </ol>
      <Broken all={leads} />
    </Place>
  );
}

/** Promises that do not hold: all of them to who leads, to others those whose thread passes their hands. */
function Broken({ all }: { all: boolean }) {
  const me = useMe();
  const { data } = useBrokenPromisesQuery(undefined, { refetchOnMountOrArgChange: 10 });
  const mine = data?.orders.filter((o) => all || o.passes.some((p) => p.staffId === me.id)) ?? [];
  // Those that are late come first, then those in whose way something stands.
  const own = [...mine.filter((o) => o.holds === 'no'), ...mine.filter((o) => o.holds !== 'no')];
  if (own.length === 0) return null;
  return (
    <section aria-labelledby="today-broken">
      <h2 id="today-broken">Promises that do not hold</h2>
      <ul className="why">
        {own.slice(0, 6).map((o) => (
          <li key={o.id}>
            <Link to={`/orders/${o.id}/plan`}>{o.number}</Link> {o.what}, {o.clientName}:{' '}
            {keepTogether(o.holds === 'no' ? (o.says[0] ?? '') : (o.broken[0] ?? ''))}
            {o.holds === 'no' && o.would[0] && <span className="soft"> {keepTogether(o.would[0])}</span>}
          </li>
        ))}
      </ul>
      {own.length > 6 && (
        <p>
          <Link to="/promises">All promises</Link>, {own.length - 6} more that do not hold.
        </p>
      )}
    </section>
  );
}

/** Work at the bench that is still to do, ticked where it is read. */
function BenchLine({ work: w, when, late = false }: { work: BenchWork; when: string; late?: boolean }) {
  return (
    <li>
      <DoneBox work={w} />{' '}
      {w.alterationId === null ? (
        w.what
      ) : (
        <Link to={`/orders/${w.orderId}/alterations/${w.alterationId}`}>{w.what}</Link>
      )}
      , {hoursWord(w.minutes)}, for <Link to={`/orders/${w.orderId}`}>{w.orderNumber}</Link> {w.order}
      {when && <span className={late ? 'pending' : 'soft'}> · {when}</span>}
    </li>
  );
}

/** What to lay ready before the client comes. */
function LayReady({ loop: { appointment: a }, at }: { loop: Loop; at: AppointmentKind['at'] }) {
  const things = [
    a.orderId !== null && at === 'mirror' && 'the sheet, the garment, pins counted',
    at === 'tape' && 'tape, cords, the brief',
    a.bring && `the client brings: ${a.bring}`,
    a.whoComes && `comes with ${a.whoComes}`,
  ].filter(Boolean);
  return things.length > 0 ? <span className="soft"> · have ready {things.join('; ')}</span> : null;
}

interface LaterProps {
  readonly days: readonly { readonly day: { readonly day: string }; readonly loops: readonly Loop[] }[];
  readonly with: (l: Loop) => boolean;
  /** the whole house's, not only one's own */
  readonly all: boolean;
}
/** What the next days hold. */
function Later({ days: every, with: shown, all }: LaterProps) {
  const { weekday } = useDays();
  const days = every.flatMap(({ day, loops }) => {
    const those = loops.filter(shown);
    return those.length > 0 ? [{ day: day.day, count: those.length, from: those[0]!.slot.from }] : [];
  });
  return (
    <section>
      <h2>Tomorrow and after</h2>
      {days.length === 0 ? (
        <p className="soft">Nothing is booked {all ? '' : 'with you '}on the next days.</p>
      ) : (
        <ul className="why">
          {days.map(({ day, count, from }) => (
            <li key={day}>
              <Link to={`/diary?day=${day}`}>{weekday(day, false)}</Link>: {count}{' '}
              {count === 1 ? 'appointment' : 'appointments'}, from {from}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
