import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  ChartFile,
  ChartRefused,
  CompareFile,
  chartJsonSchema,
  compareFile,
  readCells,
  toChart,
} from './compare.ts';

const doc = (name: string) =>
  JSON.parse(readFileSync(new URL(`../docs/${name}`, import.meta.url), 'utf8')) as never;
const chart = (sizes: readonly object[], more: object = {}) =>
  ChartFile.parse({ name: 'c', of: 'body', sizes, ...more });

describe('a chart’s file', () => {
  it('has a JSON Schema in docs/ that is the one the code makes', () =>
    expect(doc('chart.schema.json')).toEqual(JSON.parse(JSON.stringify(chartJsonSchema()))));
  it('is read in its unit, ranges and units of single figures too', () => {
    const c = toChart(
      chart([{ size: 12, at: { bust: '34 - 36', waist: 27.5, hip: '96 cm' } }], {
        unit: 'in',
        ease: { bust: '2' },
        allowance: '5/8',
      }),
    );
    expect(c.rows[0]).toMatchObject({ size: '12', cup: null });
    expect(c.rows[0]!.at.bust!.least).toBeCloseTo(34 * 2.54, 9);
    expect(c.rows[0]!.at.waist!.most).toBeCloseTo(27.5 * 2.54, 9);
    expect(c.rows[0]!.at.hip!.least).toBe(96);
    expect([c.ease.bust, c.allowance]).toEqual([5.08, expect.closeTo(0.625 * 2.54, 9)]);
  });
  it('tells every figure that is none at once', () => {
    const bad = chart([{ size: '12', at: { bust: 'wide', hip: '-4' } }], { allowance: 'some' });
    expect(() => toChart(bad)).toThrow(ChartRefused);
    try {
      toChart(bad);
    } catch (e) {
      const said = (e as ChartRefused).sentences.join(' ');
      expect(said).toMatch(/Size 12, bust.*Size 12, hip.*Seam allowance/);
    }
  });
  it.each([[{}], [{ sizes: [] }], [{ name: ' ' }], [{ of: 'both' }], [{ sizes: [{ size: '', at: {} }] }]])(
    'refuses %j',
    (more) =>
      expect(
        ChartFile.safeParse({
          name: 'c',
          of: 'body',
          ...(Object.keys(more).length > 0 ? { sizes: [{ size: 1, at: {} }] } : {}),
          ...more,
        }).success,
      ).toBe(false),
  );
});

describe('a comparison', () => {
  it('of docs/example-compare.json is what docs/worked/compare/ works by hand', () => {
    const made = compareFile(CompareFile.parse(doc('example-compare.json')));
    expect(made.sizes.map((s) => s.size)).toEqual(['12', '14', '10']);
    const inches = (of: string) =>
      made.sizes.find((s) => s.size === of)!.zones.map((z) => Math.round((z.ease / 2.54) * 1e6) / 1e6);
    expect(inches('12')).toEqual([0.5, 0.5, -0.75]);
    expect(inches('14')).toEqual([2.5, 2.5, 1.25]);
    expect(inches('10')).toEqual([-1.5, -1.5, -2.75]);
    expect(made.sizes[0]!.changes.map((c) => c.says)).toEqual([
      'Waist: add 1⁄4 in at each of the four side-seam edges, nothing at the underarm, 1 in in all. Close a dart that ends in that seam before the line is drawn.',
    ]);
  });
});

it('cells are read as they were guessed, figures as a hand writes them', () => {
  expect(
    readCells([
      ['Size', 'Hip (in)'],
      ['S', '36 – 37 1/2'],
    ]),
  ).toEqual({
    unit: 'in',
    measures: ['hip'],
    sizes: [{ size: 'S', cup: null, at: { hip: '36 – 37 1⁄2' } }],
    left: [],
    columns: [
      { head: 'Size', column: { is: 'size' } },
      { head: 'Hip (in)', column: { is: 'measure', id: 'hip', unit: 'in', half: false } },
    ],
  });
});

it('a column whose head is not known is mapped by a hand, halves taken twice; a map of another table is none of this one', () => {
  const cells = [
    ['Size', 'Seat across', 'Hip'],
    ['S', '46', '92'],
  ];
  const guessed = readCells(cells);
  expect(guessed.columns[1]).toEqual({ head: 'Seat across', column: { is: 'leave' } });
  const columns = guessed.columns.map((c) => c.column);
  const mapped = readCells(cells, [
    columns[0]!,
    { is: 'measure', id: 'tummy', unit: 'cm', half: true },
    { is: 'leave' },
  ]);
  expect(mapped.sizes).toEqual([{ size: 'S', cup: null, at: { tummy: '92' } }]);
  expect(readCells(cells, [{ is: 'size' }])).toEqual(guessed);
});
