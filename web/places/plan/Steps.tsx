import type { PlanStep, PlanView } from '@rocchetto/contract/plan.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { Checkbox } from 'antd';
import { useState } from 'react';
import { useTakePlanMutation } from '../../api/plan.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import { AddStep, StepForm } from './StepForm.tsx';

const canBeTaken = (s: PlanStep): boolean =>
  s.earliest !== null && !s.booked && !s.given && (s.does === 'meeting' || s.work.length > 0);
const days = (n: number) => `${n} ${Math.abs(n) === 1 ? 'day' : 'days'}`;
const counted = (n: number, one: string, more = `${one}s`) => `${n} ${n === 1 ? one : more}`;

/** The steps in their order, with both their days and why they take so long; those that are chosen are taken up. */
export function Steps({ id, plan, may }: { id: number; plan: PlanView; may: boolean }) {
  const [chosen, choose] = useState<readonly string[]>([]);
  const [open, setOpen] = useState('');
  const mayBook = useMay('diary.write') && may;
  const [take, taking] = useTakePlanMutation();
  const able = plan.steps.filter(canBeTaken);
  const picked = able.filter((s) => chosen.includes(s.id));
  const send = async () => {
    const done = await take({ id, ...accepted(plan, picked) });
    if ('data' in done) choose([]);
  };
  const meetings = picked.filter((s) => s.does === 'meeting').length;
  const work = picked.length - meetings;
  const words = [
    work > 0 && `give ${counted(work, 'piece')} of work`,
    meetings > 0 && `book ${counted(meetings, 'appointment')}`,
  ]
    .filter(Boolean)
    .join(' and ');
  return (
    <section aria-labelledby="plan-steps">
      <h2 id="plan-steps">Steps</h2>
      <div className="scroll">
        <Ledger className="plan-steps">
          <thead>
            <tr>
              {mayBook && (
                <th scope="col">
                  <Checkbox
                    aria-label="Choose all steps"
                    checked={able.length > 0 && picked.length === able.length}
                    indeterminate={picked.length > 0 && picked.length < able.length}
                    disabled={able.length === 0}
                    onChange={(e) => choose(e.target.checked ? able.map((s) => s.id) : [])}
                  />
                </th>
              )}
              <th scope="col">Step</th>
              <th scope="col">Time</th>
              <th scope="col">At the earliest</th>
              <th scope="col">Begin by</th>
              <th scope="col">To spare</th>
              {may && (
                <th scope="col">
                  <span className="hidden">do</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {plan.steps.map((s, i) => (
              <tr key={s.id} data-tight={s.tight || undefined}>
                {mayBook && (
                  <td>
                    {canBeTaken(s) && (
                      <Checkbox
                        aria-label={`Choose ${s.name}`}
                        checked={chosen.includes(s.id)}
                        onChange={(e) =>
                          choose(e.target.checked ? [...chosen, s.id] : chosen.filter((c) => c !== s.id))
                        }
                      />
                    )}
                  </td>
                )}
                <th scope="row">
                  <span className="soft">{i + 1}</span> {s.name}
                  {s.waits.map((w) => (
                    <div key={w} className="soft">
                      {w}
                    </div>
                  ))}
                </th>
                <td>
                  <Minutes step={s} />
                </td>
                <td data-as="earliest">
                  <Earliest step={s} />
                </td>
                <td data-as="begin by">
                  <By step={s} />
                </td>
                <td data-as="to spare">
                  <Spare step={s} />
                </td>
                {may && (
                  <td className="noprint">
                    <ActionButton
                      look="quiet"
                      aria-expanded={open === s.id}
                      aria-label={`Edit ${s.name}`}
                      onClick={() => setOpen(open === s.id ? '' : s.id)}
                    >
                      {open === s.id ? 'Close' : 'Edit'}
                    </ActionButton>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
      {plan.steps
        .filter((s) => s.id === open)
        .map((s) => (
          <StepForm key={s.id} id={id} plan={plan} step={s} onDone={() => setOpen('')} />
        ))}
      <Problem error={taking.error} />
      {mayBook && (
        <div className="row acts noprint">
          <ActionButton
            look="take"
            disabled={picked.length === 0 || taking.isLoading}
            onClick={() => void send()}
          >
            {picked.length === 0 ? 'Choose steps to take up' : words.charAt(0).toUpperCase() + words.slice(1)}
          </ActionButton>
          {meetings > 0 && (
            <span className="soft">The client is told of each appointment, as of any that is booked.</span>
          )}
        </div>
      )}
      {may && <AddStep id={id} plan={plan} />}
    </section>
  );
}

/** What is sent of the chosen steps, as they are seen. */
const accepted = (plan: PlanView, picked: readonly PlanStep[]) => ({
  stamp: plan.stamp,
  work: picked.flatMap((s) => s.work.map((w) => ({ ...w, step: s.id, what: s.name, makes: s.makes }))),
  meetings: picked
    .filter((s) => s.does === 'meeting')
    .map((s) => ({
      step: s.id,
      kind: s.kind!,
      minutes: s.minutes,
      slot: {
        day: s.earliest!.day,
        time: s.earliest!.time,
        staff: s.earliest!.staff.map((p) => p.id),
        roomId: s.earliest!.room?.id ?? null,
      },
    })),
});

function Minutes({ step: s }: { step: PlanStep }) {
  if (s.why.length === 0) return hoursWord(s.minutes);
  return (
    <details>
      <summary>{hoursWord(s.minutes)}</summary>
      <ul className="why">
        {s.why.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
    </details>
  );
}

function Earliest({ step: s }: { step: PlanStep }) {
  const { short } = useDays();
  if (!s.earliest) return <span className="tight">needs {s.skills}</span>;
  const { day, time, untilDay, staff, room } = s.earliest;
  const names = staff.map((p) => p.name).join(' and ');
  const when = s.given
    ? short(day)
    : s.does === 'meeting' || day === untilDay
      ? `${short(day)}, ${time}`
      : `${short(day)} to ${short(untilDay)}`;
  return (
    <>
      {when}
      <div className="soft">
        {s.booked ? 'booked, ' : s.given ? 'assigned, ' : ''}
        {names}
        {room ? `, ${room.name}` : ''}
      </div>
      {s.readyOn && <div className="tight">ready only on {short(s.readyOn)}</div>}
    </>
  );
}

function By({ step: s }: { step: PlanStep }) {
  const { short } = useDays();
  return s.latest ? short(s.latest.day) : <span className="soft">—</span>;
}

function Spare({ step: s }: { step: PlanStep }) {
  if (s.slackDays === null) return <span className="soft">—</span>;
  if (s.slackDays < 0) return <span className="tight">{days(-s.slackDays)} late</span>;
  return s.slackDays === 0 ? <span className="tight">none</span> : days(s.slackDays);
}
