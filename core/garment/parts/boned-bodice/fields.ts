import { say } from '../../../units/print.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import { HELD_FIELDS } from './held.ts';

/** What the brief asks about a boned bodice. */
export const FIELDS = {
  reduction: {
    kind: 'length',
    label: 'Waist drawn in by, as agreed with the client',
    hint: `0 for none; ${say(4)} to ${say(5)} is usual`,
    min: 0,
    max: 20,
    default: '0 cm',
  },
  dip: {
    kind: 'length',
    label: 'Upper edge lower at the centre front by',
    min: 0,
    max: 12,
    default: '2 cm',
  },
  cup: choice('Cup lines', [
    ['average', 'the upper one half an inch shorter than the lower: an average bust'],
    ['full', 'as long as each other: a full bust'],
  ]),
  below: {
    kind: 'length',
    label: 'Goes on below the waist by',
    hint: '0 ends it at the waist, where a skirt may join',
    min: 0,
    max: 18,
    default: '0 cm',
  },
  ...HELD_FIELDS,
  underlined: { kind: 'yes-no', label: 'Underlined', default: true },
  zip: choice('Opens at', [
    ['centre-back', 'centre back'],
    ['left-side', 'left side'],
  ]),
  closes: choice('Closes with', [
    ['zip', 'a zip'],
    ['lacing', 'lacing'],
    ['loops', 'buttons in loops'],
  ]),
  gap: {
    kind: 'length',
    label: 'Lacing gap, when laced',
    min: 0,
    max: 12,
    default: '5 cm',
    when: { field: 'closes', is: ['lacing'] },
  },
} as const;
export type BonedValues = ValuesOf<typeof FIELDS>;
