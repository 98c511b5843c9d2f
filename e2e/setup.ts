import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { hasTemplate } from '../tools/e2e-databases.ts';

export default async function setup() {
  // Which kinds of screen have been looked at, for all workers of this run.
  const lookedAt = mkdtempSync(join(tmpdir(), 'looked-at-'));
  process.env.E2E_LOOKED_AT = lookedAt;
  // ./rocchetto test has made it while other tests ran.
  if (!(await hasTemplate())) await (await import('../tools/e2e-template.ts')).makeTemplate();
  return () => rmSync(lookedAt, { recursive: true });
}
