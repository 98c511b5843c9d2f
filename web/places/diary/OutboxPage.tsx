import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import './diary.css';
import type { MessageView } from '@rocchetto/contract';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useMessagesQuery, useSendAgainMutation, useSetCarrierMutation } from '../../api/messages.ts';
import { useClock } from '../../shared/clock.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';

const SAID: Record<MessageView['kind'], string> = {
  confirmed: 'confirmation',
  offered: 'choice of times',
  'two-days': 'two days before',
  'day-before': 'the day before',
  moved: 'moved',
  cancelled: 'cancelled',
};
const STANDS: Record<MessageView['state'], string> = {
  waiting: '◌ scheduled',
  sent: '✓ sent',
  dropped: '— not needed',
  'no-address': '∅ no address',
  refused: '× failed',
};
const standing = (m: MessageView) => (m.state === 'sent' && !m.mailed ? '✓ recorded only' : STANDS[m.state]);

/** What clients were told by mail or text, and what they will be told. */
export function Component() {
  const [params, setParams] = useSearchParams();
  const before = Number(params.get('before')) || undefined;
  const appointment = Number(params.get('appointment')) || undefined;
  const show = params.get('show') === 'to-come' ? 'to-come' : 'told';
  const mayHouse = useMay('house.write');
  const mayRead = useMay('diary.write');
  const { data, error, refetch } = useMessagesQuery(
    { show, ...(before ? { before } : {}), ...(appointment ? { appointment } : {}) },
    { skip: !mayRead },
  );
  const [carrier, carrying] = useSetCarrierMutation();
  const [again, sending] = useSendAgainMutation();
  const { short } = useDays();
  const clock = useClock();
  const [open, setOpen] = useState(0);
  if (!mayRead)
    return (
      <Place title="Messages">
        <h1>Messages</h1>
        <p>The owner, fitters and front desk see messages to clients.</p>
      </Place>
    );
  if (!data) return <Place title="Messages" waiting={{ what: 'the messages', error, again: refetch }} />;
  const at = (iso: string) => `${short(iso)}, ${clock(Math.floor(Date.parse(iso) / 60_000))}`;
  return (
    <Place
      title="Messages"
      margin={
        <>
          <section>
            <h2>How messages go</h2>
            <ul className="why">
              <li>
                {data.mail
                  ? 'Letters go through the studio’s mail server.'
                  : 'Letters are recorded here only: no mail server is set up.'}
              </li>
              <li>Texts to a phone are recorded here only: nothing is sent.</li>
            </ul>
            {mayHouse && <Link to="/house#mail">{data.mail ? 'Mail server' : 'Set up a mail server'}</Link>}
          </section>
          {data.demo && (mayHouse || data.fails) && (
            <section>
              <h2>Demo</h2>
              <Problem error={carrying.error} />
              {data.fails && (
                <Notice tone="bad">
                  Simulated failure is on. Messages that are due are not recorded and are tried again, each
                  time after a longer wait.
                </Notice>
              )}
              {mayHouse && (
                <ActionButton look="plain" onClick={() => void carrier({ fails: !data.fails })}>
                  {data.fails ? 'End simulated failure' : 'Simulate failure'}
                </ActionButton>
              )}
            </section>
          )}
        </>
      }
    >
      <h1>Messages</h1>
      <Problem error={sending.error} />
      {!appointment && (
        <div className="row asks">
          {(['told', 'to-come'] as const).map((s) => (
            <ActionButton
              look="ask"
              key={s}
              aria-pressed={show === s}
              onClick={() => setParams(s === 'told' ? {} : { show: s })}
            >
              {s === 'told' ? 'Done' : 'Scheduled'}
            </ActionButton>
          ))}
        </div>
      )}
      {data.messages.length === 0 && (
        <p className="soft">
          No messages yet. A confirmation is written when an appointment is booked, and reminders before it.
        </p>
      )}
      <div className="scroll">
        <Ledger>
          <thead>
            <tr>
              <th scope="col">Due</th>
              <th scope="col">Client</th>
              <th scope="col">What</th>
              <th scope="col">Status</th>
            </tr>
          </thead>
          <tbody>
            {data.messages.map((m) => (
              <tr key={m.id}>
                <td>{at(m.dueAt)}</td>
                <td>
                  <Link to={`/messages?appointment=${m.appointmentId}`}>{m.clientName}</Link>
                </td>
                <td>
                  <ActionButton
                    look="pick"
                    aria-expanded={open === m.id}
                    disabled={m.body === ''}
                    onClick={() => setOpen(open === m.id ? 0 : m.id)}
                  >
                    {SAID[m.kind]}
                  </ActionButton>
                  {open === m.id && (
                    <div className="slip">
                      <p className="soft">
                        {m.channel} {m.sentTo && `to ${m.sentTo}`}
                      </p>
                      {m.subject && <strong>{m.subject}</strong>}
                      <p className="letter">{m.body}</p>
                    </div>
                  )}
                </td>
                <td className={m.state === 'sent' ? 'agreed' : m.state === 'waiting' ? '' : 'pending'}>
                  {standing(m)}
                  {m.trouble && (
                    <span className="pending">
                      {' '}
                      tried {m.tries} {m.tries === 1 ? 'time' : 'times'}: {m.trouble}
                    </span>
                  )}
                  {(m.state === 'refused' || m.state === 'no-address') && (
                    <ActionButton look="quiet" onClick={() => void again(m.id)}>
                      Send again
                    </ActionButton>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
      <div className="row further">
        {appointment !== undefined && <Link to="/messages">All messages</Link>}
        {data.messages.length === 50 && (
          <ActionButton
            look="plain"
            onClick={() =>
              setParams({
                ...(appointment ? { appointment: String(appointment) } : {}),
                ...(show === 'told' ? {} : { show }),
                before: String(data.messages.at(-1)!.id),
              })
            }
          >
            Earlier messages
          </ActionButton>
        )}
      </div>
    </Place>
  );
}
