import { readFileSync } from 'node:fs';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { READ_TWICE } from '@rocchetto/server/areas/tape/sql.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool, type Pool } from '@rocchetto/server/db/pool.ts';
import sharp from 'sharp';
import type { Cluster } from '../tools/cluster.ts';
import { stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { interleaved, line, ms } from './interleaved.ts';
import { percentile } from './percentile.ts';
import { signedIn, watch } from './signed-in.ts';

type Say = (line: string) => void;
/** Sessions in which ten measures were read twice by one of three hands. */
async function manySessions(pool: Pool, n: number) {
  await pool.query(
    `insert into session (id, client_id, order_id, at, staff_id, measurer, details, unit)
     select gen_random_uuid(), 1, null, now() - make_interval(mins => i), 1, 'Hand ' || i % 3, '{}', 'cm' from generate_series(1, $1) i`,
    [n],
  );
  await pool.query(
    `insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at)
     select gen_random_uuid(), s.id, m.name, 'read', jsonb_build_object('version', 1, 'written', jsonb_build_object(
         'value', round((m.base + k * 0.2) * 10)::int || '/10', 'unit', 'cm', 'text', (m.base + k * 0.2)::text), 'way', 'whole', 'tape', 'snug',
         'source', 'taken here', 'replaces', null, 'reason', '', 'note', '', 'wroteBy', ''), s.measurer, 1, s.at
       from session s, (values ('bust', 92.1), ('waist', 71.3), ('hip', 98.4), ('high-bust', 88.2), ('underbust', 76.1),
         ('tummy', 90.3), ('thigh', 57.2), ('knee', 37.5), ('wrist', 15.8), ('upper-arm', 28.6)) as m(name, base), generate_series(0, 1) k
      where s.measurer like 'Hand %'`,
  );
  await pool.query('analyze session; analyze reading');
}

/** What the heavy routes leave to the others: `GET /tape` against its SQL, and light routes while papers, books and pictures are made. */
export async function heavyBench(cluster: Cluster, say: Say) {
  await cluster.ensureDatabase('bench_heavy', true);
  const url = cluster.url('bench_heavy');
  await migrate(url);
  await seedDemo(url);
  const pool = openPool(url, () => undefined, { patience: 300_000 });
  await manySessions(pool, 10_000);
  const port = await freePort();
  const server = await startServer(url, port);
  try {
    const [principal, fitter] = [await signedIn(port, 'Odile Marchetti'), await signedIn(port, 'Ines Kovar')];
    say(
      line(
        'whose tape, 10,000 sessions of 20 readings, route',
        await interleaved(
          40,
          8,
          () => pool.query({ name: 'bench-tape', text: READ_TWICE }),
          () => principal.get('/tape'),
        ),
        'its SQL bare',
        'Aim: ≤ 2.',
      ),
    );
    const orders = JSON.parse((await fitter.get('/orders?view=all')).toString()) as { id: number }[];
    const sheets: number[] = [];
    for (const { id } of orders)
      if (sheets.length < 20 && (await fitter.get(`/orders/${id}/sheet`).catch(() => null))) sheets.push(id);
    const big = await sharp({
      create: {
        width: 9000,
        height: 6555,
        channels: 3,
        background: '#864',
        noise: { type: 'gaussian', mean: 128, sigma: 30 },
      },
    })
      .jpeg({ quality: 60 })
      .toBuffer();
    const rows = Math.floor((19 << 20) / 60);
    const book = `Name,Phone,Date,Bust,Waist,Hip,Note\n${Array.from({ length: Math.min(rows, 49_000) }, (_, i) => `Client Number ${i},0555 ${i},2019-01-01,${80 + (i % 40)},70,98,${'x'.repeat(340)}`).join('\n')}`;
    const idle = await watch(fitter, '/health', new Promise((r) => setTimeout(r, 3000)));
    const idleList = await watch(fitter, '/orders', new Promise((r) => setTimeout(r, 3000)));
    const heavy: [string, () => Promise<unknown>][] = [
      ['20 papers at once', () => Promise.all(sheets.map((id) => fitter.get(`/orders/${id}/sheet.pdf`)))],
      [
        `a book of ${(book.length / (1 << 20)).toFixed(0)} MB`,
        async () => {
          if ((await principal.send('/imports?name=book.csv', 'text/csv', book)) !== 201)
            throw new Error('no book');
        },
      ],
      [
        '12 photographs of 59 megapixels at once',
        async () => {
          const sent = await Promise.all(
            sheets.slice(0, 12).map((id) => fitter.send(`/orders/${id}/photos`, 'image/jpeg', big)),
          );
          if (sent.some((s) => s !== 201)) throw new Error(sent.join());
        },
      ],
      [
        '200 of them together (150 papers, 40 photographs, 10 books)',
        () =>
          Promise.all([
            ...Array.from({ length: 150 }, (_, i) =>
              (i % 3 ? fitter : principal)
                .get(`/orders/${sheets[i % sheets.length]}/sheet.pdf`)
                .catch(() => null),
            ),
            ...Array.from({ length: 40 }, (_, i) =>
              fitter.send(`/orders/${sheets[i % sheets.length]}/photos`, 'image/jpeg', big),
            ),
            ...Array.from({ length: 10 }, () => principal.send('/imports?name=book.csv', 'text/csv', book)),
          ]),
      ],
    ];
    for (const [what, work] of heavy) {
      const start = performance.now();
      const done = work();
      const samples = await watch(fitter, '/health', done);
      await done;
      const again = work();
      const list = await watch(fitter, '/orders', again);
      await again;
      const of = (s: readonly number[], p: number) => percentile(s, p);
      say(
        `while ${what} (${((performance.now() - start) / 1000).toFixed(1)} s, twice): /health median ${ms(of(samples, 50))} ms, p95 ${ms(of(samples, 95))} (idle ${ms(of(idle, 50))}, ${ms(of(idle, 95))}); ratio ${(of(samples, 50) / of(idle, 50)).toFixed(2)}. Orders list median ${ms(of(list, 50))} ms (idle ${ms(of(idleList, 50))}); ratio ${(of(list, 50) / of(idleList, 50)).toFixed(2)}. Aims: ratio ≤ 1.5, p95 ≤ 200 ms.`,
      );
    }
    say(`memory of the server afterwards: ${memoryOf(server.pid!)} MB`);
  } finally {
    await pool.end();
    await stopChild(server, 'SIGTERM', 15_000);
  }
}

const memoryOf = (pid: number) =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024);
