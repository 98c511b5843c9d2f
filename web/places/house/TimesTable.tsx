import type { HouseBench } from '@rocchetto/contract';
import {
  TIMES,
  timeKept,
  timeRead,
  WAITS,
  type Wait,
  WORK_STEPS,
  type WorkStep,
} from '@rocchetto/core/plan/times.ts';
import { InputNumber } from 'antd';
import { useState } from 'react';
import { usePlanPastQuery } from '../../api/plan.ts';
import { useMe } from '../../shared/me.ts';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import { EditActs } from './EditActs.tsx';

type Own = Pick<HouseBench, 'times' | 'waits'>;

/** What the house reckons for each step of a garment, and the days that are nobody's work: what plans are made with. */
export function TimesTable({
  own,
  busy,
  onKeep,
}: {
  own: Own;
  busy: boolean;
  /** null for who may not change them; true once it is kept */
  onKeep: ((own: Own) => Promise<boolean>) | null;
}) {
  const { unit } = useMe();
  const [written, write] = useState<Own | null>(null);
  const shown = written ?? own;
  const { data: past = [] } = usePlanPastQuery(undefined, { skip: !onKeep });
  /** Every line of a step by what its times really were, in fives of a minute where they are long. */
  const correct = (step: string, by: number) => ({
    ...own,
    times: {
      ...own.times,
      ...Object.fromEntries(
        TIMES.filter((t) => t.step === step).map((t) => [
          t.id,
          Math.round((own.times[t.id] ?? t.minutes) * by * 10) / 10,
        ]),
      ),
    },
  });
  const steps = Object.keys(WORK_STEPS) as WorkStep[];
  const set = <K extends string>(of: Partial<Record<K, number>>, id: K, n: number | null) => {
    const { [id]: _, ...rest } = of;
    return (n === null ? rest : { ...rest, [id]: n }) as Record<K, number>;
  };
  return (
    <>
      <h2>Times of a plan</h2>
      <p className="soft">
        An order’s plan multiplies these by what its sheet has. Those of a boned gown are common practice: 6
        to 7 hours to its first fitting and 2 to 3 after it. All others are guesses to begin with; put them
        right as you learn them.
      </p>
      {onKeep && (
        <EditActs
          what="times of a plan"
          editing={written !== null}
          busy={busy}
          onEdit={() => write(own)}
          onSave={async () => {
            if (await onKeep(shown)) write(null);
          }}
          onCancel={() => write(null)}
        />
      )}
      {past.length > 0 && (
        <>
          <h3>By what was ticked off</h3>
          <ul>
            {past.map((p) => (
              <li key={p.step}>
                {p.name}: usually {p.median.toFixed(2)} of its time, 8 in 10 between {p.low.toFixed(2)} and{' '}
                {p.high.toFixed(2)}, {p.cases} times.{' '}
                {onKeep && written === null && Math.abs(p.median - 1) >= 0.05 && (
                  <ActionButton
                    look="quiet"
                    busy={busy}
                    onClick={() => void onKeep(correct(p.step, p.median))}
                  >
                    Correct the times of “{p.name}”
                  </ActionButton>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="scroll">
        <Ledger className="rules figures">
          <thead>
            <tr>
              <th scope="col">Work</th>
              <th scope="col">Minutes</th>
              <th scope="col">Usual</th>
              <th scope="col">For each</th>
            </tr>
          </thead>
          <tbody>
            {steps.flatMap((step) =>
              TIMES.filter((t) => t.step === step).map((t) => {
                const usual = timeRead(t, t.minutes, unit);
                const read = (of: Own) => {
                  const minutes = of.times[t.id];
                  return minutes === undefined ? null : timeRead(t, minutes, unit).minutes;
                };
                return (
                  <tr key={t.id}>
                    <th scope="row">{usual.name}</th>
                    <td>
                      {written ? (
                        <InputNumber
                          aria-label={`${usual.name}: minutes`}
                          min={0}
                          max={2880}
                          placeholder={String(usual.minutes)}
                          value={read(written)}
                          onChange={(n) =>
                            write({
                              ...written,
                              times: set(written.times, t.id, n === null ? null : timeKept(t, n, unit)),
                            })
                          }
                        />
                      ) : (
                        <strong>{read(shown)}</strong>
                      )}
                    </td>
                    <td className="soft">{usual.minutes}</td>
                    <td className="soft">{usual.per || 'garment'}</td>
                  </tr>
                );
              }),
            )}
          </tbody>
        </Ledger>
      </div>
      <div className="scroll">
        <Ledger className="rules figures">
          <thead>
            <tr>
              <th scope="col">Waiting</th>
              <th scope="col">Days</th>
              <th scope="col">Usual</th>
            </tr>
          </thead>
          <tbody>
            {(Object.keys(WAITS) as Wait[]).map((id) => (
              <tr key={id}>
                <th scope="row">{WAITS[id].name}</th>
                <td>
                  {written ? (
                    <InputNumber
                      aria-label={`${WAITS[id].name}: days`}
                      min={0}
                      max={365}
                      precision={0}
                      placeholder={String(WAITS[id].days)}
                      value={written.waits[id] ?? null}
                      onChange={(n) => write({ ...written, waits: set<Wait>(written.waits, id, n) })}
                    />
                  ) : (
                    <strong>{shown.waits[id] ?? ''}</strong>
                  )}
                </td>
                <td className="soft">{WAITS[id].days}</td>
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
    </>
  );
}
