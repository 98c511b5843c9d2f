import pg from 'pg';

/** What is only added to: the program's own role may read it and add to it, and nothing else. */
const ONLY_ADDED = ['history', 'security_event'];
/** What only the owner writes. */
const OWNERS = ['migration'];

/**
 * Gives the role that the program works under what it needs and no more: it owns no table, so it can neither change nor
 * empty what is only added to, nor take a trigger off. Run by the owner after the migrations; a role that is the owner
 * itself is left as it is.
 */
export async function grantProgram(owner: pg.ClientBase, role: string): Promise<void> {
  const { rows } = await owner.query<{ me: string }>('select current_user as me');
  if (rows[0]!.me === role) return;
  const to = pg.escapeIdentifier(role);
  await owner.query(`
    grant usage on schema public, graphile_worker to ${to};
    grant select, insert, update, delete on all tables in schema public to ${to};
    grant usage, select, update on all sequences in schema public to ${to};
    grant execute on all functions in schema public to ${to};
    grant select, insert, update, delete on all tables in schema graphile_worker to ${to};
    grant usage, select, update on all sequences in schema graphile_worker to ${to};
    grant execute on all functions in schema graphile_worker to ${to};
    revoke update, delete, truncate on ${ONLY_ADDED.join(', ')} from ${to};
    revoke insert, update, delete, truncate on ${OWNERS.join(', ')} from ${to};`);
  // The queue's tables let nobody but their owner see a row, unless a policy says so.
  const { rows: guarded } = await owner.query<{ name: string }>(
    `select c.oid::regclass::text as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname = 'graphile_worker' and c.relrowsecurity`,
  );
  for (const { name } of guarded)
    await owner.query(`
      drop policy if exists program on ${name};
      create policy program on ${name} to ${to} using (true) with check (true);`);
}

/** The name of the role in a database's address. */
export const roleOf = (url: string): string => decodeURIComponent(new URL(url).username);
