import type { Promised, PromisesView } from '@rocchetto/contract/plan.ts';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { daysBetween } from '@rocchetto/core/dates/studio-day.ts';
import { weekdayOf } from '@rocchetto/core/diary/zoned.ts';
import { touchesOf } from '@rocchetto/core/plan/touching.ts';
import { Select } from 'antd';
import { scaleLinear } from 'd3-scale';
import { curveBumpX, line } from 'd3-shape';
import { useId, useState } from 'react';
import { useDays } from '../../shared/me.ts';

const WIDE = 860;
const [LEFT, TOP, ROW, LIFT] = [150, 34, 54, 5];
/** So many are shown to begin with, at most so many at once, and so many days ahead at most. */
const [FIRST, MOST, AHEAD] = [5, 8, 42];

/** Those in trouble first, then those with the least to spare. */
const pressing = (orders: readonly Promised[]) =>
  [...orders]
    .filter((o) => o.passes.length > 0)
    .sort(
      (a, b) => Number(b.holds === 'no') - Number(a.holds === 'no') || (a.spare ?? 9999) - (b.spare ?? 9999),
    );

/** Orders as threads over the days, from hand to hand; where two pass one hand on one day they touch and are bound. */
export function ThreadsOverHands({ promises }: { promises: PromisesView }) {
  const { short } = useDays();
  const id = useId();
  const able = pressing(promises.orders);
  const [chosen, choose] = useState<readonly number[]>(() => able.slice(0, FIRST).map((o) => o.id));
  const shown = able.filter((o) => chosen.includes(o.id));
  const name = (staffId: number) => promises.staff.find((s) => s.id === staffId)?.name ?? '';
  const order = (orderId: number) => promises.orders.find((o) => o.id === orderId)?.number ?? '';
  const touches = touchesOf(shown).filter((t) => daysBetween(promises.today, t.day) <= AHEAD);
  if (able.length === 0) return null;
  return (
    <section aria-labelledby={`${id}-h`} className="threads-hands">
      <h2 id={`${id}-h`}>From hand to hand</h2>
      <label htmlFor={`${id}-s`}>Threads of</label>
      <Select
        id={`${id}-s`}
        mode="multiple"
        maxCount={MOST}
        value={shown.map((o) => o.id)}
        onChange={(ids: number[]) => choose(ids)}
        optionFilterProp="label"
        options={able.map((o) => ({ value: o.id, label: `${o.number} ${o.what}, ${o.clientName}` }))}
      />
      {shown.length === 0 ? (
        <p className="soft">Choose an order to see its thread.</p>
      ) : (
        <Drawing promises={promises} shown={shown} />
      )}
      <details>
        <summary>
          {touches.length === 0
            ? 'No two of them meet at a hand'
            : `Where they meet: ${touches.length} ${touches.length === 1 ? 'time' : 'times'}`}
        </summary>
        <ul>
          {touches.map((t) => (
            <li key={`${t.day} ${t.staffId}`}>
              {short(t.day)}, {name(t.staffId)}: {t.orders.map(order).join(' and ')}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

function Drawing({ promises, shown }: { promises: PromisesView; shown: readonly Promised[] }) {
  const { short } = useDays();
  const hands = promises.staff.filter((s) => shown.some((o) => o.passes.some((p) => p.staffId === s.id)));
  const last = Math.min(AHEAD, Math.max(7, ...shown.flatMap((o) => o.passes.map((p) => p.at + 1))));
  const x = scaleLinear([0, last], [LEFT, WIDE - 16]);
  const y = (staffId: number) => TOP + (hands.findIndex((h) => h.id === staffId) + 0.5) * ROW;
  const lift = (i: number) => (i - (shown.length - 1) / 2) * LIFT;
  const foot = TOP + hands.length * ROW;
  const weeks = Array.from({ length: Math.floor(last) + 1 }, (_, n) => dayAfter(promises.today, n)).filter(
    (d) => weekdayOf(d) === 1,
  );
  const through = line<readonly [number, number]>().curve(curveBumpX);
  const threads = shown.map((o, i) => {
    const passes = o.passes.filter((p) => p.at <= last);
    return {
      o,
      points: passes.map((p) => [x(p.at), y(p.staffId) + lift(i)] as const),
      says: `${o.number} ${o.what}: ${passes.map((p) => `${p.step} ${short(p.day)}`).join(', ')}`,
    };
  });
  const bound = touchesOf(shown)
    .map((t) => ({
      t,
      at: shown.flatMap((o, i) =>
        o.passes
          .filter((p) => p.day === t.day && p.staffId === t.staffId)
          .map((p) => [x(p.at), y(t.staffId) + lift(i)] as const),
      ),
    }))
    .filter(({ t }) => daysBetween(promises.today, t.day) < last);
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDE} ${foot + 22}`}
        role="img"
        aria-label={`Threads of ${shown.map((o) => o.number).join(', ')} over ${hands.length} hands; where they meet is listed below.`}
      >
        {weeks.map((d) => (
          <g key={d} className="week">
            <path d={`M${x(daysBetween(promises.today, d))} ${TOP - 12}V${foot}`} />
            <text x={x(daysBetween(promises.today, d))} y={foot + 18} textAnchor="middle">
              {short(d)}
            </text>
          </g>
        ))}
        {hands.map((h) => (
          <g key={h.id} className="hand">
            <path d={`M${LEFT - 14} ${y(h.id)}H${WIDE - 16}`} />
            <text x={0} y={y(h.id) + 5}>
              {h.name}
            </text>
          </g>
        ))}
        {bound.map(({ t, at }) => {
          const [xs, ys] = [at.map((p) => p[0]), at.map((p) => p[1])];
          const [left, top] = [Math.min(...xs) - 6, Math.min(...ys) - 6];
          return (
            <rect
              key={`${t.day} ${t.staffId}`}
              className="bound"
              x={left}
              y={top}
              width={Math.max(...xs) + 6 - left}
              height={Math.max(...ys) + 6 - top}
              rx={6}
            />
          );
        })}
        {threads.map(({ o, points, says }) => (
          <g key={o.id} className="passing" data-tight={o.holds === 'no' || undefined}>
            <title>{says}</title>
            <path d={through(points as [number, number][]) ?? ''} />
            {points.map(([px, py]) => (
              <circle key={`${px} ${py}`} cx={px} cy={py} r={2.4} />
            ))}
            {points[0] && (
              <text x={points[0][0]} y={points[0][1] - 7}>
                {o.number}
              </text>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="soft">
        Each thread goes to the hand whose turn it is, at the earliest that can be. Where threads pass one
        hand on one day they are bound together: what holds one up holds up the other. Heavy threads do not
        hold their day.
      </figcaption>
    </figure>
  );
}
