import type { Hours } from '@rocchetto/core';
import { readHours, WEEKDAYS } from '@rocchetto/core';
import { Input } from 'antd';
import { useState } from 'react';

interface Props {
  readonly label: string;
  readonly hours: readonly Hours[];
  readonly onChange: (hours: readonly Hours[]) => void;
  readonly empty: string;
}

/** Hours of a week, a line for each day as one writes them. What cannot be read is told beside it and not taken. */
export function HoursField({ label, hours, onChange, empty }: Props) {
  const [typed, setTyped] = useState(() =>
    WEEKDAYS.map((_, i) =>
      hours
        .filter((h) => h.weekday === i + 1)
        .map((h) => `${h.from}–${h.to}`)
        .join(', '),
    ),
  );
  const set = (i: number, text: string) => {
    const next = typed.map((t, k) => (k === i ? text : t));
    setTyped(next);
    onChange(next.flatMap((t, k) => (readHours(t) ?? []).map((h) => ({ weekday: k + 1, ...h }))));
  };
  return (
    <fieldset className="hours">
      <legend>{label}</legend>
      {WEEKDAYS.map((day, i) => (
        <div key={day} className="row">
          <label htmlFor={`${label}-${day}`}>{day}</label>
          <Input
            id={`${label}-${day}`}
            value={typed[i]!}
            placeholder={i < 5 ? '9–12:30, 13:30–18' : 'off'}
            autoComplete="off"
            onChange={(e) => set(i, e.target.value)}
          />
          {readHours(typed[i]!) === null && (
            <span className="wrong" role="status">
              e.g. 9–12:30, 13:30–18
            </span>
          )}
        </div>
      ))}
      <p className="soft">{empty}</p>
    </fieldset>
  );
}
