import { cutSize } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import { judge, type RawCheck } from '../figure/check.ts';
import type { Notion, Piece } from '../figure/figure.ts';
import { type Cm, cm, type SheetUnit } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { SheetInput } from './input.ts';

/** Width a lining is sold in when nobody said, cm (house figure, no source). */
export const LINING_WIDTH = cm(140);
/** What is bought is rounded up to the next 5 cm or eighth of a yard (common practice). */
const BUY_STEP: Record<SheetUnit, number> = { cm: 5, in: 0.125 * 36 * 2.54 };

/** The width of cloth a layer is cut from, cm; null when it is not known. */
export const clothWidth = (input: SheetInput, layer: Panel['layer']): Cm | null =>
  layer === 'outer' ? input.brief.cloth.width : layer === 'lining' ? LINING_WIDTH : null;

/**
 * A half panel on the fold takes twice its width of cloth. Where the cloth is narrower it gets a seam at the centre
 * instead, with this allowance, and says so.
 */
export function foldOrSeam(panel: Panel, width: Cm | null, allowance: Cm): Panel {
  if (panel.cut !== 'fold' || width === null || 2 * cutSize(panel).width <= width + 1e-9) return panel;
  return {
    ...panel,
    cut: 'pair',
    count: 2 * panel.count,
    edges: panel.edges.map((e) => (e.fold ? { ...e, fold: false, allowance } : e)),
    note: [
      panel.note,
      `seam at the centre: whole it is ${say(2 * cutSize(panel).width)} wide, the cloth ${say(width)}`,
    ]
      .filter(Boolean)
      .join('; '),
  };
}

interface Lay {
  readonly width: number;
  readonly length: number;
}

/** What has to be laid on the cloth for a piece: a fold opened out, a pair as two. */
const laid = (p: Piece): Lay[] =>
  p.width === null || p.length === null
    ? []
    : p.folded
      ? Array.from({ length: p.count }, () => ({ width: 2 * p.width!, length: p.length! }))
      : Array.from({ length: p.count }, () => ({ width: p.width!, length: p.length! }));

/** The length of cloth for pieces laid in rows side by side, longest first; null when one is wider than the cloth. */
export function lengthNeeded(pieces: readonly Piece[], width: Cm): Cm | null {
  const all = pieces.flatMap(laid).sort((a, b) => b.length - a.length);
  if (all.some((l) => l.width > width + 1e-9)) return null;
  const rows: { left: number; length: number }[] = [];
  for (const l of all) {
    const row = rows.find((r) => r.left >= l.width - 1e-9);
    if (row) row.left -= l.width;
    else rows.push({ left: width - l.width, length: l.length });
  }
  return cm(rows.reduce((sum, r) => sum + r.length, 0));
}

/** A length as it is bought: up to the next 5 cm or eighth of a yard. */
export const bought = (needed: Cm, unit: SheetUnit): Cm =>
  cm(Math.ceil(needed / BUY_STEP[unit] - 1e-9) * BUY_STEP[unit]);

/** Cloth to buy for each layer, and whether every piece goes onto it. */
export function clothToBuy(
  input: SheetInput,
  pieces: readonly Piece[],
): { readonly notions: Notion[]; readonly checks: RawCheck[] } {
  const notions: Notion[] = [];
  const checks: RawCheck[] = [];
  for (const layer of ['outer', 'lining'] as const) {
    const own = pieces.filter((p) => p.layer === layer);
    const width = clothWidth(input, layer);
    if (own.length === 0 || width === null || own.some((p) => p.width === null)) continue;
    const needed = lengthNeeded(own, width);
    const name = layer === 'outer' ? 'cloth' : 'lining';
    const wide = needed === null ? own.find((p) => laid(p).some((l) => l.width > width + 1e-9)) : undefined;
    checks.push(
      judge(
        needed !== null,
        `cloth-${layer}`,
        null,
        wide
          ? `${wide.name}: ${say(laid(wide)[0]!.width)} wide with its allowances, the ${name} ${say(width)}. Cut it on the cross grain if stretch and pattern permit, or put a seam in.`
          : `Every piece of the ${name} goes onto ${say(width)} of width.`,
      ),
    );
    if (needed === null) continue;
    const unit = input.house.rounding.unit;
    notions.push({
      name,
      length: bought(needed, unit),
      bought: unit,
      note: `pieces in rows, longest first, at ${say(width)} wide${layer === 'lining' ? ' (house width)' : ''}; before shrinking`,
    });
  }
  return { notions, checks };
}
