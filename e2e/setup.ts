import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { hasTemplate } from './databases.ts';

export default async function setup() {
  // Which kinds of screen have been looked at, for all workers of this run.
  const lookedAt = mkdtempSync(join(tmpdir(), 'looked-at-'));
  process.env.E2E_LOOKED_AT = lookedAt;
  // ./rocchetto test has made it while other tests ran.
  if (!(await hasTemplate())) await (await import('./template.ts')).makeTemplate();
  return () => rmSync(lookedAt, { recursive: true });
}
