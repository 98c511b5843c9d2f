import { type Me, NewStaff, type StaffView } from '@rocchetto/contract';
import { foldText } from '@rocchetto/core';
import { Hono } from 'hono';
import { makeSetupLink } from '../auth/sql.ts';
import { remember } from '../db/history.ts';
import { type Db, inTransaction } from '../db/pool.ts';
import { body, type Deps, type Env, idParam, needs } from '../http/context.ts';
import { notFound, Refusal } from '../http/problem.ts';

export const studioName = async (db: Db): Promise<string> =>
  (await db.query<{ studio: string }>('select studio from house')).rows[0]!.studio;

/** Who is signed in, who works here, and links for new staff. */
export function staffRoutes(deps: Deps): Hono<Env> {
  return new Hono<Env>()
    .get('/me', async (c) => {
      const { id, name, role, csrf } = c.get('who');
      return c.json({ id, name, role, csrf, studio: await studioName(deps.pool) } satisfies Me);
    })
    .get('/staff', needs('staff.read'), async (c) => {
      const { rows } = await deps.pool.query<StaffView>(
        'select id, name, role, passphrase_hash is not null as ready from staff where active order by name',
      );
      return c.json(rows);
    })
    .post('/staff', needs('staff.manage'), async (c) => {
      const { name, role } = await body(c, NewStaff);
      const link = await inTransaction(deps.pool, async (tx) => {
        const made = await tx.query<{ id: number }>(
          'insert into staff (name, name_key, role) values ($1, $2, $3) on conflict do nothing returning id',
          [name, foldText(name), role],
        );
        if (!made.rows[0])
          throw new Refusal(
            422,
            'name-taken',
            `Somebody called ${name} is on the staff already. Use a name that tells them apart.`,
          );
        await remember(tx, 'staff', made.rows[0].id, c.get('who').id, 'joined', undefined, { name, role });
        return { id: made.rows[0].id, token: await makeSetupLink(tx, made.rows[0].id) };
      });
      return c.json({ id: link.id, path: `/setup#${link.token}` }, 201);
    })
    .post('/staff/:id/link', needs('staff.manage'), async (c) => {
      const id = idParam(c, 'member of staff');
      const known = await deps.pool.query('select 1 from staff where id = $1 and active', [id]);
      if (!known.rowCount) throw notFound('member of staff');
      return c.json({ id, path: `/setup#${await makeSetupLink(deps.pool, id)}` }, 201);
    })
    .delete('/staff/:id', needs('staff.manage'), async (c) => {
      const id = idParam(c, 'member of staff');
      if (id === c.get('who').id)
        throw new Refusal(422, 'yourself', 'You cannot take yourself off the staff.');
      await inTransaction(deps.pool, async (tx) => {
        const gone = await tx.query('update staff set active = false where id = $1 and active', [id]);
        if (!gone.rowCount) throw notFound('member of staff');
        await tx.query('delete from sign_in where staff_id = $1', [id]);
        await remember(tx, 'staff', id, c.get('who').id, 'left', undefined, undefined);
      });
      return c.json({ ok: true });
    });
}
