import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { hasTemplate } from './databases.ts';

export default async function setup() {
  // Which kinds of screen have been looked at, for all workers of this run.
  process.env.E2E_LOOKED_AT = mkdtempSync(join(tmpdir(), 'looked-at-'));
  // ./rocchetto test has made it while other tests ran.
  if (!(await hasTemplate())) await (await import('./template.ts')).makeTemplate();
}
