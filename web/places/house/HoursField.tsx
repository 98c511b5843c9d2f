import type { Hours } from '@rocchetto/core';
import { readHours, WEEKDAYS } from '@rocchetto/core';
import { Input } from 'antd';
import { useState } from 'react';
import { useMe } from '../../shared/me.ts';

interface Props {
  readonly label: string;
  readonly hours: readonly Hours[];
  /** null while something typed can't be read: nothing is saved then */
  readonly onChange: (hours: readonly Hours[] | null) => void;
  readonly empty: string;
}

const LONG = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** Hours of a week, a line for each day as one writes them. What can't be read is said beside it, and the form can't be saved. */
export function HoursField({ label, hours, onChange, empty }: Props) {
  const { weekStarts } = useMe();
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
    const read = next.map(readHours);
    onChange(
      read.some((r) => r === null)
        ? null
        : read.flatMap((day, k) => day!.map((h) => ({ weekday: k + 1, ...h }))),
    );
  };
  const order = WEEKDAYS.map((_, i) => (i + weekStarts - 1) % 7);
  return (
    <fieldset className="hours">
      <legend>{label}</legend>
      {order.map((i) => {
        const unread = readHours(typed[i]!) === null;
        return (
          <div key={WEEKDAYS[i]} className="row">
            <label htmlFor={`${label}-${WEEKDAYS[i]}`}>{WEEKDAYS[i]}</label>
            <Input
              id={`${label}-${WEEKDAYS[i]}`}
              value={typed[i]!}
              placeholder={i < 5 ? 'e.g. 9–12:30, 13:30–18' : 'off'}
              autoComplete="off"
              aria-invalid={unread}
              aria-describedby={unread ? `${label}-${WEEKDAYS[i]}-wrong` : undefined}
              onChange={(e) => set(i, e.target.value)}
            />
            {unread && (
              <span id={`${label}-${WEEKDAYS[i]}-wrong`} className="wrong" role="status">
                “{typed[i]}” can’t be read. {LONG[i]}’s hours are unchanged. Type 10:00–18:00.
              </span>
            )}
          </div>
        );
      })}
      <p className="soft">{empty}</p>
    </fieldset>
  );
}
