import type { Panel } from '../../draft/panel.ts';
import type { Caution, Notion } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say } from '../../units/print.ts';
import type { Cloth } from '../input.ts';
import { allowanceName } from '../own-rules.ts';
import type { Cutting, PartContext } from '../part.ts';
import { openPiece, piecesOf } from '../pieces.ts';
import { sewnWith } from '../sewn-with.ts';
import type { AllowanceId } from '../tables/allowances.ts';
import { heelMore } from './length-wanted.ts';

/** What every garment has laid ready. What a part of another cloth is sewn with is told with that cloth. */
export const threadAndNeedle = (c: PartContext): Notion[] => {
  const { cloth, cloths = [] } = c.input.brief;
  return (cloths as readonly Cloth[]).includes(cloth) ? [] : sewnWith(cloth);
};

export const PINS: Caution = {
  code: 'pins',
  sentence:
    'Pins and needles: count in, count out at every fitting; do not hand over with a count that does not match.',
};
const TRIP: Caution = {
  code: 'trip',
  sentence: `The hem is within ${say(5)} of the floor: trip hazard; level it in the shoes that will be worn.`,
};
/** A long hem's caution, where the floor was read. */
export function tripCaution(c: PartContext, longest: Cm): Caution[] {
  const floor = c.measured.get('waist-to-floor')?.net ?? null;
  return floor !== null && longest > floor + heelMore(c) - 5 ? [TRIP] : [];
}

/** Pieces of these panels, or one open piece while they cannot be drafted. */
export const pieces = (c: PartContext, panels: readonly Panel[], name: string): Cutting['pieces'] =>
  panels.length > 0 ? piecesOf(panels, c.rounding) : [openPiece(name, c.id('panel'))];

/** Allowances by name. */
export const allowanceList = (
  c: PartContext,
  rows: readonly (readonly [name: string, of: AllowanceId | Cm] | false)[],
): Cutting['allowances'] =>
  rows.flatMap((r) => {
    if (!r) return [];
    const [name, of] = r;
    const own = c.input.brief.own;
    return typeof of === 'number'
      ? [{ name, cm: of }]
      : [{ name: allowanceName(name, of, own), cm: c.allowances[of] }];
  });

/** Closing above the zip: a hook on a band, an eye on a facing. */
export const closing = (c: PartContext, banded: boolean): Notion[] =>
  c.above
    ? []
    : [
        { name: banded ? 'hook and bar, or one button' : 'hook and eye', length: null, note: 'waist' },
        {
          name: 'hanging loops',
          length: cm(2 * LOOP),
          note: 'two of narrow ribbon, folded in half, in the waist seam at the sides',
        },
      ];
/** Ribbon of one hanging loop, cm (common practice). */
const LOOP = 22;

/** Tape that keeps an edge from stretching, as long as it lies on the panels; none where there is nothing to hold. */
export const stayTape = (length: Cm | null, where: string): Notion[] =>
  length === null || length <= 0
    ? []
    : [{ name: `stay tape, ${where}`, length, note: 'sewn in with the seam' }];
