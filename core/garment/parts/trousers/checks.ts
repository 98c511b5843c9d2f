import { edgeLength } from '../../../draft/measure.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { fairChecks } from '../../common/from-waist/fair-checks.ts';
import { shoesUnknown } from '../../common/length-wanted.ts';
import { bandCheck } from '../../common/waistband.ts';
import type { PartContext } from '../../part.ts';
import { FACES } from '../../tables/darts.ts';
import { FLOORS, fitWord } from '../../tables/fit.ts';
import { crotchRoom } from './crotch.ts';
import type { TrouserDraft } from './draft.ts';
import type { TrouserValues } from './fields.ts';

/** Rise and inside leg may differ from the outside leg by this much, cm: three readings of one leg. */
const LEG_APART = 2;
/** A hem without an opening is wider than the heel by this, cm (common practice). */
const HEEL_ROOM = 1;
/** The knee bends in at least this much more than its girth, cm (common practice). */
const KNEE_ROOM = 4;
/** The thigh's least ease in a woven, cm (workroom table, close). */
const THIGH_FLOOR = 2;

/** Whether the knee can bend in the leg, and the foot passes its hem. */
function legChecks(c: PartContext, d: TrouserDraft): RawCheck[] {
  const found: RawCheck[] = [];
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  const woven = c.input.brief.cloth.stretch === 0;
  const { plan } = d;
  const kneeRead = net('knee');
  if (plan.knee && kneeRead !== null && woven) {
    const at = cm(plan.knee.front + plan.knee.back);
    found.push(
      judge(
        at >= kneeRead + KNEE_ROOM - 1e-9,
        c.id('knee'),
        c.id('knee'),
        `The leg is ${p(at)} round at the knee, the knee ${p(kneeRead)}: it needs ${p(cm(KNEE_ROOM))} to bend.`,
      ),
    );
  }
  const hem = cm(plan.hem!.front + plan.hem!.back);
  const heel = net('heel-instep');
  if (plan.knee && woven)
    found.push(
      heel === null
        ? judge(
            hem >= 34,
            c.id('heel'),
            c.id('hem'),
            `Over heel and instep was not measured; a hem of ${p(hem)} ${hem >= 34 ? 'usually passes' : 'may not pass: read it'}.`,
          )
        : judge(
            hem >= heel + HEEL_ROOM - 1e-9,
            c.id('heel'),
            c.id('hem'),
            `The hem of a leg is ${p(hem)}, heel and instep ${p(heel)}: ${hem >= heel + HEEL_ROOM ? 'the foot passes' : `it needs ${p(cm(HEEL_ROOM))} more than that, or an opening`}.`,
          ),
    );
  return found;
}

/** What of drafted trousers would bind, strain or not meet. */
export function trouserChecks(c: PartContext, v: TrouserValues, d: TrouserDraft): RawCheck[] {
  const found: RawCheck[] = [];
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  const woven = c.input.brief.cloth.stretch === 0;
  const { plan } = d;
  for (const f of plan.figures)
    if (f.finished === null)
      found.push(
        missing(
          `absent-${f.id}`,
          f.id,
          `${f.name} is not known: what it is made from was not measured; measure it or set it by hand.`,
        ),
      );
  if (!d.faces || !d.shapes) {
    if (plan.crotch !== null && d.wide?.level != null && plan.inseam !== null && plan.hem)
      found.push(
        warn(
          c.id('heights'),
          c.id('crotch-depth'),
          `The crotch lies ${p(plan.crotch)} below the waist, the ${d.wide.figure.name} ${p(d.wide.level)}, the inside leg is ${p(plan.inseam)}: no leg can be drafted from that. Read them again, or set one by hand.`,
        ),
      );
    return found;
  }
  const [rise, outseam, leg, length] = [net('rise'), net('outseam'), net('inseam'), net('crotch-length')];
  const floor = FLOORS.rise!;
  if (rise !== null && woven)
    found.push(
      judge(
        plan.crotch! - rise >= floor.least - 1e-9,
        c.id('floor-rise'),
        c.id('crotch-depth'),
        `Crotch level: ease ${p(cm(plan.crotch! - rise))} as marked, the floor in a woven is ${p(floor.least)} (${floor.why}).`,
      ),
    );
  if (rise !== null && outseam !== null && leg !== null) {
    const apart = cm(Math.abs(rise + leg - outseam));
    found.push(
      judge(
        apart <= LEG_APART,
        c.id('leg-lengths'),
        c.id('inseam'),
        `Rise ${p(rise)} and inside leg ${p(leg)} make ${p(cm(rise + leg))}, the outside leg was read ${p(outseam)}: ${apart <= LEG_APART ? `${p(apart)} apart` : `${p(apart)} apart, read all three again`}.`,
      ),
    );
  }
  const seam = measuredOf(d, c.id('crotch-seam'))!;
  if (length !== null) {
    const room = cm(seam - length);
    const [least, most] = crotchRoom(c.input.brief.fit);
    const holds = room >= least - 1e-9 && room <= most + 1e-9;
    const range = `wanted ${p(cm(least))} to ${p(cm(most))} (${fitWord(c.input.brief.fit)})`;
    found.push(
      judge(
        holds,
        c.id('crotch-length'),
        c.id('crotch-seam'),
        `The crotch seam is ${p(seam)}, through the legs was read ${p(length)}: ${
          room < 0 ? `${p(cm(-room))} shorter` : `${p(room)} of room`
        }, ${range}${
          holds
            ? ''
            : room < least
              ? '. Forks and back rise have given what they may: lower the crotch level, or read both again'
              : '. Forks and back rise have given what they may: raise the crotch level, or read both again'
        }.`,
      ),
    );
  }
  const thigh = net('thigh');
  const drafted = measuredOf(d, c.id('thigh'))!;
  if (thigh !== null)
    found.push(
      judge(
        !woven || drafted - thigh >= THIGH_FLOOR - 1e-9,
        c.id('floor-thigh'),
        c.id('thigh'),
        `Thigh: ease ${p(cm(drafted - thigh))} on the panels, ${p(cm(THIGH_FLOOR))} is the least (room to sit).`,
      ),
    );
  found.push(...legChecks(c, d));
  if (v.goes === 'clear') found.push(...shoesUnknown(c, c.id('inseam')));
  found.push(
    equal(c, d, 'side', 'side-seams', 'outseam', 'Outside legs'),
    equal(c, d, 'inseam', 'inseams', 'inseam', 'Inside legs'),
    ...bandCheck(c, d.band, d.waist),
  );
  if (d.taking!.front.gather <= 0) found.push(...fairChecks(c, d.faces, d.wide!));
  for (const face of FACES) {
    const t = d.taking![face];
    if (t.over > TOLERANCE.detail)
      found.push(
        warn(
          c.id(`dart-over-${face}`),
          c.id(`side-${face}`),
          `${face}: two darts and the side seam usually take less; ${p(t.over)} more went into the side seam. Shift some of it to the other face (house balance), pleat it, or accept it.`,
        ),
      );
  }
  return found;
}

const measuredOf = (d: TrouserDraft, id: string): Cm | null =>
  d.measured.find((f) => f.id === id)?.finished ?? null;

function equal(
  c: PartContext,
  d: TrouserDraft,
  edge: string,
  code: string,
  figure: string,
  what: string,
): RawCheck {
  const [f, b] = FACES.map((face) => edgeLength(d.faces![face], edge)) as [Cm, Cm];
  const apart = cm(Math.abs(f - b));
  return judge(
    apart <= TOLERANCE.detail,
    c.id(code),
    c.id(figure),
    `${what}: front ${p(f)}, back ${p(b)}${apart > TOLERANCE.detail ? `; ease ${p(apart)} or true the longer` : ', equal within what is trued'}.`,
  );
}
