import { type ClientView, readKept, type SessionFull } from '@rocchetto/contract';
import { type Kept, withoutClient } from '@rocchetto/core';
import type { Db, Tx } from '../../db/pool.ts';
import { readClient } from '../../records/clients.ts';
import { eraseFromBooks } from '../../records/imports.ts';
import { renameOrders } from '../../records/orders.ts';
import { readSession } from '../../records/sessions.ts';

/** All that the studio keeps of one client, as it is kept. */
export interface ClientData {
  readonly client: ClientView;
  readonly orders: readonly Record<string, unknown>[];
  readonly sessions: readonly SessionFull[];
  readonly sheets: readonly Record<string, unknown>[];
  readonly appointments: readonly Record<string, unknown>[];
  /** what was asked to be altered, and what became of it */
  readonly alterations: readonly Record<string, unknown>[];
  readonly handOvers: readonly Record<string, unknown>[];
  /** photographs, each with its bytes */
  readonly photos: readonly {
    readonly id: number;
    readonly number: string;
    readonly words: string;
    readonly at: Date;
    readonly picture: Buffer;
  }[];
  /** what they like, what was not decided yet, and the money that was noted */
  readonly blocks: readonly Record<string, unknown>[];
  readonly likes: readonly Record<string, unknown>[];
  readonly questions: readonly Record<string, unknown>[];
  readonly money: readonly Record<string, unknown>[];
  /** standing lists of their own */
  readonly measuringLists: readonly Record<string, unknown>[];
  /** sizes of patterns that were chosen for their orders */
  readonly patternSizes: readonly Record<string, unknown>[];
  /** how the work on their orders was planned */
  readonly plans: readonly Record<string, unknown>[];
  /** what their orders were to cost: as it is priced now, and what was kept and agreed */
  readonly estimates: readonly Record<string, unknown>[];
  /** what was read off garments laid flat beside their orders */
  readonly lays: readonly Record<string, unknown>[];
  readonly laidFlat: readonly Record<string, unknown>[];
  /** the finished garment as it was measured, how it came, pins that were counted */
  readonly finished: readonly Record<string, unknown>[];
  readonly broughtIn: readonly Record<string, unknown>[];
  readonly pins: readonly Record<string, unknown>[];
  /** work promised to their orders, and pages that they were given to measure at home */
  readonly bench: readonly Record<string, unknown>[];
  readonly homeLinks: readonly Record<string, unknown>[];
  /** days on which they could not come */
  readonly away: readonly Record<string, unknown>[];
  /** what the client was told */
  readonly messages: readonly Record<string, unknown>[];
  readonly history: readonly Record<string, unknown>[];
}

const many = async (db: Db, sql: string, id: number) =>
  (await db.query<Record<string, unknown>>(sql, [id])).rows;

/** How the work on their orders was planned, and what it was to cost. */
const workData = async (db: Db, id: number): Promise<Pick<ClientData, 'plans' | 'estimates'>> => ({
  plans: await many(
    db,
    `select o.number, p.choices, p.changed_at as at from order_plan p join orders o on o.id = p.order_id
      where o.client_id = $1 order by o.id`,
    id,
  ),
  estimates: await many(
    db,
    `select o.number, k.revision, k.at, k.made, k.agreed_at, k.agreed_name, k.gone_at, k.reason
       from estimate_kept k join orders o on o.id = k.order_id where o.client_id = $1
     union all select o.number, null, e.changed_at, e.choices, null, '', null, ''
       from order_estimate e join orders o on o.id = e.order_id where o.client_id = $1 order by 1, 2 nulls last`,
    id,
  ),
});

/** History lines of the client, of their orders and of those orders' sheets. */
const HISTORY = `from history h where (h.entity = 'client' and h.entity_id = $1::text)
  or (h.entity = 'appointment' and h.entity_id in (select id::text from appointment where client_id = $1::bigint))
  or (h.entity in ('order', 'sheet') and h.entity_id in (select id::text from orders where client_id = $1::bigint))`;

export async function readClientData(db: Db, id: number): Promise<ClientData | undefined> {
  const client = await readClient(db, id);
  if (!client) return undefined;
  const ids = await many(db, 'select id from session where client_id = $1 order by at', id);
  const sessions: SessionFull[] = [];
  for (const { id: session } of ids) sessions.push((await readSession(db, session as string))!);
  return {
    client,
    sessions,
    orders: await many(
      db,
      `select number, what, occasion, worn_on, due_on, stage, cancelled_at, cancelled_reason, brief, brief_at, created_at from orders where client_id = $1 order by id`,
      id,
    ),
    sheets: await many(
      db,
      `select o.number, s.revision, s.status, s.agreed_name, s.agreed_at, s.cut_at, s.settings, s.spec
         from sheet s join orders o on o.id = s.order_id where o.client_id = $1 order by o.id, s.revision`,
      id,
    ),
    appointments: await many(
      db,
      `select a.kind, coalesce((select h.diary -> 'kinds' -> a.kind ->> 'name' from house h), replace(a.kind, '-', ' ')) as name, a.status, lower(s.during) as starts, upper(s.during) as ends, s.state, s.reason, a.who_comes, a.bring, a.note
         from appointment a join slot s on s.appointment_id = a.id where a.client_id = $1 order by lower(s.during), s.id`,
      id,
    ),
    alterations: await many(
      db,
      `select o.number, a.made_at, a.asked, a.status, a.agreed_name, a.price::float8 as price, a.needed_on,
          (select coalesce(json_agg(json_build_object('at', p.at, 'step', p.step, 'says', p.says ->> 'words') order by p.id), '[]')
             from alteration_step p where p.alteration_id = a.id) as steps,
          (select coalesce(json_agg(json_build_object('piece', b.piece, 'layer', b.layer, 'seam', b.seam, 'side', b.side, 'eachCm', b.each_cm::float8, 'doneAt', b.done_at, 'leftOut', b.struck) order by b.seq), '[]')
             from alteration_box b where b.alteration_id = a.id) as pieces
         from alteration a join orders o on o.id = a.order_id where o.client_id = $1 order by a.id`,
      id,
    ),
    photos: (
      await db.query<ClientData['photos'][number]>(
        `select p.id, o.number, p.words, p.at, p.picture from photo p join orders o on o.id = p.order_id
           where o.client_id = $1 order by p.id limit 500`,
        [id],
      )
    ).rows,
    handOvers: await many(
      db,
      `select o.number, h.at, h.client_name, h.taken_back_at, h.reason from handed_over h join orders o on o.id = h.order_id
         where o.client_id = $1 order by h.id`,
      id,
    ),
    blocks: await many(
      db,
      'select name, made, saved_at, gone_at from own_block where client_id = $1 order by id',
      id,
    ),
    likes: await many(db, 'select at, words, gone_at from client_like where client_id = $1 order by id', id),
    questions: await many(
      db,
      `select o.number, q.asked_at, q.what, q.decides, q.decision, q.decided_name, q.decided_at
         from open_question q join orders o on o.id = q.order_id where o.client_id = $1 order by q.id`,
      id,
    ),
    money: await many(
      db,
      `select o.number, m.at, m.is_a as is, m.amount::float8 as amount, m.words, m.gone_at
         from money_noted m join orders o on o.id = m.order_id where o.client_id = $1 order by m.id`,
      id,
    ),
    measuringLists: await many(
      db,
      `select name, made -> 'measures' as measures from measuring_list where client_id = $1 order by id`,
      id,
    ),
    patternSizes: await many(
      db,
      `select o.number, s.made ->> 'size' as size, s.made -> 'chart' ->> 'name' as chart, s.at from order_size s
         join orders o on o.id = s.order_id where o.client_id = $1 order by s.order_id`,
      id,
    ),
    ...(await workData(db, id)),
    lays: await many(
      db,
      `select o.number, l.of, l.name, l.revision, l.takes_cm as takes, l.width_cm as width, l.at from cloth_lay l
         join orders o on o.id = l.order_id where o.client_id = $1 order by l.id`,
      id,
    ),
    laidFlat: await many(
      db,
      `select o.number, l.of, l.cut, l.words, l.tolerance, r.point, r.written, r.at, c.says as change
         from flat_lay l join orders o on o.id = l.order_id join flat_reading r on r.lay_id = l.id
         left join flat_change c on c.lay_id = l.id and c.point = r.point where o.client_id = $1 order by r.seq`,
      id,
    ),
    finished: await many(
      db,
      `select o.number, r.point, r.written, r.target_cm::float8 as target, r.within, r.accepted_by, r.reason, r.at
         from garment_reading r join orders o on o.id = r.order_id where o.client_id = $1 order by r.id`,
      id,
    ),
    broughtIn: await many(
      db,
      `select o.number, b.kind, b.lined, b.label, b.condition, b.code, b.at from brought_in b join orders o on o.id = b.order_id
         where o.client_id = $1 order by b.at`,
      id,
    ),
    pins: await many(
      db,
      'select o.number, p.way, p.pins, p.at from pins_counted p join orders o on o.id = p.order_id where o.client_id = $1 order by p.id',
      id,
    ),
    bench: await many(
      db,
      `select o.number, to_char(w.day, 'YYYY-MM-DD') as day, w.minutes, w.what, w.done_at from bench_work w join orders o on o.id = w.order_id
         where o.client_id = $1 order by w.day, w.id`,
      id,
    ),
    homeLinks: await many(
      db,
      `select o.number, l.made_at, l.sent_at, l.closed_at from home_link l join orders o on o.id = l.order_id
         where o.client_id = $1 order by l.id`,
      id,
    ),
    away: await many(
      db,
      'select first_day, last_day, reason from client_away where client_id = $1 order by first_day, id',
      id,
    ),
    messages: await many(
      db,
      `select k.at, m.kind, k.channel, k.sent_to, k.subject, k.body from carried k join message m on m.id = k.message_id
         join appointment a on a.id = m.appointment_id where a.client_id = $1 order by k.id`,
      id,
    ),
    history: await many(
      db,
      `select h.at, s.name as by, h.entity, h.what, h.before, h.after from (select h.* ${HISTORY}) h left join staff s on s.id = h.staff_id order by h.id`,
      id,
    ),
  };
}

/** What was taken away and what stays, in numbers. */
export interface Erased {
  readonly sessions: number;
  readonly readings: number;
  readonly orders: number;
  readonly sheetsKept: number;
}

/** The client's kept sheets with nothing left of who it was, by order and revision. */
async function keptWithoutClient(tx: Tx, id: number, code: string): Promise<Record<string, Kept>> {
  const { rows } = await tx.query<{ key: string; kept: unknown; occasion: string; why: string }>(
    `select s.order_id || ' ' || s.revision as key, s.kept, coalesce(s.spec -> 'order' ->> 'occasion', '') as occasion,
            coalesce(s.spec #>> '{garment,own,why}', '') as why
       from sheet s join orders o on o.id = s.order_id where o.client_id = $1 and s.kept is not null`,
    [id],
  );
  return Object.fromEntries(
    rows.map((r) => [r.key, withoutClient(readKept(r.kept)!, code, r.occasion, r.why)]),
  );
}

/**
 * Erases what tells who a client is and how they are made: card, sessions, readings, words of briefs and notes,
 * drafts, what the history keeps of them, and from agreed sheets the name, the readings and the session. Stays:
 * the client's code, order numbers, dates, what was made, and the figures of agreed sheets.
 */
export async function eraseClient(
  tx: Tx,
  { id, code, name, phone, email }: Pick<ClientView, 'id' | 'code' | 'name' | 'phone' | 'email'>,
): Promise<Erased> {
  await tx.query(`set local rocchetto.erasing = 'on'`);
  await eraseFromBooks(
    tx,
    code,
    [name, phone ?? '', email ?? ''].filter((t) => t.trim() !== ''),
  );
  const count = async (sql: string, values: readonly unknown[] = [id]) =>
    (await tx.query(sql, [...values])).rowCount ?? 0;
  const orders = '(select id from orders where client_id = $1)';
  const readings = await count(
    'delete from reading where session_id in (select id from session where client_id = $1)',
  );
  const sessions = await count('delete from session where client_id = $1');
  await count(`delete from sheet where status = 'draft' and order_id in ${orders}`);
  const sheetsKept = await count(
    `update sheet set agreed_name = case when agreed_name in (select name from staff) then agreed_name else $2::text end,
        settings = jsonb_set(settings, '{sessionId}', 'null'),
        spec = spec || jsonb_build_object('readings', '[]'::jsonb,
          'session', (spec -> 'session') || '{"measurer": "", "scribe": "", "beneath": "", "heel": null, "changed": ""}'::jsonb,
          'order', (spec -> 'order') || jsonb_build_object('client', $2::text, 'occasion', ''),
          'garment', jsonb_set((spec -> 'garment') || '{"note": "", "beneath": "", "shoes": ""}'::jsonb, '{own,why}', '"—"', false)),
        kept = $3::jsonb -> (order_id || ' ' || revision)
      where order_id in ${orders}`,
    [id, code, JSON.stringify(await keptWithoutClient(tx, id, code))],
  );
  // What was done to the cloth stays; what the client said, and who agreed for them, goes.
  const asked = `(select id from alteration where order_id in ${orders})`;
  await count(
    `update alteration set asked = asked || '{"words": "", "note": ""}'::jsonb,
        agreed_name = case when agreed_name in (select name from staff) then agreed_name else '' end, version = version + 1
      where order_id in ${orders}`,
  );
  await count(
    `update alteration_step set says = says || '{"words": ""}'::jsonb where alteration_id in ${asked}`,
  );
  await count(
    `update alteration_box set struck = '—' where struck is not null and alteration_id in ${asked}`,
  );
  await count(`update handed_over set client_name = '', reason = '' where order_id in ${orders}`);
  await count(`delete from photo where order_id in ${orders}`);
  await count('delete from client_like where client_id = $1');
  await count('delete from own_block where client_id = $1');
  await count('delete from measuring_list where client_id = $1');
  await count(`delete from order_size where order_id in ${orders}`);
  await count(`delete from order_plan where order_id in ${orders}`);
  await count(`delete from order_estimate where order_id in ${orders}`);
  // What was asked for the work stays; who agreed, and what a hand wrote beside it, may name the client.
  await count(
    `update estimate_kept set agreed_name = left(agreed_name, 0), reason = case when reason = '' then '' else '—' end,
        made = jsonb_set(jsonb_set(made, '{words}', '""'), '{estimate,lines}',
          coalesce((select jsonb_agg(case when l ->> 'part' = 'more' then l || '{"name": "—"}' else l end order by i)
            from jsonb_array_elements(made #> '{estimate,lines}') with ordinality x(l, i)), '[]'))
      where order_id in ${orders}`,
  );
  await count(`update cloth_lay set name = '—' where order_id in ${orders}`);
  await count(`update flat_lay set words = '' where order_id in ${orders}`);
  await count(`delete from home_link where order_id in ${orders}`);
  await count('delete from imported_row where client_id = $1');
  await count(`delete from open_question where order_id in ${orders}`);
  await count(`update money_noted set words = '' where order_id in ${orders}`);
  // What was worked is told by its alteration; what a hand wrote beside may name her.
  await count(`update bench_work set what = '—' where alteration_id is null and order_id in ${orders}`);
  await count(`update garment_reading set accepted_by = '', reason = '' where order_id in ${orders}`);
  await count(`update brought_in set label = '', condition = '—' where order_id in ${orders}`);
  await count('delete from client_away where client_id = $1');
  await count(
    'delete from client_link where appointment_id in (select id from appointment where client_id = $1)',
  );
  // What is noted with appointments goes; that somebody was there then stays, for the staff's own days; what lies ahead is cancelled.
  await count(
    `update appointment set who_comes = '', bring = '', note = '', answer_words = '', version = version + 1 where client_id = $1`,
  );
  await count(
    `update slot set state = 'left' where state <> 'left' and appointment_id in
       (select id from appointment where client_id = $1 and status in ('offered', 'confirmed'))`,
  );
  await count(
    `update appointment set status = 'cancelled', held_until = null where client_id = $1 and status in ('offered', 'confirmed')`,
  );
  await count(
    `update message set state = 'dropped' where state = 'waiting' and appointment_id in (select id from appointment where client_id = $1)`,
  );
  await count(
    `update message set trouble = '' where trouble <> '' and appointment_id in (select id from appointment where client_id = $1)`,
  );
  await count(
    `delete from carried where message_id in
       (select m.id from message m join appointment a on a.id = m.appointment_id where a.client_id = $1)`,
  );
  await count(
    `update slot set reason = '' where appointment_id in (select id from appointment where client_id = $1) and reason <> ''`,
  );
  const ordersKept = await count(
    `update orders set occasion = '', rack = '', cancelled_reason = '', care = null, version = version + 1,
        brief = case when brief is null then null
          else jsonb_set(brief || '{"note": "", "beneath": "", "shoes": ""}'::jsonb, '{own,why}', '"—"', false) end
      where client_id = $1`,
  );
  // First answers that are kept for repeats: of this client's card, of their orders, and of whatever changed those.
  await count(
    `delete from write_once where path = '/api/clients/' || $1::text or (path = '/api/clients' and body ->> 'id' = $1::text)
       or body ->> 'clientId' = $1::text
       or path in (select '/api/orders/' || o.id || step from orders o,
         unnest(array['', '/questions', '/likes', '/money', '/flat', '/home-links', '/brief', '/import', '/sheet/changes', '/sheet/agree', '/sheet/cut']) step where o.client_id = $1::bigint)`,
  );
  await count(
    `update client set name = 'Erased ' || code, phone = '', phone_digits = '', email = '', address = '', note = '', guardian = '',
        minor = false, unit = null, language = '', search = lower(code), erased_at = now(), version = version + 1 where id = $1`,
  );
  await tx.query('select erase_history($1)', [id]);
  await renameOrders(tx, id, `Erased ${code}`, code);
  return { sessions, readings, orders: ordersKept, sheetsKept };
}

/** Whether an order, a measuring or an appointment is kept with a client. */
export async function hasAnything(tx: Tx, id: number): Promise<boolean> {
  const { rows } = await tx.query<{ any: boolean }>(
    `select exists (select 1 from orders where client_id = $1) or exists (select 1 from session where client_id = $1)
       or exists (select 1 from appointment where client_id = $1) as any`,
    [id],
  );
  return rows[0]!.any;
}

/** Takes a client away with whom nothing is kept: what the card said goes from everywhere, then the card itself. */
export async function deleteClient(tx: Tx, client: Parameters<typeof eraseClient>[1]): Promise<void> {
  await eraseClient(tx, client);
  await tx.query('delete from client where id = $1', [client.id]);
}
