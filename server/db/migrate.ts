import { fileURLToPath } from 'node:url';
import { runner } from 'node-pg-migrate';

const dir = fileURLToPath(new URL('../migrations', import.meta.url));

/** Brings the database to the newest shape. Safe when several processes start at once (advisory lock). */
export async function migrate(databaseUrl: string): Promise<void> {
  const quiet = () => undefined;
  await runner({
    databaseUrl,
    dir,
    direction: 'up',
    migrationsTable: 'migration',
    log: quiet,
    logger: { info: quiet, debug: quiet, warn: quiet, error: (m) => process.stderr.write(`${m}\n`) },
    checkOrder: true,
    advisoryLockId: 7241,
  } as Parameters<typeof runner>[0]);
}
