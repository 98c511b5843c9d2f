import { computeSheet, type Sheet } from '@rocchetto/core';
import { SpecFile } from './spec.ts';
import { toSheetInput } from './to-core.ts';

/** Readings as "waist 70 cm" lines. */
export const readings = (...lines: string[]) =>
  lines.map((l) => ({ measure: l.split(' ')[0]!, value: l.split(' ').slice(1).join(' ') }));

/** A spec of a straight skirt for tests: unlined, fitted, 62 cm long, vent, exact unless told otherwise. */
export function skirtSpec(
  lines: string[],
  more: { garment?: object; skirt?: object; house?: object; rest?: object } = {},
): SpecFile {
  return SpecFile.parse({
    format: 'rocchetto-spec',
    version: 2,
    garment: {
      parts: [
        {
          part: 'straight-skirt',
          length: '62 cm',
          hemOpening: 'vent',
          openingHeight: '18 cm',
          ...more.skirt,
        },
      ],
      ...more.garment,
    },
    session: { date: '2026-03-02', measurer: 'Fitter' },
    readings: readings(...lines),
    house: { rounding: { unit: 'cm', step: 0, mode: 'nearest' }, ...more.house },
    ...more.rest,
  });
}

export const sheetOf = (spec: SpecFile): Sheet => computeSheet(toSheetInput(spec));
export const figure = (sheet: Sheet, id: string) => {
  const found = sheet.figures.find((f) => f.id === id);
  if (!found) throw new Error(`no figure ${id}; there are ${sheet.figures.map((f) => f.id).join(' ')}`);
  return found;
};
