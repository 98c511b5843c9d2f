import {
  type AppointmentKind,
  NEEDS,
  type Need,
  ROOM_USES,
  type RoomUse,
  SKILLS,
  type Skill,
} from '@rocchetto/core';
import { Checkbox, Input, InputNumber } from 'antd';
import { useState } from 'react';
import { ActionButton, SelectField } from '../../shared/pieces.tsx';
import { StandAsBooked } from './ImpactPreview.tsx';

interface Props {
  /** null for a new one */
  readonly kind: AppointmentKind | null;
  readonly busy: boolean;
  readonly onKeep: (k: AppointmentKind) => void;
  readonly onLeave: () => void;
}

const NEW: AppointmentKind = {
  id: '',
  name: '',
  minutes: 30,
  buffer: 10,
  hands: [['fitting']],
  room: ['fitting'],
  need: null,
  at: null,
};

/** One kind of appointment: how long, whose hands, which room, and what must be there before it. */
export function KindForm({ kind, busy, onKeep, onLeave }: Props) {
  const [k, setK] = useState(kind ?? NEW);
  const set = (more: Partial<AppointmentKind>) => setK({ ...k, ...more });
  const hand = (i: number, any: readonly Skill[]) =>
    set({ hands: k.hands.map((h, n) => (n === i ? any : h)) });
  const lacks =
    k.name.trim() === ''
      ? 'Enter a name.'
      : k.hands.some((h) => h.length === 0)
        ? 'Choose a skill for each person.'
        : '';
  return (
    <form
      className="slip"
      aria-label={kind ? `Edit ${kind.name}` : 'Add appointment type'}
      onSubmit={(e) => {
        e.preventDefault();
        if (lacks === '') onKeep({ ...k, name: k.name.trim() });
      }}
    >
      <h3>{kind ? kind.name : 'Add appointment type'}</h3>
      <div className="fields">
        <div>
          <label htmlFor="kind-name">Name</label>
          <Input
            id="kind-name"
            value={k.name}
            maxLength={60}
            onChange={(e) => set({ name: e.target.value })}
          />
        </div>
        <div>
          <label htmlFor="kind-minutes">Minutes</label>
          <InputNumber
            id="kind-minutes"
            min={5}
            max={720}
            step={5}
            value={k.minutes}
            onChange={(v) => v !== null && set({ minutes: v })}
          />
        </div>
        <div>
          <label htmlFor="kind-buffer">Minutes for changing</label>
          <InputNumber
            id="kind-buffer"
            min={0}
            max={120}
            step={5}
            value={k.buffer}
            onChange={(v) => v !== null && set({ buffer: v })}
          />
        </div>
        <div>
          <label htmlFor="kind-need">Needs</label>
          <SelectField
            id="kind-need"
            value={k.need ?? ''}
            onChange={(e) => set({ need: (e.target.value || null) as Need | null })}
          >
            <option value="">nothing</option>
            {Object.entries(NEEDS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </SelectField>
        </div>
        <div>
          <label htmlFor="kind-at">Where the client stands</label>
          <SelectField
            id="kind-at"
            value={k.at ?? ''}
            onChange={(e) => set({ at: (e.target.value || null) as AppointmentKind['at'] })}
          >
            <option value="">elsewhere</option>
            <option value="mirror">at the mirror, in the garment</option>
            <option value="tape">at the tape</option>
          </SelectField>
        </div>
      </div>
      {k.hands.map((any, i) => (
        <fieldset key={i} className="row">
          <legend>
            {k.hands.length === 1 ? 'Person 1, any of these skills' : `Person ${i + 1}, any of these skills`}
          </legend>
          <Checkbox.Group
            options={SKILLS.map((s) => ({ value: s, label: s }))}
            value={[...any]}
            onChange={(v) => hand(i, v as Skill[])}
          />
          {k.hands.length > 1 && (
            <ActionButton look="quiet" onClick={() => set({ hands: k.hands.filter((_, n) => n !== i) })}>
              Remove person
            </ActionButton>
          )}
        </fieldset>
      ))}
      {k.hands.length < 4 && (
        <ActionButton look="quiet" onClick={() => set({ hands: [...k.hands, ['fitting']] })}>
          Add person
        </ActionButton>
      )}
      <fieldset className="row">
        <legend>Room</legend>
        <Checkbox
          checked={k.room === null}
          onChange={(e) => set({ room: e.target.checked ? null : ['fitting'] })}
        >
          No room needed
        </Checkbox>
        {k.room !== null && (
          <Checkbox.Group
            aria-label="Room suits"
            options={ROOM_USES.map((u) => ({ value: u, label: `suits ${u}` }))}
            value={[...k.room]}
            onChange={(v) => set({ room: v as RoomUse[] })}
          />
        )}
      </fieldset>
      {kind && (
        <p>
          <Checkbox checked={k.offered !== false} onChange={(e) => set({ offered: e.target.checked })}>
            Offer when booking (existing bookings stay)
          </Checkbox>
        </p>
      )}
      {kind && <StandAsBooked kind={kind.id} />}
      <div className="row acts">
        <ActionButton look="take" type="submit" disabled={busy || lacks !== ''}>
          Save appointment type
        </ActionButton>
        <ActionButton look="quiet" onClick={onLeave}>
          Cancel
        </ActionButton>
        {lacks && (
          <span className="soft" role="status">
            {lacks}
          </span>
        )}
      </div>
    </form>
  );
}
