import pg from 'pg';

/** The demo studio in a database of the test cluster, from which every worker takes a copy of its own. */
export const TEMPLATE = 'e2e_template';

/** A database's address beside the admin one's. */
export const databaseUrl = (database: string): string => {
  const admin = process.env.TEST_DATABASE_ADMIN_URL;
  if (!admin) throw new Error('These tests need a PostgreSQL: run ./rocchetto test.');
  return Object.assign(new URL(admin), { pathname: `/${database}` }).toString();
};

/** Runs statements in turn; gives the rows of the last. */
export async function asAdmin(...statements: string[]): Promise<unknown[]> {
  const client = new pg.Client({ connectionString: databaseUrl('postgres') });
  await client.connect();
  try {
    let rows: unknown[] = [];
    for (const sql of statements) rows = (await client.query(sql)).rows;
    return rows;
  } finally {
    await client.end();
  }
}

export const hasTemplate = async () =>
  (await asAdmin(`select from pg_database where datname = '${TEMPLATE}'`)).length > 0;
