import { describe, expect, it } from 'vitest';
import { inches } from '../units/length.ts';
import { chartCells, guessChart, readChart, readSpan } from './read-chart.ts';

const rows = (csv: string) => csv.split('\n').map((l) => l.split(','));

describe('a chart of any layout', () => {
  it('sizes down, cups, a range, a blank', () => {
    const cells = rows('Size,Cup,Bust (cm),Waist,Hip\n12,A,86–90,72,\n14,B,91-94,76,100');
    const map = guessChart(cells);
    expect(map.sizes).toBe('down');
    expect(map.columns.map((c) => c.is)).toEqual(['size', 'cup', 'measure', 'measure', 'measure']);
    expect(readChart(cells, map)).toEqual({
      left: [],
      rows: [
        { size: '12', cup: 'A', at: { bust: { least: 86, most: 90 }, waist: { least: 72, most: 72 } } },
        {
          size: '14',
          cup: 'B',
          at: {
            bust: { least: 91, most: 94 },
            waist: { least: 76, most: 76 },
            hip: { least: 100, most: 100 },
          },
        },
      ],
    });
  });
  it('sizes across, in inches by their figures, no name over the sizes', () => {
    const cells = rows(',8,10,12\nbust,31 1/2,32 1/2,34\nwaist,24,25,26 1/2\nhip,33 1/2,34 1/2,36');
    const map = guessChart(cells);
    expect(map).toMatchObject({ sizes: 'across' });
    const read = readChart(cells, map);
    expect(read.rows.map((r) => r.size)).toEqual(['8', '10', '12']);
    expect(read.rows[0]!.at.bust!.least).toBeCloseTo(inches(31.5), 9);
    expect(read.rows[2]!.at.waist!.most).toBeCloseTo(inches(26.5), 9);
  });
  it('halves as they lie on a table are taken twice', () => {
    const cells = rows('size,half bust\nM,47');
    expect(readChart(cells, guessChart(cells)).rows[0]!.at.bust!.least).toBe(94);
  });
  it('two units in one column, a word for a figure and a row without a size are told, the rest is read', () => {
    const cells = rows('size,bust,waist\n12,88 cm,72\n14,36 in,wide\n,92,76');
    const { rows: read, left } = readChart(cells, guessChart(cells));
    expect(read.map((r) => r.size)).toEqual(['12', '14']);
    expect(read[1]!.at.bust!.least).toBeCloseTo(inches(36), 9);
    expect(left.join(' ')).toMatch(/bust has centimetres and inches/);
    expect(left.join(' ')).toMatch(/Size 14, waist/);
    expect(left.join(' ')).toMatch(/has no size/);
  });
  it('comes out as it went in', () => {
    const cells = rows('size,bust,waist\n12,86–90,72\n14,91–94,');
    const { rows: read } = readChart(cells, guessChart(cells));
    expect(chartCells(read, ['bust', 'waist'], (x) => String(x))).toEqual(cells);
  });
});

it.each([
  ['88', 88, 88],
  ['86 - 90', 86, 90],
  ['86 to 90 cm', 86, 90],
  ['34 - 35 1/2 in', inches(34), inches(35.5)],
  ['34-1/2 in', inches(34.5), inches(34.5)],
])('“%s” is from %d to %d', (text, least, most) => {
  const span = readSpan(text, 'cm');
  expect(span).toEqual({ least: expect.closeTo(least, 6), most: expect.closeTo(most, 6) });
});
it('what is no figure says so', () => {
  expect(readSpan('wide', 'cm')).toMatch(/wide/);
  expect(readSpan('80–84–88', 'cm')).toContain('more than one range');
});
