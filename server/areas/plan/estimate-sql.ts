import {
  EstimateChoices,
  type KeptEstimate,
  StoredEstimate,
  type StoredEstimate as StoredEstimateType,
  stored,
} from '@rocchetto/contract';
import { movedBetween } from '@rocchetto/core/estimate/moved.ts';
import type { Db, Tx } from '../../db/pool.ts';

/** What a hand wrote for the estimate of an order, with its version; 0 where nobody wrote anything. */
export async function estimateChoices(
  db: Db,
  orderId: number,
): Promise<{ readonly version: number; readonly choices: EstimateChoices | null }> {
  const { rows } = await db.query<{ version: number; choices: unknown }>({
    name: 'estimate-choices',
    text: 'select version, choices from order_estimate where order_id = $1',
    values: [orderId],
  });
  const [row] = rows;
  return row
    ? { version: row.version, choices: stored(EstimateChoices, 'Estimate', row.choices) }
    : { version: 0, choices: null };
}

export async function keepEstimateChoices(
  tx: Tx,
  orderId: number,
  choices: EstimateChoices,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ version: number }>(
    `insert into order_estimate (order_id, choices, changed_by, changed_at) values ($1, $2, $3, $4)
     on conflict (order_id) do update set choices = $2, changed_by = $3, changed_at = $4, version = order_estimate.version + 1
     returning version`,
    [orderId, JSON.stringify(choices), by, at],
  );
  return rows[0]!.version;
}

interface Row {
  readonly id: number;
  readonly revision: number;
  readonly made: unknown;
  readonly at: Date;
  readonly by: string;
  readonly agreedAt: Date | null;
  readonly agreedBy: string | null;
  readonly agreedName: string;
  readonly goneAt: Date | null;
  readonly goneBy: string | null;
  readonly reason: string;
}

/** The estimates of an order that were kept, newest first, each with what moved since the one before it. */
export async function keptEstimates(db: Db, orderId: number): Promise<KeptEstimate[]> {
  const { rows } = await db.query<Row>({
    name: 'estimates-kept',
    text: `select k.id, k.revision, k.made, k.at, s.name as by, k.agreed_at as "agreedAt", a.name as "agreedBy", k.agreed_name as "agreedName",
        k.gone_at as "goneAt", g.name as "goneBy", k.reason
       from estimate_kept k join staff s on s.id = k.by left join staff a on a.id = k.agreed_by left join staff g on g.id = k.gone_by
      where k.order_id = $1 order by k.revision desc limit 60`,
    values: [orderId],
  });
  const all = rows.map((r) => ({ r, made: stored(StoredEstimate, 'Estimate', r.made) }));
  return all.map(({ r, made: { version: _, ...made } }, i) => {
    const before = all[i + 1]?.made.estimate;
    return {
      id: r.id,
      revision: r.revision,
      ...made,
      state: r.goneAt ? (r.reason === '' ? 'replaced' : 'withdrawn') : r.agreedAt ? 'agreed' : 'kept',
      kept: { at: r.at.toISOString(), by: r.by },
      agreed: r.agreedAt ? { at: r.agreedAt.toISOString(), by: r.agreedBy!, name: r.agreedName } : null,
      gone: r.goneAt ? { at: r.goneAt.toISOString(), by: r.goneBy!, reason: r.reason } : null,
      moved: before ? movedBetween(before, made.estimate) : [],
    };
  });
}

/** Keeps an estimate as the order’s next revision. The order’s row is held by the caller. */
export async function keepEstimate(
  tx: Tx,
  orderId: number,
  made: StoredEstimateType,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into estimate_kept (order_id, revision, made, by, at)
     select $1, coalesce(max(revision), 0) + 1, $2, $3, $4 from estimate_kept where order_id = $1 returning id`,
    [orderId, JSON.stringify(made), by, at],
  );
  return rows[0]!.id;
}

/** The order whose estimate it is; undefined where there is no such one. */
export async function orderOfEstimate(
  tx: Tx,
  id: number,
): Promise<{ readonly orderId: number; readonly revision: number } | undefined> {
  const { rows } = await tx.query<{ orderId: number; revision: number }>(
    'select order_id as "orderId", revision from estimate_kept where id = $1',
    [id],
  );
  return rows[0];
}

/** Agrees one and replaces the one that was agreed before; false where it is agreed or gone already. */
export async function agreeEstimate(
  tx: Tx,
  id: number,
  orderId: number,
  name: string,
  by: number,
  at: Date,
): Promise<boolean> {
  await tx.query(
    `update estimate_kept set gone_at = $3, gone_by = $4 where order_id = $1 and id <> $2 and agreed_at is not null and gone_at is null
       and exists (select 1 from estimate_kept k where k.id = $2 and k.agreed_at is null and k.gone_at is null)`,
    [orderId, id, at, by],
  );
  const { rowCount } = await tx.query(
    `update estimate_kept set agreed_at = $2, agreed_by = $3, agreed_name = $4 where id = $1 and agreed_at is null and gone_at is null`,
    [id, at, by, name],
  );
  return rowCount === 1;
}

export async function withdrawEstimate(
  tx: Tx,
  id: number,
  reason: string,
  by: number,
  at: Date,
): Promise<boolean> {
  const { rowCount } = await tx.query(
    'update estimate_kept set gone_at = $2, gone_by = $3, reason = $4 where id = $1 and gone_at is null',
    [id, at, by, reason],
  );
  return rowCount === 1;
}
