import { cm } from '../../../units/length.ts';
import { allowanceList, pieces } from '../../common/skirt-cutting.ts';
import { definePart } from '../../part.ts';
import { sleeveChecks } from './checks.ts';
import { draftSleeve } from './draft.ts';
import { FIELDS } from './fields.ts';
import { sleevePicture } from './picture.ts';
import { ELASTIC_SHORTER } from './plan.ts';

/** A sleeve set into the armhole of what it joins: straight, fitted, flared, puffed; hemmed, cuffed or on elastic. */
export const sleeve = definePart({
  id: 'sleeve',
  name: 'set-in sleeve',
  key: 'sleeve',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  adapts: ['longer', 'sleeve-end'],
  joins: { gives: [], takes: [{ edge: 'armhole', needed: true }], givenUp: [] },
  wants: (v) => {
    const close = v.shape === 'fitted' || v.end !== 'hem';
    return {
      needs: [
        'upper-arm',
        ...(v.goes === 'wrist' ? ['arm-length'] : []),
        ...(close && v.goes === 'wrist' ? ['wrist'] : []),
      ],
      helps: [
        ...(v.goes === 'length' ? ['sleeve-length', 'arm-length'] : []),
        ...(close && v.goes === 'length' ? ['wrist'] : []),
        ...(close ? ['elbow', 'shoulder-to-elbow'] : []),
        ...(v.end === 'hem' || v.cuffCloses === 'none' ? ['fist'] : []),
      ],
    };
  },
  lines: () => [],
  draft: draftSleeve,
  figures: (_, __, d) => [...d.plan.figures, ...d.measured],
  checks: sleeveChecks,
  picture: (c, _, d) => sleevePicture(c, d),
  cutting: (c, v, d) => {
    const m = d.plan.marked;
    return {
      pieces: pieces(c, d.panels, 'sleeve'),
      notions: [
        ...(v.end === 'cuff' && v.cuffCloses !== 'none'
          ? [
              {
                name: 'cuff buttons',
                length: null,
                note: v.cuffCloses === 'loops' ? 'with loops, both cuffs' : 'both cuffs',
              },
            ]
          : []),
        ...(m && m.elastic !== null
          ? [
              {
                name: 'elastic for the sleeves',
                length: cm(2 * m.elastic),
                note: `two of ${ELASTIC_SHORTER} cm less than the arm; try it by comfort`,
              },
            ]
          : []),
      ],
      allowances: allowanceList(c, [
        ['sleeve cap', 'armhole'],
        ['underarm seam of the sleeve', 'side'],
        v.end === 'cuff' ? ['sleeve end and cuff', 'band'] : ['sleeve hem', 'sleeveHem'],
      ]),
      cautions: [],
    };
  },
});
