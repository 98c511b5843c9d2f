import type { DiaryDay } from '@rocchetto/contract';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { useClock } from './clock.ts';
import { Mark } from './Mark.tsx';
import type { DayThread, Loop, Proposal } from './threads.ts';

interface Props {
  readonly day: DiaryDay;
  readonly threads: readonly DayThread[];
  /** whose threads they are: moving to another thread changes that */
  readonly of: 'staff' | 'rooms';
  readonly picked: number;
  readonly proposal: Proposal | null;
  readonly hindered: boolean;
  readonly may: boolean;
  readonly now: number;
  readonly onPick: (id: number) => void;
  readonly onPropose: (p: Proposal | null) => void;
}

const LEFT = 168;
const WIDTH = 1240;
const ROW = 82;
const TOP = 30;
/** A hand moves a loop in steps of these minutes. */
const STEP = { fine: 5, coarse: 15 } as const;

/** Hours of the day that are drawn: those the house is open, and whatever lies outside them. */
function hoursOf(day: DiaryDay, threads: readonly DayThread[]): { from: number; to: number } {
  const all = [
    ...day.open,
    ...threads.flatMap((t) => [...t.works, ...t.loops.map((l) => ({ from: l.slot.start, to: l.slot.end }))]),
  ];
  if (all.length === 0) return { from: day.from + 9 * 60, to: day.from + 18 * 60 };
  const hour = (at: number) => (at - day.from) / 60;
  return {
    from: day.from + Math.floor(Math.min(...all.map((s) => hour(s.from)))) * 60,
    to: day.from + Math.ceil(Math.max(...all.map((s) => hour(s.to)))) * 60,
  };
}

const SIGN = {
  offered: 'offered',
  confirmed: '',
  arrived: 'here',
  done: 'done',
  cancelled: 'cancelled',
  'did-not-come': 'did not come',
} as const;

/** The day as threads: a loop for each appointment, slack between them, dashed where nobody is at work. */
export function DayThreads(p: Props) {
  const { day, threads } = p;
  const clock = useClock();
  const svg = useRef<SVGSVGElement>(null);
  const { from, to } = hoursOf(day, threads);
  const x = (at: number) => LEFT + ((at - from) / (to - from)) * (WIDTH - LEFT - 20);
  const height = TOP + threads.length * ROW + 8;
  const y = (i: number) => TOP + i * ROW + 42;
  const indexOf = (l: { staff: readonly number[]; roomId: number | null }) =>
    threads.findIndex((t) => (p.of === 'staff' ? l.staff[0] === t.id : l.roomId === t.id));

  /** The proposal moved by so many minutes, and onto another thread. */
  const moved = (a: Loop, base: Proposal, minutes: number, rows: number): Proposal => {
    const here = indexOf(base);
    const thread = threads[Math.min(threads.length - 1, Math.max(0, here + rows))];
    const onto =
      rows === 0 || !thread
        ? {}
        : p.of === 'rooms'
          ? { roomId: thread.id }
          : { staff: [thread.id, ...base.staff.slice(1).filter((s) => s !== thread.id)] };
    return { ...base, appointment: a.appointment, start: base.start + minutes, ...onto };
  };
  const startOf = (l: Loop): Proposal =>
    p.proposal?.appointment.id === l.appointment.id
      ? p.proposal
      : { appointment: l.appointment, start: l.slot.start, staff: l.slot.staff, roomId: l.slot.roomId };
  const movable = (l: Loop) => p.may && l.appointment.status === 'confirmed';

  const onKey = (l: Loop) => (e: KeyboardEvent) => {
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      p.onPick(l.appointment.id);
      return;
    }
    if (e.key === 'Escape') p.onPropose(null);
    if (!movable(l)) return;
    const step = e.shiftKey ? STEP.coarse : STEP.fine;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (!by) return;
    e.preventDefault();
    p.onPick(l.appointment.id);
    p.onPropose(moved(l, startOf(l), by[0]!, by[1]!));
  };

  const drag = useRef<{ loop: Loop; x: number; y: number } | null>(null);
  const scale = () => WIDTH / (svg.current?.getBoundingClientRect().width || WIDTH);
  const onDown = (l: Loop) => (e: PointerEvent) => {
    p.onPick(l.appointment.id);
    if (!movable(l)) return;
    drag.current = { loop: l, x: e.clientX, y: e.clientY };
    (e.currentTarget as Element).setPointerCapture(e.pointerId);
  };
  const onMove = (e: PointerEvent) => {
    const d = drag.current;
    if (!d) return;
    const minutes = ((e.clientX - d.x) * scale() * (to - from)) / (WIDTH - LEFT - 20);
    const rows = Math.round(((e.clientY - d.y) * scale()) / ROW);
    if (Math.abs(minutes) < 3 && rows === 0) return;
    const base = {
      appointment: d.loop.appointment,
      start: d.loop.slot.start,
      staff: d.loop.slot.staff,
      roomId: d.loop.slot.roomId,
    };
    p.onPropose(moved(d.loop, base, Math.round(minutes / STEP.fine) * STEP.fine, rows));
  };
  const onUp = () => {
    drag.current = null;
  };

  const ghost = p.proposal && {
    row: indexOf(p.proposal),
    from: x(p.proposal.start),
    to: x(p.proposal.start + p.proposal.appointment.minutes),
  };
  return (
    <section className="daythreads" aria-label={`Threads of the day, by ${p.of}`}>
      <svg ref={svg} viewBox={`0 0 ${WIDTH} ${height}`}>
        {Array.from({ length: Math.round((to - from) / 60) + 1 }, (_, h) => from + h * 60).map((at) => (
          <g key={at}>
            <path d={`M${x(at)} ${TOP - 6} V${height}`} stroke="var(--line)" strokeDasharray="1 6" />
            <text className="hour" x={x(at)} y={16} textAnchor="middle">
              {clock(at)}
            </text>
          </g>
        ))}
        {p.now >= from && p.now <= to && (
          <path d={`M${x(p.now)} ${TOP - 8} V${height}`} stroke="var(--thread)" strokeWidth={1.5} />
        )}
        {threads.map((t, i) => (
          <g key={t.id}>
            <Mark of={t.mark} x={4} y={y(i) - 14} />
            <text x={t.mark < 0 ? 4 : 30} y={y(i)} className="whose">
              {t.name}
            </text>
            {t.bench > 0 && (
              <text x={30} y={y(i) + 17} className="kind">
                bench {hoursWord(t.bench)}
              </text>
            )}
            <path
              d={`M${x(from)} ${y(i)} H${x(to)}`}
              stroke="var(--edge)"
              strokeWidth={1}
              strokeDasharray="2 5"
            />
            {t.works.map((w) => (
              <path
                key={w.from}
                d={slack(x(w.from), x(w.to), y(i))}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={2}
              />
            ))}
            {t.kept
              .filter((k) => k.to > from && k.from < to)
              .map((k) => (
                <path
                  key={`k${k.from}`}
                  d={knots(x(Math.max(from, k.from)), x(Math.min(to, k.to)), y(i))}
                  stroke="var(--edge)"
                  strokeWidth={2.5}
                >
                  <title>{`${t.name} is busy elsewhere, ${clock(k.from)}–${clock(k.to)}`}</title>
                </path>
              ))}
          </g>
        ))}
        {threads.map((t, i) =>
          t.loops.map((l, n) => {
            const { appointment: a, slot: s } = l;
            const [x1, x2] = [x(s.start), x(s.end)];
            // Words have room until the next loop begins.
            const room = (t.loops[n + 1] ? x(t.loops[n + 1]!.slot.start) : WIDTH) - x1 - 6;
            const word = SIGN[a.status];
            return (
              // biome-ignore lint/a11y/useSemanticElements: a button cannot be drawn inside an SVG
              <g
                key={`${t.id} ${s.id}`}
                role="button"
                tabIndex={0}
                className={`loop is-${a.status}${p.picked === a.id ? ' picked' : ''}`}
                aria-pressed={p.picked === a.id}
                aria-label={`${s.from} to ${s.to}, ${a.kindName}, ${a.clientName}, on the thread of ${t.name}${word ? `, ${word}` : ''}`}
                onKeyDown={onKey(l)}
                onPointerDown={onDown(l)}
                onPointerMove={onMove}
                onPointerUp={onUp}
                onClick={() => p.onPick(a.id)}
              >
                <title>{`${s.from}–${s.to} ${a.clientName}, ${a.kindName}`}</title>
                <rect x={x1} y={y(i) - 42} width={x2 - x1} height={80} fill="transparent" />
                <path className="cord" d={loopPath(x1, x2, y(i))} />
                {a.status === 'did-not-come' && (
                  <path
                    d={`M${x1 + 4} ${y(i) - 26} L${x2 - 4} ${y(i) - 6}`}
                    stroke="var(--ink)"
                    strokeWidth={2}
                  />
                )}
                {a.buffer > 0 && (
                  <path
                    d={`M${x2} ${y(i)} H${x(s.end + a.buffer)}`}
                    stroke="var(--chalk)"
                    strokeWidth={4}
                    strokeDasharray="2 3"
                  />
                )}
                <text x={(x1 + x2) / 2} y={y(i) - 16} textAnchor="middle">
                  {s.from}
                </text>
                <text x={x1 - 4} y={y(i) + 20} className="client">
                  {fit(a.clientName, room)}
                </text>
                <text x={x1 - 4} y={y(i) + 35} className="kind">
                  {fit([a.kindName, word].filter(Boolean).join(', '), room)}
                </text>
              </g>
            );
          }),
        )}
        {ghost && ghost.row >= 0 && (
          <g className={p.hindered ? 'ghost hindered' : 'ghost'} pointerEvents="none">
            <path d={loopPath(ghost.from, ghost.to, y(ghost.row))} />
            <text x={(ghost.from + ghost.to) / 2} y={y(ghost.row) - 16} textAnchor="middle">
              {clock(p.proposal!.start)}
              {p.hindered ? ' ⚲' : ''}
            </text>
          </g>
        )}
      </svg>
    </section>
  );
}

/** A cord that is laid in a loop over the time it is kept: in from the left, round, and out to the right. */
function loopPath(x1: number, x2: number, y: number): string {
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
