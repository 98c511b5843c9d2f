import './changed.css';
import { printSigned, type SheetUnit } from '@rocchetto/core';
import type { DrawnPanel } from '@rocchetto/core/draft/drawn-panel.ts';

const SIDE = { both: '', left: ', left', right: ', right' } as const;

interface Props {
  readonly drawn: readonly DrawnPanel[];
  readonly unit: SheetUnit;
  /** nothing is changed yet: told as they are now */
  readonly now?: boolean;
}

/** The panels that change: the old outline thin, the new one strong, the amounts at the edges. */
export function PanelsChanged({ drawn, unit, now = false }: Props) {
  if (drawn.length === 0) return null;
  return (
    <div className="changed">
      {drawn.map((p) => {
        const [x, y, w, h] = p.box;
        const size = Math.max(2.2, h / 18);
        const room = size * 4.5;
        return (
          <figure key={`${p.panel} ${p.side}`}>
            <svg
              viewBox={`${x - size} ${y - size} ${w + size + room} ${h + 2 * size}`}
              role="img"
              aria-label={
                now
                  ? `${p.name}${SIDE[p.side]}, as it is now`
                  : `${p.name}${SIDE[p.side]}: before thin, after strong${p.amounts.map((a) => `, ${printSigned(a.by, unit)}`).join('')}`
              }
            >
              <path d={p.before} fill="none" stroke="var(--soft)" strokeWidth={size / 16} />
              <path
                d={p.after}
                fill="none"
                stroke="var(--thread)"
                strokeWidth={size / 6}
                strokeLinejoin="round"
              />
              {apart(p.amounts, size).map((a, i) => (
                <text
                  key={i}
                  x={Math.min(x + w + size * 0.4, a.at[0] + size * 0.6)}
                  y={a.at[1]}
                  fontSize={size}
                  fontWeight={700}
                  fill="var(--ink)"
                >
                  {printSigned(a.by, unit).replace(/ (cm|in)$/, '')}
                </text>
              ))}
            </svg>
            <figcaption className="soft">
              {p.name}
              {SIDE[p.side]}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}

/** Amounts at lines that lie close: each a letter below the one before, so that they can be read. */
function apart(amounts: DrawnPanel['amounts'], size: number): DrawnPanel['amounts'] {
  let low = Number.NEGATIVE_INFINITY;
  return [...amounts]
    .sort((a, b) => a.at[1] - b.at[1])
    .map(({ at: [x, y], by }) => {
      low = Math.max(y, low + size);
      return { at: [x, low], by };
    });
}
