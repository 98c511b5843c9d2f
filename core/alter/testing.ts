import { cm } from '../units/length.ts';
import type { Asked } from './asked.ts';
import type { Run } from './kind.ts';
import { findKind } from './registry.ts';

/** No place along the seam said: it runs as is usual. */
export const NO_RUN: Run = { begins: null, fullFrom: null, fullTo: null, zero: null };

/** One alteration as it would be asked for, by the ids of its kind and way; both sides, the amount as the total, cm. */
export function ask(
  kind: string,
  direction: string,
  amount: number | null,
  more: Partial<Asked> = {},
): Asked {
  const k = findKind(kind)!;
  return {
    kind: k,
    direction: k.directions.find((d) => d.id === direction)!,
    amount: amount === null ? null : cm(amount),
    as: 'total',
    side: 'both',
    part: null,
    run: NO_RUN,
    face: null,
    frontShare: null,
    hem: null,
    ...more,
  };
}
