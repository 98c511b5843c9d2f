import { daysBetween } from '../dates/studio-day.ts';
import type { Stage } from './stage.ts';

/** Days before the due date by which each stage should be behind one (house figures, no source). */
export const DANGER_DAYS: Readonly<Record<Exclude<Stage, 'cut'>, number>> = {
  asked: 21,
  brief: 18,
  measured: 14,
  sheet: 12,
  agreed: 10,
};
/** The house's own lead times, days. */
export type Leads = typeof DANGER_DAYS;
const LACKS: Record<Exclude<Stage, 'cut'>, string> = {
  asked: 'no brief yet',
  brief: 'not measured yet',
  measured: 'no sheet yet',
  sheet: 'sheet not agreed',
  agreed: 'not cut yet',
};

/** One sentence when the date is in danger and why, else null. `today` is the studio's, yyyy-mm-dd. */
export function danger(
  order: { readonly dueOn: string | null; readonly stage: Stage },
  today: string,
  leads: Leads = DANGER_DAYS,
): string | null {
  if (!order.dueOn || order.stage === 'cut') return null;
  const days = daysBetween(today, order.dueOn);
  if (days > leads[order.stage]) return null;
  const lacks = LACKS[order.stage];
  const count = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`;
  if (days < 0) return `Overdue by ${count(-days)}: ${lacks}.`;
  return days === 0 ? `Due today: ${lacks}.` : `Due in ${count(days)}: ${lacks}.`;
}

/** What the order waits for from its client, else null. */
export const waitsForClient = (stage: Stage): string | null =>
  stage === 'brief' ? 'to be measured' : stage === 'sheet' ? 'to agree the sheet' : null;
