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
import { draftGathered, FIELDS, panelCount } from './draft.ts';

/** A gathered skirt: rectangles gathered to a band, or to the bodice above. */
export const gatheredSkirt = definePart({
  id: 'gathered-skirt',
  name: 'gathered skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  joins: { gives: [], takes: [{ edge: 'waist', needed: false }], givenUp: ['band', 'overlap', 'zip'] },
  wants: () => FREE_WANTS,
  lines: (v, { input, allowances }) => [
    {
      zone: 'waist',
      needed: true,
      split: (finished) => ({ panel: 'panel', times: panelCount(input, allowances, v.ratio, finished) }),
    },
  ],
  draft: draftGathered,
  figures: (_, __, d) => [d.cloth, d.width, d.hem, ...STATIONS.map((s) => d.lengths[s]), ...d.band.figures],
  checks: (c, _, d, opening) => [
    ...bandCheck(c, d.band, d.waist),
    ...(d.panel ? hipRoom(c, d.girthAt!) : []),
    ...(d.panel
      ? walkChecks(c, { length: d.longest, girthAt: d.girthAt!, opening: null, zipEnds: opening.endsAt })
      : []),
  ],
  picture: (c, v, d) => freePicture(c, d, { band: v.band, gathered: true }),
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'panel'),
    notions: [...closing(c, v.band > 0), ...threadAndNeedle(c)],
    allowances: allowanceList(c, [
      [
        c.opens ? 'seams (one with the zip)' : 'seams',
        c.opens && c.allowances.zip > c.allowances.side ? 'zip' : 'side',
      ],
      ['waist seam', 'waist'],
      ['hem', 'hem'],
      c.input.brief.lining !== '' && ['lining hem, double roll', 'liningHem'],
      !c.above && ['waistband edges', 'band'],
    ]),
    cautions: [PINS, ...tripCaution(c, d.longest)],
  }),
});
