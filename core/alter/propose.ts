import type { Skill } from '../diary/kinds.ts';
import { findKind } from './registry.ts';

/** One piece of work that nobody has a day for yet. */
export interface Job {
  readonly id: number;
  readonly orderId: number;
  /** what is left of it, minutes */
  readonly minutes: number;
  /** any of these skills will do */
  readonly skills: readonly Skill[];
  /** whose it must be; null for anybody who can */
  readonly staffId: number | null;
  /** the last day it may be done on, yyyy-mm-dd; null when nothing presses */
  readonly due: string | null;
  /** place in the order of work within one garment: lower ones come no later than higher ones */
  readonly rank: number;
}
/** One of the staff over the days that are planned, with the minutes free on each. */
export interface BenchHand {
  readonly id: number;
  readonly name: string;
  readonly skills: readonly Skill[];
  readonly free: readonly number[];
}
/** Work that has its day already: what comes after it in its garment is placed no earlier. */
export interface Dated {
  readonly orderId: number;
  readonly rank: number;
  /** place in the days that are planned; their number for a later one */
  readonly day: number;
}
export interface Placed {
  readonly jobId: number;
  readonly staffId: number;
  /** place in the days that are planned */
  readonly day: number;
}
export interface Plan {
  readonly placed: readonly Placed[];
  /** jobs for which nobody has the skill and the minutes */
  readonly left: readonly number[];
  /** days late of all jobs together; one that is left counts as done after the last day */
  readonly lateness: number;
}

/** The skills a kind asks of the bench; beads and braid ask for another hand (house rule, no source). */
export const skillsFor = (kind: string): readonly Skill[] =>
  kind === 'trim' ? ['beading', 'tailoring'] : ['tailoring'];

/** The order of work in one garment: widths before edges and shapes, hems after them, the press last (common practice). */
export function rankOf(kind: string): number {
  const k = findKind(kind);
  if (!k) return 2;
  if (k.turn === 'last') return 4;
  if (k.turn === 'hem') return 3;
  return k.group === 'girth' || k.turn === 'first' ? 1 : 2;
}

/** The place of a job's last day in the days planned: −1 when it is past, the number of days when nothing presses. */
const lastDay = (job: Job, days: readonly string[]): number =>
  job.due === null ? days.length : days.reduce((n, d, i) => (d <= job.due! ? i : n), -1);
const lateBy = (day: number, due: number): number => Math.max(0, day - due);

/** Places jobs one by one, each on the earliest day that its garment's order of work and somebody's minutes allow. */
function placeInTurn(
  jobs: readonly Job[],
  hands: readonly BenchHand[],
  due: ReadonlyMap<number, number>,
  days: number,
  dated: readonly Dated[],
): Plan {
  const free = hands.map((h) => [...h.free]);
  const placed: Placed[] = [];
  const left: number[] = [];
  const reached = new Map<number, { rank: number; day: number }[]>();
  for (const { orderId, rank, day } of dated)
    reached.set(orderId, [...(reached.get(orderId) ?? []), { rank, day }]);
  let lateness = 0;
  for (const job of jobs) {
    const earliest = (reached.get(job.orderId) ?? []).reduce(
      (d, r) => (r.rank < job.rank ? Math.max(d, r.day) : d),
      0,
    );
    const latest = (reached.get(job.orderId) ?? []).reduce(
      (d, r) => (r.rank > job.rank ? Math.min(d, r.day) : d),
      days - 1,
    );
    let best: { hand: number; day: number } | null = null;
    for (const [i, h] of hands.entries()) {
      if (job.staffId !== null ? h.id !== job.staffId : !job.skills.some((s) => h.skills.includes(s)))
        continue;
      const day = firstFree(free[i]!, job.minutes, earliest, Math.min(latest, best?.day ?? latest));
      // Of two hands free on one day the one with less left: the long stretches stay for long work.
      if (day !== null && (best === null || day < best.day || free[i]![day]! < free[best.hand]![best.day]!))
        best = { hand: i, day };
    }
    if (!best) {
      left.push(job.id);
      lateness += lateBy(days, Math.min(due.get(job.id)!, days));
      continue;
    }
    free[best.hand]![best.day]! -= job.minutes;
    placed.push({ jobId: job.id, staffId: hands[best.hand]!.id, day: best.day });
    lateness += lateBy(best.day, due.get(job.id)!);
    const own = reached.get(job.orderId) ?? [];
    own.push({ rank: job.rank, day: best.day });
    reached.set(job.orderId, own);
  }
  return { placed, left, lateness };
}

/** The first of these days on which so many minutes are free; null where none is. */
function firstFree(free: readonly number[], minutes: number, from: number, until: number): number | null {
  for (let day = from; day <= until; day++) if (free[day]! >= minutes) return day;
  return null;
}

const better = (a: Plan, b: Plan): boolean =>
  a.left.length !== b.left.length && a.lateness === b.lateness
    ? a.left.length < b.left.length
    : a.lateness < b.lateness;

/** Up to so many jobs every order of placing is tried; past that so many placings of a job, shared over the tries. */
const ALL = 6;
const PLACINGS = 120_000;
const MOST_TRIES = 1500;

/**
 * A plan for the days ahead that respects skill, the order of work, last days and hours: jobs by their last day, then
 * orders that differ from the best one so far by one job moved, kept when they make less late. The same question gives
 * the same plan.
 */
export function proposePlan(
  jobs: readonly Job[],
  hands: readonly BenchHand[],
  days: readonly string[],
  dated: readonly Dated[] = [],
): Plan {
  const due = new Map(jobs.map((j) => [j.id, lastDay(j, days)]));
  const place = (order: readonly Job[]) => placeInTurn(order, hands, due, days.length, dated);
  const byNeed = [...jobs].sort(
    (a, b) => due.get(a.id)! - due.get(b.id)! || a.rank - b.rank || b.minutes - a.minutes || a.id - b.id,
  );
  let order = inRank(byNeed);
  let best = place(order);
  if (jobs.length <= ALL) {
    for (const other of permutations(order)) {
      const plan = place(other);
      if (better(plan, best)) best = plan;
    }
    return best;
  }
  let seed = 1;
  const random = (n: number) => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return Math.floor((seed / 4294967296) * n);
  };
  const tries = Math.min(MOST_TRIES, Math.floor(PLACINGS / jobs.length));
  for (let i = 0; i < tries && (best.lateness > 0 || best.left.length > 0); i++) {
    const other = [...order];
    const [job] = other.splice(random(other.length), 1);
    other.splice(random(other.length + 1), 0, job!);
    const plan = place(other);
    if (!better(best, plan)) {
      order = other;
      best = plan;
    }
  }
  return best;
}

/** Within one garment what comes first in its work is placed first. */
function inRank(jobs: readonly Job[]): Job[] {
  const queues = new Map<number, Job[]>();
  for (const j of jobs)
    queues.set(
      j.orderId,
      [...(queues.get(j.orderId) ?? []), j].sort((a, b) => a.rank - b.rank),
    );
  return jobs.map((j) => queues.get(j.orderId)!.shift()!);
}

function* permutations<T>(of: readonly T[]): Generator<T[]> {
  if (of.length <= 1) {
    yield [...of];
    return;
  }
  for (const [i, one] of of.entries())
    for (const rest of permutations([...of.slice(0, i), ...of.slice(i + 1)])) yield [one, ...rest];
}
