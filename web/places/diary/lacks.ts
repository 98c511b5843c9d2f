import type { AppointmentView, BenchWork, DiaryHouse } from '@rocchetto/contract';
import { NEEDS, type Need } from '@rocchetto/core';
import { readiness } from '@rocchetto/core/diary/readiness.ts';

/** What an appointment needs that must be there before it; null for nothing. */
const needOf = (house: DiaryHouse, a: AppointmentView): Need | null =>
  house.kinds.find((k) => k.id === a.kind)?.need ?? null;

/** What an appointment still lacks, in words; empty when it lacks nothing. */
export function lacks(house: DiaryHouse, a: AppointmentView): string {
  const need = needOf(house, a);
  return need && !a.readyAt && (a.status === 'confirmed' || a.status === 'offered') ? NEEDS[need] : '';
}

/** Whether it will be there, by the work promised to the order: " (promised for 3 Dec, too late)". */
export function promisedWords(
  house: DiaryHouse,
  a: AppointmentView,
  bench: readonly BenchWork[],
  short: (day: string) => string,
): string {
  const need = needOf(house, a);
  if (!need || need === 'brief') return '';
  const found = readiness(
    need,
    bench.filter((w) => w.orderId === a.orderId),
  );
  if (found.state === 'done') return ' (work done: check and mark it ready)';
  if (found.state === 'not-promised') return ' (work unscheduled)';
  const day = a.slots.find((s) => s.state !== 'left')?.day ?? '';
  return ` (work scheduled for ${short(found.day)}${day !== '' && found.day >= day ? ', too late' : ''})`;
}
