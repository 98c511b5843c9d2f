import {
  type Cm,
  computeSheet,
  findMeasure,
  formatSentence,
  printLength,
  readLength,
  resolveAll,
  type Sheet,
  type SheetUnit,
} from '@rocchetto/core';
import { chartFaults, EN_13402, type SizeChart, type Span } from '@rocchetto/core/compare/chart.ts';
import { type BodySeen, bodySeen } from '@rocchetto/core/compare/ease-seen.ts';
import { flatGround, flatTable } from '@rocchetto/core/compare/flat-table.ts';
import { type Graded, gradeSize } from '@rocchetto/core/compare/grade.ts';
import { type Ranking, rankSizes, type ZoneHeld } from '@rocchetto/core/compare/rank.ts';
import { guessChart, readChart, readSpan } from '@rocchetto/core/compare/read-chart.ts';
import { wishesOf } from '@rocchetto/core/compare/wish.ts';
import { isUpper, profileOf } from '@rocchetto/core/compare/zones.ts';
import { FLAT_CUTS, findFlatPoint, flatPoints } from '@rocchetto/core/measures/flat/flat-points.ts';
import { z } from 'zod';
import { Version } from './basics.ts';
import { lengthText } from './length.ts';
import { made } from './made.ts';
import { toCm } from './parse-length.ts';
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
  of: z.enum(['body', 'finished', 'lengths']),
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
export type ChartFileWrite = z.input<typeof ChartFile>;

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
    if (!(zero && /^\s*0/.test(text))) wrong.push(`${what}: ${formatSentence(read.sentence, file.unit)}`);
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
        wrong.push(`Size ${size}, ${findMeasure(id)!.name}: ${formatSentence(span, file.unit)}`);
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
  wrong.push(...chartFaults(chart).map((s) => formatSentence(s, file.unit)));
  if (wrong.length > 0) throw new ChartRefused(wrong);
  return chart;
}

/** A spec and a chart, compared without a studio: `./rocchetto compare`. */
export const CompareFile = z
  .strictObject({
    format: z.literal('rocchetto-compare'),
    version: z.literal(1),
    spec: SpecFile,
    chart: ChartFile.optional(),
    /** what was read off a pattern, toile or garment that lies flat, by point */
    flat: z
      .strictObject({
        cut: z.enum(FLAT_CUTS),
        tolerance: lengthText({ min: 0.1, max: 5, name: 'tolerance' }).nullable().default(null),
        points: z.record(z.string(), lengthText({ min: 0.1, max: 300, name: 'reading' })),
      })
      .superRefine(({ cut, points }, ctx) => {
        for (const point of Object.keys(points))
          if (!findFlatPoint(cut, point))
            ctx.addIssue({
              code: 'custom',
              path: ['points', point],
              message: `There is no such point on this piece. There are: ${flatPoints(cut)
                .map((p) => p.id)
                .join(', ')}.`,
            });
      })
      .optional(),
  })
  .refine((f) => f.chart || f.flat, 'Give a chart, or what was read off a piece that lies flat.');
export type CompareFile = z.infer<typeof CompareFile>;
/** The chart's shape as JSON Schema; a spec has its own (spec.schema.json). */
export const chartJsonSchema = () => z.toJSONSchema(ChartFile, { io: 'input' });

/** In what a hand marks a change of a pattern: a millimetre or a sixteenth, cm. */
const handStep = (unit: SheetUnit): Cm => (unit === 'cm' ? 0.1 : 2.54 / 16) as Cm;

/** The sizes of a chart for an order, the least work first, and what to change on each. */
export function comparison(sheet: Pick<Sheet, 'figures' | 'input'>, chart: SizeChart, unit: SheetUnit) {
  const measured = resolveAll(sheet.input.readings);
  const net = (id: string) => measured.get(id)?.net ?? null;
  const profile = profileOf(sheet.input.brief.parts);
  const hang = isUpper(profile) ? 'shoulder' : 'waist';
  const ranking = rankSizes(chart, profile, net, wishesOf(sheet, net, hang));
  return { ranking, body: bodySeen(net), grade: (name: string) => gradeFor(ranking, name, handStep(unit)) };
}
function gradeFor(ranking: Ranking, name: string, step: Cm) {
  const chosen = ranking.sizes.find((s) => s.name === name || s.row.size === name);
  return chosen && chosen.zones.length > 0 ? gradeSize(ranking, chosen, step) : null;
}

/** What `./rocchetto compare` prints: lengths in cm, sentences in the unit of the spec. */
export function compareFile(file: CompareFile) {
  const sheet = computeSheet(toSheetInput(file.spec));
  const unit = unitOf(file.spec);
  const said = (s: string) => formatSentence(s, unit);
  return {
    format: 'rocchetto-comparison' as const,
    version: 1 as const,
    lengths: 'cm' as const,
    ...(file.chart ? sizesSaid(sheet, file.chart, unit) : {}),
    ...(file.flat ? { flat: flatSaid(sheet, file.flat, said) } : {}),
  };
}

/** Of a piece that lies flat, every point that was read: as it is, as it should be, and what to do. */
function flatSaid(
  sheet: Sheet,
  { cut, points, tolerance }: NonNullable<CompareFile['flat']>,
  said: (s: string) => string,
) {
  const { rows, says } = flatTable(
    flatGround(sheet),
    cut,
    points,
    tolerance === null ? null : toCm(tolerance),
  );
  return {
    cut,
    says: says.map(said),
    points: rows
      .filter((r) => r.flat !== null)
      .map((r) => ({
        point: r.point.id,
        name: r.point.name,
        half: r.point.half,
        measured: r.flat,
        body: r.body,
        wanted: r.ease,
        should: r.should,
        differs: r.differs,
        tolerance: r.tolerance,
        within: r.within,
        says: r.change === null ? null : said(r.change),
        alteration: r.asked,
      })),
  };
}

function sizesSaid(sheet: Sheet, chart: ChartFile, unit: SheetUnit) {
  const { ranking, grade } = comparison(sheet, toChart(chart), unit);
  const said = (s: string) => formatSentence(s, unit);
  return {
    chart: chart.name,
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
      changes: (grade(s.name) ?? []).map((g) => ({
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

/** A chart that the house keeps. */
export const KeptChart = z.strictObject({ id: z.number(), version: z.number(), chart: ChartFile });
export type KeptChart = z.infer<typeof KeptChart>;
export const ChartChange = z.strictObject({ version: Version, chart: ChartFile });
export type ChartChange = z.infer<typeof ChartChange>;
/** What a column of a table holds. */
export const ChartColumnWire = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('leave') }),
  z.strictObject({ is: z.literal('size') }),
  z.strictObject({ is: z.literal('cup') }),
  z.strictObject({
    is: z.literal('measure'),
    id: MeasureId,
    unit: z.enum(['cm', 'in']),
    /** halves as they lie on a table, taken twice */
    half: z.boolean(),
  }),
]);
export type ChartColumnWire = z.infer<typeof ChartColumnWire>;
/** A table program's text, to be read as rows of cells; its columns as a hand has mapped them, guessed where none has. */
export const ChartText = z.strictObject({
  columns: z.array(ChartColumnWire).max(80).optional(),
  text: z.string().max(200_000, 'This file is over 200,000 characters. Is it a size chart?'),
});
export type ChartTextWrite = z.input<typeof ChartText>;
/** What its cells say when they are read as they were guessed or mapped; figures as they were written. */
export const ChartRead = z.strictObject({
  unit: z.enum(['cm', 'in']),
  measures: z.array(z.string()).readonly(),
  sizes: z
    .array(
      z.strictObject({ size: z.string(), cup: z.string().nullable(), at: z.record(z.string(), z.string()) }),
    )
    .readonly(),
  left: z.array(z.string()).readonly(),
  /** the table's columns, each by its head, as they were read */
  columns: z.array(z.strictObject({ head: z.string(), column: ChartColumnWire })).readonly(),
});
export type ChartRead = z.infer<typeof ChartRead>;

/** Chooses a size for an order: of which chart, 0 for the one that ships, and its name there. `version` 0 where none is chosen. */
export const SizeChoice = z.strictObject({
  chartId: z.number().int().min(0),
  size: z.string().max(40),
  version: z.number().int().min(0),
});
export type SizeChoice = z.infer<typeof SizeChoice>;

/** What is kept of a chosen size. */
export const StoredSize = z.strictObject({ version: z.literal(1), chart: ChartFile, size: z.string() });

/** The sizes of a chart held against an order, the least work first; sentences may hold lengths left open. */
export const SizesView = z.strictObject({
  chart: z.string(),
  of: z.enum(['body', 'finished', 'lengths']),
  by: z.string(),
  says: z.array(z.string()).readonly(),
  /** the body as its readings make it, to be drawn */
  body: made<BodySeen>(),
  sizes: z
    .array(
      z.strictObject({
        name: z.string(),
        says: z.string(),
        zones: z.array(made<ZoneHeld>()).readonly(),
      }),
    )
    .readonly(),
  chosen: z
    .strictObject({
      size: z.string(),
      chart: z.string(),
      by: z.string(),
      /** ISO instant */
      at: z.string(),
      version: z.number(),
      /** of the chart as it was when it was chosen, against the body as it is now; null where they cannot be compared */
      changes: z.array(made<Graded>()).readonly().nullable(),
    })
    .nullable(),
});
export type SizesView = z.infer<typeof SizesView>;

/** The chart that ships, as a file: steps of bodies, from memory. */
export const shippedChart = (): ChartFile =>
  ChartFile.parse({
    name: EN_13402.name,
    of: EN_13402.of,
    sizes: EN_13402.rows.map((r) => ({
      size: r.size,
      at: Object.fromEntries(Object.entries(r.at).map(([id, s]) => [id, `${s.least} cm`])),
    })),
  });

/** A chart's cells read as they are guessed, or as a hand has mapped their columns. */
export function readCells(
  cells: readonly (readonly string[])[],
  mapped?: readonly ChartColumnWire[],
): ChartRead {
  const guessed = guessChart(cells);
  // Columns of another table are none of this one.
  const map = mapped && mapped.length === guessed.columns.length ? { ...guessed, columns: mapped } : guessed;
  const heads = map.sizes === 'down' ? (cells[0] ?? []) : cells.map((r) => r[0] ?? '');
  const measures = map.columns.flatMap((c) => (c.is === 'measure' ? [c.id] : []));
  const inches = map.columns.filter((c) => c.is === 'measure' && c.unit === 'in').length;
  const unit: SheetUnit = inches * 2 > measures.length ? 'in' : 'cm';
  const { rows, left } = readChart(cells, map);
  return {
    unit,
    measures: [...new Set(measures)],
    sizes: rows.map((r) => ({
      size: r.size,
      cup: r.cup,
      at: Object.fromEntries(
        Object.entries(r.at).map(([id, s]) => [
          id,
          s.most - s.least < 1e-9
            ? printLength(s.least, unit)
            : `${printLength(s.least, unit)} – ${printLength(s.most, unit)}`,
        ]),
      ),
    })),
    left: left.map((s) => formatSentence(s, unit)),
    columns: map.columns.map((column, i) => ({ head: (heads[i] ?? '').slice(0, 60), column })),
  };
}
