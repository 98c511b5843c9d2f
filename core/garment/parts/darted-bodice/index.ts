import { TOLERANCE, ZERO } from '../../../figure/build.ts';
import { judge, type RawCheck, warn } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { adapt } from '../../adapt.ts';
import { quarterBalance } from '../../common/bodice/balance.ts';
import { bodiceLeaves } from '../../common/bodice/bodice-leaves.ts';
import { turnChecks } from '../../common/bodice/bust-turn.ts';
import {
  absentChecks,
  bustAbove,
  narrowQuarters,
  seamChecks,
  wideAcross,
} from '../../common/bodice/checks.ts';
import { closingNotions } from '../../common/bodice/closing.ts';
import { cupQuarters } from '../../common/bodice/cup-quarters.ts';
import { underBustSays } from '../../common/bodice/heights-plan.ts';
import { quarterLines } from '../../common/bodice/quarter-plan.ts';
import { isPrincess, isShared, princessChecks, takenFigures } from '../../common/bodice/seams.ts';
import { lowerLevel, UNDER_WANTS, underLeaves } from '../../common/bodice/under-bust.ts';
import { bodiceWants } from '../../common/bodice/wants.ts';
import { headThroughNeck } from '../../common/head-passes.ts';
import { neckWideChecks } from '../../common/neck-wide.ts';
import { allowanceList, PINS, pieces, threadAndNeedle } from '../../common/skirt-cutting.ts';
import { JOINT_WORD } from '../../joint.ts';
import { definePart, type PartContext } from '../../part.ts';
import { FACES } from '../../tables/darts.ts';
import { type BodiceDraft, draftBodice } from './draft.ts';
import { type BodiceValues, FIELDS, planned } from './fields.ts';
import { sideOf } from './half-panel.ts';
import { bodicePicture } from './picture.ts';

/** A darted bodice to the waist: by itself, with a skirt from its waist, with sleeves. */
export const dartedBodice = definePart({
  id: 'darted-bodice',
  name: 'darted bodice',
  key: 'bodice',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  adapts: [
    'neck-wider',
    'neck-deeper',
    'neck-deeper-back',
    'armhole-lower',
    'dart-to',
    'seam-front',
    'seam-back',
    'seam-point',
    'seam-curve',
    'pleat',
    'pleat-out',
  ],
  reshape: adapt,
  joins: { gives: ['waist', 'armhole', 'neck'], takes: [], givenUp: [] },
  wants: (v) => {
    const whole = bodiceWants(v.plan, v.zip);
    return v.ends === 'under-bust' && v.plan !== 'heights'
      ? {
          needs: [...whole.needs.filter((id) => id !== 'waist'), ...UNDER_WANTS.needs],
          helps: [...whole.helps.filter((id) => id !== 'waist-front'), ...UNDER_WANTS.helps],
        }
      : whole;
  },
  leaves: (c, v) => ({
    ...bodiceLeaves(c, v.plan),
    ...(c.joint === 'underbust' ? underLeaves(c) : {}),
  }),
  lines: (v, { stepped, joint }) =>
    quarterLines(
      v.plan,
      [
        { zone: 'bust', needed: true, sharedBy: cupQuarters },
        { zone: joint, needed: true },
      ],
      stepped,
    ),
  draft: (c, v) => draftBodice(c, planned(v)),
  figures: (_, v, d) => [
    ...d.plan.figures,
    ...takenFigures(planned(v), d.taking),
    ...d.bustDart,
    ...d.measured,
  ],
  checks: (c, v, d) => [
    ...(v.plan === 'heights' &&
    ['shoulder', 'armhole', 'neck', 'waist', 'side-shoulder', 'side-waist'].includes(v.shaping)
      ? [
          warn(
            c.id('plan-shaping'),
            c.id('apex'),
            `The plan by heights is cut with princess seams: the bust dart is not moved ${isShared(v) ? '' : `to the ${v.shaping} `}but into them. Draft by the measurements for that dart.`,
          ),
        ]
      : []),
    ...bodiceChecks(c, planned(v), d),
    ...headThroughNeck(c, d.sewn.neck),
  ],
  picture: (c, v, d) => bodicePicture(c, planned(v), d),
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'bodice'),
    notions: [
      ...(c.below || c.closes !== 'zip'
        ? []
        : [{ name: 'hook and eye', length: null, note: 'above the zip' }]),
      ...closingNotions(c, d.turn?.m, d.faces?.front),
      ...threadAndNeedle(c),
    ],
    allowances: allowanceList(c, [
      ['side seams', sideOf(c, v)],
      ['shoulder seams', 'shoulder'],
      ['neckline', 'neck'],
      ['armholes', 'armhole'],
      c.below ? [c.joint === 'waist' ? 'waist seam' : 'seam under the bust', 'waist'] : ['hem', 'hem'],
      c.opens === 'centre-back' && ['centre back (zip) seam', 'zip'],
      c.opens === 'centre-front' && ['centre front', 'zip'],
      isPrincess(planned(v)) && ['princess seams', 'side'],
      ['facings, free edge', 'facing'],
    ]),
    cautions: [PINS],
  }),
});

/** A dart from a seam under the bust that is wider than this at its tip pokes, degrees (own choice). */
const STEEP = 40;
/** Whether the short darts from a seam under the bust stand up. */
const steepDarts = (c: PartContext, v: BodiceValues, d: BodiceDraft): RawCheck[] =>
  c.joint === 'waist' || isPrincess(v)
    ? []
    : FACES.flatMap((face) => {
        // The shortest stands up most.
        const dart = d.taking![face].darts.toSorted((a, b) => a.length - b.length)[0];
        const angle = dart ? (2 * Math.atan(dart.intake / 2 / dart.length) * 180) / Math.PI : 0;
        return angle <= STEEP
          ? []
          : [
              warn(
                c.id(`steep-${face}`),
                c.id(`dart-${face}-intake`),
                `${face}: a dart of ${p(dart!.intake)} on a length of ${p(dart!.length)} stands up at its point. Cut princess seams, or gather it into the seam.`,
              ),
            ];
      });

function bodiceChecks(c: PartContext, v: BodiceValues, d: BodiceDraft): RawCheck[] {
  const found: RawCheck[] = [...absentChecks(d.plan.figures), ...neckWideChecks(c, v, d.plan.figures)];
  const m = d.plan.marked;
  if (!m) return found;
  if (!d.faces && d.beyond !== null)
    return [
      ...found,
      warn(
        c.id('heights'),
        c.id('shoulder'),
        `By this plan the shoulders or across lines would end ${p(d.beyond)} beyond the bust line’s quarter (front ${p(c.line('bust')!.front!.rounded)}, back ${p(c.line('bust')!.back!.rounded)}), and no armhole lies between them. Read across shoulder and bust again, or draft by the measurements.`,
      ),
    ];
  if (!d.faces) {
    if (c.line('bust')?.front && c.line(c.joint)?.front)
      found.push(
        warn(
          c.id('heights'),
          c.id(lowerLevel(c, 'front')),
          `The heights do not make a bodice: armhole ${p(m.armhole)}, bust ${p(m.bustLevel)}, ${JOINT_WORD[c.joint]} ${p(m.waistFront)} in front and ${p(m.waistBack)} behind. Read them again.`,
        ),
      );
    return found;
  }
  found.push(...bustAbove(c, m), ...narrowQuarters(c, m), ...wideAcross(c, m));
  if (v.plan === 'quarter') found.push(quarterBalance(c));
  else found.push(...turnChecks(c, d.turn!, d.bustDart[0]?.marked ?? ZERO, v.shaping === 'darts'));
  found.push(...steepDarts(c, v, d));
  for (const face of FACES) {
    const t = d.taking![face];
    if (t.over > TOLERANCE.detail)
      found.push(
        warn(
          c.id(`dart-over-${face}`),
          c.id(`side-${face}`),
          `${face}: two darts and the side seam usually take less; ${p(t.over)} more went into the side seam. Cut princess seams, or accept it.`,
        ),
      );
  }
  found.push(...princessChecks(c, d.cut));
  const { sides, checks } = seamChecks(c, d.faces, d.measured);
  found.push(...checks);
  const under = c.measured.get('underbust')?.net;
  if (d.underBust !== null && under != null)
    found.push(
      judge(
        d.underBust >= under,
        c.id('under-bust'),
        c.id('underbust-level'),
        underBustSays(d.underBust, under),
      ),
    );
  const side = c.measured.get('underarm-to-waist')?.net;
  const whole = cm(sides[1] + m.up);
  if (side != null && Math.abs(whole - side) > 3)
    found.push(
      warn(
        c.id('side-height'),
        c.id('side-seam'),
        `${c.joint === 'waist' ? 'The side seam is' : 'The side seam on down to the waist would be'} ${p(whole)}, the side height was read ${p(side)}: more than ${p(3)} apart. Read armhole depth and waist levels again.`,
      ),
    );
  return found;
}
