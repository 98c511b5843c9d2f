import { printDate } from '../../dates/print.ts';
import { dayIn } from '../../dates/studio-day.ts';
import { SCHOOL_NAME } from '../../garment/tables/fit.ts';
import { measure } from '../../measures/catalogue.ts';
import type { Cm, SheetUnit } from '../../units/length.ts';
import { formatSentence } from '../../units/print.ts';
import { printWritten, readLength } from '../../units/reading.ts';
import { driftV1, printByHand, printLength, printSigned, printWithUnit } from './lengths-v1.ts';
import type { FigureV1, PrintedFigureV1, PrintedV1, SheetV1 } from './sheet-v1.ts';

/** The order in which a figure's marks are told; the first is its main one. */
const MARK_ORDER: readonly string[] = ['absent', 'warned', 'overridden', 'estimated', 'read', 'computed'];

const orDash = (text: string) => text || '—';

/** A sheet of version 1 as the program of its day printed it, word for word. Frozen: it is only ever read. */
export function printV1(sheet: SheetV1, unit: SheetUnit): PrintedV1 {
  const { head, brief, session, house, given } = sheet.input;
  const line = (label: string, text: string) => [label, orDash(text)] as const;
  const stretch = brief.cloth.stretch > 0 ? `stretch ${brief.cloth.stretch} %` : '';
  const cloth = [
    brief.cloth.name,
    brief.cloth.width && `${asGiven(given?.clothWidth, brief.cloth.width, unit)} wide`,
    brief.cloth.weight && `${brief.cloth.weight} g/m²`,
    stretch,
  ];
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
          head.wornOn && `worn ${printDate(head.wornOn, 'dmy')}`,
          head.dueOn && `due ${printDate(head.dueOn, 'dmy')}`,
        ]
          .filter(Boolean)
          .join(' · '),
      ),
      line('Responsible', head.responsible),
      line('Cloth', cloth.filter(Boolean).join(', ')),
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
          printDate(session.date, 'dmy'),
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
    fit: sheet.fit
      ? `Wanted ${brief.fit} (${SCHOOL_NAME[brief.school]}). Hip ease ${printWithUnit(sheet.fit.ease, unit)}: ${sheet.fit.workroom} by the workroom, ${sheet.fit.envelope} by the pattern envelope.`
      : `Wanted ${brief.fit} (${SCHOOL_NAME[brief.school]}).`,
    rounding: `Marked figures rounded once, ${step}.`,
    figures: sheet.figures.map((f) => printFigure(f, unit)),
    pieces: sheet.pieces.map((p) => ({
      piece: p.name,
      layer: p.layer,
      cut: `${p.count} × ${p.cut}`,
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
      text: [n.length !== null && printByHand(n.length, unit), formatSentence(n.note, unit)]
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
  };
}

/** A length that somebody wrote prints as it was written; one that only the program holds, in the sheet's unit. */
const asGiven = (written: string | null | undefined, length: Cm, unit: SheetUnit): string => {
  const read = written ? readLength(written.replace(/^[-−]/, ''), unit) : null;
  if (!read?.ok) return printWithUnit(length, unit);
  return `${length < 0 ? '−' : ''}${printWritten(read.written)}`;
};

/** The studio's day of an instant; a date alone is already one. */
const dayOf = (at: string, sheet: SheetV1) =>
  printDate(at.length > 10 ? dayIn(sheet.input.timeZone ?? 'UTC', at) : at, 'dmy');

function stepText(step: number, unit: SheetUnit): string {
  if (unit === 'in') return printWithUnit((step * 2.54) as Cm, 'in');
  return step < 0.5 ? `${step * 10} mm` : `${step} cm`;
}

function printFigure(f: FigureV1, unit: SheetUnit): PrintedFigureV1 {
  const term = (kind: string, signed: boolean) => {
    const parts = f.terms.filter((t) => t.kind === kind);
    if (parts.length === 0) return '';
    const total = parts.reduce((a, t) => a + t.cm, 0) as Cm;
    return signed ? printSigned(total, unit) : printWithUnit(total, unit);
  };
  const known = f.rule !== null;
  const d = driftV1(f);
  const marks = MARK_ORDER.filter((m) => f.marks.includes(m));
  return {
    id: f.id,
    letter: f.letter,
    name: f.name,
    group: f.group,
    body: known && f.terms[0]?.label === 'reading' ? term('body', false) : '',
    tape: known ? term('tape', true) : '',
    wearing: known ? term('wearing', true) : '',
    style: known ? term('style', true) : '',
    layers: known ? term('layers', true) : '',
    stretch: known ? term('stretch', true) : '',
    finished: f.finished === null ? '—' : printWithUnit(f.finished, unit),
    marked: f.front || f.marked === null ? '' : printWithUnit(f.marked, unit),
    front: f.front ? printWithUnit(f.front.rounded, unit) : '',
    back: f.back ? printWithUnit(f.back.rounded, unit) : '',
    tolerance: `± ${toleranceText(f.tolerance, unit)}`,
    drift: d === null ? '' : printSigned(d, unit),
    mark: marks.filter((m) => marks.length === 1 || m !== 'computed').join(', '),
    rule: f.overrides.length > 0 ? (f.rule === null ? 'absent' : printWithUnit(f.rule, unit)) : '',
    note: formatSentence(f.note, unit),
    why: whyOf(f, unit),
  };
}

/** In inches the trade's own eighths stand for 1, 0.6 and 0.3 cm (common practice), others convert. */
const TOLERANCE_INCHES: Record<string, string> = { '1': '3⁄8 in', '0.6': '1⁄4 in', '0.3': '1⁄8 in' };
const toleranceText = (t: Cm, unit: SheetUnit) =>
  (unit === 'in' && TOLERANCE_INCHES[String(t)]) || printWithUnit(t, unit);

/** The figure's parts, one sentence a part: how it came to be. */
function whyOf(f: FigureV1, unit: SheetUnit): string[] {
  const lines = f.terms.map((t) =>
    formatSentence(`${printSigned(t.cm, unit)} ${t.label}. ${t.because}`, unit).trim(),
  );
  for (const o of f.overrides)
    if (o.target === 'finished')
      lines.push(`Set by hand to ${asGiven(o.written, o.value, unit)} by ${o.by}: ${o.reason}`);
  for (const face of ['front', 'back'] as const) {
    const q = f[face];
    if (!q) continue;
    const sumText = q.terms.map((t) => `${printSigned(t.cm, unit)} ${t.label}`).join(', ');
    lines.push(
      formatSentence(
        `${face} quarter ${printLength(q.exact, unit)} = ${sumText}; marked ${printWithUnit(q.rounded, unit)}.`,
        unit,
      ),
    );
  }
  if (!f.front && f.marked !== null && f.finished !== null && Math.abs(f.marked - f.finished) > 1e-9)
    lines.push(`Marked ${printWithUnit(f.marked, unit)}, rounded once.`);
  return [...lines, ...f.why.map((w) => formatSentence(w, unit))];
}
