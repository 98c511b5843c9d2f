import { describe, expect, it } from 'vitest';
import { seeded } from '../garment/testing.ts';
import { type BenchHand, type Job, proposePlan, rankOf, skillsFor } from './propose.ts';

const DAYS = ['2026-03-10', '2026-03-11', '2026-03-12', '2026-03-13'];
const hand = (id: number, free: number[], skills: BenchHand['skills'] = ['tailoring']): BenchHand => ({
  id,
  name: `Hand ${id}`,
  skills,
  free,
});
const job = (id: number, more: Partial<Job> = {}): Job => ({
  id,
  orderId: id,
  minutes: 60,
  skills: ['tailoring'],
  staffId: null,
  due: null,
  rank: 1,
  ...more,
});
const dueAt = (j: Job) =>
  j.due === null ? DAYS.length : DAYS.reduce((n, d, i) => (d <= j.due! ? i : n), -1);

/** Every assignment of jobs to hands and days, or to none: the least lateness there is. */
function leastLateness(jobs: readonly Job[], hands: readonly BenchHand[]): number {
  const free = hands.map((h) => [...h.free]);
  const at = new Map<number, number>();
  let least = Number.POSITIVE_INFINITY;
  const go = (i: number, late: number) => {
    if (late >= least) return;
    const j = jobs[i];
    if (!j) {
      least = late;
      return;
    }
    for (const [h, of] of hands.entries()) {
      if (j.staffId !== null ? of.id !== j.staffId : !j.skills.some((s) => of.skills.includes(s))) continue;
      for (let d = 0; d < DAYS.length; d++) {
        if (free[h]![d]! < j.minutes) continue;
        const inOrder = jobs.every((o) => {
          const other = at.get(o.id);
          if (other === undefined || o.orderId !== j.orderId) return true;
          return o.rank < j.rank ? other <= d : o.rank > j.rank ? other >= d : true;
        });
        if (!inOrder) continue;
        free[h]![d]! -= j.minutes;
        at.set(j.id, d);
        go(i + 1, late + Math.max(0, d - dueAt(j)));
        at.delete(j.id);
        free[h]![d]! += j.minutes;
      }
    }
    go(i + 1, late + Math.max(0, DAYS.length - Math.min(dueAt(j), DAYS.length)));
  };
  go(0, 0);
  return least;
}

describe('the week’s proposal', () => {
  it('is never worse than 1.1 × the least lateness of an exhaustive search on small cases', () => {
    const rnd = seeded(7);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(rnd() * list.length)]!;
    for (let run = 0; run < 250; run++) {
      const hands = [1, 2].map((id) =>
        hand(
          id,
          DAYS.map(() => pick([0, 60, 120, 180])),
          pick([['tailoring'], ['beading', 'tailoring'], ['beading']] as const),
        ),
      );
      const jobs = Array.from({ length: 2 + Math.floor(rnd() * 5) }, (_, i) =>
        job(i + 1, {
          orderId: pick([1, 2, 3]),
          minutes: pick([30, 60, 90]),
          skills: pick([['tailoring'], ['beading']] as const),
          due: pick([null, ...DAYS]),
          rank: pick([1, 2, 3]),
          staffId: rnd() < 0.15 ? pick([1, 2]) : null,
        }),
      );
      const plan = proposePlan(jobs, hands, DAYS);
      expect(plan.lateness, `run ${run}`).toBeLessThanOrEqual(1.1 * leastLateness(jobs, hands) + 1e-9);
    }
  });

  it('keeps to skill, hours, the one it is given to, and the order of work in a garment', () => {
    const rnd = seeded(11);
    const hands = Array.from({ length: 40 }, (_, i) =>
      hand(
        i + 1,
        DAYS.map(() => Math.floor(rnd() * 420)),
        i % 4 === 0 ? ['beading', 'tailoring'] : ['tailoring'],
      ),
    );
    const jobs = Array.from({ length: 400 }, (_, i) =>
      job(i + 1, {
        orderId: Math.floor(i / 3),
        minutes: 20 + Math.floor(rnd() * 140),
        skills: i % 9 === 0 ? ['beading'] : ['tailoring'],
        due: rnd() < 0.5 ? DAYS[Math.floor(rnd() * 4)]! : null,
        rank: i % 3,
        staffId: i % 17 === 0 ? 5 : null,
      }),
    );
    const plan = proposePlan(jobs, hands, DAYS);
    expect(plan.placed.length + plan.left.length).toBe(400);
    const used = new Map<string, number>();
    const of = new Map(jobs.map((j) => [j.id, j]));
    for (const p of plan.placed) {
      const j = of.get(p.jobId)!;
      const h = hands.find((x) => x.id === p.staffId)!;
      expect(j.staffId === null ? j.skills.some((s) => h.skills.includes(s)) : h.id === j.staffId).toBe(true);
      used.set(`${h.id} ${p.day}`, (used.get(`${h.id} ${p.day}`) ?? 0) + j.minutes);
      for (const q of plan.placed) {
        const k = of.get(q.jobId)!;
        if (k.orderId === j.orderId && k.rank < j.rank) expect(q.day).toBeLessThanOrEqual(p.day);
      }
    }
    for (const [key, minutes] of used) {
      const [id, day] = key.split(' ').map(Number);
      expect(minutes).toBeLessThanOrEqual(hands.find((h) => h.id === id)!.free[day!]!);
    }
    expect(proposePlan(jobs, hands, DAYS)).toEqual(plan);
  });

  it('work that has its day already holds back what comes after it in its garment', () => {
    const jobs = [job(1, { orderId: 5, rank: 4 }), job(2, { orderId: 6, rank: 4 })];
    const plan = proposePlan(jobs, [hand(1, [240, 240, 240, 240])], DAYS, [
      { orderId: 5, rank: 1, day: 2 },
      { orderId: 6, rank: 3, day: DAYS.length },
    ]);
    expect(plan.placed).toEqual([{ jobId: 1, staffId: 1, day: 2 }]);
    expect(plan.left).toEqual([2]);
  });

  it('says what nobody can do', () => {
    const plan = proposePlan(
      [job(1, { minutes: 600 }), job(2, { skills: ['beading'] }), job(3)],
      [hand(1, [120, 0, 0, 0])],
      DAYS,
    );
    expect([...plan.left].sort()).toEqual([1, 2]);
    expect(plan.placed).toEqual([{ jobId: 3, staffId: 1, day: 0 }]);
  });

  it('hems come after widths, the press last; beads ask for another hand', () => {
    expect(['waist', 'shoulders-in', 'hem-straight', 'press'].map(rankOf)).toEqual([1, 2, 3, 4]);
    expect(skillsFor('trim')).toContain('beading');
    expect(skillsFor('waist')).toEqual(['tailoring']);
  });
});
