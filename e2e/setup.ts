import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import pg from 'pg';
import { stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';

/** The demo studio in a fresh database of the test cluster, served for the run; ended afterwards. */
export default async function setup() {
  const admin = process.env.TEST_DATABASE_ADMIN_URL;
  if (!admin) throw new Error('These tests need a PostgreSQL: run ./rocchetto test.');
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query('drop database if exists e2e with (force)');
  await client.query('create database e2e');
  await client.end();
  const url = Object.assign(new URL(admin), { pathname: '/e2e' }).toString();
  await migrate(url);
  await seedDemo(url);
  const port = await freePort();
  const server = await startServer(url, port);
  process.env.E2E_URL = `http://127.0.0.1:${port}`;
  process.env.E2E_DATABASE_URL = url;
  return () => stopChild(server, 'SIGTERM', 5000);
}
