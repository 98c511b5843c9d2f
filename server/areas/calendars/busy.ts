import { Worker } from 'node:worker_threads';
import { may } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import type { BusyRead } from '@rocchetto/core/diary/busy-times.ts';
import { common, joined, without } from '@rocchetto/core/diary/spans.ts';
import { type Span, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { addBusy, keptOf, listBusy, readBusy, takeBackBusy } from '../../records/diary/busy.ts';
import { readRules, readWork } from '../../records/diary/hours.ts';
import { TEXTS } from './texts.ts';

/** How far ahead a file is followed, days. */
const AHEAD = 366;
/** How long it may take, ms. */
const PATIENCE = 5000;

/** What a thread begins with: the built file, or the source, whose loader is registered there first. */
const BUILT = import.meta.url.endsWith('.ts') ? null : new URL('busy-worker.mjs', import.meta.url);
const SOURCE = `import('tsx/esm/api').then(({ register }) => {
  register();
  return import(${JSON.stringify(new URL('./busy-worker.ts', import.meta.url).href)});
})`;

/** Files are followed one after another: each takes a processor and memory of its own. */
let last: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = last.then(work);
  last = mine.catch(() => undefined);
  return mine;
}

/** Follows a file in a thread of its own. @throws HttpError 422 when it cannot be read or takes too long */
function followed(text: string, zone: string, within: Span): Promise<BusyRead & { ok: true }> {
  return new Promise((done, failed) => {
    const no = (sentence: string) => failed(new HttpError(422, 'no-calendar', sentence));
    const worker = new Worker(BUILT ?? SOURCE, {
      eval: !BUILT,
      workerData: { text, zone, within },
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: 256 },
    });
    const timer = setTimeout(() => {
      no('This file takes too long to read. Nothing was imported. Export fewer weeks and try again.');
      void worker.terminate();
    }, PATIENCE);
    worker.once('message', (read: BusyRead) => (read.ok ? done(read) : no(read.sentence)));
    worker.once('error', () => no('This file can’t be read. Nothing was imported.'));
    worker.once('exit', () => clearTimeout(timer));
  });
}

/** Busy times of the staff from a calendar file: kept free, and taken back as a whole. */
export function busyRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const ownOnly = (c: Ctx, staffId: number) => {
    const who = c.get('who');
    if (staffId !== who.id && !may(who.role, 'staff.manage'))
      throw new HttpError(403, 'not-yours', TEXTS.notYours);
  };

  on(
    app,
    'GET /busy',
    async (c, { role }) => await listBusy(deps.pool, may(role, 'staff.manage') ? null : c.get('who').id),
  );

  on(app, 'POST /busy', async (c, { body: { staffId, name, text } }) => {
    ownOnly(c, staffId);
    const { zone } = await readRules(deps.pool);
    const today = dayIn(zone, deps.now());
    const until = dayAfter(today, AHEAD);
    const within = { from: wholeDay(zone, today).from, to: wholeDay(zone, until).to };
    if (!/BEGIN:VCALENDAR/i.test(text)) throw new HttpError(422, 'no-calendar', TEXTS.noCalendar);
    const read = await inTurn(() => followed(text, zone, within));
    return once(c, deps, async (tx) => {
      if (!(await readWork(tx, staffId))) throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
      // The same file read in again stands for the earlier one.
      await takeBackBusy(tx, { staffId, name }, deps.now());
      const kept = await keptOf(tx, staffId, within);
      const booked = joined(kept.filter((k) => k.booked));
      const spans = without(read.spans, joined(kept));
      const id = await addBusy(tx, { staffId, name, until, by: c.get('who').id }, spans);
      const over = common(read.spans, booked).length;
      await remember(tx, 'staff', staffId, c.get('who').id, 'busy times imported', undefined, {
        name,
        times: read.spans.length,
      });
      return {
        body: { id, entries: read.entries, times: read.spans.length, over, notes: read.notes, until },
        changed: [['diary', 0, 0]],
      };
    });
  });

  on(app, 'DELETE /busy/:id', (c) => {
    const id = idParam(c, 'calendar');
    return once(c, deps, async (tx) => {
      const file = await readBusy(tx, id);
      if (!file) throw notFound('calendar');
      ownOnly(c, file.staffId);
      await takeBackBusy(tx, { id }, deps.now());
      await remember(tx, 'staff', file.staffId, c.get('who').id, 'busy times removed', file, undefined);
      return { body: { ok: true }, changed: [['diary', 0, 0]] };
    });
  });
  return app;
}
