import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ROLE_WORD } from '@rocchetto/contract';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import pg from 'pg';
import { buildWeb } from './build-web.ts';
import { local, startCluster, stopChild } from './cluster.ts';
import { startMailCatcher } from './mail-catcher.ts';
import { freePort, isFree } from './ports.ts';
import { programUrl } from './program-role.ts';
import { keepServing, startVite } from './serve.ts';
import { runTool, StopWord } from './stop-word.ts';

const lockFile = join(local, 'demo.lock');

/** Refuses a second demo of the same checkout, with where the first one is. */
function takeLock() {
  if (existsSync(lockFile)) {
    const [pid, address] = readFileSync(lockFile, 'utf8').split('\n');
    const command = `/proc/${pid}/cmdline`;
    if (existsSync(command) && readFileSync(command, 'utf8').includes('demo.ts'))
      throw new StopWord(
        `The demo of this checkout is running already (process ${pid}) at ${address || 'its address'}. Stop it with Ctrl-C there, or use it.`,
      );
  }
  writeFileSync(lockFile, `${process.pid}\n`);
}

function options() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string' },
        fresh: { type: 'boolean', default: false },
        dev: { type: 'boolean', default: false },
      },
    });
    const port = Number(values.port ?? 4180);
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      throw new StopWord(`“${values.port}” is not a port; give a number from 1 to 65535.`);
    return { port, fresh: values.fresh, dev: values.dev };
  } catch (error) {
    throw error instanceof StopWord
      ? error
      : new StopWord(`${(error as Error).message} Known: --port N, --fresh.`);
  }
}

/** Lays the demo's mail server on the catcher, unless somebody set up another one. */
async function mailGoesTo(url: string, port: number) {
  const db = new pg.Client({ connectionString: url });
  await db.connect();
  try {
    await db.query(
      `update mail_server set is_on = true, host = '127.0.0.1', port = $1, security = 'none' where host in ('', '127.0.0.1')`,
      [port],
    );
  } finally {
    await db.end();
  }
}

runTool(async () => {
  const { port, fresh, dev } = options();
  if (!(await isFree(port)))
    throw new StopWord(`Port ${port} is in use. Choose another: ./rocchetto demo --port ${port + 1}`);
  takeLock();
  const stops: (() => Promise<void>)[] = [() => Promise.resolve(rmSync(lockFile, { force: true }))];
  const stopAll = async () => {
    for (const stop of stops.splice(0).reverse()) await stop();
  };
  const asked = new Promise<void>((done) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => done());
  });
  try {
    const cluster = await startCluster('cluster', fresh);
    stops.push(cluster.stop);
    await cluster.ensureDatabase('rocchetto');
    const url = cluster.url('rocchetto');
    await migrate(url);
    const staff = await seedDemo(url);
    const catcher = await startMailCatcher({ into: join(local, 'demo-mail') });
    stops.push(catcher.stop);
    await mailGoesTo(url, catcher.port);
    if (!dev) await buildWeb();
    const apiPort = dev ? await freePort() : port;
    // The program owns no table: what is only added to, it cannot change.
    const server = await keepServing(await programUrl(url), apiPort, { MIGRATIONS_URL: url });
    stops.push(server.stop);
    if (dev) {
      const vite = startVite(port, apiPort);
      stops.push(() => stopChild(vite, 'SIGTERM', 5000));
    }
    const address = `http://127.0.0.1:${port}`;
    writeFileSync(lockFile, `${process.pid}\n${address}`);
    process.stdout.write(
      `\nRocchetto is at ${address}\nSign in as ${staff.map((s) => `${s.name} (${ROLE_WORD[s.role]})`).join(', ')}.\nThe passphrase of all of them is: ${DEMO_PASSPHRASE}\nLetters to clients go to a catcher that sends nothing on: ${join('.local', 'demo-mail')}\nInvented data; Ctrl-C stops it and keeps the data.\n\n`,
    );
    const ended = await Promise.race([asked.then(() => 'asked' as const), server.gaveUp]);
    await stopAll();
    return ended === 'asked' ? 0 : 1;
  } catch (error) {
    await stopAll();
    throw error;
  }
});
