import type { ImpactPreview } from '@rocchetto/contract';
import { dayIn, printDayAndDate } from '@rocchetto/core';
import { hoursOn } from '@rocchetto/core/diary/hours.ts';
import { holds } from '@rocchetto/core/diary/spans.ts';
import { daysFrom, wallAt, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import { Hono } from 'hono';
import { isTaken } from '../../db/error-kinds.ts';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { versioned } from '../../http/versioned.ts';
import { ahead, bookedAhead } from '../../records/diary/ahead.ts';
import { openingOf } from '../../records/diary/book.ts';
import {
  addAway,
  addRoom,
  bookedTimes,
  closeRoom,
  RULES_CHANGED,
  readRoom,
  readRuleChanges,
  readRules,
  readWork,
  takeBackAway,
  writeRoom,
  writeRules,
  writeWork,
} from '../../records/diary/hours.ts';
import { readHouse } from '../../records/house.ts';
import { aheadOf, handOver } from './hand-over.ts';
import { TEXTS } from './texts.ts';

/** How many changes of the rules are told. */
const CHANGES = 50;

/** Staff at work, rooms, days away and closed, opening hours and kinds: what the diary goes by. */
export function diaryHouseRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  ruleRoutes(app, deps);
  workRoutes(app, deps);
  roomRoutes(app, deps);
  awayRoutes(app, deps);
  return app;
}

/** Opening hours and kinds, and what other ones would leave outside. */
function ruleRoutes(app: Hono<Env>, deps: Deps): void {
  on(
    app,
    'GET /diary/rules/changes',
    async (_c) => await readRuleChanges(deps.pool, CHANGES, (await readHouse(deps.pool)).dateOrder),
  );
  on(app, 'POST /diary/would-stand', async (_c, { body: asked }) => {
    const { zone, dateOrder, rules } = await readRules(deps.pool);
    const booked = await bookedTimes(deps.pool, deps.now(), asked);
    const last = booked.at(-1);
    // Somebody without hours of their own works while the house is open.
    const hours = 'hours' in asked && asked.staffId && asked.hours.length > 0 ? asked.hours : null;
    const opening = openingOf(
      'hours' in asked && !asked.staffId ? { ...rules, opening: asked.hours } : rules,
    );
    const open =
      'hours' in asked && last
        ? hoursOn(zone, daysFrom(dayIn(zone, deps.now()), wallAt(zone, last.to).day), hours ?? opening)
        : [];
    const standing = booked.filter((b) => !holds(open, b.from, b.to));
    return {
      count: standing.length,
      first: standing.slice(0, 5).map((b) => {
        const { day, time } = wallAt(zone, b.from);
        return { id: b.id, clientName: b.clientName, when: `${printDayAndDate(day, dateOrder)} ${time}` };
      }),
    } satisfies ImpactPreview;
  });
  on(app, 'PUT /diary/rules', (c, { body: { version, rules } }) =>
    once(c, deps, async (tx) => {
      const now = await versioned(tx, {
        what: 'house',
        id: 1,
        version,
        mine: rules,
        who: c.get('who'),
        did: RULES_CHANGED,
        read: (t) => readRules(t, true),
        write: async (t) => {
          await writeRules(t, rules);
          return rules;
        },
        kept: (before) => before.rules,
      });
      return {
        body: { version: now },
        changed:
          now === version
            ? []
            : [
                ['house', 1, now],
                ['diary', 0, 0],
              ],
      };
    }),
  );
}

/** Who works when, and whose bookings go to whom. */
function workRoutes(app: Hono<Env>, deps: Deps): void {
  on(app, 'PUT /staff/:id/work', (c, { body: { version, ...work } }) => {
    const id = idParam(c, 'member of staff');
    return once(c, deps, async (tx) => {
      const now = await versioned(tx, {
        what: 'staff',
        id,
        version,
        mine: work,
        who: c.get('who'),
        did: 'work changed',
        read: (t) => readWork(t, id),
        write: async (t) => {
          await writeWork(t, id, work);
          return work;
        },
      });
      return {
        body: { id, version: now },
        changed:
          now === version
            ? []
            : [
                ['staff', id, now],
                ['diary', 0, 0],
              ],
      };
    });
  });

  on(
    app,
    'GET /staff/:id/ahead',
    async (c) => await aheadOf(deps.pool, idParam(c, 'member of staff'), deps.now()),
  );
  on(app, 'POST /staff/:id/hand-over', (c, { body: { toId, appointments, bench } }) => {
    const id = idParam(c, 'member of staff');
    if (id === toId) throw new HttpError(422, 'same-hands', TEXTS.sameHands);
    return once(c, deps, async (tx) => {
      if (!(await readWork(tx, toId))) throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
      const body = await handOver(tx, deps, { from: id, to: toId, by: c.get('who').id, appointments, bench });
      return { body, changed: [['diary', 0, 0]] };
    });
  });
}

/** Rooms. */
function roomRoutes(app: Hono<Env>, deps: Deps): void {
  on(app, 'POST /rooms', (c, { body }) =>
    once(c, deps, async (tx) => {
      const id = await addRoom(tx, body);
      await remember(tx, 'room', id, c.get('who').id, 'added', undefined, body);
      return { body: { id }, changed: [['diary', 0, 0]] };
    }),
  );
  on(app, 'PUT /rooms/:id', (c, { body: { version, ...room } }) => {
    const id = idParam(c, 'room');
    return once(c, deps, async (tx) => {
      const now = await versioned(tx, {
        what: 'room',
        id,
        version,
        mine: room,
        who: c.get('who'),
        did: 'changed',
        read: (t) => readRoom(t, id),
        write: async (t) => {
          await writeRoom(t, id, room);
          return room;
        },
      });
      return { body: { id, version: now }, changed: now === version ? [] : [['diary', 0, 0]] };
    });
  });
  on(app, 'DELETE /rooms/:id', (c) => {
    const id = idParam(c, 'room');
    return once(c, deps, async (tx) => {
      const room = await readRoom(tx, id);
      if (!room) throw notFound('room');
      const days = await readRules(tx);
      const booked = await bookedAhead(tx, { roomId: id }, deps.now());
      if (booked.length > 0) throw ahead(days, room.name, booked);
      await closeRoom(tx, id);
      await remember(tx, 'room', id, c.get('who').id, 'closed', room, undefined);
      return { body: { ok: true }, changed: [['diary', 0, 0]] };
    });
  });
}

/** Leave and closed days. */
function awayRoutes(app: Hono<Env>, deps: Deps): void {
  /** Days away or closed: kept at once, or refused with what stands on them. */
  const keepDays = async (
    tx: Tx,
    by: number,
    what: Parameters<typeof addAway>[1],
    days: { firstDay: string; lastDay: string },
  ) => {
    const { zone, dateOrder } = await readRules(tx);
    const during = { from: wholeDay(zone, days.firstDay).from, to: wholeDay(zone, days.lastDay).to };
    if (what.table === 'leave' && !(await readWork(tx, what.staffId)))
      throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
    const booked = await bookedAhead(
      tx,
      what.table === 'leave' ? { staffId: what.staffId, within: during } : { within: during },
      deps.now(),
    );
    if (booked.length > 0)
      throw ahead({ zone, dateOrder }, what.table === 'leave' ? 'This time' : 'The studio', booked);
    const id = await addAway(tx, what, days, during);
    await remember(tx, what.table, id, by, 'added', undefined, { ...what, ...days });
    return id;
  };
  const twice = async <A>(work: () => Promise<A>) => {
    try {
      return await work();
    } catch (error) {
      if (isTaken(error)) throw new HttpError(409, 'taken', TEXTS.taken);
      throw error;
    }
  };
  on(app, 'POST /leave', (c, { body: { firstDay, lastDay, ...leave } }) =>
    twice(() =>
      once(c, deps, async (tx) => {
        const id = await keepDays(tx, c.get('who').id, { table: 'leave', ...leave }, { firstDay, lastDay });
        return { body: { id }, changed: [['diary', 0, 0]] };
      }),
    ),
  );
  on(app, 'POST /closures', (c, { body: { firstDay, lastDay, name } }) =>
    twice(() =>
      once(c, deps, async (tx) => {
        const id = await keepDays(tx, c.get('who').id, { table: 'closure', name }, { firstDay, lastDay });
        return { body: { id }, changed: [['diary', 0, 0]] };
      }),
    ),
  );
  for (const [key, table, name] of [
    ['DELETE /leave/:id', 'leave', 'leave'],
    ['DELETE /closures/:id', 'closure', 'closing'],
  ] as const)
    on(app, key, (c) => {
      const id = idParam(c, name);
      return once(c, deps, async (tx) => {
        if (!(await takeBackAway(tx, table, id))) throw notFound(name);
        await remember(tx, table, id, c.get('who').id, 'removed', undefined, undefined);
        return { body: { ok: true }, changed: [['diary', 0, 0]] };
      });
    });
}
