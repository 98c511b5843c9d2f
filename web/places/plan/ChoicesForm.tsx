import type { PlanChoices, PlanView } from '@rocchetto/contract/plan.ts';
import { Checkbox, InputNumber, Select } from 'antd';
import { useId, useState } from 'react';
import { useChoosePlanMutation } from '../../api/plan.ts';
import { DateField } from '../../shared/DateField.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { problemOf } from '../../shared/problem-of.ts';

const CLOTH = { here: 'is here', comes: 'comes on a day', order: 'is still to be ordered' } as const;

/** The choices of this form, as they are kept. */
const chosenIn = ({ toile, fittings, once, fittingKind, cloth }: PlanChoices): string =>
  JSON.stringify([toile, fittings, once, fittingKind, cloth]);

/** How the work on this order goes: toile, fittings, one visit, cloth. What was struck or ticked off can be brought back. */
export function ChoicesForm({ id, plan, may }: { id: number; plan: PlanView; may: boolean }) {
  const field = useId();
  // What is being chosen stays through any other change of the plan; only another hand's choice of the same is asked about.
  const [mine, write] = useState<{ readonly more: Partial<PlanChoices>; readonly over: string } | null>(null);
  const c = { ...plan.choices, ...mine?.more };
  const [choose, { error, isLoading, reset }] = useChoosePlanMutation();
  const set = (more: Partial<PlanChoices>) =>
    write({ more: { ...mine?.more, ...more }, over: mine?.over ?? chosenIn(plan.choices) });
  const same = JSON.stringify(c) === JSON.stringify(plan.choices);
  const clash = mine !== null && mine.over !== chosenIn(plan.choices);
  const send = async (choices: PlanChoices) => {
    if ('data' in (await choose({ id, version: plan.version, choices }))) write(null);
  };
  return (
    <section aria-labelledby="plan-choices">
      <h2 id="plan-choices">How it is made</h2>
      {plan.usual && <p className="soft">As usual for such a garment; nobody has chosen yet.</p>}
      {clash || problemOf(error).status === 409 ? (
        <Notice tone="bad">
          Someone else just chose otherwise. Yours is still here and not saved; save it to put it over theirs.{' '}
          <ActionButton
            look="quiet"
            onClick={() => {
              reset();
              write(null);
            }}
          >
            Show theirs
          </ActionButton>
        </Notice>
      ) : (
        <Problem error={error} />
      )}
      <form
        className="plan-choices"
        onSubmit={(e) => {
          e.preventDefault();
          void send(c);
        }}
      >
        <fieldset disabled={!may}>
          <Checkbox
            checked={c.toile}
            disabled={!may || c.once}
            onChange={(e) => set({ toile: e.target.checked })}
          >
            With a toile
          </Checkbox>
          <Checkbox
            checked={c.once}
            disabled={!may}
            onChange={(e) => set({ once: e.target.checked, ...(e.target.checked ? { toile: false } : {}) })}
          >
            The client can come once
          </Checkbox>
          {!c.once && (
            <div>
              <label htmlFor={`${field}-f`}>Fittings, the last one not counted</label>
              <InputNumber
                id={`${field}-f`}
                min={1}
                max={6}
                precision={0}
                disabled={!may}
                value={c.fittings}
                onChange={(n) => set({ fittings: n ?? 1 })}
              />
            </div>
          )}
          <div>
            <label htmlFor={`${field}-k`}>Booked as</label>
            <Select
              id={`${field}-k`}
              disabled={!may}
              value={c.fittingKind}
              onChange={(fittingKind) => set({ fittingKind })}
              options={plan.fittingKinds.map((k) => ({ value: k.id, label: k.name }))}
            />
          </div>
          <div>
            <label htmlFor={`${field}-c`}>The cloth</label>
            <Select
              id={`${field}-c`}
              disabled={!may}
              value={c.cloth.state}
              onChange={(state) => set({ cloth: { state, on: state === 'comes' ? c.cloth.on : null } })}
              options={Object.entries(CLOTH).map(([value, label]) => ({
                value: value as keyof typeof CLOTH,
                label,
              }))}
            />
          </div>
          {c.cloth.state === 'comes' && (
            <div>
              <label htmlFor={`${field}-d`}>It comes on</label>
              <DateField
                id={`${field}-d`}
                value={c.cloth.on ?? ''}
                onChange={(on) => set({ cloth: { state: 'comes', on: on || null } })}
              />
            </div>
          )}
        </fieldset>
        {may && (
          <ActionButton look="take" type="submit" disabled={same || isLoading}>
            Save choices
          </ActionButton>
        )}
      </form>
      {plan.left.length > 0 && (
        <>
          <h3>Left out</h3>
          <ul className="bare">
            {plan.left.map((b) => (
              <li key={b.id}>
                {b.name}, {b.says}{' '}
                {may && (
                  <ActionButton
                    look="quiet"
                    busy={isLoading}
                    aria-label={`Bring back ${b.name}`}
                    onClick={() =>
                      void send({
                        ...plan.choices,
                        own: plan.choices.own.filter((o) => o.id !== b.id || o.minutes !== null),
                        done: plan.choices.done.filter((d) => d.step !== b.id),
                      })
                    }
                  >
                    Bring back
                  </ActionButton>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
