import type { Figure, TermKind } from '@rocchetto/core';
import { scaleLinear } from 'd3-scale';

const FILL: Partial<Record<TermKind, string>> = {
  wearing: 'var(--thread)',
  style: 'var(--chalk)',
  layers: 'var(--ochre)',
};
const WORD: Partial<Record<TermKind, string>> = {
  wearing: 'wearing ease',
  style: 'style ease',
  layers: 'layers',
};
/** Ease up to this many cm fills the bar. */
const FULL = 14;
const x = scaleLinear([0, FULL], [0, 90]).clamp(true);

/** What was added to the body, stacked: wearing, style, layers. */
export function EaseBar({ figure }: { figure: Figure }) {
  const parts = figure.terms.filter((t) => FILL[t.kind] && t.cm > 0);
  if (parts.length === 0) return null;
  let at = 0;
  return (
    <svg
      className="easebar"
      viewBox="0 0 90 12"
      role="img"
      aria-label={parts.map((t) => `${WORD[t.kind]} ${Math.round(t.cm * 100) / 100} cm`).join(', ')}
    >
      <path d="M0 11.5 H90" stroke="var(--line)" />
      {parts.map((t, i) => {
        const from = at;
        at += t.cm;
        return (
          <rect
            key={`${t.kind} ${i}`}
            x={x(from)}
            y={2}
            width={Math.max(1, x(at) - x(from))}
            height={8}
            fill={FILL[t.kind]}
          />
        );
      })}
    </svg>
  );
}
