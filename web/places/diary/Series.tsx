import type { NewAppointment } from '@rocchetto/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import { useBookMutation, useSeriesQuery, type Wishes } from '../../api/diary.ts';
import { DateField } from '../../shared/DateField.tsx';
import { useDays } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, SelectField } from '../../shared/pieces.tsx';
import { problemOf } from '../../shared/problem-of.ts';

interface Props {
  readonly wishes: Wishes;
  readonly kindName: string;
  readonly forWhom: Pick<NewAppointment, 'clientId' | 'orderId'> | null;
  /** the day the last one should be over by, when the order says when it is worn */
  readonly lastBy: string;
}

/** Several appointments in one question: so many, so far apart, the last by a day. */
export function Series({ wishes, kindName, forWhom, lastBy: before }: Props) {
  const { weekday } = useDays();
  const [count, setCount] = useState(3);
  const [apart, setApart] = useState(10);
  const [lastBy, setLastBy] = useState(before);
  const { data, error } = useSeriesQuery({
    ...wishes,
    count,
    apart,
    ...(/^\d{4}/.test(lastBy) ? { lastBy } : {}),
  });
  const [book, booking] = useBookMutation();
  const [done, setDone] = useState<
    readonly { readonly id: number; readonly day: string; readonly time: string }[]
  >([]);
  const [stopped, setStopped] = useState('');
  const times = data?.times ?? [];
  const all = async () => {
    setStopped('');
    for (const { day, time, turn, staff, roomId } of times.slice(done.length)) {
      const slots = [{ day, time, ...(turn ? { turn } : {}), staff: [...staff], roomId }];
      const made = await book({ kind: wishes.kind, ...forWhom!, slots });
      if ('error' in made && made.error) return setStopped(problemOf(made.error).detail);
      if (made.data) setDone((d) => [...d, { id: made.data!.id, day, time }]);
    }
  };
  return (
    <section aria-label="Book a series">
      <h2>Book a series</h2>
      <div className="fields wishes">
        <div>
          <label htmlFor="series-count">How many</label>
          <SelectField id="series-count" value={count} onChange={(e) => setCount(Number(e.target.value))}>
            {[2, 3, 4, 5, 6].map((n) => (
              <option key={n}>{n}</option>
            ))}
          </SelectField>
        </div>
        <div>
          <label htmlFor="series-apart">Days between, at least</label>
          <SelectField id="series-apart" value={apart} onChange={(e) => setApart(Number(e.target.value))}>
            {[3, 5, 7, 10, 14, 21].map((n) => (
              <option key={n}>{n}</option>
            ))}
          </SelectField>
        </div>
        <div>
          <label htmlFor="series-last">Last one by</label>
          <DateField id="series-last" value={lastBy} onChange={setLastBy} />
        </div>
      </div>
      <Problem error={error} />
      {data && times.length === 0 && (
        <p className="soft">{count} appointments don’t fit. Book fewer, or fewer days between.</p>
      )}
      <ol className="why">
        {times.map((t) => (
          <li key={t.start}>
            {weekday(t.day)}, {t.time}
          </li>
        ))}
      </ol>
      {stopped && (
        <Notice tone="bad">
          <p>
            {done.length} of {times.length + done.length} are booked. {stopped}
          </p>
        </Notice>
      )}
      {done.length > 0 && (
        <Notice tone="good">
          {done.map((d) => (
            <p key={d.id}>
              <Link to={`/diary?day=${d.day}&a=${d.id}`}>
                {weekday(d.day)}, {d.time}
              </Link>{' '}
              is booked.
            </p>
          ))}
        </Notice>
      )}
      {times.length > 0 && done.length === 0 && (
        <ActionButton look="plain" disabled={!forWhom || booking.isLoading} onClick={() => void all()}>
          Book these {times.length} of {kindName}
        </ActionButton>
      )}
    </section>
  );
}
