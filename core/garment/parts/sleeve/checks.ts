import { sewnLength } from '../../../draft/measure.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import { capital } from '../../../text/in-words.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { whole } from '../../common/armhole-sewn.ts';
import type { PartContext } from '../../part.ts';
import { FLOORS } from '../../tables/fit.ts';
import type { SleeveDraft } from './draft.ts';
import type { SleeveValues } from './fields.ts';

/** A cap lower than this part of its armhole drags at the underarm while the arm hangs (common practice). */
const LOWEST_CAP = 1 / 5;

/** What of a drafted sleeve would not hang, pass a hand or go into its armhole. */
export function sleeveChecks(c: PartContext, v: SleeveValues, d: SleeveDraft): RawCheck[] {
  const found: RawCheck[] = [];
  const { plan } = d;
  const figure = (id: string) => plan.figures.find((f) => f.id === c.id(id));
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  if (!plan.armhole)
    found.push(
      warn(
        c.id('armhole'),
        c.id('cap-height'),
        'The sleeve waits for its armhole: what it is set into is not drafted yet.',
      ),
    );
  if (plan.tooWide)
    found.push(
      warn(
        c.id('too-wide'),
        c.id('upper-arm'),
        `An armhole of ${p(whole(plan.armhole!))} cannot take a sleeve ${p(figure('upper-arm')!.marked!)} wide: lower the armhole, widen the bodice there, or gather the cap.`,
      ),
    );
  for (const f of plan.figures)
    if (f.finished === null && !(f.id === c.id('cap-height') && (plan.tooWide || !plan.armhole)))
      found.push(
        missing(
          `absent-${f.id}`,
          f.id,
          // With the arm read it is the bodice that is missing.
          !plan.armhole && f.id !== c.id('length') && net('upper-arm') !== null
            ? `${capital(f.name)} waits for the armhole: what it is set into is not drafted yet.`
            : `${f.name} is not known: what it is made from was not measured; measure it or set it by hand.`,
        ),
      );
  const m = plan.marked;
  if (!m) {
    const [cap, length] = [figure('cap-height')?.marked, figure('length')?.marked];
    if (cap != null && length != null && length <= cap + 2)
      found.push(
        warn(
          c.id('short'),
          c.id('length'),
          `The cap takes ${p(cap)} of the sleeve’s ${p(length)}: less than ${p(2)} is left below the underarm. Make the sleeve longer, or the cap lower.`,
        ),
      );
    return found;
  }
  const arm = net('upper-arm');
  const floor = FLOORS['upper-arm']!;
  const marked = figure('upper-arm')!.marked!;
  if (arm !== null && c.input.brief.cloth.stretch === 0)
    found.push(
      judge(
        marked - arm >= floor.least - 1e-9,
        c.id('floor-upper-arm'),
        c.id('upper-arm'),
        `Upper arm: ease ${p(cm(marked - arm))} as marked, the floor in a woven is ${p(floor.least)} (${floor.why}).`,
      ),
    );
  const round = whole(plan.armhole!);
  found.push(
    judge(
      m.cap >= round * LOWEST_CAP,
      c.id('low-cap'),
      c.id('cap-height'),
      m.cap >= round * LOWEST_CAP
        ? `The cap is ${p(cm(m.cap))} high in an armhole of ${p(round)}.`
        : `The cap is only ${p(cm(m.cap))} high in an armhole of ${p(round)}: it lifts well, and folds lie under the arm while it hangs. Lower the armhole or accept it.`,
    ),
  );
  found.push(...endChecks(c, v, d), ...markChecks(c, v, d.plan.marked!));
  if (v.goes === 'length' && plan.arm.length !== null && m.length > plan.arm.length + 2)
    found.push(
      warn(
        c.id('past-wrist'),
        c.id('length'),
        `It ends ${p(cm(m.length - plan.arm.length))} below the wrist: over the hand.`,
      ),
    );
  if (d.overSwung)
    found.push(
      warn(
        c.id('flare'),
        c.id('end'),
        `${p(cm(m.flare))} of flare is more than a sleeve this long can carry by slashing: cut the lower part as a circle.`,
      ),
    );
  const [front, back] = [sewnLength(d.panel!, 'underarm'), sewnLength(d.panel!, 'underarm-back')];
  found.push(
    judge(
      Math.abs(front - back) <= TOLERANCE.detail,
      c.id('seams'),
      c.id('underarm'),
      `Underarm seams sewn: front ${p(front)}, back ${p(back)}${m.elbow ? ' with its dart closed' : ''}${Math.abs(front - back) <= TOLERANCE.detail ? ', equal within what is trued' : `; ease or true ${p(cm(Math.abs(front - back)))}`}.`,
    ),
  );
  return found;
}

/** Whether the hand passes the end of the sleeve, and the arm fills it no more than it goes round. */
function endChecks(c: PartContext, v: SleeveValues, d: SleeveDraft): RawCheck[] {
  const { plan } = d;
  const m = plan.marked!;
  const found: RawCheck[] = [];
  const fist = c.measured.get('fist')?.net ?? null;
  const end =
    d.measured.find((f) => f.id === c.id('end'))?.marked ??
    plan.figures.find((f) => f.id === c.id('end'))?.marked ??
    null;
  const passes =
    v.end === 'cuff' ? (v.cuffCloses === 'none' ? m.cuff!.length : null) : v.end === 'slit' ? null : end;
  if (
    passes !== null &&
    v.end !== 'elastic' &&
    v.end !== 'frill' &&
    plan.arm.length !== null &&
    m.length > plan.arm.length * 0.5
  ) {
    if (fist !== null)
      found.push(
        judge(
          passes >= fist - 1e-9 || c.input.brief.cloth.stretch > 0,
          c.id('fist'),
          c.id(v.end === 'cuff' ? 'cuff-length' : 'end'),
          `The end is ${p(passes)}, the closed hand ${p(fist)}: ${passes >= fist ? 'it passes' : 'it does not pass without an opening'}.`,
        ),
      );
    else
      found.push(
        warn(
          c.id('fist'),
          c.id(v.end === 'cuff' ? 'cuff-length' : 'end'),
          'The closed hand was not measured: whether it passes the end is not known.',
        ),
      );
  }
  const there = plan.arm.girthAt(m.length);
  if (end !== null && there !== null && end < there)
    found.push(
      warn(
        c.id('end-narrow'),
        c.id('end'),
        `The end is ${p(end)}, the arm there ${p(cm(there))}: it would not go round.`,
      ),
    );
  return found;
}

/** What is marked on a sleeve: lengths to try, an elastic above its frill, a slit. */
function markChecks(
  c: PartContext,
  v: SleeveValues,
  m: NonNullable<SleeveDraft['plan']['marked']>,
): RawCheck[] {
  const found: RawCheck[] = [];
  for (const t of m.tries)
    if (t.at >= m.length || t.at <= m.cap + 2)
      found.push(
        warn(
          c.id(`try-${t.at}`),
          c.id('length'),
          t.at >= m.length
            ? `The sleeve is cut ${p(cm(m.length))} long: a length of ${p(cm(t.at))} cannot be tried on it. Cut it to the longest.`
            : `A length of ${p(cm(t.at))} to try ends in the cap of ${p(cm(m.cap))}.`,
        ),
      );
  if (v.end === 'frill' && m.frill === null)
    found.push(
      warn(
        c.id('frill'),
        c.id('length'),
        'The arm where the elastic lies was not measured: its length is not known. Measure elbow or wrist and the arm length.',
      ),
    );
  if (v.end === 'slit' && v.slit > m.length - m.cap - 3)
    found.push(
      warn(
        c.id('slit'),
        c.id('length'),
        `A slit ${p(v.slit)} high reaches into the cap: ${p(cm(m.length - m.cap))} lie below the underarm.`,
      ),
    );
  return found;
}
