import { zipStrokes } from './common/silhouette.ts';
import type { BodyLine } from './lines.ts';
import type { Drafted, GarmentContext, OpeningMade } from './part.ts';
import { NO_PICTURE, type Picture } from './picture.ts';

/** The zip as it is seen, from where it begins above the waist to where it ends below. */
export function zipPicture(
  { opens, closes, joint }: GarmentContext,
  { endsAt }: OpeningMade,
  made: readonly { draft: Drafted }[],
  lines: readonly BodyLine[],
): Picture {
  if (!opens || endsAt === null || made.every((m) => m.draft.panels.length === 0)) return NO_PICTURE;
  // A drawing's 0 is where the bodice ends.
  const up = made.map((m) => m.draft.up).find((u) => u != null) ?? 0;
  const top = up - (made.map((m) => m.draft.opensAbove).find((a) => a !== undefined) ?? 0);
  const levelOf = (l: BodyLine) => (l.zone === joint ? 0 : l.level === null ? top * 0.6 : l.level + up);
  const known = lines
    .filter((l) => l.front && l.back)
    .map((l) => [levelOf(l), l.front!.rounded] as const)
    .sort((a, b) => a[0] - b[0]);
  const halfAt = (y: number): number => {
    const below = known.findIndex(([level]) => level >= y);
    if (below <= 0) return (known[below === 0 ? 0 : known.length - 1] ?? [0, 20])[1];
    const [a, b] = [known[below - 1]!, known[below]!];
    return a[1] + ((b[1] - a[1]) * (y - a[0])) / (b[0] - a[0] || 1);
  };
  const at = { top, end: endsAt + up, halfAt };
  const [front, back] = [zipStrokes(opens, 'front', at), zipStrokes(opens, 'back', at)];
  // Buttons and lacing are drawn by the part that brings them.
  return closes === 'zip'
    ? { front, back }
    : { front: { ...front, strokes: [] }, back: { ...back, strokes: [] } };
}
