import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { EN_13402 } from './chart.ts';
import { finishedTable } from './finished-table.ts';
import { rankSizes } from './rank.ts';
import { wishesOf } from './wish.ts';
import { profileOf } from './zones.ts';

const parts = [{ part: 'straight-skirt' }];
const order = sheetOf(
  garmentSpec(parts, ['waist 71 cm', 'hip 99 cm', 'waist-to-hip 20.5 cm', 'hem-front 58 cm'], {
    garment: { parts, fit: 'fitted' },
    house: { rounding: EXACT },
  }),
);

it('a skirt over the steps of EN 13402 (from memory): the ease of its fit at each hip, the order’s length at each', () => {
  const table = finishedTable(order.input, EN_13402);
  expect(table.map((r) => r.size)).toEqual(EN_13402.rows.map((r) => r.size));
  for (const [i, r] of table.entries()) {
    const body = EN_13402.rows[i]!.at;
    // Workroom table, fitted: 5 at the hip, 2.5 at the waist of what hangs from it; the order's own layers are the same in each.
    const layers = order.figures.find((f) => f.id === 'hip')!.finished! - 99 - 5;
    expect(r.at.hip!.least - body.hip!.least).toBeCloseTo(5 + layers, 6);
    expect(r.at.waist!.least - body.waist!.least).toBeCloseTo(2.5 + layers, 6);
    expect(r.at['hem-front']!.least).toBeCloseTo(58, 6);
  }
});
it('brought in as a chart of finished garments it chooses each body its own size, with the ease that was wanted', () => {
  const ours = { ...EN_13402, of: 'finished' as const, rows: finishedTable(order.input, EN_13402) };
  for (const r of EN_13402.rows) {
    const net = (id: string) => (r.at[id] ? cm(r.at[id].least) : null);
    const { sizes } = rankSizes(
      ours,
      profileOf(parts),
      net,
      wishesOf({ ...order, figures: [] }, net, 'waist'),
    );
    expect(sizes[0]!.name).toBe(r.size);
    expect(sizes[0]!.zones.every((h) => h.off === 0)).toBe(true);
  }
});
it('what the client has set by hand is the client’s alone', () => {
  const set = {
    ...order.input,
    overrides: [
      {
        id: 'x',
        figure: 'hip',
        target: 'finished',
        cm: cm(130),
        written: '130 cm',
        reason: 'as she likes it',
        by: 'F',
        at: '2026-03-02T10:00:00Z',
      },
    ],
  };
  const [first] = finishedTable(set as never, EN_13402);
  expect(first!.at.hip!.least).toBeLessThan(100);
});
