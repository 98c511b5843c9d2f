import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { expect, it } from 'vitest';
import { panelsMark } from './laid-length.ts';
import { asLines } from './testing.ts';
import { FULL_BODY } from './testing-full-body.ts';
import { alike, bySide } from './two-sides.ts';

const cloth = { name: 'twill', width: '150 cm' };
const dress = (more: object = {}, waist?: number) =>
  sheetOf(
    garmentSpec('day-dress-sleeved', asLines({ ...FULL_BODY, ...(waist ? { waist } : {}) }), {
      garment: { cloth },
      rest: more,
    }),
  );
const outer = (s: ReturnType<typeof dress>) => bySide(alike(s.panels)).filter((p) => p.layer === 'outer');
const bought = (s: ReturnType<typeof dress>) => s.notions.find((n) => n.name === 'cloth')!;

it('a kept lay says what to buy while the panels are those it was made for; by rows and a warning when they are not', () => {
  const plain = dress();
  expect(bought(plain).note).toMatch(/pieces in rows/);
  const laid = [
    {
      of: 'outer',
      name: 'by the window',
      length: '131.2 cm',
      width: '150 cm',
      panels: panelsMark(outer(plain)),
    },
  ];
  const by = bought(dress({ laid }));
  // Sold by five centimetres.
  expect(by.length).toBeCloseTo(135, 9);
  expect(by.note).toContain('as laid, “by the window”: {cm:131.2} of {cm:150} wide');
  expect(bought(plain).length!).toBeGreaterThan(by.length!);
  const other = dress({ laid }, 76.5);
  expect(bought(other).note).toMatch(/pieces in rows/);
  expect(other.checks.find((k) => k.code === 'lay-outer')).toMatchObject({ state: 'warned' });
  expect(dress({ laid }).checks.some((k) => k.code === 'lay-outer')).toBe(false);
});

it('interfacing, of which nothing is said without a lay, is bought by its lay', () => {
  const plain = dress();
  expect(plain.notions.some((n) => n.name === 'interfacing')).toBe(false);
  const panels = panelsMark(plain.panels.filter((p) => p.layer === 'interfacing'));
  const laid = [{ of: 'interfacing', name: 'one', length: '22 cm', width: '90 cm', panels }];
  expect(dress({ laid }).notions.find((n) => n.name === 'interfacing')!.length).toBeCloseTo(25, 9);
});

it('panels are known by outline, allowance, count and grain: each that moves by a tenth of a millimetre or more is another', () => {
  const [one, ...rest] = outer(dress());
  const mark = panelsMark([one!, ...rest]);
  const e = one!.edges[0]!;
  const moved = (by: number) => ({
    ...one!,
    edges: [
      { ...e, path: e.path.map((s) => s.map(([x, y]) => [x + by, y]) as unknown as typeof s) },
      ...one!.edges.slice(1),
    ],
  });
  expect(panelsMark([moved(0.02), ...rest])).not.toBe(mark);
  expect(panelsMark([moved(0.0001), ...rest])).toBe(mark);
  expect(panelsMark([{ ...one!, count: one!.count + 1 }, ...rest])).not.toBe(mark);
  expect(panelsMark([{ ...one!, grain: 'on the bias' }, ...rest])).not.toBe(mark);
  expect(panelsMark(rest)).not.toBe(mark);
  expect(panelsMark([one!, ...rest])).toBe(mark);
});
