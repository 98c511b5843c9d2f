import { judge } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { FREE_WANTS } from '../../common/flared.ts';
import { FREE_JOINS, freeChecks, freeCutting } from '../../common/free-skirt.ts';
import { skirtLifts } from '../../common/from-waist/widest.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
import { LENGTH_GIVEN, left } from '../../leaves.ts';
import type { LineWanted } from '../../lines.ts';
import { definePart } from '../../part.ts';
import { draftGored, FIELDS, flaresAtKnee } from './draft.ts';
import { goredPicture } from './picture.ts';

/** Beyond this a train should be lifted for walking, cm (common practice). */
const TRAIN_LIFTED = 20;

/** A skirt of gores, flared from its widest line or from the knee, with a train where one is wanted. */
export const goredSkirt = definePart({
  id: 'gored-skirt',
  name: 'gored skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: FREE_JOINS,
  wants: (v) => ({
    needs: ['waist', 'hip', 'waist-to-hip', ...FREE_WANTS.needs.filter((id) => id !== 'waist')],
    helps: ['tummy', 'waist-to-tummy', 'waist-to-knee', 'waist-to-floor'].filter(
      (id) => id !== 'waist-to-knee' || v.flareFrom === 'knee' || v.flare < 10,
    ),
  }),
  leaves: (c, v, d) => ({
    ...left(true, ['waist-to-floor'], LENGTH_GIVEN),
    ...left(v.flareFrom !== 'knee', ['waist-to-knee'], LENGTH_GIVEN),
    ...left(
      v.flareFrom === 'knee' && !flaresAtKnee(c.measured.get('waist-to-knee')?.net ?? 0, d.longest),
      ['waist-to-knee'],
      'The skirt ends so near the knee that its flare begins higher.',
    ),
  }),
  lines: (v) => {
    const split: LineWanted['split'] = () => ({ panel: 'gore', times: Number(v.gores) });
    return [
      { zone: 'waist', needed: true, split },
      { zone: 'tummy', needed: false, split },
      { zone: 'hip', needed: true, split },
    ];
  },
  lifts: (_, line, fit) => skirtLifts('darts', line, fit),
  draft: draftGored,
  figures: (_, __, d) => [
    d.hem,
    ...(d.atWaist ? [d.atWaist] : []),
    ...STATIONS.map((s) => d.lengths[s]),
    ...(d.train ? [d.train] : []),
    ...d.band.figures,
  ],
  checks: (c, v, d, opening) => [
    ...freeChecks(c, d, opening),
    ...(d.train?.marked
      ? [
          judge(
            d.train.marked <= TRAIN_LIFTED,
            c.id('train'),
            d.train.id,
            d.train.marked <= TRAIN_LIFTED
              ? `The train is ${p(d.train.marked)}: it can be walked in.`
              : `A train of ${p(d.train.marked)} needs a loop or buttons to lift it: try a turn and a stair with it lifted.`,
          ),
        ]
      : []),
    ...(d.wide && !d.panel && v.length !== null
      ? [
          judge(
            false,
            c.id('short'),
            c.id('hem'),
            `A skirt ${p(d.longest)} long with its ${d.wide.figure.name} at ${p(d.wide.level ?? cm(0))} and this flare cannot be drafted: make it longer, or flare it less.`,
          ),
        ]
      : []),
  ],
  picture: goredPicture,
  cutting: (c, v, d) =>
    freeCutting(c, d, {
      horsehair: v.horsehair,
      banded: v.band > 0,
      hem: 'flaredHem',
      cautions: d.train
        ? [
            {
              code: 'train',
              sentence:
                'A train: the wearer and those behind can tread on it; try the turn, the stair and how it is carried.',
            },
          ]
        : [],
    }),
});
