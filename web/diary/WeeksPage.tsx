import './diary.css';
import { printShortDate } from '@rocchetto/core';
import { Link, useSearchParams } from 'react-router';
import { useDays } from '../app/me.ts';
import { Place } from '../shared/Place.tsx';
import { useDiaryHouseQuery, useDiaryQuery } from './api.ts';
import { dayAfter } from './clock.ts';
import { Mark } from './Mark.tsx';
import { fullness, loopsOf, staffThreads } from './threads.ts';

const DAYS = 14;
const weekday = (day: string) =>
  ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'][new Date(`${day}T00:00:00Z`).getUTCDay()];

/** The weeks ahead: how full each one is, as thread wound on a spool. */
export function Component() {
  const { today } = useDays();
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
    const { threads } = staffThreads(house.staff, day, loopsOf(data.appointments, day));
    return { day, by: new Map(threads.map((t) => [t.id, t])) };
  });
  const go = (day: string) => setParams(day === today ? {} : { from: day }, { replace: true });
  return (
    <Place
      title="Weeks ahead"
      thread={
        <>
          <div className="spread">
            <h1>The weeks ahead</h1>
            <div className="row noprint">
              <button type="button" className="ask" onClick={() => go(dayAfter(from, -DAYS))}>
                two weeks before
              </button>
              <button type="button" className="ask" aria-pressed={from === today} onClick={() => go(today)}>
                from today
              </button>
              <button type="button" className="ask" onClick={() => go(dayAfter(from, DAYS))}>
                two weeks after
              </button>
              <Link to="/diary">the day</Link>
            </div>
          </div>
          <div className="scroll">
            <table className="ledger weekspool">
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
                        {printShortDate(day.day, today)}
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
                        <Mark of={s.mark} />
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
                          <Spool {...fullness(thread)} loops={thread.loops.length} />
                        </td>
                      );
                    })}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      }
    >
      <p className="soft">
        Each turn of thread is half an hour that is kept, changing time included; the empty spool is what is
        free. “away” is leave, × a day the house is closed, a dot a day off.
      </p>
    </Place>
  );
}

/** One spool: a turn for each half hour that is kept, as tall as the day is long. */
function Spool({ kept, works, loops }: { kept: number; works: number; loops: number }) {
  const turns = Math.round(kept / 30);
  const room = Math.max(turns, Math.round(works / 30), 1);
  const step = 34 / room;
  const over = kept > works;
  const hours = (n: number) => `${Math.round(n / 6) / 10} h`;
  return (
    <svg
      width="34"
      height="46"
      role="img"
      aria-label={`${loops} appointment${loops === 1 ? '' : 's'}, ${hours(kept)} of ${hours(works)}${over ? ', more than the day holds' : ''}`}
    >
      <path d="M5 3 H29 M5 43 H29" stroke="var(--ink)" strokeWidth={3} />
      <path d="M11 3 V43 M23 3 V43" stroke="var(--edge)" strokeWidth={1} />
      {Array.from({ length: turns }, (_, i) => (
        <path
          key={i}
          d={`M9 ${40 - i * step} L25 ${39 - i * step - Math.min(2, step * 0.4)}`}
          stroke={over ? 'var(--wrong)' : 'var(--thread)'}
          strokeWidth={Math.min(2.4, step * 0.7)}
        />
      ))}
    </svg>
  );
}
