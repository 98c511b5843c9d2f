import {
  type AgreedChange,
  type Settings,
  type SpecFile,
  toAsked,
  toChange,
  toSheetInput,
  writtenOf,
} from '@rocchetto/contract';
import { computeSheet } from '@rocchetto/core';
import { alterationSentence, asSteps, isForSheet } from '@rocchetto/core/alter/index.ts';
import type { SheetGround } from '../../records/sheets.ts';

/** Changes agreed at fittings while the cloth is not cut: what was decided of each, and whether it can go into the sheet. */
export function agreedChanges(ground: SheetGround, settings: Settings, spec: SpecFile): AgreedChange[] {
  const own = ground.agreed.filter((a) => isForSheet(toAsked(a.asked).kind));
  if (own.length === 0) return [];
  const decided = new Map(settings.changes.map((c) => [c.alterationId, c.to]));
  // What is in the sheet already has moved its panels: the next one is tried on them as they are then.
  const bare = own.some((a) => !decided.has(a.id)) ? computeSheet(toSheetInput(spec)) : null;
  return own.map((a) => {
    const asked = toAsked(a.asked);
    const to = decided.get(a.id) ?? null;
    const way = to === null && bare ? toChange({ asked: a.asked, by: a.by, at: '' }).way(bare) : null;
    return {
      alterationId: a.id,
      sentence: alterationSentence(asked, writtenOf(a.asked)),
      to,
      cannot: way?.is === 'none' ? way.why : '',
      asStep: to === null && bare !== null && asSteps(asked, spec.garment.parts, bare.figures) !== null,
      by: a.by,
      version: a.version,
    };
  });
}
