import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { AskedWire, SpecFile, toAsked, toSheetInput } from '@rocchetto/contract';
import { computeSheet } from '@rocchetto/core';
import { alike, tryAlteration } from '@rocchetto/core/alter/index.ts';
import { seeded } from '@rocchetto/demo/figures.ts';
import { createApp } from '@rocchetto/server/app/app.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool } from '@rocchetto/server/db/pool.ts';
import { NO_LIVE } from '@rocchetto/server/live/live.ts';
import { openQuestion } from '@rocchetto/server/records/alterations.ts';
import { openSignIn } from '@rocchetto/server/records/sign-ins.ts';
import { pino } from 'pino';
import { type Cluster, root } from '../tools/cluster.ts';
import { interleaved, line, ms } from './interleaved.ts';
import { percentile } from './percentile.ts';

const [STAFF, OPEN, CLOSED] = [40, 2000, 50_000];

/** What-if in core, the bench of everybody, and the week’s proposal. */
export async function alterationsBench(cluster: Cluster, say: (line: string) => void) {
  const dress: unknown = JSON.parse(
    /```json\n([\s\S]*?)```/.exec(readFileSync(join(root, 'docs/worked/day-dress.md'), 'utf8'))![1]!,
  );
  const sheet = computeSheet(toSheetInput(SpecFile.parse(dress)));
  const asked = toAsked(
    AskedWire.parse({ kind: 'side-seams', direction: 'in', amount: '1 cm', as: 'pinned' }),
  );
  const took = Array.from({ length: 300 }, () => {
    const t = performance.now();
    tryAlteration(sheet, alike(sheet.panels), asked, false);
    return performance.now() - t;
  }).slice(50);
  say(
    `what-if of a dress in core: median ${ms(percentile(took, 50))} ms (p95 ${ms(percentile(took, 95))}). Aim 30.`,
  );

  await cluster.ensureDatabase('bench_alterations');
  const url = cluster.url('bench_alterations');
  await migrate(url);
  const pool = openPool(url, () => undefined, { patience: 300_000 });
  try {
    const rnd = seeded(5);
    await pool.query(`insert into staff (name, name_key, role, skills, initials, mark, hours)
      select 'Hand ' || n, 'hand ' || n, case when n = 1 then 'principal' else 'seamstress' end, '{tailoring}', 'H', n % 12, '{"version": 1, "hours": []}'
        from generate_series(1, ${STAFF}) n`);
    await pool.query(
      `insert into client (code, name, search) select 'C' || n, 'Client ' || n, 'client ' || n from generate_series(1, 20000) n`,
    );
    await pool.query(`insert into orders (number, client_id, what, occasion, stage)
      select 'N' || n, 1 + n % 20000, 'Skirt', '', 'cut' from generate_series(1, 40000) n`);
    const wire = JSON.stringify(
      AskedWire.parse({ kind: 'waist', direction: 'in', amount: '1 cm', as: 'pinned' }),
    );
    const add = (n: number, status: string) =>
      pool.query(
        `insert into alteration (order_id, source, asked, targets, status, staff_id, needed_on, minutes, made_by)
         select 1 + (n * 7919) % 40000, 'fitting', $1, '{"version": 1, "targets": []}', $2, 1 + n % ${STAFF},
                current_date + (n % 20), 30 + n % 90, 1 from generate_series(1, $3) n`,
        [wire, status, n],
      );
    await add(CLOSED, 'checked');
    await add(OPEN, 'agreed');
    await pool.query(`insert into alteration_box (alteration_id, seq, box, panel, piece, layer, seam, side, edges, each_cm, is_even)
      select a.id, n, 'b' || n, '', 'front', 'outer', 'side seam', 'both', 2, -0.5, true
        from alteration a, generate_series(1, 6) n`);
    await pool.query('analyze');
    const app = createApp({
      pool,
      url,
      log: pino({ level: 'silent' }),
      live: NO_LIVE,
      now: () => new Date(),
    });
    const cookie = `rocchetto=${await openSignIn(pool, 1)}`;
    const get = async (path: string) => {
      const res = await app.request(`/api${path}`, { headers: { cookie } });
      if (res.status !== 200) throw new Error(`${path}: ${res.status}`);
      return res.text();
    };
    say(
      line(
        `everybody’s bench, ${STAFF} staff, ${OPEN} open of ${OPEN + CLOSED}`,
        await interleaved(
          30,
          5,
          () => pool.query(openQuestion(null, new Date())),
          () => get('/bench'),
        ),
        'its own SQL',
        'Aim 200 ms, 2 × bare.',
      ),
    );
    await get('/bench/week');
    const days: number[] = [];
    for (let i = 0; i < 15; i++) {
      const t = performance.now();
      await get('/bench/week');
      days.push(performance.now() - t);
    }
    say(
      `the week’s load, ${STAFF} staff: median ${ms(percentile(days, 50))} ms (p95 ${ms(percentile(days, 95))}). Aim 200.`,
    );
    await pool.query(`update alteration set status = 'checked' where status = 'agreed' and id % 5 <> 0`);
    await pool.query(`update alteration set staff_id = null where status = 'agreed'`);
    const week = Array.from({ length: 8 }, () => rnd());
    const plans: number[] = [];
    for (const _ of week) {
      const t = performance.now();
      await get('/bench/proposal');
      plans.push(performance.now() - t);
    }
    say(
      `the week’s proposal, ${STAFF} staff, ${OPEN / 5} jobs: median ${ms(percentile(plans, 50))} ms. Aim 2000.`,
    );
  } finally {
    await pool.end();
  }
}
