import { describe, expect, it } from 'vitest';
import type { Skill } from '../diary/kinds.ts';
import { joined } from '../diary/spans.ts';
import type { Span } from '../diary/zoned.ts';
import { seeded } from '../garment/testing.ts';
import type { Lag, Step } from './chain.ts';
import { backwards, forwards, type PlanBook } from './schedule.ts';

// Every way to lay up to six steps over two hands and ten days is tried here, hour by hour, by counting free hours: it
// knows nothing of stretches, of filling them up, or of going through the steps one by one.

const PER_DAY = 3;
/** The hour of the day at which the first of them begins. */
const OPENS = 9;
const hourOf = (unit: number) => 24 * Math.floor(unit / PER_DAY) + OPENS + (unit % PER_DAY);
const at = (unit: number) => hourOf(unit) * 60;
const unitsOf = (days: number) => Array.from({ length: days * PER_DAY }, (_, u) => u);
const DAY = (d: number) => new Date(Date.UTC(2026, 0, 5 + d)).toISOString().slice(0, 10);

interface Case {
  readonly days: number;
  /** free hours of each hand, and its skills */
  readonly hands: readonly { readonly skills: readonly Skill[]; readonly free: readonly boolean[] }[];
  readonly client: readonly boolean[];
  readonly room: readonly boolean[];
  readonly steps: readonly Step[];
}

function randomCase(seed: number): Case {
  const rnd = seeded(seed);
  const int = (a: number, b: number) => a + Math.floor(rnd() * (b - a + 1));
  const days = int(6, 10);
  const some = (share: number) => unitsOf(days).map(() => rnd() < share);
  const hands = [0, 1].map((h) => ({
    skills: (h === 0 ? ['tailoring', 'fitting'] : rnd() < 0.5 ? ['tailoring'] : ['fitting']) as Skill[],
    free: some(0.45 + rnd() * 0.4),
  }));
  const n = int(2, 6);
  const steps = Array.from({ length: n }, (_, i): Step => {
    const meeting = rnd() < 0.35;
    const two = meeting && rnd() < 0.2;
    const waits: Lag[] =
      i > 0 && rnd() < 0.35
        ? [{ after: `s${int(Math.max(0, i - 2), i - 1)}`, days: int(1, 2), name: '' }]
        : [];
    return {
      id: `s${i}`,
      name: `s${i}`,
      does: meeting ? 'meeting' : 'work',
      kind: meeting ? 'fitting' : null,
      minutes: (meeting ? 1 : int(1, 3)) * 60,
      hands: two ? [['tailoring', 'fitting'], ['fitting']] : [[meeting ? 'fitting' : 'tailoring']],
      waits,
      notBefore: rnd() < 0.1 ? DAY(int(0, 3)) : null,
      notAfter: i === n - 1 ? DAY(int(Math.floor(days / 2), days - 1)) : null,
      why: [],
      makes: null,
      work: null,
      booked: null,
      given: null,
    };
  });
  return { days, hands, client: some(0.7), room: some(0.8), steps };
}

/** Free hours as the plan is given them; hours of one day that follow one another touch. */
const spans = (free: readonly boolean[]): Span[] =>
  joined(free.flatMap((f, u) => (f ? [{ from: at(u), to: at(u) + 60 }] : [])));
const busyOf = (free: readonly boolean[]): Span[] =>
  joined(free.flatMap((f, u) => (f ? [] : [{ from: at(u), to: at(u) + 60 }])));

const bookOf = (c: Case): PlanBook => ({
  staff: c.hands.map((h, i) => ({
    id: i + 1,
    name: `hand ${i + 1}`,
    skills: h.skills,
    works: spans(h.free),
    busy: busyOf(h.free),
  })),
  rooms: [{ id: 1, name: 'room', goodFor: ['fitting'], busy: busyOf(c.room) }],
  client: spans(c.client),
  rooming: new Map([['fitting', { room: ['fitting'], buffer: 0 }]]),
  days: Array.from({ length: c.days }, (_, d) => ({ day: DAY(d), from: d * 1440, to: (d + 1) * 1440 })),
  now: 0,
});

const dayOfUnit = (u: number) => Math.floor(u / PER_DAY);
const can = (c: Case, h: number, any: readonly Skill[]) => any.some((k) => c.hands[h]!.skills.includes(k));

/** Whether a meeting can be held in that hour: everyone who takes part another hand, client and room free. */
function canMeet(c: Case, s: Step, u: number): boolean {
  if (!c.client[u] || !c.room[u]) return false;
  const free = [0, 1].filter((h) => c.hands[h]!.free[u]);
  if (s.hands.length === 1) return free.some((h) => can(c, h, s.hands[0]!));
  return free.some((a) => free.some((b) => a !== b && can(c, a, s.hands[0]!) && can(c, b, s.hands[1]!)));
}

/** Every way to end a step, in hours counted from the first, that begins no sooner than `from`; with its latest beginning. */
function* ways(c: Case, s: Step, from: number): Generator<{ start: number; end: number }> {
  const n = s.minutes / 60;
  const all = c.days * PER_DAY;
  for (let end = from + 1; end <= all; end++) {
    if (s.does === 'meeting') {
      if (canMeet(c, s, end - 1)) yield { start: end - 1, end };
      continue;
    }
    let best = -1;
    for (const h of [0, 1]) {
      if (!can(c, h, s.hands[0]!) || !c.hands[h]!.free[end - 1]) continue;
      for (let start = end - n; start >= from; start--) {
        const free = c.hands[h]!.free.slice(start, end).filter(Boolean).length;
        if (free >= n && c.hands[h]!.free[start]) {
          best = Math.max(best, start);
          break;
        }
      }
    }
    if (best >= 0) yield { start: best, end };
  }
}

/** All ways to lay the steps from the `first` on, one after the other; for each calls back with starts and ends. */
function everyWay(
  c: Case,
  first: number,
  seen: (starts: readonly number[], ends: readonly number[]) => void,
): void {
  const starts: number[] = [];
  const ends: number[] = [];
  const go = (i: number) => {
    if (i === c.steps.length) return seen(starts, ends);
    const s = c.steps[i]!;
    let from = i > first ? ends[i - 1]! : 0;
    for (const w of s.waits) {
      const k = Number(w.after.slice(1));
      // What ends at the end of a day's last hour ended on that day.
      if (k >= first) from = Math.max(from, (dayOfUnit(ends[k]! - 1) + w.days) * PER_DAY);
    }
    if (s.notBefore)
      from = Math.max(from, ((Date.parse(s.notBefore) - Date.parse(DAY(0))) / 86_400_000) * PER_DAY);
    for (const way of ways(c, s, from)) {
      starts[i] = way.start;
      ends[i] = way.end;
      go(i + 1);
    }
  };
  go(first);
}

const lastUnit = (c: Case) => {
  const day = c.steps.at(-1)!.notAfter!;
  return ((Date.parse(day) - Date.parse(DAY(0))) / 86_400_000 + 1) * PER_DAY;
};

describe('a plan held against every way there is', () => {
  const CASES = Array.from({ length: 150 }, (_, i) => randomCase(1000 + i * 7919));
  let possible = 0;
  let impossible = 0;
  it('has the same earliest ends, latest starts and the same answer whether it is possible', {
    timeout: 120_000,
  }, () => {
    for (const c of CASES) {
      const n = c.steps.length;
      const earliest = Array.from({ length: n }, () => Number.POSITIVE_INFINITY);
      everyWay(c, 0, (_, ends) => {
        for (const [i, e] of ends.entries()) earliest[i] = Math.min(earliest[i]!, e);
      });
      const book = bookOf(c);
      const early = forwards(book, c.steps);
      const whole = early.every((e) => e.stuck === null);
      expect(whole).toBe(earliest[0] !== Number.POSITIVE_INFINITY);
      if (whole) expect(early.map((e) => e.at!.end)).toEqual(earliest.map((e) => at(e - 1) + 60));
      const until = lastUnit(c);
      (whole && earliest[n - 1]! <= until ? () => possible++ : () => impossible++)();
      const late = backwards(book, c.steps);
      for (let i = n - 1; i >= 0; i--) {
        let latest = -1;
        everyWay(c, i, (starts, ends) => {
          if (ends[n - 1]! <= until) latest = Math.max(latest, starts[i]!);
        });
        expect(late[i]!.at?.start ?? null).toBe(latest < 0 ? null : at(latest));
      }
    }
    // Both kinds are among them, or nothing was tried.
    expect([possible > 20, impossible > 20]).toEqual([true, true]);
  });
  it('lays nothing where a hand, a room or the client is not free', () => {
    for (const c of CASES) {
      const book = bookOf(c);
      const freeAt = (free: readonly boolean[], span: Span) =>
        free.some((f, u) => f && at(u) <= span.from && span.from < at(u) + 60) &&
        spans(free).some((s) => s.from <= span.from && span.to <= s.to);
      for (const { step, at: laid } of [...forwards(book, c.steps), ...backwards(book, c.steps)]) {
        if (!laid) continue;
        for (const part of laid.parts) expect(freeAt(c.hands[laid.staff[0]! - 1]!.free, part)).toBe(true);
        if (step.does === 'work')
          expect(laid.parts.reduce((sum, p) => sum + p.to - p.from, 0)).toBe(step.minutes);
        else
          for (const free of [c.client, c.room, ...laid.staff.map((id) => c.hands[id - 1]!.free)])
            expect(freeAt(free, { from: laid.start, to: laid.end })).toBe(true);
      }
    }
  });
});
