import type { BodyLine, Lift, Zone } from '../../lines.ts';
import type { FitClass } from '../../tables/fit.ts';

type LineOf = (zone: Zone) => BodyLine | undefined;
const SKIRT_ZONES: readonly Zone[] = ['hip', 'tummy', 'high-hip', 'waist'];

/** The line a straight skirt falls from: its widest finished one, the hip where two are equal. Undefined without a hip or waist. */
export function widestLine(line: LineOf): BodyLine | undefined {
  const [hip, waist] = [line('hip'), line('waist')];
  if (hip?.figure.finished == null || waist?.figure.finished == null) return undefined;
  // A hip raised to a wider line above it is not what the skirt falls from.
  let wide = (hip.asWideAs && line(hip.asWideAs)) || hip;
  for (const zone of SKIRT_ZONES) {
    const l = line(zone);
    if (
      l?.figure.finished != null &&
      l.level !== null &&
      !l.asWideAs &&
      l.figure.finished > wide.figure.finished! + 1e-9
    )
      wide = l;
  }
  return wide;
}

/** A skirt's lines from the waist down that are known, by level. */
export const linesBelow = (line: LineOf): BodyLine[] =>
  SKIRT_ZONES.map(line)
    .filter((l): l is BodyLine => l !== undefined && l.level !== null && l.front !== null)
    .sort((a, b) => a.level! - b.level!);

/** A side that runs out by less than this from waist to widest line has no bend, cm. */
export const LEAST_RUN = 0.5;

/** Of a skirt's lines, those between the waist and the widest that a face's side seam passes, with level and marked share. */
export const betweenLines = (lines: readonly BodyLine[], wide: BodyLine, face: 'front' | 'back') =>
  lines
    .filter((l) => l.level! > 1 && l.level! < wide.level! - 1 && l.zone !== wide.zone && l[face])
    .map((line) => ({ line, level: line.level!, share: line[face]!.rounded }));

/** Whether the waist is gathered or pleated instead of darted: as briefed, or because the fit is loose. */
export const freeness = (takenUp: string, fit: FitClass): 'gathers' | 'pleats' | null =>
  takenUp === 'gathers' || takenUp === 'pleats'
    ? takenUp
    : takenUp === 'by-fit' && (fit === 'loose' || fit === 'very-loose')
      ? 'gathers'
      : null;

/** Lines nearer to each other than this lie at one level, cm: a seam cannot have two widths there. */
const ONE_LEVEL = 1;

/**
 * What falls free of the widest line is as wide as that: everything below it, and everything under gathers. Of two lines
 * at one level the wider counts.
 */
export function skirtLifts(takenUp: string, line: LineOf, fit: FitClass): Lift[] {
  const wide = widestLine(line);
  if (!wide) return [];
  const free = freeness(takenUp, fit) !== null && wide.zone !== 'waist';
  const between = SKIRT_ZONES.map(line).filter(
    (l): l is BodyLine =>
      l !== undefined &&
      l.zone !== wide.zone &&
      l.zone !== 'waist' &&
      l.level !== null &&
      l.figure.finished !== null,
  );
  return between.flatMap((l): Lift[] => {
    const { zone } = l;
    const name = wide.figure.name;
    if (l.level! >= wide.level! - ONE_LEVEL)
      return [
        {
          zone,
          to: wide.zone,
          because: `A straight skirt falls straight from its widest line, the ${name}.`,
        },
      ];
    if (free) return [{ zone, to: wide.zone, because: 'The cloth falls free of the fullness at the waist.' }];
    const wider = between.find(
      (o) =>
        o !== l &&
        o.level! < wide.level! - ONE_LEVEL &&
        Math.abs(o.level! - l.level!) < ONE_LEVEL &&
        o.figure.finished! > l.figure.finished!,
    );
    return wider
      ? [
          {
            zone,
            to: wider.zone,
            because: `It lies at the level of the ${wider.figure.name}, which is wider.`,
          },
        ]
      : [];
  });
}

/** A quarter of a face from its waist to its widest line, as its takings are worked out from: marked shares and what lies between. Lengths cm. */
export const quarterOf = (
  lines: { readonly waist: BodyLine; readonly wide: BodyLine; readonly of: LineOf },
  face: 'front' | 'back',
) => ({
  waist: lines.waist[face]!.rounded,
  wide: lines.wide[face]!.rounded,
  wideName: lines.wide.figure.name,
  wideLevel: lines.wide.level!,
  between: betweenLines(linesBelow(lines.of), lines.wide, face),
});
