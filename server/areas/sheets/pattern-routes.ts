import { type PatternQuery, unitOf } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { Hono } from 'hono';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { HttpError } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readHouse } from '../../records/house.ts';
import { clientCodeOf } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { SheetJobs } from './jobs.ts';
import { TEXTS } from './texts.ts';
import { viewSheet } from './view.ts';

const inThread = threadsFor<SheetJobs>();

/** An order's pattern: on the screen, as a drawing, on paper. It holds panels and no reading, so all who see the sheet get the same. */
export function patternRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const asked = async (c: Ctx, q: Pick<PatternQuery, 'revision'>) => {
    const id = idParam(c, 'order');
    const [view, code, house] = await Promise.all([
      viewSheet(deps.pool, id, q.revision ?? null, deps.now()),
      clientCodeOf(deps.pool, id),
      readHouse(deps.pool),
    ]);
    return {
      view,
      of: { code, day: dayIn(house.timeZone, deps.now()) },
      paper: house.paper,
      name: `pattern-${view.spec.order.number}-r${view.revision}`,
      thread: { kind: 'paper', person: c.get('who').id, paper: house.paper } as const,
    };
  };
  const nothingYet = () => new HttpError(409, 'nothing-drafted', TEXTS.nothingDrafted);
  on(app, 'GET /orders/:id/pattern', async (c, { query }) => {
    const { view, of, paper, thread } = await asked(c, query);
    return await inThread(thread, 'pattern', view, of, query, paper);
  });
  for (const [as, type] of [
    ['svg', 'image/svg+xml'],
    ['dxf', 'image/vnd.dxf'],
  ] as const)
    on(app, `GET /orders/:id/pattern.${as}`, async (c, { query }) => {
      const { view, of, name, thread } = await asked(c, query);
      const drawing = await inThread(thread, 'patternDrawing', view, of, query, as);
      if (drawing === null) throw nothingYet();
      return c.body(drawing, 200, {
        'content-type': `${type}; charset=utf-8`,
        'content-disposition': `attachment; filename="${name}.${as}"`,
      });
    });
  on(app, 'GET /orders/:id/pattern.pdf', async (c, { query }) => {
    const { view, of, paper, name, thread } = await asked(c, query);
    const made = await inThread(thread, 'patternPdf', view, of, query, paper);
    if (made === null) throw nothingYet();
    if ('refused' in made) throw new HttpError(422, 'too-wide', made.refused);
    return c.body(new Uint8Array(made.pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}.pdf"`,
    });
  });
  on(app, 'GET /orders/:id/chalk-card.pdf', async (c, { query }) => {
    const { view, of, name, thread } = await asked(c, query);
    const pdf = await inThread(thread, 'chalkCard', view, of, query.unit ?? unitOf(view.spec));
    if (pdf === null) throw nothingYet();
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name.replace('pattern', 'chalk-card')}.pdf"`,
    });
  });
  return app;
}
