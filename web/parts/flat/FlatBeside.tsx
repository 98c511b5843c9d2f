import type { SheetUnit } from '@rocchetto/core';
import { Link } from 'react-router';
import { useFlatQuery } from '../../api/flat.ts';
import { FlatTable } from './FlatTable.tsx';

/** On the sheet: what was laid flat last beside it, as far as it was read. */
export function FlatBeside({ orderId, unit }: { orderId: number; unit: SheetUnit }) {
  const { data } = useFlatQuery(orderId);
  const lay = data?.find((l) => l.rows.some((r) => r.written));
  if (!lay) return null;
  return (
    <section aria-label="Measured flat for comparison">
      <h2>Measured flat for comparison</h2>
      <p className="soft">
        {lay.of}
        {lay.words && `, ${lay.words}`}.{' '}
        <Link to={`/orders/${orderId}/flat?lay=${lay.id}`}>Measure more points</Link>
      </p>
      {lay.says.map((s) => (
        <p key={s} className="notice">
          {s}
        </p>
      ))}
      <FlatTable lay={lay} unit={unit} readOnly />
    </section>
  );
}
