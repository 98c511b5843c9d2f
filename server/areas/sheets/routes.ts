import { createHash } from 'node:crypto';
import {
  may,
  type QueryOf,
  type Role,
  type SheetView,
  sheetFile,
  sheetOfView,
  unitOf,
} from '@rocchetto/contract';
import { ERASED } from '@rocchetto/contract/live.ts';
import { dayIn, type SheetUnit, sheetRows } from '@rocchetto/core';
import { Hono } from 'hono';
import { LRUCache } from 'lru-cache';
import type { Db, Tx } from '../../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { csvOf } from '../../http/csv.ts';
import { once, type Reply } from '../../http/once.ts';
import { on } from '../../http/route.ts';
import { hasTag } from '../../http/tags.ts';
import { readHouse } from '../../records/house.ts';
import { keptGround, sheetGround } from '../../records/sheets.ts';
import { threadsFor } from '../../threads/pool.ts';
import { importSpec } from './import.ts';
import type { SheetJobs } from './jobs.ts';
import { agreeSheet, changeSheet, cutSheet } from './service.ts';
import { viewOfGround, viewSheet, viewWithoutReadings } from './view.ts';

const inThread = threadsFor<SheetJobs>();

const paperFor = async (c: Ctx, db: Db) =>
  ({ kind: 'paper', person: c.get('who').id, paper: (await readHouse(db)).paper }) as const;
const download = (name: string, type: string) => ({
  'content-type': type,
  'content-disposition': `attachment; filename="${name}"`,
});

/** Answers as they were worked out, by a hash of all they were worked out from: the same input is computed once. */
const answers = new LRUCache<string, string>({
  max: 2000,
  maxSize: 64 << 20,
  sizeCalculation: (t) => t.length,
});

export function sheetRoutes(deps: Deps): Hono<Env> {
  const seenBy = (role: Role, view: SheetView) =>
    may(role, 'session.read') ? view : viewWithoutReadings(view);
  const load = async (c: Ctx, role: Role, query: QueryOf<'GET /orders/:id/sheet'>) => {
    const view = seenBy(
      role,
      await viewSheet(deps.pool, idParam(c, 'order'), query.revision ?? null, deps.now()),
    );
    return {
      view,
      unit: (query.unit ?? unitOf(view.spec)) as SheetUnit,
      both: query.both === '1',
      name: `sheet-${view.spec.order.number}-r${view.revision}`,
    };
  };
  const app = new Hono<Env>();
  // What was kept ready of somebody who was erased is gone from every process at once.
  deps.live.listen((changed) => {
    // After a loss nobody knows what was said meanwhile.
    if (changed === null || changed.some(([what, , version]) => what === 'client' && version === ERASED))
      answers.clear();
  });
  on(app, 'GET /orders/:id/sheet', async (c, { role, query }) => {
    const revision = query.revision ?? null;
    const order = idParam(c, 'order');
    const tagOf = (text: string) => {
      const zone = /"timeZone" : "([^"]+)"/.exec(text)?.[1] ?? 'UTC';
      return createHash('sha1')
        .update(`${revision} ${may(role, 'session.read')} ${dayIn(zone, deps.now())} `)
        .update(text)
        .digest('base64url');
    };
    let tag = tagOf(await sheetGround(deps.pool, order, revision));
    const etag = () => `W/"${tag}"`;
    c.header('etag', etag());
    if (hasTag(c.req.header('if-none-match'), etag())) return c.body(null, 304);
    let answer = answers.get(tag);
    if (answer === undefined) {
      const { ground, kept } = await keptGround(deps.pool, order, revision);
      tag = tagOf(ground);
      c.header('etag', etag());
      answer = JSON.stringify(seenBy(role, viewOfGround(ground, kept, revision, deps.now())));
      answers.set(tag, answer);
    }
    return c.body(answer, 200, { 'content-type': 'application/json' });
  });
  on(app, 'GET /orders/:id/sheet.json', async (c, { role, query }) => {
    const { view, unit, name } = await load(c, role, query);
    return c.body(
      JSON.stringify(sheetFile(view.spec, sheetOfView(view), unit), null, 2),
      200,
      download(`${name}.json`, 'application/json'),
    );
  });
  on(app, 'GET /orders/:id/sheet.csv', async (c, { role, query }) => {
    const { view, unit, name } = await load(c, role, query);
    const shown = sheetOfView(view);
    // RFC 4180: CRLF, quoted where needed. Cells that a spreadsheet would take for a formula are kept as text.
    const csv = csvOf(sheetRows(shown.printed[unit], shown.figures));
    return c.body(`\uFEFF${csv}\r\n`, 200, download(`${name}.csv`, 'text/csv; charset=utf-8'));
  });
  on(app, 'GET /orders/:id/sheet.pdf', async (c, { role, query }) => {
    const { view, unit, both, name } = await load(c, role, query);
    // Worked out here, so that a thread prints what the screen shows.
    const kept = sheetOfView(view);
    const pdf = await inThread(await paperFor(c, deps.pool), 'sheetPdf', { ...view, kept }, unit, both);
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}.pdf"`,
    });
  });

  on(app, 'GET /orders/:id/bench-cards.pdf', async (c, { role, query }) => {
    const { view, unit, name } = await load(c, role, query);
    // A phone opens what this browser sees the house under, or where the house says it is found.
    const house = process.env.PUBLIC_URL?.replace(/\/$/, '') ?? `http://${c.req.header('host') ?? ''}`;
    const address = `${house}/orders/${idParam(c, 'order')}`;
    const pdf = await inThread(await paperFor(c, deps.pool), 'benchCards', view, unit, address);
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name.replace('sheet', 'bench-cards')}.pdf"`,
    });
  });

  on(app, 'GET /orders/:id/toile.pdf', async (c, { role, query }) => {
    const { view, unit, name } = await load(c, role, query);
    return c.body(new Uint8Array(await inThread(await paperFor(c, deps.pool), 'toile', view, unit)), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name.replace('sheet', 'toile')}.pdf"`,
    });
  });

  const told = async (tx: Tx, id: number): Promise<Reply<SheetView>> => {
    const view = await viewSheet(tx, id, null, deps.now());
    return { body: view, changed: [['order', id, 0]] };
  };
  on(app, 'POST /orders/:id/sheet/changes', (c, { body: change }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      await changeSheet(tx, id, change, c.get('who'), deps.now());
      const reply = await told(tx, id);
      const bench = change.change.kind === 'carry' || change.change.kind === 'uncarry';
      return bench
        ? { ...reply, changed: [...(reply.changed ?? []), ['alterations', id, 0], ['diary', 0, 0]] }
        : reply;
    });
  });
  on(app, 'POST /orders/:id/sheet/agree', (c, { body: { version, name } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      await agreeSheet(tx, id, version, name, c.get('who'), deps.now());
      return told(tx, id);
    });
  });
  on(app, 'POST /orders/:id/sheet/cut', (c, { body: { version } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      await cutSheet(tx, id, version, c.get('who'), deps.now());
      return told(tx, id);
    });
  });
  on(app, 'POST /orders/:id/import', (c, { body: spec }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      await importSpec(tx, id, spec, c.get('who'), deps.now());
      return told(tx, id);
    });
  });
  return app;
}
