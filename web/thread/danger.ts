import type { OrderRow, Stage } from '@rocchetto/contract';
import { daysUntil } from '../shared/dates.ts';

/** Days before the due date by which each stage should be behind one (house figures, no source). */
const LEAST_DAYS: Record<Exclude<Stage, 'cut'>, readonly [days: number, lacks: string]> = {
  asked: [21, 'there is no brief yet'],
  brief: [18, 'the client is not measured yet'],
  measured: [14, 'the sheet is not begun'],
  sheet: [12, 'the sheet is not agreed'],
  agreed: [10, 'nothing is cut yet'],
};

/** One sentence when the date is in danger and why, else null. */
export function danger(order: Pick<OrderRow, 'dueOn' | 'stage'>): string | null {
  if (!order.dueOn || order.stage === 'cut') return null;
  const days = daysUntil(order.dueOn);
  const [least, lacks] = LEAST_DAYS[order.stage];
  if (days > least) return null;
  return days < 0 ? `Overdue by ${-days} days: ${lacks}.` : `Due in ${days} days and ${lacks}.`;
}
