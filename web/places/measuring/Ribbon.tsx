import { type Measured, printLength, type SheetUnit } from '@rocchetto/core';
import { ActionButton } from '../../shared/pieces.tsx';

export interface RibbonItem {
  readonly id: string;
  readonly name: string;
  readonly needed: boolean;
  readonly measured: Measured;
}

/** How a tick on the tape stands: each state has its own shape, not only its own colour. */
export function stateOf({
  measured,
  needed,
}: Pick<RibbonItem, 'measured' | 'needed'>):
  | 'done'
  | 'doubtful'
  | 'declined'
  | 'skipped'
  | 'pending'
  | 'optional' {
  if (measured.state === 'declined' || measured.state === 'skipped') return measured.state;
  if (measured.state === 'pending') return needed ? 'pending' : 'optional';
  const once = measured.measure.twice && measured.agreement.state === 'single';
  return once || measured.agreement.state === 'apart' ? 'doubtful' : 'done';
}

const WORD = {
  done: 'read',
  doubtful: 'to measure again',
  declined: 'declined',
  skipped: 'skipped',
  pending: 'to measure',
  optional: 'optional',
} as const;

function Tick({ state }: { state: keyof typeof WORD }) {
  const ink = 'var(--ink)';
  if (state === 'done')
    return <path d="M0 13 H40 M40 7 V19" stroke="var(--chalk)" strokeWidth={4} fill="none" />;
  if (state === 'doubtful')
    return (
      <path d="M0 13 l8 -7 l8 14 l8 -14 l8 14 l6 -7" stroke="var(--ochre)" strokeWidth={2.5} fill="none" />
    );
  if (state === 'declined')
    return <path d="M0 13 H28 M28 7 L40 19 M40 7 L28 19" stroke={ink} strokeWidth={2} fill="none" />;
  if (state === 'skipped')
    return <path d="M0 13 H36" stroke={ink} strokeWidth={2} strokeDasharray="3 5" fill="none" />;
  if (state === 'optional') return <path d="M0 13 H12" stroke={ink} strokeWidth={1.5} fill="none" />;
  return <path d="M0 13 H26" stroke={ink} strokeWidth={2.5} fill="none" />;
}

/** The tape at the far edge: every measurement of this session a tick on it, in order. */
export function Ribbon({
  items,
  at,
  unit,
  onGo,
}: {
  items: readonly RibbonItem[];
  at: string;
  unit: SheetUnit;
  onGo: (id: string) => void;
}) {
  return (
    <ol className="ribbon" aria-label="Measurements of this session">
      {items.map((item) => {
        const state = stateOf(item);
        return (
          <li key={item.id} aria-current={item.id === at ? 'step' : undefined}>
            <ActionButton
              look="bare"
              title={`${item.name}: ${WORD[state]}`}
              aria-label={`${item.name}: ${WORD[state]}`}
              onClick={() => onGo(item.id)}
            >
              <svg viewBox="0 0 56 26" aria-hidden="true">
                <Tick state={state} />
              </svg>
              <span className="read">
                {item.measured.raw === null ? '' : printLength(item.measured.raw, unit)}
              </span>
            </ActionButton>
          </li>
        );
      })}
    </ol>
  );
}
