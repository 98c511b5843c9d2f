import { skirtLifts } from '../../common/from-waist/widest.ts';
import { legLeaves, legNeeds } from '../../common/leg-plan.ts';
import { allowanceList, closing, PINS, pieces, threadAndNeedle } from '../../common/skirt-cutting.ts';
import { HELD_AGAINST, left } from '../../leaves.ts';
import { definePart } from '../../part.ts';
import { trouserChecks } from './checks.ts';
import { draftTrousers } from './draft.ts';
import { FIELDS } from './fields.ts';
import { trouserPicture } from './picture.ts';

/** Trousers or shorts in woven cloth on a band, with a fly or a zip. */
export const trousers = definePart({
  id: 'trousers',
  name: 'trousers',
  key: 'trousers',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: { gives: [], takes: [], givenUp: [] },
  wants: (v) => ({
    needs: ['waist', 'hip', 'waist-to-hip', 'rise', ...legNeeds(v)],
    helps: [
      'high-hip',
      'waist-to-high-hip',
      'tummy',
      'waist-to-tummy',
      'waist-front',
      'tummy-front',
      'hip-front',
      'crotch-length',
      'thigh',
      'knee',
      'waist-to-knee',
      'outseam',
      ...(v.goes === 'floor' ? ['heel-instep'] : []),
    ],
  }),
  leaves: (c, v, d) => ({
    ...left(true, ['thigh', 'knee', 'heel-instep'], HELD_AGAINST),
    ...legLeaves(c, v, d.plan.knee !== null),
  }),
  lines: () => [
    { zone: 'waist', needed: true },
    { zone: 'high-hip', needed: false },
    { zone: 'tummy', needed: false },
    { zone: 'hip', needed: true },
  ],
  lifts: (_, line, fit) => skirtLifts('by-fit', line, fit),
  draft: draftTrousers,
  figures: (_, __, d) => [
    ...d.plan.figures,
    ...(d.taking ? [...d.taking.front.figures, ...d.taking.back.figures] : []),
    ...d.lie,
    ...d.measured,
    ...d.band.figures,
  ],
  checks: trouserChecks,
  picture: trouserPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'leg'),
    notions: [...closing(c, v.band > 0), ...threadAndNeedle(c)],
    allowances: allowanceList(c, [
      [
        c.opens === 'left-side' ? 'outside legs (left with the zip)' : 'outside legs',
        c.opens === 'left-side' && c.allowances.zip > c.allowances.side ? 'zip' : 'side',
      ],
      ['inside legs', 'side'],
      c.opens === 'left-side'
        ? ['crotch seam', 'side']
        : ['crotch seam, with the zip', c.allowances.zip > c.allowances.side ? 'zip' : 'side'],
      ['waist seam', 'waist'],
      ['hem', 'hem'],
      c.opens === 'centre-front' && ['fly, free edge', 'facing'],
      ['waistband edges', 'band'],
    ]),
    cautions: [PINS],
  }),
});
