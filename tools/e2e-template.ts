import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { asAdmin, databaseUrl, TEMPLATE } from './e2e-databases.ts';

/** Makes the database that every worker copies: migrated, with the demo's data. It gets its name when it is whole. */
export async function makeTemplate(): Promise<void> {
  const making = `${TEMPLATE}_making`;
  await asAdmin(`drop database if exists ${making} with (force)`, `create database ${making}`);
  await migrate(databaseUrl(making));
  await seedDemo(databaseUrl(making));
  await asAdmin(`alter database ${making} rename to ${TEMPLATE}`);
}
