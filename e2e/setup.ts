import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import pg from 'pg';

/** The demo studio in a database of the test cluster, from which every worker takes a copy of its own. */
export const TEMPLATE = 'e2e_template';

/** A database's address beside the admin one's. */
export const databaseUrl = (database: string): string => {
  const admin = process.env.TEST_DATABASE_ADMIN_URL;
  if (!admin) throw new Error('These tests need a PostgreSQL: run ./rocchetto test.');
  return Object.assign(new URL(admin), { pathname: `/${database}` }).toString();
};

export async function asAdmin(...statements: string[]) {
  const client = new pg.Client({ connectionString: databaseUrl('postgres') });
  await client.connect();
  try {
    for (const sql of statements) await client.query(sql);
  } finally {
    await client.end();
  }
}

export default async function setup() {
  // Which kinds of screen have been looked at, for all workers of this run.
  process.env.E2E_LOOKED_AT = mkdtempSync(join(tmpdir(), 'looked-at-'));
  await asAdmin(`drop database if exists ${TEMPLATE} with (force)`, `create database ${TEMPLATE}`);
  await migrate(databaseUrl(TEMPLATE));
  await seedDemo(databaseUrl(TEMPLATE));
}
