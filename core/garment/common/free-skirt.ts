import type { Panel } from '../../draft/panel.ts';
import type { RawCheck } from '../../figure/check.ts';
import type { Caution } from '../../figure/figure.ts';
import type { Cm } from '../../units/length.ts';
import type { Cutting, Drafted, OpeningMade, PartContext } from '../part.ts';
import type { AllowanceId } from '../tables/allowances.ts';
import { hipRoom } from './flared.ts';
import { allowanceList, closing, PINS, pieces, threadAndNeedle, tripCaution } from './skirt-cutting.ts';
import { type Band, bandCheck } from './waistband.ts';
import { walkChecks } from './walk.ts';

/** Where a skirt that falls free meets a bodice, and what it gives up there. */
export const FREE_JOINS = {
  gives: [],
  takes: [{ edge: 'waist', needed: false }],
  givenUp: ['band', 'overlap', 'zip'],
} as const;

/** What the draft of a skirt that falls free says, whatever its panels look like. */
export interface FreeDraft extends Drafted {
  readonly band: Band;
  readonly panel: Panel | null;
  readonly waist: Cm | null;
  readonly longest: Cm;
}

/** Band against waist, room at the hip, room to walk. */
export const freeChecks = (c: PartContext, d: FreeDraft, opening: OpeningMade): RawCheck[] => [
  ...bandCheck(c, d.band, d.waist),
  ...(d.panel
    ? [
        ...hipRoom(c, d.girthAt!),
        ...walkChecks(c, {
          length: d.longest,
          girthAt: d.girthAt!,
          opening: null,
          zipEnds: opening.endsAt,
        }),
      ]
    : []),
];

/** Pieces, notions, allowances and cautions. */
export const freeCutting = (
  c: PartContext,
  d: FreeDraft,
  { banded, hem, cautions = [] }: { banded: boolean; hem: AllowanceId; cautions?: readonly Caution[] },
): Cutting => ({
  pieces: pieces(c, d.panels, 'panel'),
  notions: [...closing(c, banded), ...threadAndNeedle(c)],
  allowances: allowanceList(c, [
    [
      c.opens ? 'seams (one with the zip)' : 'seams',
      c.opens && c.allowances.zip > c.allowances.side ? 'zip' : 'side',
    ],
    ['waist seam', 'waist'],
    ['hem', hem],
    c.input.brief.lining !== '' && ['lining hem, double roll', 'liningHem'],
    !c.above && ['waistband edges', 'band'],
  ]),
  cautions: [PINS, ...cautions, ...tripCaution(c, d.longest)],
});
