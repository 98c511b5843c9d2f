import type { PlanView } from '@rocchetto/contract/plan.ts';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { daysBetween } from '@rocchetto/core/dates/studio-day.ts';
import { weekdayOf } from '@rocchetto/core/diary/zoned.ts';
import { scaleLinear } from 'd3-scale';
import { useDays } from '../../shared/me.ts';
import { type Knot, knotsOf, rowsOf, sag } from './drawn.ts';

const WIDE = 860;
const [TOP, LOW, ROW] = [46, 104, 26];
/** So wide a knot with its number is. */
const APART = 52;

/**
 * The order's thread laid along the days: above, where each step can begin; below, the knot by which it must be tied.
 * Between them hangs the slack; where there is none the thread is drawn straight and heavy.
 */
export function PlanThread({ plan }: { plan: PlanView }) {
  const { short } = useDays();
  const knots = knotsOf(plan);
  if (knots.length === 0) return null;
  const last = Math.max(
    7,
    ...knots.map((k) => Math.max(k.early, k.late)),
    ...[plan.handOver, plan.wornOn].flatMap((d) => (d ? [daysBetween(plan.today, d)] : [])),
  );
  const x = scaleLinear([0, last], [26, WIDE - 40]);
  const rows = rowsOf(
    knots.map((k) => x(k.late)),
    APART,
  );
  const foot = LOW + (Math.max(...rows) + 1) * ROW + 22;
  const weeks = Array.from({ length: last + 1 }, (_, n) => dayAfter(plan.today, n)).filter(
    (d) => weekdayOf(d) === 1,
  );
  const every = Math.ceil(weeks.length / 9);
  const at = (day: string) => x(daysBetween(plan.today, day));
  return (
    <figure className="plan-thread">
      <svg
        viewBox={`0 0 ${WIDE} ${foot + 24}`}
        role="img"
        aria-label={`${knots.length} knots from today to ${short(plan.handOver)}; the list below has their days.`}
      >
        {weeks.map((d, i) => (
          <g key={d} className="week">
            <path d={`M${at(d)} ${TOP - 18} V${foot}`} />
            {i % every === 0 && (
              <text x={at(d)} y={foot + 18} textAnchor="middle">
                {short(d)}
              </text>
            )}
          </g>
        ))}
        <text x={x(0)} y={16} className="named">
          today
        </text>
        {plan.handOver && plan.handOver >= plan.today && (
          <g className="day">
            <path d={`M${at(plan.handOver)} ${TOP - 22} V${foot}`} />
            <text x={at(plan.handOver)} y={16} textAnchor="end" className="named">
              hand-over {short(plan.handOver)}
            </text>
          </g>
        )}
        <path
          className="along"
          d={`M${x(0)} ${TOP} ${knots.map((k) => `L${x(k.early)} ${TOP}`).join(' ')}`}
        />
        {knots.map((k, i) => (
          <Hanging key={k.first} knot={k} from={x(k.early)} to={x(k.late)} y={LOW + rows[i]! * ROW} />
        ))}
        {knots.map((k, i) => (
          <Tied key={k.first} knot={k} at={x(k.late)} y={LOW + rows[i]! * ROW} />
        ))}
      </svg>
      <figcaption className="soft">
        Above, the day each step can begin; below, the knot by which it must be tied. Thread that hangs is
        time to spare; where it is straight and heavy there is none.
      </figcaption>
    </figure>
  );
}

/** The thread of a knot, from the day it can begin to the day it must be tied. */
function Hanging({ knot, from, to, y }: { knot: Knot; from: number; to: number; y: number }) {
  const low = y + sag(knot.late - knot.early, 44);
  return (
    <g className="hanging" data-tight={knot.tight || undefined}>
      <path
        d={
          knot.tight
            ? `M${from} ${TOP} L${to} ${y}`
            : `M${from} ${TOP} C${from} ${low} ${to} ${low} ${to} ${y}`
        }
      />
      <circle cx={from} cy={TOP} r={3} className="bead" />
    </g>
  );
}

/** The knot itself, square where it is booked, with its number in the list. */
function Tied({ knot, at, y }: { knot: Knot; at: number; y: number }) {
  const number = knot.first === knot.last ? `${knot.first}` : `${knot.first}–${knot.last}`;
  return (
    <g className="hanging" data-tight={knot.tight || undefined}>
      <title>{knot.says}</title>
      {knot.booked ? (
        <rect x={at - 5} y={y - 5} width={10} height={10} className="knot" />
      ) : (
        <circle cx={at} cy={y} r={5} className="knot" />
      )}
      <text x={at + 8} y={y + 5}>
        {number}
      </text>
    </g>
  );
}
