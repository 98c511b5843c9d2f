import { FREE_LEAVES, FREE_WANTS } from '../../common/flared.ts';
import { freePicture } from '../../common/free-picture.ts';
import { FREE_JOINS, freeChecks, freeCutting } from '../../common/free-skirt.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
import { definePart } from '../../part.ts';
import { draftGathered, FIELDS, panelCount } from './draft.ts';

/** A gathered skirt: rectangles gathered to a band, or to the bodice above. */
export const gatheredSkirt = definePart({
  id: 'gathered-skirt',
  name: 'gathered skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: FREE_JOINS,
  hangsAbove: true,
  wants: () => FREE_WANTS,
  leaves: () => FREE_LEAVES,
  lines: (v, { input, allowances, joint }) => [
    {
      zone: joint,
      needed: true,
      split: (finished) => ({ panel: 'panel', times: panelCount(input, allowances, v.ratio, finished) }),
    },
  ],
  draft: draftGathered,
  figures: (_, __, d) => [
    d.cloth,
    d.width,
    d.hem,
    ...STATIONS.map((s) => d.lengths[s]),
    ...d.fromSeam,
    ...d.band.figures,
  ],
  checks: (c, _, d, opening) => freeChecks(c, d, opening),
  picture: (c, v, d) => freePicture(c, d, { band: v.band, gathered: true }),
  cutting: (c, v, d) => freeCutting(c, d, { horsehair: v.horsehair, banded: v.band > 0, hem: 'hem' }),
});
