import './thread.css';
import type { OrderFull, SheetView } from '@rocchetto/contract';
import { daysBetween } from '@rocchetto/core/dates/studio-day.ts';
import { useNavigate } from 'react-router';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';

interface Knot {
  readonly id: string;
  readonly word: string;
  readonly when: string;
  readonly done: boolean;
  readonly to: string | null;
  readonly tells: string;
}

function knotsOf(
  order: OrderFull,
  sheet: SheetView | undefined,
  { today, short: shortDate }: ReturnType<typeof useDays>,
  may: { readonly measure: boolean; readonly brief: boolean; readonly book: boolean },
): Knot[] {
  const base = `/orders/${order.id}`;
  const session = order.sessions[0];
  const revision = sheet ?? order.sheets.at(-1);
  const made = (order.brief?.parts.length ?? 0) > 0;
  const cut = order.sheets.find((s) => s.cutAt);
  // A cancelled order shows how far it had come by what is kept of it.
  const agreed = order.stage === 'agreed' || cut !== undefined || order.sheets.at(-1)?.status === 'agreed';
  const measured = agreed || session !== undefined || order.stage === 'measured' || order.stage === 'sheet';
  return [
    {
      id: 'brief',
      word: 'brief',
      when: shortDate(order.briefAt),
      done: order.brief !== null,
      to: may.brief || order.brief ? `${base}/brief` : null,
      tells: order.brief ? 'The brief is done.' : 'No brief yet.',
    },
    {
      id: 'measured',
      word: 'measured',
      when: session ? shortDate(session.at) : measured ? 'yes' : '—',
      done: measured,
      // Who may not measure is not led to the tape.
      to: made && may.measure ? `${base}/measure` : null,
      tells: session ? `Measured by ${session.measurer}.` : measured ? 'Measured.' : 'Not measured yet.',
    },
    {
      id: 'sheet',
      word: 'sheet',
      when: revision ? `${revision.status} r${revision.revision}` : '—',
      done: agreed,
      to: made ? `${base}/sheet` : null,
      tells: agreed ? 'The sheet is agreed.' : 'The sheet is not agreed yet.',
    },
    {
      id: 'cut',
      word: 'cut',
      when: shortDate(cut?.cutAt),
      done: cut !== undefined,
      to: made ? `${base}/sheet` : null,
      tells: cut ? 'Cut.' : 'Not cut yet.',
    },
    fittings(order, today, shortDate, may.book),
    alterationsKnot(order),
    {
      id: 'handed',
      word: 'handed over',
      when: order.handedOverAt
        ? shortDate(order.handedOverAt)
        : order.dueOn
          ? `due ${shortDate(order.dueOn)}`
          : '—',
      done: order.handedOverAt !== null,
      to: null,
      tells: order.handedOverAt
        ? 'Handed over.'
        : order.dueOn
          ? `Due in ${daysBetween(today, order.dueOn)} days.`
          : 'No due date.',
    },
  ];
}

/** What was asked to be altered: how much of it is still open. */
function alterationsKnot({ id, alterations: { all, open } }: OrderFull): Knot {
  const count = `${open} of ${all} open`;
  return {
    id: 'alterations',
    word: 'alterations',
    when: all === 0 ? '—' : open === 0 ? `${all} checked` : count,
    done: all > 0 && open === 0,
    to: `/orders/${id}/fitting`,
    tells: all === 0 ? 'No alterations.' : open === 0 ? 'All are checked.' : `${count}.`,
  };
}

/** The order's appointments on its thread: the next one that is to come, else the last that was. */
function fittings(
  order: OrderFull,
  today: string,
  shortDate: (at: string) => string,
  mayBook: boolean,
): Knot {
  const standing = order.appointments.filter((a) => a.status !== 'did-not-come');
  const next = standing.find((a) => a.day >= today && a.status !== 'done');
  const shown = next ?? standing.at(-1);
  const words = (a: (typeof standing)[number]) => `${a.kindName} ${shortDate(a.day)}, ${a.time}`;
  return {
    id: 'fittings',
    word: order.appointments.length > 1 ? `fittings, ${order.appointments.length}` : 'fittings',
    when: shown ? `${shortDate(shown.day)}, ${shown.time}` : '—',
    done: standing.length > 0 && !next,
    to: shown ? `/diary?day=${shown.day}&a=${shown.id}` : mayBook ? `/diary/book?order=${order.id}` : null,
    tells: shown ? `${order.appointments.map(words).join('; ')}.` : 'No fitting booked yet.',
  };
}

/** One wave of slack thread between two knots; straight when it is pulled tight. */
const run = (x1: number, x2: number, slack: number) =>
  `M${x1} 34 C${x1 + (x2 - x1) * 0.33} ${34 + slack} ${x1 + (x2 - x1) * 0.66} ${34 - slack} ${x2} 34`;

/** The order as one thread: its stages are knots, dashed where it has not been, pulled tight where the date is in danger. */
export function Thread({
  order,
  sheet,
  here,
}: {
  order: OrderFull;
  sheet?: SheetView | undefined;
  here: string;
}) {
  const navigate = useNavigate();
  const days = useDays();
  const may = { measure: useMay('session.write'), brief: useMay('sheet.write'), book: useMay('diary.write') };
  const knots = knotsOf(order, sheet, days, may);
  const tight = days.danger(order);
  const at = (i: number) => 60 + i * 148;
  const next = knots.findIndex((k) => !k.done);
  return (
    <nav className="thread" aria-label={`Progress of order ${order.number}`}>
      <svg viewBox={`0 0 ${at(knots.length - 1) + 70} 78`} aria-label="Stages">
        {knots.slice(1).map((k, i) => {
          const drawn = k.done;
          const pulled = tight !== null && i + 1 >= next && next >= 0;
          return (
            <path
              key={k.id}
              d={run(at(i) + 9, at(i + 1) - 9, pulled ? 0 : 9)}
              fill="none"
              stroke={pulled ? 'var(--thread)' : 'var(--ink)'}
              strokeWidth={pulled ? 3 : 2}
              strokeDasharray={drawn ? undefined : '5 6'}
            />
          );
        })}
        {knots.map((k, i) => {
          const knot = (
            <>
              <title>{k.tells}</title>
              <circle
                className="knot"
                cx={at(i)}
                cy={34}
                r={k.id === here ? 10 : 7}
                fill={k.done ? 'var(--ink)' : 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth={2}
              />
              {k.done && (
                <path d={`M${at(i) - 12} 27 L${at(i) + 12} 41`} stroke="var(--paper)" strokeWidth={2} />
              )}
              {i === next && tight && (
                <path
                  d={`M${at(i) - 14} 34 c6 -16 22 -14 16 2 s-20 12 -10 -4 s24 -6 14 4`}
                  fill="none"
                  stroke="var(--thread)"
                  strokeWidth={1.6}
                />
              )}
              <text x={at(i)} y={14} textAnchor="middle" fontWeight={k.id === here ? 700 : 400}>
                {k.word}
              </text>
              <text className="when" x={at(i)} y={64} textAnchor="middle">
                {k.when}
              </text>
            </>
          );
          if (!k.to) return <g key={k.id}>{knot}</g>;
          const to = k.to;
          return (
            <a
              key={k.id}
              href={to}
              aria-label={`${k.word}: ${k.when}. ${k.tells}`}
              aria-current={k.id === here ? 'step' : undefined}
              onClick={(e) => {
                if (e.metaKey || e.ctrlKey || e.shiftKey) return;
                e.preventDefault();
                navigate(to);
              }}
            >
              <rect x={at(i) - 55} y={0} width={110} height={74} fill="transparent" />
              {knot}
            </a>
          );
        })}
      </svg>
      {tight && <Notice>{tight}</Notice>}
    </nav>
  );
}
