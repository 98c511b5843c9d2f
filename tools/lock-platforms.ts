import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './cluster.ts';

/**
 * `npm ci` wants every optional platform package in the lock file, also those a registry mirror does not hold
 * and this machine never installs; `npm install` then leaves them out and `npm ci` refuses. This adds them
 * back: name, exact version and the platform they are for. Run it after every `npm install`.
 */
const file = join(root, 'package-lock.json');
const lock = JSON.parse(readFileSync(file, 'utf8')) as {
  packages: Record<
    string,
    { version?: string; dev?: boolean; optionalDependencies?: Record<string, string>; [k: string]: unknown }
  >;
};
const OS = /(android|darwin|win32|freebsd|openharmony|linux|sunos|aix|netbsd|openbsd)/;
const CPU = /(arm64|x64|ia32|ppc64|s390x|riscv64|loong64|wasm32|arm(?!64))/;
let added = 0;
for (const entry of Object.values(lock.packages)) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const path = `node_modules/${name}`;
    if (lock.packages[path] || !/^\d/.test(version)) continue;
    const [os, cpu] = [OS.exec(name)?.[1], CPU.exec(name)?.[1]];
    if (!os || !cpu) continue;
    const libc = os === 'linux' ? { libc: [/musl/.test(name) ? 'musl' : 'glibc'] } : {};
    lock.packages[path] = {
      version,
      cpu: [cpu],
      ...(entry.dev ? { dev: true } : {}),
      ...libc,
      optional: true,
      os: [os],
    };
    added++;
  }
}
lock.packages = Object.fromEntries(
  Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)),
);
writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
process.stdout.write(`${added} platform packages added to package-lock.json\n`);
