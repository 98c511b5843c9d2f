import {
  type AskedWire,
  type HouseRulesWire,
  type OrderRow,
  readBrief,
  readKept,
  readRules,
  readSettings,
  readSpec,
  type SessionFull,
  type Settings,
  type SpecFile,
  StoredAsked,
} from '@rocchetto/contract';
import type { ClothId } from '@rocchetto/contract/laid.ts';
import { stored } from '@rocchetto/contract/stored.ts';
import type { Kept, Stage } from '@rocchetto/core';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import type { Db } from '../db/pool.ts';
import { ROW, ROW_JOIN } from './orders.ts';
import { parsedSession } from './sessions.ts';

export interface SheetRecord {
  readonly revision: number;
  readonly status: 'draft' | 'agreed' | 'cut';
  readonly version: number;
  readonly settings: Settings;
  readonly spec: SpecFile | null;
  readonly agreedBy: string | null;
  readonly agreedName: string | null;
  /** ISO instants */
  readonly agreedAt: string | null;
  readonly cutBy: string | null;
  readonly cutAt: string | null;
}

/** Days after which an order that nobody cut or closed no longer counts as open. */
const LONG_AGO = 60;

/** An alteration that was agreed, as far as a sheet asks for it. */
export interface AgreedAlteration {
  readonly id: number;
  readonly status: 'agreed' | 'in-sheet';
  readonly asked: AskedWire;
  readonly by: string;
  readonly version: number;
}

/** All that an order's sheet is told from, read in one question. */
export interface SheetGround {
  readonly order: OrderRow & {
    readonly brief: SpecFile['garment'] | null;
    readonly minor: boolean;
    readonly guardian: string;
  };
  readonly house: {
    readonly studio: string;
    readonly timeZone: string;
    readonly dateOrder: DateOrder;
    readonly rules: HouseRulesWire;
  };
  readonly record: SheetRecord | null;
  /** what was agreed at fittings while the cloth is not cut */
  readonly agreed: readonly AgreedAlteration[];
  /** the lay that counts of each cloth; lengths in cm */
  readonly laid:
    | readonly {
        readonly of: ClothId;
        readonly name: string;
        readonly panels: string;
        readonly takes: number;
        readonly width: number;
      }[]
    | null;
  /** the revision before, when it was agreed */
  readonly previous: Pick<SheetRecord, 'spec'> | null;
  /** the session the sheet is made from, with its readings */
  readonly session: SessionFull | null;
}

/** The sheets as they were computed when they were agreed; null for a draft, and for one agreed before sheets were kept. */
export interface KeptSheets {
  readonly record: Kept | null;
  readonly previous: Kept | null;
}

const RECORD = `s.revision, s.status, s.version, s.settings, s.spec, a.name as "agreedBy", s.agreed_name as "agreedName",
  s.agreed_at as "agreedAt", k.name as "cutBy", s.cut_at as "cutAt"`;

// A kept sheet is long and moves with its row only: `xmin` stands for it in the text.
const GROUND = (more: string) => `
  with rec as (
    select ${RECORD}, s.xmin::text as mark from sheet s left join staff a on a.id = s.agreed_by left join staff k on k.id = s.cut_by
     where s.order_id = $1 and ($2::int is null or s.revision = $2) order by s.revision desc limit 1
  ), chosen as (
    select m.* from session m where m.id = coalesce(
      (select (settings ->> 'sessionId')::uuid from rec),
      (select id from session where order_id in (select together($1))
        order by exists (select 1 from home_link h where h.session_id = session.id), at desc, created_at desc limit 1))
  )
  select json_build_object(
    'order', (select to_json(x) from (select ${ROW}, o.brief, c.minor, c.guardian from orders o ${ROW_JOIN} where o.id = $1) x),
    'house', (select json_build_object('studio', studio, 'timeZone', time_zone, 'dateOrder', date_order, 'rules', rules) from house),
    'record', (select to_json(rec) from rec),
    'agreed', (select coalesce(json_agg(json_build_object('id', al.id, 'status', al.status, 'asked', al.asked,
        'by', al.agreed_name, 'version', al.version) order by al.id), '[]')
      from alteration al where al.order_id = $1 and al.status in ('agreed', 'in-sheet')
        and coalesce((select status from rec), 'draft') <> 'cut'),
    'laid', (select json_agg(x) from (select distinct on (l.of) l.of, l.name, l.panels, l.takes_cm as takes, l.width_cm as width
      from cloth_lay l where l.order_id = $1 order by l.of, l.id desc) x),
    'previous', (select json_build_object('spec', p.spec, 'mark', p.xmin::text) from sheet p, rec
      where p.order_id = $1 and p.revision = rec.revision - 1 and p.spec is not null),
    'session', (select json_build_object('id', m.id, 'clientId', m.client_id, 'orderId', m.order_id, 'at', m.at,
        'measurer', m.measurer, 'unit', m.unit, 'details', m.details,
        'readings', (select coalesce(json_agg(jsonb_build_object('id', r.id, 'measure', r.measure, 'state', r.state,
          'at', r.at, 'by', r.read_by) || r.fact order by r.seq), '[]') from reading r where r.session_id = m.id))
      from chosen m)
  )::text as ground${more}`;
const KEPT = (revision: string) =>
  `(select k.kept from sheet k, rec where k.order_id = $1 and k.revision = ${revision})`;
const WITH_KEPT = `, json_build_object('record', ${KEPT('rec.revision')}, 'previous', ${KEPT('rec.revision - 1')}) as kept`;

/** What a ground's text says, its stored shapes parsed and brought forward. */
export function parseGround(text: string): SheetGround {
  const g = JSON.parse(text) as SheetGround;
  return {
    ...g,
    order: g.order && { ...g.order, brief: readBrief(g.order.brief) },
    house: { ...g.house, rules: readRules(g.house.rules) },
    record: g.record && parsedRecord(g.record),
    agreed: (g.agreed ?? []).map((a) => ({ ...a, asked: stored(StoredAsked, 'Alteration', a.asked) })),
    previous: g.previous && { spec: readSpec(g.previous.spec) },
    session: g.session && parsedSession(g.session),
  };
}

const parsedRecord = (r: SheetRecord): SheetRecord => ({
  ...r,
  settings: readSettings(r.settings),
  spec: readSpec(r.spec),
});

/** The text of `SheetGround`, so that what has not changed need not be read again. */
export async function sheetGround(db: Db, orderId: number, revision: number | null): Promise<string> {
  const { rows } = await db.query<{ ground: string }>({
    name: 'sheet-ground',
    text: GROUND(''),
    values: [orderId, revision],
  });
  return rows[0]!.ground;
}

/** The grounds of many orders in one question, by order. */
export async function sheetGrounds(
  db: Db,
  orderIds: readonly number[],
): Promise<ReadonlyMap<number, string>> {
  const { rows } = await db.query<{ id: number; ground: string }>({
    name: 'sheet-grounds',
    text: `select x.id, g.ground from unnest($1::bigint[]) x(id) cross join lateral (${GROUND('')
      .replaceAll('$2::int', 'null::int')
      .replaceAll('$2', 'null::int')
      .replaceAll('$1', 'x.id')}) g`,
    values: [orderIds],
  });
  return new Map(rows.map((r) => [r.id, r.ground]));
}

/** The same text with the sheets that were kept, of one moment. */
export async function keptGround(
  db: Db,
  orderId: number,
  revision: number | null,
): Promise<{ readonly ground: string; readonly kept: KeptSheets }> {
  const { rows } = await db.query<{ ground: string; kept: KeptSheets }>({
    name: 'sheet-ground-kept',
    text: GROUND(WITH_KEPT),
    values: [orderId, revision],
  });
  const { ground, kept } = rows[0]!;
  return { ground, kept: { record: readKept(kept.record), previous: readKept(kept.previous) } };
}

/** Orders that have a sheet and are not cut yet, those due first; what was due long ago is left aside. */
export async function openSheets(
  db: Db,
  today: string,
  after: string,
  most: number,
): Promise<{ id: number; agreed: boolean; at: string }[]> {
  const [day, id] = after === '' ? ['-infinity', '0'] : after.split(' ');
  const { rows } = await db.query<{ id: number; agreed: boolean; at: string }>({
    name: 'open-sheets',
    text: `select id, stage = 'agreed' as agreed, coalesce(due_on, 'infinity'::date)::text || ' ' || id as at
       from orders o where ${OPEN_SHEET} and (coalesce(due_on, 'infinity'::date), id) > ($2::date, $3::bigint)
       order by coalesce(due_on, 'infinity'::date), id limit $4`,
    values: [today, day, id, most],
  });
  return rows;
}
/** How many there are of them, counted up to a bound. */
export async function openSheetsCount(db: Db, today: string): Promise<number> {
  const { rows } = await db.query<{ n: number }>({
    name: 'open-sheets-count',
    text: `select count(*)::int as n from (select 1 from orders o where ${OPEN_SHEET} limit 20000) x`,
    values: [today],
  });
  return rows[0]!.n;
}
/** A client's open orders with a sheet, those due first, up to a bound. */
export async function openSheetsOf(
  db: Db,
  clientId: number,
  today: string,
  most: number,
): Promise<{ id: number; agreed: boolean }[]> {
  const { rows } = await db.query<{ id: number; agreed: boolean }>({
    name: 'open-sheets-of-client',
    text: `select id, stage = 'agreed' as agreed from orders o where client_id = $2 and ${OPEN_SHEET}
       order by coalesce(due_on, 'infinity'::date), id limit $3`,
    values: [today, clientId, most],
  });
  return rows;
}
const OPEN_SHEET = `stage in ('measured', 'sheet', 'agreed') and coalesce(due_on, 'infinity'::date) >= $1::date - ${LONG_AGO}`;

/** Orders that are not cut and due within so many days from today; what was due long ago is left aside. */
export async function dueWithin(
  db: Db,
  today: string,
  days: number,
): Promise<{ stage: Stage; dueOn: string }[]> {
  const { rows } = await db.query<{ stage: Stage; dueOn: string }>({
    name: 'due-within',
    text: `select stage, due_on as "dueOn" from orders o
       where stage not in ('handed-over', 'cancelled') and coalesce(due_on, 'infinity'::date) between $1::date - ${LONG_AGO} and $1::date + $2::int
       limit 5000`,
    values: [today, days],
  });
  return rows;
}

/** The newest revision of an order's sheet. */
export async function readSheet(db: Db, orderId: number): Promise<SheetRecord | undefined> {
  const { rows } = await db.query<SheetRecord>({
    name: 'sheet-newest',
    text: `select ${RECORD} from sheet s left join staff a on a.id = s.agreed_by left join staff k on k.id = s.cut_by
       where s.order_id = $1 order by s.revision desc limit 1`,
    values: [orderId],
  });
  return rows[0] && parsedRecord(rows[0]);
}

export async function saveDraft(
  db: Db,
  orderId: number,
  revision: number,
  version: number,
  settings: Settings,
) {
  await db.query(
    `insert into sheet (order_id, revision, status, version, settings) values ($1, $2, 'draft', $3, $4)
     on conflict (order_id, revision) do update set version = excluded.version, settings = excluded.settings`,
    [orderId, revision, version, JSON.stringify(settings)],
  );
}

export async function saveAgreed(
  db: Db,
  orderId: number,
  revision: number,
  version: number,
  spec: SpecFile,
  kept: Kept,
  staffId: number,
  name: string,
) {
  await db.query(
    `update sheet set status = 'agreed', version = $3, spec = $4, kept = $7, agreed_by = $5, agreed_name = $6, agreed_at = now() where order_id = $1 and revision = $2`,
    [orderId, revision, version, JSON.stringify(spec), staffId, name, JSON.stringify(kept)],
  );
}

export async function saveCut(db: Db, orderId: number, revision: number, version: number, staffId: number) {
  await db.query(
    `update sheet set status = 'cut', version = $3, cut_by = $4, cut_at = now() where order_id = $1 and revision = $2`,
    [orderId, revision, version, staffId],
  );
}
