import { Ledger } from '../../shared/pieces.tsx';
import './moved.css';
import { type Change, printSigned, printWithUnit, type SheetUnit } from '@rocchetto/core';

/** What moved, from what to what, and by how much. Nothing when nothing did. */
export function Moved({
  title,
  changes,
  unit,
  open = changes.length <= 6,
}: {
  title: string;
  changes: readonly Change[];
  unit: SheetUnit;
  /** whether its rows show before anybody asks; the few do */
  open?: boolean;
}) {
  if (changes.length === 0) return null;
  const show = (length: Change['before']) => (length === null ? '—' : printWithUnit(length, unit));
  return (
    <details className="notice" open={open}>
      <summary>
        {title}: {changes.length === 1 ? 'one figure' : `${changes.length} figures`}
      </summary>
      <Ledger bare className="moved">
        <tbody>
          {changes.map((c) => (
            <tr key={c.id + c.what}>
              <th scope="row">
                {c.name}, {c.what === 'front' || c.what === 'back' ? `${c.what} quarter` : c.what}
              </th>
              <td>{show(c.before)}</td>
              <td>to {show(c.after)}</td>
              <td>
                <strong>{c.by === null ? '' : printSigned(c.by, unit)}</strong>
              </td>
            </tr>
          ))}
        </tbody>
      </Ledger>
    </details>
  );
}
