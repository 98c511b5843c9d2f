import { computeSheet, printSheet, type Sheet, type SheetUnit } from '@rocchetto/core';
import type { SpecFile } from './spec.ts';
import { toSheetInput, unitOf } from './to-core.ts';

/** The sheet as a JSON file: figures in cm with all their parts, and the same sheet printed. */
export function sheetFile(spec: SpecFile, sheet: Sheet, unit: SheetUnit) {
  const { figures, pieces, notions, allowances, checks, cautions, fit, missing } = sheet;
  return {
    format: 'rocchetto-sheet' as const,
    version: 1 as const,
    spec,
    lengths: 'cm' as const,
    figures,
    pieces,
    notions,
    allowances,
    checks,
    cautions,
    fit,
    missing,
    printed: printSheet(sheet, unit),
  };
}

/** From a spec to its sheet file, in one step. */
export function computeFile(spec: SpecFile, unit: SheetUnit = unitOf(spec)) {
  return sheetFile(spec, computeSheet(toSheetInput(spec)), unit);
}
