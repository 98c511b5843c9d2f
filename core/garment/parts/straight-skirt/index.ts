import { skirtLifts } from '../../common/from-waist/widest.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
import {
  allowanceList,
  closing,
  PINS,
  pieces,
  stayTape,
  threadAndNeedle,
  tripCaution,
} from '../../common/skirt-cutting.ts';
import { LENGTH_GIVEN, left } from '../../leaves.ts';
import { definePart } from '../../part.ts';
import { skirtChecks } from './checks.ts';
import { draftSkirt } from './draft.ts';
import { FIELDS } from './fields.ts';
import { skirtPicture } from './picture.ts';

/** A straight skirt in woven cloth: from its waist, or from the bodice above it. */
export const straightSkirt = definePart({
  id: 'straight-skirt',
  name: 'straight skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: { gives: [], takes: [{ edge: 'waist', needed: false }], givenUp: ['band', 'overlap', 'zip'] },
  wants: () => ({
    needs: ['waist', 'hip', 'waist-to-hip', ...STATIONS.map((s) => `hem-${s}`)],
    helps: [
      'high-hip',
      'waist-to-high-hip',
      'tummy',
      'waist-to-tummy',
      'waist-front',
      'tummy-front',
      'hip-front',
      'waist-to-knee',
      'waist-to-floor',
    ],
  }),
  leaves: () => left(true, ['waist-to-knee', 'waist-to-floor'], LENGTH_GIVEN),
  lines: () => [
    { zone: 'waist', needed: true },
    { zone: 'high-hip', needed: false },
    { zone: 'tummy', needed: false },
    { zone: 'hip', needed: true },
  ],
  lifts: (v, line, fit) => skirtLifts(v.takenUp, line, fit),
  draft: draftSkirt,
  figures: (_, __, d) => [
    d.hem,
    ...(d.taking ? [...d.taking.front.figures, ...d.taking.back.figures] : []),
    ...d.lie,
    ...STATIONS.map((s) => d.lengths[s]),
    ...(d.hemOpening ? [d.hemOpening] : []),
    ...d.band.figures,
  ],
  checks: skirtChecks,
  picture: skirtPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'skirt'),
    notions: [
      ...closing(c, v.band > 0),
      ...(v.band > 0 ? [] : stayTape(c.above ? null : d.waist, 'waist')),
      ...threadAndNeedle(c),
    ],
    allowances: allowanceList(c, [
      [
        c.opens === 'left-side' ? 'side seams (left with the zip)' : 'side seams',
        c.opens === 'left-side' && c.allowances.zip > c.allowances.side ? 'zip' : 'side',
      ],
      ['waist seam', 'waist'],
      c.opens === 'centre-back'
        ? ['centre back (zip) seam', 'zip']
        : v.hemOpening !== 'none' && ['centre back seam', 'centre'],
      ['hem', 'hem'],
      c.input.brief.lining !== '' && ['lining hem, double roll', 'liningHem'],
      !c.above && v.band > 0 && ['waistband edges', 'band'],
    ]),
    cautions: [
      PINS,
      {
        code: 'stride',
        sentence:
          'A straight hem limits the step: try a stair and a stride at the fitting, in the shoes of the day.',
      },
      ...tripCaution(c, d.longest),
    ],
  }),
});
