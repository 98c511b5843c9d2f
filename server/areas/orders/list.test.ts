import type { OrderRow, OrderView } from '@rocchetto/contract';
import { DANGER_DAYS, danger, foldText, type Leads, STAGES } from '@rocchetto/core';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  clientBody,
  json,
  sessionBody,
  skirtOrder,
  startTestApp,
  type TestApp,
} from '../../app/testing.ts';
import { orderSearch } from '../../records/orders.ts';
import { listOrders } from './list.ts';

const TODAY = '2026-03-10';
const PAGE = 50;
const FAR = '9999-12-31';
let t: TestApp;
let fitter: Caller;
let me: number;
interface Made {
  readonly id: number;
  readonly what: string;
  readonly stage: (typeof STAGES)[number];
  readonly dueOn: string | null;
  readonly responsibleId: number | null;
}
let made: Made[];

const day = (n: number) =>
  new Date(Date.parse(`${TODAY}T00:00:00Z`) + n * 86_400_000).toISOString().slice(0, 10);

beforeAll(async () => {
  t = await startTestApp();
  fitter = await t.as('fitter');
  me = (await json(fitter.get('/me'))).id;
  const client = await json(fitter.send('POST', '/clients', clientBody('Søren List')), 201);
  // 400 orders of every stage and word, due from a year ago to a year ahead or never: always the same ones.
  const rows = Array.from({ length: 400 }, (_, i) => ({
    number: `L-${i}`,
    what: `${['Skirt', 'Gown', 'Cape', 'Gilet'][i % 4]}${i % 97 === 0 ? ' in vicuña' : ''}`,
    stage: STAGES[(i * 7) % STAGES.length]!,
    due: i % 19 === 0 ? null : day(((i * 37) % 730) - 365),
    responsible: i % 3 === 0 ? me : null,
    client: client.id,
  }));
  await t.pool.query(
    `insert into orders (number, what, stage, cancelled_from, due_on, responsible_id, client_id, search)
     select x.number, x.what, x.stage, case x.stage when 'cancelled' then 'brief' end, x.due, x.responsible, x.client, x.search from jsonb_to_recordset($1::jsonb)
       x(number text, what text, stage text, due date, responsible bigint, client bigint, search text)`,
    [
      JSON.stringify(
        rows.map((r) => ({ ...r, search: orderSearch([r.number, r.what], 'Søren List', client.code) })),
      ),
    ],
  );
  made = (
    await t.pool.query<Made>(
      `select id, what, stage, due_on as "dueOn", responsible_id as "responsibleId" from orders`,
    )
  ).rows;
});
afterAll(() => t.close());

/** What each view means, said again without the database. */
const means: Record<OrderView, (o: Made, leads: Leads) => boolean> = {
  all: () => true,
  work: (o) => o.stage !== 'handed-over' && o.stage !== 'cancelled',
  mine: (o, leads) => means.work(o, leads) && o.responsibleId === me,
  danger: (o, leads) => danger(o, TODAY, leads) !== null,
  week: (o, leads) => means.work(o, leads) && o.dueOn !== null && o.dueOn >= TODAY && o.dueOn <= day(7),
  client: (o) => o.stage === 'brief' || o.stage === 'sheet',
};
const inOrder = (a: Made, b: Made) => (a.dueOn ?? FAR).localeCompare(b.dueOn ?? FAR) || a.id - b.id;
type Asked = Omit<Parameters<typeof listOrders>[1], 'me' | 'today'>;
const expected = ({ view, q, stage, responsible, leads }: Asked) =>
  made
    .filter((o) => means[view](o, leads))
    .filter((o) => !q || foldText(o.what).includes(foldText(q)))
    .filter((o) => (!stage || o.stage === stage) && (!responsible || o.responsibleId === responsible))
    .sort(inOrder)
    .map((o) => o.id);

/** Every page, one after another. */
async function allPages(asked: Asked): Promise<number[]> {
  const ids: number[] = [];
  let last: OrderRow | undefined;
  for (;;) {
    const rows = await listOrders(t.pool, {
      ...asked,
      me,
      today: TODAY,
      ...(last ? { afterDue: last.dueOn ?? ('infinity' as const), afterId: last.id } : {}),
    });
    expect(rows.length).toBeLessThanOrEqual(PAGE);
    ids.push(...rows.map((r) => r.id));
    last = rows.at(-1);
    if (rows.length < PAGE) return ids;
  }
}

describe('the list of orders', () => {
  it('gives every view, filter and search whole and in order, page by page', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.record({
          view: fc.constantFrom<OrderView>('all', 'work', 'mine', 'danger', 'week', 'client'),
          q: fc.constantFrom('', '', 'skirt', 'VICUNA', 'gil', 'no such'),
          stage: fc.constantFrom(undefined, undefined, ...STAGES),
          responsible: fc.constantFrom(undefined, undefined, me),
          leads: fc.constantFrom(DANGER_DAYS, {
            asked: 60,
            brief: 5,
            measured: 0,
            sheet: 200,
            agreed: 1,
            cut: 9,
            fitting: 3,
            ready: 0,
          }),
        }),
        async (asked) => {
          expect(await allPages(asked)).toEqual(expected(asked));
        },
      ),
      { numRuns: 120 },
    );
  });
  it('looks for one or two letters too', async () => {
    const rows = await listOrders(t.pool, { q: 'gi', view: 'all', me, today: TODAY, leads: DANGER_DAYS });
    expect(rows.length).toBe(PAGE);
    expect(rows.every((r) => foldText(`${r.what} ${r.clientName}`).includes('gi'))).toBe(true);
  });
  it('finds an order by its client, renamed or not', async () => {
    const { clientId, orderId } = await skirtOrder(fitter, { name: 'Before Wedding' });
    const found = async (q: string) =>
      (await json(fitter.get(`/orders?view=all&q=${encodeURIComponent(q)}`))).map(
        (o: { id: number }) => o.id,
      );
    expect(await found('before wed')).toEqual([orderId]);
    await json(fitter.send('PUT', `/clients/${clientId}`, { ...clientBody('Åfter Wedding'), version: 1 }));
    expect(await found('after wed')).toEqual([orderId]);
    expect(await found('before wed')).toEqual([]);
  });
  it('keeps each order’s stage beside it, whoever moves it', async () => {
    const { clientId, orderId } = await skirtOrder(fitter, { name: 'Stage By Stage' });
    const stage = async () => (await json(fitter.get(`/orders/${orderId}`))).stage;
    expect(await stage()).toBe('brief');
    await json(fitter.send('POST', '/readings', sessionBody(clientId, orderId, ['waist 70 cm'])));
    expect(await stage()).toBe('measured');
    await json(
      fitter.send('POST', `/orders/${orderId}/sheet/changes`, { version: 0, change: { kind: 'revise' } }),
    );
    expect(await stage()).toBe('sheet');
    await t.pool.query(
      `update sheet set status = 'agreed', spec = '{}', agreed_by = $2, agreed_at = now() where order_id = $1`,
      [orderId, me],
    );
    expect(await stage()).toBe('agreed');
    await t.pool.query(`update sheet set status = 'cut' where order_id = $1`, [orderId]);
    expect(await stage()).toBe('cut');
  });
});
