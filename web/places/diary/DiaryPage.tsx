import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import './diary.css';
import type { BenchWork, DiaryHouse } from '@rocchetto/contract';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { hoursWord, overloadWords } from '@rocchetto/core/diary/load.ts';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useDiaryQuery } from '../../api/diary.ts';
import { useDiaryHouseQuery } from '../../api/hours.ts';
import { DoneBox } from '../../parts/promised/DoneBox.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { AppointmentMargin } from './AppointmentMargin.tsx';
import { BusyCalendars } from './BusyCalendars.tsx';
import { DayThreads } from './DayThreads.tsx';
import { Feeds } from './Feeds.tsx';
import { Late } from './Late.tsx';
import { lacks } from './lacks.ts';
import { ProposalForm } from './ProposalForm.tsx';
import {
  hindrance,
  type Loop,
  loadOfThread,
  loopsOf,
  type Proposal,
  roomThreads,
  staffThreads,
} from './threads.ts';

const isDay = (text: string | null): text is string => /^\d{4}-\d\d-\d\d$/.test(text ?? '');

/** One day across staff and rooms: its threads, the same as a list, and what is chosen in the margin. */
export function Component() {
  const { today, weekday, dateOrder } = useDays();
  const me = useMe();
  const mayWrite = useMay('diary.write');
  const [params, setParams] = useSearchParams();
  const day = isDay(params.get('day')) ? params.get('day')! : today;
  const by = params.get('by') === 'rooms' ? 'rooms' : 'staff';
  const mine = params.get('mine') === '1';
  const picked = Number(params.get('a')) || 0;
  const { data: house, error: noHouse, refetch: again } = useDiaryHouseQuery();
  const { data, error, refetch } = useDiaryQuery({ day });
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const ask = (next: Record<string, string>) => {
    const now = new URLSearchParams(params);
    for (const [k, v] of Object.entries(next)) v ? now.set(k, v) : now.delete(k);
    setParams(now, { replace: true });
  };
  const frame = data?.days[0];
  const loops = useMemo(() => (data && frame ? loopsOf(data.appointments, frame) : []), [data, frame]);
  // A loop that is drawn along changes none of these: the threads under it are not drawn anew.
  const drawn = useMemo(() => {
    if (!house || !data || !frame) return null;
    const { threads: staff, absent } = staffThreads(house.staff, frame, loops, data.bench);
    const own = mine ? staff.filter((t) => t.id === me.id) : staff;
    return {
      absent,
      tooMuch: staff.flatMap((t) => overloadWords(t.name, day, today, loadOfThread(t), dateOrder) ?? []),
      threads: by === 'rooms' ? roomThreads(house.rooms, frame, loops) : own,
    };
  }, [house, data, frame, loops, by, mine, me.id, day, today, dateOrder]);
  const bothAgain = () => {
    again();
    refetch();
  };
  if (!house || !data || !frame || !drawn)
    return <Place title="Diary" waiting={{ what: 'the diary', error: noHouse ?? error, again: bothAgain }} />;
  const shown = mine ? loops.filter((l) => l.slot.staff.includes(me.id)) : loops;
  const { absent, tooMuch, threads } = drawn;
  const chosen = loops.find((l) => l.appointment.id === picked)?.appointment;
  const inTheWay = proposal ? hindrance(proposal, house.staff, frame, loops) : '';
  const go = (to: string) => {
    setProposal(null);
    ask({ day: to === today ? '' : to, a: '' });
  };
  return (
    <Place
      title={`Diary, ${weekday(day)}`}
      thread={
        <>
          <div className="spread">
            <h1>{weekday(day)}</h1>
            <div className="row noprint">
              <ActionButton look="ask" onClick={() => go(dayAfter(day, -1))}>
                Previous day
              </ActionButton>
              <ActionButton look="ask" aria-pressed={day === today} onClick={() => go(today)}>
                Today
              </ActionButton>
              <ActionButton look="ask" onClick={() => go(dayAfter(day, 1))}>
                Next day
              </ActionButton>
              <Link to="/diary/weeks">Weeks ahead</Link>
              {mayWrite && <Link to="/messages">Messages</Link>}
              {mayWrite && (
                <Link className="take" to="/diary/book">
                  Book appointment
                </Link>
              )}
            </div>
          </div>
          <div className="row asks noprint">
            {(['staff', 'rooms'] as const).map((b) => (
              <ActionButton
                look="ask"
                key={b}
                aria-pressed={by === b}
                onClick={() => ask({ by: b === 'staff' ? '' : b })}
              >
                By {b}
              </ActionButton>
            ))}
            <ActionButton
              look="ask"
              aria-pressed={mine}
              onClick={() => ask({ mine: mine ? '' : '1', by: '' })}
            >
              Mine only
            </ActionButton>
          </div>
          {frame.closed ? (
            <p className="tight">The studio is closed: {frame.closed}.</p>
          ) : threads.length === 0 ? (
            <p className="soft">
              {by === 'rooms'
                ? 'No rooms yet. Add one in studio settings.'
                : mine
                  ? 'You do not work on this day.'
                  : 'Nobody works on this day.'}
            </p>
          ) : (
            <DayThreads
              day={frame}
              threads={threads}
              lanes={by}
              picked={picked}
              proposal={proposal}
              hindered={inTheWay !== ''}
              may={mayWrite}
              now={day === today ? Math.floor(Date.now() / 60_000) : 0}
              onPick={(id) => ask({ a: String(id) })}
              onPropose={setProposal}
            />
          )}
          {tooMuch.map((says) => (
            <p key={says} className="tight">
              {keepTogether(says)}
            </p>
          ))}
          {absent.length > 0 && by === 'staff' && !mine && (
            <p className="soft">Not at work: {absent.join(', ')}.</p>
          )}
        </>
      }
      margin={
        <>
          {proposal && (
            <ProposalForm
              key={proposal.appointment.id}
              proposal={proposal}
              day={day}
              house={house}
              hindrance={inTheWay}
              onDone={() => setProposal(null)}
              onInstead={(t) => {
                if (t.day !== day) go(t.day);
                setProposal({ ...proposal, start: t.start, staff: t.staff, roomId: t.roomId });
              }}
            />
          )}
          {chosen && !proposal && (
            <>
              <AppointmentMargin key={chosen.id} appointment={chosen} house={house} bench={data.bench} />
              <Late key={`late ${chosen.id}`} staffId={chosen.id} loops={loops} day={frame} house={house} />
            </>
          )}
          {!chosen && !proposal && (
            <section>
              <h2>Selected appointment</h2>
              <p className="soft">
                Select an appointment to see it here.{' '}
                {mayWrite &&
                  'Drag an appointment to move it. On the keyboard, the arrow keys move it by five minutes, with Shift by fifteen.'}
              </p>
              <Feeds rooms={house.rooms} />
              <BusyCalendars />
            </section>
          )}
        </>
      }
    >
      <h2>Appointments</h2>
      {shown.length === 0 ? (
        <p className="soft">
          Nothing is booked {mine ? 'with you ' : ''}on this day.{' '}
          {mayWrite && 'Use “Book appointment”, or book from an order.'}
        </p>
      ) : (
        <DayList loops={shown} house={house} picked={picked} onPick={(id) => ask({ a: String(id) })} />
      )}
      <DayBench
        work={data.bench.filter((w) => w.day === day && (!mine || w.staffId === me.id))}
        house={house}
      />
    </Place>
  );
}

const room = (house: DiaryHouse, id: number | null) => house.rooms.find((r) => r.id === id)?.name ?? '';

/** The day as a list: to read, to print for the wall. */
function DayList({
  loops,
  house,
  picked,
  onPick,
}: {
  loops: readonly Loop[];
  house: DiaryHouse;
  picked: number;
  onPick: (id: number) => void;
}) {
  return (
    <div className="scroll">
      <Ledger className="daylist">
        <thead>
          <tr>
            <th scope="col">Time</th>
            <th scope="col">Client</th>
            <th scope="col">What</th>
            <th scope="col">With</th>
            <th scope="col">Room</th>
            <th scope="col">Status</th>
          </tr>
        </thead>
        <tbody>
          {loops.map(({ appointment: a, slot: s }) => (
            <tr key={s.id} aria-selected={a.id === picked}>
              <td>
                <ActionButton look="pick" onClick={() => onPick(a.id)}>
                  {s.from}–{s.to}
                </ActionButton>
              </td>
              <td>{a.clientName}</td>
              <td>
                {a.kindName}
                {a.orderNumber && <span className="soft"> {a.orderNumber}</span>}
              </td>
              <td>
                {s.staff
                  .map((id) => house.staff.find((w) => w.id === id)?.name ?? 'someone who left')
                  .join(', ')}
              </td>
              <td>{room(house, s.roomId)}</td>
              <td>
                {a.status === 'confirmed' ? '' : a.status.replaceAll('-', ' ')}
                {lacks(house, a) && <span className="pending"> needs {lacks(house, a)}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </Ledger>
    </div>
  );
}

/** Work promised at the bench for the day, by whom: for the wall as well. */
function DayBench({ work, house }: { work: readonly BenchWork[]; house: DiaryHouse }) {
  if (work.length === 0) return null;
  return (
    <>
      <h2>At the bench</h2>
      <ul className="why">
        {work.map((w) => (
          <li key={w.id}>
            <DoneBox work={w} /> {house.staff.find((s) => s.id === w.staffId)?.name ?? 'someone who left'}:{' '}
            {w.what}, {hoursWord(w.minutes)}, for <Link to={`/orders/${w.orderId}`}>{w.orderNumber}</Link>{' '}
            {w.order}
          </li>
        ))}
      </ul>
    </>
  );
}
