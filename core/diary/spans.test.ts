import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clear, common, holds, indexAt, joined, lengthOf, withMore, without } from './spans.ts';
import type { Span } from './zoned.ts';

/** Every minute of spans, said again the slow way. */
const minutes = (spans: readonly Span[]): Set<number> =>
  new Set(spans.flatMap((s) => Array.from({ length: Math.max(0, s.to - s.from) }, (_, i) => s.from + i)));
const sorted = (set: ReadonlySet<number>) => [...set].sort((a, b) => a - b);

const span = fc
  .tuple(fc.integer({ min: 0, max: 120 }), fc.integer({ min: -3, max: 30 }))
  .map(([from, long]): Span => ({ from, to: from + long }));
const any = fc.array(span, { maxLength: 10 });
const inOrder = any.map(joined);

describe('spans against their minutes', () => {
  it('joined hold the same minutes, in order, none touching', () => {
    fc.assert(
      fc.property(any, (spans) => {
        const made = joined(spans);
        expect(sorted(minutes(made))).toEqual(sorted(minutes(spans)));
        for (const [i, s] of made.entries()) {
          expect(s.to).toBeGreaterThan(s.from);
          if (i > 0) expect(s.from).toBeGreaterThan(made[i - 1]!.to);
        }
      }),
    );
  });
  it('with a few more are what joining both gives', () => {
    fc.assert(
      fc.property(inOrder, inOrder, (spans, more) => {
        expect(withMore(spans, more)).toEqual(joined([...spans, ...more]));
      }),
      { numRuns: 1000 },
    );
  });
  it('without others hold what only the first hold', () => {
    fc.assert(
      fc.property(inOrder, inOrder, (a, b) => {
        const taken = minutes(b);
        expect(sorted(minutes(without(a, b)))).toEqual(sorted(minutes(a)).filter((m) => !taken.has(m)));
      }),
    );
  });
  it('in common hold what both hold, whichever comes first', () => {
    fc.assert(
      fc.property(inOrder, inOrder, (a, b) => {
        const other = minutes(b);
        expect(sorted(minutes(common(a, b)))).toEqual(sorted(minutes(a)).filter((m) => other.has(m)));
        expect(common(a, b)).toEqual(common(b, a));
      }),
    );
  });
  it('what is taken away and what is common make the whole', () => {
    fc.assert(
      fc.property(inOrder, inOrder, (a, b) => {
        expect(lengthOf(without(a, b)) + lengthOf(common(a, b))).toBe(lengthOf(a));
      }),
    );
  });
  it('hold or are clear of a stretch exactly when all or none of its minutes are theirs', () => {
    fc.assert(
      fc.property(
        inOrder,
        fc.integer({ min: 0, max: 150 }),
        fc.integer({ min: 1, max: 30 }),
        (a, from, long) => {
          const own = minutes(a);
          const asked = Array.from({ length: long }, (_, i) => from + i);
          expect(holds(a, from, from + long)).toBe(asked.every((m) => own.has(m)));
          expect(clear(a, from, from + long)).toBe(!asked.some((m) => own.has(m)));
        },
      ),
    );
  });
  it('the last that has begun is found', () => {
    fc.assert(
      fc.property(inOrder, fc.integer({ min: -5, max: 160 }), (a, at) => {
        const begun = a.filter((s) => s.from <= at);
        expect(indexAt(a, at)).toBe(begun.length - 1);
      }),
    );
  });
  it('of nothing there is nothing', () => {
    expect([joined([]), without([], []), common([], [{ from: 1, to: 2 }])]).toEqual([[], [], []]);
    expect([holds([], 1, 2), clear([], 1, 2), lengthOf([])]).toEqual([false, true, 0]);
  });
});
