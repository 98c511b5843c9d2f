import { foldText } from '@rocchetto/core';
import { dropFactor } from '@rocchetto/server/areas/account/second-factor.ts';
import { forgetDevices } from '@rocchetto/server/records/doors.ts';
import { noteEvent } from '@rocchetto/server/records/security-events.ts';
import { makeSetupLink } from '@rocchetto/server/records/sign-ins.ts';
import pg from 'pg';
import { StopWord } from './stop-word.ts';

/**
 * Lets somebody of the staff back in who has forgotten the passphrase: a new one-time link, the second factor off, known
 * devices and wrong tries forgotten. Whoever can run this on the server owns the database anyway. Nobody is signed out
 * until the link is used. @returns the link's path @throws StopWord for a name nobody has
 */
export async function reset(url: string, name: string): Promise<string> {
  const db = new pg.Client({ connectionString: url });
  await db.connect();
  try {
    const key = foldText(name);
    const { rows } = await db.query<{ id: number; name: string }>(
      'select id::int, name from staff where name_key = $1 and active',
      [key],
    );
    const found = rows[0];
    if (!found) {
      const all = await db.query<{ name: string }>(
        `select name from staff where active order by role = 'principal' desc, name limit 20`,
      );
      throw new StopWord(
        `Nobody called “${name}” works here. Nothing was changed. Known: ${all.rows.map((r) => r.name).join(', ')}.`,
      );
    }
    await db.query('begin');
    const token = await makeSetupLink(db, found.id);
    await dropFactor(db, found.id);
    await forgetDevices(db, found.id);
    await db.query('delete from sign_in_tries where strpos(key, $1) > 0', [key]);
    await noteEvent(db, { what: 'reset', staffId: found.id, words: 'by ./rocchetto reset on the server' });
    await db.query('commit');
    return `/setup#${token}`;
  } finally {
    await db.end();
  }
}
