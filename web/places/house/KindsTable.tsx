import { type DiaryRules, kindIdOf } from '@rocchetto/contract';
import { type AppointmentKind, type Hours, hoursWords, NEEDS } from '@rocchetto/core';
import { useState } from 'react';
import { useChangeRulesMutation, useDiaryHouseQuery } from '../../api/hours.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import { HoursField } from './HoursField.tsx';
import { StandOutside } from './ImpactPreview.tsx';
import { KindForm } from './KindForm.tsx';

/** Opening hours and the kinds of appointment: the house's own over the usual ones, each change dated and named. */
export function KindsTable() {
  const { data: house, error, refetch } = useDiaryHouseQuery();
  const may = useMay('house.write');
  const [change, changing] = useChangeRulesMutation();
  const [open, setOpen] = useState<'' | 'hours' | 'new' | AppointmentKind>('');
  if (!house) return <Problem error={error} again={refetch} />;
  const { rules, kinds, version } = house;
  const keep = async (more: Partial<DiaryRules>) => {
    if ('data' in (await change({ version, rules: { ...rules, ...more } }))) setOpen('');
  };
  /** A kind as the rules write it; its name only where it is not core's. */
  const keepKind = ({ id, ...k }: AppointmentKind) => {
    const own = id || kindIdOf(k.name, [...kinds.map((x) => x.id), ...Object.keys(rules.kinds)]);
    void keep({
      kinds: {
        ...rules.kinds,
        [own]: { ...k, hands: k.hands.map((h) => [...h]), room: k.room && [...k.room] },
      },
    });
  };
  return (
    <>
      <h2>Opening hours</h2>
      <Problem error={changing.error} />
      {open === 'hours' ? (
        <OpenForm
          rules={rules}
          busy={changing.isLoading}
          onKeep={(opening) => void keep({ opening: [...opening] })}
          onLeave={() => setOpen('')}
        />
      ) : (
        <>
          <Facts facts={[['Open', hoursWords(rules.opening)]]} />
          {may && (
            <div className="row acts">
              <ActionButton look="plain" onClick={() => setOpen('hours')}>
                Edit hours
              </ActionButton>
            </div>
          )}
        </>
      )}
      <h2>Appointment types</h2>
      <div className="scroll">
        <Ledger>
          <thead>
            <tr>
              <th scope="col">Appointment</th>
              <th scope="col">Minutes</th>
              <th scope="col">Changing</th>
              <th scope="col">Who</th>
              <th scope="col">Room</th>
              <th scope="col">Needs</th>
              {may && (
                <th scope="col">
                  <span className="hidden">do</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {kinds.map((k) => (
              <tr key={k.id}>
                <td>
                  {k.name}
                  {k.offered === false && <span className="soft"> (not offered)</span>}
                </td>
                <td>{k.minutes}</td>
                <td>{k.buffer}</td>
                <td>{k.hands.map((any) => any.join(' or ')).join(', and ')}</td>
                <td>{k.room === null ? 'none' : k.room.join(', ') || 'any'}</td>
                <td>{k.need ? NEEDS[k.need] : ''}</td>
                {may && (
                  <td>
                    <ActionButton look="quiet" aria-label={`Edit ${k.name}`} onClick={() => setOpen(k)}>
                      Edit
                    </ActionButton>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
      {may && (open === '' || open === 'hours') && (
        <div className="row acts">
          <ActionButton look="plain" onClick={() => setOpen('new')}>
            Add appointment type
          </ActionButton>
        </div>
      )}
      {open !== '' && open !== 'hours' && (
        <KindForm
          key={open === 'new' ? 'new' : `${open.id} ${version}`}
          kind={open === 'new' ? null : open}
          busy={changing.isLoading}
          onKeep={keepKind}
          onLeave={() => {
            changing.reset();
            setOpen('');
          }}
        />
      )}
    </>
  );
}

interface OpenProps {
  readonly rules: DiaryRules;
  readonly busy: boolean;
  readonly onKeep: (opening: readonly Hours[]) => void;
  readonly onLeave: () => void;
}

function OpenForm({ rules, busy, onKeep, onLeave }: OpenProps) {
  const [hours, setHours] = useState<readonly Hours[] | null>(rules.opening);
  return (
    <form
      className="slip"
      aria-label="Opening hours"
      onSubmit={(e) => {
        e.preventDefault();
        if (hours !== null) onKeep(hours);
      }}
    >
      <HoursField
        label="Open"
        hours={rules.opening}
        onChange={setHours}
        empty="Appointments are booked only within these hours."
      />
      {hours && <StandOutside staffId={null} hours={hours} before={rules.opening} />}
      <div className="row acts">
        <ActionButton look="take" type="submit" disabled={busy || hours === null}>
          Save hours
        </ActionButton>
        <ActionButton look="quiet" onClick={onLeave}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}
