import { readDate } from '@rocchetto/core/dates/read-date.ts';
import { Input } from 'antd';
import { useState } from 'react';
import { useDays } from './me.ts';

/** What a form holds for a date that could not be read: the text as it was typed, after this mark. */
const UNREAD = '?';

interface Props {
  readonly id?: string;
  readonly value?: string;
  readonly onChange?: (value: string) => void;
}

/**
 * A date as a hand writes it (`28.12.`, `28 dec`, `next friday`), with what was understood beside it. Its value is
 * yyyy-mm-dd, empty for none; `dateRule` refuses what could not be read.
 */
export function DateField({ id, value = '', onChange }: Props) {
  const { today, dateOrder, long, weekday } = useDays();
  const [typed, setTyped] = useState(value && !value.startsWith(UNREAD) ? long(value) : value.slice(1));
  const understood = typed.trim() ? readDate(typed, today, dateOrder) : null;
  return (
    <>
      <Input
        id={id}
        value={typed}
        autoComplete="off"
        placeholder={dateOrder === 'mdy' ? 'e.g. Dec 28, next Fri' : 'e.g. 28 Dec, next Fri'}
        aria-describedby={`${id}-understood`}
        onChange={(e) => {
          setTyped(e.target.value);
          const text = e.target.value.trim();
          onChange?.(text === '' ? '' : (readDate(text, today, dateOrder) ?? UNREAD + text));
        }}
      />
      <span id={`${id}-understood`} className="understood-date" aria-live="polite">
        {understood && weekday(understood)}
      </span>
    </>
  );
}

/** For the form: a text that is no date is told so. */
export const dateRule = {
  validator: (_: unknown, value: string) =>
    value?.startsWith(UNREAD)
      ? Promise.reject(
          new Error(`“${value.slice(1)}” isn’t a date here. Type it like 28 Dec 2026 or next Friday.`),
        )
      : Promise.resolve(),
};
