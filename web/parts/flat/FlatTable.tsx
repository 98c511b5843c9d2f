import { Ledger } from '../../shared/pieces.tsx';
import './flat.css';
import type { FlatView } from '@rocchetto/contract';
import { formatSentence, printLength, printSigned, printWritten, type SheetUnit } from '@rocchetto/core';
import type { FlatRow } from '@rocchetto/core/sheet/beside-flat.ts';
import { Fragment, type ReactNode } from 'react';

interface Props {
  readonly lay: FlatView;
  readonly unit: SheetUnit;
  /** what stands in the row's own column, where something is read anew */
  readonly field?: (row: FlatRow) => ReactNode;
  /** what can be done with a change, below its sentence */
  readonly acts?: (row: FlatView['rows'][number]) => ReactNode;
  /** the heads of the columns, or their rows, that a reader of paper needs only where something was read */
  readonly readOnly?: boolean;
}

/** What lies flat, point by point: as read, the body, what is wanted there, how far it differs and what to do. */
export function FlatTable({ lay, unit, field, acts, readOnly = false }: Props) {
  const rows = readOnly ? lay.rows.filter((r) => r.written) : lay.rows;
  const at = (n: FlatRow['flat']) => (n === null ? '—' : printLength(n, unit));
  return (
    <Ledger className="figures flat">
      <thead>
        <tr>
          <th scope="col">Point, in {unit === 'cm' ? 'centimetres' : 'inches'}</th>
          {field && <th scope="col">measured now</th>}
          <th scope="col">garment</th>
          <th scope="col">body</th>
          <th scope="col">ease</th>
          <th scope="col">should be</th>
          <th scope="col">difference</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <Fragment key={r.point.id}>
            <tr>
              <th scope="row">{r.point.name}</th>
              {field && <td>{field(r)}</td>}
              <td>
                {r.written ? printWritten(r.written) : '—'}
                {r.whole !== null && <span className="soft"> whole {at(r.whole)}</span>}
              </td>
              <td>{at(r.body)}</td>
              <td>{at(r.ease)}</td>
              <td>{at(r.should)}</td>
              <td>
                {r.differs !== null && (
                  <span className={r.within ? 'agreed' : 'tight'}>
                    {printSigned(r.differs, unit)} {r.within ? 'within' : 'outside'} {at(r.tolerance)}
                  </span>
                )}
              </td>
            </tr>
            {r.change && (
              <tr className="todo">
                <td colSpan={field ? 7 : 6}>
                  {formatSentence(r.change, unit)}
                  {acts?.(r)}
                </td>
              </tr>
            )}
          </Fragment>
        ))}
      </tbody>
    </Ledger>
  );
}
