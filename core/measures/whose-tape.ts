/** How consistently something is read: the technical error of measurement of pairs of readings. Lengths cm. */
export interface Tem {
  readonly pairs: number;
  readonly tem: number;
  readonly mean: number;
  /** TEM in per cent of the mean */
  readonly relative: number;
}

/**
 * TEM = √(Σd² ÷ 2n) over pairs of readings of one measurement, and in per cent of their mean.
 * Source: Ulijaszek and Kerr, British Journal of Nutrition 1999 (from memory). Null where there is no pair.
 */
export function temOf(pairs: readonly (readonly [number, number])[]): Tem | null {
  const n = pairs.length;
  if (n === 0) return null;
  const squares = pairs.reduce((s, [a, b]) => s + (a - b) ** 2, 0);
  const mean = pairs.reduce((s, [a, b]) => s + a + b, 0) / (2 * n);
  const tem = Math.sqrt(squares / (2 * n));
  return { pairs: n, tem, mean, relative: mean === 0 ? 0 : (100 * tem) / mean };
}

/** Fewer pairs than this say little about a hand. */
export const ENOUGH_PAIRS = 5;

/**
 * How a hand stands at a measure: what two readings may lie apart is allowed for one pair, so a TEM of its √½ is what
 * a steady hand just reaches.
 */
export function verdictOf(
  { pairs, tem }: Pick<Tem, 'pairs' | 'tem'>,
  allowed: number,
): 'too few' | 'steady' | 'strays' {
  if (pairs < ENOUGH_PAIRS) return 'too few';
  return tem <= allowed / Math.SQRT2 + 1e-9 ? 'steady' : 'strays';
}
