import type { Paper, PatternQuery, SheetView } from '@rocchetto/contract';
import type { LayKeep } from '@rocchetto/contract/cloth-lay.ts';
import type { ClothId } from '@rocchetto/contract/laid.ts';
import type { ClientMovesAsk, WouldMoveAsk } from '@rocchetto/contract/would-move.ts';
import type { SheetUnit } from '@rocchetto/core';
import { poolOf } from '../../threads/pool-of.ts';
import type { KeptRow } from './cloth.ts';
import type { PatternOf } from './pattern.ts';

/** What of a sheet takes a processor long enough that others would wait for it. */
export const SHEET_JOBS = {
  sheetPdf: async (view: SheetView, unit: SheetUnit, both: boolean) =>
    (await import('./pdf.ts')).sheetPdf(view, unit, both),
  benchCards: async (view: SheetView, unit: SheetUnit, address: string) =>
    (await import('./bench-cards.ts')).benchCardsPdf(view, unit, address),
  toile: async (view: SheetView, unit: SheetUnit) => (await import('./toile-pdf.ts')).toilePdf(view, unit),
  pattern: async (view: SheetView, of: PatternOf, q: PatternQuery, paper: Paper) =>
    (await import('./pattern.ts')).patternView(view, of, q, paper),
  patternDrawing: async (view: SheetView, of: PatternOf, q: PatternQuery, as: 'svg' | 'dxf') =>
    (await import('./pattern.ts')).patternDrawing(view, of, q, as),
  patternPdf: async (view: SheetView, of: PatternOf, q: PatternQuery, paper: Paper) =>
    (await import('./pattern-pdf.ts')).patternPdf(view, of, q, paper),
  chalkCard: async (view: SheetView, of: PatternOf, unit: SheetUnit) =>
    (await import('./chalk-card.ts')).chalkCardPdf(view, of, unit),
  cloth: async (view: SheetView, kept: readonly KeptRow[], unit: SheetUnit) =>
    (await import('./cloth.ts')).clothView(view, kept, unit),
  layJudged: async (view: SheetView, body: LayKeep) => (await import('./cloth.ts')).layJudged(view, body),
  layPdf: async (view: SheetView, kept: readonly KeptRow[], of: ClothId, code: string, unit: SheetUnit) =>
    (await import('./cloth-pdf.ts')).layPdf(view, kept, of, code, unit),
  /** What other rules would move, a piece of the open orders. */
  wouldMove: async (url: string, ask: WouldMoveAsk, now: string) =>
    (await import('./would-move.ts')).wouldMove(poolOf(url), ask, new Date(now)),
  /** What a client's measuring would move. */
  clientWouldMove: async (url: string, clientId: number, ask: ClientMovesAsk, now: string) =>
    (await import('./would-move.ts')).clientWouldMove(poolOf(url), clientId, ask, new Date(now)),
} as const;
export type SheetJobs = typeof SHEET_JOBS;
