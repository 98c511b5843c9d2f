import type { Cm } from '../units/length.ts';

/** How much at which distance along an edge, cm from its first point: out adds cloth (+), in takes it (−). */
export interface Station {
  readonly at: Cm;
  readonly by: Cm;
}
/** Stations in order; between two the amount runs straight, before the first and past the last it stays. */
export type Profile = readonly Station[];

/**
 * The amount at a distance: straight between stations, so that a taper from a at its start to nothing at distance L
 * is a × (1 − d ÷ L) at d (handbook of the house).
 */
export function amountAt(profile: Profile, along: number): number {
  const first = profile[0];
  if (!first) return 0;
  if (along <= first.at) return first.by;
  for (let i = 1; i < profile.length; i++) {
    const [a, b] = [profile[i - 1]!, profile[i]!];
    if (along <= b.at) return b.at === a.at ? b.by : a.by + ((b.by - a.by) * (along - a.at)) / (b.at - a.at);
  }
  return profile.at(-1)!.by;
}

/** The same amount all along. */
export const even = (by: number): Profile => [{ at: 0 as Cm, by: by as Cm }];

/** The same places, each amount so many times as much. */
export const scaled = (profile: Profile, times: number): Profile =>
  profile.map((s) => ({ at: s.at, by: (s.by * times) as Cm }));

/** The most that is added anywhere, cm; 0 where only cloth is taken. */
export const mostOut = (profile: Profile): number => Math.max(0, ...profile.map((s) => s.by));
