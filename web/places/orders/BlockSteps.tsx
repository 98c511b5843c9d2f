import { type PartWire, parseLength, type StepsWire } from '@rocchetto/contract';
import { partFor, STEPS, type StepId, withUnit } from '@rocchetto/core';
import { inHand } from '@rocchetto/core/units/in-hand.ts';
import { Select } from 'antd';
import { useState } from 'react';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
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

/** What is being written about a step: a new one, or the one of this place in the list. */
interface Writing {
  readonly at: number | null;
  /** its part and step, "0 neck-deeper"; null while none is chosen */
  readonly chosen: string | null;
  readonly amount: string;
  readonly to: string;
}
const NOTHING: Writing = { at: null, chosen: null, amount: '', to: '' };

/** The bounds of a step's amount as a hand of this unit writes them. */
const bounds = (step: StepId, unit: 'cm' | 'in') => {
  const { min, max } = STEPS[step].amount!;
  const said = (n: number) => (n < 0 ? '−' : '') + inHand(`${Math.abs(n)} cm`, unit);
  return `${said(min)} to ${said(max)}`;
};

/** What is wrong with a step as it is typed; null while it can be added. */
function wrongOf(step: StepId, text: string | null, unit: 'cm' | 'in'): string | null {
  const { amount } = STEPS[step];
  if (!amount || text === null) return null;
  const read = parseLength(text);
  if (!read.ok) return read.sentence;
  return read.cm < amount.min || read.cm > amount.max ? `It takes ${bounds(step, unit)}.` : null;
}

interface Props {
  readonly steps: StepsWire;
  readonly parts: readonly PartWire[];
  readonly unit: 'cm' | 'in';
  readonly disabled: boolean;
  readonly onChange: (steps: StepsWire) => void;
}
/** How the block is adapted: steps by name with their amounts, in order, each changed, moved or taken back by itself. */
export function BlockSteps({ steps, parts, unit, disabled, onChange }: Props) {
  const [writing, setWriting] = useState<Writing>(NOTHING);
  const offered = parts.flatMap((p, index) =>
    (partFor(p.part).adapts ?? []).map((step) => ({
      value: `${index} ${step}`,
      label: `${partFor(p.part).name}: ${STEPS[step].name}`,
    })),
  );
  if (offered.length === 0 && steps.length === 0) return null;
  const change = (next: StepsWire) => {
    setWriting(NOTHING);
    onChange(next);
  };
  return (
    <section aria-label="Adapting the block" className="further">
      <h2>Adapting the block</h2>
      {steps.length === 0 ? (
        <p className="soft">
          The block as the measurements draw it. Each step changes it by a named amount and can be changed,
          moved or removed on its own.
        </p>
      ) : (
        <ol className="why">
          {steps.map((s, i) => (
            <li key={i}>
              {stepInWords(s, parts)}{' '}
              {!disabled && (
                <StepKeys
                  named={`step ${i + 1}, ${STEPS[s.step].name}`}
                  onUp={i === 0 ? undefined : () => change(swapped(steps, i - 1))}
                  onDown={i === steps.length - 1 ? undefined : () => change(swapped(steps, i))}
                  onEdit={() =>
                    setWriting({ at: i, chosen: `${s.part} ${s.step}`, amount: s.amount ?? '', to: s.to })
                  }
                  onRemove={() => change(steps.filter((_, k) => k !== i))}
                />
              )}
            </li>
          ))}
        </ol>
      )}
      {!disabled && (
        <WriteStep
          writing={writing}
          parts={parts}
          unit={unit}
          offered={offered}
          onWrite={setWriting}
          onDone={(step) =>
            change(
              writing.at === null ? [...steps, step] : steps.map((s, i) => (i === writing.at ? step : s)),
            )
          }
        />
      )}
    </section>
  );
}

/** The steps with those at i and after it in each other's place. */
const swapped = (steps: StepsWire, i: number): StepsWire =>
  steps.map((s, k) => (k === i ? steps[i + 1]! : k === i + 1 ? steps[i]! : s));

interface KeysProps {
  readonly named: string;
  readonly onUp: (() => void) | undefined;
  readonly onDown: (() => void) | undefined;
  readonly onEdit: () => void;
  readonly onRemove: () => void;
}
function StepKeys({ named, onUp, onDown, onEdit, onRemove }: KeysProps) {
  const key = (word: string, says: string, go: (() => void) | undefined) =>
    go && (
      <ActionButton look="quiet" aria-label={`${says} ${named}`} onClick={go}>
        {word}
      </ActionButton>
    );
  return (
    <span className="step-keys">
      {key('Change', 'Change', onEdit)} {key('Earlier', 'Move earlier', onUp)}{' '}
      {key('Later', 'Move later', onDown)} {key('Remove', 'Remove', onRemove)}
    </span>
  );
}

interface WriteProps {
  readonly writing: Writing;
  readonly parts: readonly PartWire[];
  readonly unit: 'cm' | 'in';
  readonly offered: readonly { readonly value: string; readonly label: string }[];
  readonly onWrite: (w: Writing) => void;
  readonly onDone: (step: StepsWire[number]) => void;
}
/** The fields of a step: which, by how much or where to, with its limits while it is typed. */
function WriteStep({ writing, parts, unit, offered, onWrite, onDone }: WriteProps) {
  const { at, chosen, amount, to } = writing;
  const [index, step] = (chosen?.split(' ') ?? []) as [string?, StepId?];
  const part = index === undefined ? undefined : parts[Number(index)];
  const { amount: asks = null } = step ? STEPS[step] : {};
  const choices = step ? choiceOf(part, step) : [];
  const text = asks ? withUnit(amount || inHand(asks.usual, unit), unit) : null;
  const wrong = step ? wrongOf(step, text, unit) : null;
  const ready = step !== undefined && wrong === null && (asks ? text !== null : to !== '');
  const add = () => {
    if (ready && step) onDone({ step, part: Number(index), amount: text, to: asks ? '' : to });
  };
  return (
    <div className="row">
      <Select
        aria-label="Step"
        className="wide-select"
        placeholder="Choose a step …"
        listHeight={360}
        value={chosen}
        onChange={(v: string | null) => onWrite({ at, chosen: v, amount: '', to: '' })}
        options={[...offered]}
      />
      {asks && (
        <div>
          <LengthInput
            aria-label={`${STEPS[step!].name} ${asks.label}`}
            unit={unit}
            placeholder={inHand(asks.usual, unit)}
            value={amount}
            onChange={(e) => onWrite({ ...writing, amount: e.target.value })}
            onPressEnter={(e) => {
              e.preventDefault();
              add();
            }}
          />
          <div className={wrong ? 'wrong-word' : 'soft'} role={wrong ? 'alert' : undefined}>
            {wrong ?? bounds(step!, unit)}
          </div>
        </div>
      )}
      {step && !asks && (
        <Select
          aria-label="Where to"
          className="wide-select"
          placeholder="Choose where …"
          value={to || null}
          onChange={(v: string) => onWrite({ ...writing, to: v })}
          options={choices.map((o) => ({ value: o.value, label: o.label }))}
        />
      )}
      {step && (
        <ActionButton look="plain" disabled={!ready} onClick={add}>
          {at === null ? 'Add step' : 'Save step'}
        </ActionButton>
      )}
      {at !== null && (
        <ActionButton look="quiet" onClick={() => onWrite(NOTHING)}>
          Cancel
        </ActionButton>
      )}
    </div>
  );
}
