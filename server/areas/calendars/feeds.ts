import { createHash } from 'node:crypto';
import type { FeedView, SlotView } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { wholeDay } from '@rocchetto/core/diary/zoned.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { hasTag } from '../../http/tags.ts';
import { newToken, tokenHash } from '../../http/token.ts';
import { readAppointment, readForFeed } from '../../records/diary/appointments.ts';
import { readRoom, readRooms, readRules } from '../../records/diary/hours.ts';
import { addFeed, feedOf, listFeeds, revokeFeed } from '../../records/diary/links.ts';
import { readHouse } from '../../records/house.ts';
import { eventsFor, icalendar } from './ical.ts';
import { TEXTS } from './texts.ts';

/** How far back and ahead a feed reaches, days. */
const BACK = 30;
const AHEAD = 400;

/** Answers a calendar with its tag; 304 when the program has it already. */
function answer(c: Ctx, text: string, file: string): Response {
  const etag = `"${createHash('sha256').update(text).digest('base64url').slice(0, 24)}"`;
  c.header('etag', etag);
  c.header('cache-control', 'private, no-cache');
  if (hasTag(c.req.header('if-none-match'), etag)) return c.body(null, 304);
  c.header('content-type', 'text/calendar; charset=utf-8');
  c.header('content-disposition', `attachment; filename="${file}.ics"`);
  return c.body(text);
}

async function words(deps: Deps, withNames: boolean) {
  const [{ studio, timeZone }, rooms] = await Promise.all([readHouse(deps.pool), readRooms(deps.pool)]);
  const names = new Map(rooms.map((r) => [r.id, r.name]));
  return {
    studio,
    zone: timeZone,
    withNames,
    roomName: (id: number | null) => (id === null ? '' : (names.get(id) ?? '')),
  };
}

/** The feed behind a private address: whoever holds it reads it, until it is taken back. */
export function openFeedRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /feed.ics', async (c, { query }) => {
    const feed = await feedOf(deps.pool, tokenHash(query.key));
    if (!feed) throw notFound('calendar');
    const w = await words(deps, feed.staffId !== null);
    const today = dayIn(w.zone, deps.now());
    const within = {
      from: wholeDay(w.zone, dayAfter(today, -BACK)).from,
      to: wholeDay(w.zone, dayAfter(today, AHEAD)).to,
    };
    const appointments = await readForFeed(deps.pool, w.zone, feed, within);
    const holds = (s: SlotView) =>
      feed.staffId !== null ? s.staff.includes(feed.staffId) : s.roomId === feed.roomId;
    return answer(c, icalendar(`${feed.name}, ${w.studio}`, eventsFor(appointments, holds), w), 'diary');
  });
  return app;
}

/** Feeds of one's own, and an appointment as a file. */
export function feedRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /appointments/:id/appointment.ics', async (c) => {
    const { zone } = await readRules(deps.pool);
    const found = await readAppointment(deps.pool, zone, idParam(c, 'appointment'));
    if (!found) throw notFound('appointment');
    const w = await words(deps, true);
    return answer(
      c,
      icalendar(
        w.studio,
        eventsFor([found], () => true),
        w,
      ),
      `appointment-${found.id}`,
    );
  });
  on(app, 'GET /feeds', async (c) => (await listFeeds(deps.pool, c.get('who').id)) satisfies FeedView[]);
  on(app, 'POST /feeds', (c, { body: { roomId } }) => {
    const who = c.get('who');
    // The address is shown once and not kept: a repeat of the same request is given a new one in its place.
    const { token, hash } = newToken();
    return once(
      c,
      deps,
      async (tx) => {
        if (roomId !== null && !(await readRoom(tx, roomId)))
          throw new HttpError(422, 'no-such-room', TEXTS.noSuchRoom);
        const id = await addFeed(tx, hash, {
          staffId: roomId === null ? who.id : null,
          roomId,
          by: who.id,
        });
        await remember(tx, 'feed', id, who.id, 'made', undefined, { roomId });
        return { body: { id } };
      },
      async (tx: Tx, { id }: { id: number }) => {
        await tx.query('update feed set token_hash = $2 where id = $1', [id, tokenHash(token)]);
        return { id, path: `/api/feed.ics?key=${token}` };
      },
    );
  });
  on(app, 'DELETE /feeds/:id', (c) => {
    const id = idParam(c, 'calendar');
    return once(c, deps, async (tx) => {
      if (!(await revokeFeed(tx, id, c.get('who').id))) throw notFound('calendar');
      await remember(tx, 'feed', id, c.get('who').id, 'removed', undefined, undefined);
      return { body: { ok: true } };
    });
  });
  return app;
}
