import { randomUUID } from 'node:crypto';
import { addFlatLay, addFlatReadings } from '@rocchetto/server/areas/flat/sql.ts';
import type { Tx } from '@rocchetto/server/db/pool.ts';
import type { SignedIn } from '@rocchetto/server/http/context.ts';

/** A toile that lay flat beside its dress: a little wide across the chest, the rest as drawn. */
const TOILE = {
  'side-neck-length': '111.5 cm',
  'half-chest': '60.5 cm',
  'half-waist': '50 cm',
  'half-hip': '62 cm',
  shoulder: '12 cm',
  armhole: '18.5 cm',
};

export async function seedFlat(tx: Tx, staff: readonly SignedIn[], now: Date) {
  const { rows } = await tx.query<{ id: number }>(`select id from orders where number = '26-015'`);
  const { id: by } = staff[1]!;
  const lay = await addFlatLay(
    tx,
    rows[0]!.id,
    { of: 'toile', cut: 'set-in', words: 'first toile', tolerance: null },
    by,
    now,
  );
  const readings = Object.entries(TOILE).map(([point, written]) => ({ id: randomUUID(), point, written }));
  await addFlatReadings(tx, lay, readings, by, now);
}
