import { cm } from '../units/length.ts';
import type { HouseRules } from './input.ts';

/** The house as it is before anyone changes a rule: half centimetres, front and back even, hip 20 cm down. */
export const DEFAULT_HOUSE: HouseRules = {
  rounding: { unit: 'cm', step: 0.5, mode: 'nearest' },
  balance: { waist: cm(0), hip: cm(0) },
  ease: {},
  allowances: {},
  darts: {},
  hipDrop: cm(20),
};
