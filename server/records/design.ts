import type { Like, Question, QuestionWrite } from '@rocchetto/contract';
import type { Db, Tx } from '../db/pool.ts';

const ISO = (column: string) => `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`;
const QUESTION = `q.id, q.what, q.decides, q.by_kind as "byKind", q.holds, s.name as "askedBy", ${ISO('q.asked_at')} as "askedAt",
  q.decision, q.decided_name as "decidedName", ${ISO('q.decided_at')} as "decidedAt", q.version`;

/** An order’s questions, those that are open first. */
export async function questionsOf(db: Db, orderId: number): Promise<Question[]> {
  const { rows } = await db.query<Question>({
    name: 'questions-of-order',
    text: `select ${QUESTION} from open_question q join staff s on s.id = q.asked_by where q.order_id = $1
            order by q.decision is not null, q.id limit 200`,
    values: [orderId],
  });
  return rows;
}
export async function countQuestions(tx: Tx, orderId: number): Promise<number> {
  const { rows } = await tx.query<{ n: number }>(
    'select count(*)::int as n from open_question where order_id = $1',
    [orderId],
  );
  return rows[0]!.n;
}
export async function addQuestion(
  tx: Tx,
  orderId: number,
  q: QuestionWrite,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into open_question (order_id, what, decides, by_kind, holds, asked_by, asked_at)
     values ($1, $2, $3, $4, $5, $6, $7) returning id`,
    [orderId, q.what, q.decides, q.byKind, q.holds, by, at],
  );
  return rows[0]!.id;
}
/** One question with its order, its row held. */
export async function holdQuestion(
  tx: Tx,
  id: number,
): Promise<(Question & { readonly orderId: number }) | undefined> {
  await tx.query('select 1 from open_question where id = $1 for update', [id]);
  const { rows } = await tx.query<Question & { orderId: number }>(
    `select q.order_id as "orderId", ${QUESTION} from open_question q join staff s on s.id = q.asked_by where q.id = $1`,
    [id],
  );
  return rows[0];
}
export async function decide(
  tx: Tx,
  id: number,
  decision: string | null,
  name: string,
  by: number,
  at: Date,
): Promise<void> {
  await tx.query(
    `update open_question set decision = $2, decided_name = $3, decided_by = $4, decided_at = $5, version = version + 1 where id = $1`,
    [
      id,
      decision,
      decision === null ? '' : name,
      decision === null ? null : by,
      decision === null ? null : at,
    ],
  );
}

/** What a client likes, the latest first. */
export async function likesOf(db: Db, clientId: number): Promise<Like[]> {
  const { rows } = await db.query<Like>({
    name: 'likes-of-client',
    text: `select l.id, l.words, s.name as by, ${ISO('l.at')} as at, o.number as order
             from client_like l join staff s on s.id = l.by left join orders o on o.id = l.order_id
            where l.client_id = $1 and l.gone_at is null order by l.id desc limit 100`,
    values: [clientId],
  });
  return rows;
}
export async function addLike(
  tx: Tx,
  clientId: number,
  orderId: number | null,
  words: string,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into client_like (client_id, order_id, words, by, at) values ($1, $2, $3, $4, $5) returning id',
    [clientId, orderId, words, by, at],
  );
  return rows[0]!.id;
}
/** Takes one off the card; whose it was, or undefined. */
export async function dropLike(
  tx: Tx,
  id: number,
  at: Date,
): Promise<{ readonly clientId: number; readonly words: string } | undefined> {
  const { rows } = await tx.query<{ clientId: number; words: string }>(
    `update client_like set gone_at = $2 where id = $1 and gone_at is null returning client_id as "clientId", words`,
    [id, at],
  );
  return rows[0];
}

/** The client’s other orders with alterations that were kept, the oldest first. */
export async function ordersTaught(
  db: Db,
  clientId: number,
  except: number,
): Promise<{ readonly id: number; readonly number: string }[]> {
  const { rows } = await db.query<{ id: number; number: string }>({
    name: 'orders-taught',
    text: `select o.id, o.number from (select id, number from orders where client_id = $1 and id <> $2 order by id desc limit 30) o
            where exists (select 1 from alteration a where a.order_id = o.id and a.status in ('checked', 'accepted', 'in-sheet'))
            order by o.id desc limit 6`,
    values: [clientId, except],
  });
  return rows.reverse();
}
