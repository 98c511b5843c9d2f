import { setImmediate } from 'node:timers/promises';
import {
  type ChartFile,
  ChartRefused,
  comparison,
  readCells,
  type SizesView,
  shippedChart,
  toChart,
} from '@rocchetto/contract/compare.ts';
import {
  chartCells,
  finishedRow,
  MEASURES,
  printLength,
  type SheetUnit,
  type SizeRow,
  sizeName,
} from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Db } from '../../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { cellsOf, csvOf } from '../../http/csv.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { readOrder } from '../../records/orders.ts';
import {
  addChart,
  changeChart,
  chartNameTaken,
  charts,
  chosenSize,
  dropChart,
  keepSize,
  readChart,
} from './sql.ts';
import { TEXTS } from './texts.ts';

/** Size charts of the house, and the sizes of one held against an order. */
export function chartRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /charts', async () => await charts(deps.pool));
  on(app, 'POST /charts', (c, { body }) => {
    sound(body);
    return once(c, deps, async (tx) => {
      const kept = await addChart(tx, body);
      if (!kept) throw taken(body.name);
      await remember(tx, 'size-chart', kept.id, c.get('who').id, 'added', undefined, body);
      return { status: 201, body: kept, changed: [['house', 1, 0]] };
    });
  });
  on(app, 'POST /charts/read', async (_, { body }) => readCells(cellsOf(body.text), body.columns));
  on(app, 'PUT /charts/:id', (c, { body: { version, chart } }) => {
    const id = idParam(c, 'size chart');
    sound(chart);
    return once(c, deps, async (tx) => {
      const before = await readChart(tx, id);
      if (!before) throw notFound('size chart');
      if (await chartNameTaken(tx, id, chart.name)) throw taken(chart.name);
      const kept = await changeChart(tx, id, version, chart);
      if (!kept) throw stale('this chart');
      await remember(tx, 'size-chart', id, c.get('who').id, 'changed', before.chart, chart);
      return { body: kept, changed: [['house', 1, 0]] };
    });
  });
  on(app, 'DELETE /charts/:id', (c) => {
    const id = idParam(c, 'size chart');
    return once(c, deps, async (tx) => {
      const name = await dropChart(tx, id);
      if (name === null) throw notFound('size chart');
      await remember(tx, 'size-chart', id, c.get('who').id, 'removed', { name }, undefined);
      return { body: { ok: true }, changed: [['house', 1, 0]] };
    });
  });
  on(app, 'GET /charts/:id/chart.csv', async (c) => {
    const kept = await readChart(deps.pool, idParam(c, 'size chart'));
    if (!kept) throw notFound('size chart');
    const { unit } = kept.chart;
    return csv(c, toChart(kept.chart).rows, unit, `size-chart-${kept.id}`);
  });
  on(app, 'GET /orders/:id/size', async (c, { query }) =>
    sizesOf(deps, idParam(c, 'order'), await chartOf(deps.pool, query.chart)),
  );
  on(app, 'GET /orders/:id/finished.csv', async (c, { query }) => {
    const orderId = idParam(c, 'order');
    const sheet = await sheetOf(deps, orderId);
    const file = await chartOf(deps.pool, query.chart);
    if (file.of !== 'body') throw new HttpError(422, 'no-bodies', TEXTS.noBodies);
    const { unit } = sheet.input.house.rounding;
    const rows: SizeRow[] = [];
    for (const row of toChart(file).rows) {
      rows.push(finishedRow(sheet.input, row));
      // A sheet a size: between two of them others are answered.
      await setImmediate();
    }
    return csv(c, rows, unit, `finished-${orderId}`);
  });
  on(app, 'PUT /orders/:id/size', (c, { body: { chartId, size, version } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const order = await readOrder(tx, orderId);
      if (!order) throw notFound('order');
      const chart = size === '' ? null : await chartOf(tx, chartId);
      if (chart && !toChart(chart).rows.some((r) => sizeName(r) === size || r.size === size))
        throw new HttpError(422, 'no-such-size', TEXTS.noSuchSize(size));
      const at = deps.now();
      if (!(await keepSize(tx, orderId, version, chart && { chart, size }, c.get('who').id, at)))
        throw stale('the size');
      await remember(
        tx,
        'order',
        orderId,
        c.get('who').id,
        chart ? `size ${size} chosen` : 'chosen size taken back',
        undefined,
        undefined,
      );
      return { body: { ok: true }, changed: [['order', orderId, 0]] };
    });
  });
  return app;
}

async function chartOf(db: Db, id: number): Promise<ChartFile> {
  if (id === 0) return shippedChart();
  const kept = await readChart(db, id);
  if (!kept) throw notFound('size chart');
  return kept.chart;
}

/** Sizes as rows, measurements in the order of the tape, the unit in the head. */
function csv(c: Ctx, rows: readonly SizeRow[], unit: SheetUnit, name: string) {
  const given = new Set(rows.flatMap((r) => Object.keys(r.at)));
  const ids = MEASURES.flatMap((m) => (given.has(m.id) ? [m.id] : []));
  const [head, ...lines] = chartCells(rows, ids, (x) => printLength(x, unit));
  const named = head!.map((h, i) => (i < head!.length - ids.length ? h : `${h} (${unit})`));
  return c.body(csvOf([named, ...lines]), 200, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': `attachment; filename="${name}.csv"`,
  });
}

/** The sheet that an order is held by; refused while it has no brief. */
async function sheetOf(deps: Deps, orderId: number) {
  if (!(await readOrder(deps.pool, orderId))) throw notFound('order');
  const sheet = (await madeSheet(deps.pool, orderId, deps.now()))?.sheet;
  if (!sheet) throw new HttpError(409, 'no-brief', TEXTS.noBrief);
  return sheet;
}

async function sizesOf(deps: Deps, orderId: number, file: ChartFile): Promise<SizesView> {
  const sheet = await sheetOf(deps, orderId);
  const { unit } = sheet.input.house.rounding;
  const { ranking, body } = comparison(sheet, toChart(file), unit);
  const chosen = await chosenSize(deps.pool, orderId);
  return {
    chart: file.name,
    of: file.of,
    by: ranking.by,
    says: ranking.says,
    body,
    sizes: ranking.sizes.map(({ name, says, zones }) => ({ name, says, zones })),
    chosen: chosen
      ? {
          size: chosen.size,
          chart: chosen.chart.name,
          by: chosen.by,
          at: chosen.at.toISOString(),
          version: chosen.version,
          changes: comparison(sheet, toChart(chosen.chart), unit).grade(chosen.size),
        }
      : null,
  };
}

/** A chart that cannot be used is refused with every reason. */
function sound(chart: ChartFile): void {
  try {
    toChart(chart);
  } catch (error) {
    if (!(error instanceof ChartRefused)) throw error;
    throw new HttpError(422, 'no-chart', TEXTS.noChart(error.sentences.slice(0, 8).join(' ')));
  }
  const bare = chart.sizes.find((s) => Object.keys(s.at).length === 0);
  if (bare) throw new HttpError(422, 'no-chart', TEXTS.sizeWithoutFigures(bare.size));
}
const taken = (name: string) => new HttpError(422, 'name-taken', TEXTS.nameTaken(name));
const stale = (what: string) => new HttpError(409, 'stale', TEXTS.stale(what));
