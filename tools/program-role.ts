import { randomBytes } from 'node:crypto';
import pg from 'pg';

/** The role that the demo's program works under; it owns nothing. */
const PROGRAM = 'rocchetto_program';

/**
 * A database's address under the program's own role, which is made where it is not there yet. Its password is new each
 * time: nobody but the process that is started with it needs to know it.
 */
export async function programUrl(ownerUrl: string): Promise<string> {
  const password = randomBytes(18).toString('base64url');
  const owner = new pg.Client({ connectionString: ownerUrl });
  await owner.connect();
  try {
    const { rowCount } = await owner.query('select 1 from pg_roles where rolname = $1', [PROGRAM]);
    if (rowCount === 0) await owner.query(`create role ${PROGRAM} login`);
    await owner.query(`alter role ${PROGRAM} password ${pg.escapeLiteral(password)}`);
  } finally {
    await owner.end();
  }
  return Object.assign(new URL(ownerUrl), { username: PROGRAM, password }).toString();
}
