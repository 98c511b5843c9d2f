import { findMeasure } from '../measures/catalogue.ts';
import { type Cm, cm } from '../units/length.ts';
import { FACTORS, NET, type NetRow, ownOf } from './table.ts';

/** What the other figures and last time lead one to expect of a measure. Lengths cm. */
export interface Expectation {
  readonly mean: Cm;
  readonly spread: Cm;
  /** the figures that say most of it, the weightiest first */
  readonly from: readonly { readonly id: string; readonly weight: number }[];
  /** last time’s figure, where it counts */
  readonly last: Cm | null;
  readonly source: string;
}

/** How much a figure of an adult moves between two sessions: of a girth, and of a height or length, cm. */
const MOVES = { girth: 0.025, length: 0.6 } as const;
/** The two sides of one client lie about so far apart. */
const SIDES = 0.03;
const K = FACTORS.length;

/** The factors that some figures lead one to expect: their mean, and how sure one is of them. */
interface Known {
  /** mean of each factor */
  readonly mean: readonly number[];
  /** covariance of the factors, row by row */
  readonly cov: readonly (readonly number[])[];
  /** how each figure moved the mean: covariance × its loads ÷ its own variance */
  readonly rows: readonly { readonly id: string; readonly row: NetRow; readonly z: number }[];
}

/** Conditional normal of the factors given the figures: (I + Σ lᵢlᵢᵀ/dᵢ)⁻¹. */
function factorsGiven(known: ReadonlyMap<string, number>): Known {
  const rows = [...known].flatMap(([id, value]) => {
    const row = NET[id];
    return row ? [{ id, row, z: (value - row.mean) / row.spread }] : [];
  });
  const precision = Array.from({ length: K }, (_, i) =>
    Array.from({ length: K }, (_, j) => (i === j ? 1 : 0)),
  );
  const pull = new Array<number>(K).fill(0);
  for (const { row, z } of rows) {
    const own = ownOf(row);
    for (let i = 0; i < K; i++) {
      pull[i]! += (row.loads[i]! * z) / own;
      for (let j = 0; j < K; j++) precision[i]![j]! += (row.loads[i]! * row.loads[j]!) / own;
    }
  }
  const cov = inverse(precision);
  return { mean: cov.map((r) => r.reduce((a, c, j) => a + c * pull[j]!, 0)), cov, rows };
}

/** The inverse of a small symmetric positive matrix (Gauss and Jordan). */
function inverse(m: readonly (readonly number[])[]): number[][] {
  const n = m.length;
  const a = m.map((row, i) => [...row, ...Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))]);
  for (let i = 0; i < n; i++) {
    const pivot = a[i]![i]!;
    for (let j = 0; j < 2 * n; j++) a[i]![j]! /= pivot;
    for (let k = 0; k < n; k++) {
      if (k === i) continue;
      const f = a[k]![i]!;
      for (let j = 0; j < 2 * n; j++) a[k]![j]! -= f * a[i]![j]!;
    }
  }
  return a.map((row) => row.slice(n));
}

/** Figures by the measures of the net: one side stands for both where the whole was not read. */
function based(others: ReadonlyMap<string, number>, except: string): Map<string, number> {
  const out = new Map<string, number>();
  const sides = new Map<string, number[]>();
  for (const [id, value] of others) {
    const of = findMeasure(id)?.of;
    if (of) sides.set(of, [...(sides.get(of) ?? []), value]);
    else out.set(id, value);
  }
  for (const [id, values] of sides)
    if (!out.has(id)) out.set(id, values.reduce((a, v) => a + v, 0) / values.length);
  out.delete(except);
  return out;
}

/**
 * What to expect of a measure: the conditional normal given the other figures of the session, joined with what last
 * time said. Null for what is a choice, or what the net does not hold.
 */
export function expectation(
  id: string,
  others: ReadonlyMap<string, number>,
  last: number | null = null,
): Expectation | null {
  const m = findMeasure(id);
  const base = m?.of ?? id;
  const row = NET[base];
  if (!m || m.choice || !row) return null;
  const { mean, cov, rows } = factorsGiven(based(others, base));
  const mid = row.mean + row.spread * row.loads.reduce((a, l, i) => a + l * mean[i]!, 0);
  const shared = row.loads.reduce(
    (a, l, i) => a + l * row.loads.reduce((b, k, j) => b + k * cov[i]![j]!, 0),
    0,
  );
  let [of, variance] = [mid, row.spread ** 2 * (shared + ownOf(row))];
  const join = (value: number, spread: number) => {
    const total = 1 / variance + 1 / spread ** 2;
    of = (of / variance + value / spread ** 2) / total;
    variance = 1 / total;
  };
  const other = m.of ? others.get(`${m.of}-${m.side === 'left' ? 'right' : 'left'}`) : undefined;
  if (other !== undefined) join(other, Math.max(0.6, other * SIDES));
  if (last !== null)
    join(last, m.kind === 'length' ? MOVES.length * (last > 60 ? 1.4 : 1) : last * MOVES.girth);
  const from = rows
    .map((r) => ({
      id: r.id,
      weight:
        row.loads.reduce((a, l, i) => a + l * r.row.loads.reduce((b, k, j) => b + cov[i]![j]! * k, 0), 0) /
        ownOf(r.row),
    }))
    .filter((f) => Math.abs(f.weight) > 0.04)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  return {
    mean: cm(of),
    spread: cm(Math.sqrt(variance)),
    from: from.slice(0, 3),
    last: last === null ? null : cm(last),
    source: row.source,
  };
}

/** How far a figure lies from what is expected, in spreads. */
export const surprise = (value: number, e: Pick<Expectation, 'mean' | 'spread'>): number =>
  (value - e.mean) / e.spread;
