import type { DiaryDay } from '@rocchetto/contract';
import { type RefObject, useMemo, useRef } from 'react';
import { useClock } from '../../shared/clock.ts';
import {
  type Hands,
  LEFT,
  loopPath,
  type Measure,
  ROW,
  ThreadRow,
  TOP,
  WIDTH,
  xAt,
  yAt,
} from './ThreadRow.tsx';
import type { DayThread, Loop, Proposal } from './threads.ts';

interface Props {
  readonly day: DiaryDay;
  readonly threads: readonly DayThread[];
  /** whose threads they are: moving to another thread changes that */
  readonly lanes: 'staff' | 'rooms';
  readonly picked: number;
  readonly proposal: Proposal | null;
  readonly hindered: boolean;
  readonly may: boolean;
  readonly now: number;
  readonly onPick: (id: number) => void;
  readonly onPropose: (p: Proposal | null) => void;
}

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

/** The day as threads: a loop for each appointment, slack between them, dashed where nobody is at work. */
export function DayThreads(p: Props) {
  const { day, threads } = p;
  const clock = useClock();
  const svg = useRef<SVGSVGElement>(null);
  const measure = useMemo(() => hoursOf(day, threads), [day, threads]);
  const { from, to } = measure;
  const x = (at: number) => xAt(measure, at);
  const height = TOP + threads.length * ROW + 8;
  const indexOf = (l: { staff: readonly number[]; roomId: number | null }) => rowOf(p, l);
  const latest = useRef({ p, measure });
  latest.current = { p, measure };
  const hands = useMemo(() => handsOn(latest, svg), []);

  const ghost = p.proposal && {
    row: indexOf(p.proposal),
    from: x(p.proposal.start),
    to: x(p.proposal.start + p.proposal.appointment.minutes),
  };
  return (
    <section className="daythreads" aria-label={`Threads of the day, by ${p.lanes}`}>
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
          <ThreadRow
            key={t.id}
            thread={t}
            row={i}
            measure={measure}
            picked={t.loops.some((l) => l.appointment.id === p.picked) ? p.picked : 0}
            hands={hands}
            clock={clock}
          />
        ))}
        {ghost && ghost.row >= 0 && (
          <g className={p.hindered ? 'ghost hindered' : 'ghost'} pointerEvents="none">
            <path d={loopPath(ghost.from, ghost.to, yAt(ghost.row))} />
            <text x={(ghost.from + ghost.to) / 2} y={yAt(ghost.row) - 16} textAnchor="middle">
              {clock(p.proposal!.start)}
              {p.hindered ? ' ⚲' : ''}
            </text>
          </g>
        )}
      </svg>
    </section>
  );
}

const rowOf = (
  { lanes, threads }: Pick<Props, 'lanes' | 'threads'>,
  l: { staff: readonly number[]; roomId: number | null },
): number => threads.findIndex((t) => (lanes === 'staff' ? l.staff[0] === t.id : l.roomId === t.id));

/** A proposal moved by so many minutes, and onto another thread. */
function moved(p: Props, a: Loop, base: Proposal, minutes: number, rows: number): Proposal {
  const { threads } = p;
  const thread = threads[Math.min(threads.length - 1, Math.max(0, rowOf(p, base) + rows))];
  const onto =
    rows === 0 || !thread
      ? {}
      : p.lanes === 'rooms'
        ? { roomId: thread.id }
        : { staff: [thread.id, ...base.staff.slice(1).filter((s) => s !== thread.id)] };
  return { ...base, appointment: a.appointment, start: base.start + minutes, ...onto };
}

const proposalOf = ({ appointment, slot }: Loop): Proposal => ({
  appointment,
  start: slot.start,
  staff: slot.staff,
  roomId: slot.roomId,
});

/** What a hand does with a loop, read from the page as it is at that moment. */
function handsOn(
  latest: RefObject<{ readonly p: Props; readonly measure: Measure }>,
  svg: RefObject<SVGSVGElement | null>,
): Hands {
  let drag: { loop: Loop; x: number; y: number } | null = null;
  const movable = (l: Loop) => latest.current.p.may && l.appointment.status === 'confirmed';
  return {
    key: (l, e) => {
      const { p } = latest.current;
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
      const now = p.proposal?.appointment.id === l.appointment.id ? p.proposal : proposalOf(l);
      p.onPropose(moved(p, l, now, by[0]!, by[1]!));
    },
    down: (l, e) => {
      latest.current.p.onPick(l.appointment.id);
      if (!movable(l)) return;
      drag = { loop: l, x: e.clientX, y: e.clientY };
      (e.currentTarget as Element).setPointerCapture(e.pointerId);
    },
    move: (e) => {
      if (!drag) return;
      const { p, measure } = latest.current;
      const scale = WIDTH / (svg.current?.getBoundingClientRect().width || WIDTH);
      const minutes = ((e.clientX - drag.x) * scale * (measure.to - measure.from)) / (WIDTH - LEFT - 20);
      const rows = Math.round(((e.clientY - drag.y) * scale) / ROW);
      if (Math.abs(minutes) < 3 && rows === 0) return;
      const by = Math.round(minutes / STEP.fine) * STEP.fine;
      const to = moved(p, drag.loop, proposalOf(drag.loop), by, rows);
      const { proposal: was } = p;
      // Between two steps nothing is new.
      if (was?.start === to.start && was.staff[0] === to.staff[0] && was.roomId === to.roomId) return;
      p.onPropose(to);
    },
    up: () => {
      drag = null;
    },
    pick: (id) => latest.current.p.onPick(id),
  };
}
