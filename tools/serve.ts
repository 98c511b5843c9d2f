import { type ChildProcess, fork, spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildServer } from './build-server.ts';
import { root, stopChild } from './cluster.ts';
import { StopWord } from './stop-word.ts';

/** Starts one server process and waits until it listens. @throws StopWord with its own last words */
export function startServer(
  databaseUrl: string,
  port: number,
  env: NodeJS.ProcessEnv = {},
): Promise<ChildProcess> {
  const child = fork(buildServer(), {
    cwd: root,
    execArgv: ['--enable-source-maps'],
    env: { ...process.env, LOG_LEVEL: 'warn', ...env, DATABASE_URL: databaseUrl, PORT: String(port) },
    stdio: ['ignore', 'inherit', 'pipe', 'ipc'],
    detached: true,
  });
  let words = '';
  child.stderr!.on('data', (chunk: Buffer) => {
    words = (words + chunk).slice(-2000);
    process.stderr.write(chunk);
  });
  return new Promise((done, fail) => {
    child.once('message', () => done(child));
    child.once('exit', (code) =>
      fail(new StopWord(words.trim().split('\n').at(-1) || `The server ended at once (code ${code}).`)),
    );
  });
}

/** A server that falls this often within a minute has more than a bad moment. */
const MOST_FALLS = 5;

/**
 * A server that is started again whenever it ends by itself, so that a bad moment of its own or of its database ends
 * nothing. `gaveUp` resolves when it falls again and again.
 * @throws StopWord when it does not start the first time
 */
export async function keepServing(databaseUrl: string, port: number, env: NodeJS.ProcessEnv = {}) {
  let stopping = false;
  let child = await startServer(databaseUrl, port, env);
  const falls: number[] = [];
  const gaveUp = new Promise<'gave up'>((done) => {
    const watch = () =>
      child.once('exit', async (code, signal) => {
        while (!stopping) {
          falls.push(Date.now());
          if (falls.filter((at) => at > Date.now() - 60_000).length > MOST_FALLS) return done('gave up');
          process.stderr.write(`The server ended (${signal ?? code}); it is started again.\n`);
          await new Promise((r) => setTimeout(r, 500));
          const next = stopping ? null : await startServer(databaseUrl, port, env).catch(() => null);
          if (!next) continue;
          child = next;
          return watch();
        }
      });
    watch();
  });
  return {
    gaveUp,
    /** the process that serves now */
    current: () => child,
    stop: () => {
      stopping = true;
      return stopChild(child, 'SIGTERM', 15_000);
    },
  };
}

/** Starts Vite's development server, which passes /api on to ours. */
export const startVite = (port: number, apiPort: number): ChildProcess =>
  spawn(
    join(root, 'node_modules/.bin/vite'),
    ['web', '--port', String(port), '--strictPort', '--host', '127.0.0.1'],
    { cwd: root, env: { ...process.env, API_PORT: String(apiPort) }, stdio: 'inherit', detached: true },
  );
