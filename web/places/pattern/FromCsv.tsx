import type { ChartColumnWire, ChartRead } from '@rocchetto/contract/compare.ts';
import { MEASURES } from '@rocchetto/core';
import { useState } from 'react';
import { useReadChartTextMutation } from '../../api/charts.ts';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { Problem } from '../../shared/Problem.tsx';

const OPTIONS = [
  { value: 'leave', label: 'left out' },
  { value: 'size', label: 'size' },
  { value: 'cup', label: 'cup' },
  ...MEASURES.map((m) => ({ value: m.id, label: m.name })),
];
const optionOf = (c: ChartColumnWire) => (c.is === 'measure' ? c.id : c.is);

/** A chart read from a table program's file, its columns mapped by a hand where the guess is wrong, to be looked over below. */
export function FromCsv({ onRead }: { onRead: (read: ChartRead) => void }) {
  const [read, { error, isLoading }] = useReadChartTextMutation();
  const [{ text, columns }, set] = useState<{ text: string; columns: ChartRead['columns'] }>({
    text: '',
    columns: [],
  });
  const take = async (next: string, mapped?: readonly ChartColumnWire[]) => {
    const done = await read(mapped ? { text: next, columns: [...mapped] } : { text: next });
    if (!('data' in done) || !done.data) return;
    set({ text: next, columns: done.data.columns });
    onRead(done.data);
  };
  const map = (i: number, column: ChartColumnWire) =>
    void take(
      text,
      columns.map((c, k) => (k === i ? column : c.column)),
    );
  return (
    <>
      <Problem error={error} />
      <p className="row">
        <span className="picturefield">
          <input
            id="chart-file"
            type="file"
            accept=".csv,.txt,.tsv,text/csv"
            disabled={isLoading}
            onChange={async (e) => {
              const file = e.target.files?.[0];
              if (file) await take(await file.text());
            }}
          />
          <label htmlFor="chart-file" className="plain">
            Fill from CSV file
          </label>
        </span>
        <span className="soft">Sizes down or across; ranges and blanks are read as they stand.</span>
      </p>
      {columns.length > 0 && (
        <details open={columns.some((c) => c.column.is === 'leave' && c.head.trim() !== '')}>
          <summary>Columns of the file</summary>
          <ul className="bare mapped">
            {columns.map(({ head, column }, i) => (
              <li key={`${i} ${head}`} className="row">
                <span>{head || `column ${i + 1}`}</span>
                <ChoiceByTyping
                  aria-label={`What ${head || `column ${i + 1}`} holds`}
                  style={{ width: 240 }}
                  value={optionOf(column)}
                  disabled={isLoading}
                  options={OPTIONS}
                  onChange={(value) =>
                    map(
                      i,
                      value === 'leave' || value === 'size' || value === 'cup'
                        ? { is: value }
                        : { is: 'measure', id: value, unit: unitIn(columns, column), half: false },
                    )
                  }
                />
                {column.is === 'measure' && (
                  <>
                    <label>
                      <input
                        type="checkbox"
                        checked={column.half}
                        disabled={isLoading}
                        onChange={(e) => map(i, { ...column, half: e.target.checked })}
                      />{' '}
                      halves, taken twice
                    </label>
                    <label>
                      <input
                        type="checkbox"
                        checked={column.unit === 'in'}
                        disabled={isLoading}
                        onChange={(e) => map(i, { ...column, unit: e.target.checked ? 'in' : 'cm' })}
                      />{' '}
                      in inches
                    </label>
                  </>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

/** The unit of a column that is mapped now: its own, else that of the others. */
const unitIn = (columns: ChartRead['columns'], own: ChartColumnWire): 'cm' | 'in' =>
  own.is === 'measure'
    ? own.unit
    : (columns.flatMap(({ column }) => (column.is === 'measure' ? [column.unit] : []))[0] ?? 'cm');
