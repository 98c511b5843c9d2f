import { computeSheet, type Kept, type Sheet, type SheetUnit, shownSheet, tell } from '@rocchetto/core';
import { bySide, unlike } from '@rocchetto/core/garment/two-sides.ts';
import { wholePattern } from '@rocchetto/core/garment/whole.ts';
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
  const opening = sheet.figures.find((f) => f.id === 'zip')?.finished ?? null;
  const opens = sheet.input.brief.parts.map((p) => p.zip).find((z) => typeof z === 'string') as
    | string
    | undefined;
  const zip = opening === null || opens === undefined ? null : { opens, length: opening };
  return { ...sheetFile(spec, shownSheet(sheet), unit), panels: wholeBySide(sheet, zip) };
}

/** Every panel whole, each side for itself where they are not alike. */
function wholeBySide({ panels, left }: Sheet, zip: Parameters<typeof wholePattern>[1]) {
  const right = wholePattern(panels, zip);
  if (left === panels) return right;
  const own = new Set(unlike({ right: panels, left }).map((u) => u.left.id));
  const by = new Map(right.map((p) => [p.id, p]));
  return bySide({ right, left: wholePattern(left, zip).map((p) => (own.has(p.id) ? p : by.get(p.id)!)) });
}

/** What a spec sets by hand that its sheet cannot follow, a sentence each; empty when all of it can. */
export const refusedIn = (spec: SpecFile): string[] =>
  computeSheet(toSheetInput(spec)).refused.map(
    ({ override: o, sentence }) => `${o.figure}, ${o.target} ${o.written}: ${tell(sentence, unitOf(spec))}`,
  );
