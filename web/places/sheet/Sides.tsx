import type { PrintedSheet } from '@rocchetto/core';
import { Ledger } from '../../shared/pieces.tsx';

/** What is not alike on the panels of both sides, measured on each. */
export default function Sides({ rows }: { readonly rows: NonNullable<PrintedSheet['sides']> }) {
  return (
    <section aria-labelledby="sides-head">
      <h2 id="sides-head">Left and right</h2>
      <p className="soft">Measured on the panels of each side. Where one is not listed, both are alike.</p>
      <Ledger className="figures">
        <thead>
          <tr>
            <th scope="col">where</th>
            <th scope="col">right</th>
            <th scope="col">left</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.name}>
              <td>{r.name}</td>
              <td>{r.right}</td>
              <td>{r.left}</td>
            </tr>
          ))}
        </tbody>
      </Ledger>
    </section>
  );
}
