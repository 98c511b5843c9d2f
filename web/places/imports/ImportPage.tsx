import { useDays, useMe } from '../../shared/me.ts';
import { ActionButton, FileField, Ledger, SelectField, Tick } from '../../shared/pieces.tsx';
import '../../parts/pictures/pictures.css';
import './imports.css';
import type { ImportReport, ImportView } from '@rocchetto/contract';
import { ENCODINGS } from '@rocchetto/contract/imports.ts';
import { CARD_FIELDS, type Column, MEASURES, measure, printWritten, WAYS } from '@rocchetto/core';
import { useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { csrfToken } from '../../api/base.ts';
import { useImportFileQuery, useMapImportMutation, useTakeImportMutation } from '../../api/imports.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';

/** The old book: a CSV file of any layout, mapped once, looked at row by row, taken whole or not at all. */
export function Component() {
  const [params, setParams] = useSearchParams();
  const id = Number(params.get('i')) || null;
  return (
    <Place
      title="Import clients"
      margin={
        <section>
          <h2>How it works</h2>
          <p className="soft">
            The first line names the columns. Each row is one client, or one measuring session: a name, a
            date, and the measurements as written. Imported measurements keep their unit and are marked
            “carried over”. Importing the same row again changes nothing.
          </p>
          <Link to="/clients">Clients</Link>
        </section>
      }
    >
      <h1>Import clients</h1>
      <Upload onRead={(n) => setParams({ i: String(n) }, { replace: true })} again={id !== null} />
      {id !== null && <File key={id} id={id} />}
    </Place>
  );
}

function Upload({ onRead, again }: { onRead: (id: number) => void; again: boolean }) {
  const [says, setSays] = useState('');
  const [busy, setBusy] = useState(false);
  const send = async (file: File) => {
    setBusy(true);
    setSays('');
    try {
      const res = await fetch(`/api/imports?${new URLSearchParams({ name: file.name.slice(0, 200) })}`, {
        method: 'POST',
        headers: { 'x-csrf-token': csrfToken(), 'content-type': 'text/csv' },
        body: file,
      });
      const answer = (await res.json().catch(() => ({}))) as { id?: number; detail?: string };
      if (res.ok && answer.id) onRead(answer.id);
      else setSays(`${file.name}: ${answer.detail ?? 'It was refused. Nothing was saved.'}`);
    } catch {
      setSays(`${file.name} could not be sent: can’t reach the server. Choose it again.`);
    }
    setBusy(false);
  };
  return (
    <>
      {says && <Notice tone="bad">{says}</Notice>}
      <p className="row">
        <span className="picturefield">
          <FileField
            id="old-book"
            accept=".csv,.txt,.tsv,text/csv"
            disabled={busy}
            onChange={(e) => e.target.files?.[0] && void send(e.target.files[0])}
          />
          <label htmlFor="old-book" className="plain">
            {again ? 'Another CSV file' : 'CSV file'}
          </label>
        </span>
        {busy && <span role="status">Reading …</span>}
      </p>
    </>
  );
}

function File({ id }: { id: number }) {
  const [poll, setPoll] = useState(0);
  const [params, setParams] = useSearchParams();
  const from = Number(params.get('from')) || 0;
  const { data, error, refetch } = useImportFileQuery({ id, from }, { pollingInterval: poll });
  const look = (row: number) =>
    setParams({ i: String(id), ...(row > 0 ? { from: String(row) } : {}) }, { replace: true });
  if (!data)
    return error ? <Problem error={error} again={refetch} /> : <p role="status">Reading the file …</p>;
  const wanted = data.state === 'taking' ? 700 : 0;
  if (poll !== wanted) setPoll(wanted);
  return (
    <>
      <h2>{data.name || 'The file'}</h2>
      {data.state === 'taking' && (
        <p>
          <label>
            Importing row {data.done} of {data.rows}{' '}
            <progress value={data.done} max={data.rows} aria-label="Progress" />
          </label>
        </p>
      )}
      {data.report && <Report report={data.report} />}
      {(data.state === 'open' || data.state === 'failed') && (
        <Open key={data.headers.join()} view={data} from={from} onLook={look} again={() => void refetch()} />
      )}
    </>
  );
}

interface Reading {
  readonly columns: readonly Column[];
  readonly leave: readonly number[];
  readonly encoding: ImportView['encoding'];
}

/** A file that is still to be taken: its columns, the button, its rows. */
function Open({
  view,
  from,
  onLook,
  again,
}: {
  view: ImportView;
  from: number;
  onLook: (row: number) => void;
  again: () => void;
}) {
  const [map, { error }] = useMapImportMutation();
  const [take, taking] = useTakeImportMutation();
  // What a hand has chosen stands at once; the answer to an earlier choice does not undo a later one.
  const [reading, setReading] = useState<Reading>(view);
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const send = (more: Partial<Reading>) => {
    const { columns, leave, encoding } = { ...reading, ...more };
    const next = { columns, leave, encoding };
    setReading(next);
    line.current = line.current.then(() => map({ id: view.id, ...next, from }));
  };
  return (
    <>
      <Problem error={error} />
      <Mapping view={view} reading={reading} send={send} />
      {view.says && <Notice>{view.says}</Notice>}
      <Problem error={taking.error} />
      <div className="row acts">
        <ActionButton
          look="take"
          disabled={view.says !== '' || taking.isLoading}
          onClick={async () => {
            // Not before the last choice has arrived.
            await line.current;
            await take(view.id);
            again();
          }}
        >
          Import {view.rows - reading.leave.length} rows
        </ActionButton>
      </div>
      <Preview
        view={view}
        from={from}
        onLook={onLook}
        leave={reading.leave}
        onLeave={(leave) => send({ leave })}
      />
    </>
  );
}

/** Each column: its header, what it holds, and for figures the unit and the share of those that say none. */
function Mapping({
  view,
  reading: { columns, encoding },
  send,
}: {
  view: ImportView;
  reading: Reading;
  send: (more: Partial<Reading>) => void;
}) {
  const { unit } = useMe();
  const set = (i: number, column: Column) => send({ columns: columns.map((c, n) => (n === i ? column : c)) });
  const keyOf = (c: Column) => (c.is === 'measure' ? `m ${c.id}` : c.is);
  const columnOf = (key: string, before: Column): Column =>
    key.startsWith('m ')
      ? {
          is: 'measure',
          id: key.slice(2),
          unit: before.is === 'measure' ? before.unit : unit,
          way: before.is === 'measure' ? before.way : 'whole',
        }
      : ({ is: key } as Column);
  return (
    <>
      <p className="row">
        <span className="soft">
          {view.headers.length} columns, separated by{' '}
          {view.delimiter === '\t' ? 'tabs' : view.delimiter === ';' ? 'semicolons' : `“${view.delimiter}”`}
        </span>
        <label htmlFor="encoding">Encoding</label>
        <SelectField
          id="encoding"
          value={encoding}
          onChange={(e) => send({ encoding: e.target.value as ImportView['encoding'] })}
        >
          {ENCODINGS.map((e) => (
            <option key={e} value={e}>
              {e}
            </option>
          ))}
        </SelectField>
      </p>
      <div className="scroll">
        <Ledger>
          <thead>
            <tr>
              <th scope="col">Column</th>
              <th scope="col">contains</th>
              <th scope="col">unit if none is written</th>
              <th scope="col">measured as</th>
            </tr>
          </thead>
          <tbody>
            {view.headers.map((h, i) => {
              const c = columns[i] ?? { is: 'leave' as const };
              const name = h || `column ${i + 1}`;
              return (
                <tr key={`${i} ${h}`}>
                  <td>{name}</td>
                  <td>
                    <SelectField
                      aria-label={`${name} contains`}
                      value={keyOf(c)}
                      onChange={(e) => set(i, columnOf(e.target.value, c))}
                    >
                      <option value="leave">not imported</option>
                      {CARD_FIELDS.map((f) => (
                        <option key={f} value={f}>
                          the {f === 'date' ? 'date of measuring' : f}
                        </option>
                      ))}
                      {MEASURES.map((m) => (
                        <option key={m.id} value={`m ${m.id}`}>
                          {m.name}
                        </option>
                      ))}
                    </SelectField>
                  </td>
                  <td>
                    {c.is === 'measure' && (
                      <SelectField
                        aria-label={`Unit of ${name}`}
                        value={c.unit}
                        onChange={(e) => set(i, { ...c, unit: e.target.value as 'cm' | 'in' })}
                      >
                        <option value="cm">centimetres</option>
                        <option value="in">inches</option>
                      </SelectField>
                    )}
                  </td>
                  <td>
                    {c.is === 'measure' && measure(c.id).kind === 'girth' && (
                      <SelectField
                        aria-label={`Share of ${name}`}
                        value={c.way}
                        onChange={(e) => set(i, { ...c, way: e.target.value as (typeof WAYS)[number] })}
                      >
                        {WAYS.map((w) => (
                          <option key={w} value={w}>
                            {w}
                          </option>
                        ))}
                      </SelectField>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </Ledger>
      </div>
    </>
  );
}

const PAGE = 60;

function Preview({
  view,
  from,
  onLook,
  leave,
  onLeave,
}: {
  view: ImportView;
  from: number;
  onLook: (row: number) => void;
  leave: readonly number[];
  onLeave: (leave: readonly number[]) => void;
}) {
  const { long } = useDays();
  const left = new Set(leave);
  const set = (row: number, stays: boolean) =>
    onLeave(stays ? leave.filter((r) => r !== row) : [...leave, row]);
  return (
    <section aria-label="First rows">
      <h2>{from === 0 ? 'First rows' : `Rows from ${from + 2}`}</h2>
      <ul className="why rows">
        {view.preview.map(({ row, read }) => (
          <li key={row} className={left.has(row) ? 'left' : undefined}>
            <label>
              <Tick
                checked={!left.has(row)}
                onChange={(e) => set(row, e.target.checked)}
                aria-label={`Import row ${row}, ${read.name || 'without a name'}`}
              />{' '}
              <span className="soft">{row}</span>{' '}
              <span>
                <strong>{read.name || '—'}</strong>
                {read.date && ','}
              </span>
            </label>
            {read.date && ` ${long(read.date)}`}
            {read.readings.length > 0 &&
              `: ${read.readings
                .map(
                  (r) =>
                    `${measure(r.measure).name} ${printWritten(r.written)}${r.way === 'whole' ? '' : ` (${r.way})`}`,
                )
                .join(', ')}`}
            {[read.refused, ...read.left].filter(Boolean).map((s) => (
              <div key={s} className="tight">
                {s}
              </div>
            ))}
            {read.doubts.map((s) => (
              <div key={s} className="pending">
                {s}
              </div>
            ))}
          </li>
        ))}
      </ul>
      {view.rows > PAGE && (
        <p className="row">
          {from > 0 && (
            <ActionButton look="quiet" className="tall" onClick={() => onLook(Math.max(0, from - PAGE))}>
              Previous rows
            </ActionButton>
          )}
          {from + PAGE < view.rows && (
            <ActionButton look="quiet" className="tall" onClick={() => onLook(from + PAGE)}>
              Next rows
            </ActionButton>
          )}
          <span className="soft">
            {from + 2} to {Math.min(view.rows, from + PAGE) + 1} of {view.rows + 1}; anything left out is
            listed after the import.
          </span>
        </p>
      )}
    </section>
  );
}

function Report({ report }: { report: ImportReport }) {
  if (report.failed) return <Notice tone="bad">{report.failed}</Notice>;
  return (
    <section aria-label="Result">
      <p role="status">
        {report.taken} rows imported: {report.clients} new clients, {report.readings} measurements.
        {report.already > 0 && ` ${report.already} were already there.`}
      </p>
      {report.left.length > 0 && (
        <>
          <h2>Left out</h2>
          <ul className="why">
            {report.left.map((l) => (
              <li key={`${l.row} ${l.says}`}>
                <span className="soft">{l.row}</span> {l.says}
              </li>
            ))}
          </ul>
          {report.untold > 0 && <p className="soft">and {report.untold} more, not listed here</p>}
        </>
      )}
    </section>
  );
}
