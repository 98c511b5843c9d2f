import { say } from '../../../units/print.ts';
import { LENGTH_FROM, NOT_BY_FLOOR } from '../../common/length-wanted.ts';
import { choice, type ValuesOf } from '../../fields.ts';

/** What the brief asks about a straight skirt. */
export const FIELDS = {
  length: {
    kind: 'length',
    label: 'Length wanted',
    hint: 'used where the hem was not measured',
    min: 20,
    max: 200,
    default: null,
    when: NOT_BY_FLOOR,
  },
  ...LENGTH_FROM,
  band: {
    kind: 'length',
    label: 'Waistband, finished width',
    hint: '0 for a faced waist',
    min: 0,
    max: 15,
    default: '3 cm',
  },
  overlap: { kind: 'length', label: 'Overlap at the closing', min: 0, max: 15, default: '3 cm' },
  taper: {
    kind: 'length',
    label: 'Taper, per side edge',
    hint: `how much each edge runs in at the hem, 0 to ${say(2.5)}`,
    min: 0,
    max: 2.54,
    default: '0 cm',
  },
  takenUp: choice('Waist shaped by', [
    ['by-fit', 'as the fit needs'],
    ['darts', 'darts'],
    ['gathers', 'gathers'],
    ['pleats', 'pleats'],
  ]),
  hemOpening: choice('At the hem, centre back', [
    ['none', 'closed'],
    ['vent', 'vent'],
    ['slit', 'slit'],
  ]),
  openingHeight: {
    kind: 'length',
    label: 'Height of vent or slit',
    min: 0,
    max: 80,
    default: '18 cm',
    when: { field: 'hemOpening', is: ['vent', 'slit'] },
  },
  zip: choice('Zip', [
    ['centre-back', 'centre back'],
    ['left-side', 'left side'],
  ]),
} as const;
export type SkirtValues = ValuesOf<typeof FIELDS>;
