import type { AppointmentView, BenchWork, DiaryDay, SlotView, StaffAtWork } from '@rocchetto/contract';
import { type Load, loadOf } from '@rocchetto/core/diary/load.ts';
import { clear, common, joined } from '@rocchetto/core/diary/spans.ts';

/** A thread of the day: somebody's or a room's, with the loops that lie on it. */
export interface DayThread {
  readonly id: number;
  readonly name: string;
  readonly initials: string;
  readonly mark: number;
  /** why there is nothing on it: leave, closed */
  readonly away: string;
  readonly works: readonly { readonly from: number; readonly to: number }[];
  readonly loops: readonly Loop[];
  /** what their own calendar keeps */
  readonly kept: readonly { readonly from: number; readonly to: number }[];
  /** minutes promised at the bench */
  readonly bench: number;
}
export interface Loop {
  readonly appointment: AppointmentView;
  readonly slot: SlotView;
}

/** Times that are taken or offered on this day, in order. */
export const loopsOf = (appointments: readonly AppointmentView[], day: DiaryDay): Loop[] =>
  appointments
    .flatMap((appointment) =>
      appointment.slots
        .filter((slot) => slot.state !== 'left' && slot.start < day.to && slot.end > day.from)
        .map((slot) => ({ appointment, slot })),
    )
    .sort((a, b) => a.slot.start - b.slot.start || a.appointment.id - b.appointment.id);

/** One thread for each of the staff who works or is booked, and the names of those who are not there. */
export function staffThreads(
  staff: readonly StaffAtWork[],
  day: DiaryDay,
  loops: readonly Loop[],
  bench: readonly BenchWork[] = [],
): { threads: DayThread[]; absent: string[] } {
  const all = staff.map(
    (s): DayThread => ({
      id: s.id,
      name: s.name,
      initials: s.initials,
      mark: s.mark,
      away: day.away[s.id] ?? '',
      works: day.works[s.id] ?? [],
      loops: loops.filter((l) => l.slot.staff.includes(s.id)),
      kept: day.kept[s.id] ?? [],
      bench: benchOf(bench, s.id, day.day),
    }),
  );
  const there = (t: DayThread) => t.works.length > 0 || t.loops.length > 0 || t.bench > 0;
  const empty = (t: DayThread) => Number(t.loops.length === 0);
  return {
    // Those with something on them first.
    threads: all.filter(there).sort((a, b) => empty(a) - empty(b)),
    absent: all.filter((t) => !there(t)).map((t) => (t.away ? `${t.name} (${t.away})` : t.name)),
  };
}

export const roomThreads = (
  rooms: readonly { id: number; name: string }[],
  day: DiaryDay,
  loops: readonly Loop[],
): DayThread[] =>
  rooms.map((r) => ({
    id: r.id,
    name: r.name,
    initials: '',
    mark: -1,
    away: '',
    works: day.open,
    loops: loops.filter((l) => l.slot.roomId === r.id),
    kept: [],
    bench: 0,
  }));

/** Where an appointment would be moved to, before anybody says so. */
export interface Proposal {
  readonly appointment: AppointmentView;
  readonly start: number;
  readonly staff: readonly number[];
  readonly roomId: number | null;
}

/** What stands in the way of a proposal on this day, by what the page knows; the server is asked all the same. */
export function hindrance(
  p: Proposal,
  staff: readonly StaffAtWork[],
  day: DiaryDay,
  loops: readonly Loop[],
): string {
  const end = p.start + p.appointment.minutes;
  const others = loops.filter((l) => l.appointment.id !== p.appointment.id);
  const busy = (of: readonly Loop[]) =>
    joined(of.map((l) => ({ from: l.slot.start, to: l.slot.end + l.appointment.buffer })));
  const until = end + p.appointment.buffer;
  for (const id of p.staff) {
    const name = staff.find((s) => s.id === id)?.name ?? 'Someone';
    const works = day.works[id] ?? [];
    if (!works.some((w) => w.from <= p.start && end <= w.to)) return `${name} is not at work then.`;
    if (!clear(busy(others.filter((l) => l.slot.staff.includes(id))), p.start, until))
      return `${name} has another appointment then.`;
    if (!clear(day.kept[id] ?? [], p.start, until)) return `${name} is busy elsewhere then.`;
  }
  if (p.roomId !== null && !clear(busy(others.filter((l) => l.slot.roomId === p.roomId)), p.start, until))
    return 'The room is in use then.';
  return '';
}

const benchOf = (bench: readonly BenchWork[], staffId: number, day: string): number =>
  bench.filter((w) => w.staffId === staffId && w.day === day).reduce((sum, w) => sum + w.minutes, 0);

/** How full somebody's day is: appointments with their changing time, what their calendar keeps, and the bench. */
export const loadOfThread = (t: DayThread): Load =>
  loadOf(
    t.works,
    joined([
      ...t.loops.map((l) => ({ from: l.slot.start, to: l.slot.end + l.appointment.buffer })),
      ...common(t.works, t.kept),
    ]),
    t.bench,
  );
