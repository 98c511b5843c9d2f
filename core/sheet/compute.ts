import { ownFindings } from '../checks/own-findings.ts';
import { RELATIONS } from '../checks/relations.ts';
import { staleSentence } from '../checks/stale.ts';
import type { Panel } from '../draft/panel.ts';
import { easeMarked } from '../figure/build.ts';
import { judge, type RawCheck, warn } from '../figure/check.ts';
import type { Caution, Check, Figure, Notion, Override, Piece } from '../figure/figure.ts';
import type { SheetInput } from '../garment/input.ts';
import { type Garment, makeGarment } from '../garment/make.ts';
import { measuringList } from '../garment/measuring.ts';
import { EASE_ZONES, envelopeClass, type FitClass, isClose, workroomClass } from '../garment/tables/fit.ts';
import type { Cm } from '../units/length.ts';
import { say } from '../units/print.ts';

/** The class the marked ease of one zone falls in, by both schools. */
export interface ZoneFit {
  readonly zone: string;
  readonly name: string;
  readonly ease: Cm;
  readonly workroom: FitClass;
  /** null where the envelope chart has no row */
  readonly envelope: string | null;
}

/** The specification sheet of one order, computed. Everything printed anywhere comes from this value. */
export interface Sheet {
  readonly input: SheetInput;
  readonly sections: readonly { readonly id: string; readonly name: string }[];
  readonly figures: readonly Figure[];
  readonly pieces: readonly Piece[];
  readonly notions: readonly Notion[];
  readonly allowances: readonly { readonly name: string; readonly cm: Cm }[];
  readonly checks: readonly Check[];
  readonly cautions: readonly Caution[];
  readonly fit: readonly ZoneFit[];
  /** what was wanted at the tape and is missing, by measure id */
  readonly missing: readonly string[];
  /** what was read and moves nothing of this garment, each with why */
  readonly unused: Garment['unused'];
  readonly panels: readonly Panel[];
  /** the panels of the left half: the same list where both sides are alike */
  readonly left: readonly Panel[];
  /** how it looks and where its figures lie, worked out when it is drawn */
  readonly look: Garment['look'];
  /** what closes it; null where it does not open */
  readonly closes: Garment['closes'];
  /** overrides that could not be followed, each with the reason */
  readonly refused: readonly { readonly override: Override; readonly sentence: string }[];
}

/**
 * Computes the sheet. Pure: the same input gives the same sheet, in well under a millisecond.
 * @throws RangeError for parts that are no garment (see garmentProblems)
 */
export function computeSheet(input: SheetInput): Sheet {
  const g = makeGarment(input);
  // The garment was made a line ago and nobody else has its figures: they get their letters where they are.
  const figures = g.figures;
  for (const [i, f] of figures.entries()) (f as { letter: string }).letter = letter(i);
  return {
    input,
    sections: g.sections.filter((s) => figures.some((f) => f.section === s.id)),
    figures,
    pieces: g.pieces,
    notions: g.notions,
    allowances: g.allowances,
    checks: [...g.checks, ...sessionChecks(input, g.measured)].map((k) => accept(k, input)),
    cautions: g.cautions,
    fit: fitOf(g),
    missing: measuringList(input.brief.parts, (id) => g.measured.get(id)?.net != null).map(({ id }) => id),
    unused: g.unused,
    panels: g.panels,
    left: g.left,
    look: g.look,
    closes: g.closes,
    refused: g.refused,
  };
}

/** What keeps the sheet from being agreed: absent figures first, then warnings nobody has accepted. */
export function openMatters(sheet: Pick<Sheet, 'figures' | 'checks'>): readonly string[] {
  const absent = sheet.figures
    .filter((f) => f.finished === null)
    .map((f) => `${f.letter} ${f.name} is missing: measure it.`);
  return [...absent, ...sheet.checks.filter((k) => k.state === 'warned' && !k.absent).map((k) => k.sentence)];
}

/** A, B … Z, AA, AB … */
const letter = (i: number): string =>
  (i < 26 ? '' : letter(Math.floor(i / 26) - 1)) + String.fromCharCode(65 + (i % 26));

function accept(check: RawCheck, input: SheetInput): Check {
  // A session's age changes every day; only that sentence may move under its acceptance.
  const holds = (sentence?: string) => !sentence || sentence === check.sentence || check.code === 'stale';
  const by =
    check.state === 'warned' && !check.absent
      ? input.accepted.find((a) => a.code === check.code && holds(a.sentence))
      : undefined;
  if (!by) return { accepted: null, ...check };
  return { ...check, state: 'accepted', accepted: { by: by.by, at: by.at, reason: by.reason } };
}

function fitOf(g: Garment): ZoneFit[] {
  const own = g.zones.flatMap(({ zone, figure: id }) => {
    const figure = g.figures.find((f) => f.id === id);
    return figure ? [{ zone, figure, net: g.measured.get(zone)?.net ?? null }] : [];
  });
  return [...g.lines, ...own].flatMap(({ zone, figure, net }) => {
    if (net === null || figure.finished === null || !EASE_ZONES.includes(zone)) return [];
    const ease = easeMarked(figure, net);
    return [
      {
        zone,
        name: figure.name,
        ease,
        workroom: workroomClass(zone, ease, g.hang, g.fit),
        envelope: envelopeClass(zone, ease),
      },
    ];
  });
}

/** The figures of these measures, cm; null where one of them has none. */
function netsOf(ids: readonly string[], measured: Garment['measured']): Cm[] | null {
  const out: Cm[] = [];
  for (const id of ids) {
    const net = measured.get(id)?.net ?? null;
    if (net === null) return null;
    out.push(net);
  }
  return out;
}

/** What the tape would have asked: the same checks, on the readings as they stand, and how they were read. */
function sessionChecks(input: SheetInput, measured: Garment['measured']): RawCheck[] {
  const found: RawCheck[] = [];
  const { date } = input.session;
  // A waist that is meant to be drawn in may be read with a firm tape.
  const tightens = input.brief.parts.some((p) => 'reduction' in p);
  const stale = date
    ? staleSentence(date, input.asOf, isClose(input.brief.fit), {
        ages: input.house.ages,
        changed: (input.session.changed ?? '') !== '',
      })
    : null;
  if (date) found.push(judge(!stale, 'stale', null, stale ?? 'The measurements are recent enough.'));
  for (const [id, m] of measured) {
    if (m.agreement.state === 'apart')
      found.push(
        warn(
          `apart-${id}`,
          null,
          `${m.measure.name}: two readings ${say(m.agreement.apart)} apart, more than ${say(m.agreement.allowed)}. Measure a third time.`,
        ),
      );
    const read = m.readings.filter((r) => r.state === 'read');
    // Confirmed is this figure: another one that is reported later is asked for anew.
    if (m.net !== null && read.some((r) => r.source === 'reported by client'))
      found.push(
        warn(
          `reported-${id}-${m.net}`,
          null,
          `${m.measure.name}, ${say(m.net)}, was measured at home by the client: confirm it before cutting.`,
        ),
      );
    if (read.some((r) => r.tape === 'over-clothes'))
      found.push(
        warn(
          `clothes-${id}`,
          null,
          `${m.measure.name} was measured over clothes: measure it again over what will be worn beneath.`,
        ),
      );
    if (read.some((r) => r.tape === 'firm') && !(id === 'waist' && tightens))
      found.push(
        warn(
          `firm-${id}`,
          null,
          `${m.measure.name} was measured with a firm tape: that is for garments meant to tighten, and this one is not. Measure it snug.`,
        ),
      );
    const last = read.at(-1);
    if (m.net === null || !last?.written) continue;
    // What was doubted at the tape and let stand with a reason is not asked again.
    const stands = read.some((r) => r.reason.trim() !== '');
    for (const f of ownFindings({ measure: m.measure, value: m.net, written: last.written, way: last.way }))
      if (!stands || f.level === 'hard') found.push(warn(`${f.code}-${id}`, null, f.sentence));
  }
  for (const rule of RELATIONS) {
    const figures = netsOf(rule.touches, measured);
    // The sentence first: nearly always there is none.
    const sentence = figures && rule.says(figures);
    if (!sentence) continue;
    const stands = rule.touches.some((id) => measured.get(id)!.readings.some((r) => r.reason.trim() !== ''));
    if (!stands || rule.level !== 'soft') found.push(warn(rule.code, null, sentence));
  }
  return found;
}
