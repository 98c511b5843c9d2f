import { edgeLength } from '../../draft/measure.ts';
import type { Panel } from '../../draft/panel.ts';
import type { RawCheck } from '../../figure/check.ts';
import type { Caution, Notion } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say } from '../../units/print.ts';
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
  /** the seam it joins, sewn */
  readonly waist: Cm | null;
  /** waist to hem */
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

/** A braid goes over itself by this where its ends meet, cm (common practice). */
const BRAID_LAPS = 3;

/** The braid that stiffens a hem: as long as the hem is along its edges, all panels of the outer. */
function horsehairIn(panels: readonly Panel[], width: Cm): Notion[] {
  const round = panels
    .filter((q) => q.layer === 'outer')
    .flatMap((q) =>
      q.edges
        .filter((e) => e.id === 'hem' && e.turned)
        .map((e) => edgeLength(q, e.id) * q.count * (q.cut === 'fold' ? 2 : 1)),
    )
    .reduce((sum, l) => sum + l, 0);
  return width <= 0 || round === 0
    ? []
    : [
        {
          name: 'horsehair braid',
          length: cm(round + BRAID_LAPS),
          note: `${say(width)} wide, sewn to the edge of the hem and turned in; drawn in at its upper edge where the hem curves`,
        },
      ];
}

/** Pieces, notions, allowances and cautions. */
export const freeCutting = (
  c: PartContext,
  d: FreeDraft,
  {
    banded,
    hem,
    horsehair,
    cautions = [],
  }: {
    banded: boolean;
    hem: AllowanceId;
    /** width of a braid in the hem, cm; 0 for none */
    horsehair: Cm;
    cautions?: readonly Caution[];
  },
): Cutting => ({
  pieces: pieces(c, d.panels, 'panel'),
  notions: [...closing(c, banded), ...horsehairIn(d.panels, horsehair), ...threadAndNeedle(c)],
  allowances: allowanceList(c, [
    [
      c.opens ? 'seams (one with the zip)' : 'seams',
      c.opens && c.allowances.zip > c.allowances.side ? 'zip' : 'side',
    ],
    [c.joint === 'waist' ? 'waist seam' : 'seam under the bust', 'waist'],
    ['hem', hem],
    c.input.brief.lining !== '' && ['lining hem, double roll', 'liningHem'],
    !c.above && ['waistband edges', 'band'],
  ]),
  cautions: [PINS, ...cautions, ...tripCaution(c, d.longest)],
});
