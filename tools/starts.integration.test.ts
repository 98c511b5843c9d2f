import { type ChildProcess, fork, spawn } from 'node:child_process';
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

/** Starts one server by its arguments, as a shell does, until it has said something that is asked for or has ended. */
async function byArguments(
  url: string,
  args: string[],
  until: RegExp,
): Promise<{ child: ChildProcess; said: string }> {
  const { PORT: _, HOST: __, ...env } = process.env;
  const child = spawn(process.execPath, [buildServer(), ...args], {
    cwd: root,
    env: { ...env, LOG_LEVEL: 'silent', DATABASE_URL: url },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  await new Promise<void>((done) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (c: Buffer) => {
        said += c;
        if (until.test(said)) done();
      });
    child.once('exit', () => done());
  });
  return { child, said };
}

describe('a server that is started by hand', () => {
  it('prints its address, and the way to sign up until somebody has, also after a restart', async () => {
    const url = await emptyDatabase();
    const port = String(await freePort());
    const link = /\/setup#(\S+)\n/;
    const first = await byArguments(url, ['--port', port, '--host', '127.0.0.1'], link);
    expect(first.said).toContain(`Rocchetto is at http://127.0.0.1:${port}`);
    await stopChild(first.child, 'SIGTERM', 10_000);
    // Of several that start within ten seconds one prints it; a restart by hand comes later.
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    await client.query(`update setup_link set expires_at = expires_at - interval '1 minute'`);
    await client.end();
    const again = await byArguments(url, ['--port', port], link);
    const token = link.exec(again.said)![1]!;
    const res = await fetch(`http://127.0.0.1:${port}/api/setup`, {
      method: 'POST',
      body: JSON.stringify({ token, passphrase: 'four plain words here', name: 'First' }),
    });
    expect(res.status).toBe(200);
    const taken = await byArguments(url, ['--port', port], /in use/);
    expect(taken.said).toContain(`Port ${port} is in use. Choose another with --port or PORT.`);
    await stopChild(again.child, 'SIGTERM', 10_000);
    const later = await byArguments(url, ['--port', port], /Rocchetto is at/);
    expect(later.said).not.toMatch(link);
    await stopChild(later.child, 'SIGTERM', 10_000);
  }, 120_000);

  it.each([
    [['--port', 'abc'], '“abc” is not a port. Use a number from 1 to 65535.'],
    [['--prot', '80'], 'Use --port NUMBER and --host NAME.'],
  ])('%j is refused in a sentence', async (args, sentence) => {
    const { said } = await byArguments('postgres://127.0.0.1:1/none', args, /$^/);
    expect(said).toContain(sentence);
  });
});
