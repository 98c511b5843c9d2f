import { judge, type RawCheck, warn } from '../../figure/check.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import type { Fields } from '../fields.ts';
import { choice } from '../fields.ts';
import { LENGTH_GIVEN, type Leaves, left } from '../leaves.ts';
import type { PartContext } from '../part.ts';
import { FLOORS } from '../tables/fit.ts';
import { STATIONS } from './hem-lengths.ts';
import { LENGTH_FROM, NOT_BY_FLOOR } from './length-wanted.ts';

/** What every skirt that falls free from its waist asks. */
export const FREE_FIELDS = {
  length: {
    kind: 'length',
    label: 'Length wanted',
    hint: 'used where the hem was not measured',
    min: 15,
    max: 200,
    default: null,
    when: NOT_BY_FLOOR,
  },
  ...LENGTH_FROM,
  band: { kind: 'length', label: 'Waistband, finished width', min: 1, max: 15, default: '3 cm' },
  overlap: { kind: 'length', label: 'Overlap at the closing', min: 0, max: 15, default: '3 cm' },
  horsehair: {
    kind: 'length',
    label: 'Horsehair braid in the hem, its width',
    hint: '0 for none',
    min: 0,
    max: 20,
    default: '0 cm',
  },
  zip: choice('Zip', [
    ['left-side', 'left side'],
    ['centre-back', 'centre back'],
  ]),
} as const satisfies Fields;

/** What a free-falling skirt wants measured. */
export const FREE_WANTS = {
  needs: ['waist', ...STATIONS.map((s) => `hem-${s}`)],
  helps: ['hip', 'waist-to-hip', 'waist-to-knee', 'waist-to-floor'],
} as const;

/** What such a skirt only holds itself against: it falls free of the hip, and its length is given. */
export const FREE_LEAVES: Leaves = {
  ...left(true, ['hip', 'waist-to-hip'], 'The cloth falls free there: only the room is checked.'),
  ...left(true, ['waist-to-knee', 'waist-to-floor'], LENGTH_GIVEN),
};

/** A way in of a skirt that falls free is at least 18 cm deep from its seam, `up` above the waist: how far below the waist that ends. */
export const leastPlacket = (up: Cm) => ({
  depth: cm(Math.max(0, PLACKET - up)),
  because: `A way in is at least ${p(PLACKET)} deep${up > 0 ? ' from the seam' : ''}, or the hand that closes it tears it (common practice).`,
});
const PLACKET = 18;

/** Does a skirt that falls free clear the hip? Judged where the hip is, with the floor of a woven. */
export function hipRoom(c: PartContext, girthAt: (depth: Cm) => Cm | null): RawCheck[] {
  const hip = c.measured.get('hip')?.net;
  if (hip == null)
    return [
      warn(
        c.id('hip-room'),
        c.id('hem'),
        'The hip was not measured: whether the skirt falls free of it is not known. Read it.',
      ),
    ];
  const drop = c.measured.get('waist-to-hip')?.net ?? c.input.house.hipDrop;
  const girth = girthAt(drop);
  if (girth === null) return [];
  const ease = cm(girth - hip);
  const floor = FLOORS.hip!;
  return [
    judge(
      ease >= floor.least - 1e-9,
      c.id('hip-room'),
      c.id('hem'),
      `At the hip, ${p(drop)} down, the skirt is ${p(girth)} round: ${p(ease)} of ease, ${p(floor.least)} is the floor (${floor.why}).`,
    ),
  ];
}

/** A lining finishes this far above the outer hem, cm (common practice). */
const LINING_SHORTER = cm(2);
/** How far above the outer hem a lining finishes, cm, in the step of the sheet. */
export const liningShorter = (c: PartContext): Cm => c.stepped(LINING_SHORTER);
/** That, in words, beside the lining. */
export const liningNote = (c: PartContext) => `finishes ${p(liningShorter(c))} above the outer hem`;

/** In which seam the zip lies, when all seams are alike. */
export const seamForZip = (c: PartContext): string =>
  c.opens
    ? `one seam lies at the ${c.opens === 'centre-back' ? 'centre back' : 'left side'}, for the ${c.closes === 'lacing' ? 'lacing' : 'zip'}`
    : '';
