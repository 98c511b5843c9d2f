import type { Panel } from '../draft/panel.ts';
import type { SheetInput } from './input.ts';
import type { LineWanted } from './lines.ts';
import { clothFor } from './other-cloths.ts';
import { isMain } from './seams.ts';

/**
 * What main panels of an underlined cloth are mounted on: cut as they are, darts, notches and allowances too. A panel that
 * its part has underlined by itself is not underlined again.
 */
export function underliningsOf(input: Pick<SheetInput, 'brief'>, panels: readonly Panel[]): Panel[] {
  const there = new Set(panels.map((p) => p.id));
  return panels.flatMap((p) => {
    const id = `${p.id}-underlining`;
    if (!isMain(p) || there.has(id) || !clothFor(input, p).underlining) return [];
    const mounted = 'mounted on the outer panel before anything is sewn, then both are handled as one';
    const note = [p.note, mounted].filter(Boolean).join('; ');
    return [{ ...p, id, name: `${p.name} underlining`, layer: 'underlining', note }];
  });
}

/** A part's lines over an underlined cloth: its thickness lies in them, once. */
export const linesOver = (
  wanted: readonly LineWanted[],
  { brief }: Pick<SheetInput, 'brief'>,
): readonly LineWanted[] =>
  brief.cloth.underlining
    ? wanted.map((w) =>
        w.layers?.includes('underlining') ? w : { ...w, layers: [...(w.layers ?? []), 'underlining'] },
      )
    : wanted;
