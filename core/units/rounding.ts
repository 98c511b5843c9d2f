import { CM_PER, type Cm, cm, type SheetUnit } from './length.ts';

/** The house's rounding steps per unit; 0 is exact. Handbook house setting (no source). */
export const ROUNDING_STEPS: Record<SheetUnit, readonly number[]> = {
  cm: [0, 0.1, 0.5],
  in: [0, 0.125, 0.25, 0.5],
};

export interface Rounding {
  /** the unit the hand marks in; the step counts in it */
  readonly unit: SheetUnit;
  /** step in `unit`; 0 leaves the figure exact */
  readonly step: number;
  readonly mode: 'nearest' | 'up' | 'down';
}

/** The ways a house rounds; down is only how a dart keeps to its most. */
export type HouseRounding = Rounding & { readonly mode: 'nearest' | 'up' };

/** In which steps a studio marks until it says otherwise, and an inch studio (house settings, no source). */
export const CM_ROUNDING = { unit: 'cm', step: 0.5, mode: 'nearest' } as const;
export const INCH_ROUNDING = { unit: 'in', step: 0.125, mode: 'nearest' } as const;

/**
 * Rounds once, for the hand that will mark it. A figure already on a step (within 1e-9 of one) stays; halves
 * go up.
 */
export function roundLength(length: Cm, { unit, step, mode }: Rounding): Cm {
  if (step === 0) return length;
  const steps = length / CM_PER[unit] / step;
  const near = Math.round(steps);
  if (Math.abs(steps - near) < 1e-9) return cm(near * step * CM_PER[unit]);
  const count =
    mode === 'up' ? Math.ceil(steps) : mode === 'down' ? Math.floor(steps) : Math.floor(steps + 0.5 + 1e-12);
  return cm(count * step * CM_PER[unit]);
}

/** One step of the rounding, cm; 0 when figures are left exact. */
export const stepOf = ({ unit, step }: Rounding): Cm => cm(step * CM_PER[unit]);
