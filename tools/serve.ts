import { type ChildProcess, fork, spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './cluster.ts';
import { StopWord } from './stop-word.ts';

/** Starts one server process and waits until it listens. @throws StopWord with its own last words */
export function startServer(
  databaseUrl: string,
  port: number,
  env: NodeJS.ProcessEnv = {},
): Promise<ChildProcess> {
  const child = fork(join(root, 'server/main.ts'), {
    cwd: root,
    execArgv: ['--import', 'tsx'],
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

/** Starts Vite's development server, which passes /api on to ours. */
export const startVite = (port: number, apiPort: number): ChildProcess =>
  spawn(
    join(root, 'node_modules/.bin/vite'),
    ['web', '--port', String(port), '--strictPort', '--host', '127.0.0.1'],
    { cwd: root, env: { ...process.env, API_PORT: String(apiPort) }, stdio: 'inherit', detached: true },
  );
