import { sentencesOf } from '@rocchetto/contract';
import { type ChartColumnWire, ChartFile, type ChartRead } from '@rocchetto/contract/compare.ts';
import { MEASURES } from '@rocchetto/core';
import { useState } from 'react';
import { useReadChartTextMutation } from '../../api/charts.ts';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { FileField, Tick } from '../../shared/pieces.tsx';

const OPTIONS = [
  { value: 'leave', label: 'left out' },
  { value: 'size', label: 'size' },
  { value: 'cup', label: 'cup' },
  ...MEASURES.map((m) => ({ value: m.id, label: m.name })),
];
const optionOf = (c: ChartColumnWire) => (c.is === 'measure' ? c.id : c.is);

/** A chart read from a table program's file, its columns mapped by a hand where the guess is wrong, to be looked over below. */
export function FromCsv({
  onRead,
  onChart,
}: {
  onRead: (read: ChartRead) => void;
  /** a chart’s own file, whole */
  onChart: (chart: ChartFile) => void;
}) {
  const [wrong, setWrong] = useState<readonly string[]>([]);
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
  const open = async (file: File) => {
    const next = await file.text();
    setWrong([]);
    if (!/^\s*\{/.test(next)) return take(next);
    const chart = ChartFile.safeParse(jsonOf(next));
    if (chart.success) onChart(chart.data);
    else setWrong(sentencesOf(chart.error));
  };
  const map = (i: number, column: ChartColumnWire) =>
    void take(
      text,
      columns.map((c, k) => (k === i ? column : c.column)),
    );
  return (
    <>
      <Problem error={error} />
      {wrong.map((s) => (
        <Notice key={s} tone="bad">
          {s}
        </Notice>
      ))}
      <p className="row">
        <span className="picturefield">
          <FileField
            id="chart-file"
            accept=".csv,.txt,.tsv,.json,text/csv,application/json"
            disabled={isLoading}
            onChange={(e) => e.target.files?.[0] && void open(e.target.files[0])}
          />
          <label htmlFor="chart-file" className="plain">
            Fill from file
          </label>
        </span>
        <span className="soft">
          CSV, sizes down or across, or a chart’s own JSON; ranges and blanks are read as they stand.
        </span>
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
                      <Tick
                        checked={column.half}
                        disabled={isLoading}
                        onChange={(e) => map(i, { ...column, half: e.target.checked })}
                      />{' '}
                      halves, taken twice
                    </label>
                    <label>
                      <Tick
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

/** What a text says as JSON; null where it is none. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
