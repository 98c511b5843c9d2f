import { cm, printLength, printSigned, type SheetUnit } from '@rocchetto/core';
import { Link } from 'react-router';
import { useAlterationsQuery } from '../../api/alterations.ts';
import { Ledger } from '../../shared/pieces.tsx';

interface Props {
  readonly orderId: number;
  readonly unit: SheetUnit;
}

/** What alterations have made of the garment, beside what this sheet marks: measured on the panels before and after. */
export function AsMade({ orderId, unit }: Props) {
  const { data } = useAlterationsQuery(orderId);
  const moved = (data?.points ?? []).flatMap(({ id, name, agreed, target }) =>
    agreed === null || target === null || Math.abs(target - agreed) < 0.05
      ? []
      : [{ id, name, agreed, target }],
  );
  if (moved.length === 0) return null;
  return (
    <section aria-label="The garment as altered">
      <h2>The garment as altered</h2>
      <p className="soft">
        Changes agreed at <Link to={`/orders/${orderId}/fitting`}>the fittings</Link> moved these figures. The
        sheet stays as agreed.
      </p>
      <Ledger className="figures">
        <thead>
          <tr>
            <th scope="col">Measured on the panels, in {unit === 'cm' ? 'centimetres' : 'inches'}</th>
            <th scope="col">this sheet</th>
            <th scope="col">as altered</th>
            <th scope="col">Change</th>
          </tr>
        </thead>
        <tbody>
          {moved.map((p) => (
            <tr key={p.id}>
              <td>{p.name}</td>
              <td>{printLength(cm(p.agreed), unit)}</td>
              <td>{printLength(cm(p.target), unit)}</td>
              <td>{printSigned(cm(p.target - p.agreed), unit)}</td>
            </tr>
          ))}
        </tbody>
      </Ledger>
    </section>
  );
}
