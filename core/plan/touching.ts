import type { Minute } from '../diary/zoned.ts';
import type { PlannedStep } from './answer.ts';

/** Where the thread of an order passes a hand: its work, or an appointment that hand is at. */
export interface Pass {
  readonly staffId: number;
  readonly step: string;
  readonly start: Minute;
}

/** The hands that a plan passes, in order of time: as booked where it is booked, else at the earliest. Work that is given has a day and no hour: it is the last of that day. */
export const passesOf = (steps: readonly PlannedStep[], endOf: (day: string) => Minute | null): Pass[] =>
  steps
    .flatMap(({ step, earliest }): Pass[] => {
      const at = step.booked
        ? { staff: step.booked.staff, start: step.booked.start }
        : step.given
          ? { staff: step.given.staff, start: endOf(step.given.last) }
          : earliest && { staff: earliest.staff, start: earliest.start };
      return at?.start == null
        ? []
        : at.staff.map((staffId) => ({ staffId, step: step.name, start: at.start! }));
    })
    .sort((a, b) => a.start - b.start);

/** Threads that touch at a hand: orders that pass it on the same day. */
export interface Touch {
  readonly staffId: number;
  readonly day: string;
  readonly orders: readonly number[];
}

/** Where threads touch, day by day; a hand that one order alone passes is no touch. Pure. */
export function touchesOf(
  orders: readonly {
    readonly id: number;
    readonly passes: readonly { readonly staffId: number; readonly day: string }[];
  }[],
): Touch[] {
  const at = new Map<string, { staffId: number; day: string; orders: Set<number> }>();
  for (const o of orders)
    for (const { staffId, day } of o.passes) {
      const key = `${day} ${staffId}`;
      const here = at.get(key) ?? { staffId, day, orders: new Set<number>() };
      here.orders.add(o.id);
      at.set(key, here);
    }
  return [...at.values()]
    .filter((t) => t.orders.size > 1)
    .map((t) => ({ ...t, orders: [...t.orders] }))
    .sort((a, b) => a.day.localeCompare(b.day) || a.staffId - b.staffId);
}
