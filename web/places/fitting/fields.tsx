import type { SheetUnit } from '@rocchetto/core';
import { parsedHint } from '../../shared/parsed-hint.ts';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

interface TextProps {
  readonly id: string;
  readonly label: string;
  readonly value: string;
  /** the unit of a length when none is written */
  readonly unit?: SheetUnit;
  readonly on: (text: string) => void;
}

/** One field of a change; a length says how it was understood. */
export function Text({ id, label, value, unit, on }: TextProps) {
  const said = unit ? parsedHint(value, unit) : '';
  return (
    <div>
      <label htmlFor={`alter-${id}`}>
        {label}
        {unit ? `, ${unit}` : ''}
      </label>
      <TextField
        id={`alter-${id}`}
        autoComplete="off"
        maxLength={500}
        value={value}
        onChange={(e) => on(e.target.value)}
      />
      {said && (
        <div className="soft understood-length" aria-live="polite">
          {said}
        </div>
      )}
    </div>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly options: readonly (readonly [T, string])[];
  readonly chosen: T;
  readonly onChoose: (v: T) => void;
}

/** One of a few words. */
export function Choice<T extends string>({ label, options, chosen, onChoose }: ChoiceProps<T>) {
  return (
    <fieldset className="row choice">
      <legend className="hidden">{label}</legend>
      <span className="soft" aria-hidden="true">
        {label}
      </span>
      {options.map(([id, word]) => (
        <ActionButton look="ask" key={id} aria-pressed={chosen === id} onClick={() => onChoose(id)}>
          {word}
        </ActionButton>
      ))}
    </fieldset>
  );
}
