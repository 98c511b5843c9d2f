import { markedGirth } from '../figure/build.ts';
import type { SheetInput } from '../garment/input.ts';
import { findMeasure } from '../measures/catalogue.ts';
import type { Reading } from '../measures/session.ts';
import { computeSheet } from '../sheet/compute.ts';
import type { Cm } from '../units/length.ts';
import { middleOf, type SizeChart, type SizeRow } from './chart.ts';

/** Which figure of a sheet is what a chart calls by a measure’s name; the first that is there. */
const FIGURE_OF: readonly (readonly [measure: string, figures: readonly string[]])[] = [
  ['bust', ['bust']],
  ['underbust', ['underbust']],
  ['waist', ['waist', 'trousers.waist']],
  ['high-hip', ['high-hip']],
  ['hip', ['hip', 'trousers.round']],
  ['shoulder', ['bodice.shoulder', 'top.shoulder']],
  ['upper-arm', ['sleeve.upper-arm']],
  ['wrist', ['sleeve.end']],
  ['sleeve-length', ['sleeve.length']],
  ['garment-length', ['top.length']],
  ['thigh', ['trousers.thigh']],
  ['knee', ['trousers.knee']],
  ['inseam', ['trousers.inseam']],
  ['hem-front', ['skirt.hem-front']],
];

const reading = (measure: string, cm: Cm, like: SheetInput): Reading => ({
  id: `chart-${measure}`,
  measure,
  state: 'read',
  written: { value: `${Math.round(cm * 10_000)}/10000`, unit: 'cm', text: String(cm) },
  way: 'whole',
  tape: 'snug',
  source: 'taken here',
  replaces: null,
  reason: 'a size of a chart',
  note: '',
  by: '',
  wroteBy: '',
  at: `${like.asOf}T12:00:00.000Z`,
});

/**
 * A garment of the house in one size of a table of bodies: what it would measure finished, as its panels are marked. What
 * the row does not give is taken as this order has it where it is a length, and left out where it is a girth or a width of
 * another body. Changes agreed for the client and figures set by hand are left out.
 */
export function finishedRow(input: SheetInput, row: SizeRow): SizeRow {
  const lengths = input.readings.filter(
    (r) => findMeasure(r.measure)?.kind === 'length' && !row.at[r.measure],
  );
  const own = Object.entries(row.at).map(([id, s]) => reading(id, middleOf(s), input));
  const sheet = computeSheet({ ...input, readings: [...lengths, ...own], overrides: [], changes: [] });
  const at = Object.fromEntries(
    FIGURE_OF.flatMap(([measure, figures]) => {
      const f = figures.flatMap((id) => sheet.figures.find((x) => x.id === id) ?? [])[0];
      const cm = f ? markedGirth(f) : null;
      return cm === null ? [] : [[measure, { least: cm, most: cm }] as const];
    }),
  );
  return { size: row.size, cup: row.cup, at };
}

/** The same in every size of a chart of bodies. */
export const finishedTable = (input: SheetInput, chart: SizeChart): SizeRow[] =>
  chart.rows.map((row) => finishedRow(input, row));
