import { findMeasure } from '../measures/catalogue.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';

/** A figure of a chart: one length, or from where to where a size goes, cm. */
export interface Span {
  readonly least: Cm;
  readonly most: Cm;
}
/** One size of a chart, one of its cups where it has them. */
export interface SizeRow {
  readonly size: string;
  readonly cup: string | null;
  /** by measure id; what the chart leaves blank is not there */
  readonly at: Readonly<Record<string, Span>>;
}
/** A chart of sizes: the bodies its maker drafted for, or what the garments measure. Lengths cm, girths whole. */
export interface SizeChart {
  readonly name: string;
  readonly of: 'body' | 'finished' | 'lengths';
  /** what its maker laid on the body, by measure id; of a body table only */
  readonly ease: Readonly<Record<string, Cm>>;
  /** what every finished figure holds for a seam at each edge, cm; 0 where they are left out */
  readonly allowance: Cm;
  readonly rows: readonly SizeRow[];
}

/** So many sizes a chart may have: more is no chart but a table of something else. */
export const MOST_SIZES = 400;

/** A size as it is called, its cup behind it where it has one: “38 C”. */
export const sizeName = (r: Pick<SizeRow, 'size' | 'cup'>): string => (r.cup ? `${r.size} ${r.cup}` : r.size);
/** The middle of what a row holds for one measure, cm. */
export const middleOf = ({ least, most }: Span): Cm => cm((least + most) / 2);

/** The measures that a chart gives for at least one size, in the order in which its rows bring them. */
export const chartMeasures = (chart: Pick<SizeChart, 'rows'>): readonly string[] => [
  ...new Set(chart.rows.flatMap((r) => Object.keys(r.at))),
];

const nameOf = (id: string) => findMeasure(id)?.name ?? id;

/** Why this is no chart that sizes can be chosen by, a sentence each; empty where it is one. */
export function chartFaults(chart: SizeChart): string[] {
  const faults: string[] = [];
  if (chart.rows.length === 0) faults.push('This chart has no sizes.');
  if (chart.rows.length > MOST_SIZES)
    faults.push(`This chart has ${chart.rows.length} sizes; ${MOST_SIZES} is the most. Is it a size chart?`);
  const seen = new Set<string>();
  for (const r of chart.rows) {
    const key = sizeName(r).toLowerCase();
    if (seen.has(key))
      faults.push(`Size ${sizeName(r)} is on this chart twice. Remove or rename one of them.`);
    seen.add(key);
    for (const [id, s] of Object.entries(r.at))
      if (s.least <= 0 || s.most < s.least - 1e-9)
        faults.push(`Size ${sizeName(r)}: ${nameOf(id)} from ${p(s.least)} to ${p(s.most)} is no length.`);
  }
  return faults;
}

/** What looks wrong in a chart and may be meant, a sentence each. */
export function chartDoubts(chart: SizeChart): string[] {
  const doubts: string[] = [];
  // By measure and cup, the rows that give it, in the order of the chart.
  const runs = new Map<string, { readonly id: string; readonly rows: SizeRow[] }>();
  for (const r of chart.rows)
    for (const id in r.at) {
      const key = `${id} ${r.cup ?? ''}`;
      const run = runs.get(key);
      if (run) run.rows.push(r);
      else runs.set(key, { id, rows: [r] });
    }
  for (const { id, rows } of runs.values()) {
    const middles = rows.map((r) => middleOf(r.at[id]!));
    const at = middles.findIndex((m, i) => i > 0 && m < middles[i - 1]! - 1e-9);
    // From the largest down is an order too.
    if (at < 0 || middles.every((m, i) => i === 0 || m <= middles[i - 1]! + 1e-9)) continue;
    doubts.push(
      `${nameOf(id)} falls from ${p(middles[at - 1]!)} in size ${sizeName(rows[at - 1]!)} to ${p(middles[at]!)} in size ${sizeName(rows[at]!)}. Is that a slip?`,
    );
  }
  if (chart.rows.some((r) => r.cup !== null) && !chartMeasures(chart).includes('high-bust'))
    doubts.push('It has cups and no high bust: a cup is told by the bust of its row only.');
  return doubts;
}

/** Body measurements of women in steps, bust 76 to 104, cm. Source: EN 13402-3, women's steps of bust, waist and hip (from memory). */
export const EN_13402: SizeChart = {
  name: 'EN 13402-3 steps, women (from memory)',
  of: 'body',
  ease: {},
  allowance: cm(0),
  rows: (
    [
      [76, 60, 84],
      [80, 64, 88],
      [84, 68, 92],
      [88, 72, 96],
      [92, 76, 100],
      [96, 80, 104],
      [100, 84, 108],
      [104, 88, 112],
      [110, 94, 117],
      [116, 100, 122],
      [122, 106, 127],
      [128, 112, 132],
    ] as const
  ).map(([bust, waist, hip]) => {
    const one = (x: number) => ({ least: cm(x), most: cm(x) });
    return { size: String(bust), cup: null, at: { bust: one(bust), waist: one(waist), hip: one(hip) } };
  }),
};
