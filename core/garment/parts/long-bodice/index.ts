import { markedGirth, TOLERANCE, ZERO } from '../../../figure/build.ts';
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
import { quarterLines } from '../../common/bodice/quarter-plan.ts';
import { asSeam, isPrincess, princessChecks, takenFigures } from '../../common/bodice/seams.ts';
import { bodiceWants } from '../../common/bodice/wants.ts';
import { headThroughNeck } from '../../common/head-passes.ts';
import { neckWideChecks } from '../../common/neck-wide.ts';
import { allowanceList, PINS, pieces, threadAndNeedle, tripCaution } from '../../common/skirt-cutting.ts';
import { TOTALS, totalCheck, totalLeaves } from '../../common/total-length.ts';
import { walkChecks } from '../../common/walk.ts';
import { LENGTH_GIVEN, left } from '../../leaves.ts';
import { definePart, type OpeningMade, type PartContext } from '../../part.ts';
import { FACES } from '../../tables/darts.ts';
import { type EaseRule, easeFor } from '../../tables/fit.ts';
import { draftLong, type LongDraft } from './draft.ts';
import { FIELDS, isOver, type LongValues, OVER } from './fields.ts';
import { outerEase } from './outer-ease.ts';
import { longPicture } from './picture.ts';

/** Below this it reaches the hip on most bodies, and needs its girth, cm (house figure). */
const REACHES_HIP = 15;
/** Past this it is long enough to hinder a stride, cm below the waist (house figure). */
const LONG = 45;

/** A bodice without a waist seam, on to the hip or further: jacket, coat, sheath. */
export const longBodice = definePart({
  id: 'long-bodice',
  name: 'bodice on to the hip',
  key: 'bodice',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  adapts: [
    'longer',
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
  joins: { gives: ['armhole', 'neck'], takes: [], givenUp: [] },
  wants: (v) => {
    const bodice = bodiceWants(v.plan, v.zip);
    return {
      needs: [...bodice.needs, 'hip'],
      helps: [
        ...bodice.helps,
        ...TOTALS,
        'waist-to-hip',
        ...(v.plan === 'measured' ? ['hip-front'] : []),
        'waist-to-knee',
        'waist-to-floor',
      ],
    };
  },
  leaves: (c, v) => ({
    ...bodiceLeaves(c, v.plan),
    ...totalLeaves(c, false),
    ...left(true, ['waist-to-knee', 'waist-to-floor'], LENGTH_GIVEN),
  }),
  lines: (v, c) =>
    quarterLines(
      v.plan,
      OVER.map(([zone, field]) => ({
        zone,
        ...outerOf(c, v, zone),
        ...(zone === 'bust' ? { sharedBy: cupQuarters } : {}),
        needed: zone !== 'hip' || v.lengthFrom !== 'waist' || v.below > REACHES_HIP,
        over: v[field],
      })),
      c.stepped,
    ),
  draft: draftLong,
  figures: (_, v, d) => [
    ...d.plan.figures,
    ...(isPrincess(v) ? d.own.map(asSeam) : d.own),
    ...takenFigures(v, d.taking),
    ...d.bustDart,
    ...d.measured,
  ],
  checks: (c, v, d, opening) => [...longChecks(c, v, d, opening), ...headThroughNeck(c, d.sewn.neck)],
  picture: (c, v, d) => longPicture(c, v, d),
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'bodice'),
    notions: [
      ...(c.closes === 'zip' ? [{ name: 'hook and eye', length: null, note: 'above the zip' }] : []),
      ...closingNotions(c, d.turn?.m, d.faces?.front),
      ...threadAndNeedle(c),
    ],
    allowances: allowanceList(c, [
      ['side seams', c.opens === 'left-side' && c.allowances.zip > c.allowances.side ? 'zip' : 'side'],
      ['shoulder seams', 'shoulder'],
      ['neckline', 'neck'],
      ['armholes', 'armhole'],
      ['hem', 'hem'],
      isPrincess(v) && ['princess seams', 'side'],
      c.opens === 'centre-back' && ['centre back (zip) seam', 'zip'],
      c.opens === 'centre-front' && ['centre front', 'zip'],
      ['facings, free edge', 'facing'],
    ]),
    cautions: [PINS, ...tripCaution(c, d.below ?? ZERO)],
  }),
});

function longChecks(c: PartContext, v: LongValues, d: LongDraft, opening: OpeningMade): RawCheck[] {
  const found: RawCheck[] = [...absentChecks(d.plan.figures), ...neckWideChecks(c, v, d.plan.figures)];
  found.push(...overChecks(c, v), ...(v.lengthFrom === 'waist' ? totalCheck(c, v.below, 'below') : []));
  const m = d.plan.marked;
  if (!m) return found;
  if (!d.faces) {
    if (c.line('bust')?.front && c.line('waist')?.front)
      found.push(
        warn(
          c.id('heights'),
          c.id('waist-front'),
          `The heights do not make a bodice: armhole ${p(m.armhole)}, bust ${p(m.bustLevel)}, waist ${p(m.waistFront)} in front and ${p(m.waistBack)} behind. Read them again${c.line('hip')?.front ? '' : ', and the hip'}.`,
        ),
      );
    return found;
  }
  found.push(...bustAbove(c, m), ...narrowQuarters(c, m), ...wideAcross(c, m));
  if (v.plan === 'quarter') found.push(quarterBalance(c));
  else found.push(...turnChecks(c, d.turn!, d.bustDart[0]?.marked ?? ZERO, v.shaping === 'darts'));
  if (d.slits !== v.slits)
    found.push(
      warn(
        c.id('slits'),
        c.id('below'),
        `Slits of ${p(v.slits)} are longer than what lies below the waist (${p(d.below ?? ZERO)}): they were left out.`,
      ),
    );
  for (const face of FACES) {
    const { over } = d.taking![face];
    if (over > TOLERANCE.detail)
      found.push(
        warn(
          c.id(`dart-over-${face}`),
          c.id(`side-${face}`),
          `${face}: two darts and the side seam usually take less; ${p(over)} more went into the side seam. ${isPrincess(v) ? 'Seam it at the waist' : 'Cut princess seams'}, or accept it.`,
        ),
      );
  }
  found.push(...princessChecks(c, d.cut), ...seamChecks(c, d.faces, d.measured).checks);
  if (d.below !== null && d.below > LONG)
    found.push(
      ...walkChecks(c, {
        length: d.below,
        girthAt: (depth) => d.girthAt?.(cm(Math.min(depth, d.below! - 0.02))) ?? null,
        // What opens in front opens for the step as well.
        opening:
          c.opens === 'centre-front'
            ? { kind: 'slit', figure: c.id('below'), height: cm(Math.max(15, d.below / 2)) }
            : d.slits > 0
              ? { kind: 'slit', figure: c.id('slits'), height: d.slits }
              : null,
        zipEnds: c.closes === 'zip' ? opening.endsAt : null,
      }),
    );
  return found;
}

/** A jacket’s or coat’s own ease, where nothing beneath it was stated and the house has no figure of its own. */
function outerOf(
  c: Pick<PartContext, 'input'>,
  v: LongValues,
  zone: 'bust' | 'waist' | 'hip',
): { readonly ease?: EaseRule } {
  const { brief, house } = c.input;
  if (
    v.worn === 'dress' ||
    isOver(v) ||
    v.plan === 'quarter' ||
    (house.ease.own?.[zone] ?? house.ease[zone]?.[brief.fit]) !== undefined
  )
    return {};
  const rule = outerEase(
    v.worn,
    zone,
    brief.fit,
    (z) => easeFor(z, brief.fit, 'workroom', 'shoulder', house.ease).ease,
  );
  return rule ? { ease: rule } : {};
}

/** What is worn beneath has to find room, line by line, as marked. */
function overChecks(c: PartContext, v: LongValues): RawCheck[] {
  return OVER.flatMap(([zone, field]) => {
    const inner = v[field];
    const figure = c.line(zone)?.figure;
    const marked = figure ? markedGirth(figure) : null;
    if (inner === null || marked === null) return [];
    const room = cm(marked - inner);
    return [
      judge(
        room >= 0,
        c.id(`over-${zone}`),
        zone,
        room >= 0
          ? `Over ${p(inner)} round the ${zone} it is ${p(marked)}, as marked: ${p(room)} between the two.`
          : `What is beneath is ${p(inner)} round the ${zone}, this one ${p(marked)} as marked: it cannot go over it.`,
      ),
    ];
  });
}
