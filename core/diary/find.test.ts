import { describe, expect, it } from 'vitest';
import { seeded } from '../garment/testing.ts';
import { allTimes, type DiaryBook, findSeries, findTimes, nearestTo, type Question } from './find.ts';
import { ROOM_USES, SKILLS } from './kinds.ts';
import { joined } from './spans.ts';
import type { Span } from './zoned.ts';

const DAY = 1440;
/** A random week: up to six of the staff with hours, breaks and bookings, up to three rooms. */
function randomWeek(seed: number): { book: DiaryBook; q: Question } {
  const rnd = seeded(seed);
  const int = (n: number) => Math.floor(rnd() * n);
  const some = <T>(from: readonly T[], chance: number) => from.filter(() => rnd() < chance);
  const busy = (n: number) =>
    joined(
      Array.from({ length: n }, () => {
        const from = int(5) * DAY + 480 + int(110) * 5;
        return { from, to: from + 20 + int(20) * 5 };
      }),
    );
  const staff = Array.from({ length: 1 + int(6) }, (_, i) => ({
    id: i + 1,
    name: `Hand ${i + 1}`,
    skills: some(SKILLS, 0.5),
    works: joined(
      Array.from({ length: 5 }, (_, d) => [
        { from: d * DAY + 480 + int(6) * 15, to: d * DAY + 720 + int(3) * 15 },
        { from: d * DAY + 780 + int(4) * 15, to: d * DAY + 960 + int(8) * 15 },
      ]).flat(),
    ),
    busy: busy(int(14)),
  }));
  const rooms = Array.from({ length: int(4) }, (_, i) => ({
    id: i + 1,
    name: `Room ${i + 1}`,
    goodFor: some(ROOM_USES, 0.6),
    busy: busy(int(10)),
  }));
  const hands = Array.from({ length: 1 + int(3) }, () => some(SKILLS, 0.4)).map((any) =>
    any.length ? any : [SKILLS[int(SKILLS.length)]!],
  );
  const q: Question = {
    minutes: 20 + int(6) * 15,
    buffer: int(3) * 5,
    hands,
    room: rnd() < 0.3 ? null : some(ROOM_USES, 0.3),
    within: joined(
      Array.from({ length: 5 }, (_, d) => ({ from: d * DAY + 540, to: d * DAY + 1020 })).filter(
        () => rnd() < 0.8,
      ),
    ),
    step: rnd() < 0.5 ? 5 : 15,
    prefer: rnd() < 0.5 ? [1 + int(6)] : [],
  };
  return { book: { staff, rooms }, q };
}

/** A week as one mark for each minute. */
function marks(spans: readonly Span[]): Uint8Array {
  const week = new Uint8Array(7 * DAY);
  for (const s of spans) week.fill(1, Math.max(0, s.from), Math.max(0, s.to));
  return week;
}
const every = (week: Uint8Array, from: number, long: number, is: 0 | 1) => {
  for (let m = from; m < from + long; m++) if (week[m] !== is) return false;
  return true;
};

/** The same question answered minute by minute, sharing no code with the search. */
function bruteForce({ staff, rooms }: DiaryBook, q: Question): number[] {
  const within = marks(q.within);
  const people = staff.map((h) => ({ skills: h.skills, works: marks(h.works), busy: marks(h.busy) }));
  const fit = rooms.filter((r) => q.room?.every((u) => r.goodFor.includes(u))).map((r) => marks(r.busy));
  const can = (free: typeof people, hands: Question['hands']): boolean =>
    hands.length === 0 ||
    free.some(
      (p, i) =>
        hands[0]!.some((s) => p.skills.includes(s)) &&
        can(
          free.filter((_, k) => k !== i),
          hands.slice(1),
        ),
    );
  const found: number[] = [];
  const kept = q.minutes + q.buffer;
  for (let t = 0; t < 5 * DAY; t += q.step) {
    if (!every(within, t, q.minutes, 1)) continue;
    if (q.room !== null && !fit.some((busy) => every(busy, t, kept, 0))) continue;
    const free = people.filter((p) => every(p.works, t, q.minutes, 1) && every(p.busy, t, kept, 0));
    if (can(free, q.hands)) found.push(t);
  }
  return found;
}

describe('free times', () => {
  it('are those that a search by minutes finds, on 500 random weeks', () => {
    let some = 0;
    for (let seed = 1; seed <= 500; seed++) {
      const { book, q } = randomWeek(seed);
      const got = [...allTimes(book, q)];
      const expected = bruteForce(book, q);
      expect(
        got.map((t) => t.start),
        `week ${seed}`,
      ).toEqual(expected);
      if (expected.length > 0) some++;
      for (const t of got.slice(0, 20)) {
        expect(new Set(t.staff).size).toBe(q.hands.length);
        t.staff.forEach((id, i) => {
          const h = book.staff.find((s) => s.id === id)!;
          expect(q.hands[i]!.some((s) => h.skills.includes(s))).toBe(true);
        });
      }
    }
    // A test in which nothing is ever free would prove nothing.
    expect(some).toBeGreaterThan(100);
  });

  const day = (n: number, from: number, to: number) => ({ from: n * DAY + from * 60, to: n * DAY + to * 60 });
  const week = [0, 1, 2, 3, 4].map((d) => day(d, 9, 17));
  const hand = (id: number, skills: readonly (typeof SKILLS)[number][], busy: Span[] = []) => ({
    id,
    name: ['', 'Ada', 'Bea', 'Cleo'][id]!,
    skills,
    works: week,
    busy,
  });
  const room = { id: 1, name: 'Bay', goodFor: ['fitting'] as const, busy: [] };
  const q: Question = {
    minutes: 45,
    buffer: 10,
    hands: [['fitting']],
    room: ['fitting'],
    within: week,
    step: 15,
    prefer: [],
  };
  const halves = (at: number) => `${Math.floor(at / DAY)} ${at % DAY < 720 ? 'a' : 'b'}`;

  it('prefer the hand of last time, say so, and give another when she has none', () => {
    const book = { staff: [hand(1, ['fitting']), hand(2, ['fitting'], [day(0, 9, 17)])], rooms: [room] };
    const best = findTimes(book, { ...q, prefer: [2] }, halves);
    expect(best[0]).toMatchObject({
      start: DAY + 540,
      staff: [2],
      reasons: expect.arrayContaining(['with Bea, as before']),
    });
    const gone = { ...book, staff: [book.staff[0]!, hand(2, ['fitting'], week)] };
    expect(findTimes(gone, { ...q, prefer: [2] }, halves)[0]).toMatchObject({
      staff: [1],
      reasons: expect.arrayContaining(['not the person from before']),
    });
  });
  it('come spread over days and halves, at most two of each', () => {
    const times = findTimes({ staff: [hand(1, ['fitting'])], rooms: [room] }, q, halves, 12);
    expect(times).toHaveLength(12);
    const by = new Map<string, number>();
    for (const t of times) by.set(halves(t.start), (by.get(halves(t.start)) ?? 0) + 1);
    expect(Math.max(...by.values())).toBe(2);
    const inOrder = [...times].sort((a, b) => a.start - b.start);
    for (const [i, t] of inOrder.slice(1).entries())
      expect(t.start).toBeGreaterThanOrEqual(inOrder[i]!.end + q.buffer);
  });
  it('join on to what is there rather than leave a useless rest', () => {
    const book = { staff: [hand(1, ['fitting'], [day(0, 9, 10)])], rooms: [room] };
    const [best] = findTimes(book, { ...q, within: [day(0, 9, 13)] }, halves);
    expect(best).toMatchObject({ start: 600, reasons: ['next to another appointment'] });
  });
  it('need both of two: bridal with its own skill and another hand', () => {
    const bridal = { ...q, minutes: 90, hands: [['bridal'], ['fitting', 'bridal']] as const };
    const both = { staff: [hand(1, ['fitting', 'bridal']), hand(2, ['fitting'])], rooms: [room] };
    expect(findTimes(both, bridal, halves)[0]!.staff).toEqual([1, 2]);
    expect(findTimes({ ...both, staff: both.staff.slice(0, 1) }, bridal, halves)).toEqual([]);
  });
  it('before what they need is promised come last, each with the word, and later ones say nothing of it', () => {
    const book = { staff: [hand(1, ['fitting'])], rooms: [room] };
    const ready = { at: 2 * DAY, because: 'before the toile ready' };
    const all = [...allTimes(book, { ...q, ready })];
    const plain = [...allTimes(book, q)];
    // Nothing is taken away: what is promised may come sooner.
    expect(all.map((t) => t.start)).toEqual(plain.map((t) => t.start));
    for (const t of all) expect(t.reasons.includes(ready.because)).toBe(t.start < ready.at);
    const best = findTimes(book, { ...q, ready }, halves, 20).map((t) => t.start >= ready.at);
    expect(best).toEqual([...best].sort((a, b) => Number(b) - Number(a)));
    expect(best[0]).toBe(true);
    expect(findTimes(book, { ...q, ready: null }, halves)).toEqual(findTimes(book, q, halves));
  });
  it('tell whose day they would make too full, by how much, and come after days with room', () => {
    // Of Ada's 8 h the bench leaves half an hour on the first day, nothing on the second, just enough on the third.
    const bench = [
      { from: 0, to: DAY, left: 30 },
      { from: DAY, to: 2 * DAY, left: -60 },
      { from: 2 * DAY, to: 3 * DAY, left: 55 },
    ];
    const book = { staff: [{ ...hand(1, ['fitting']), bench }], rooms: [room] };
    const all = [...allTimes(book, q)];
    const plain = [...allTimes({ ...book, staff: [hand(1, ['fitting'])] }, q)];
    expect(all.map((t) => t.start)).toEqual(plain.map((t) => t.start));
    const said = (d: number) => [
      ...new Set(
        all
          .filter((t) => Math.floor(t.start / DAY) === d)
          .flatMap((t) => t.reasons.filter((r) => r.includes('too full'))),
      ),
    ];
    expect(said(0)).toEqual(['makes the day of Ada 25 min too full']);
    expect(said(1)).toEqual(['makes the day of Ada 55 min too full']);
    expect([...said(2), ...said(3)]).toEqual([]);
    expect(Math.floor(findTimes(book, q, halves)[0]!.start / DAY)).toBe(2);
  });
  it('nearest to one that was refused, before and after it', () => {
    const book = { staff: [hand(1, ['fitting'], [day(1, 11, 12)])], rooms: [room] };
    expect(nearestTo(book, q, DAY + 11 * 60).map((t) => t.start - DAY)).toEqual([600, 720, 585]);
  });
  it('in a series, at least so far apart, the last within its own days', () => {
    const weeks = [0, 7, 14, 21, 28].flatMap((w) => [0, 1, 2, 3, 4].map((d) => day(w + d, 9, 17)));
    const book = { staff: [{ ...hand(1, ['fitting']), works: weeks }], rooms: [room] };
    const one = { ...q, within: weeks };
    const series = findSeries(
      book,
      [one, one, one],
      10 * DAY,
      weeks.filter((s) => s.from >= 26 * DAY),
    );
    expect(series.map((t) => Math.floor(t.start / DAY))).toEqual([0, 10, 28]);
    expect(findSeries(book, [one, one, one], 20 * DAY)).toEqual([]);
  });
});
