import type { MoneyNoted, MoneyView, MoneyWrite } from '@rocchetto/contract';
import { handUnit } from '@rocchetto/contract';
import { formatSentence } from '@rocchetto/core';
import { balanceOf, stands } from '@rocchetto/core/alter/index.ts';
import type { Db, Tx } from '../db/pool.ts';
import { alterationsOfOrder } from './alterations.ts';
import { readHouse } from './house.ts';

/** What was noted of an order’s money and stands. */
export async function moneyOf(db: Db, orderId: number): Promise<MoneyNoted[]> {
  const { rows } = await db.query<MoneyNoted>({
    name: 'money-of-order',
    text: `select m.id, m.is_a as is, m.amount::float8 as amount, m.words, s.name as by,
             to_char(m.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
        from money_noted m join staff s on s.id = m.by where m.order_id = $1 and m.gone_at is null order by m.id limit 200`,
    values: [orderId],
  });
  return rows;
}
export async function noteMoney(
  tx: Tx,
  orderId: number,
  m: MoneyWrite,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into money_noted (order_id, is_a, amount, words, by, at) values ($1, $2, $3, $4, $5, $6) returning id',
    [orderId, m.is, m.amount, m.words, by, at],
  );
  return rows[0]!.id;
}
/** Takes a note back; the order it was of, or undefined. */
export async function takeMoneyBack(
  tx: Tx,
  id: number,
  by: number,
  at: Date,
): Promise<{ readonly orderId: number; readonly is: string; readonly amount: number } | undefined> {
  const { rows } = await tx.query<{ orderId: number; is: string; amount: number }>(
    `update money_noted set gone_at = $3, gone_by = $2 where id = $1 and gone_at is null
     returning order_id as "orderId", is_a as is, amount::float8 as amount`,
    [id, by, at],
  );
  return rows[0];
}

/** The estimate of an order that is agreed, and its price. */
async function agreedEstimate(db: Db, orderId: number): Promise<MoneyView['estimate']> {
  const { rows } = await db.query<{ revision: number; price: number }>({
    name: 'estimate-agreed',
    text: `select revision, (made -> 'estimate' ->> 'asked')::float8 as price from estimate_kept
       where order_id = $1 and agreed_at is not null and gone_at is null`,
    values: [orderId],
  });
  return rows[0] ?? null;
}

/** What an order comes to: the estimate that is agreed, prices agreed with alterations, and what was noted beside them. */
export async function moneyView(db: Db, orderId: number): Promise<MoneyView> {
  const [noted, estimate, all] = [
    await moneyOf(db, orderId),
    await agreedEstimate(db, orderId),
    await alterationsOfOrder(db, orderId),
  ];
  const { unit } = await readHouse(db);
  const alterations = all
    .filter((a) => stands(a.status) && a.price !== null)
    .map((a) => ({ sentence: formatSentence(a.sentence, handUnit(a.asked) ?? unit), price: a.price! }));
  return {
    noted,
    alterations,
    estimate,
    ...balanceOf([...(estimate ? [estimate.price] : []), ...alterations.map((a) => a.price)], noted),
  };
}
