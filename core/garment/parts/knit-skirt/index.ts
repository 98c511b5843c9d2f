import { directionAt } from '../../../draft/curve.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { casingName, elasticNotion } from '../../common/elastic.ts';
import { FREE_WANTS } from '../../common/flared.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
import {
  emptyView,
  gatherStrokes,
  levelStroke,
  n,
  pictureOf,
  point,
  skirtOutline,
  type View,
} from '../../common/silhouette.ts';
import { allowanceList, PINS, pieces, threadAndNeedle, tripCaution } from '../../common/skirt-cutting.ts';
import { LENGTH_GIVEN, left } from '../../leaves.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { FACES } from '../../tables/darts.ts';
import { draftKnitSkirt, easeOfRule, halfStretched, type KnitSkirtDraft } from './draft.ts';
import { FIELDS, type KnitSkirtValues } from './fields.ts';

/** A pull-on straight skirt wants at least this stretch round the body, per cent, and better twice that (common practice). */
const LEAST_STRETCH = 25;
/** Below the knee a hem has to let a stride through, cm (common practice). */
const STRIDE = 96;
const USUAL_KNEE = 60;

/** A side seam may turn by this much at the hip and still be pressed fair, degrees (handbook page 10). */
const FAIR_TURN = 12;
/** By how much the side turns at the hip line, at the most of both faces, degrees, and how far below it the hem lies, cm. */
function turnAtHip(c: PartContext, d: KnitSkirtDraft): { turn: number; below: number } | null {
  const level = c.line('hip')?.level;
  if (!d.faces || level == null) return null;
  const turns = FACES.map((face) => {
    const [above, under] = d.faces![face].edges.find((e) => e.id === 'side')!.path.slice(-2);
    const [u, v] = [directionAt(above!, 1), directionAt(under!, 0)];
    return Math.abs((Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1]) * 180) / Math.PI);
  });
  return { turn: Math.max(...turns), below: d.longest - level };
}

/** A straight skirt in knit that is pulled on, without an opening. */
export const knitSkirt = definePart({
  id: 'knit-skirt',
  name: 'knit skirt, pulled on',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: { gives: [], takes: [], givenUp: [] },
  wants: () => ({
    needs: ['waist', 'hip', 'waist-to-hip', ...FREE_WANTS.needs.filter((id) => id !== 'waist')],
    helps: ['waist-front', 'hip-front', 'waist-to-knee', 'waist-to-floor'],
  }),
  leaves: () => left(true, ['waist-to-knee', 'waist-to-floor'], LENGTH_GIVEN),
  lines: (v) => {
    const ease = easeOfRule(v.rule);
    return [
      // What hugs the hip hugs the waist as well.
      { zone: 'waist', needed: true, ...(ease && v.rule === 'hugging' ? { ease } : {}) },
      { zone: 'hip', needed: true, ...(ease ? { ease } : {}) },
    ];
  },
  draft: draftKnitSkirt,
  figures: (_, __, d) => [
    ...(d.atWaist ? [d.atWaist.front, d.atWaist.back] : []),
    d.elastic,
    d.hem,
    ...STATIONS.map((s) => d.lengths[s]),
    ...d.measured,
  ],
  checks: knitSkirtChecks,
  picture: knitSkirtPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'skirt'),
    notions: [elasticNotion(c, d.elastic, v.casing), ...threadAndNeedle(c)],
    allowances: [
      { name: casingName(v), cm: d.faces ? d.faces.front.edges[0]!.allowance : c.allowances.waist },
      ...allowanceList(c, [
        ['side seams', 'side'],
        ['hem', 'hem'],
      ]),
    ],
    cautions: [PINS, ...tripCaution(c, d.longest)],
  }),
});

function knitSkirtChecks(c: PartContext, _: KnitSkirtValues, d: KnitSkirtDraft): RawCheck[] {
  const found: RawCheck[] = [];
  const { stretch } = c.input.brief.cloth;
  if (d.elastic.finished === null)
    found.push(
      missing(
        `absent-${d.elastic.id}`,
        d.elastic.id,
        'The elastic is not known: the waist was not measured.',
      ),
    );
  found.push(
    judge(
      stretch >= LEAST_STRETCH,
      c.id('stretch'),
      'hip',
      `The cloth stretches ${stretch} % round the body; a pull-on skirt wants at least ${LEAST_STRETCH} %, better ${2 * LEAST_STRETCH} %.`,
    ),
  );
  const hip = c.line('hip');
  if (d.round !== null && hip?.net != null) {
    const opened = halfStretched(d.round, stretch);
    found.push(
      judge(
        opened >= hip.net - 1e-6,
        c.id('passes'),
        c.id('waist-line-front'),
        `The waist is ${p(d.round)} relaxed and ${p(opened)} when half of its stretch is used; the hip of ${p(hip.net)} ${opened >= hip.net - 1e-6 ? 'passes' : 'does not pass: widen it, take a cloth that stretches more, or put in an opening'}.`,
      ),
    );
  }
  if (hip && !d.faces && d.lengths.front.finished !== null && d.atWaist)
    found.push(
      warn(
        c.id('short'),
        c.id('hem'),
        `A skirt ${p(d.longest)} long ends above its hip line (${p(hip.level ?? cm(0))}): give its length, or set the level.`,
      ),
    );
  const side = turnAtHip(c, d);
  if (side && side.turn > FAIR_TURN)
    found.push(
      warn(
        c.id('corner-at-hip'),
        c.id('hem'),
        `The hem lies only ${p(cm(side.below))} below the hip line, and the side runs to it with a corner of ${Math.round(side.turn)}°: make it longer, or its hem nearer to the width of the hip.`,
      ),
    );
  const knee = c.measured.get('waist-to-knee')?.net ?? USUAL_KNEE;
  if (d.hem.finished !== null && d.longest > knee) {
    const opened = halfStretched(d.hem.finished, stretch);
    found.push(
      judge(
        opened >= STRIDE,
        c.id('stride'),
        c.id('hem'),
        `Below the knee the hem is ${p(d.hem.finished)}, ${p(opened)} when half of its stretch is used: ${opened >= STRIDE ? 'room to walk' : `under ${p(cm(STRIDE))}, it needs a slit or more width`}.`,
      ),
    );
  }
  return found;
}

function knitSkirtPicture(c: PartContext, v: KnitSkirtValues, d: KnitSkirtDraft): Picture {
  const hip = c.line('hip');
  if (!d.faces || hip?.level == null || d.round === null) return NO_PICTURE;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    const held = Math.min(d.round!, d.elastic.marked ?? d.round!) / 4;
    const wide = hip[face]!.rounded;
    const hem = d.faces![face].edges[2]!.path[0]![0];
    out.strokes.push(
      skirtOutline({
        waist: held,
        through: [],
        wide: [wide, hip.level!],
        hem: hem[0],
        left: hem[1],
        centre: hem[1],
        right: hem[1],
      }),
      { kind: 'band', figure: d.elastic.id, d: `M${n(-held)} ${n(v.casing)} L${n(held)} ${n(v.casing)}` },
      gatherStrokes(held, v.casing, d.elastic.id),
      levelStroke('hip', wide, hip.level!),
      // Two rows of stitching show a knit’s hem.
      levelStroke(c.id('hem'), hem[0], hem[1] - 2),
      levelStroke(c.id('hem'), hem[0], hem[1] - 2.5),
    );
    if (face === 'front') {
      point(out, d.elastic, [held * 0.6, v.casing / 2]);
      point(out, c.line('waist')?.figure, [-held, 0]);
      point(out, hip.figure, [-wide, hip.level!]);
      point(out, d.hem, [-hem[0], hem[1]]);
    } else point(out, hip.levelFigure, [wide * 0.6, hip.level!]);
    point(out, d.lengths[face === 'front' ? 'left' : 'right'], [hem[0], hem[1] * 0.7]);
    point(out, d.lengths[face], [0, hem[1] * 0.85]);
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
