import { RELATIONS } from '../checks/relations.ts';
import { staleSentence } from '../checks/stale.ts';
import { envelopeClass, type FitClass, workroomClass } from '../garment/fit.ts';
import type { PartContext } from '../garment/part.ts';
import { measuringList, partFor } from '../garment/registry.ts';
import { type Measured, resolveAll } from '../measures/session.ts';
import type { Cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { easeIn } from './build.ts';
import type { RawCheck } from './check.ts';
import type { Caution, Check, Figure, Notion, Piece } from './figure.ts';
import type { SheetInput } from './input.ts';

/** The specification sheet of one order, computed. Everything printed anywhere comes from this value. */
export interface Sheet {
  readonly input: SheetInput;
  readonly figures: readonly Figure[];
  readonly pieces: readonly Piece[];
  readonly notions: readonly Notion[];
  readonly allowances: readonly { readonly name: string; readonly cm: Cm }[];
  readonly checks: readonly Check[];
  readonly cautions: readonly Caution[];
  /** the class the actual hip ease falls in, by both schools; null without a hip */
  readonly fit: { readonly workroom: FitClass; readonly envelope: string; readonly ease: Cm } | null;
  /** what was wanted at the tape and is missing, by measure id */
  readonly missing: readonly string[];
}

/** Computes the sheet. Pure: the same input gives the same sheet. Takes well under a millisecond. */
export function computeSheet(input: SheetInput): Sheet {
  const measured = resolveAll(input.readings);
  const context: PartContext = {
    input,
    measured,
    overridesOf: (figure) => input.overrides.filter((o) => o.figure === figure),
  };
  const results = input.brief.parts.map((part) => partFor(part).compute(context, part));
  const figures = results.flatMap((r) => r.figures).map((f, i) => ({ ...f, letter: letter(i) }));
  const raw = [...results.flatMap((r) => r.checks), ...sessionChecks(input, measured)];
  const cautions = [...results.flatMap((r) => r.cautions)];
  return {
    input,
    figures,
    pieces: results.flatMap((r) => r.pieces),
    notions: results.flatMap((r) => r.notions),
    allowances: results.flatMap((r) => r.allowances),
    checks: raw.map((k) => accept(k, input)),
    cautions,
    fit: fitOf(figures, measured),
    missing: measuringList(input.brief.parts).flatMap(({ id }) =>
      measured.get(id)?.net == null ? [id] : [],
    ),
  };
}

/** What keeps the sheet from being agreed: absent figures first, then warnings nobody has accepted. */
export function openMatters(sheet: Sheet): readonly string[] {
  const absent = sheet.figures
    .filter((f) => f.finished === null)
    .map((f) => `${f.letter} ${f.name} is absent.`);
  return [
    ...absent,
    ...sheet.checks
      .filter((k) => k.state === 'warned' && !k.code.startsWith('absent-'))
      .map((k) => k.sentence),
  ];
}

/** A, B … Z, AA, AB … */
const letter = (i: number): string =>
  (i < 26 ? '' : letter(Math.floor(i / 26) - 1)) + String.fromCharCode(65 + (i % 26));

function accept(check: Omit<Check, 'accepted'>, input: SheetInput): Check {
  // A session's age changes every day; only that sentence may move under its acceptance.
  const holds = (sentence?: string) => !sentence || sentence === check.sentence || check.code === 'stale';
  const by = input.accepted.find((a) => a.code === check.code && holds(a.sentence));
  if (check.state !== 'warned' || !by) return { ...check, accepted: null };
  return { ...check, state: 'accepted', accepted: { by: by.by, at: by.at, reason: by.reason } };
}

function fitOf(figures: readonly Figure[], measured: ReadonlyMap<string, Measured>): Sheet['fit'] {
  const hip = figures.find((f) => f.id === 'hip');
  const body = measured.get('hip')?.net;
  if (hip?.finished == null || body == null) return null;
  const ease = easeIn(hip, body);
  return { workroom: workroomClass('hip', ease), envelope: envelopeClass(ease), ease };
}

function sessionChecks(input: SheetInput, measured: ReadonlyMap<string, Measured>): RawCheck[] {
  const found: RawCheck[] = [];
  const warned = (code: string, sentence: string) =>
    found.push({ code, figure: null, state: 'warned', sentence });
  const stale = input.session.date
    ? staleSentence(input.session.date, input.asOf, input.brief.fit === 'close')
    : null;
  if (stale) warned('stale', stale);
  else if (input.session.date)
    found.push({
      code: 'stale',
      figure: null,
      state: 'passed',
      sentence: 'The measurements are within the house limit of age.',
    });
  for (const [id, m] of measured) {
    if (m.agreement.state === 'apart')
      warned(
        `apart-${id}`,
        `${m.measure.name}: two readings ${say(m.agreement.apart)} apart, more than ${say(m.agreement.allowed)}; take a third.`,
      );
    if (m.readings.some((r) => r.state === 'read' && r.source === 'reported by client'))
      warned(`reported-${id}`, `${m.measure.name} was reported by the client: confirm it before cutting.`);
    if (m.readings.some((r) => r.state === 'read' && r.tape === 'over-clothes'))
      warned(
        `clothes-${id}`,
        `${m.measure.name} was read over clothes: read it again over what will be worn beneath.`,
      );
  }
  for (const rule of RELATIONS) {
    const figures = rule.touches.map((id) => measured.get(id)?.net);
    if (figures.some((f) => f == null)) continue;
    const sentence = rule.says(figures as Cm[]);
    if (sentence) warned(rule.code, sentence);
  }
  return found;
}
