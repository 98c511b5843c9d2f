import { ChartFile } from '@rocchetto/contract/compare.ts';
import { addChart, keepSize } from '@rocchetto/server/areas/charts/sql.ts';
import type { Tx } from '@rocchetto/server/db/pool.ts';
import type { SignedIn } from '@rocchetto/server/http/context.ts';

/** Two invented charts: a skirt pattern as its garments measure, and a dress pattern by high bust and cup. */
const SKIRT = ChartFile.parse({
  name: 'Quayside skirt pattern, finished',
  of: 'finished',
  sizes: [0, 1, 2, 3, 4, 5].map((i) => ({
    size: String(34 + 2 * i),
    at: { waist: String(66 + 4 * i), hip: String(92 + 4 * i), 'waist-to-hip': '20.5' },
  })),
});
const DRESS = ChartFile.parse({
  name: 'Lantern dress pattern, bodies with cups',
  of: 'body',
  ease: { bust: '5', waist: '4', hip: '5' },
  sizes: [0, 1, 2, 3, 4, 5].flatMap((i) =>
    ['A', 'B', 'C', 'D'].map((cup, c) => ({
      size: String(8 + 2 * i),
      cup,
      at: {
        'high-bust': String(78 + 4 * i),
        bust: String(80.5 + 4 * i + 2.5 * c),
        waist: `${62 + 4 * i} – ${64 + 4 * i}`,
        hip: String(88 + 4 * i),
        'across-shoulder': String(36.5 + 0.8 * i),
      },
    })),
  ),
});

/** The studio's charts; one order's skirt is cut by a size of the first. */
export async function seedCharts(tx: Tx, staff: readonly SignedIn[], now: Date) {
  await addChart(tx, SKIRT);
  await addChart(tx, DRESS);
  const { rows } = await tx.query<{ id: number }>(`select id from orders where number = '26-007'`);
  await keepSize(tx, rows[0]!.id, 0, { chart: SKIRT, size: '36' }, staff[1]!.id, now);
}
