import type { PrintedSheet } from '@rocchetto/core';
import { ofCloth } from '@rocchetto/core/sheet/bundles.ts';
import { memo } from 'react';
import { Facts } from '../../shared/Facts.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { Ledger } from '../../shared/pieces.tsx';

/** What is cut, with what allowances, and what to lay ready. */
export const CutList = memo(function CutList({ printed }: { printed: PrintedSheet }) {
  return (
    <>
      <h2>Cut list</h2>
      <div className="scroll">
        <Ledger>
          <thead>
            <tr>
              <th scope="col">piece</th>
              <th scope="col">layer</th>
              <th scope="col">cut</th>
              <th scope="col">across × along, with allowances</th>
              <th scope="col">grain, note</th>
            </tr>
          </thead>
          <tbody>
            {printed.pieces.map((p) => (
              <tr key={`${p.panel}${p.layer}`}>
                <td>
                  <strong>{p.piece}</strong>
                </td>
                <td>{ofCloth(p)}</td>
                <td>{p.cut}</td>
                <td>
                  <details>
                    <summary>{p.size}</summary>
                    <span className="soft">{keepTogether(p.why)}</span>
                  </details>
                </td>
                <td className="soft">
                  {p.grain}
                  {p.note && `; ${p.note}`}
                </td>
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
      <div className="twocol">
        <div>
          <h2>Allowances</h2>
          <Facts facts={printed.allowances.map((a) => [a.name, a.text])} />
        </div>
        <div>
          <h2>Materials</h2>
          <Facts facts={printed.notions.map((n) => [n.name, n.text])} />
        </div>
      </div>
    </>
  );
});
