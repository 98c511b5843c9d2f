import type { OrderRow, OrdersQuery } from '@rocchetto/contract';
import { foldText, type Leads } from '@rocchetto/core';
import { likeSafe } from '../../db/like.ts';
import type { Db } from '../../db/pool.ts';
import { ROW, ROW_JOIN } from '../../records/orders.ts';

/** How many orders a page of the list holds. */
export const PAGE = 50;
/** Among how many of the nearest orders a word is looked for before the index of words is asked. */
const NEAREST = 2000;
const DUE = `coalesce(o.due_on, 'infinity'::date)`;

interface Asked extends OrdersQuery {
  /** the one who asks, for "mine" */
  readonly me: number;
  /** the studio's day, yyyy-mm-dd */
  readonly today: string;
  /** the house's lead times, days */
  readonly leads: Leads;
}

/** A condition with its values; `?` stands for the next value. */
interface Part {
  readonly sql: string;
  readonly values: readonly unknown[];
}

/** What is neither handed over nor cancelled, however late: the words of the index `orders_open`. */
const OPEN = `o.stage not in ('handed-over', 'cancelled')`;

/** What each view keeps, as walks along an index by due date. */
function walks(q: Asked): readonly Part[] {
  switch (q.view) {
    case 'all':
      return [{ sql: 'true', values: [] }];
    case 'work':
      return [{ sql: OPEN, values: [] }];
    case 'mine':
      return [{ sql: `${OPEN} and o.responsible_id = ?`, values: [q.me] }];
    case 'week':
      return [{ sql: `${OPEN} and ${DUE} between ?::date and ?::date + 7`, values: [q.today, q.today] }];
    case 'client':
      return [{ sql: `o.stage in ('brief', 'sheet')`, values: [] }];
    case 'danger':
      return [
        {
          sql: `${OPEN} and ${DUE} <= ?::date + ${Math.max(...Object.values(q.leads))} and o.due_on <= ?::date + case o.stage ${Object.entries(
            q.leads,
          )
            .map(([stage, days]) => `when '${stage}' then ${days}`)
            .join(' ')} end`,
          values: [q.today, q.today],
        },
      ];
  }
}

/**
 * Orders by due date (none last), 50 at a time from `after` on: the ids first, by index, then only those rows
 * with their names.
 */
export async function listOrders(db: Db, q: Asked): Promise<OrderRow[]> {
  const narrow: Part[] = [];
  if (q.stage) narrow.push({ sql: 'o.stage = ?', values: [q.stage] });
  if (q.responsible) narrow.push({ sql: 'o.responsible_id = ?', values: [q.responsible] });
  if (q.afterDue !== undefined && q.afterId !== undefined)
    narrow.push({ sql: `(${DUE}, o.id) > (?::date, ?)`, values: [q.afterDue, q.afterId] });
  const word = foldText(q.q);
  return page(
    db,
    walks(q).map((w) => (word ? search([w, ...narrow], likeSafe(word)) : walk([w, ...narrow], PAGE))),
  );
}

const where = (parts: readonly Part[]): Part => ({
  sql: `from orders o where ${parts.map((p) => p.sql).join(' and ')}`,
  values: parts.flatMap((p) => p.values),
});

/** The first rows of a walk by date, by its index. */
function walk(parts: readonly Part[], most: number, columns = 'o.id, o.due_on'): Part {
  const { sql, values } = where(parts);
  return { sql: `select ${columns} ${sql} order by ${DUE}, o.id limit ${most}`, values };
}

/**
 * The first rows of a walk that hold a word. A common word is met fifty times among the nearest dates; only one
 * that is not is asked of the index of words, all of it, since the nearest of a rare word may lie anywhere. Left to
 * itself the planner takes some rare words for common ones and walks through all orders. One or two letters have no
 * index: they are looked for among the nearest only.
 */
function search(parts: readonly Part[], like: string): Part {
  const nearest = walk(parts, NEAREST, 'o.id, o.due_on, o.search');
  const near: Part = {
    sql: `select id, due_on from (${nearest.sql}) o where o.search like '%' || ? || '%'`,
    values: [...nearest.values, like],
  };
  if (like.length < 3) return near;
  const all = where([...parts, { sql: `o.search like '%' || ? || '%'`, values: [like] }]);
  return {
    sql: `with near as materialized (${near.sql}),
      few as (select count(*) < ${PAGE} as so from near),
      anywhere as materialized (select o.id, o.due_on ${all.sql} and (select so from few))
      select id, due_on from near where not (select so from few) union all select id, due_on from anywhere`,
    values: [...near.values, ...all.values],
  };
}

/** The first page of several walks together, as rows with their names. */
async function page(db: Db, found: readonly Part[]): Promise<OrderRow[]> {
  let n = 0;
  const union = found
    .map((p) => `(${p.sql})`)
    .join(' union all ')
    .replace(/\?/g, () => `$${++n}`);
  const { rows: ids } = await db.query<{ id: number }>(
    `select id from (${union}) o order by ${DUE}, o.id limit ${PAGE}`,
    found.flatMap((p) => p.values) as unknown[],
  );
  if (ids.length === 0) return [];
  const { rows } = await db.query<OrderRow>({
    name: 'orders-by-id',
    text: `select ${ROW} from orders o ${ROW_JOIN} where o.id = any($1) order by ${DUE}, o.id`,
    values: [ids.map((r) => r.id)],
  });
  return rows;
}
