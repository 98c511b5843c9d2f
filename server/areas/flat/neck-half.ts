import { type Cm, cm, resolveAll, type Sheet } from '@rocchetto/core';

/** Half the neck width, cm, and where it comes from. */
export interface NeckHalf {
  readonly half: Cm;
  readonly from: string;
}

/** Half the neck width of an order: as the sheet drafts it, else as it was read; null where neither is there. */
export function neckHalf(sheet: Sheet): NeckHalf | null {
  const figure = sheet.figures.find((f) => /\.neck-half$/.test(f.id));
  // As a hand marks it, which is what lies on the panels.
  const drafted = figure?.marked ?? figure?.finished ?? null;
  if (drafted !== null) return { half: drafted, from: 'as the sheet drafts the neck' };
  const read = resolveAll(sheet.input.readings).get('neck-width')?.net ?? null;
  return read === null ? null : { half: cm(read / 2), from: 'half of the neck width as it was measured' };
}
