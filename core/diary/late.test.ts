import { describe, expect, it } from 'vitest';
import { seeded } from '../garment/testing.ts';
import { type DayKept, ifLate } from './late.ts';

const at = (
  id: number,
  start: number,
  long: number,
  staff: number[],
  roomId: number | null = null,
): DayKept => ({
  id,
  start,
  end: start + long,
  buffer: 10,
  staff,
  roomId,
});

describe('somebody comes late', () => {
  const day = [
    at(1, 600, 45, [1], 1),
    at(2, 660, 45, [1], 2),
    at(3, 665, 30, [2], 1),
    at(4, 760, 45, [1], 2),
    at(5, 600, 60, [3]),
  ];
  it('pushes what follows on the same hands or in the same room, less what lies between', () => {
    // 10:00 to 10:45 and 10 for changing: free at 10:55. 20 late: free at 11:15, so 15 for the one at 11:00 and 10 for the one at 11:05.
    expect(ifLate(day, 1, 20).map((p) => [p.id, p.by])).toEqual([
      [1, 20],
      [2, 15],
      [3, 10],
    ]);
    expect(ifLate(day, 1, 5).map((p) => p.id)).toEqual([1]);
    // An hour and a half later it reaches the one at 12:40 too.
    expect(ifLate(day, 1, 90).map((p) => [p.id, p.by])).toEqual([
      [1, 90],
      [2, 85],
      [3, 80],
      [4, 40],
    ]);
  });
  it('touches nothing before it, and nothing when nobody is late', () => {
    expect(ifLate(day, 4, 30).map((p) => p.id)).toEqual([4]);
    expect(ifLate(day, 1, 0)).toEqual([]);
    expect(ifLate(day, 99, 10)).toEqual([]);
  });
  it('never leaves two at once, and never pushes further than it is late, on random days', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const rnd = seeded(seed);
      const free = new Map<number, number>();
      const random = Array.from({ length: 12 }, (_, i) => {
        const who = 1 + Math.floor(rnd() * 3);
        const start = (free.get(who) ?? 540) + Math.floor(rnd() * 6) * 5;
        const a = at(i, start, 20 + Math.floor(rnd() * 8) * 5, [who]);
        free.set(who, a.end + a.buffer);
        return a;
      });
      const minutes = 5 + Math.floor(rnd() * 20) * 5;
      const late = Math.floor(rnd() * 12);
      const moved = new Map(ifLate(random, late, minutes).map((p) => [p.id, p.by]));
      const now = random.map((a) => ({
        ...a,
        start: a.start + (moved.get(a.id) ?? 0),
        end: a.end + (moved.get(a.id) ?? 0),
      }));
      expect(Math.max(...moved.values())).toBe(minutes);
      for (const a of now)
        for (const b of now)
          if (a.id < b.id && a.staff[0] === b.staff[0])
            expect(a.end + a.buffer <= b.start || b.end + b.buffer <= a.start, `day ${seed}`).toBe(true);
    }
  });
});
