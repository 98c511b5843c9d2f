import type { Panel } from '../../draft/panel.ts';
import type { Caution, Notion } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say } from '../../units/print.ts';
import { allowanceName } from '../own-rules.ts';
import type { Cutting, PartContext } from '../part.ts';
import { openPiece, piecesOf } from '../pieces.ts';
import type { AllowanceId } from '../tables/allowances.ts';
import { heelMore } from './length-wanted.ts';

/** From so much stretch around, %, a cloth is sewn as a knit; what gives less is a woven with a little elastane (common practice, no source). */
const KNIT_FROM = 15;

/** Needle size for the cloth's weight (common practice): to 100 g/m² 70, to 250 80, above 90; a knit wants a round point. */
const needleFor = (weight: number | null, knit: boolean) =>
  `${weight === null ? 'for the cloth' : weight <= 100 ? 'size 70' : weight <= 250 ? 'size 80' : 'size 90'}${knit ? ', ball point' : ''}`;

/** Seams and their edges by stitch class. Source: ISO 4915 (301 lockstitch, 304 zigzag, 401 chain, 504 and 514 overedge; from memory). */
const stitchFor = (weight: number | null, knit: boolean): string =>
  knit
    ? 'seams 514, hems 304 or 401, which give with the cloth (ISO 4915)'
    : weight !== null && weight <= 100
      ? 'seams 301, short, French seams where the cloth is sheer (ISO 4915)'
      : 'seams 301, edges 504 (ISO 4915)';

/** What every garment has laid ready. */
export const threadAndNeedle = (c: PartContext): Notion[] => {
  const { cloth } = c.input.brief;
  const knit = cloth.stretch >= KNIT_FROM;
  return [
    { name: 'thread', length: null, note: cloth.name ? `to match ${cloth.name}` : 'to match' },
    { name: 'needle', length: null, note: needleFor(cloth.weight, knit) },
    { name: 'stitch', length: null, note: stitchFor(cloth.weight, knit) },
  ];
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
