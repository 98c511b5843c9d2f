import { type ChildProcess, fork } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { describe, expect, it } from 'vitest';
import { buildServer } from './build-server.ts';
import { root, stopChild } from './cluster.ts';
import { freePort } from './ports.ts';

const rounds = Number(process.env.START_ROUNDS ?? 1);

async function emptyDatabase(): Promise<string> {
  const admin = process.env.TEST_DATABASE_ADMIN_URL!;
  const name = `s_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return Object.assign(new URL(admin), { pathname: `/${name}` }).toString();
}

/** Starts one server; answers once it listens or has ended, with all it printed. */
async function start(url: string): Promise<{ child: ChildProcess; port: number; said: () => string }> {
  const port = await freePort();
  const child = fork(buildServer(), {
    cwd: root,
    execArgv: [],
    env: { ...process.env, LOG_LEVEL: 'warn', DATABASE_URL: url, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  });
  let said = '';
  for (const stream of [child.stdout!, child.stderr!])
    stream.on('data', (c: Buffer) => {
      said += c;
    });
  await new Promise<void>((done) => {
    child.once('message', () => done());
    child.once('exit', () => done());
  });
  return { child, port, said: () => said };
}

describe('three processes that start together', () => {
  it('all live, on an empty and on a migrated database, and one of them prints the first link', async () => {
    for (let round = 0; round < rounds; round++) {
      const url = await emptyDatabase();
      for (const kind of ['empty', 'migrated']) {
        const started = await Promise.all([1, 2, 3].map(() => start(url)));
        await new Promise((r) => setTimeout(r, 100));
        const alive = await Promise.all(
          started.map(async (s) => (await fetch(`http://127.0.0.1:${s.port}/api/health`)).status),
        );
        expect(alive, started.map((s) => s.said()).join('\n')).toEqual([200, 200, 200]);
        const links = started.flatMap((s) => s.said().match(/\/setup#\S+/g) ?? []);
        expect(links).toHaveLength(kind === 'empty' ? 1 : 0);
        if (kind === 'empty') {
          const res = await fetch(`http://127.0.0.1:${started[1]!.port}/api/setup`, {
            method: 'POST',
            body: JSON.stringify({
              token: links[0]!.split('#')[1],
              passphrase: 'four plain words here',
              name: 'First',
            }),
          });
          expect(res.status).toBe(200);
        }
        await Promise.all(started.map((s) => stopChild(s.child, 'SIGTERM', 10_000)));
      }
    }
  }, 600_000);
});
