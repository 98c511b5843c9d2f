import { nameOfTried, type WhatIf } from '@rocchetto/contract/what-if.ts';
import type { SheetUnit } from '@rocchetto/core';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { LengthInput } from '../../shared/LengthInput.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton, SelectField, TextField } from '../../shared/pieces.tsx';
import type { Tryable } from './tries.ts';

interface Props {
  readonly all: readonly Tryable[];
  readonly tried: readonly WhatIf[];
  /** by name, why a change cannot be tried */
  readonly refused: Readonly<Record<string, string>>;
  /** by name, what the tape would ask of a reading */
  readonly doubts: Readonly<Record<string, string>>;
  readonly unit: SheetUnit;
  readonly onTry: (tried: readonly WhatIf[]) => void;
}

/** What is tried: one line a change, as it is and as it would be. */
export function Tries({ all, tried, refused, doubts, unit, onTry }: Props) {
  const names = tried.map(nameOfTried);
  const write = (i: number, value: string) => onTry(tried.map((t, k) => (k === i ? { ...t, value } : t)));
  return (
    <section aria-label="What is tried" className="tries">
      {tried.map((t, i) => {
        const name = names[i]!;
        const one = all.find((a) => a.name === name);
        if (!one) return null;
        const id = `try-${name}`;
        return (
          <div key={name} className="try">
            <label htmlFor={id}>{one.label}</label>
            <span className="soft">{one.now ? `now ${one.now}` : 'not read yet'}</span>
            <span>
              {one.choices ? (
                <SelectField id={id} value={t.value} onChange={(e) => write(i, e.target.value)}>
                  <option value="">as now</option>
                  {one.choices.map((c) => (
                    <option key={c.value} value={c.value}>
                      {c.label}
                    </option>
                  ))}
                </SelectField>
              ) : one.what === 'cloth' && one.of !== 'width' ? (
                <TextField
                  id={id}
                  inputMode="decimal"
                  autoComplete="off"
                  value={t.value}
                  onChange={(e) => write(i, e.target.value)}
                />
              ) : (
                <LengthInput
                  id={id}
                  unit={unit}
                  autoComplete="off"
                  placeholder={unit === 'in' ? 'inches' : 'centimetres'}
                  value={t.value}
                  onChange={(e) => write(i, e.target.value)}
                />
              )}
            </span>
            <ActionButton look="quiet" onClick={() => onTry(tried.filter((_, k) => k !== i))}>
              Remove<span className="hidden"> {one.label}</span>
            </ActionButton>
            {refused[name] && <Notice tone="bad">{refused[name]}</Notice>}
            {doubts[name] && <Notice>{doubts[name]}</Notice>}
          </div>
        );
      })}
      <div className="row">
        <ChoiceByTyping
          aria-label="Add something to try"
          placeholder="Add something to try"
          style={{ width: 360 }}
          value={null}
          onChange={(name) => {
            const one = all.find((a) => a.name === name)!;
            onTry([...tried, { what: one.what, of: one.of, value: '' }]);
            // The field of what was chosen is where the hand goes on.
            requestAnimationFrame(() => document.getElementById(`try-${name}`)?.focus());
          }}
          options={all.filter((a) => !names.includes(a.name)).map((a) => ({ value: a.name, label: a.label }))}
        />
        {tried.length > 0 && (
          <ActionButton look="quiet" onClick={() => onTry([])}>
            Remove all changes
          </ActionButton>
        )}
      </div>
    </section>
  );
}
