import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { type KeyboardEvent, memo, type PointerEvent } from 'react';
import { Mark } from '../../parts/people/Mark.tsx';
import type { DayThread, Loop } from './threads.ts';

/** Where instants lie on the drawing, and how tall a thread's row is. */
export interface Measure {
  /** first and last minute that are drawn */
  readonly from: number;
  readonly to: number;
}
export const LEFT = 168;
export const WIDTH = 1240;
export const ROW = 82;
export const TOP = 30;
export const xAt = ({ from, to }: Measure, at: number) =>
  LEFT + ((at - from) / (to - from)) * (WIDTH - LEFT - 20);
export const yAt = (row: number) => TOP + row * ROW + 42;

const SIGN = {
  offered: 'offered',
  confirmed: '',
  arrived: 'here',
  done: 'done',
  cancelled: 'cancelled',
  'did-not-come': 'missed',
} as const;

/** What a hand does with a loop; the same functions for as long as the page stands, so that a move redraws no other loop. */
export interface Hands {
  readonly key: (l: Loop, e: KeyboardEvent) => void;
  readonly down: (l: Loop, e: PointerEvent) => void;
  readonly move: (e: PointerEvent) => void;
  readonly up: () => void;
  readonly pick: (id: number) => void;
}
interface Props {
  readonly thread: DayThread;
  readonly row: number;
  readonly measure: Measure;
  readonly picked: number;
  readonly hands: Hands;
  readonly clock: (at: number) => string;
}

/** One thread of the day: slack while its hand works, knots where it is kept elsewhere, a loop for each appointment. */
export const ThreadRow = memo(function ThreadRow({ thread: t, row, measure, picked, hands, clock }: Props) {
  const { from, to } = measure;
  const x = (at: number) => xAt(measure, at);
  const y = yAt(row);
  return (
    <g>
      <Mark staffId={t.mark} x={4} y={y - 14} />
      <text x={t.mark < 0 ? 4 : 30} y={y} className="whose">
        {t.name}
      </text>
      {t.bench > 0 && (
        <text x={30} y={y + 17} className="kind">
          bench {hoursWord(t.bench)}
        </text>
      )}
      <path d={`M${x(from)} ${y} H${x(to)}`} stroke="var(--edge)" strokeWidth={1} strokeDasharray="2 5" />
      {t.works.map((w) => (
        <path key={w.from} d={slack(x(w.from), x(w.to), y)} fill="none" stroke="var(--ink)" strokeWidth={2} />
      ))}
      {t.kept
        .filter((k) => k.to > from && k.from < to)
        .map((k) => (
          <path
            key={`k${k.from}`}
            d={knots(x(Math.max(from, k.from)), x(Math.min(to, k.to)), y)}
            stroke="var(--edge)"
            strokeWidth={2.5}
          >
            <title>{`${t.name} is busy elsewhere, ${clock(k.from)}–${clock(k.to)}`}</title>
          </path>
        ))}
      {t.loops.map((l, n) => {
        const { appointment: a, slot: s } = l;
        const [x1, x2] = [x(s.start), x(s.end)];
        // Words have room until the next loop begins.
        const room = (t.loops[n + 1] ? x(t.loops[n + 1]!.slot.start) : WIDTH) - x1 - 6;
        const word = SIGN[a.status];
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button cannot be drawn inside an SVG
          <g
            key={s.id}
            role="button"
            tabIndex={0}
            className={`loop is-${a.status}${picked === a.id ? ' picked' : ''}`}
            aria-pressed={picked === a.id}
            aria-label={`${s.from} to ${s.to}, ${a.kindName}, ${a.clientName}, with ${t.name}${word ? `, ${word}` : ''}`}
            onKeyDown={(e) => hands.key(l, e)}
            onPointerDown={(e) => hands.down(l, e)}
            onPointerMove={hands.move}
            onPointerUp={hands.up}
            onClick={() => hands.pick(a.id)}
          >
            <title>{`${s.from}–${s.to} ${a.clientName}, ${a.kindName}`}</title>
            <rect x={x1} y={y - 42} width={x2 - x1} height={80} fill="transparent" />
            <path className="cord" d={loopPath(x1, x2, y)} />
            {a.status === 'did-not-come' && (
              <path d={`M${x1 + 4} ${y - 26} L${x2 - 4} ${y - 6}`} stroke="var(--ink)" strokeWidth={2} />
            )}
            {a.buffer > 0 && (
              <path
                d={`M${x2} ${y} H${x(s.end + a.buffer)}`}
                stroke="var(--chalk)"
                strokeWidth={4}
                strokeDasharray="2 3"
              />
            )}
            <text x={(x1 + x2) / 2} y={y - 16} textAnchor="middle">
              {s.from}
            </text>
            <text x={x1 - 4} y={y + 20} className="client">
              {fit(a.clientName, room)}
            </text>
            <text x={x1 - 4} y={y + 35} className="kind">
              {fit([a.kindName, word].filter(Boolean).join(', '), room)}
            </text>
          </g>
        );
      })}
    </g>
  );
});

/** A cord that is laid in a loop over the time it is kept: in from the left, round, and out to the right. */
export function loopPath(x1: number, x2: number, y: number): string {
  const mid = (x1 + x2) / 2;
  return `M${x1 - 8} ${y} C${x1 + 4} ${y + 3} ${mid} ${y + 8} ${x2 - 8} ${y - 4} C${x2 + 4} ${y - 12} ${x2 + 2} ${y - 40} ${x2 - 12} ${y - 40} H${x1 + 12} C${x1 - 2} ${y - 40} ${x1 - 4} ${y - 12} ${x1 + 8} ${y - 4} C${mid} ${y + 8} ${x2 - 4} ${y + 3} ${x2 + 8} ${y}`;
}

/** Thread that hangs a little where nothing is on it. */
function slack(x1: number, x2: number, y: number): string {
  const waves = Math.max(1, Math.round((x2 - x1) / 120));
  const step = (x2 - x1) / waves;
  return Array.from({ length: waves }, (_, i) => {
    const from = x1 + i * step;
    return `${i === 0 ? `M${from} ${y} ` : ''}C${from + step * 0.33} ${y + 5} ${from + step * 0.66} ${y - 5} ${from + step} ${y}`;
  }).join(' ');
}

/** Short strokes across the thread: a time that is kept elsewhere. */
function knots(x1: number, x2: number, y: number): string {
  const n = Math.max(2, Math.round((x2 - x1) / 10));
  return Array.from({ length: n + 1 }, (_, i) => `M${x1 + ((x2 - x1) * i) / n} ${y - 6} v12`).join(' ');
}

/** As much of a text as has room, by about seven units a letter. */
function fit(text: string, room: number): string {
  const letters = Math.floor(room / 7);
  return text.length <= letters ? text : letters < 3 ? '' : `${text.slice(0, letters - 1)}…`;
}
