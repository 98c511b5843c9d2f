import { findMeasure } from '@rocchetto/core';
import { ActionButton, Ledger, TextField } from '../../shared/pieces.tsx';

/** One size as it is typed. */
export interface GridRow {
  readonly size: string;
  readonly cup: string;
  readonly at: Readonly<Record<string, string>>;
}
interface Props {
  readonly measures: readonly string[];
  readonly rows: readonly GridRow[];
  readonly onRows: (rows: readonly GridRow[]) => void;
  readonly onMeasures: (measures: readonly string[]) => void;
  /** what the maker of a table of bodies laid on them, by measurement */
  readonly ease?: Readonly<Record<string, string>>;
  readonly onEase?: (ease: Readonly<Record<string, string>>) => void;
}

/** Sizes down, measurements across: every cell a text as it is written. */
export function ChartGrid({ measures, rows, onRows, onMeasures, ease = {}, onEase }: Props) {
  const set = (i: number, more: Partial<GridRow>) =>
    onRows(rows.map((r, k) => (k === i ? { ...r, ...more } : r)));
  const field = (i: number, label: string, value: string, to: (text: string) => Partial<GridRow>) => (
    <TextField
      aria-label={`${label}, row ${i + 1}`}
      value={value}
      maxLength={40}
      autoComplete="off"
      onChange={(e) => set(i, to(e.target.value))}
    />
  );
  const nameOf = (id: string) => findMeasure(id)?.name ?? id;
  return (
    <div className="scroll">
      <Ledger className="figures chartgrid">
        <thead>
          <tr>
            <th scope="col">Size</th>
            <th scope="col">Cup</th>
            {measures.map((id) => (
              <th key={id} scope="col">
                {nameOf(id)}{' '}
                <ActionButton look="quiet" onClick={() => onMeasures(measures.filter((m) => m !== id))}>
                  Remove<span className="hidden"> {nameOf(id)}</span>
                </ActionButton>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => (
            <tr key={i}>
              <td>{field(i, 'Size', r.size, (size) => ({ size }))}</td>
              <td>{field(i, 'Cup', r.cup, (cup) => ({ cup }))}</td>
              {measures.map((id) => (
                <td key={id}>
                  {field(i, nameOf(id), r.at[id] ?? '', (text) => ({ at: { ...r.at, [id]: text } }))}
                </td>
              ))}
            </tr>
          ))}
          {onEase && (
            <tr>
              <th scope="row" colSpan={2}>
                Maker’s ease, if known
              </th>
              {measures.map((id) => (
                <td key={id}>
                  <TextField
                    aria-label={`Maker’s ease at the ${nameOf(id)}`}
                    value={ease[id] ?? ''}
                    maxLength={20}
                    autoComplete="off"
                    onChange={(e) => onEase({ ...ease, [id]: e.target.value })}
                  />
                </td>
              ))}
            </tr>
          )}
        </tbody>
      </Ledger>
      <ActionButton look="quiet" onClick={() => onRows([...rows, { size: '', cup: '', at: {} }])}>
        Add size
      </ActionButton>
    </div>
  );
}
