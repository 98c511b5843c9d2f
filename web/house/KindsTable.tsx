import type { DiaryRules } from '@rocchetto/contract';
import { type AppointmentKind, type Hours, hoursWords, NEEDS } from '@rocchetto/core';
import { InputNumber } from 'antd';
import { useState } from 'react';
import { useMay } from '../app/me.ts';
import { useChangeRulesMutation, useDiaryHouseQuery } from '../diary/api.ts';
import { Facts } from '../shared/Facts.tsx';
import { Problem } from '../shared/Problem.tsx';
import { HoursField } from './HoursField.tsx';

/** Opening hours and the kinds of appointment with their minutes: the house's own figures over the usual ones. */
export function KindsTable() {
  const { data: house, error, refetch } = useDiaryHouseQuery();
  const may = useMay('house.write');
  const [editing, setEditing] = useState(false);
  if (!house) return <Problem error={error} again={refetch} />;
  return (
    <>
      <h2>Opening hours and appointments</h2>
      {editing ? (
        <RulesForm
          key={house.version}
          version={house.version}
          rules={house.rules}
          kinds={house.kinds}
          onDone={() => setEditing(false)}
        />
      ) : (
        <>
          <Facts of={[['Open', hoursWords(house.rules.opening)]]} />
          <div className="scroll">
            <table className="ledger">
              <thead>
                <tr>
                  <th scope="col">Appointment</th>
                  <th scope="col">Minutes</th>
                  <th scope="col">Changing</th>
                  <th scope="col">Takes</th>
                  <th scope="col">Room</th>
                  <th scope="col">Needs</th>
                </tr>
              </thead>
              <tbody>
                {house.kinds.map((k) => (
                  <tr key={k.id}>
                    <td>{k.name}</td>
                    <td>{k.minutes}</td>
                    <td>{k.buffer}</td>
                    <td>{k.hands.map((any) => any.join(' or ')).join(', and ')}</td>
                    <td>{k.room === null ? 'none' : k.room.join(', ') || 'any'}</td>
                    <td>{k.need ? NEEDS[k.need] : ''}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {may && (
            <div className="row acts">
              <button type="button" className="plain" onClick={() => setEditing(true)}>
                Change hours and minutes
              </button>
            </div>
          )}
        </>
      )}
    </>
  );
}

interface FormProps {
  readonly version: number;
  readonly rules: DiaryRules;
  readonly kinds: readonly AppointmentKind[];
  readonly onDone: () => void;
}

function RulesForm({ version, rules, kinds, onDone }: FormProps) {
  const [change, { error, isLoading }] = useChangeRulesMutation();
  const [opening, setOpening] = useState<readonly Hours[]>(rules.opening);
  const [own, setOwn] = useState(kinds);
  const set = (id: string, more: Partial<AppointmentKind>) =>
    setOwn(own.map((k) => (k.id === id ? { ...k, ...more } : k)));
  return (
    <form
      className="slip"
      onSubmit={async (e) => {
        e.preventDefault();
        // Only what differs from before is the house's own.
        const changed = own.filter(
          (k, i) => k.minutes !== kinds[i]!.minutes || k.buffer !== kinds[i]!.buffer,
        );
        const more = Object.fromEntries(
          changed.map(({ id, name: _, ...k }) => [
            id,
            { ...k, hands: k.hands.map((h) => [...h]), room: k.room && [...k.room] },
          ]),
        );
        const done = await change({
          version,
          rules: { ...rules, opening: [...opening], kinds: { ...rules.kinds, ...more } },
        });
        if ('data' in done) onDone();
      }}
    >
      <Problem error={error} />
      <HoursField
        label="Open"
        hours={opening}
        onChange={setOpening}
        empty="Nothing is booked outside these hours."
      />
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">Appointment</th>
            <th scope="col">Minutes</th>
            <th scope="col">Changing</th>
          </tr>
        </thead>
        <tbody>
          {own.map((k) => (
            <tr key={k.id}>
              <td>{k.name}</td>
              <td>
                <InputNumber
                  aria-label={`Minutes of a ${k.name}`}
                  min={5}
                  max={720}
                  step={5}
                  value={k.minutes}
                  onChange={(v) => v !== null && set(k.id, { minutes: v })}
                />
              </td>
              <td>
                <InputNumber
                  aria-label={`Minutes for changing after a ${k.name}`}
                  min={0}
                  max={120}
                  step={5}
                  value={k.buffer}
                  onChange={(v) => v !== null && set(k.id, { buffer: v })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="row acts">
        <button type="submit" className="take" disabled={isLoading}>
          Keep these
        </button>
        <button type="button" className="quiet" onClick={onDone}>
          leave as they were
        </button>
      </div>
    </form>
  );
}
