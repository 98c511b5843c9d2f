import type { PromisesView } from '@rocchetto/contract/plan.ts';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { Select } from 'antd';
import { useId, useState } from 'react';
import { DateField } from '../../shared/DateField.tsx';

type Asked = Readonly<Record<string, string>>;
const WHAT = {
  staff: 'somebody is away',
  order: 'cloth comes later',
  appointment: 'an appointment moves',
} as const;
type What = keyof typeof WHAT;

/** What is supposed to move: a hand away, cloth that comes late, an appointment on another day. Nothing of it is kept. */
export function Suppose({
  of,
  asked,
  onAsk,
  busy,
}: {
  of: PromisesView;
  asked: Asked;
  onAsk: (q: Record<string, string>) => void;
  busy: boolean;
}) {
  const field = useId();
  const [what, setWhat] = useState<What>(asked.order ? 'order' : asked.appointment ? 'appointment' : 'staff');
  const [who, setWho] = useState<number | undefined>(Number(asked[what]) || undefined);
  const [day, setDay] = useState(asked.from ?? asked.cloth ?? asked.to ?? dayAfter(of.today, 1));
  const [until, setUntil] = useState(asked.until ?? dayAfter(of.today, 5));
  const orders = of.orders.map((o) => ({ value: o.id, label: `${o.number} ${o.what}` }));
  const options = {
    staff: of.staff.map((s) => ({ value: s.id, label: s.name })),
    order: orders,
    appointment: of.orders.flatMap((o) =>
      o.appointments.map((a) => ({ value: a.id, label: `${o.number}, ${a.says}` })),
    ),
  }[what];
  const send = () => {
    if (who === undefined) return;
    const id = String(who);
    onAsk(
      what === 'staff'
        ? { staff: id, from: day, until }
        : what === 'order'
          ? { order: id, cloth: day }
          : { appointment: id, to: day },
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
            <label htmlFor={`${field}-o`}>
              {what === 'staff' ? 'Who' : what === 'order' ? 'For which order' : 'Which one'}
            </label>
            <Select
              id={`${field}-o`}
              showSearch={{ optionFilterProp: 'label' }}
              value={who}
              onChange={setWho}
              options={options}
              placeholder="Choose"
            />
          </div>
          <div>
            <label htmlFor={`${field}-d`}>
              {what === 'staff' ? 'First day' : what === 'order' ? 'It comes on' : 'To'}
            </label>
            <DateField id={`${field}-d`} value={day} onChange={setDay} />
          </div>
          {what === 'staff' && (
            <div>
              <label htmlFor={`${field}-u`}>Last day</label>
              <DateField id={`${field}-u`} value={until} onChange={setUntil} />
            </div>
          )}
        </fieldset>
        <div className="row acts">
          <button type="submit" className="take" disabled={busy || who === undefined}>
            Look what breaks
          </button>
          {of.breaks && (
            <button type="button" className="quiet" onClick={() => onAsk({})}>
              Suppose nothing
            </button>
          )}
        </div>
      </form>
      <p className="soft">Nothing is changed by looking.</p>
    </section>
  );
}
