import {
  type AlterationView,
  type AskedWire,
  type BenchRow,
  type BroughtIn,
  type BroughtInWrite,
  type HandOverView,
  may,
  type OrderFull,
  type Role,
  StepBefore,
  type StepView,
  StoredAsked,
  StoredTargets,
  type Target,
  toAsked,
  writtenOf,
} from '@rocchetto/contract';
import { stored } from '@rocchetto/contract/stored.ts';
import {
  type AlterationState,
  type AlterationStep,
  alterationSentence,
  type Box,
} from '@rocchetto/core/alter/index.ts';
import type { Db, Tx } from '../db/pool.ts';

const readAsked = (v: unknown): AskedWire => stored(StoredAsked, 'Alteration', v);
export const sentenceOf = (asked: AskedWire): string => alterationSentence(toAsked(asked), writtenOf(asked));

const ISO = (column: string) => `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`;
const VIEW = `a.id, a.order_id as "orderId", a.source, a.appointment_id as "appointmentId", a.asked, a.targets, a.status,
  a.price::float8 as price, a.needed_on as "neededOn", a.staff_id as "staffId", s.name as "staffName", a.minutes,
  a.agreed_name as "agreedName", a.done_by as "doneById", a.version, ${ISO('a.made_at')} as "madeAt",
  (select b.day from bench_work b where b.alteration_id = a.id and b.gone_at is null) as day,
  (select coalesce(json_agg(json_build_object('id', b.box, 'panel', b.panel, 'piece', b.piece, 'layer', b.layer,
      'seam', b.seam, 'side', b.side, 'edges', b.edges, 'each', b.each_cm, 'even', b.is_even, 'struck', b.struck,
      'doneAt', ${ISO('b.done_at')}, 'doneBy', d.name) order by b.seq), '[]')
     from alteration_box b left join staff d on d.id = b.done_by where b.alteration_id = a.id) as boxes,
  (select coalesce(json_agg(json_build_object('id', p.id, 'at', ${ISO('p.at')}, 'by', w.name, 'step', p.step,
      'byId', p.by, 'undoable', p.says ? 'before' and p.id = (select max(l.id) from alteration_step l where l.alteration_id = a.id),
      'says', p.says ->> 'words', 'price', (p.says ->> 'price')::float8) order by p.id), '[]')
     from alteration_step p join staff w on w.id = p.by where p.alteration_id = a.id) as steps,
  (select coalesce(round(sum(extract(epoch from w.ended_at - w.started_at)) / 60), 0)::int
     from alteration_work w where w.alteration_id = a.id and w.ended_at is not null) as worked,
  (select json_build_object('since', ${ISO('w.started_at')}, 'id', w.staff_id)
     from alteration_work w where w.alteration_id = a.id and w.ended_at is null limit 1) as working
  from alteration a left join staff s on s.id = a.staff_id`;

/** What a step says of a price: where it stands by itself, and as steps of before wrote it among their words. */
type StepRow = StepView & { readonly price: number | null };
const PRICE_IN_WORDS = /(^|, )price \d+\.\d\d(?=, |$)/;

/** An alteration for somebody who does not read prices: nothing in it tells whether there is one. */
export const withoutPrices = (a: AlterationView): AlterationView => ({
  ...a,
  price: null,
  steps: a.steps.map((s) =>
    s.step === 'agree' ? { ...s, says: s.says.replace(PRICE_IN_WORDS, '').replace(/^, /, '') } : s,
  ),
});
/** What this role may read of an alteration. */
export const seenBy = (role: Role, a: AlterationView): AlterationView =>
  may(role, 'money.read') ? a : withoutPrices(a);

type Row = Omit<AlterationView, 'sentence' | 'targets' | 'asked' | 'steps' | 'workingSince' | 'workingId'> & {
  readonly steps: readonly StepRow[];
  readonly asked: unknown;
  readonly targets: unknown;
  readonly working: { readonly since: string; readonly id: number } | null;
};

function viewOf({ working, ...r }: Row): AlterationView {
  const asked = readAsked(r.asked);
  return {
    ...r,
    asked,
    steps: r.steps.map(({ price, ...s }) =>
      price === null ? s : { ...s, says: [s.says, `price ${price.toFixed(2)}`].filter(Boolean).join(', ') },
    ),
    sentence: sentenceOf(asked),
    targets: stored(StoredTargets, 'Targets', r.targets).targets,
    workingSince: working?.since ?? null,
    workingId: working?.id ?? null,
  };
}

export async function alterationsOfOrder(db: Db, orderId: number): Promise<AlterationView[]> {
  const { rows } = await db.query<Row>({
    name: 'alterations-of-order',
    text: `select ${VIEW} where a.order_id = $1 order by a.id limit 500`,
    values: [orderId],
  });
  return rows.map(viewOf);
}

/** One alteration, its row held. */
export async function holdAlteration(tx: Tx, id: number): Promise<AlterationView | undefined> {
  await tx.query('select 1 from alteration where id = $1 for update', [id]);
  const { rows } = await tx.query<Row>(`select ${VIEW} where a.id = $1`, [id]);
  return rows[0] && viewOf(rows[0]);
}

export interface NewAlteration {
  readonly orderId: number;
  readonly appointmentId: number | null;
  readonly source: AlterationView['source'];
  readonly asked: AskedWire;
  readonly targets: readonly Target[];
  readonly minutes: number;
  readonly by: number;
}

export async function addAlteration(tx: Tx, a: NewAlteration): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into alteration (order_id, appointment_id, source, asked, targets, minutes, made_by)
     values ($1, $2, $3, $4, $5, $6, $7) returning id`,
    [
      a.orderId,
      a.appointmentId,
      a.source,
      JSON.stringify(a.asked),
      JSON.stringify({ version: 1, targets: a.targets }),
      a.minutes,
      a.by,
    ],
  );
  return rows[0]!.id;
}

export const writeAsked = (tx: Tx, id: number, asked: AskedWire, targets: readonly Target[]) =>
  tx.query('update alteration set asked = $2, targets = $3 where id = $1', [
    id,
    JSON.stringify(asked),
    JSON.stringify({ version: 1, targets }),
  ]);

/** A box as it was ticked or struck. */
interface TickedBox {
  readonly box: string;
  readonly side: string;
  readonly edges: number;
  readonly each: number | null;
  readonly even: boolean;
  readonly doneAt: Date | null;
  readonly doneBy: number | null;
  readonly struck: string | null;
}

/**
 * The boxes as the panels have them now, in place of those before. What was ticked or struck stays so where the same
 * seam of the same piece takes the same amount; another amount is other work.
 */
export async function writeBoxes(tx: Tx, id: number, boxes: readonly Box[]): Promise<void> {
  const { rows: before } = await tx.query<TickedBox>(
    `delete from alteration_box where alteration_id = $1
     returning box, side, edges, each_cm as "each", is_even as even, done_at as "doneAt", done_by as "doneBy", struck`,
    [id],
  );
  const same = (b: Box) =>
    before.find(
      (t) =>
        t.box === b.id &&
        t.side === b.side &&
        t.edges === b.edges &&
        t.even === b.even &&
        (t.each === null ? b.each === null : b.each !== null && Math.abs(t.each - b.each) < 1e-6),
    );
  const made = boxes.map((b) => {
    const { doneAt = null, doneBy = null, struck = null } = same(b) ?? {};
    return { ...b, doneAt, doneBy, struck };
  });
  await tx.query(
    `insert into alteration_box (alteration_id, seq, box, panel, piece, layer, seam, side, edges, each_cm, is_even, done_at, done_by, struck)
     select $1, n, b ->> 'id', b ->> 'panel', b ->> 'piece', b ->> 'layer', b ->> 'seam', b ->> 'side',
            (b ->> 'edges')::int, (b ->> 'each')::float8, (b ->> 'even')::boolean,
            (b ->> 'doneAt')::timestamptz, (b ->> 'doneBy')::bigint, b ->> 'struck'
       from jsonb_array_elements($2::jsonb) with ordinality x(b, n)`,
    [id, JSON.stringify(made)],
  );
}

/** Ticks, opens or strikes one box; false when the alteration has no such box. */
export async function writeBox(
  tx: Tx,
  id: number,
  box: string,
  to: { readonly doneAt: Date | null; readonly doneBy: number | null; readonly struck: string | null },
): Promise<boolean> {
  const { rowCount } = await tx.query(
    'update alteration_box set done_at = $3, done_by = $4, struck = $5 where alteration_id = $1 and box = $2',
    [id, box, to.doneAt, to.doneBy, to.struck],
  );
  return rowCount === 1;
}

export const openBoxes = (tx: Tx, id: number) =>
  tx.query('update alteration_box set done_at = null, done_by = null where alteration_id = $1', [id]);

interface Fields {
  readonly status: AlterationState;
  readonly price: number | null;
  readonly neededOn: string | null;
  readonly staffId: number | null;
  readonly minutes: number;
  readonly agreedName: string;
  readonly doneBy: number | null;
}
/** The alteration’s own columns after a step. */
export const writeState = (tx: Tx, id: number, f: Fields) =>
  tx.query(
    `update alteration set status = $2, price = $3, needed_on = $4, staff_id = $5, minutes = $6, agreed_name = $7,
       done_by = $8, version = version + 1 where id = $1`,
    [id, f.status, f.price, f.neededOn, f.staffId, f.minutes, f.agreedName, f.doneBy],
  );
export const touch = (tx: Tx, id: number) =>
  tx.query('update alteration set version = version + 1 where id = $1', [id]);

/** How an alteration stood before its last step, where that step can be taken back. */
export async function beforeLastStep(
  tx: Tx,
  id: number,
): Promise<
  | { readonly step: AlterationStep; readonly by: number; readonly at: Date; readonly before: StepBefore }
  | undefined
> {
  const { rows } = await tx.query<{ step: AlterationStep; by: number; at: Date; before: unknown }>(
    `select step, by, at, says -> 'before' as before from alteration_step where alteration_id = $1 order by id desc limit 1`,
    [id],
  );
  const last = rows[0];
  return last?.before ? { ...last, before: stored(StepBefore, 'Step', last.before) } : undefined;
}

export const addStep = (tx: Tx, id: number, by: number, at: Date, step: string, says: object) =>
  tx.query('insert into alteration_step (alteration_id, by, at, step, says) values ($1, $2, $3, $4, $5)', [
    id,
    by,
    at,
    step,
    JSON.stringify({ version: 1, ...says }),
  ]);

/** What somebody is working on now, by order; undefined when on nothing. */
export async function workingOn(
  tx: Tx,
  staffId: number,
): Promise<{ id: number; orderNumber: string } | undefined> {
  // Two beginnings at once wait for each other.
  await tx.query('select 1 from staff where id = $1 for no key update', [staffId]);
  const { rows } = await tx.query<{ id: number; orderNumber: string }>(
    `select a.id, o.number as "orderNumber" from alteration_work w join alteration a on a.id = w.alteration_id
       join orders o on o.id = a.order_id where w.staff_id = $1 and w.ended_at is null`,
    [staffId],
  );
  return rows[0];
}
export const beginWork = (tx: Tx, id: number, staffId: number, at: Date) =>
  tx.query('insert into alteration_work (alteration_id, staff_id, started_at) values ($1, $2, $3)', [
    id,
    staffId,
    at,
  ]);
/** Minutes that were begun just now and by mistake are none; those that were not are kept, and end. */
export async function dropWork(tx: Tx, id: number, since: Date, at: Date): Promise<void> {
  await tx.query(
    'delete from alteration_work where alteration_id = $1 and ended_at is null and started_at > $2',
    [id, since],
  );
  await endWork(tx, id, at);
}
/** Work that was laid down just now goes on as if it had not been. False when that is longer ago. */
export async function resumeWork(tx: Tx, id: number, staffId: number, since: Date): Promise<boolean> {
  const { rowCount } = await tx.query(
    `update alteration_work set ended_at = null
      where id = (select max(id) from alteration_work where alteration_id = $1) and staff_id = $2 and ended_at > $3`,
    [id, staffId, since],
  );
  return rowCount === 1;
}
export const endWork = (tx: Tx, id: number, at: Date) =>
  tx.query(
    'update alteration_work set ended_at = greatest($2, started_at) where alteration_id = $1 and ended_at is null',
    [id, at],
  );

/** Its minutes on somebody’s day; taken off the day again when it is given to nobody or for no day. */
export async function promise(
  tx: Tx,
  a: { readonly id: number; readonly orderId: number; readonly what: string; readonly at: Date },
  to: { readonly staffId: number; readonly day: string; readonly minutes: number } | null,
): Promise<void> {
  await tx.query(
    'update bench_work set gone_at = $2, version = version + 1 where alteration_id = $1 and gone_at is null',
    [a.id, a.at],
  );
  if (to)
    await tx.query(
      `insert into bench_work (order_id, staff_id, day, minutes, what, makes, alteration_id)
       values ($1, $2, $3, $4, $5, 'altered', $6)`,
      [a.orderId, to.staffId, to.day, to.minutes, a.what, a.id],
    );
}
/** What its promise says of the work: made ready once it is checked. */
export const promiseKept = (tx: Tx, id: number, at: Date | null, by: number | null) =>
  tx.query(
    'update bench_work set done_at = $2, done_by = $3, version = version + 1 where alteration_id = $1 and gone_at is null',
    [id, at, by],
  );

/** The question of what is open, by day and need; one hand’s and what nobody has yet, or everybody’s. */
export const openQuestion = (staffId: number | null, now: Date) => ({
  name: staffId === null ? 'bench-all' : 'bench-mine',
  text: `select a.id, a.order_id as "orderId", o.number as "orderNumber", o.what as "order", c.name as "clientName", a.asked,
        a.status, a.staff_id as "staffId", s.name as "staffName", w.day, a.needed_on as "neededOn", a.minutes, a.version,
        coalesce((select h.settings #>> '{house,rounding,unit}' from sheet h where h.order_id = a.order_id order by h.revision desc limit 1),
          (select coalesce(rules #>> '{rounding,unit}', unit) from house)) as unit,
        a.done_by as "doneById", n.at as "nextAt", n.kind as "nextKind",
        coalesce(round(k.seconds / 60), 0)::int as worked, k.at_it as "workingId",
        (select count(*)::int from alteration_box b where b.alteration_id = a.id and b.done_at is null and b.struck is null) as "boxesOpen" 
      from alteration a join orders o on o.id = a.order_id join client c on c.id = o.client_id
        left join staff s on s.id = a.staff_id
        left join lateral (select sum(extract(epoch from coalesce(x.ended_at, $1) - x.started_at)) as seconds,
            max(x.staff_id) filter (where x.ended_at is null) as at_it from alteration_work x where x.alteration_id = a.id) k on true
        left join bench_work w on w.alteration_id = a.id and w.gone_at is null
        left join lateral (select ${ISO('lower(t.during)')} as at, p.kind from orders g join appointment p on p.order_id = g.id
              join slot t on t.appointment_id = p.id
            where coalesce(g.with_id, g.id) = coalesce(o.with_id, o.id) and t.state = 'taken' and p.status in ('offered', 'confirmed') and lower(t.during) > $1
            order by lower(t.during) limit 1) n on true
      where a.status in ('asked', 'agreed', 'in-work', 'done') and o.stage not in ('cancelled', 'handed-over')
        ${staffId === null ? '' : 'and (a.staff_id = $2 or a.staff_id is null)'}
      order by least(coalesce(w.day, '9999-01-01'), coalesce(a.needed_on, '9999-01-01'), coalesce(n.at::timestamptz::date, '9999-01-01')), a.id limit 2500`,
  values: staffId === null ? [now] : [now, staffId],
});

/** What is open, by day and need; one hand’s and what nobody has yet, or everybody’s. */
export async function openAlterations(db: Db, staffId: number | null, now: Date): Promise<BenchRow[]> {
  const { rows } = await db.query<Omit<BenchRow, 'sentence' | 'kind'> & { asked: unknown }>(
    openQuestion(staffId, now),
  );
  return rows.map(({ asked, ...r }) => {
    const wire = readAsked(asked);
    return { ...r, kind: wire.kind, sentence: sentenceOf(wire) };
  });
}

export const countPins = (tx: Tx, orderId: number, way: 'in' | 'out', pins: number, by: number, at: Date) =>
  tx.query('insert into pins_counted (order_id, way, pins, by, at) values ($1, $2, $3, $4, $5)', [
    orderId,
    way,
    pins,
    by,
    at,
  ]);

/** Crosses out the last count of an order’s pins; false where nothing was counted. */
export async function uncountPins(tx: Tx, orderId: number, by: number, at: Date) {
  const { rows } = await tx.query<{ way: 'in' | 'out'; pins: number }>(
    `update pins_counted set gone_at = $3, gone_by = $2 where id = (select max(id) from pins_counted where order_id = $1 and gone_at is null)
     returning way, pins`,
    [orderId, by, at],
  );
  return rows[0];
}

interface PointRead {
  readonly point: string;
  readonly written: string;
  readonly target: number | null;
  readonly tolerance: number | null;
  readonly within: boolean;
  readonly acceptedBy: string;
  readonly reason: string;
}
export const addPoint = (tx: Tx, orderId: number, p: PointRead, by: number, at: Date) =>
  tx.query(
    `insert into garment_reading (order_id, point, written, target_cm, tolerance_cm, within, accepted_by, reason, by, at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [orderId, p.point, p.written, p.target, p.tolerance, p.within, p.acceptedBy, p.reason, by, at],
  );
/** The latest reading of each point of a garment. */
export async function pointsRead(
  db: Db,
  orderId: number,
): Promise<Map<string, PointRead & { by: string; at: string }>> {
  const { rows } = await db.query<PointRead & { by: string; at: string }>(
    `select distinct on (g.point) g.point, g.written, g.target_cm as target, g.tolerance_cm as tolerance, g.within,
        g.accepted_by as "acceptedBy", g.reason, s.name as by, ${ISO('g.at')} as at
       from garment_reading g join staff s on s.id = g.by where g.order_id = $1 order by g.point, g.id desc`,
    [orderId],
  );
  return new Map(rows.map((r) => [r.point, r]));
}

/** All pins counted at this order; null where none were. */
export async function pinsOf(db: Db, orderId: number): Promise<{ in: number; out: number } | null> {
  const { rows } = await db.query<{ in: number; out: number; n: number }>(
    `select coalesce(sum(pins) filter (where way = 'in'), 0)::int as in, coalesce(sum(pins) filter (where way = 'out'), 0)::int as out,
        count(*)::int as n from pins_counted where order_id = $1 and gone_at is null`,
    [orderId],
  );
  const { n, ...pins } = rows[0]!;
  return n === 0 ? null : pins;
}

export async function handOvers(db: Db, orderId: number): Promise<HandOverView[]> {
  const { rows } = await db.query<HandOverView>(
    `select h.id, ${ISO('h.at')} as at, s.name as by, h.client_name as "clientName", ${ISO('h.taken_back_at')} as "takenBackAt", h.reason
       from handed_over h join staff s on s.id = h.by where h.order_id = $1 order by h.id limit 50`,
    [orderId],
  );
  return rows;
}
export const addHandOver = (
  tx: Tx,
  orderId: number,
  by: number,
  at: Date,
  clientName: string,
  cautions: readonly string[],
) =>
  tx.query('insert into handed_over (order_id, by, at, client_name, cautions) values ($1, $2, $3, $4, $5)', [
    orderId,
    by,
    at,
    clientName,
    JSON.stringify({ version: 1, cautions }),
  ]);
/** Whether it was handed over and is back in now. */
export async function takeBack(tx: Tx, orderId: number, by: number, at: Date, why: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    'update handed_over set taken_back_at = $2, taken_back_by = $3, reason = $4 where order_id = $1 and taken_back_at is null',
    [orderId, at, by, why],
  );
  return rowCount === 1;
}
/** How many alterations of an order stand and are open, and whether the garment has left. */
export async function alterationsInShort(
  db: Db,
  orderId: number,
): Promise<Pick<OrderFull, 'alterations' | 'handedOverAt'>> {
  const { rows } = await db.query<Pick<OrderFull, 'alterations' | 'handedOverAt'>>({
    name: 'alterations-in-short',
    text: `select json_build_object('all', count(*) filter (where status not in ('declined', 'withdrawn', 'in-sheet')),
        'open', count(*) filter (where status in ('asked', 'agreed', 'in-work', 'done'))) as alterations,
      (select ${ISO('at')} from handed_over where order_id = $1 and taken_back_at is null) as "handedOverAt"
      from alteration where order_id = $1`,
    values: [orderId],
  });
  return rows[0]!;
}

/** Since when it is with the client; null while it is in the house. */
export async function isHandedOver(tx: Db, orderId: number): Promise<string | null> {
  const { rows } = await tx.query<{ at: string }>(
    `select ${ISO('at')} as at from handed_over where order_id = $1 and taken_back_at is null`,
    [orderId],
  );
  return rows[0]?.at ?? null;
}

export async function addBroughtIn(
  tx: Tx,
  orderId: number,
  w: BroughtInWrite,
  code: string,
  by: number,
  at: Date,
): Promise<boolean> {
  const { rowCount } = await tx.query(
    `insert into brought_in (order_id, kind, lined, label, condition, code, by, at) values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (code) do nothing`,
    [orderId, w.kind, w.lined, w.label, w.condition, code, by, at],
  );
  return rowCount === 1;
}
/** How a garment came; undefined for one that is made here. */
export async function broughtIn(db: Db, orderId: number): Promise<BroughtIn | undefined> {
  const { rows } = await db.query<BroughtIn>({
    name: 'brought-in',
    text: `select b.kind, b.lined, b.label, b.condition, b.code, ${ISO('b.at')} as at, s.name as by
       from brought_in b join staff s on s.id = b.by where b.order_id = $1`,
    values: [orderId],
  });
  return rows[0];
}
export async function orderOfTicket(db: Db, code: string): Promise<number | undefined> {
  const { rows } = await db.query<{ id: number }>('select order_id as id from brought_in where code = $1', [
    code,
  ]);
  return rows[0]?.id;
}

/** Whether an appointment is of this order, or of another garment of it: they are fitted together. */
export async function isOfOrder(tx: Tx, appointmentId: number, orderId: number): Promise<boolean> {
  const { rowCount } = await tx.query(
    'select 1 from appointment where id = $1 and order_id in (select together($2))',
    [appointmentId, orderId],
  );
  return rowCount === 1;
}
export async function isAtWork(tx: Tx, staffId: number): Promise<string | undefined> {
  const { rows } = await tx.query<{ name: string }>('select name from staff where id = $1 and active', [
    staffId,
  ]);
  return rows[0]?.name;
}
