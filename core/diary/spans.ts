import type { Span } from './zoned.ts';

/** Spans in order, those that touch or overlap made one; empty ones left out. */
export function joined(spans: readonly Span[]): Span[] {
  const out: { from: number; to: number }[] = [];
  for (const s of [...spans].sort((a, b) => a.from - b.from)) {
    if (s.to <= s.from) continue;
    const last = out.at(-1);
    if (last && s.from <= last.to) last.to = Math.max(last.to, s.to);
    else out.push({ from: s.from, to: s.to });
  }
  return out;
}

/** Spans in order with a few more, in order too: as `joined` makes them of both. */
export function withMore(spans: readonly Span[], more: readonly Span[]): Span[] {
  const out = [...spans];
  for (const s of more) {
    if (s.to <= s.from) continue;
    // All that it touches or overlaps becomes one with it.
    let first = indexAt(out, s.from);
    if (first < 0 || out[first]!.to < s.from) first++;
    let [from, to, beyond] = [s.from, s.to, first];
    for (; beyond < out.length && out[beyond]!.from <= to; beyond++) {
      from = Math.min(from, out[beyond]!.from);
      to = Math.max(to, out[beyond]!.to);
    }
    out.splice(first, beyond - first, { from, to });
  }
  return out;
}

/** What is left of spans in order when others in order are taken out. */
export function without(spans: readonly Span[], taken: readonly Span[]): Span[] {
  const out: Span[] = [];
  let i = 0;
  for (const s of spans) {
    let from = s.from;
    while (i < taken.length && taken[i]!.to <= from) i++;
    if (i === taken.length || taken[i]!.from >= s.to) {
      if (from < s.to) out.push(s);
      continue;
    }
    for (let k = i; k < taken.length && taken[k]!.from < s.to; k++) {
      if (taken[k]!.from > from) out.push({ from, to: taken[k]!.from });
      from = Math.max(from, taken[k]!.to);
    }
    if (from < s.to) out.push({ from, to: s.to });
  }
  return out;
}

/** What two lists of spans in order have in common. */
export function common(a: readonly Span[], b: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (let i = 0, k = 0; i < a.length && k < b.length; ) {
    const from = Math.max(a[i]!.from, b[k]!.from);
    const to = Math.min(a[i]!.to, b[k]!.to);
    if (from < to) out.push({ from, to });
    if (a[i]!.to < b[k]!.to) i++;
    else k++;
  }
  return out;
}

/** The last of the spans in order that begins at or before `at`; −1 where none does. */
export function indexAt(spans: readonly Span[], at: number): number {
  let lo = 0;
  let hi = spans.length;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (spans[mid]!.from <= at) lo = mid + 1;
    else hi = mid;
  }
  return lo - 1;
}

/** Whether one of the spans in order holds all of [from, to). */
export const holds = (spans: readonly Span[], from: number, to: number): boolean => {
  const s = spans[indexAt(spans, from)];
  return s !== undefined && s.to >= to;
};

/** Whether none of the spans in order has anything of [from, to). */
export const clear = (spans: readonly Span[], from: number, to: number): boolean => {
  const s = spans[indexAt(spans, to - 1)];
  return s === undefined || s.to <= from;
};

/** Minutes of all of them. */
export const lengthOf = (spans: readonly Span[]): number => spans.reduce((sum, s) => sum + s.to - s.from, 0);
