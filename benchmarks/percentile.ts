/** The p-th percentile (0 to 100) of the samples, nearest rank. */
export function percentile(samples: readonly number[], p: number): number {
  const sorted = [...samples].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil((p / 100) * sorted.length) - 1))]!;
}

/** Milliseconds of each of `times` runs, one after another, after `warm` unmeasured ones. */
export async function timed(
  times: number,
  warm: number,
  run: (i: number) => Promise<unknown> | unknown,
): Promise<number[]> {
  for (let i = 0; i < warm; i++) await run(i);
  const samples: number[] = [];
  for (let i = 0; i < times; i++) {
    const t = performance.now();
    await run(i);
    samples.push(performance.now() - t);
  }
  return samples;
}
