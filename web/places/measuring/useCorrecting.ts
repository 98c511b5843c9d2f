import { useEffect, useState } from 'react';

/** A reading that the next figure takes the place of. */
export interface Corrected {
  readonly id: string;
  readonly text: string;
}

/**
 * Which reading the next figure corrects: only where a hand says so, and only at its measurement. Otherwise a figure is one
 * more reading.
 * @param at the measurement in hand
 */
export function useCorrecting(at: string) {
  const [correcting, correct] = useState<Corrected | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the hand has gone elsewhere
  useEffect(() => correct(null), [at]);
  /** Said of one figure. */
  const replaced = (): string | null => {
    correct(null);
    return correcting?.id ?? null;
  };
  return { correcting, correct, replaced };
}
