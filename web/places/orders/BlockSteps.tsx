import type { PartWire, StepsWire } from '@rocchetto/contract';
import { partFor, STEPS, type StepId, withUnit } from '@rocchetto/core';
import { inHand } from '@rocchetto/core/units/in-hand.ts';
import { Select } from 'antd';
import { useState } from 'react';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { choiceOf, stepInWords } from './step-words.ts';

/** Steps of a brief after its parts have changed: those of parts that are still there, by their new place. */
export const stepsAfter = (
  steps: StepsWire,
  before: readonly { readonly part: string }[],
  after: readonly { readonly part: string }[],
): StepsWire =>
  steps.flatMap((s) => {
    const part = after.findIndex((p) => p.part === before[s.part]?.part);
    return part < 0 ? [] : [{ ...s, part }];
  });

/** How the block is adapted: steps by name with their amounts, in order, each taken back by itself. */
export function BlockSteps({
  steps,
  parts,
  unit,
  disabled,
  onChange,
}: {
  steps: StepsWire;
  parts: readonly PartWire[];
  unit: 'cm' | 'in';
  disabled: boolean;
  onChange: (steps: StepsWire) => void;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [amount, setAmount] = useState('');
  const [to, setTo] = useState('');
  const offered = parts.flatMap((p, index) =>
    (partFor(p.part).adapts ?? []).map((step) => ({
      value: `${index} ${step}`,
      label: `${partFor(p.part).name}: ${STEPS[step].name}`,
    })),
  );
  if (offered.length === 0 && steps.length === 0) return null;
  const [index, step] = (chosen?.split(' ') ?? []) as [string?, StepId?];
  const part = index === undefined ? undefined : parts[Number(index)];
  const { amount: asks = null } = step ? STEPS[step] : {};
  const choices = step ? choiceOf(part, step) : [];
  const text = asks ? withUnit(amount || inHand(asks.usual, unit), unit) : null;
  const ready = step !== undefined && (asks ? text !== null : to !== '');
  const add = () => {
    if (!ready || !step) return;
    onChange([...steps, { step, part: Number(index), amount: text, to: asks ? '' : to }]);
    setChosen(null);
    setAmount('');
    setTo('');
  };
  return (
    <section aria-label="Adapting the block" className="further">
      <h2>Adapting the block</h2>
      {steps.length === 0 ? (
        <p className="soft">
          The block as the measurements draw it. Each step changes it by a named amount and can be removed on
          its own.
        </p>
      ) : (
        <ol className="why">
          {steps.map((s, i) => (
            <li key={i}>
              {stepInWords(s, parts)}{' '}
              {!disabled && (
                <button
                  type="button"
                  className="quiet"
                  aria-label={`Remove step ${i + 1}, ${STEPS[s.step].name}`}
                  onClick={() => onChange(steps.filter((_, k) => k !== i))}
                >
                  Remove
                </button>
              )}
            </li>
          ))}
        </ol>
      )}
      {!disabled && (
        <div className="row">
          <Select
            aria-label="Step"
            className="wide-select"
            placeholder="Choose a step …"
            listHeight={360}
            value={chosen}
            onChange={(v: string | null) => setChosen(v)}
            options={offered}
          />
          {asks && (
            <div>
              <LengthInput
                aria-label={`${STEPS[step!].name} ${asks.label}`}
                unit={unit}
                placeholder={inHand(asks.usual, unit)}
                value={amount}
                onChange={(e) => setAmount(e.target.value)}
                onPressEnter={(e) => {
                  e.preventDefault();
                  add();
                }}
              />
            </div>
          )}
          {step && !asks && (
            <Select
              aria-label="Where to"
              className="wide-select"
              placeholder="Choose where …"
              value={to || null}
              onChange={(v: string) => setTo(v)}
              options={choices.map((o) => ({ value: o.value, label: o.label }))}
            />
          )}
          {step && (
            <button type="button" className="plain" disabled={!ready} onClick={add}>
              Add step
            </button>
          )}
        </div>
      )}
    </section>
  );
}
