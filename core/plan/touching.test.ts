import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PlannedStep } from './answer.ts';
import { passesOf, touchesOf } from './touching.ts';

const planned = (name: string, more: object): PlannedStep =>
  ({ step: { name, booked: null, given: null }, earliest: null, ...more }) as unknown as PlannedStep;

describe('threads from hand to hand', () => {
  it('pass where it is booked, else given, else at the earliest, in order of time', () => {
    const steps = [
      planned('cut', { earliest: { staff: [2], start: 900 } }),
      planned('fitting', {
        step: { name: 'fitting', booked: { staff: [1, 3], start: 500 }, given: null },
        earliest: { staff: [9], start: 100 },
      }),
      planned('hem', { step: { name: 'hem', booked: null, given: { staff: [2], last: 'Tuesday' } } }),
      planned('gone', { step: { name: 'gone', booked: null, given: { staff: [2], last: 'past' } } }),
      planned('nobody', {}),
    ];
    expect(passesOf(steps, (day) => (day === 'Tuesday' ? 700 : null))).toEqual([
      { staffId: 1, step: 'fitting', start: 500 },
      { staffId: 3, step: 'fitting', start: 500 },
      { staffId: 2, step: 'hem', start: 700 },
      { staffId: 2, step: 'cut', start: 900 },
    ]);
  });
  it('touch exactly where two orders have one hand on one day', () => {
    const pass = fc.record({ staffId: fc.integer({ min: 1, max: 3 }), day: fc.constantFrom('a', 'b', 'c') });
    fc.assert(
      fc.property(fc.array(fc.array(pass, { maxLength: 6 }), { maxLength: 5 }), (all) => {
        const orders = all.map((passes, id) => ({ id, passes }));
        const touches = touchesOf(orders);
        for (const staffId of [1, 2, 3])
          for (const day of ['a', 'b', 'c']) {
            const there = orders
              .filter((o) => o.passes.some((p) => p.staffId === staffId && p.day === day))
              .map((o) => o.id);
            const touch = touches.find((t) => t.staffId === staffId && t.day === day);
            expect(touch?.orders ?? []).toEqual(there.length > 1 ? there : []);
          }
      }),
    );
  });
});
