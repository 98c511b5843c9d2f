import {
  Agree,
  MarkCut,
  SheetChange,
  SpecOrSheetFile,
  sheetFile,
  sheetOfView,
  unitOf,
} from '@rocchetto/contract';
import { type SheetUnit, sheetRows } from '@rocchetto/core';
import { Hono } from 'hono';
import Papa from 'papaparse';
import { body, type Ctx, type Deps, type Env, idParam, needs } from '../http/context.ts';
import { once } from '../http/once.ts';
import { Refusal } from '../http/problem.ts';
import { importSpec } from './import.ts';
import { agreeSheet, changeSheet, cutSheet, viewSheet } from './service.ts';

function asked(c: Ctx): { revision: number | null; unit: SheetUnit | null; both: boolean } {
  const revision = c.req.query('revision');
  const unit = c.req.query('unit');
  if (revision !== undefined && !/^[1-9]\d{0,5}$/.test(revision))
    throw new Refusal(404, 'not-found', 'There is no such revision.');
  if (unit !== undefined && unit !== 'cm' && unit !== 'in')
    throw new Refusal(422, 'unit', 'The unit of a sheet is cm or in.');
  return {
    revision: revision ? Number(revision) : null,
    unit: unit ?? null,
    both: c.req.query('both') === '1',
  };
}

const download = (name: string, type: string) => ({
  'content-type': type,
  'content-disposition': `attachment; filename="${name}"`,
});

export function sheetRoutes(deps: Deps): Hono<Env> {
  const load = async (c: Ctx) => {
    const { revision, unit, both } = asked(c);
    const view = await viewSheet(deps.pool, idParam(c, 'order'), revision, deps.today());
    return {
      view,
      unit: unit ?? unitOf(view.spec),
      both,
      name: `sheet-${view.spec.order.number}-r${view.revision}`,
    };
  };
  const sheet = '/orders/:id/sheet';
  return new Hono<Env>()
    .get(sheet, needs('sheet.read'), async (c) => c.json((await load(c)).view))
    .get(`${sheet}.json`, needs('sheet.read'), async (c) => {
      const { view, unit, name } = await load(c);
      return c.body(
        JSON.stringify(sheetFile(view.spec, sheetOfView(view), unit), null, 2),
        200,
        download(`${name}.json`, 'application/json'),
      );
    })
    .get(`${sheet}.csv`, needs('sheet.read'), async (c) => {
      const { view, unit, name } = await load(c);
      // RFC 4180: CRLF, quoted where needed. Cells that a spreadsheet would take for a formula are kept as text.
      const csv = Papa.unparse(sheetRows(sheetOfView(view), unit), {
        newline: '\r\n',
        escapeFormulae: /^[=@\t\r]/,
      });
      return c.body(`\uFEFF${csv}\r\n`, 200, download(`${name}.csv`, 'text/csv; charset=utf-8'));
    })
    .get(`${sheet}.pdf`, needs('sheet.read'), async (c) => {
      const { view, unit, both, name } = await load(c);
      // The paper's fonts and library are only loaded when somebody prints.
      const { sheetPdf } = await import('./pdf.ts');
      const pdf = await sheetPdf(view, unit, both);
      return c.body(new Uint8Array(pdf), 200, {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="${name}.pdf"`,
      });
    })
    .post(`${sheet}/changes`, needs('sheet.write'), async (c) => {
      const id = idParam(c, 'order');
      const change = await body(c, SheetChange);
      return once(c, deps, async (tx) => {
        await changeSheet(tx, id, change, c.get('who'), deps.today());
        return { status: 200, body: await viewSheet(tx, id, null, deps.today()) };
      });
    })
    .post(`${sheet}/agree`, needs('sheet.write'), async (c) => {
      const id = idParam(c, 'order');
      const { version, name } = await body(c, Agree);
      return once(c, deps, async (tx) => {
        await agreeSheet(tx, id, version, name, c.get('who'), deps.today());
        return { status: 200, body: await viewSheet(tx, id, null, deps.today()) };
      });
    })
    .post(`${sheet}/cut`, needs('sheet.write'), async (c) => {
      const id = idParam(c, 'order');
      const { version } = await body(c, MarkCut);
      return once(c, deps, async (tx) => {
        await cutSheet(tx, id, version, c.get('who'), deps.today());
        return { status: 200, body: await viewSheet(tx, id, null, deps.today()) };
      });
    })
    .post('/orders/:id/import', needs('sheet.write'), async (c) => {
      const id = idParam(c, 'order');
      const spec = await body(c, SpecOrSheetFile);
      return once(c, deps, async (tx) => {
        await importSpec(tx, id, spec, c.get('who'), deps.today());
        return { status: 200, body: await viewSheet(tx, id, null, deps.today()) };
      });
    });
}
