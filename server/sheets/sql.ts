import type { HouseWire, SpecFile } from '@rocchetto/contract';
import type { Sheet } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';

/** What a fitter decided about a sheet, beside brief and readings. */
export interface Settings {
  readonly house: HouseWire;
  readonly overrides: readonly (SpecFile['overrides'][number] & { readonly id: string })[];
  readonly accepted: SpecFile['accepted'];
  /** the session the sheet is made from; null takes the order's latest */
  readonly sessionId: string | null;
}

export interface SheetRecord {
  readonly revision: number;
  readonly status: 'draft' | 'agreed' | 'cut';
  readonly version: number;
  readonly settings: Settings;
  readonly spec: SpecFile | null;
  /** the sheet as it was computed when it was agreed */
  readonly kept: Sheet | null;
  readonly agreedBy: string | null;
  readonly agreedName: string | null;
  readonly agreedAt: Date | null;
  readonly cutBy: string | null;
  readonly cutAt: Date | null;
}

const COLUMNS = `s.revision, s.status, s.version, s.settings, s.spec, s.kept, a.name as "agreedBy", s.agreed_name as "agreedName",
  s.agreed_at as "agreedAt", k.name as "cutBy", s.cut_at as "cutAt"`;
const FROM = 'from sheet s left join staff a on a.id = s.agreed_by left join staff k on k.id = s.cut_by';

/** One revision of an order's sheet, or the newest when `revision` is null. */
export async function readSheet(
  db: Db,
  orderId: number,
  revision: number | null,
): Promise<SheetRecord | undefined> {
  const { rows } = await db.query<SheetRecord>(
    `select ${COLUMNS} ${FROM} where s.order_id = $1 and ($2::int is null or s.revision = $2) order by s.revision desc limit 1`,
    [orderId, revision],
  );
  return rows[0];
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
  kept: Sheet,
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

export async function readHouse(db: Db): Promise<{ studio: string; rules: HouseWire }> {
  return (await db.query<{ studio: string; rules: HouseWire }>('select studio, rules from house')).rows[0]!;
}
