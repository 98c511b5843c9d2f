import { cm } from '../../../units/length.ts';
import { say } from '../../../units/print.ts';
import { adapt } from '../../adapt.ts';
import { allowanceList, pieces } from '../../common/skirt-cutting.ts';
import { HELD_AGAINST, isKnown, isRead, type Leaves, left } from '../../leaves.ts';
import { definePart, type PartContext } from '../../part.ts';
import { armOf } from './arm.ts';
import { sleeveChecks } from './checks.ts';
import { draftSleeve, type SleeveDraft } from './draft.ts';
import { FIELDS, type SleeveValues } from './fields.ts';
import { sleevePicture } from './picture.ts';
import { ELASTIC_SHORTER, PASSES } from './plan.ts';

/** A sleeve set into the armhole of what it joins: straight, fitted, flared, puffed; hemmed, cuffed or on elastic. */
export const sleeve = definePart({
  id: 'sleeve',
  name: 'set-in sleeve',
  key: 'sleeve',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  adapts: ['longer', 'sleeve-end'],
  reshape: adapt,
  joins: { gives: [], takes: [{ edge: 'armhole', needed: true }], givenUp: [] },
  wants: (v) => {
    const close = (v.shape === 'fitted' && v.endGirth === null) || !['hem', 'slit'].includes(v.end);
    return {
      needs: [
        'upper-arm',
        ...(v.goes === 'wrist' ? ['arm-length'] : []),
        ...(close && v.goes === 'wrist' ? ['wrist'] : []),
      ],
      helps: [
        ...(v.goes === 'length' ? ['sleeve-length'] : []),
        ...(close && v.goes === 'length' ? ['arm-length', 'wrist'] : []),
        // A straight one to the wrist knows the arm by its two ends.
        ...(v.shape === 'fitted' || (close && v.goes === 'length')
          ? ['elbow', 'shoulder-to-elbow', 'forearm']
          : []),
        ...(v.end === 'hem' || v.cuffCloses === 'none' ? ['fist'] : []),
      ],
    };
  },
  leaves: sleeveLeaves,
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
                count: 2,
                note: v.cuffCloses === 'loops' ? 'with loops, both cuffs' : 'both cuffs',
              },
            ]
          : []),
        ...(m && m.elastic !== null
          ? [
              {
                name: 'elastic for the sleeves',
                length: cm(2 * m.elastic),
                note: `two, each ${say(ELASTIC_SHORTER)} shorter than the arm; try it by comfort`,
              },
            ]
          : []),
        ...(m?.frill
          ? [
              {
                name: 'elastic for the sleeves',
                length: cm(2 * m.frill.length),
                note: `two, each ${say(ELASTIC_SHORTER)} shorter than the arm there; sewn on stretched, ${say(v.frill)} above the end`,
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

/** What a sleeve asks for and leaves: girths that its end does not reach, and what only has to go through or into it. */
function sleeveLeaves(c: PartContext, v: SleeveValues, d: SleeveDraft): Leaves {
  const figure = (id: string) => d.plan.figures.find((f) => f.id === c.id(id));
  const term = (id: string, label: string) => figure(id)?.terms.find((t) => t.label === label)?.cm ?? 0;
  const bent = figure('elbow') !== undefined;
  const ends = figure('length')?.finished ?? null;
  const by = v.goes === 'wrist' || ends === null ? [] : armOf(c).readAt(ends);
  const told = v.shape === 'fitted' || v.end !== 'hem' ? by : [];
  // Where the elbow lies says where the forearm does.
  const placed = told.includes('elbow') || told.includes('forearm') ? ['shoulder-to-elbow'] : [];
  return {
    ...left(
      isRead(c, 'arm-length'),
      ['neck-to-wrist', 'nape-to-wrist'],
      'The arm was read from the shoulder point.',
    ),
    ...left(
      isKnown(c, 'neck-to-wrist'),
      ['nape-to-wrist'],
      'The length from the side-neck to the wrist was read.',
    ),
    ...left(
      term('upper-arm', 'for the cap') > 2,
      ['upper-arm'],
      'A cap that meets the armhole is wider than this arm needs: the arm only says how much room it has.',
    ),
    ...left(term('end', PASSES) === 0 && term('cuff-length', PASSES) === 0, ['fist'], HELD_AGAINST),
    ...left(
      !bent,
      ['elbow', 'shoulder-to-elbow', 'forearm', 'wrist'].filter(
        (id) => ![...told, ...placed].includes(id) && !(v.goes === 'wrist' && id === 'wrist'),
      ),
      'The sleeve ends elsewhere, or falls straight past it.',
    ),
    ...left(
      bent && !told.includes('forearm'),
      ['forearm'],
      'From the elbow to its end the sleeve runs straight.',
    ),
  };
}
