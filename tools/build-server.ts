import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { root } from './cluster.ts';

const dist = join(root, 'server/dist');
/** Packages stay where npm has put them; only what stands in this repository is put together. */
const packages = () =>
  ['core', 'contract', 'server'].flatMap((room) => {
    const { dependencies = {} } = JSON.parse(readFileSync(join(root, room, 'package.json'), 'utf8')) as {
      dependencies?: Record<string, string>;
    };
    return Object.keys(dependencies).filter((name) => !name.startsWith('@rocchetto/'));
  });

let built: string | null = null;
/** Puts the server together and gives its path. Once a process. */
export function buildServer(): string {
  built ??= putTogether(
    {
      main: 'server/app/main.ts',
      'busy-worker': 'server/areas/calendars/busy-worker.ts',
      worker: 'server/app/worker.ts',
    },
    dist,
  );
  return built;
}

/**
 * Puts programs together, one file each, which start in less than half the processor time of their sources under a
 * loader; gives the path of the first. Each file takes its place whole, so several may build at once.
 */
export function putTogether(programs: Readonly<Record<string, string>>, into: string): string {
  const { outputFiles } = buildSync({
    entryPoints: Object.fromEntries(Object.entries(programs).map(([name, from]) => [name, join(root, from)])),
    outdir: into,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    write: false,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    external: packages(),
    logLevel: 'error',
  });
  mkdirSync(into, { recursive: true });
  for (const file of outputFiles) {
    const making = `${file.path}.${process.pid}`;
    writeFileSync(making, file.contents);
    renameSync(making, file.path);
  }
  return join(into, `${Object.keys(programs)[0]}.mjs`);
}
