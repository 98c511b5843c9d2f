import { FREE_WANTS, hipRoom } from '../../common/flared.ts';
import { freePicture } from '../../common/free-picture.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
import {
  allowanceList,
  closing,
  PINS,
  pieces,
  threadAndNeedle,
  tripCaution,
} from '../../common/skirt-cutting.ts';
import { bandCheck } from '../../common/waistband.ts';
import { walkChecks } from '../../common/walk.ts';
import { definePart } from '../../part.ts';
import { draftCircle, FIELDS, sector } from './draft.ts';

/** A skirt cut from a quarter of a circle up to two, on a band or from the bodice above. */
export const circleSkirt = definePart({
  id: 'circle-skirt',
  name: 'circle skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  joins: { gives: [], takes: [{ edge: 'waist', needed: false }], givenUp: ['band', 'overlap', 'zip'] },
  wants: () => FREE_WANTS,
  lines: (v) => [
    {
      zone: 'waist',
      needed: true,
      split: () => ({ panel: 'half panel', times: 2 * sector(v.circle).pieces }),
    },
  ],
  draft: draftCircle,
  figures: (_, __, d) => [d.radius, d.hem, ...STATIONS.map((s) => d.lengths[s]), ...d.band.figures],
  checks: (c, _, d, opening) => [
    ...bandCheck(c, d.band, d.waist),
    ...(d.panel ? hipRoom(c, d.girthAt!) : []),
    ...(d.panel
      ? walkChecks(c, { length: d.longest, girthAt: d.girthAt!, opening: null, zipEnds: opening.endsAt })
      : []),
  ],
  picture: (c, v, d) => freePicture(c, d, { band: v.band, gathered: false }),
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'panel'),
    notions: [...closing(c, v.band > 0), ...threadAndNeedle(c)],
    allowances: allowanceList(c, [
      [
        c.opens ? 'seams (one with the zip)' : 'seams',
        c.opens && c.allowances.zip > c.allowances.side ? 'zip' : 'side',
      ],
      ['waist seam', 'waist'],
      ['hem', 'flaredHem'],
      c.input.brief.lining !== '' && ['lining hem, double roll', 'liningHem'],
      !c.above && ['waistband edges', 'band'],
    ]),
    cautions: [
      PINS,
      {
        code: 'bias',
        sentence:
          'The cloth lies on the bias between its grains: let it hang one to three days before the hem is levelled.',
      },
      ...tripCaution(c, d.longest),
    ],
  }),
});
