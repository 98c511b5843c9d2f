import { FREE_LEAVES, FREE_WANTS } from '../../common/flared.ts';
import { freePicture } from '../../common/free-picture.ts';
import { FREE_JOINS, freeChecks, freeCutting } from '../../common/free-skirt.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
import { definePart } from '../../part.ts';
import { draftCircle, FIELDS, sector } from './draft.ts';

const BIAS = {
  code: 'bias',
  sentence:
    'The cloth lies on the bias between its grains: let it hang one to three days before the hem is levelled.',
};

/** A skirt cut from a quarter of a circle up to two, on a band or from the bodice above. */
export const circleSkirt = definePart({
  id: 'circle-skirt',
  name: 'circle skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: FREE_JOINS,
  hangsAbove: true,
  wants: () => FREE_WANTS,
  leaves: () => FREE_LEAVES,
  lines: (v, { joint }) => [
    {
      zone: joint,
      needed: true,
      split: () => ({ panel: 'half panel', times: 2 * sector(v.circle).pieces }),
    },
  ],
  draft: draftCircle,
  figures: (_, __, d) => [
    d.radius,
    d.hem,
    ...STATIONS.map((s) => d.lengths[s]),
    ...d.fromSeam,
    ...d.band.figures,
  ],
  checks: (c, _, d, opening) => freeChecks(c, d, opening),
  picture: (c, v, d) => freePicture(c, d, { band: v.band, gathered: false }),
  cutting: (c, v, d) =>
    freeCutting(c, d, { horsehair: v.horsehair, banded: v.band > 0, hem: 'flaredHem', cautions: [BIAS] }),
});
