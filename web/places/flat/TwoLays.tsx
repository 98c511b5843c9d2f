import type { FlatView } from '@rocchetto/contract';
import { printLength, printSigned, readLength, type SheetUnit } from '@rocchetto/core';
import { betweenLays } from '@rocchetto/core/compare/two-lays.ts';
import { Ledger } from '../../shared/pieces.tsx';

/** Two pieces of one cut side by side, point by point: whether the one passes beside the other. */
export function TwoLays({ one, other, unit }: { one: FlatView; other: FlatView; unit: SheetUnit }) {
  const own = one.tolerance === null ? null : readLength(one.tolerance, 'cm', true);
  const rows = betweenLays(one.rows, other.rows, own?.ok ? own.cm : null);
  const out = rows.filter((r) => !r.within).length;
  const called = (l: FlatView) => `${l.of}${l.words && `, ${l.words}`}`;
  return (
    <section aria-label="Two pieces side by side">
      <h2>Side by side</h2>
      {rows.length === 0 ? (
        <p className="soft">No point was read of both. Read the same points of each.</p>
      ) : (
        <>
          <p role="status">
            {out === 0
              ? `All ${rows.length} points read of both pass.`
              : `${out} of ${rows.length} points read of both do not pass.`}
          </p>
          <Ledger className="figures flat">
            <thead>
              <tr>
                <th scope="col">Point, in {unit === 'cm' ? 'centimetres' : 'inches'}</th>
                <th scope="col">{called(one)}</th>
                <th scope="col">{called(other)}</th>
                <th scope="col">difference</th>
                <th scope="col">all round</th>
                <th scope="col">passes</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.point.id}>
                  <th scope="row">{r.point.name}</th>
                  <td>{printLength(r.one, unit)}</td>
                  <td>{printLength(r.other, unit)}</td>
                  <td>{printSigned(r.differs, unit)}</td>
                  <td>{r.whole === null ? '' : printSigned(r.whole, unit)}</td>
                  <td>
                    <span className={r.within ? 'agreed' : 'tight'}>
                      {r.within ? 'yes' : 'no'}, {printLength(r.tolerance, unit)} allowed
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </Ledger>
        </>
      )}
    </section>
  );
}
