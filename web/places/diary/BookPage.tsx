import { ActionButton, SelectField, TextField } from '../../shared/pieces.tsx';
import './diary.css';
import { skipToken } from '@reduxjs/toolkit/query';
import type { AppointmentView, TimeView } from '@rocchetto/contract';
import { NEEDS } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useClientQuery } from '../../api/clients.ts';
import {
  useAppointmentQuery,
  useBookMutation,
  useMoveAppointmentMutation,
  useTimesQuery,
} from '../../api/diary.ts';
import { useDiaryHouseQuery } from '../../api/hours.ts';
import { useOrderQuery } from '../../api/orders.ts';
import { ClientAway } from '../../parts/people/ClientAway.tsx';
import { ClientChoice } from '../../parts/people/ClientChoice.tsx';
import { Facts } from '../../shared/Facts.tsx';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import { Series } from './Series.tsx';
import { NO_WISH, type Wish, Wishes } from './Wishes.tsx';

/** What of a wish is asked for: what is left empty is not. */
const wishesOf = (wish: Wish) => ({
  ...(wish.from ? { from: wish.from } : {}),
  ...(wish.until ? { until: wish.until } : {}),
  ...(wish.earliest ? { earliest: wish.earliest } : {}),
  ...(wish.latest ? { latest: wish.latest } : {}),
  ...(wish.notOn.length > 0 ? { notOn: wish.notOn.join(',') } : {}),
  ...(wish.stepFree ? { stepFree: '1' as const } : {}),
  ...(wish.ready ? { ready: '1' as const } : {}),
});

/** Books a time, offers several, or finds another one for an appointment that moves. */
export function Component() {
  const { weekday } = useDays();
  const [params, setParams] = useSearchParams();
  const number = (key: string) => Number(params.get(key)) || 0;
  const moving = number('moving');
  const { data: appointment } = useAppointmentQuery(moving || skipToken);
  const orderId = appointment?.orderId ?? number('order');
  const { data: order } = useOrderQuery(orderId || skipToken);
  const clientId = appointment?.clientId ?? order?.clientId ?? number('client');
  const { data: client } = useClientQuery(clientId || skipToken);
  const { data: house, error, refetch } = useDiaryHouseQuery();
  const may = useMay('diary.write');
  const usual = order ? (order.stage === 'brief' ? 'measuring' : 'fitting') : 'consultation';
  const kind = appointment?.kind ?? params.get('kind') ?? usual;
  const [wish, setWish] = useState<Wish>(NO_WISH);
  const [chosen, setChosen] = useState<readonly TimeView[]>([]);
  const [several, setSeveral] = useState(false);
  const asked = {
    kind,
    ...wishesOf(wish),
    ...(clientId ? { clientId } : {}),
    ...(orderId ? { orderId } : {}),
    ...(moving ? { moving } : {}),
  };
  const waits = (moving > 0 && !appointment) || (orderId > 0 && !order) || (clientId > 0 && !client);
  const { data, error: noTimes, isFetching } = useTimesQuery(asked, { skip: !house || waits || !may });
  if (!house || waits)
    return <Place title="Book appointment" waiting={{ what: 'the diary', error, again: refetch }} />;
  if (!may)
    return (
      <Place title="Book appointment">
        <h1>Book appointment</h1>
        <p>The owner, fitters and front desk book appointments.</p>
      </Place>
    );
  const set = (key: string, value: string) => {
    const now = new URLSearchParams(params);
    value ? now.set(key, value) : now.delete(key);
    setChosen([]);
    setParams(now, { replace: true });
  };
  const k = house.kinds.find((x) => x.id === kind);
  const names = (t: TimeView) =>
    t.staff.map((id) => house.staff.find((s) => s.id === id)?.name).join(' and ');
  const room = (t: TimeView) => house.rooms.find((r) => r.id === t.roomId)?.name;
  const toggle = (t: TimeView) =>
    setChosen(
      moving
        ? [t]
        : chosen.some((c) => c.start === t.start)
          ? chosen.filter((c) => c.start !== t.start)
          : [...chosen, t].slice(-5).sort((a, b) => a.start - b.start),
    );
  return (
    <Place
      title={moving ? 'Find another time' : 'Book appointment'}
      margin={
        <>
          <section className="bookfor">
            <h2>Booking for</h2>
            {client ? (
              <Facts
                facts={[
                  [
                    'Client',
                    <Link key="c" to={`/clients/${client.id}`}>
                      {client.name}
                    </Link>,
                  ],
                  order && [
                    'Order',
                    <Link key="o" to={`/orders/${order.id}`}>
                      {order.number} {order.what}
                    </Link>,
                  ],
                  client.minor && ['Under age', `with ${client.guardian || 'a guardian'}`],
                ]}
              />
            ) : (
              <ClientChoice onChoose={(id) => set('client', String(id))} />
            )}
          </section>
          {chosen.length === 0 && client && <ClientAway client={client} />}
          {chosen.length > 0 && client && (
            <Booking
              key={chosen.map((c) => c.start).join()}
              times={chosen}
              kind={kind}
              clientId={client.id}
              orderId={orderId || null}
              moving={appointment ?? null}
              start={{
                whoComes: client.minor ? client.guardian : '',
                bring: [order?.brief?.shoes, order?.brief?.beneath].filter(Boolean).join(', '),
              }}
              onInstead={(t) => setChosen([t])}
            />
          )}
        </>
      }
    >
      <h1>{moving ? 'Find another time' : 'Book appointment'}</h1>
      {!moving && (
        <p>
          <label htmlFor="kind">For a </label>
          <SelectField id="kind" value={kind} onChange={(e) => set('kind', e.target.value)}>
            {house.kinds
              .filter((x) => x.offered !== false || x.id === kind)
              .map((x) => (
                <option key={x.id} value={x.id}>
                  {x.name}
                </option>
              ))}
          </SelectField>{' '}
          {k && (
            <span className="soft">
              {k.minutes} minutes and {k.buffer} for changing
            </span>
          )}
        </p>
      )}
      <Wishes
        wish={wish}
        waitsFor={orderId && k?.need && k.need !== 'brief' ? NEEDS[k.need] : ''}
        onChange={(w) => {
          setChosen([]);
          setWish(w);
        }}
      />
      {!moving && (
        <ActionButton look="ask" aria-pressed={several} onClick={() => setSeveral(!several)}>
          Book a series
        </ActionButton>
      )}
      {several && k && (
        <Series
          wishes={asked}
          kindName={k.name}
          forWhom={client ? { clientId: client.id, orderId: orderId || null } : null}
          lastBy={order?.wornOn ? dayAfter(order.wornOn, -7) : ''}
        />
      )}
      <h2>Free times{data && `, best first`}</h2>
      <Problem error={noTimes} />
      {data?.says && <p className="soft">{data.says}</p>}
      {data && data.times.length === 0 && (
        <p className="soft">
          No free times. Try more days or hours; check that someone with the skill works then and that a room
          suits.
        </p>
      )}
      <ul className="times" aria-busy={isFetching}>
        {data?.times.map((t) => (
          <li key={t.start}>
            <span className="when">
              {weekday(t.day, false)}, {t.time}
              {t.turn === 'second' && ' (the second time)'}
            </span>
            <span className="grow">
              {names(t)}
              {room(t) && `, ${room(t)}`}
              {t.reasons.length > 0 && <span className="soft"> · {t.reasons.join(', ')}</span>}
            </span>
            <ActionButton
              look="ask"
              aria-pressed={chosen.some((c) => c.start === t.start)}
              aria-label={`${weekday(t.day)}, ${t.time} with ${names(t)}`}
              onClick={() => toggle(t)}
            >
              Choose
            </ActionButton>
          </li>
        ))}
      </ul>
    </Place>
  );
}

interface BookingProps {
  readonly times: readonly TimeView[];
  readonly kind: string;
  readonly clientId: number;
  readonly orderId: number | null;
  readonly moving: AppointmentView | null;
  readonly start: { whoComes: string; bring: string };
  readonly onInstead: (t: TimeView) => void;
}

/** The chosen times, what is noted with them, and the word that keeps them. */
function Booking({ times, kind, clientId, orderId, moving, start, onInstead }: BookingProps) {
  const { weekday } = useDays();
  const navigate = useNavigate();
  const [book, booking] = useBookMutation();
  const [move, movingIt] = useMoveAppointmentMutation();
  const [whoComes, setWhoComes] = useState(start.whoComes);
  const [bring, setBring] = useState(start.bring);
  const [note, setNote] = useState('');
  const [days, setDays] = useState(3);
  const slots = useMemo(
    () =>
      times.map(({ day, time, turn, staff, roomId }) => ({
        day,
        time,
        ...(turn ? { turn } : {}),
        staff: [...staff],
        roomId,
      })),
    [times],
  );
  const first = times[0]!;
  const error = booking.error ?? movingIt.error;
  const refused = error ? problemOf(error) : null;
  const instead = (refused?.instead ?? []) as readonly TimeView[];
  const busy = booking.isLoading || movingIt.isLoading;
  const send = async (offered: boolean) => {
    const done = moving
      ? await move({ id: moving.id, version: moving.version, slot: slots[0]!, reason: note.trim() })
      : await book({
          kind,
          clientId,
          orderId,
          slots,
          heldUntil: offered ? new Date(Date.now() + days * 86_400_000).toISOString() : null,
          whoComes: whoComes.trim(),
          bring: bring.trim(),
          note: note.trim(),
        });
    if ('data' in done && done.data) navigate(`/diary?day=${first.day}&a=${done.data.id}`);
  };
  const field = (id: string, label: string, value: string, onChange: (v: string) => void, max: number) => (
    <>
      <label htmlFor={id}>{label}</label>
      <TextField id={id} value={value} maxLength={max} onChange={(e) => onChange(e.target.value)} />
    </>
  );
  return (
    <form
      className="stack"
      aria-label="Your choice"
      onSubmit={(e) => {
        e.preventDefault();
        void send(times.length > 1);
      }}
    >
      <h2>
        {times.length > 1 ? `${times.length} times` : `${weekday(first.day)}, ${first.time}–${first.to}`}
      </h2>
      {times.length > 1 && (
        <ul className="why">
          {times.map((t) => (
            <li key={t.start}>
              {weekday(t.day)}, {t.time}
            </li>
          ))}
        </ul>
      )}
      {refused?.code === 'taken' ? <Notice tone="bad">{refused.detail}</Notice> : <Problem error={error} />}
      {instead.map((t) => (
        <p key={t.start}>
          <ActionButton look="plain" onClick={() => onInstead(t)}>
            {weekday(t.day)}, {t.time}
          </ActionButton>
        </p>
      ))}
      {moving ? (
        field('book-note', 'Reason for moving', note, setNote, 500)
      ) : (
        <>
          {field('book-who', 'Who comes too', whoComes, setWhoComes, 200)}
          {field('book-bring', 'To bring', bring, setBring, 500)}
          {field('book-note', 'Note', note, setNote, 1000)}
        </>
      )}
      <div className="row">
        {times.length === 1 && (
          <ActionButton look="take" type="submit" busy={busy}>
            {moving ? 'Move appointment' : 'Book appointment'}
          </ActionButton>
        )}
        {!moving && (
          <ActionButton
            look={times.length === 1 ? 'plain' : 'take'}
            type={times.length === 1 ? 'button' : 'submit'}
            busy={busy}
            onClick={times.length === 1 ? () => void send(true) : undefined}
          >
            Offer times {times.length > 1 ? 'these' : 'it'}
          </ActionButton>
        )}
      </div>
      {!moving && (
        <p className="soft">
          <label htmlFor="held">Hold offered times for </label>
          <SelectField id="held" value={days} onChange={(e) => setDays(Number(e.target.value))}>
            {[1, 2, 3, 5, 7].map((d) => (
              <option key={d} value={d}>
                {d === 1 ? 'a day' : `${d} days`}
              </option>
            ))}
          </SelectField>
          .
        </p>
      )}
    </form>
  );
}
