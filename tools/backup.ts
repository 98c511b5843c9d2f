import { spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  closeSync,
  createReadStream,
  existsSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { setTimeout } from 'node:timers/promises';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { noteEvent } from '@rocchetto/server/records/security-events.ts';
import pg from 'pg';
import { findBin } from './cluster.ts';
import { macOf, sameMac, seal, unseal } from './sealed.ts';
import { StopWord } from './stop-word.ts';

/** How many rows each table holds, and a sum over their hashes that does not depend on their order. */
export type Checks = Record<string, { readonly rows: number; readonly hash: string }>;

/** What lies beside a backup: what it must be, and what a database restored from it must hold. */
interface CheckFile {
  readonly format: 'rocchetto-backup';
  readonly version: 1;
  readonly madeAt: string;
  /** of the backup file itself, as it lies there */
  readonly sha256: string;
  readonly tables: Checks;
  /** of a sealed backup: salt and HMAC-SHA256 of all the rest, under a key made from the passphrase */
  readonly sealed?: { readonly salt: string; readonly mac: string };
}

/** What of a check file its seal covers. */
const covered = ({ sealed: _, ...rest }: CheckFile): string => JSON.stringify(rest);

const checkFileOf = (file: string) => `${file}.check.json`;

/** Whether somebody is connected to a database, and still is after two seconds: a connection that has ended is listed for a moment. */
async function staysBusy(db: pg.Client, name: string): Promise<boolean> {
  for (let i = 0; i < 10; i++) {
    const busy = await db.query(
      `select 1 from pg_stat_activity where datname = $1 and backend_type is distinct from 'autovacuum worker'`,
      [name],
    );
    if (!busy.rowCount) return false;
    await setTimeout(200);
  }
  return true;
}

async function connected<T>(url: string, work: (db: pg.Client) => Promise<T>): Promise<T> {
  const db = new pg.Client({ connectionString: url });
  db.on('error', () => undefined);
  await db.connect();
  try {
    return await work(db);
  } finally {
    await db.end();
  }
}

/** Counts and hashes of every table of the studio, as this connection sees them. */
export async function checksOf(db: pg.ClientBase): Promise<Checks> {
  await db.query(
    `set timezone = 'UTC'; set datestyle = 'ISO'; set extra_float_digits = 1; set statement_timeout = 0`,
  );
  const { rows: tables } = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`,
  );
  const out: Record<string, { rows: number; hash: string }> = {};
  for (const { name } of tables) {
    const { rows } = await db.query<{ n: string; hash: string | null }>(
      `select count(*) as n, sum(hashtextextended(t::text, 0)::numeric) as hash from ${pg.escapeIdentifier(name)} t`,
    );
    out[name] = { rows: Number(rows[0]!.n), hash: rows[0]!.hash ?? '0' };
  }
  return out;
}

const sha256 = async (file: string) => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
};

/** Runs one of PostgreSQL's own tools; its password travels in the environment, not in the list of processes. */
function run(tool: 'pg_dump' | 'pg_restore', url: string, args: readonly string[]): Promise<void> {
  const { username, password, hostname, port, pathname, searchParams } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: hostname || (searchParams.get('host') ?? ''),
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: pathname.slice(1),
  };
  return new Promise((done, fail) => {
    const child = spawn(join(findBin(), tool), args, { env, stdio: ['ignore', 'ignore', 'pipe'] });
    let said = '';
    child.stderr!.on('data', (c: Buffer) => {
      said = (said + c).slice(-4000);
    });
    child.once('error', (e) => fail(new StopWord(`${tool} could not be run: ${e.message}`)));
    child.once('exit', (code) =>
      code === 0 ? done() : fail(new StopWord(`${tool} failed: ${said.trim().split('\n').at(-1)}`)),
    );
  });
}

/**
 * Backs a database up into one file (pg_dump's custom format) with its checks beside it, all of one instant while
 * the studio goes on working. The file appears under its name only when it is whole.
 * @throws StopWord when the file is there already, or when a step fails
 */
export async function backup(url: string, file: string, passphrase: string | null = null): Promise<Checks> {
  if (existsSync(file) || existsSync(checkFileOf(file)))
    throw new StopWord(`${file} is there already. Give the backup a name of its own.`);
  const [part, plain] = [`${file}.part`, `${file}.open`];
  // Nobody but the one who makes it reads it: made so before the first byte.
  for (const f of [part, plain]) closeSync(openSync(f, 'w', 0o600));
  return connected(url, async (db) => {
    // One snapshot for the checks and the dump: what is saved meanwhile is in neither.
    await db.query('begin isolation level repeatable read read only');
    const { rows } = await db.query<{ id: string }>('select pg_export_snapshot() as id');
    try {
      const tables = await checksOf(db);
      if (Object.keys(tables).length === 0)
        throw new StopWord('There is no studio in this database; nothing was backed up.');
      await run('pg_dump', url, [
        '--format=custom',
        '--no-owner',
        '--no-privileges',
        `--snapshot=${rows[0]!.id}`,
        `--file=${plain}`,
      ]);
      await run('pg_restore', url, ['--list', `--file=/dev/null`, plain]);
      if (passphrase) await seal(plain, part, passphrase);
      else renameSync(plain, part);
      const open: CheckFile = {
        format: 'rocchetto-backup',
        version: 1,
        madeAt: new Date().toISOString(),
        sha256: await sha256(part),
        tables,
      };
      const salt = randomBytes(16).toString('hex');
      const check: CheckFile = passphrase
        ? { ...open, sealed: { salt, mac: macOf(covered(open), salt, passphrase) } }
        : open;
      writeFileSync(checkFileOf(file), `${JSON.stringify(check, null, 2)}\n`, { mode: 0o600 });
      renameSync(part, file);
      rmSync(plain, { force: true });
      return tables;
    } catch (error) {
      for (const f of [part, plain, checkFileOf(file)]) rmSync(f, { force: true });
      throw error;
    }
  });
}

function readCheck(file: string): CheckFile {
  if (!existsSync(file)) throw new StopWord(`There is no ${file}.`);
  if (!existsSync(checkFileOf(file)))
    throw new StopWord(
      `${checkFileOf(file)} is missing: without it nobody can say whether the backup is whole. Lay it beside the backup.`,
    );
  try {
    const check = JSON.parse(readFileSync(checkFileOf(file), 'utf8')) as CheckFile;
    if (check.format === 'rocchetto-backup' && check.version === 1) return check;
  } catch {
    // told below
  }
  throw new StopWord(`${checkFileOf(file)} is not a backup's check file.`);
}

const differing = (was: Checks, is: Checks) =>
  [...new Set([...Object.keys(was), ...Object.keys(is)])].filter(
    (t) => was[t]?.rows !== is[t]?.rows || was[t]?.hash !== is[t]?.hash,
  );

async function fill(url: string, file: string, check: CheckFile) {
  await run('pg_restore', url, [
    '--no-owner',
    '--no-privileges',
    '--exit-on-error',
    '--single-transaction',
    `--dbname=${new URL(url).pathname.slice(1)}`,
    file,
  ]);
  const wrong = differing(check.tables, await connected(url, checksOf));
  if (wrong.length > 0)
    throw new StopWord(`The restored tables are not those that were backed up: ${wrong.join(', ')}.`);
  await migrate(url);
  await connected(url, (db) => noteEvent(db, { what: 'restore', words: `backup of ${check.madeAt}` }));
}

/**
 * A backup as pg_restore reads it. @throws StopWord when it is not what was backed up, or was sealed and this
 * passphrase does not open it. Of one that is not sealed only this is known: it fits the check file beside it.
 */
async function opened<T>(
  file: string,
  passphrase: string | null,
  work: (plain: string, check: CheckFile, proven: boolean) => Promise<T>,
): Promise<T> {
  const check = readCheck(file);
  if (check.sealed && passphrase === null)
    throw new StopWord(
      `${file} is sealed. Nothing was restored. Say its passphrase: --passphrase-file FILE.`,
    );
  if (!check.sealed && passphrase !== null)
    throw new StopWord(
      `The check file of ${file} carries no seal, though a passphrase was given: it was not made by this backup, or was changed. Nothing was restored.`,
    );
  if (check.sealed && !sameMac(macOf(covered(check), check.sealed.salt, passphrase!), check.sealed.mac))
    throw new StopWord(
      `The check file of ${file} does not carry the seal of this passphrase: it was changed, or the passphrase is another. Nothing was restored.`,
    );
  if ((await sha256(file)) !== check.sha256)
    throw new StopWord(
      `${file} is not the file that was backed up: it is damaged or was changed. Nothing was restored.`,
    );
  if (!check.sealed) return work(file, check, false);
  const plain = `${file}.open`;
  try {
    await unseal(file, plain, passphrase!);
    return await work(plain, check, true);
  } finally {
    rmSync(plain, { force: true });
  }
}

/**
 * Restores a backup, checks every table against what was backed up, and brings it to today's shape. Into an empty
 * database it goes as it is. A database that holds a studio is refused, unless `intoEmpty`: then it is laid aside
 * under another name and an empty one takes its place. Whatever fails, the studio that was there is there again.
 * @returns the name under which the earlier database was laid aside, or null; and whether a seal proves that nobody
 * changed the backup
 */
export const restore = (
  url: string,
  file: string,
  intoEmpty: boolean,
  passphrase: string | null = null,
): Promise<{ readonly aside: string | null; readonly proven: boolean }> =>
  opened(file, passphrase, async (plain, check, proven) => ({
    aside: await restoreOpened(url, plain, check, intoEmpty),
    proven,
  }));

async function restoreOpened(
  url: string,
  file: string,
  check: CheckFile,
  intoEmpty: boolean,
): Promise<string | null> {
  const name = new URL(url).pathname.slice(1);
  const holds = await connected(url, async (db) => Object.keys(await checksOf(db)).length > 0);
  if (!holds) {
    await fill(url, file, check);
    return null;
  }
  if (!intoEmpty)
    throw new StopWord(
      'This database holds a studio already; nothing was overwritten. To restore all the same, add --into-empty: the studio that is there is laid aside under another name.',
    );
  const aside = `${name}_before_${new Date().toISOString().replace(/\D/g, '').slice(0, 14)}`;
  const admin = Object.assign(new URL(url), { pathname: '/postgres' }).toString();
  const id = pg.escapeIdentifier;
  await connected(admin, async (db) => {
    if (await staysBusy(db, name))
      throw new StopWord('The studio is at work in this database. Stop its servers first.');
    await db.query(`alter database ${id(name)} rename to ${id(aside)}`);
    try {
      await db.query(`create database ${id(name)}`);
      await fill(url, file, check);
    } catch (error) {
      await db.query(`drop database if exists ${id(name)} with (force)`);
      await db.query(`alter database ${id(aside)} rename to ${id(name)}`);
      throw error;
    }
  });
  return aside;
}
