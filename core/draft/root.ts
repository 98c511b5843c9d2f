/** The root of a growing function between two ends, by halving and by the chord in turn, to a micrometre; null where it has none between them. */
export function root(f: (x: number) => number, from: number, to: number): number | null {
  let [a, b, fa, fb] = [from, to, f(from), f(to)];
  if (fa > 0 || fb < 0) return null;
  for (let i = 0; i < 60 && b - a > 1e-6; i++) {
    // The chord is quick where the curve is smooth; halving keeps it honest.
    const x = i % 3 === 2 ? (a + b) / 2 : a + ((b - a) * -fa) / (fb - fa || 1);
    const at = Math.min(Math.max(x, a + 1e-9), b - 1e-9);
    const fx = f(at);
    if (Math.abs(fx) < 1e-7) return at;
    if (fx < 0) [a, fa] = [at, fx];
    else [b, fb] = [at, fx];
  }
  return (a + b) / 2;
}
