import { type SheetView, toSheetInput, unitOf } from '@rocchetto/contract';
import {
  type ClothView,
  type ClothWire,
  clothInHand,
  type KeptLay,
  type LayKeep,
} from '@rocchetto/contract/cloth-lay.ts';
import { computeSheet, formatSentence, printWithUnit, type SheetUnit } from '@rocchetto/core';
import { LINING_WIDTH } from '@rocchetto/core/garment/cloth.ts';
import { CLOTH_NAME, type ClothId, OTHERS } from '@rocchetto/core/garment/laid-length.ts';
import { byCloth } from '@rocchetto/core/lay/by-cloth.ts';
import { closedUp, standsInTheWay } from '@rocchetto/core/lay/legal.ts';
import { stripsToKeep } from '@rocchetto/core/lay/pieces.ts';

/** Widths that cloths are sold in where nobody said, and the selvedge that is not cut into (common practice, no source). */
const USUAL: Readonly<Record<SheetUnit, Readonly<Record<'outer' | 'interfacing' | 'selvedge', string>>>> = {
  cm: { outer: '140 cm', interfacing: '90 cm', selvedge: '1 cm' },
  in: { outer: '54 in', interfacing: '36 in', selvedge: '1/2 in' },
};
/** What the brief says of a cloth that outer panels are cut from; null for the others. */
const outerOf = ({ spec: { garment } }: SheetView, of: ClothId) =>
  of === 'outer' ? garment.cloth : ((garment.cloths ?? []).find((_, i) => OTHERS[i] === of) ?? null);

/** What the brief calls a cloth. */
function nameOf(view: SheetView, of: ClothId): string {
  const { cloth, cloths = [], lining } = view.spec.garment;
  if (of === 'lining') return lining;
  if (of === 'underlining')
    return [...new Set([cloth, ...cloths].flatMap((c) => c.underlining || []))].join(', ');
  return outerOf(view, of)?.name ?? '';
}

/** A kept lay as the database has it. */
export interface KeptRow extends Omit<KeptLay, 'stale'> {
  readonly of: ClothId;
  readonly panels: string;
}

const ofView = (view: SheetView) => byCloth(computeSheet(toSheetInput(view.spec)));

/** What a brief says of a cloth, to begin with. */
function clothOfBrief(view: SheetView, of: ClothId, unit: SheetUnit): ClothWire {
  const outer = outerOf(view, of);
  const written = outer
    ? (outer.width ?? USUAL[unit].outer)
    : of === 'interfacing'
      ? USUAL[unit].interfacing
      : printWithUnit(LINING_WIDTH, unit);
  return {
    width: written,
    length: null,
    selvedge: USUAL[unit].selvedge,
    shrinks: 0,
    oneWay: outer?.oneWay === true,
    bothSides: of === 'interfacing',
    repeat: null,
    flaws: [],
    strips: [],
  };
}

export function clothView(view: SheetView, kept: readonly KeptRow[], unit: SheetUnit): ClothView {
  return {
    order: view.spec.order.number,
    revision: view.revision,
    status: view.status,
    cloths: ofView(view).map(({ of, pieces, panels, rows }) => {
      const row = kept.find((k) => k.of === of);
      return {
        of,
        name: [CLOTH_NAME[of], nameOf(view, of)].filter(Boolean).join(', '),
        cloth: clothOfBrief(view, of, unit),
        pieces,
        panels,
        rows,
        kept: row ? keptOf(row, row.panels !== panels) : null,
      };
    }),
  };
}
const keptOf = ({ of: _, panels: __, ...row }: KeptRow, stale: boolean): KeptLay => ({ ...row, stale });

/** Whether a lay may be kept: of these panels, and as it can be cut. */
export function layJudged(
  view: SheetView,
  body: LayKeep,
): { readonly length: number } | { readonly refused: string; readonly moved: boolean } {
  const own = ofView(view).find((c) => c.of === body.of);
  if (!own)
    return {
      refused: `Nothing of this garment is cut from ${CLOTH_NAME[body.of]}. Nothing was kept.`,
      moved: false,
    };
  if (own.panels !== body.panels)
    return {
      refused:
        'The sheet’s panels have changed since these pieces were laid. Open the cloth again and lay them anew; nothing was kept.',
      moved: true,
    };
  const cloth = clothInHand(body.cloth);
  const pieces = [...own.pieces, ...stripsToKeep(cloth.strips)];
  const lay = closedUp(body.lay, pieces);
  const faults = [...standsInTheWay(lay, pieces, cloth)];
  if (faults.length > 0) {
    const [id, why] = faults[0]!;
    const named = pieces.find((p) => p.id === id.split('#')[0])?.name ?? id;
    return {
      refused: `This lay cannot be cut: ${named}: ${formatSentence(why[0]!, unitOf(view.spec))}${faults.length > 1 ? `, and ${faults.length - 1} more` : ''}. Nothing was kept.`,
      moved: false,
    };
  }
  return { length: lay.length };
}
