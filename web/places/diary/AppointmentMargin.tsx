import type { AppointmentView, BenchWork, DiaryHouse } from '@rocchetto/contract';
import { type AppointmentStatus, NEEDS, NEXT, statusWord } from '@rocchetto/core';
import { useState } from 'react';
import { Link } from 'react-router';
import {
  useCloseClientPageMutation,
  useReadyAppointmentMutation,
  useStepAppointmentMutation,
} from '../../api/diary.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { offerUndo } from '../../shared/undo.ts';
import { promisedWords } from './lacks.ts';
import { Noted } from './Noted.tsx';

const STEP: Record<AppointmentStatus, string> = {
  offered: 'Offer times',
  confirmed: 'Undo',
  arrived: 'Mark arrived',
  done: 'Mark done',
  cancelled: 'Cancel appointment',
  'did-not-come': 'Mark missed',
};

interface Props {
  readonly appointment: AppointmentView;
  readonly house: DiaryHouse;
  readonly bench: readonly BenchWork[];
}

/** How an appointment stands, what it needs, and what can be said of it next. */
export function AppointmentMargin({ appointment: a, house, bench }: Props) {
  const [step, stepping] = useStepAppointmentMutation();
  const [ready, readying] = useReadyAppointmentMutation();
  const mayWrite = useMay('diary.write');
  const mayReady = useMay('diary.ready');
  const { short } = useDays();
  const [cancelling, setCancelling] = useState(false);
  const [reason, setReason] = useState('');
  const kind = house.kinds.find((k) => k.id === a.kind);
  const slot = a.slots.find((s) => s.state === 'taken');
  const offered = a.slots.filter((s) => s.state === 'offered');
  const left = a.slots.filter((s) => s.state === 'left');
  const names = (ids: readonly number[]) =>
    ids.map((id) => house.staff.find((s) => s.id === id)?.name ?? 'someone who left').join(', ');
  const room = (id: number | null) =>
    id === null ? '' : (house.rooms.find((r) => r.id === id)?.name ?? 'a room no longer used');
  const say = async (status: AppointmentStatus, more: { slotId?: number; reason?: string } = {}) => {
    const done = await step({ id: a.id, version: a.version, status, ...more });
    const before = a.status;
    if ('data' in done && done.data && NEXT[status].includes(before)) {
      const { version } = done.data;
      offerUndo({
        says: `${a.clientName}: ${statusWord(status, '')}.`,
        undo: () => step({ id: a.id, version, status: before }),
      });
    }
    return done;
  };
  const plain = NEXT[a.status].filter(
    (s) => s !== 'cancelled' && !(a.status === 'offered' && s === 'confirmed'),
  );
  return (
    <section aria-label="Appointment">
      <h2>
        {slot ? `${slot.from}–${slot.to}, ` : ''}
        {kind?.name ?? a.kind}
      </h2>
      <Problem error={stepping.error ?? readying.error} />
      <Facts
        facts={[
          [
            'Client',
            <Link key="c" to={`/clients/${a.clientId}`}>
              {a.clientName}
            </Link>,
          ],
          a.orderId !== null && [
            'Order',
            <Link key="o" to={`/orders/${a.orderId}`}>
              {a.orderNumber} {a.what}
            </Link>,
          ],
          a.orderId !== null &&
            house.kinds.find((k) => k.id === a.kind)?.at === 'mirror' && [
              'At the mirror',
              <Link key="f" to={`/orders/${a.orderId}/fitting?a=${a.id}`}>
                Open the fitting
              </Link>,
            ],
          slot && ['With', names(slot.staff)],
          slot && ['Room', room(slot.roomId)],
          ['Status', statusWord(a.status, a.answer)],
        ]}
      />
      <Noted key={a.version} appointment={a} />
      {a.answer === 'yes' && a.status === 'confirmed' && (
        <p className="agreed">
          ✓ {a.answeredBy ? `The client accepted; entered by ${a.answeredBy}.` : 'The client accepted.'}
        </p>
      )}
      {a.answer === 'another-time' && (
        <p className="pending">
          {a.answeredBy
            ? `The client asks for another time; entered by ${a.answeredBy}`
            : 'The client asks for another time'}
          {a.answerWords ? `: “${a.answerWords}”` : '.'}
        </p>
      )}
      {kind?.need && (a.status === 'confirmed' || a.status === 'offered') && (
        <p className={a.readyAt ? 'agreed' : 'pending'}>
          {a.readyAt
            ? `✓ ${NEEDS[kind.need]}, since ${short(a.readyAt)}. `
            : `Needs ${NEEDS[kind.need]}${promisedWords(house, a, bench, short)}. `}
          {mayReady && (
            <ActionButton
              look="quiet"
              onClick={() => void ready({ id: a.id, version: a.version, ready: !a.readyAt })}
            >
              {a.readyAt ? 'Undo ready' : 'Mark ready'}
            </ActionButton>
          )}
        </p>
      )}
      {offered.length > 0 && (
        <>
          <p>Offered{a.heldUntil && `, held until ${short(a.heldUntil)}`}:</p>
          <ul className="why">
            {offered.map((s) => (
              <li key={s.id}>
                {short(s.day)}, {s.from} with {names(s.staff)}{' '}
                {mayWrite && (
                  <ActionButton look="quiet" onClick={() => void say('confirmed', { slotId: s.id })}>
                    Choose
                  </ActionButton>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
      {mayWrite && (
        <div className="row acts">
          {plain.map((s) => (
            <ActionButton
              look={s === 'arrived' || s === 'done' ? 'take' : 'plain'}
              key={s}
              onClick={() => void say(s)}
            >
              {s === 'confirmed' ? `Undo ${statusWord(a.status, '')}` : STEP[s]}
            </ActionButton>
          ))}
          {(a.status === 'confirmed' || a.status === 'offered') && (
            <Link className="plain" to={`/diary/book?moving=${a.id}`}>
              Find another time
            </Link>
          )}
          {NEXT[a.status].includes('cancelled') && !cancelling && (
            <ActionButton look="quiet" onClick={() => setCancelling(true)}>
              Cancel appointment …
            </ActionButton>
          )}
        </div>
      )}
      {cancelling && (
        <form
          className="stack"
          onSubmit={async (e) => {
            e.preventDefault();
            if ('data' in (await say('cancelled', { reason: reason.trim() }))) setCancelling(false);
          }}
        >
          <label htmlFor="cancel-reason">Reason for cancelling</label>
          <TextField
            id="cancel-reason"
            value={reason}
            maxLength={500}
            onChange={(e) => setReason(e.target.value)}
          />
          <div className="row">
            <ActionButton look="take" type="submit">
              Cancel appointment
            </ActionButton>
            <ActionButton look="quiet" onClick={() => setCancelling(false)}>
              Keep appointment
            </ActionButton>
          </div>
        </form>
      )}
      <p className="soft">
        <a href={`/api/appointments/${a.id}/appointment.ics`} download>
          Download calendar file
        </a>
        {mayWrite && (
          <>
            {' '}
            · <Link to={`/messages?appointment=${a.id}`}>Messages to the client</Link>
            {(a.status === 'confirmed' || a.status === 'offered') && <ClosePage id={a.id} />}
          </>
        )}
      </p>
      {left.length > 0 && (
        <>
          <h3>History</h3>
          <ul className="why">
            {left.map((s) => (
              <li key={s.id}>
                {short(s.day)}, {s.from}: {s.reason || 'left'}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** Ends the page that the client was sent: a link that went to the wrong person opens nothing any more. */
function ClosePage({ id }: { id: number }) {
  const [close, { data, error, isLoading }] = useCloseClientPageMutation();
  return (
    <>
      {' · '}
      {data ? (
        <span role="status">{data.ended > 0 ? 'The client’s page is closed' : 'No page was open'}</span>
      ) : (
        <ActionButton look="quiet" busy={isLoading} onClick={() => void close(id)}>
          Close the client’s page
        </ActionButton>
      )}
      <Problem error={error} />
    </>
  );
}
