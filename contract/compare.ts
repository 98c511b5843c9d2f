import {
  type Cm,
  chartFaults,
  computeSheet,
  findMeasure,
  gradeSize,
  profileOf,
  type Ranking,
  rankSizes,
  readLength,
  readSpan,
  resolveAll,
  type Sheet,
  type SheetUnit,
  type SizeChart,
  type Span,
  tell,
  wishesOf,
} from '@rocchetto/core';
import { z } from 'zod';
import { SpecFile } from './spec.ts';
import { toSheetInput, unitOf } from './to-core.ts';

const Figure = z.union([z.string().max(40), z.number()]).transform(String);
const MeasureId = z.string().refine((id) => findMeasure(id) !== undefined, {
  error: (i) => `There is no measurement “${String(i.input).slice(0, 40)}”.`,
});
const length = z.string().max(40);

/** A chart of sizes as a file or a table writes it: figures with or without a unit, ranges, blanks. */
export const ChartFile = z.strictObject({
  format: z.literal('rocchetto-chart').default('rocchetto-chart'),
  version: z.literal(1).default(1),
  name: z.string().trim().min(1, 'Enter a name for the chart.').max(80),
  of: z.enum(['body', 'finished']),
  /** what a figure without a unit means */
  unit: z.enum(['cm', 'in']).default('cm'),
  /** what its maker laid on the body, by measurement */
  ease: z.record(MeasureId, length).default({}),
  /** what its finished figures hold for a seam at each edge */
  allowance: length.default('0 cm'),
  sizes: z
    .array(
      z.strictObject({
        size: z.union([z.string().trim().min(1).max(20), z.number()]).transform(String),
        cup: z.string().trim().max(10).nullable().default(null),
        at: z.record(MeasureId, Figure),
      }),
    )
    .min(1, 'Enter at least one size.')
    .max(400, 'A chart has at most 400 sizes. Is this a size chart?'),
});
export type ChartFile = z.infer<typeof ChartFile>;

/** A chart of which something cannot be read, with a sentence for each. */
export class ChartRefused extends Error {
  readonly sentences: readonly string[];
  constructor(sentences: readonly string[]) {
    super(sentences.join(' '));
    this.sentences = sentences;
  }
}

/** The chart that a file writes. @throws ChartRefused with a sentence for every figure that is none */
export function toChart(file: ChartFile): SizeChart {
  const wrong: string[] = [];
  const one = (text: string, what: string, zero = false): Cm => {
    const read = readLength(text, file.unit, true);
    if (read.ok) return read.cm;
    if (!(zero && /^\s*0/.test(text))) wrong.push(`${what}: ${tell(read.sentence, file.unit)}`);
    return 0 as Cm;
  };
  const rows = file.sizes.map(({ size, cup, at }) => ({
    size,
    cup: cup === '' ? null : cup,
    at: Object.fromEntries(
      Object.entries(at).flatMap(([id, text]): [string, Span][] => {
        if (text.trim() === '') return [];
        const span = readSpan(text, file.unit);
        if (typeof span !== 'string') return [[id, span]];
        wrong.push(`Size ${size}, ${findMeasure(id)!.name}: ${tell(span, file.unit)}`);
        return [];
      }),
    ),
  }));
  const chart: SizeChart = {
    name: file.name,
    of: file.of,
    ease: Object.fromEntries(
      Object.entries(file.ease).map(([id, text]) => [
        id,
        one(text, `Ease at the ${findMeasure(id)!.name}`, true),
      ]),
    ),
    allowance: one(file.allowance, 'Seam allowance', true),
    rows,
  };
  wrong.push(...chartFaults(chart).map((s) => tell(s, file.unit)));
  if (wrong.length > 0) throw new ChartRefused(wrong);
  return chart;
}

/** A spec and a chart, compared without a studio: `./rocchetto compare`. */
export const CompareFile = z.strictObject({
  format: z.literal('rocchetto-compare'),
  version: z.literal(1),
  spec: SpecFile,
  chart: ChartFile,
});
export type CompareFile = z.infer<typeof CompareFile>;

/** In what a hand marks a change of a pattern: a millimetre or a sixteenth, cm. */
const handStep = (unit: SheetUnit): Cm => (unit === 'cm' ? 0.1 : 2.54 / 16) as Cm;

/** The sizes of a chart for an order, the least work first, and what to change on each. */
export function comparison(sheet: Pick<Sheet, 'figures' | 'input'>, chart: SizeChart, unit: SheetUnit) {
  const measured = resolveAll(sheet.input.readings);
  const net = (id: string) => measured.get(id)?.net ?? null;
  const profile = profileOf(sheet.input.brief.parts);
  const hang = profile === 'upper' ? 'shoulder' : 'waist';
  const ranking = rankSizes(chart, profile, net, wishesOf(sheet, net, hang));
  return { ranking, grade: (name: string) => gradeFor(ranking, name, handStep(unit)) };
}
function gradeFor(ranking: Ranking, name: string, step: Cm) {
  const chosen = ranking.sizes.find((s) => s.name === name);
  return chosen ? gradeSize(ranking, chosen, step) : [];
}

/** What `./rocchetto compare` prints: lengths in cm, sentences in the unit of the spec. */
export function compareFile(file: CompareFile) {
  const sheet = computeSheet(toSheetInput(file.spec));
  const unit = unitOf(file.spec);
  const { ranking, grade } = comparison(sheet, toChart(file.chart), unit);
  const said = (s: string) => tell(s, unit);
  return {
    format: 'rocchetto-comparison' as const,
    version: 1 as const,
    lengths: 'cm' as const,
    chart: file.chart.name,
    by: ranking.by,
    says: ranking.says.map(said),
    sizes: ranking.sizes.map((s) => ({
      size: s.name,
      says: said(s.says),
      work: s.work,
      zones: s.zones.map((h) => ({
        measure: h.id,
        name: h.name,
        body: h.body,
        finished: h.finished,
        ease: h.ease,
        wanted: h.wish.want,
        because: said(h.wish.because),
        off: h.off,
        underFloor: h.underFloor,
      })),
      changes: grade(s.name).map((g) => ({
        measure: g.zone,
        perEdge: g.perEdge,
        edges: g.edges,
        total: g.total,
        line: g.line,
        says: said(g.sentence),
      })),
    })),
  };
}
