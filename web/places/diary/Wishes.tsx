import { WEEKDAYS } from '@rocchetto/core';
import { DateField } from '../../shared/DateField.tsx';
import { useMe } from '../../shared/me.ts';
import { ActionButton, SelectField, Tick } from '../../shared/pieces.tsx';

/** When a client could come. */
export interface Wish {
  readonly from: string;
  readonly until: string;
  readonly earliest: string;
  readonly latest: string;
  readonly notOn: readonly number[];
  readonly stepFree: boolean;
  /** only once what it needs will be there */
  readonly ready: boolean;
}
export const NO_WISH: Wish = {
  from: '',
  until: '',
  earliest: '',
  latest: '',
  notOn: [],
  stepFree: false,
  ready: false,
};

const HOURS = Array.from(
  { length: 27 },
  (_, i) => `${String(8 + Math.floor(i / 2)).padStart(2, '0')}:${i % 2 ? '30' : '00'}`,
);

interface Props {
  readonly wish: Wish;
  /** what the appointment needs that is made before; '' for nothing */
  readonly waitsFor: string;
  readonly onChange: (w: Wish) => void;
}

/** What the client asked for: from when on, not on which days, between which hours. */
export function Wishes({ wish, waitsFor, onChange }: Props) {
  const { weekStarts } = useMe();
  const days = WEEKDAYS.map((_, i) => ((i + weekStarts - 1) % 7) + 1);
  const date = (key: 'from' | 'until', label: string) => (
    <div>
      <label htmlFor={`wish-${key}`}>{label}</label>
      <DateField
        id={`wish-${key}`}
        value={wish[key]}
        onChange={(v) => {
          if (v === '' || /^\d{4}/.test(v)) onChange({ ...wish, [key]: v });
        }}
      />
    </div>
  );
  const time = (key: 'earliest' | 'latest', label: string) => (
    <div>
      <label htmlFor={`wish-${key}`}>{label}</label>
      <SelectField
        id={`wish-${key}`}
        value={wish[key]}
        onChange={(e) => onChange({ ...wish, [key]: e.target.value })}
      >
        <option value="">any time</option>
        {HOURS.map((h) => (
          <option key={h}>{h}</option>
        ))}
      </SelectField>
    </div>
  );
  return (
    <>
      <div className="fields wishes">
        {date('from', 'From')}
        {date('until', 'Until')}
        {time('earliest', 'Not before')}
        {time('latest', 'Finish by')}
      </div>
      <fieldset className="row">
        <legend>Not on</legend>
        {days.map((day) => (
          <ActionButton
            look="ask"
            key={day}
            aria-pressed={wish.notOn.includes(day)}
            onClick={() =>
              onChange({
                ...wish,
                notOn: wish.notOn.includes(day)
                  ? wish.notOn.filter((d) => d !== day)
                  : [...wish.notOn, day].sort(),
              })
            }
          >
            {WEEKDAYS[day - 1]}
          </ActionButton>
        ))}
        <label>
          <Tick checked={wish.stepFree} onChange={(e) => onChange({ ...wish, stepFree: e.target.checked })} />{' '}
          Step-free room
        </label>
        {waitsFor && (
          <label>
            <Tick checked={wish.ready} onChange={(e) => onChange({ ...wish, ready: e.target.checked })} />{' '}
            {waitsFor} by then
          </label>
        )}
      </fieldset>
    </>
  );
}
