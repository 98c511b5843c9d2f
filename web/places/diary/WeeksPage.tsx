import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import './diary.css';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { hoursWord, type Load, overloadWords } from '@rocchetto/core/diary/load.ts';
import { Link, useSearchParams } from 'react-router';
import { useDiaryQuery } from '../../api/diary.ts';
import { useDiaryHouseQuery } from '../../api/hours.ts';
import { Mark } from '../../parts/people/Mark.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useDays } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { loadOfThread, loopsOf, staffThreads } from './threads.ts';

const DAYS = 14;
const weekday = (day: string) =>
  ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'][new Date(`${day}T00:00:00Z`).getUTCDay()];

/** The weeks ahead: how full each one is, as thread wound on a spool. */
export function Component() {
  const { today, short, dateOrder } = useDays();
  const [params, setParams] = useSearchParams();
  const from = /^\d{4}-\d\d-\d\d$/.test(params.get('from') ?? '') ? params.get('from')! : today;
  const { data: house, error: noHouse, refetch: again } = useDiaryHouseQuery();
  const { data, error, refetch } = useDiaryQuery({ day: from, days: DAYS });
  const bothAgain = () => {
    again();
    refetch();
  };
  if (!house || !data)
    return (
      <Place
        title="Weeks ahead"
        waiting={{ what: 'the weeks ahead', error: noHouse ?? error, again: bothAgain }}
      />
    );
  const days = data.days.map((day) => {
    const { threads } = staffThreads(house.staff, day, loopsOf(data.appointments, day), data.bench);
    return { day, by: new Map(threads.map((t) => [t.id, t])) };
  });
  const tooMuch = days.flatMap(({ day, by }) =>
    [...by.values()].flatMap((t) => overloadWords(t.name, day.day, today, loadOfThread(t), dateOrder) ?? []),
  );
  const go = (day: string) => setParams(day === today ? {} : { from: day }, { replace: true });
  return (
    <Place
      title="Weeks ahead"
      thread={
        <>
          <div className="spread">
            <h1>Weeks ahead</h1>
            <div className="row noprint">
              <ActionButton look="ask" onClick={() => go(dayAfter(from, -DAYS))}>
                Two weeks back
              </ActionButton>
              <ActionButton look="ask" aria-pressed={from === today} onClick={() => go(today)}>
                From today
              </ActionButton>
              <ActionButton look="ask" onClick={() => go(dayAfter(from, DAYS))}>
                Two weeks on
              </ActionButton>
              <Link to="/diary">Day view</Link>
              <Link to="/promises">Promises</Link>
            </div>
          </div>
          <div className="scroll">
            <Ledger className="weekspool">
              <thead>
                <tr>
                  <th scope="col">
                    <span className="hidden">who</span>
                  </th>
                  {days.map(({ day }) => (
                    <th key={day.day} scope="col">
                      <Link to={`/diary?day=${day.day}`}>
                        {weekday(day.day)}
                        <br />
                        {short(day.day)}
                      </Link>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {house.staff.map((s) => (
                  <tr key={s.id}>
                    <th scope="row">
                      <svg className="hand" width="22" height="20" aria-hidden="true">
                        <Mark staffId={s.mark} />
                      </svg>{' '}
                      {s.name}
                    </th>
                    {days.map(({ day, by }) => {
                      const thread = by.get(s.id);
                      const away = day.away[s.id];
                      if (!thread)
                        return (
                          <td key={day.day} className="soft">
                            {day.closed ? '×' : away ? 'away' : '·'}
                            {(day.closed ?? away) && <span className="hidden"> {day.closed ?? away}</span>}
                          </td>
                        );
                      return (
                        <td key={day.day}>
                          <Spool load={loadOfThread(thread)} loops={thread.loops.length} />
                        </td>
                      );
                    })}
                  </tr>
                ))}
              </tbody>
            </Ledger>
          </div>
        </>
      }
    >
      {tooMuch.length > 0 && (
        <ul className="why">
          {tooMuch.map((says) => (
            <li key={says} className="tight">
              {keepTogether(says)}
            </li>
          ))}
        </ul>
      )}
      <p className="soft">
        Each turn of thread is half an hour booked, with changing time; a turn wound the other way is bench
        work; an empty spool is free time. “away” is leave, × a day the studio is closed, a dot a day off.
      </p>
    </Place>
  );
}

/** One spool: a turn for each half hour that is kept, those of the bench wound the other way, as tall as the day is long. */
function Spool({ load, loops }: { load: Load; loops: number }) {
  const [turns, work] = [Math.round(load.booked / 30), Math.round(load.bench / 30)];
  const room = Math.max(turns + work, Math.round(load.works / 30), 1);
  const step = 34 / room;
  const width = Math.min(2.4, step * 0.7);
  /** Turns from one to another as one line: a page holds hundreds of spools. */
  const wound = (first: number, end: number, left: boolean) =>
    Array.from({ length: end - first }, (_, k) => {
      const at = 40 - (first + k) * step;
      const up = at - 1 - Math.min(2, step * 0.4);
      return left ? `M25 ${at} L9 ${up}` : `M9 ${at} L25 ${up}`;
    }).join('');
  const said = [
    `${loops} appointment${loops === 1 ? '' : 's'}`,
    load.bench > 0 && `${hoursWord(load.bench)} at the bench`,
    `${hoursWord(load.booked + load.bench)} of ${hoursWord(load.works)}`,
    load.over > 0 && `${hoursWord(load.over)} too much`,
  ].filter(Boolean);
  return (
    <svg width="34" height="46" role="img" aria-label={said.join(', ')}>
      <path d="M5 3 H29 M5 43 H29" stroke="var(--ink)" strokeWidth={3} />
      <path d="M11 3 V43 M23 3 V43" stroke="var(--edge)" strokeWidth={1} />
      <path
        d={wound(0, turns, false)}
        stroke={load.over > 0 ? 'var(--wrong)' : 'var(--thread)'}
        strokeWidth={width}
      />
      <path
        d={wound(turns, turns + work, true)}
        stroke={load.over > 0 ? 'var(--wrong)' : 'var(--chalk)'}
        strokeWidth={width}
      />
      {load.over > 0 && (
        <text x={34} y={28} textAnchor="end" className="over">
          !
        </text>
      )}
    </svg>
  );
}
