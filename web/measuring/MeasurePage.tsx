import type { OrderFull, ReadingWire } from '@rocchetto/contract';
import {
  agreementSentence,
  type Cm,
  cm,
  measure,
  printWithUnit,
  readLength,
  resolve,
  type SheetUnit,
  type Tape,
  tell,
  wholeOf,
} from '@rocchetto/core';
import { Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useEarlierQuery, useOrderQuery } from '../api/api.ts';
import { useMe } from '../app/me.ts';
import { shortDate } from '../shared/dates.ts';
import { Waiting } from '../shared/Problem.tsx';
import { Thread } from '../thread/Thread.tsx';
import { Ribbon, stateOf } from './Ribbon.tsx';
import { SessionStart } from './SessionStart.tsx';
import { type Taken, TapeField } from './TapeField.tsx';
import { TapeFigure } from './TapeFigure.tsx';
import { outbox } from './useOutbox.ts';
import { useCurrentSession, useReadings } from './useSession.ts';

export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const me = useMe();
  const { session, looked, begin, anew } = useCurrentSession(order);
  useEffect(() => {
    document.title = 'Measure · Rocchetto';
  }, []);
  if (!order)
    return (
      <main className="work" id="work">
        <Waiting what="the order" error={error} again={refetch} />
      </main>
    );
  if (!order.brief || order.brief.parts.length === 0)
    return (
      <main className="work" id="work">
        <div className="wide">
          <Thread order={order} here="measured" />
        </div>
        <div>
          <h1>First the brief</h1>
          <p>
            It says which measurements this order needs.{' '}
            <Link to={`/orders/${id}/brief`}>Write the brief</Link>
          </p>
        </div>
      </main>
    );
  return (
    <main className="work" id="work">
      <div className="wide">
        <Thread order={order} here="measured" />
      </div>
      {session ? (
        <Taping key={session.id} order={order} session={session} onAnew={anew} />
      ) : looked ? (
        <div>
          <h1>Measuring {order.clientName}</h1>
          <p className="soft">
            The client stands erect, weight even, eyes ahead. Mark the waist with a cord first. The client may
            decline any measurement.
          </p>
          <SessionStart order={order} onBegin={(s) => void begin(s, me.id)} />
        </div>
      ) : (
        <p className="soft">Looking for a session under way …</p>
      )}
    </main>
  );
}

interface Props {
  readonly order: OrderFull;
  readonly session: { readonly id: string; readonly unit: 'cm' | 'in'; readonly measurer: string };
  readonly onAnew: () => void;
}

function Taping({ order, session, onAnew }: Props) {
  const me = useMe();
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const { items, waiting, refused, ready } = useReadings(order, session);
  const { data: earlier = [] } = useEarlierQuery({ clientId: order.clientId, except: session.id });
  const [unit, setUnit] = useState<SheetUnit>(session.unit);
  const [tape, setTape] = useState<Tape>('snug');
  const [lost, setLost] = useState('');
  const start =
    items.find((i) => stateOf(i) === 'pending' || stateOf(i) === 'doubtful' || stateOf(i) === 'optional')
      ?.id ?? items[0]!.id;
  const at = items.some((i) => i.id === params.get('at')) ? params.get('at')! : start;
  const index = items.findIndex((i) => i.id === at);
  const item = items[index]!;
  const go = (to: string) => setParams({ at: to }, { replace: true });
  // The first place is written down once the readings are here, so that taking one moves on only when it should.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the readings have come
  useEffect(() => {
    if (ready && !params.get('at')) go(start);
  }, [ready]);

  const last = useMemo(
    () =>
      lastTimes(
        earlier,
        items.map((i) => i.id),
      ),
    [earlier, items],
  );
  const others = useMemo(
    () => new Map(items.flatMap((i) => (i.measured.net === null ? [] : [[i.id, i.measured.net] as const]))),
    [items],
  );
  const next = items[index + 1];
  const done = items.every((i) => !['pending', 'doubtful'].includes(stateOf(i)));
  // Past the last one the sheet is next, unless another is still open; the one in hand was just dealt with.
  const settled = items.every((i) => i.id === item.id || !['pending', 'doubtful'].includes(stateOf(i)));
  const forward = () => {
    if (next) go(next.id);
    else if (settled) navigate(`/orders/${order.id}/sheet`);
  };

  const add = async (r: Partial<ReadingWire>) => {
    const reading: ReadingWire = {
      id: crypto.randomUUID(),
      measure: item.id,
      state: 'read',
      written: null,
      way: 'whole',
      tape: 'snug',
      source: 'taken here',
      replaces: null,
      reason: '',
      note: '',
      wroteBy: me.name,
      at: new Date().toISOString(),
      ...r,
    };
    try {
      await outbox().keep(session.id, reading);
      setLost('');
      return reading;
    } catch {
      setLost(
        'This browser could not keep the reading (private window or full disk). Write it on paper, then free some space and take it again.',
      );
      return null;
    }
  };
  const take = async (t: Taken) => {
    const read = readLength(t.typed, t.unit);
    if (!read.ok) return;
    const kept = await add({ written: read.written, way: t.way, tape: t.tape, reason: t.reason });
    if (!kept) return;
    // Asked of the outbox, not of this render: a fast second reading comes before the screen has caught up.
    const shown = item.measured.readings;
    const here = outbox()
      .snapshot()
      .filter((k) => k.sessionId === session.id && !shown.some((r) => r.id === k.reading.id))
      .map((k) => ({ ...k.reading, by: session.measurer }));
    const after = resolve(item.measured.measure, [...shown, ...here]);
    if (!['pending', 'doubtful'].includes(stateOf({ measured: after, needed: item.needed }))) forward();
  };
  const mark = async (state: 'declined' | 'skipped') => {
    if (await add({ state })) forward();
  };
  const again = () => {
    if (item.measured.readings.length === 0 && index > 0) go(items[index - 1]!.id);
  };
  const strike = (id: string) => void add({ state: 'skipped', replaces: id, note: 'struck out' });
  const before = last.get(item.id);
  const m = item.measured;
  return (
    <>
      <div>
        <div className="taping">
          <TapeFigure measure={item.id} name={item.name} />
          <div>
            <h1>
              {item.name}
              {m.measure.twice && <span title="read twice"> ★</span>}
            </h1>
            <p className="soft" style={{ minHeight: 48 }}>
              {m.measure.how}
            </p>
            <TapeField
              context={{
                measure: m.measure,
                others: new Map([...others].filter(([id]) => id !== item.id)),
                last: before,
              }}
              unit={unit}
              setUnit={setUnit}
              tape={m.measure.kind === 'girth' ? tape : 'snug'}
              setTape={setTape}
              onTake={(t) => void take(t)}
              onNext={forward}
              onBack={() => index > 0 && go(items[index - 1]!.id)}
              onAgain={again}
              onState={(s) => void mark(s)}
            />
            {m.readings.length > 0 && (
              <div aria-live="polite">
                <ul className="readings">
                  {m.readings
                    .filter((r) => r.note !== 'struck out')
                    .map((r, i) => (
                      <li key={r.id}>
                        {r.state === 'read' && r.written
                          ? `${i + 1}. ${r.written.text} ${r.written.unit}${r.way === 'whole' ? '' : ` (${r.way})`}${r.tape === 'snug' ? '' : `, ${r.tape.replace('-', ' ')}`}`
                          : r.state}
                        {r.reason && <span className="soft"> “{r.reason}”</span>}{' '}
                        <button type="button" className="quiet" onClick={() => strike(r.id)}>
                          strike out
                        </button>
                      </li>
                    ))}
                </ul>
                <p>
                  {tell(
                    m.measure.twice && m.agreement.state === 'single'
                      ? 'Read once; this one is read twice. Read it again.'
                      : m.net === null
                        ? m.why.join(' ')
                        : agreementSentence(m.agreement),
                    unit,
                  )}
                </p>
              </div>
            )}
            {lost && (
              <div className="notice bad" role="alert">
                {lost}
              </div>
            )}
            {!next && done && (
              <p>
                <Button type="primary" onClick={() => navigate(`/orders/${order.id}/sheet`)}>
                  To the sheet
                </Button>
              </p>
            )}
          </div>
          <Ribbon items={items} at={item.id} onGo={go} />
        </div>
        <p className="keys">
          <span>
            <kbd>Enter</kbd> take and go on
          </span>
          <span>
            <kbd>⌫</kbd> back
          </span>
          <span>
            <kbd>s</kbd> skip
          </span>
          <span>
            <kbd>d</kbd> declined
          </span>
          <span>
            <kbd>r</kbd> read again
          </span>
          <span>
            <kbd>u</kbd> unit
          </span>
          <span>
            <kbd>t</kbd> tape
          </span>
          <span>
            <kbd>w</kbd> whole or part
          </span>
          <span>
            <kbd>?</kbd> all keys
          </span>
        </p>
      </div>
      <aside className="margin" aria-label="Margin">
        <section>
          <h2>Last time</h2>
          {before ? (
            <p>
              <strong style={{ fontSize: 24 }}>{before.text}</strong>{' '}
              <span className="soft">{before.date}</span>
              <br />
              <span className="soft">{expectation(before.cm, item.id, unit)}</span>
            </p>
          ) : (
            <p className="soft">Not measured before.</p>
          )}
        </section>
        <section>
          <h2>This session</h2>
          <p>
            {session.measurer} · <Link to={`/clients/${order.clientId}`}>{order.clientName}</Link>
          </p>
          <p role="status">
            {waiting > 0 ? (
              <strong className="pending">{waiting} kept on this device, not yet sent</strong>
            ) : (
              'Everything taken is in the studio’s book.'
            )}
          </p>
          {refused.length > 0 && (
            <div className="notice bad" role="alert">
              {refused.length} could not be sent: {refused[0]!.refused} They are kept here.
            </div>
          )}
          <Link to={`/orders/${order.id}/sheet`}>To the sheet</Link> ·{' '}
          <button type="button" className="quiet" onClick={onAnew}>
            begin a new session
          </button>
        </section>
        <section>
          <h2>Usual span</h2>
          <p className="soft">
            {printWithUnit(cm(m.measure.range[0]), unit)} to {printWithUnit(cm(m.measure.range[1]), unit)} in
            adults. Outside it the program asks; it never refuses.
          </p>
        </section>
      </aside>
    </>
  );
}

/** What last time leads one to expect: the span inside which nothing is asked. */
function expectation(was: Cm, id: string, unit: SheetUnit): string {
  if (id.startsWith('hem-')) return 'a choice, not a body height';
  const room = measure(id).kind === 'length' ? 1.5 : was * 0.04;
  const show = (n: number) => printWithUnit(cm(Math.round(n * 2) / 2), unit);
  return `expect ${show(was - room)} to ${show(was + room)}`;
}

type Last = { cm: Cm; text: string; date: string };

/** The newest earlier figure of each measure, as it was read. */
function lastTimes(
  earlier: readonly { at: string; readings: readonly import('@rocchetto/core').Reading[] }[],
  ids: readonly string[],
): Map<string, Last> {
  const out = new Map<string, Last>();
  for (const id of ids)
    for (const session of earlier) {
      const m = resolve(measure(id), session.readings);
      const first = m.readings.find((r) => r.state === 'read' && r.written);
      if (m.net === null || !first?.written) continue;
      out.set(id, {
        cm: m.readings.length > 1 ? m.net : wholeOf(first),
        text: `${first.written.text} ${first.written.unit}`,
        date: shortDate(session.at),
      });
      break;
    }
  return out;
}
