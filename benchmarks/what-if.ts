import type { HouseRulesView } from '@rocchetto/contract/house-rules.ts';
import type { WouldMove } from '@rocchetto/contract/would-move.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool } from '@rocchetto/server/db/pool.ts';
import type { Cluster } from '../tools/cluster.ts';
import { stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { ms } from './interleaved.ts';
import { percentile } from './percentile.ts';
import { signedIn, watch } from './signed-in.ts';

const OPEN = 2000;
/** So long the page of the rules stands open before the first rule is typed, s. */
const HAND = 10;

/** Other rules held against 2,000 open orders, and what that leaves to others meanwhile. */
export async function whatIfBench(cluster: Cluster, say: (line: string) => void) {
  await cluster.ensureDatabase('bench_what_if', true);
  const url = cluster.url('bench_what_if');
  await migrate(url);
  await seedDemo(url);
  const pool = openPool(url, () => undefined, { patience: 300_000 });
  // Each is another garment of one of the demo's orders, made from its measuring.
  await pool.query(
    `insert into orders (number, client_id, what, stage, brief, due_on, with_id)
     select 'W-' || i, o.client_id, o.what, 'measured', o.brief, current_date + 20, coalesce(o.with_id, o.id)
       from (select *, row_number() over (order by id) - 1 as n, count(*) over () as of from orders
              where brief is not null and jsonb_array_length(brief -> 'parts') > 0
                and exists (select 1 from session s where s.order_id = orders.id)) o,
            generate_series(0, $1 - 1) i where i % o.of = o.n`,
    [OPEN],
  );
  await pool.query('analyze orders');
  const port = await freePort();
  const server = await startServer(url, port);
  try {
    const [principal, fitter] = [await signedIn(port, 'Odile Marchetti'), await signedIn(port, 'Ines Kovar')];
    const { rules }: HouseRulesView = JSON.parse((await principal.get('/house/rules')).toString());
    const all = async (hip: string) => {
      const start = performance.now();
      let [looked, moved, after]: [number, number, string | null] = [0, 0, ''];
      while (after !== null) {
        const body = { rules: { ...rules, ease: { ...rules.ease, hip: { fitted: hip } } }, after };
        const piece: WouldMove = JSON.parse(
          (await principal.post('/house/rules/would-move', body)).toString(),
        );
        looked += piece.looked;
        moved += piece.orders.length;
        after = piece.next;
      }
      return { looked, moved, seconds: (performance.now() - start) / 1000 };
    };
    // As the page of the rules does when it is opened: nothing differs yet, and the server begins to draft what is open.
    const opened = async (seconds: number) => {
      await principal.post('/house/rules/would-move', { rules, after: '' });
      await rest(seconds * 1000);
    };
    const idle = [await watch(fitter, '/health', rest()), await watch(fitter, '/orders', rest())];
    await opened(HAND);
    const first = await all('6 cm');
    const again = all('7 cm');
    const busy = await watch(fitter, '/health', again);
    const { seconds } = await again;
    const third = all('8 cm');
    const list = await watch(fitter, '/orders', third);
    await third;
    const [health, orders] = [busy, list].map((s, i) => percentile(s, 50) / percentile(idle[i]!, 50));
    say(
      `what other rules move, ${first.looked} open orders, ${first.moved} of them move: ${first.seconds.toFixed(1)} s the first time, the page having stood open for ${HAND} s, ${seconds.toFixed(1)} s with other rules then (aim ≤ 5). Toast /health ${ms(percentile(busy, 50))} ms, ${health!.toFixed(2)} × idle, orders list ${ms(percentile(list, 50))} ms, ${orders!.toFixed(2)} × idle (aim ≤ 1.3).`,
    );
  } finally {
    await pool.end();
    await stopChild(server, 'SIGTERM', 15_000);
  }
}
const rest = (ms = 3000) => new Promise((r) => setTimeout(r, ms));
