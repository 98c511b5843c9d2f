import { RadioMark, TextField } from '../../shared/pieces.tsx';
import '../../parts/pictures/pictures.css';
import type { ChartFileWrite, KeptChart } from '@rocchetto/contract/compare.ts';
import { findMeasure, MEASURES, type SheetUnit } from '@rocchetto/core';
import { useState } from 'react';
import { useAddChartMutation, useChangeChartMutation, useDropChartMutation } from '../../api/charts.ts';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { FormFoot } from '../../shared/FormFoot.tsx';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ChartGrid, type GridRow } from './ChartGrid.tsx';
import { FromCsv } from './FromCsv.tsx';

interface Props {
  /** null for a new one */
  readonly chart: KeptChart | null;
  /** the chart that is to be looked at now; null for the one before */
  readonly onClose: (id: number | null) => void;
}
const EMPTY: GridRow = { size: '', cup: '', at: {} };
const rowsOf = (of: KeptChart | null): readonly GridRow[] =>
  of
    ? of.chart.sizes.map((s) => ({ size: s.size, cup: s.cup ?? '', at: s.at }))
    : Array.from({ length: 5 }, () => EMPTY);

/** A size chart, typed in at the table or read from a CSV file and looked over. */
export function ChartForm({ chart: of, onClose }: Props) {
  const me = useMe();
  const [name, setName] = useState(of?.chart.name ?? '');
  const [is, setIs] = useState<'body' | 'finished' | 'lengths'>(of?.chart.of ?? 'body');
  const [unit, setUnit] = useState<SheetUnit>(of?.chart.unit ?? me.unit);
  const [allowance, setAllowance] = useState(of?.chart.allowance ?? '0');
  const [measures, setMeasures] = useState<readonly string[]>(
    of
      ? [...new Set(of.chart.sizes.flatMap((s) => Object.keys(s.at)))].sort(inOrder)
      : ['bust', 'waist', 'hip'],
  );
  const [rows, setRows] = useState(rowsOf(of));
  const [ease, setEase] = useState<Readonly<Record<string, string>>>(of?.chart.ease ?? {});
  const [left, setLeft] = useState<readonly string[]>([]);
  const [add, adding] = useAddChartMutation();
  const [change, changing] = useChangeChartMutation();
  const [drop, dropping] = useDropChartMutation();
  const busy = adding.isLoading || changing.isLoading || dropping.isLoading;
  const filled = rows.filter((r) => r.size.trim() !== '');
  const chart: ChartFileWrite = {
    name,
    of: is,
    unit,
    allowance: is !== 'body' ? allowance.trim() || '0' : '0',
    ease: is === 'body' ? only(measures, ease) : {},
    sizes: filled.map((r) => ({
      size: r.size.trim(),
      cup: r.cup.trim() || null,
      at: only(measures, r.at),
    })),
  };
  const save = async () => {
    const done = of ? await change({ id: of.id, version: of.version, chart }) : await add(chart);
    if ('data' in done && done.data) onClose(done.data.id);
  };
  return (
    <form
      className="slip chartform"
      aria-label={of ? `Size chart ${of.chart.name}` : 'New size chart'}
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <Problem error={adding.error ?? changing.error ?? dropping.error} />
      <label htmlFor="chart-name">Name of the chart</label>
      <TextField
        id="chart-name"
        value={name}
        maxLength={80}
        placeholder="e.g. shirt dress pattern, finished"
        onChange={(e) => setName(e.target.value)}
      />
      <fieldset>
        <legend>Its figures are</legend>
        <label>
          <RadioMark name="of" checked={is === 'body'} onChange={() => setIs('body')} /> the body
        </label>
        <label>
          <RadioMark name="of" checked={is === 'finished'} onChange={() => setIs('finished')} /> the finished
          garment
        </label>
        <label>
          <RadioMark name="of" checked={is === 'lengths'} onChange={() => setIs('lengths')} /> its lengths
          alone
        </label>
      </fieldset>
      <fieldset>
        <legend>Figures without a unit are</legend>
        {(['cm', 'in'] as const).map((u) => (
          <label key={u}>
            <RadioMark name="unit" checked={unit === u} onChange={() => setUnit(u)} />{' '}
            {u === 'cm' ? 'centimetres' : 'inches'}
          </label>
        ))}
      </fieldset>
      {is !== 'body' && (
        <>
          <label htmlFor="chart-allowance">Seam allowance that its figures contain, at each edge</label>
          <TextField id="chart-allowance" value={allowance} onChange={(e) => setAllowance(e.target.value)} />
        </>
      )}
      <FromCsv
        onRead={(read) => {
          setUnit(read.unit);
          setMeasures(read.measures);
          setRows(read.sizes.map((s) => ({ size: s.size, cup: s.cup ?? '', at: s.at })));
          setLeft(read.left);
        }}
        onChart={(chart) => {
          setName(chart.name);
          setIs(chart.of);
          setUnit(chart.unit);
          setAllowance(chart.allowance);
          setEase(chart.ease);
          setMeasures([...new Set(chart.sizes.flatMap((s) => Object.keys(s.at)))].sort(inOrder));
          setRows(chart.sizes.map((s) => ({ size: s.size, cup: s.cup ?? '', at: s.at })));
          setLeft([]);
        }}
      />
      {left.map((s) => (
        <Notice key={s}>{s}</Notice>
      ))}
      <ChartGrid
        measures={measures}
        rows={rows}
        onRows={setRows}
        onMeasures={setMeasures}
        {...(is === 'body' ? { ease, onEase: setEase } : {})}
      />
      <ChoiceByTyping
        aria-label="Add measurement"
        placeholder="Add measurement"
        style={{ width: 320 }}
        value={null}
        onChange={(id) => setMeasures([...measures, id])}
        options={MEASURES.filter((m) => !measures.includes(m.id)).map((m) => ({
          value: m.id,
          label: m.name,
        }))}
      />
      <FormFoot
        thing="chart"
        ready={name.trim() !== '' && filled.length > 0}
        busy={busy}
        onRemove={
          of
            ? async () => {
                if ('data' in (await drop(of.id))) onClose(0);
              }
            : undefined
        }
        onCancel={() => onClose(null)}
      />
    </form>
  );
}
/** Of these measurements, what was filled in. */
const only = (ids: readonly string[], of: Readonly<Record<string, string>>) =>
  Object.fromEntries(ids.flatMap((id) => (of[id]?.trim() ? [[id, of[id].trim()]] : [])));
const inOrder = (a: string, b: string) => placeOf(a) - placeOf(b);
const placeOf = (id: string) => MEASURES.indexOf(findMeasure(id)!);
