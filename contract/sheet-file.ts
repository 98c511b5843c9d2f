import { computeSheet, formatSentence, type Kept, type SheetUnit, shownSheet } from '@rocchetto/core';
import { wholePanels } from '@rocchetto/core/pattern/whole-panels.ts';
import type { SpecFile } from './spec.ts';
import { toSheetInput, unitOf } from './to-core.ts';

/** The sheet as a JSON file: figures in cm with all their parts, and the same sheet printed. */
export function sheetFile(spec: SpecFile, sheet: Kept, unit: SheetUnit) {
  const { figures, checks } = sheet;
  return {
    format: 'rocchetto-sheet' as const,
    version: 2 as const,
    spec,
    lengths: 'cm' as const,
    figures,
    checks,
    printed: sheet.printed[unit],
  };
}

/** From a spec to its sheet file, in one step, with the panels it was read off. Lengths cm. */
export function computeFile(spec: SpecFile, unit: SheetUnit = unitOf(spec)) {
  const sheet = computeSheet(toSheetInput(spec));
  return { ...sheetFile(spec, shownSheet(sheet), unit), panels: wholePanels(sheet) };
}

/** What a spec sets by hand that its sheet cannot follow, a sentence each; empty when all of it can. */
export const refusedIn = (spec: SpecFile): string[] =>
  computeSheet(toSheetInput(spec)).refused.map(
    ({ override: o, sentence }) =>
      `${o.figure}, ${o.target} ${o.written}: ${formatSentence(sentence, unitOf(spec))}`,
  );
