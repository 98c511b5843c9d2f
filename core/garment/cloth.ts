import { cutSize } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import { judge, pass, type RawCheck, warn } from '../figure/check.ts';
import type { Notion, Piece } from '../figure/figure.ts';
import { type Cm, cm, type SheetUnit } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Cloth, SheetInput } from './input.ts';
import { CLOTH_NAME, CLOTHS, type ClothId, panelsMark } from './laid-length.ts';
import { mayTurn, onBorder } from './on-cloth.ts';
import { clothFor, clothOf, clothOfPiece, clothsFor } from './other-cloths.ts';

/** Width a lining is sold in when nobody said, cm (house figure, no source). */
export const LINING_WIDTH = cm(140);
/** What is bought is rounded up to the next 5 cm or eighth of a yard (common practice). */
const BUY_STEP: Record<SheetUnit, number> = { cm: 5, in: 0.125 * 36 * 2.54 };

/** The width of cloth a panel is cut from, cm; null when it is not known. */
export const clothWidth = (input: SheetInput, panel: Pick<Panel, 'id' | 'layer' | 'is'>): Cm | null =>
  panel.layer === 'outer'
    ? clothFor(input, panel).width
    : panel.layer === 'interfacing'
      ? null
      : LINING_WIDTH;

/**
 * A half panel on the fold takes twice its width of cloth. Where the cloth is narrower it is turned, if it may be, or
 * gets a seam at the centre instead, with this allowance, and says so.
 */
export function foldOrSeam(input: SheetInput, panel: Panel, allowance: Cm): Panel {
  const width = clothWidth(input, panel);
  if (panel.cut !== 'fold' || width === null || 2 * cutSize(panel).width <= width + 1e-9) return panel;
  const cloth = clothFor(input, panel);
  if (mayTurn(panel, cloth) || onBorder(panel, cloth)) return panel;
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

/** What has to be laid on the cloth for a piece: a fold opened out, a pair as two, its length across where it is turned. */
const laid = (p: Piece): Lay[] => {
  if (p.width === null || p.length === null) return [];
  const [width, length] = [p.folded ? 2 * p.width : p.width, p.length];
  // On the bias it lies turned by 45°: the box round it is as wide as it is long.
  const across = (width + length) / Math.SQRT2;
  const one = p.grain.startsWith('on the bias: ')
    ? { width: across, length: across }
    : p.sideways
      ? { width: length, length: width }
      : { width, length };
  return Array.from({ length: p.count }, () => one);
};

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

const AS_LAID = 'as laid';
/** Whether the cloth to buy was laid, not counted in rows. */
export const isLaid = (n: Pick<Notion, 'note'>): boolean => n.note.startsWith(AS_LAID);

/** What a kept lay says of a cloth: its length while it is of these panels, a warning once they are others. */
function asLaid(input: SheetInput, of: ClothId, panels: readonly Panel[]): Notion | RawCheck | null {
  const kept = input.laid?.find((l) => l.of === of);
  if (!kept) return null;
  const name = CLOTH_NAME[of];
  if (kept.panels !== panelsMark(panels.filter((p) => clothOf(input, p) === of)))
    return warn(
      `lay-${of}`,
      null,
      `The lay “${kept.name}” of the ${name} was made for other panels than this sheet’s: lay it again before it is bought or cut.`,
    );
  const unit = input.house.rounding.unit;
  return {
    name,
    length: bought(kept.length, unit),
    bought: unit,
    note: `${AS_LAID}, “${kept.name}”: ${say(kept.length)} of ${say(kept.width)} wide, up to the next step in which cloth is sold`,
  };
}

/**
 * Cloth to buy for each layer, and whether every piece goes onto it: by a lay that was kept, else by pieces in rows.
 * @param panels the garment's, both sides where they are not alike
 */
export function clothToBuy(
  input: SheetInput,
  pieces: readonly Piece[],
  panels: readonly Panel[] = [],
): { readonly notions: Notion[]; readonly checks: RawCheck[] } {
  const notions: Notion[] = [];
  const checks: RawCheck[] = [];
  const outers = new Map(clothsFor(input.brief).map(({ of, cloth }) => [of, cloth]));
  for (const of of CLOTHS) {
    const kept = asLaid(input, of, panels);
    if (kept && 'code' in kept) checks.push(kept);
    else if (kept) {
      notions.push(kept);
      continue;
    }
    if (of === 'interfacing') continue;
    const own = pieces.filter((p) => clothOfPiece(p) === of);
    if (own.length === 0) continue;
    const outer = outers.get(of);
    const width = outer ? outer.width : LINING_WIDTH;
    const named = of === 'outer' ? '' : [...new Set(own.flatMap((p) => p.cloth ?? []))].join(', ');
    if (width === null) continue;
    const needed = lengthNeeded(own, width);
    // A piece without a size of its own keeps the length unknown, not what is wider than the cloth.
    if (needed !== null && own.some((p) => p.width === null)) continue;
    const name = CLOTH_NAME[of];
    const wide = needed === null ? own.find((p) => laid(p).some((l) => l.width > width + 1e-9)) : undefined;
    checks.push(
      judge(
        needed !== null,
        `cloth-${of}`,
        null,
        wide
          ? `${wide.name}: ${say(laid(wide)[0]!.width)} wide ${wide.sideways ? 'as it lies, across the cloth,' : ''} with its allowances, the ${name} ${say(width)}. ${outer && otherWay(outer) ? `Put a seam in: ${otherWay(outer)}, it cannot be turned.` : 'Cut it on the cross grain if stretch and pattern permit, or put a seam in.'}`
          : `Every piece of the ${name} goes onto ${say(width)} of width.`,
      ),
    );
    if (needed === null) continue;
    const unit = input.house.rounding.unit;
    notions.push({
      name,
      length: bought(needed, unit),
      bought: unit,
      note: `${named ? `${named}; ` : ''}pieces in rows, longest first, at ${say(width)} wide${outer ? '' : ' (the studio’s width)'}${outer?.oneWay ? ', all the same way up' : ''}; before shrinking`,
    });
  }
  return { notions, checks };
}

/** Why a panel of this cloth may not be turned; empty where it may. */
const otherWay = (cloth: Cloth): string =>
  cloth.bias
    ? 'it lies on the bias'
    : cloth.oneWay
      ? 'the cloth goes one way only'
      : cloth.stretch > 0
        ? 'the cloth stretches'
        : '';

/** What its cloths ask of the hand that cuts and sews it, each said once for the garment. */
export const clothChecks = (input: SheetInput, panels: readonly Panel[]): RawCheck[] =>
  clothsFor(input.brief).flatMap(({ of, cloth }) => {
    const own = panels.filter((p) => clothOf(input, p) === of);
    if (of !== 'outer') return own.length === 0 ? [] : asks(input, of, cloth, own);
    return asks(input, of, cloth, panels);
  });

/** @param own the panels that are cut from it; the order's own cloth is told of the whole garment */
function asks({ brief }: SheetInput, of: ClothId, cloth: Cloth, own: readonly Panel[]): RawCheck[] {
  const { lining, beneath } = brief;
  const main = of === 'outer';
  const code = (id: string) => (main ? `cloth-${id}` : `cloth-${of}-${id}`);
  const called = main ? 'cloth' : `${CLOTH_NAME[of]}${cloth.name ? ` (${cloth.name})` : ''}`;
  const found: RawCheck[] = [];
  if (cloth.frays && own.length > 0)
    found.push(
      pass(
        code('frays'),
        null,
        `The ${called} frays: thread marks instead of snipped notches, seams wide enough to overcast${cloth.underlining ? `; mounted on ${cloth.underlining}, both edges overcast together` : ''}.`,
      ),
    );
  if (cloth.bias && own.length > 0)
    found.push(
      pass(
        code('bias'),
        null,
        `${main ? 'Cut' : `The ${called} is cut`} on the bias: laid at 45°, opened out; hung one to three days before its hems are levelled and turned, since it goes on dropping.`,
      ),
    );
  const sheer = main ? 'Sheer cloth' : `The ${called} is sheer`;
  const through = cloth.underlining
    ? `its underlining (${cloth.underlining})`
    : lining
      ? `the lining (${lining})`
      : beneath && `what is worn beneath (${beneath})`;
  if (cloth.sheer)
    found.push(
      judge(
        through !== '',
        code('sheer'),
        null,
        through
          ? `${sheer}: French seams; ${through} shows through it.`
          : `${sheer}${main ? ', unlined' : ' and not lined'}: what lies beneath shows, facings and allowances too. Brief a lining, an underlining or what is worn beneath, and bind edges instead of facing them.`,
      ),
    );
  if (cloth.border && own.length > 0) {
    const on = own.filter((p) => p.layer === 'outer' && p.sideways && clothOf({ brief }, p) === of);
    found.push(
      judge(
        on.length > 0,
        code('border'),
        null,
        on.length > 0
          ? `The border${main ? '' : ` of the ${called}`} is placed first: ${on.map((p) => p.name).join(', ')} lie on it. The other panels are cut from what is left.`
          : `No panel${main ? '' : ` of the ${called}`} has a straight lower edge to lie on the border: it is cut off and laid on along the curve. Shape it with small darts or cuts between its motifs.`,
      ),
    );
  }
  return found;
}
