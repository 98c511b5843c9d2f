import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { describe, expect, it } from 'vitest';
import { startTestApp } from '../app/testing.ts';
import { migrate } from './migrate.ts';

const dir = join(import.meta.dirname, '../migrations');
const files = readdirSync(dir)
  .filter((f) => f.endsWith('.sql'))
  .sort();
const sha = (file: string) => createHash('sha256').update(readFileSync(file)).digest('hex');
const landed = JSON.parse(readFileSync(join(dir, 'landed/hashes.json'), 'utf8')) as Record<string, string>;

describe('migrations', () => {
  it('that have landed are never edited, and each has its hash beside it', () => {
    const now = Object.fromEntries(files.map((f) => [f, sha(join(dir, f))]));
    expect(now, 'a landed migration changed: undo that and add the next one').toMatchObject(landed);
    expect(Object.keys(landed).sort(), 'a new migration: add its hash to landed/hashes.json').toEqual(files);
  });
});

/** The shape of a database: every column, constraint, index, trigger and function of ours, by its definition. */
async function shapeOf(client: pg.Client): Promise<unknown> {
  const rows = async (sql: string) => (await client.query(sql)).rows;
  return {
    columns: await rows(
      `select table_name, column_name, data_type, is_nullable, column_default from information_schema.columns
        where table_schema = 'public' and table_name <> 'migration' order by 1, 2`,
    ),
    constraints: await rows(
      `select conrelid::regclass::text as t, pg_get_constraintdef(oid) as def from pg_constraint
        where connamespace = 'public'::regnamespace and conrelid::regclass::text <> 'migration' order by 1, 2`,
    ),
    indexes: await rows(
      `select indexdef from pg_indexes where schemaname = 'public' and tablename <> 'migration' order by 1`,
    ),
    triggers: await rows(
      `select pg_get_triggerdef(oid) as def from pg_trigger where not tgisinternal order by 1`,
    ),
    functions: await rows(
      `select prosrc from pg_proc where pronamespace = 'public'::regnamespace and prolang <> 13 and probin is null order by proname`,
    ),
  };
}

const admin = () => process.env.TEST_DATABASE_ADMIN_URL!;
async function emptyDatabase(): Promise<string> {
  const name = `m_${createHash('md5').update(String(Math.random())).digest('hex')}`;
  const client = new pg.Client({ connectionString: admin() });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return Object.assign(new URL(admin()), { pathname: `/${name}` }).toString();
}
const connect = async (url: string) => {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  return client;
};

/** A database as an earlier program left it: its migration files run as they were then, with a few rows. */
async function earlierState(sqlFiles: readonly (readonly [name: string, file: string])[]): Promise<string> {
  const url = await emptyDatabase();
  const client = await connect(url);
  await client.query(
    'create table migration (id serial primary key, name varchar(255) not null, run_on timestamp not null)',
  );
  for (const [name, file] of sqlFiles) {
    await client.query(readFileSync(file, 'utf8'));
    await client.query('insert into migration (name, run_on) values ($1, now())', [name]);
  }
  await client.query(`
    insert into staff (name, name_key, role) values ('Old Hand', 'old hand', 'fitter');
    insert into client (code, name, phone, search) values ('C-0001', 'Zoë Ødegård', '0555 12-34 56', 'zoe odegard c-0001 0555123456');
    insert into client (code, name, search) values ('C-0002', 'No Phone', 'no phone c-0002');
    insert into orders (number, client_id, what, brief) values ('26-001', 1, 'Straight skirt', '{"parts": []}'), ('26-002', 2, 'Café dress', null);
    insert into session (id, client_id, order_id, at, staff_id, measurer, details, unit) values ('00000000-0000-4000-8000-000000000001', 1, 1, now(), 1, 'Old Hand', '{}', 'cm');
    insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at) values ('00000000-0000-4000-8000-000000000002', '00000000-0000-4000-8000-000000000001', 'waist', 'read', '{}', 'Old Hand', 1, now());
    insert into sheet (order_id, revision, status, version, settings) values (1, 1, 'draft', 1, '{}');`);
  // What a program of that day kept beside, once it did.
  if (sqlFiles.length > 1)
    await client.query(`
      update client set search = 'zoe odegard c-0001', phone_digits = '0555123456' where id = 1;
      update orders set search = '26-001 straight skirt zoe odegard c-0001' where id = 1;
      update orders set search = '26-002 cafe dress no phone c-0002' where id = 2;`);
  await client.end();
  return url;
}

const earlier: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  ['the first migration as it first stood', [['001_studio', join(dir, 'landed/001_studio.first.sql')]]],
  [
    'the sixth as it stood for some hours, with photographs',
    files
      .slice(0, 6)
      .map((f, i) => [f.replace('.sql', ''), join(dir, i === 5 ? 'landed/006_alterations.photo.sql' : f)]),
  ],
  [
    'the seventh as it stood after that',
    files
      .slice(0, 7)
      .map((f, i) => [
        f.replace('.sql', ''),
        join(
          dir,
          ['landed/006_alterations.photo.sql', 'landed/007_design_and_after.after_photo.sql'][i - 5] ?? f,
        ),
      ]),
  ],
  ...files
    .slice(0, -1)
    .map(
      (_, i) =>
        [
          `the state after ${files[i]}`,
          files.slice(0, i + 1).map((f) => [f.replace('.sql', ''), join(dir, f)] as const),
        ] as const,
    ),
];

describe('every earlier database', () => {
  it.each(earlier)('comes forward from %s', async (_, sqlFiles) => {
    const url = await earlierState(sqlFiles);
    await migrate(url);
    const client = await connect(url);
    const fresh = await startTestApp();
    const freshClient = await connect(fresh.url);
    try {
      expect(await shapeOf(client)).toEqual(await shapeOf(freshClient));
      const clients = await client.query('select search, phone_digits from client order by id');
      expect(clients.rows).toEqual([
        { search: 'zoe odegard c-0001', phone_digits: '0555123456' },
        { search: 'no phone c-0002', phone_digits: '' },
      ]);
      const orders = await client.query('select stage, search from orders order by id');
      expect(orders.rows).toEqual([
        { stage: 'sheet', search: '26-001 straight skirt zoe odegard c-0001' },
        { stage: 'asked', search: '26-002 cafe dress no phone c-0002' },
      ]);
    } finally {
      await client.end();
      await freshClient.end();
      await fresh.close();
    }
  });
  it('is left alone by a second start', async () => {
    const url = await emptyDatabase();
    await migrate(url);
    await migrate(url);
    const client = await connect(url);
    expect((await client.query('select count(*)::int as n from migration')).rows[0].n).toBe(files.length);
    await client.end();
  });
});
