import { STALE_AFTER } from '../checks/stale.ts';
import { cm } from '../units/length.ts';
import { CM_ROUNDING } from '../units/rounding.ts';
import type { HouseRules } from './input.ts';

/** The house as it is before anyone changes a rule: half centimetres, front and back even, hip 20 cm down (house figures). */
export const DEFAULT_HOUSE: HouseRules = {
  rounding: CM_ROUNDING,
  pairing: 'each',
  band: 'marked',
  zips: null,
  balance: { bust: cm(0), waist: cm(0), hip: cm(0) },
  ease: {},
  allowances: {},
  darts: {},
  hipDrop: cm(20),
  ages: STALE_AFTER,
  shape: {
    sideRise: cm(1.2),
    backDrop: cm(0.8),
    centreIn: cm(1.3),
    slope: 20,
    neckWidth: cm(15),
    forkForward: cm(0),
  },
};
