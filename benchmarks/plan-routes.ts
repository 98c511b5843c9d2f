import { seedDemo } from '@rocchetto/demo/seed.ts';
import { viewEstimate } from '@rocchetto/server/areas/plan/estimate.ts';
import { viewPlan } from '@rocchetto/server/areas/plan/view.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool, type Pool } from '@rocchetto/server/db/pool.ts';
import { type Cluster, stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { interleaved, line } from './interleaved.ts';
import { signedIn } from './signed-in.ts';

/** Plan and estimate of an order over HTTP, turn about with the same questions and reckoning without a server around them. */
export async function planRoutesBench(cluster: Cluster, say: (line: string) => void) {
  await cluster.ensureDatabase('bench_plan', true);
  const url = cluster.url('bench_plan');
  await migrate(url);
  await seedDemo(url);
  const pool = openPool(url, () => undefined);
  const port = await freePort();
  const server = await startServer(url, port);
  try {
    const page = await signedIn(port, 'Odile Marchetti');
    const { rows } = await pool.query<{ id: number }>(
      `select id from orders where stage in ('measured', 'sheet', 'agreed') and jsonb_array_length(brief -> 'parts') > 0 order by id limit 12`,
    );
    const id = (i: number) => rows[i % rows.length]!.id;
    const measure = async (
      what: 'plan' | 'estimate',
      view: (db: Pool, id: number, now: Date) => Promise<unknown>,
    ) =>
      say(
        line(
          `GET /orders/:id/${what}, over ${rows.length} orders of the demo`,
          await interleaved(
            60,
            24,
            (i) => view(pool, id(i), new Date()),
            (i) => page.get(`/orders/${id(i)}/${what}`),
          ),
          'its SQL and core in one process',
          'Aim: at most 2.',
        ),
      );
    await measure('plan', viewPlan);
    await measure('estimate', viewEstimate);
    for (const path of ['/promises', '/promises/broken']) {
      await page.get(path);
      const took: number[] = [];
      for (let i = 0; i < 9; i++) {
        const t = performance.now();
        await page.get(path);
        took.push(performance.now() - t);
      }
      say(`GET ${path}, the demo’s orders in work: median ${took.sort((a, b) => a - b)[4]!.toFixed(1)} ms.`);
    }
  } finally {
    await stopChild(server, 'SIGTERM', 3000);
    await pool.end();
  }
}
