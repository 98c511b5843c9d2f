import { createHash } from 'node:crypto';
import {
  appendFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { clientBody, json, startTestApp, type TestApp } from '@rocchetto/server/app/testing.ts';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { backup, checksOf, restore } from './backup.ts';

let t: TestApp;
const dir = mkdtempSync(join(tmpdir(), 'backup-'));
const file = join(dir, 'studio.backup');
beforeAll(async () => {
  t = await startTestApp();
  await seedDemo(t.url);
});
afterAll(async () => {
  await t.close();
  rmSync(dir, { recursive: true, force: true });
});

async function emptyDatabase(): Promise<string> {
  const admin = process.env.TEST_DATABASE_ADMIN_URL!;
  const name = `b_${Math.random().toString(36).slice(2)}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return Object.assign(new URL(admin), { pathname: `/${name}` }).toString();
}
async function inDatabase<T>(url: string, work: (db: pg.Client) => Promise<T>): Promise<T> {
  const db = new pg.Client({ connectionString: url });
  await db.connect();
  try {
    return await work(db);
  } finally {
    await db.end();
  }
}

describe('backup and restore', () => {
  it('take one instant of a studio at work, and bring it back to the row', async () => {
    const desk = await t.as('desk');
    let going = true;
    let added = 0;
    const work = (async () => {
      for (; going; added++) await json(desk.send('POST', '/clients', clientBody(`Meanwhile ${added}`)), 201);
    })();
    const checks = await backup(t.url, file);
    await new Promise((r) => setTimeout(r, 100));
    going = false;
    await work;
    expect(added).toBeGreaterThan(0);
    expect(checks.client!.rows).toBeGreaterThanOrEqual(40);
    expect(checks.client!.rows).toBeLessThan(40 + added + 1);
    const url = await emptyDatabase();
    expect(await restore(url, file, false)).toEqual({ aside: null, proven: false });
    // All but the line that says that it was restored.
    const { security_event: told, ...restored } = await inDatabase(url, checksOf);
    const { security_event: before, ...backedUp } = checks;
    expect(restored).toEqual(backedUp);
    expect(told!.rows).toBe(before!.rows + 1);
    // The restored studio goes on: the next client gets the next number.
    const { rows } = await inDatabase(url, (db) =>
      db.query(`insert into client (code, name, search) values ('C-x', 'After', 'after c-x') returning id`),
    );
    expect(rows[0].id).toBeGreaterThan(40);
  });
  it('refuse to overwrite a file or a studio', async () => {
    await expect(backup(t.url, file)).rejects.toThrow('there already');
    await expect(restore(t.url, file, false)).rejects.toThrow('holds a studio already');
  });
  it('lay the studio that is there aside when told to, and never while it is at work', async () => {
    const url = await emptyDatabase();
    await restore(url, file, false);
    await inDatabase(url, (db) => db.query(`update house set studio = 'The one before'`));
    await inDatabase(url, async () => {
      await expect(restore(url, file, true)).rejects.toThrow('Stop its servers');
    });
    const { aside } = await restore(url, file, true);
    const studio = (at: string) =>
      inDatabase(at, async (db) => (await db.query('select studio from house')).rows[0].studio as string);
    expect(await studio(url)).not.toBe('The one before');
    expect(await studio(Object.assign(new URL(url), { pathname: `/${aside}` }).toString())).toBe(
      'The one before',
    );
  });
  it('are for the eyes of the one who makes them, and sealed with a passphrase for nobody else’s', async () => {
    const mode = (f: string) => statSync(f).mode & 0o777;
    expect([mode(file), mode(`${file}.check.json`)]).toEqual([0o600, 0o600]);
    const sealed = join(dir, 'sealed.backup');
    const words = 'bobbin quay lantern rye';
    const checks = await backup(t.url, sealed, words);
    expect([mode(sealed), mode(`${sealed}.check.json`)]).toEqual([0o600, 0o600]);
    // The format's own first line (age-encryption.org/v1, from memory): any tool that reads it opens the file.
    expect(readFileSync(sealed).subarray(0, 21).toString()).toBe('age-encryption.org/v1');
    expect(readFileSync(sealed).includes('PGDMP')).toBe(false);
    expect(readdirSync(dir).filter((f) => /\.(open|part)$/.test(f))).toEqual([]);
    const url = await emptyDatabase();
    await expect(restore(url, sealed, false)).rejects.toThrow('is sealed');
    await expect(restore(url, sealed, false, 'another passphrase here')).rejects.toThrow(
      'does not carry the seal',
    );
    expect(await inDatabase(url, checksOf)).toEqual({});
    expect(await restore(url, sealed, false, words)).toEqual({ aside: null, proven: true });
    expect((await inDatabase(url, checksOf)).client).toEqual(checks.client);
    expect(readdirSync(dir).filter((f) => f.endsWith('.open'))).toEqual([]);
  });
  it('of which dump and check file were both changed are refused where they are sealed', async () => {
    const sealed = join(dir, 'sealed.backup');
    const words = 'bobbin quay lantern rye';
    const url = await emptyDatabase();
    // A changed file, its sum made anew, as somebody does who can write both.
    const [bytes, check] = [readFileSync(sealed), readFileSync(`${sealed}.check.json`, 'utf8')];
    bytes[bytes.length - 20]! ^= 1;
    writeFileSync(sealed, bytes);
    const forged = { ...JSON.parse(check), sha256: createHash('sha256').update(bytes).digest('hex') };
    writeFileSync(`${sealed}.check.json`, JSON.stringify(forged));
    await expect(restore(url, sealed, false, words)).rejects.toThrow('does not carry the seal');
    // The seal taken off as well.
    const { sealed: _, ...bare } = forged;
    writeFileSync(`${sealed}.check.json`, JSON.stringify(bare));
    await expect(restore(url, sealed, false, words)).rejects.toThrow('carries no seal');
    expect(await inDatabase(url, checksOf)).toEqual({});
  });
  it('say no to a damaged file, and leave what was there as it was', async () => {
    const url = await emptyDatabase();
    appendFileSync(file, 'x');
    await expect(restore(url, file, false)).rejects.toThrow('damaged');
    rmSync(`${file}.check.json`);
    await expect(restore(url, file, true)).rejects.toThrow('missing');
    expect(await inDatabase(url, checksOf)).toEqual({});
    await expect(backup(url, join(dir, 'nothing'))).rejects.toThrow('no studio');
    expect(existsSync(join(dir, 'nothing'))).toBe(false);
  });
});
