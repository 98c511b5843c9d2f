import { sewnLength } from '../../../draft/measure.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, type RawCheck, warn } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { balanceCheck, quarterBalance } from '../../common/bodice/balance.ts';
import { absentChecks, bustAbove, seamChecks } from '../../common/bodice/checks.ts';
import { closingNotions } from '../../common/bodice/closing.ts';
import { quarterLines } from '../../common/bodice/quarter-plan.ts';
import { allowanceList, PINS, pieces, threadAndNeedle } from '../../common/skirt-cutting.ts';
import { MOST_EASED } from '../../meeting.ts';
import { definePart, type PartContext } from '../../part.ts';
import { FACES } from '../../tables/darts.ts';
import { type BodiceDraft, draftBodice } from './draft.ts';
import { type BodiceValues, FIELDS } from './fields.ts';
import { bodicePicture } from './picture.ts';
import { isPrincess } from './seams.ts';

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
    'pleat',
  ],
  joins: { gives: ['waist', 'armhole', 'neck'], takes: [], givenUp: [] },
  wants: () => ({
    needs: [
      'bust',
      'waist',
      'neck-to-bust',
      'neck-to-waist-front',
      'nape-to-waist',
      'across-shoulder',
      'apex-span',
    ],
    helps: [
      'bust-front',
      'waist-front',
      'shoulder',
      'neck-width',
      'across-front',
      'across-back',
      'armhole',
      'armhole-depth',
      'neck-to-waist-back',
      'underarm-to-waist',
      'neck-depth-front',
    ],
  }),
  lines: (v, { stepped }) =>
    quarterLines(
      v.plan,
      [
        { zone: 'bust', needed: true },
        { zone: 'waist', needed: true },
      ],
      stepped,
    ),
  draft: draftBodice,
  figures: (_, v, d) => [
    ...d.plan.figures,
    // A princess seam runs over the bust point: its darts have no end of their own.
    ...(d.taking ? [...d.taking.front.figures, ...d.taking.back.figures] : []).filter(
      (f) => !isPrincess(v) || !f.id.endsWith('-length'),
    ),
    ...d.bustDart,
    ...d.measured,
  ],
  checks: bodiceChecks,
  picture: (c, v, d) => bodicePicture(c, v, d),
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'bodice'),
    notions: [
      ...(c.below || c.closes !== 'zip'
        ? []
        : [{ name: 'hook and eye', length: null, note: 'above the zip' }]),
      ...closingNotions(c, d.faces?.front),
      ...threadAndNeedle(c),
    ],
    allowances: allowanceList(c, [
      ['side seams', c.opens === 'left-side' && c.allowances.zip > c.allowances.side ? 'zip' : 'side'],
      ['shoulder seams', 'shoulder'],
      ['neckline', 'neck'],
      ['armholes', 'armhole'],
      c.below ? ['waist seam', 'waist'] : ['hem', 'hem'],
      c.opens === 'centre-back' && ['centre back (zip) seam', 'zip'],
      c.opens === 'centre-front' && ['centre front', 'zip'],
      isPrincess(v) && ['princess seams', 'side'],
      ['facings, free edge', 'facing'],
    ]),
    cautions: [PINS],
  }),
});

function bodiceChecks(c: PartContext, v: BodiceValues, d: BodiceDraft): RawCheck[] {
  const found: RawCheck[] = absentChecks(d.plan.figures);
  const m = d.plan.marked;
  if (!m) return found;
  if (!d.faces) {
    if (c.line('bust')?.front && c.line('waist')?.front)
      found.push(
        warn(
          c.id('heights'),
          c.id('waist-front'),
          `The heights do not make a bodice: armhole ${p(m.armhole)}, bust ${p(m.bustLevel)}, waist ${p(m.waistFront)} in front and ${p(m.waistBack)} behind. Read them again.`,
        ),
      );
    return found;
  }
  found.push(...bustAbove(c, m));
  found.push(v.plan === 'quarter' ? quarterBalance(c) : balanceCheck(c, m.waistFront, m.waistBack));
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
  for (const f of d.cut) {
    const [outer, inner] = f.panels.map((q) =>
      q.edges.some((e) => e.id === 'princess') ? sewnLength(q, 'princess') : null,
    );
    if (outer == null || inner == null) continue;
    const off = cm(Math.abs(outer - inner));
    found.push(
      judge(
        off <= MOST_EASED + 1e-9,
        c.id(`princess-${f.face}`),
        f.face === 'front' ? c.id('apex') : c.id('armhole-round'),
        `Princess seams, ${f.face}: centre ${p(outer)}, side ${p(inner)}${off <= TOLERANCE.detail ? ', equal within what is trued' : off <= MOST_EASED ? `; ${p(off)} is eased over the fullest place` : `; ${p(off)} apart, true them`}.`,
      ),
    );
  }
  const { sides, checks } = seamChecks(c, d.faces, d.measured);
  found.push(...checks);
  const side = c.measured.get('underarm-to-waist')?.net;
  if (side != null && Math.abs(sides[1] - side) > 3)
    found.push(
      warn(
        c.id('side-height'),
        c.id('side-seam'),
        `The side seam is ${p(sides[1])}, the side height was read ${p(side)}: more than 3 cm apart. Read armhole depth and waist levels again.`,
      ),
    );
  return found;
}
