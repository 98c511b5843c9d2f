import { bySide, unlike } from '../garment/two-sides.ts';
import { type WholePanel, wholePattern, type ZipIn } from '../garment/whole.ts';
import type { Sheet } from '../sheet/compute.ts';

type Drafted = Pick<Sheet, 'panels' | 'left' | 'figures' | 'input'>;
/** Both halves as a paper pattern carries them; a left panel that is as the right one is the right one. */
export function wholeHalves(sheet: Drafted): {
  readonly right: readonly WholePanel[];
  readonly left: readonly WholePanel[];
} {
  const { panels, left } = sheet;
  const zip = zipOf(sheet);
  const right = wholePattern(panels, zip);
  if (left === panels) return { right, left: right };
  const own = new Set(unlike({ right: panels, left }).map((u) => u.left.id));
  const by = new Map(right.map((p) => [p.id, p]));
  return { right, left: wholePattern(left, zip).map((p) => (own.has(p.id) ? p : by.get(p.id)!)) };
}

/** The panels of a sheet as a paper pattern carries them, each side for itself where they are not alike. */
export const wholePanels = (sheet: Drafted): WholePanel[] => bySide(wholeHalves(sheet));

function zipOf({ figures, input }: Pick<Sheet, 'figures' | 'input'>): ZipIn | null {
  const length = figures.find((f) => f.id === 'zip')?.finished ?? null;
  const opens = input.brief.parts.map((p) => p.zip).find((z) => typeof z === 'string');
  return length === null || typeof opens !== 'string' ? null : { opens, length };
}
