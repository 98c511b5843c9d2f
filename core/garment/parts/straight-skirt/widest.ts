import type { BodyLine, Lift, Zone } from '../../lines.ts';
import type { FitClass } from '../../tables/fit.ts';

type LineOf = (zone: Zone) => BodyLine | undefined;
const SKIRT_ZONES: readonly Zone[] = ['hip', 'tummy', 'high-hip', 'waist'];

/** The line a straight skirt falls from: its widest finished one, the hip where two are equal. Undefined without a hip or waist. */
export function widestLine(line: LineOf): BodyLine | undefined {
  const [hip, waist] = [line('hip'), line('waist')];
  if (hip?.figure.finished == null || waist?.figure.finished == null) return undefined;
  let wide = hip;
  for (const zone of SKIRT_ZONES) {
    const l = line(zone);
    if (l?.figure.finished != null && l.level !== null && l.figure.finished > wide.figure.finished! + 1e-9)
      wide = l;
  }
  return wide;
}

/** A skirt's lines from the waist down that are known, by level. */
export const linesBelow = (line: LineOf): BodyLine[] =>
  SKIRT_ZONES.flatMap((z) => line(z) ?? [])
    .filter((l) => l.level !== null && l.front !== null)
    .sort((a, b) => a.level! - b.level!);

/** Whether the waist is gathered or pleated instead of darted: as briefed, or because the fit is loose. */
export const freeness = (takenUp: string, fit: FitClass): 'gathers' | 'pleats' | null =>
  takenUp === 'gathers' || takenUp === 'pleats'
    ? takenUp
    : takenUp === 'by-fit' && (fit === 'loose' || fit === 'very-loose')
      ? 'gathers'
      : null;

/** What falls free of the widest line is as wide as that: everything below it, and everything under gathers. */
export function skirtLifts(takenUp: string, line: LineOf, fit: FitClass): Lift[] {
  const wide = widestLine(line);
  if (!wide) return [];
  const free = freeness(takenUp, fit) !== null && wide.zone !== 'waist';
  return SKIRT_ZONES.flatMap((zone): Lift[] => {
    const l = line(zone);
    if (!l || zone === wide.zone || zone === 'waist' || l.level === null) return [];
    if (l.level >= wide.level!)
      return [
        {
          zone,
          to: wide.zone,
          because: `A straight skirt falls straight from its widest line, the ${wide.figure.name}.`,
        },
      ];
    return free
      ? [{ zone, to: wide.zone, because: 'The cloth falls free of the fullness at the waist.' }]
      : [];
  });
}
