import { type Me, may, ROLE_WORD, toLeads } from '@rocchetto/contract';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { ahead, benchAhead, bookedAhead } from '../../records/diary/ahead.ts';
import { readDoors } from '../../records/doors.ts';
import { newness, readHouse } from '../../records/house.ts';
import { noteEvent } from '../../records/security-events.ts';
import { dropSetupLink, makeSetupLink } from '../../records/sign-ins.ts';
import {
  addStaff,
  changeRole,
  holdStaff,
  isActive,
  listStaff,
  nameStaff,
  removeStaff,
  staffName,
  unitOfStaff,
} from '../../records/staff.ts';
import { TEXTS } from './texts.ts';

/** The answer with a link of its own: a link is not kept in the answer that a repeat gets back, it is made anew. */
const withLink = async (tx: Tx, { id }: { id: number }) => ({
  id,
  path: `/setup#${await makeSetupLink(tx, id)}`,
});

/** Who is signed in, who works here, and links for new staff. */
export function staffRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /me', async (c) => {
    const { id, name, role, csrf, factorOwed = false } = c.get('who');
    const { studio, timeZone, unit, dateOrder, currency, weekStarts, ownCheck, rules } = await readHouse(
      deps.pool,
    );
    const { idleMinutes } = await readDoors(deps.pool);
    const ownUnit = await unitOfStaff(deps.pool, id);
    return {
      id,
      name,
      role,
      csrf,
      idleMinutes,
      factorOwed,
      studio,
      timeZone,
      unit: ownUnit ?? unit,
      ownUnit,
      dateOrder,
      currency,
      weekStarts,
      ownCheck,
      firstSteps: may(role, 'house.write') ? await newness(deps.pool) : null,
      leads: toLeads(rules),
      tape: rules.tape ?? {},
    } satisfies Me;
  });
  on(app, 'GET /staff', async (_c, { role }) => {
    const staff = await listStaff(deps.pool);
    return may(role, 'staff.manage') ? staff : staff.map((s) => ({ ...s, linkUntil: null }));
  });
  on(app, 'POST /staff', (c, { body: { name, role } }) =>
    once(
      c,
      deps,
      async (tx) => {
        const id = await addStaff(tx, name, role);
        await remember(tx, 'staff', id, c.get('who').id, 'joined', undefined, { name, role });
        await noteEvent(tx, {
          what: 'staff-added',
          staffId: c.get('who').id,
          words: `${name}, ${ROLE_WORD[role]}`,
        });
        return { body: { id }, changed: [['staff', id, 0]] };
      },
      withLink,
    ),
  );
  on(app, 'PUT /staff/:id', (c, { body: { name, role, was } }) => {
    const id = idParam(c, 'member of staff');
    return once(c, deps, async (tx) => {
      const now = await holdStaff(tx, id);
      if (!now) throw notFound('member of staff');
      if (now.name !== was.name || now.role !== was.role) throw conflict(now, { name, role });
      if (now.name !== name) await nameStaff(tx, id, name);
      if (now.role !== role) await changeRole(tx, id, role);
      await remember(tx, 'staff', id, c.get('who').id, 'changed', now, { name, role });
      await noteEvent(tx, {
        what: 'staff-changed',
        staffId: c.get('who').id,
        words: `${now.name}, ${ROLE_WORD[now.role]} → ${name}, ${ROLE_WORD[role]}`,
      });
      return { body: { ok: true as const }, changed: [['staff', id, 0]] };
    });
  });
  on(app, 'POST /staff/:id/link', (c) => {
    const id = idParam(c, 'member of staff');
    return once(
      c,
      deps,
      async (tx) => {
        if (!(await isActive(tx, id))) throw notFound('member of staff');
        await remember(tx, 'staff', id, c.get('who').id, 'new sign-in link', undefined, undefined);
        await noteEvent(tx, {
          what: 'link-made',
          staffId: c.get('who').id,
          words: `for ${(await staffName(tx, id)) ?? ''}`,
        });
        return { body: { id }, changed: [['staff', id, 0]] };
      },
      withLink,
    );
  });
  on(app, 'DELETE /staff/:id/link', (c) => {
    const id = idParam(c, 'member of staff');
    return once(c, deps, async (tx) => {
      if (!(await dropSetupLink(tx, id))) throw new HttpError(409, 'no-link', TEXTS.noLink);
      const name = (await staffName(tx, id)) ?? '';
      await remember(tx, 'staff', id, c.get('who').id, 'sign-in link withdrawn', undefined, undefined);
      await noteEvent(tx, { what: 'link-withdrawn', staffId: c.get('who').id, words: `for ${name}` });
      return { body: { ok: true as const }, changed: [['staff', id, 0]] };
    });
  });
  on(app, 'DELETE /staff/:id', (c) => {
    const id = idParam(c, 'member of staff');
    if (id === c.get('who').id) throw new HttpError(422, 'yourself', TEXTS.yourself);
    return once(c, deps, async (tx) => {
      const booked = await bookedAhead(tx, { staffId: id }, deps.now());
      const { timeZone: zone, dateOrder } = await readHouse(tx);
      if (booked.length > 0) throw ahead({ zone, dateOrder }, 'This person', booked);
      if ((await benchAhead(tx, id)).length > 0) throw new HttpError(409, 'booked-ahead', TEXTS.bookedAhead);
      const name = (await staffName(tx, id)) ?? '';
      if (!(await removeStaff(tx, id))) throw notFound('member of staff');
      await remember(tx, 'staff', id, c.get('who').id, 'left', undefined, undefined);
      await noteEvent(tx, { what: 'staff-removed', staffId: c.get('who').id, words: name });
      return { body: { ok: true }, changed: [['staff', id, 0]] };
    });
  });
  return app;
}
