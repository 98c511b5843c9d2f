import { printDate } from '../dates/print.ts';
import { dayIn } from '../dates/studio-day.ts';
import { drift } from '../figure/build.ts';
import type { Figure, Mark, Term, TermKind } from '../figure/figure.ts';
import type { Cloth, PartBrief } from '../garment/input.ts';
import { CLOTH_NAME, OTHERS } from '../garment/laid-length.ts';
import { cutFromWords } from '../garment/other-cloths.ts';
import { findPart, nameOfKey } from '../garment/registry.ts';
import { STEPS, type StepTaken, stepWords } from '../garment/steps.ts';
import { traitsOf } from '../garment/tables/cloth-traits.ts';
import { SCHOOL_NAME } from '../garment/tables/fit.ts';
import { sideRows } from '../garment/two-sides.ts';
import { measure } from '../measures/catalogue.ts';
import { capital } from '../text/in-words.ts';
import { type Cm, cm, inUnit, type SheetUnit } from '../units/length.ts';
import { formatSentence, printByHand, printLength, printSigned, printWithUnit } from '../units/print.ts';
import { printWritten, readLength } from '../units/reading.ts';
import type { Sheet } from './compute.ts';

/** The sheet as words and numerals in one unit: what the screen, the PDF, the CSV and the JSON all print. */
export interface PrintedSheet {
  readonly unit: SheetUnit;
  readonly head: readonly (readonly [label: string, text: string])[];
  readonly fit: string;
  readonly rounding: string;
  /** headings under which figures stand, in order */
  readonly sections: readonly { readonly id: string; readonly name: string }[];
  readonly figures: readonly PrintedFigure[];
  readonly pieces: readonly {
    /** the panel it is cut from */
    readonly panel: string;
    readonly piece: string;
    readonly layer: string;
    /** the other cloth it is cut from, where it is one of the order's others */
    readonly cloth?: string;
    readonly cut: string;
    readonly size: string;
    readonly grain: string;
    readonly why: string;
    readonly note: string;
  }[];
  readonly notions: readonly { readonly name: string; readonly text: string }[];
  readonly allowances: readonly { readonly name: string; readonly text: string }[];
  readonly checks: readonly { readonly code: string; readonly state: string; readonly text: string }[];
  readonly cautions: readonly string[];
  readonly missing: readonly string[];
  /** what is not alike on the panels of both sides; a sheet of two halves alike has none */
  readonly sides?: readonly { readonly name: string; readonly right: string; readonly left: string }[];
  /** what was read and not used, a line for each reason; sheets kept before it was told have none */
  readonly unused?: readonly string[];
}

export interface PrintedFigure {
  readonly id: string;
  readonly letter: string;
  readonly section: string;
  readonly name: string;
  readonly group: Figure['group'];
  readonly body: string;
  readonly tape: string;
  readonly wearing: string;
  readonly style: string;
  readonly layers: string;
  readonly stretch: string;
  readonly finished: string;
  /** rounded once; what a hand marks, for figures marked whole */
  readonly marked: string;
  readonly front: string;
  readonly back: string;
  /** what each panel is marked */
  readonly shares: readonly { readonly panel: string; readonly text: string }[];
  /** what panels that are neither front nor back get: "4 × 36.5 cm panel" */
  readonly panels: string;
  readonly tolerance: string;
  readonly drift: string;
  readonly mark: string;
  readonly rule: string;
  /** each figure set by hand: by whom and why */
  readonly byHand: readonly string[];
  readonly note: string;
  /** the line that tells what was read, for those who may read sessions; null where nothing was */
  readonly reading: { readonly amount: string; readonly words: string } | null;
  /** how it came to be, one sentence a part, without the reading */
  readonly why: readonly string[];
}

/** All lines that tell how a figure came to be, the reading first. */
export const whyLines = (f: PrintedFigure): string[] => [
  ...(f.reading ? [`${f.reading.amount} ${f.reading.words}`] : []),
  ...f.why,
];

/** The order in which a figure's marks are told; the first is its main one. */
const MARK_ORDER: readonly Mark[] = ['absent', 'warned', 'overridden', 'estimated', 'read', 'computed'];

const orDash = (text: string) => text || '—';

/** Parts that are drafted by another plan than the measured one, each in its field's words. */
const plansOf = (parts: Sheet['input']['brief']['parts']): string[] =>
  parts.flatMap((p) => {
    const part = findPart(p.part);
    const plan = part?.fields.plan;
    if (!part || plan?.kind !== 'choice' || p.plan === undefined || p.plan === plan.default) return [];
    return [`${part.name}: ${plan.options.find((o) => o.value === p.plan)?.label ?? p.plan}`];
  });

/** "wool crêpe, 150 cm wide, 280 g/m², stretch 4 %". */
function clothWords(cloth: Cloth, written: string | null | undefined, unit: SheetUnit): string {
  const { name, width, weight, stretch, stretchAlong: along = 0 } = cloth;
  return [
    name,
    width && `${asGiven(written, width, unit)} wide`,
    weight && `${weight} g/m²`,
    (stretch > 0 || along > 0) && `stretch ${stretch} %${along > 0 ? ` around, ${along} % along` : ''}`,
    ...traitsOf(cloth),
    cloth.underlining && `underlined with ${cloth.underlining}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** A sheet as it is read, every text in one unit: what screen, PDF, CSV and JSON print. */
export function printSheet(sheet: Sheet, unit: SheetUnit): PrintedSheet {
  const { head, brief, session, house, given, dateOrder = 'dmy' } = sheet.input;
  const line = (label: string, text: string) => [label, orDash(text)] as const;
  const { rounding } = house;
  const step =
    rounding.step === 0
      ? 'exact'
      : `${rounding.mode === 'up' ? 'up to the next' : 'to the nearest'} ${stepText(rounding.step, rounding.unit)}`;
  return {
    unit,
    head: [
      line('Order', [head.order, head.what].filter(Boolean).join(' · ')),
      line('Client', head.client),
      line(
        'Occasion',
        [
          head.occasion,
          head.wornOn && `worn ${printDate(head.wornOn, dateOrder)}`,
          head.dueOn && `due ${printDate(head.dueOn, dateOrder)}`,
        ]
          .filter(Boolean)
          .join(' · '),
      ),
      line('Responsible', head.responsible),
      line('Cloth', clothWords(brief.cloth, given?.clothWidth, unit)),
      ...(brief.cloths ?? []).map((c, i) =>
        line(
          capital(CLOTH_NAME[OTHERS[i]!]),
          [
            clothWords(c, given?.widths?.[i], unit),
            `for ${cutFromWords(c, nameOfKey(brief.parts)) || 'no part yet'}`,
          ]
            .filter(Boolean)
            .join('; '),
        ),
      ),
      ...plansOf(brief.parts).map((text) => line('Drafted by', text)),
      ...(brief.steps?.length
        ? [
            line(
              'Adapted',
              brief.steps
                .map((s, i) => formatSentence(stepWords(s, i, chosenBy(s, brief.parts)), unit))
                .join('; '),
            ),
          ]
        : []),
      line('Lining', brief.lining || 'unlined'),
      line('Worn beneath', session.beneath || brief.beneath),
      line(
        'Shoes',
        [
          brief.shoes,
          (session.heel ?? brief.heel) !== null &&
            `heel ${asGiven(given?.heel, (session.heel ?? brief.heel) as Cm, unit)}`,
        ]
          .filter(Boolean)
          .join(', '),
      ),
      line(
        'Measured',
        [
          printDate(session.date, dateOrder),
          session.measurer && `by ${session.measurer}`,
          session.scribe && `written by ${session.scribe}`,
        ]
          .filter(Boolean)
          .join(' '),
      ),
      line(
        'Levels',
        [session.waistRule && `waist: ${session.waistRule}`, session.hipRule && `hip: ${session.hipRule}`]
          .filter(Boolean)
          .join('; '),
      ),
    ],
    fit: fitWords(sheet, unit),
    rounding: `Marked figures rounded once, ${step}.`,
    sections: sheet.sections,
    figures: sheet.figures.map((f) => printFigure(f, unit)),
    pieces: sheet.pieces.map((p) => ({
      panel: p.panel,
      piece: p.name,
      layer: p.layer,
      ...(p.cloth === undefined ? {} : { cloth: p.cloth }),
      cut:
        p.cut === 'single'
          ? String(p.count)
          : `${p.count}, ${p.cut === 'a pair' && p.count > 2 ? 'in pairs' : p.cut}`,
      size:
        p.width === null || p.length === null
          ? '—'
          : `${printWithUnit(p.width, unit)} × ${printWithUnit(p.length, unit)}`,
      grain: p.grain,
      why: formatSentence(p.why, unit),
      note: formatSentence(p.note, unit),
    })),
    notions: sheet.notions.map((n) => ({
      name: n.name,
      text: [n.length !== null && printByHand(n.length, n.bought ?? unit), formatSentence(n.note, unit)]
        .filter(Boolean)
        .join(', '),
    })),
    allowances: sheet.allowances.map((a) => ({ name: a.name, text: printWithUnit(a.cm, unit) })),
    checks: sheet.checks.map((k) => ({
      code: k.code,
      state: k.state,
      text: formatSentence(
        k.accepted
          ? `${k.sentence} Accepted by ${k.accepted.by}, ${dayOf(k.accepted.at, sheet)}: ${k.accepted.reason}`
          : k.sentence,
        unit,
      ),
    })),
    cautions: sheet.cautions.map((c) => formatSentence(c.sentence, unit)),
    missing: sheet.missing.map((id) => measure(id).name),
    ...(sheet.left === sheet.panels
      ? {}
      : {
          sides: sideRows({ right: sheet.panels, left: sheet.left }).map((r) => ({
            name: r.name,
            right: printWithUnit(r.right, unit),
            left: printWithUnit(r.left, unit),
          })),
        }),
    unused: unusedLines(sheet, unit),
  };
}

/** What was read and not used: the names that share a reason on one line with it. */
function unusedLines(sheet: Sheet, unit: SheetUnit): string[] {
  const by = new Map<string, string[]>();
  for (const { measure: id, because } of sheet.unused())
    by.set(because, [...(by.get(because) ?? []), measure(id).name]);
  return [...by].map(([because, names]) => formatSentence(`${names.join(', ')}: ${because}`, unit));
}

/** A length that somebody wrote prints as it was written; one that only the program holds, in the sheet's unit. */
export const asGiven = (written: string | null | undefined, length: Cm, unit: SheetUnit): string => {
  const read = written ? readLength(written.replace(/^[-−]/, ''), unit) : null;
  if (!read?.ok) return printWithUnit(length, unit);
  return `${length < 0 ? '−' : ''}${printWritten(read.written)}`;
};

/** The studio's day of an instant; a date alone is already one. */
const dayOf = (at: string, sheet: Sheet) =>
  printDate(at.length > 10 ? dayIn(sheet.input.timeZone ?? 'UTC', at) : at, sheet.input.dateOrder ?? 'dmy');

function stepText(step: number, unit: SheetUnit): string {
  if (unit === 'in') return printWithUnit((step * 2.54) as Cm, 'in');
  return step < 0.5 ? `${step * 10} mm` : `${step} cm`;
}

/** The wanted fit, and the class each zone's marked ease falls in. */
function fitWords(sheet: Sheet, unit: SheetUnit): string {
  const { fit, school } = sheet.input.brief;
  const wanted = `Wanted ${fit} (${SCHOOL_NAME[school]}).`;
  const zones = sheet.fit.map(
    (z) =>
      `${z.name} ${printByHand(z.ease, unit)}: ${z.workroom}${z.envelope ? `, by the envelope ${z.envelope}` : ''}`,
  );
  return zones.length === 0 ? wanted : `${wanted} Ease as marked, by the workroom: ${zones.join('; ')}.`;
}

/** A figure as it is read, in the sheet’s unit or in the one it is bought by. */
export function printFigure(f: Figure, sheetUnit: SheetUnit): PrintedFigure {
  const unit = f.bought ?? sheetUnit;
  const term = (kind: TermKind, signed: boolean) => {
    const parts = f.terms.filter((t) => t.kind === kind);
    if (parts.length === 0) return '';
    const total = parts.reduce((a, t) => a + t.cm, 0) as Cm;
    return signed ? printSigned(total, unit) : printWithUnit(total, unit);
  };
  const known = f.rule !== null;
  const d = drift(f);
  const marks = MARK_ORDER.filter((m) => f.marks.includes(m));
  const share = (panel: string) => f.shares.find((s) => s.panel === panel);
  const others = f.shares.filter((s) => s.panel !== 'front' && s.panel !== 'back');
  const read = f.terms.find((t) => t.reading);
  return {
    id: f.id,
    letter: f.letter,
    section: f.section,
    name: f.name,
    group: f.group,
    body: known && read ? printWithUnit(read.cm, unit) : '',
    tape: known ? term('tape', true) : '',
    wearing: known ? term('wearing', true) : '',
    style: known ? term('style', true) : '',
    layers: known ? term('layers', true) : '',
    stretch: known ? term('stretch', true) : '',
    finished: f.finished === null ? '—' : printWithUnit(f.finished, unit),
    marked: f.shares.length > 0 || f.marked === null ? '' : printWithUnit(f.marked, unit),
    shares: f.shares.map((s) => ({ panel: s.panel, text: printWithUnit(s.rounded, unit) })),
    front: share('front') ? printWithUnit(share('front')!.rounded, unit) : '',
    back: share('back') ? printWithUnit(share('back')!.rounded, unit) : '',
    panels: others.map((s) => `${s.times} × ${printWithUnit(s.rounded, unit)} ${s.panel}`).join(', '),
    tolerance: f.bought ? 'bought' : `± ${toleranceText(f.tolerance, unit)}`,
    drift: d === null ? '' : printSigned(d, unit),
    mark: marks.filter((m) => marks.length === 1 || m !== 'computed').join(', '),
    rule: f.overrides.length > 0 ? (f.rule === null ? 'absent' : printWithUnit(f.rule, unit)) : '',
    byHand: f.overrides.map(
      (o) => `${TARGET[o.target]} ${asGiven(o.written, o.value, unit)} by ${o.by}: ${o.reason}`,
    ),
    note: formatSentence(f.note, unit),
    reading: read
      ? {
          amount: `${printSigned(read.cm, unit)} ${read.label}.`,
          words: formatSentence(read.because, unit).trim(),
        }
      : null,
    why: whyOf(f, unit),
  };
}

const TARGET = { wearing: 'wearing ease', style: 'style ease', finished: 'finished figure' } as const;

/** In inches the trade's own eighths stand for 1, 0.6 and 0.3 cm (common practice), others convert. */
const TOLERANCE_INCHES: Record<string, string> = { '1': '3⁄8 in', '0.6': '1⁄4 in', '0.3': '1⁄8 in' };
const toleranceText = (t: Cm, unit: SheetUnit) =>
  (unit === 'in' && TOLERANCE_INCHES[String(t)]) || printWithUnit(t, unit);

/** What a step chose, in the words of its part's field; undefined for one that adds an amount. */
function chosenBy(s: StepTaken, parts: readonly PartBrief[]): string | undefined {
  const part = parts[s.part];
  const field = part && findPart(part.part)?.fields[STEPS[s.step].field ?? ''];
  return field?.kind === 'choice' ? field.options.find((o) => o.value === s.to)?.label : undefined;
}

/** A part of a share: "68.54 cm finished ÷ 4", "+1.5 cm more for the bust". What stands first needs no plus. */
function termText(t: Term, first: boolean, unit: SheetUnit): string {
  // A sheet that was kept before says its divisor in its label, and prints as it did.
  if (t.by === undefined) return `${printSigned(t.cm, unit)} ${t.label}`;
  const whole = cm(t.cm * t.by);
  return `${first && whole >= 0 ? printWithUnit(whole, unit) : printSigned(whole, unit)} ${t.label} ÷ ${t.by}`;
}

/** The figure's parts but for the reading, one sentence a part: how it came to be. */
function whyOf(f: Figure, unit: SheetUnit): string[] {
  const lines = f.terms
    .filter((t) => !t.reading)
    .map((t) => formatSentence(`${printSigned(t.cm, unit)} ${t.label}. ${t.because}`, unit).trim());
  for (const o of f.overrides)
    if (o.target === 'finished')
      lines.push(`Set by hand to ${asGiven(o.written, o.value, unit)} by ${o.by}: ${o.reason}`);
  for (const s of f.shares) {
    const sumText = s.terms.map((t, i) => termText(t, i === 0, unit)).join(', ');
    const name = /^(right |left )?(front|back)$/.test(s.panel) ? `${s.panel} quarter` : `each ${s.panel}`;
    const exact = printLength(s.exact, unit);
    // What lies on no sixteenth equals nothing: "≈ 11 1⁄2: ≈ 45 7⁄8 in finished ÷ 4".
    const equals = /≈/.test(exact + sumText) ? ':' : ' =';
    lines.push(
      formatSentence(
        `${name} ${exact}${equals} ${sumText}; marked ${printWithUnit(s.rounded, unit)}.${s.note ? ` ${s.note}` : ''}`,
        unit,
      ),
    );
  }
  if (
    f.shares.length === 0 &&
    f.marked !== null &&
    f.finished !== null &&
    Math.abs(f.marked - f.finished) > 1e-9
  )
    lines.push(`Marked ${printWithUnit(f.marked, unit)}, rounded once.`);
  return [...lines, ...f.why.map((w) => formatSentence(w, unit))];
}

/** The names of the CSV columns, in order. Lengths are printed in the sheet's unit and once more in bare cm. */
export const CSV_COLUMNS = [
  'section',
  'letter',
  'figure',
  'body',
  'tape',
  'wearing',
  'style',
  'layers',
  'stretch',
  'finished',
  'marked',
  'front quarter',
  'back quarter',
  'panels',
  'tolerance',
  'drift',
  'mark',
  'rule',
  'set by hand',
  'note',
  'finished cm',
  'front quarter cm',
  'back quarter cm',
] as const;

/** A printed sheet's figures as rows of text for a CSV file, header first. */
export function sheetRows(printed: PrintedSheet, figures: readonly Figure[]): string[][] {
  const bare = (length: Cm | null | undefined) =>
    length == null ? '' : String(Math.round(inUnit(length, 'cm') * 1e4) / 1e4);
  return [
    [...CSV_COLUMNS],
    ...printed.figures.map((t, i) => {
      const f = figures[i]!;
      const share = (panel: string) => f.shares.find((s) => s.panel === panel)?.rounded;
      return [
        printed.sections.find((s) => s.id === t.section)?.name ?? '',
        t.letter,
        t.name,
        t.body,
        t.tape,
        t.wearing,
        t.style,
        t.layers,
        t.stretch,
        t.finished,
        t.marked,
        t.front,
        t.back,
        t.panels,
        t.tolerance,
        t.drift,
        t.mark,
        t.rule,
        t.byHand.join(' '),
        t.note,
        bare(f.finished),
        bare(share('front')),
        bare(share('back')),
      ];
    }),
    ...(printed.sides ?? []).map((r) => [
      'left and right',
      '',
      `${r.name}: right ${r.right}, left ${r.left}`,
      ...Array<string>(CSV_COLUMNS.length - 3).fill(''),
    ]),
    ...(printed.unused ?? []).map((line) => [
      'read, not used',
      '',
      line,
      ...Array<string>(CSV_COLUMNS.length - 3).fill(''),
    ]),
  ];
}
