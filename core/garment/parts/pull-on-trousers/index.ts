import { edgeLength } from '../../../draft/measure.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { casingName, elasticNotion } from '../../common/elastic.ts';
import { legLeaves, legNeeds, THIGH_ROOM } from '../../common/leg-plan.ts';
import { hangLegs, legEdges } from '../../common/legs-picture.ts';
import { shoesUnknown } from '../../common/length-wanted.ts';
import { emptyView, gatherStrokes, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, PINS, pieces, threadAndNeedle } from '../../common/skirt-cutting.ts';
import { HELD_AGAINST, left } from '../../leaves.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import { draftPullOn, type PullOnDraft } from './draft.ts';
import { FIELDS, type PullOnValues } from './fields.ts';

/** A pull-on needs this much more than what it passes, cm (handbook of the house: 6 to 10; common practice). */
const LEAST_TO_PASS = 6;

/** Pull-on trousers and shorts on an elastic; sports shorts with room for guards. */
export const pullOnTrousers = definePart({
  id: 'pull-on-trousers',
  name: 'pull-on trousers',
  key: 'trousers',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: { gives: [], takes: [], givenUp: [] },
  wants: (v) => ({
    needs: ['waist', 'hip', v.plan === 'girths' ? 'thigh' : 'rise', ...legNeeds(v)],
    helps: [
      'tummy',
      v.plan === 'girths' ? 'rise' : 'thigh',
      'crotch-length',
      'waist-to-knee',
      'outseam',
      ...(v.goes === 'floor' ? ['heel-instep'] : []),
    ],
  }),
  leaves: (c, v, d) => ({
    ...left(true, ['tummy'], 'The waist is cut to pass the hip: the tummy goes through with it.'),
    ...left(true, [...(v.plan === 'girths' ? [] : ['thigh']), 'crotch-length', 'heel-instep'], HELD_AGAINST),
    ...legLeaves(c, v, d.plan.knee !== null),
  }),
  lines: () => [],
  draft: draftPullOn,
  figures: (_, __, d) => [
    d.round,
    ...(d.waist ? [d.waist] : []),
    d.elastic,
    ...d.plan.figures,
    ...d.measured,
  ],
  checks: pullOnChecks,
  picture: pullOnPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'leg'),
    notions: [elasticNotion(c, d.elastic, v.casing), ...threadAndNeedle(c)],
    allowances: [
      { name: casingName(v), cm: d.faces ? d.faces.front.edges[0]!.allowance : c.allowances.waist },
      ...allowanceList(c, [
        ['outside and inside legs, crotch', 'side'],
        ['hem', 'hem'],
      ]),
    ],
    cautions: [PINS],
  }),
});

function pullOnChecks(c: PartContext, v: PullOnValues, d: PullOnDraft): RawCheck[] {
  const found: RawCheck[] = [];
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  for (const f of [d.round, d.elastic, ...d.plan.figures])
    if (f.finished === null)
      found.push(
        missing(
          `absent-${f.id}`,
          f.id,
          `${f.name} is not known: what it is made from was not measured; measure it or set it by hand.`,
        ),
      );
  if (d.largest && d.round.marked !== null) {
    const round = d.round.shares.reduce((sum, s) => cm(sum + s.times * s.rounded), cm(0));
    const guards = v.guards ? 4 : 0;
    const more = cm(round - d.largest.net - guards);
    const stretches = (d.largest.net + guards) / (1 + c.input.brief.cloth.stretch / 200);
    const holds = c.input.brief.cloth.stretch > 0 ? round >= stretches - 1e-9 : more >= LEAST_TO_PASS - 1e-9;
    found.push(
      judge(
        holds,
        c.id('passes'),
        d.round.id,
        `It must pass the ${d.largest.id} of ${p(d.largest.net)}${v.guards ? ' with its guards' : ''}: it is ${p(round)} round, ${p(more)} more${holds ? '' : `; ${p(cm(LEAST_TO_PASS))} is the least without stretch`}.`,
      ),
    );
    if (d.elastic.marked !== null && d.elastic.marked > round)
      found.push(
        warn(
          c.id('elastic-long'),
          d.elastic.id,
          `The elastic (${p(d.elastic.marked)}) is longer than what it holds (${p(round)}): it would hold nothing.`,
        ),
      );
  }
  if (!d.faces) {
    if (d.round.finished !== null && d.plan.crotch !== null && d.plan.inseam !== null)
      found.push(
        warn(
          c.id('heights'),
          c.id('crotch-depth'),
          `A crotch ${p(d.plan.crotch)} below the waist and an inside leg of ${p(d.plan.inseam)} make no leg: read them again, or set one by hand.`,
        ),
      );
    return found;
  }
  if (v.goes === 'clear') found.push(...shoesUnknown(c, c.id('inseam')));
  const fork = d.plan.extends!.back;
  const round = cm(4 * d.round.shares[0]!.rounded);
  const holds = fork >= round / 32 - 1e-9;
  if (v.plan === 'girths')
    found.push(
      judge(
        holds,
        c.id('fork'),
        c.id('crotch-back'),
        `Front and back go on by ${p(fork)} each under the body, ${p(cm(2 * fork))} in all; a sixteenth and an eighth of the girth are ${p(cm((3 * round) / 16))}. ${holds ? 'Loose legs allow for it; hold it against a crotch length that was read.' : 'It would cut in: measure the thigh again, or draft from rise and crotch extensions.'}`,
      ),
    );
  const [rise, length, thigh] = [net('rise'), net('crotch-length'), net('thigh')];
  if (rise !== null)
    found.push(
      judge(
        d.plan.crotch! - rise >= 1 - 1e-9,
        c.id('floor-rise'),
        c.id('crotch-depth'),
        `Crotch level: ${p(cm(d.plan.crotch! - rise))} below where one sits; ${p(cm(1))} is the least.`,
      ),
    );
  const seam = of(d, c.id('crotch-seam'));
  if (length !== null)
    found.push(
      judge(
        seam >= length,
        c.id('crotch-length'),
        c.id('crotch-seam'),
        `The crotch seam is ${p(seam)}, through the legs was read ${p(length)}: ${seam >= length ? 'it reaches' : 'it would cut in; deepen it'}.`,
      ),
    );
  if (thigh !== null) {
    const room = cm(of(d, c.id('thigh')) - thigh);
    found.push(
      judge(
        room >= THIGH_ROOM - 1e-9,
        c.id('floor-thigh'),
        c.id('thigh'),
        `Thigh: ${p(room)} of room on the panels, ${p(cm(THIGH_ROOM))} is the least to move in.`,
      ),
    );
  }
  for (const [edge, code, figure, what] of [
    ['side', 'side-seams', 'outseam', 'Outside legs'],
    ['inseam', 'inseams', 'inseam', 'Inside legs'],
  ] as const) {
    const [f, b] = FACES.map((face) => edgeLength(d.faces![face], edge)) as [Cm, Cm];
    const apart = cm(Math.abs(f - b));
    found.push(
      judge(
        apart <= TOLERANCE.detail,
        c.id(code),
        c.id(figure),
        `${what}: front ${p(f)}, back ${p(b)}${apart > TOLERANCE.detail ? `; ease ${p(apart)} or true the longer` : ', equal within what is trued'}.`,
      ),
    );
  }
  return found;
}

const of = (d: PullOnDraft, id: string): Cm => d.measured.find((f) => f.id === id)!.finished!;

function pullOnPicture(c: PartContext, v: PullOnValues, d: PullOnDraft): Picture {
  if (!d.faces || !d.shapes) return NO_PICTURE;
  const { plan, shapes } = d;
  const figure = (id: string) => [...plan.figures, ...d.measured].find((f) => f.id === c.id(id));
  const view = (face: Face): View => {
    const out = emptyView();
    const width = d.round.shares.find((s) => s.panel === face)!.rounded;
    const waist = Math.min(width, (d.elastic.marked ?? 4 * width) / 4);
    const legs = {
      waist,
      through: [[width, plan.crotch! * 0.62]] as const,
      crotch: plan.crotch!,
      knee: plan.knee ? { level: plan.knee.level, girth: plan.knee.front + plan.knee.back } : null,
      hem: { level: shapes[face].hem[0]![0][1], girth: plan.hem!.front + plan.hem!.back },
    };
    hangLegs(out, legs);
    const e = legEdges(legs);
    out.strokes.push(
      { kind: 'band', figure: d.elastic.id, d: `M${n(-waist)} ${n(v.casing)} L${n(waist)} ${n(v.casing)}` },
      gatherStrokes(waist, v.casing, d.elastic.id),
      { kind: 'seam', figure: c.id('crotch-seam'), d: `M0 ${n(v.casing)} L0 ${n(plan.crotch!)}` },
    );
    if (face === 'front') {
      point(out, d.elastic, [waist * 0.6, v.casing / 2]);
      point(out, d.round, [-width, plan.crotch! * 0.62]);
      point(out, figure('crotch-depth'), [0, plan.crotch!]);
      point(out, figure('inseam'), [e.hem.inner, (plan.crotch! + e.hem.level) / 2]);
      point(out, figure('hem'), [-e.hem.middle, e.hem.level]);
    } else {
      point(out, figure('outseam'), [e.hem.outer, (plan.crotch! + e.hem.level) / 2]);
      point(out, figure('thigh'), [-width * 0.9, plan.crotch!]);
      point(out, figure('crotch-seam'), [0, plan.crotch! * 0.7]);
    }
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
