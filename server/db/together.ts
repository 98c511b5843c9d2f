import type { Db } from './pool.ts';

/** The ids of an order and of every other garment of it. */
export async function ordersTogether(db: Db, orderId: number): Promise<number[]> {
  const { rows } = await db.query<{ id: number }>({
    name: 'orders-together',
    text: 'select id from together($1) id',
    values: [orderId],
  });
  return rows.map((r) => r.id);
}

/** Whether two orders are garments of one, or the same. */
export const isTogether = async (db: Db, a: number, b: number): Promise<boolean> =>
  (await ordersTogether(db, b)).includes(a);
