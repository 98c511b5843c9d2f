import type { DiaryDay, DiaryHouse } from '@rocchetto/contract';
import { ifLate } from '@rocchetto/core/diary/late.ts';
import { useState } from 'react';
import { useClock } from '../../shared/clock.ts';
import { SelectField } from '../../shared/pieces.tsx';
import type { Loop } from './threads.ts';

/** What it does to the rest of the day when this client comes late. */
export function Late({
  staffId: id,
  loops,
  day,
  house,
}: {
  staffId: number;
  loops: readonly Loop[];
  day: DiaryDay;
  house: DiaryHouse;
}) {
  const [minutes, setMinutes] = useState(0);
  const clock = useClock();
  const standing = loops.filter((l) => ['confirmed', 'arrived'].includes(l.appointment.status));
  if (!standing.some((l) => l.appointment.id === id)) return null;
  const kept = standing.map((l) => ({
    id: l.appointment.id,
    start: l.slot.start,
    end: l.slot.end,
    buffer: l.appointment.buffer,
    staff: l.slot.staff,
    roomId: l.slot.roomId,
  }));
  const pushed = ifLate(kept, id, minutes);
  const loop = (of: number) => standing.find((l) => l.appointment.id === of)!;
  const over = pushed.flatMap((p) =>
    loop(p.id).slot.staff.flatMap((s) => {
      const ends = Math.max(0, ...(day.works[s] ?? []).map((w) => w.to));
      const name = house.staff.find((w) => w.id === s)?.name ?? 'Someone';
      return p.end > ends ? [`${name} stays until ${clock(p.end)}.`] : [];
    }),
  );
  return (
    <section aria-label="If the client is late">
      <label htmlFor="late">Running late by </label>
      <SelectField id="late" value={minutes} onChange={(e) => setMinutes(Number(e.target.value))}>
        <option value={0}>…</option>
        {[5, 10, 15, 20, 30, 45, 60].map((n) => (
          <option key={n} value={n}>
            {n} minutes
          </option>
        ))}
      </SelectField>
      {minutes > 0 && (
        <ul className="why" aria-live="polite">
          {pushed.slice(1).map((p) => (
            <li key={p.id}>
              {loop(p.id).slot.from} {loop(p.id).appointment.clientName} begins {p.by} minutes later, at{' '}
              {clock(loop(p.id).slot.start + p.by)}.
            </li>
          ))}
          {pushed.length === 1 && <li>No one else has to wait.</li>}
          {[...new Set(over)].map((o) => (
            <li key={o}>{o}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
