import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { root } from './cluster.ts';
import { StopWord } from './stop-word.ts';

function hashTree(hash: ReturnType<typeof createHash>, dir: string) {
  for (const entry of readdirSync(dir, { withFileTypes: true }).sort((a, b) =>
    a.name.localeCompare(b.name),
  )) {
    if (entry.name === 'dist' || entry.name === 'node_modules') continue;
    const path = join(dir, entry.name);
    if (entry.isDirectory()) hashTree(hash, path);
    else hash.update(path).update(readFileSync(path));
  }
}

/** Writes each text beside itself in brotli and gzip, so that serving it costs no packing. */
function pack(dir: string) {
  for (const file of readdirSync(dir)) {
    if (!/\.(js|css|svg)$/.test(file)) continue;
    const text = readFileSync(join(dir, file));
    writeFileSync(join(dir, `${file}.gz`), gzipSync(text, { level: 9 }));
    writeFileSync(join(dir, `${file}.br`), brotliCompressSync(text));
  }
}

/** Builds the interface when its sources are not those of the last build. */
export async function buildWeb(): Promise<void> {
  const hash = createHash('sha256');
  for (const dir of ['core', 'contract', 'web']) hashTree(hash, join(root, dir));
  hashTree(hash, join(root, 'docs/screenshots'));
  hash.update(readFileSync(join(root, 'package-lock.json')));
  const now = hash.digest('hex');
  const stamp = join(root, 'web/dist/.built-from');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  process.stderr.write('Building the interface …\n');
  await promisify(execFile)(join(root, 'node_modules/.bin/vite'), ['build', 'web', '--logLevel', 'warn'], {
    cwd: root,
  }).catch(({ stdout, stderr, message }: Record<string, string>) => {
    throw new StopWord(`The interface could not be built:\n${stdout ?? ''}\n${stderr ?? message}`);
  });
  pack(join(root, 'web/dist/assets'));
  writeFileSync(stamp, now);
}
