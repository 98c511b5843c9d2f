import { daysBetween } from '../dates/studio-day.ts';
import { isClosed, type Stage } from './stage.ts';

/** An order that is still to be worked on. */
type Open = Exclude<Stage, 'handed-over' | 'cancelled'>;

/** Days before the due date by which each stage should be behind one (house figures, no source). */
export const DANGER_DAYS: Readonly<Record<Open, number>> = {
  asked: 21,
  brief: 18,
  measured: 14,
  sheet: 12,
  agreed: 10,
  cut: 5,
  fitting: 3,
  ready: 0,
};
/** The house's own lead times, days. */
export type Leads = typeof DANGER_DAYS;
const LACKS: Record<Open, string> = {
  asked: 'no brief yet',
  brief: 'not measured yet',
  measured: 'no sheet yet',
  sheet: 'sheet not agreed',
  agreed: 'not cut yet',
  cut: 'no fitting yet',
  fitting: 'not ready yet',
  ready: 'not handed over yet',
};

/** One sentence when the date is in danger and why, else null. `today` is the studio's, yyyy-mm-dd. */
export function danger(
  order: { readonly dueOn: string | null; readonly stage: Stage },
  today: string,
  leads: Leads = DANGER_DAYS,
): string | null {
  if (!order.dueOn || isClosed(order.stage)) return null;
  const stage = order.stage as Open;
  const days = daysBetween(today, order.dueOn);
  if (days > leads[stage]) return null;
  const lacks = LACKS[stage];
  const count = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`;
  if (days < 0) return `Overdue by ${count(-days)}: ${lacks}.`;
  return days === 0 ? `Due today: ${lacks}.` : `Due in ${count(days)}: ${lacks}.`;
}

/** What the order waits for from its client, else null. */
export const waitsForClient = (stage: Stage): string | null =>
  stage === 'brief' ? 'to be measured' : stage === 'sheet' ? 'to agree the sheet' : null;
