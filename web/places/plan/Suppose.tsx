import type { PromisesView } from '@rocchetto/contract/plan.ts';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { InputNumber, Select } from 'antd';
import { useId, useState } from 'react';
import { DateField } from '../../shared/DateField.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

type Asked = Readonly<Record<string, string>>;
const WHAT = {
  like: 'an order is taken in',
  staff: 'somebody is away',
  order: 'cloth comes later',
  appointment: 'an appointment moves',
  back: 'an order is back on the bench',
} as const;
type What = keyof typeof WHAT;
const WHICH: Readonly<Record<What, string>> = {
  like: 'Like which order',
  staff: 'Who',
  order: 'For which order',
  appointment: 'Which one',
  back: 'Which one',
};
const DAY: Readonly<Record<Exclude<What, 'back'>, string>> = {
  like: 'Worn on',
  staff: 'First day',
  order: 'It comes on',
  appointment: 'To',
};
const KINDS = Object.keys(WHAT) as What[];

/** What is supposed: another order, a hand away, cloth that comes late, an appointment on another day, work that comes back. Nothing of it is kept. */
export function Suppose({
  promises,
  asked,
  onAsk,
  busy,
}: {
  promises: PromisesView;
  asked: Asked;
  onAsk: (q: Record<string, string>) => void;
  busy: boolean;
}) {
  const field = useId();
  const [what, setWhat] = useState<What>(KINDS.find((k) => asked[k]) ?? 'staff');
  const [who, setWho] = useState<number | undefined>(Number(asked[what]) || undefined);
  const [day, setDay] = useState(
    asked.from ?? asked.cloth ?? asked.to ?? asked.worn ?? dayAfter(promises.today, 1),
  );
  const [minutes, setMinutes] = useState(Number(asked.minutes) || 120);
  const [until, setUntil] = useState(asked.until ?? dayAfter(promises.today, 5));
  const orders = promises.orders.map((o) => ({ value: o.id, label: `${o.number} ${o.what}` }));
  const options = {
    staff: promises.staff.map((s) => ({ value: s.id, label: s.name })),
    order: orders,
    like: orders,
    back: orders,
    appointment: promises.orders.flatMap((o) =>
      o.appointments.map((a) => ({ value: a.id, label: `${o.number}, ${a.says}` })),
    ),
  }[what];
  const send = () => {
    if (who === undefined) return;
    const id = String(who);
    onAsk(
      {
        staff: { staff: id, from: day, until },
        order: { order: id, cloth: day },
        appointment: { appointment: id, to: day },
        like: { like: id, worn: day },
        back: { back: id, minutes: String(minutes) },
      }[what],
    );
  };
  return (
    <section aria-labelledby={`${field}-h`} className="noprint">
      <h2 id={`${field}-h`}>What breaks if …</h2>
      <form
        className="plan-choices"
        onSubmit={(e) => {
          e.preventDefault();
          send();
        }}
      >
        <fieldset>
          <div>
            <label htmlFor={`${field}-w`}>Suppose</label>
            <Select
              id={`${field}-w`}
              value={what}
              onChange={(w) => {
                setWhat(w);
                setWho(undefined);
              }}
              options={Object.entries(WHAT).map(([value, label]) => ({ value: value as What, label }))}
            />
          </div>
          <div>
            <label htmlFor={`${field}-o`}>{WHICH[what]}</label>
            <Select
              id={`${field}-o`}
              showSearch={{ optionFilterProp: 'label' }}
              value={who}
              onChange={setWho}
              options={options}
              placeholder="Choose"
            />
          </div>
          {what === 'back' ? (
            <div>
              <label htmlFor={`${field}-m`}>For so many minutes</label>
              <InputNumber
                id={`${field}-m`}
                min={5}
                max={6000}
                precision={0}
                value={minutes}
                onChange={(n) => setMinutes(n ?? 120)}
              />
            </div>
          ) : (
            <div>
              <label htmlFor={`${field}-d`}>{DAY[what]}</label>
              <DateField id={`${field}-d`} value={day} onChange={setDay} />
            </div>
          )}
          {what === 'staff' && (
            <div>
              <label htmlFor={`${field}-u`}>Last day</label>
              <DateField id={`${field}-u`} value={until} onChange={setUntil} />
            </div>
          )}
        </fieldset>
        <div className="row acts">
          <ActionButton look="take" type="submit" disabled={busy || who === undefined}>
            Look what breaks
          </ActionButton>
          {promises.breaks && (
            <ActionButton look="quiet" onClick={() => onAsk({})}>
              Suppose nothing
            </ActionButton>
          )}
        </div>
      </form>
      <p className="soft">Nothing is changed by looking.</p>
    </section>
  );
}
