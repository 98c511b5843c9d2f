import {
  type Paper,
  type PatternQuery,
  type PatternView,
  type SheetView,
  sheetOfView,
  toSheetInput,
} from '@rocchetto/contract';
import { changesBetween, computeSheet, printDate, toilePanels } from '@rocchetto/core';
import { bySide } from '@rocchetto/core/garment/two-sides.ts';
import { arranged } from '@rocchetto/core/pattern/arrange.ts';
import { patternDxf } from '@rocchetto/core/pattern/dxf.ts';
import { type Pattern, patternOf } from '@rocchetto/core/pattern/pattern.ts';
import { seamsWalked } from '@rocchetto/core/pattern/seam-walk.ts';
import { patternSvg } from '@rocchetto/core/pattern/svg.ts';
import { sheetsIn, type TilesAsked, tilesOf } from '@rocchetto/core/pattern/tiles.ts';
import { wholeHalves } from '@rocchetto/core/pattern/whole-panels.ts';

/** All pieces in one drawing lie in rows of this width, cm. */
const DRAWING = 200;

/** Whose pattern it is: the client by code alone, since paper lies about. */
export interface PatternOf {
  readonly code: string;
  readonly day: string;
}

export const tilesAsked = (q: PatternQuery, paper: Paper): TilesAsked => ({
  paper: q.paper ?? (paper === 'Letter' ? 'letter' : 'a4'),
  way: q.way ?? 'portrait',
  apart: q.apart === '1',
});

/** An order's sheet as panels, and its pattern; null where nothing can be drafted yet. */
export function drafted(view: SheetView, of: PatternOf, q: Pick<PatternQuery, 'opened' | 'toile'>) {
  const sheet = computeSheet(toSheetInput(view.spec));
  const halves = wholeHalves(sheet);
  const toile = q.toile === '1';
  const panels = toile ? toilePanels(bySide(halves)) : bySide(halves);
  const { number } = view.spec.order;
  const pattern: Pattern | null =
    panels.length === 0
      ? null
      : patternOf(panels, {
          title: `${number}, revision ${view.revision}${toile ? ', toile' : ''}`,
          lines: [
            [toile ? 'toile' : '', number, of.code, `r${view.revision}`].filter(Boolean).join(' · '),
            view.status === 'draft'
              ? `draft, ${printDate(of.day, view.spec.dateOrder ?? 'dmy')}`
              : printDate(of.day, view.spec.dateOrder ?? 'dmy'),
          ],
          opened: q.opened === '1',
        });
  return { sheet, halves, panels, pattern };
}

export function patternView(view: SheetView, of: PatternOf, q: PatternQuery, paper: Paper): PatternView {
  const { sheet, halves, pattern } = drafted(view, of, q);
  return {
    order: view.spec.order.number,
    revision: view.revision,
    status: view.status,
    pattern,
    seams: seamsWalked(halves),
    paper: tilesAsked({}, paper).paper,
    sheets: pattern ? sheetsIn(tilesOf(pattern, tilesAsked(q, paper))) : 0,
    // What was agreed stays as it was printed; a draft of today may differ from it.
    moved: view.status === 'draft' ? [] : changesBetween(sheetOfView(view).figures, sheet.figures),
  };
}

/** The pattern in one drawing; null where nothing can be drafted yet. */
export function patternDrawing(
  view: SheetView,
  of: PatternOf,
  q: PatternQuery,
  as: 'svg' | 'dxf',
): string | null {
  const { pattern } = drafted(view, of, q);
  if (!pattern) return null;
  const lying = arranged(pattern.pieces, DRAWING);
  return as === 'svg' ? patternSvg(lying, pattern.title) : patternDxf(lying);
}
