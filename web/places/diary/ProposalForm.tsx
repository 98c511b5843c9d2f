import type { AppointmentView, DiaryHouse, Problem as Refused, TimeView } from '@rocchetto/contract';
import { useState } from 'react';
import { useMoveAppointmentMutation } from '../../api/diary.ts';
import { turnAt, useClock } from '../../shared/clock.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import type { Proposal } from './threads.ts';

interface Props {
  readonly proposal: Proposal;
  readonly day: string;
  readonly house: DiaryHouse;
  readonly hindrance: string;
  readonly onDone: (a: AppointmentView | null) => void;
  readonly onInstead: (t: TimeView) => void;
}

/** A move that was drawn but not made: what stands in its way, its reason, and the word that makes it. */
export function ProposalForm({ proposal: p, day, house, hindrance, onDone, onInstead }: Props) {
  const clock = useClock();
  const [move, moving] = useMoveAppointmentMutation();
  const [reason, setReason] = useState('');
  const refused: Refused | null = moving.error ? problemOf(moving.error) : null;
  const instead = (refused?.instead ?? []) as readonly TimeView[];
  const turn = turnAt(clock, p.start);
  const who = p.staff.map((id) => house.staff.find((s) => s.id === id)?.name).join(', ');
  return (
    <form
      className="stack"
      aria-label="Move appointment"
      onSubmit={async (e) => {
        e.preventDefault();
        const done = await move({
          id: p.appointment.id,
          version: p.appointment.version,
          slot: {
            day,
            time: clock(p.start),
            ...(turn ? { turn } : {}),
            staff: [...p.staff],
            roomId: p.roomId,
          },
          reason: reason.trim(),
        });
        if ('data' in done && done.data) onDone(done.data);
      }}
    >
      <h2>
        To {clock(p.start)}
        {turn && ` (the ${turn} time the clocks show it)`}, {who}?
      </h2>
      {hindrance && <Notice>{hindrance}</Notice>}
      {refused?.code === 'taken' ? (
        <Notice tone="bad">{refused.detail}</Notice>
      ) : (
        <Problem error={moving.error} />
      )}
      {instead.length > 0 && (
        <ul className="why">
          {instead.map((t) => (
            <li key={t.start}>
              <ActionButton look="quiet" onClick={() => onInstead(t)}>
                {t.day === day ? '' : `${t.day}, `}
                {t.time} to {t.to}
              </ActionButton>
            </li>
          ))}
        </ul>
      )}
      <label htmlFor="move-reason">Reason for moving</label>
      <TextField
        id="move-reason"
        value={reason}
        maxLength={500}
        onChange={(e) => setReason(e.target.value)}
      />
      <div className="row">
        <ActionButton look="take" type="submit" disabled={hindrance !== '' || moving.isLoading}>
          Move appointment
        </ActionButton>
        <ActionButton look="quiet" onClick={() => onDone(null)}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}
