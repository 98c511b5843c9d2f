import type { HomeLinkView } from '@rocchetto/contract';
import type { Db, Tx } from '../../db/pool.ts';

const STATE = `case when l.sent_at is not null then 'sent' when l.closed_at is not null then 'closed' when l.expires_at <= $2 then 'over' else 'open' end`;

export async function homeLinks(db: Db, orderId: number, now: Date): Promise<HomeLinkView[]> {
  const { rows } = await db.query<HomeLinkView>({
    name: 'home-links',
    text: `select l.id, s.name as "madeBy", l.made_at as "madeAt", l.expires_at as "expiresAt", l.sent_at as "sentAt", ${STATE} as state
       from home_link l join staff s on s.id = l.made_by where l.order_id = $1 order by l.id desc limit 20`,
    values: [orderId, now],
  });
  return rows;
}

/** A new link; those of the same order that are still open close. Its token is laid in by `renewHomeLink`. */
export async function addHomeLink(
  tx: Tx,
  of: { orderId: number; by: number; until: Date; now: Date },
): Promise<number> {
  await tx.query(
    'update home_link set closed_at = $2 where order_id = $1 and sent_at is null and closed_at is null',
    [of.orderId, of.now],
  );
  const { rows } = await tx.query<{ id: number }>(
    `insert into home_link (token_hash, order_id, session_id, made_by, made_at, expires_at)
     values (uuid_send(gen_random_uuid()), $1, gen_random_uuid(), $2, $3, $4) returning id`,
    [of.orderId, of.by, of.now, of.until],
  );
  return rows[0]!.id;
}

export const renewHomeLink = (tx: Tx, id: number, tokenHash: Buffer) =>
  tx.query('update home_link set token_hash = $2 where id = $1', [id, tokenHash]);

/** @returns the order whose link was closed; undefined when it is not open */
export async function closeHomeLink(tx: Tx, id: number, now: Date): Promise<number | undefined> {
  const { rows } = await tx.query<{ orderId: number }>(
    `update home_link set closed_at = $2 where id = $1 and sent_at is null and closed_at is null returning order_id as "orderId"`,
    [id, now],
  );
  return rows[0]?.orderId;
}

export interface HomeLink {
  readonly id: number;
  readonly orderId: number;
  readonly clientId: number;
  readonly client: string;
  readonly minor: boolean;
  /** the client's own, where it is not the studio's */
  readonly unit: 'cm' | 'in' | null;
  /** in which they are written to; empty for the studio's own */
  readonly language: string;
  /** the parts of each garment of the order */
  readonly garments: readonly (readonly { readonly part: string }[])[];
  readonly sessionId: string;
  readonly by: number;
  readonly expiresAt: Date;
  readonly sentAt: Date | null;
  /** the studio measured for this order after the link was made */
  readonly measuredSince: boolean;
}

/** The link a token opens; undefined for one that is guessed, closed, or past its day. */
export async function openHomeLink(
  db: Db,
  tokenHash: Buffer,
  now: Date,
  hold = false,
): Promise<HomeLink | undefined> {
  const { rows } = await db.query<HomeLink>({
    name: hold ? 'home-link-held' : 'home-link',
    text: `select l.id, l.order_id as "orderId", o.client_id as "clientId", c.name as client, c.minor, c.unit, c.language,
        (select coalesce(json_agg(coalesce(g.brief -> 'parts', '[]') order by g.id), '[]') from orders g
          where g.id in (select together(o.id))) as garments, l.session_id as "sessionId", l.made_by as by,
        l.expires_at as "expiresAt", l.sent_at as "sentAt",
        exists (select 1 from session m where m.order_id in (select together(o.id)) and m.id <> l.session_id and m.created_at > l.made_at) as "measuredSince"
       from home_link l join orders o on o.id = l.order_id join client c on c.id = o.client_id and c.erased_at is null
      where l.token_hash = $1 and l.closed_at is null and l.expires_at > $2 ${hold ? 'for update of l' : ''}`,
    values: [tokenHash, now],
  });
  return rows[0];
}

export const sentHome = (tx: Tx, id: number, now: Date) =>
  tx.query('update home_link set sent_at = $2 where id = $1', [id, now]);
