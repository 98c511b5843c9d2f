import pg from 'pg';
import { pino } from 'pino';
import { afterAll, describe, expect, it } from 'vitest';
import { createApp } from '../server/app/app.ts';
import { migrate } from '../server/db/migrate.ts';
import { openPool } from '../server/db/pool.ts';
import { NO_LIVE } from '../server/live/live.ts';
import { searchText } from '../server/records/clients.ts';
import { type Cluster, startCluster } from './cluster.ts';

let cluster: Cluster | undefined;
afterAll(() => cluster?.discard());

describe('a database that is killed', () => {
  it('loses nothing that was acknowledged; the server answers with a sentence meanwhile and comes back by itself', async () => {
    cluster = await startCluster('crash', true);
    await cluster.ensureDatabase('rocchetto');
    const url = cluster.url('rocchetto');
    await migrate(url);
    const pool = openPool(url, () => undefined);
    const app = createApp({
      pool,
      url,
      log: pino({ level: 'silent' }),
      live: NO_LIVE,
      now: () => new Date(),
    });
    expect((await app.request('/api/health')).status).toBe(200);
    for (let i = 0; i < 50; i++)
      await pool.query('insert into client (code, name, search) values ($1, $2, $3)', [
        `C-${i}`,
        `Kept ${i}`,
        searchText(`C-${i}`, `Kept ${i}`),
      ]);

    process.kill(cluster.pid, 'SIGKILL');
    await new Promise((r) => setTimeout(r, 500));
    const away = await app.request('/api/health');
    expect(away.status).toBe(503);
    expect(((await away.json()) as { detail: string }).detail).toContain('Can’t reach the server');

    cluster = await startCluster('crash');
    const client = new pg.Client({ connectionString: cluster.url('rocchetto') });
    await client.connect();
    const { rows } = await client.query(`select count(*)::int as n from client where name like 'Kept %'`);
    await client.end();
    expect(rows[0].n).toBe(50);
    expect((await app.request('/api/health')).status).toBe(cluster.url('rocchetto') === url ? 200 : 503);
    await pool.end();
  });
});
