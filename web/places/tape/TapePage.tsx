import { ActionButton } from '../../shared/pieces.tsx';
import './history.css';
import type { TapeRow, WhoseTape } from '@rocchetto/contract';
import { cm, measure, printByHand } from '@rocchetto/core';
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { useWhoseTapeQuery } from '../../api/tape.ts';
import { useMay, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Practice } from './Practice.tsx';

/** Who reads what how well, from pairs of readings; and practice of two hands on one body. */
export function Component() {
  const { data, error, refetch } = useWhoseTapeQuery();
  const [practising, setPractising] = useState(false);
  const all = useMay('staff.manage');
  if (!data)
    return <Place title="Measuring accuracy" waiting={{ what: 'the pairs', error, again: refetch }} />;
  return (
    <Place
      title="Measuring accuracy"
      margin={
        <section>
          <h2>How this is worked out</h2>
          <p className="soft">
            Two readings of one measurement by the same person make a pair. The technical error is √(Σd² ÷ 2n)
            over all pairs of a measurement. The upright line is what the studio allows; left of it a person
            measures steadily. Fewer than five pairs say little and are drawn hollow.
          </p>
          <p className="soft">From the {data.sessions} newest sessions.</p>
        </section>
      }
    >
      <div className="spread">
        <h1>Measuring accuracy</h1>
        {!practising && (
          <ActionButton look="plain" onClick={() => setPractising(true)}>
            Practise in pairs
          </ActionButton>
        )}
      </div>
      {practising && <Practice onDone={() => setPractising(false)} />}
      {data.hands.length === 0 && (
        <p className="soft">
          {all
            ? 'No measurement was taken twice yet. Each person will have a line here.'
            : 'You have not measured anything twice yet. Your line will appear here.'}
        </p>
      )}
      {data.hands.map((h) => (
        <Hand key={h.name} title={h.name} rows={h.rows} />
      ))}
      <Between between={data.between} />
    </Place>
  );
}

function Between({ between }: { between: WhoseTape['between'] }) {
  if (between.length === 0) return null;
  return (
    <>
      <h2>Between two people, in practice</h2>
      {between.map((b) => (
        <Hand key={`${b.reader} ${b.second}`} title={`${b.reader} beside ${b.second}`} rows={b.rows} />
      ))}
    </>
  );
}

const W = 560;
const ROW = 26;

/** One hand: every measure a mark on its own thread, by how its error stands to what is allowed. */
function Hand({ title, rows }: { title: string; rows: readonly TapeRow[] }) {
  const { unit } = useMe();
  const x = scaleLinear()
    .domain([0, 2])
    .range([190, W - 90])
    .clamp(true);
  const height = rows.length * ROW + 24;
  const strays = rows.filter((r) => r.verdict === 'strays');
  const share = (r: TapeRow) => r.tem / (r.allowed / Math.SQRT2);
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      <p>
        {strays.length === 0
          ? 'Measures steadily where there are enough pairs.'
          : `Varies at ${strays.map((r) => measure(r.measure).name).join(', ')}.`}
      </p>
      <svg
        className="steady"
        viewBox={`0 0 ${W} ${height}`}
        role="img"
        aria-label={rows
          .map(
            (r) =>
              `${measure(r.measure).name}: ${r.pairs} pairs, error ${printByHand(cm(r.tem), unit)}, ${r.verdict}`,
          )
          .join('; ')}
      >
        <path d={`M${x(1)} 4 L${x(1)} ${height - 16}`} stroke="var(--ochre)" strokeDasharray="3 4" />
        <text x={x(1)} y={height - 3} fontSize={12} textAnchor="middle" fill="var(--soft)">
          allowed
        </text>
        {rows.map((r, i) => {
          const y = i * ROW + 16;
          const at = x(share(r));
          const few = r.verdict === 'too few';
          return (
            <g key={r.measure}>
              <text x={0} y={y + 4} fontSize={14} fill="var(--ink)">
                {measure(r.measure).name}
              </text>
              <path
                d={`M190 ${y} L${at} ${y}`}
                stroke="var(--ink)"
                strokeWidth={1}
                strokeDasharray={few ? '2 4' : undefined}
              />
              <circle
                cx={at}
                cy={y}
                r={5}
                fill={few ? 'var(--paper)' : r.verdict === 'strays' ? 'var(--thread)' : 'var(--chalk)'}
                stroke={r.verdict === 'strays' ? 'var(--thread)' : 'var(--chalk)'}
                strokeWidth={1.6}
              />
              <text x={W} y={y + 4} fontSize={13} textAnchor="end" fill="var(--soft)">
                {printByHand(cm(r.tem), unit)} · {r.relative.toFixed(1)} % · {r.pairs}{' '}
                {r.pairs === 1 ? 'pair' : 'pairs'}
              </text>
            </g>
          );
        })}
      </svg>
    </section>
  );
}
