import { percentile } from './percentile.ts';

export interface Measured {
  readonly median: number;
  readonly p95: number;
}
const of = (samples: readonly number[]): Measured => ({
  median: percentile(samples, 50),
  p95: percentile(samples, 95),
});

/**
 * Runs two things turn about, so that both meet the same machine, and answers the milliseconds of each.
 * @param warm turns that are not measured
 */
export async function interleaved(
  times: number,
  warm: number,
  bare: (i: number) => Promise<unknown>,
  ours: (i: number) => Promise<unknown>,
): Promise<{ bare: Measured; ours: Measured; ratio: number }> {
  const samples: [number[], number[]] = [[], []];
  for (let i = 0; i < warm + times; i++)
    for (const [k, run] of [bare, ours].entries()) {
      const t = performance.now();
      await run(i);
      if (i >= warm) samples[k as 0 | 1].push(performance.now() - t);
    }
  const [b, o] = samples.map(of) as [Measured, Measured];
  return { bare: b, ours: o, ratio: o.median / b.median };
}

export const ms = (n: number): string => (n < 10 ? n.toFixed(2) : n.toFixed(1));
export const line = (what: string, r: Awaited<ReturnType<typeof interleaved>>, bare: string, aim: string) =>
  `${what}: median ${ms(r.ours.median)} ms (p95 ${ms(r.ours.p95)}), ${bare} median ${ms(r.bare.median)} ms (p95 ${ms(r.bare.p95)}); ratio ${r.ratio.toFixed(2)}. ${aim}`;
