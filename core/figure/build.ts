import type { Measured } from '../measures/session.ts';
import { tapeAdded, tapeSentence } from '../measures/tape.ts';
import { type Cm, cm, type SheetUnit } from '../units/length.ts';
import { type Rounding, roundLength, stepOf } from '../units/rounding.ts';
import type { Figure, FigureGroup, Mark, Override, Share, Target, Term } from './figure.ts';

/** Tolerances for measuring the garment against the sheet, cm (common practice, no source). */
export const TOLERANCE = { girth: cm(1), length: cm(0.6), detail: cm(0.3) } as const;
export const ZERO = cm(0);

/** What every figure is made with. */
export interface Making {
  readonly rounding: Rounding;
  /** overrides of one figure, latest last */
  readonly overridesOf: (figure: string) => readonly Override[];
  /** an override that cannot be followed, with the reason; it is not laid over the figure */
  readonly refuse: (override: Override, sentence: string) => void;
  /** what the steps by which the block was adapted add to a figure; undefined where there are none at all */
  readonly stepsOf?: ((figure: string) => readonly Term[]) | undefined;
}

export interface FigureDraft {
  readonly id: string;
  readonly section: string;
  readonly name: string;
  readonly group: FigureGroup;
  readonly terms: readonly Term[];
  /** false when a needed measurement is missing */
  readonly known?: boolean;
  readonly estimated?: boolean;
  readonly read?: boolean;
  readonly note?: string;
  readonly why?: readonly string[];
  readonly tolerance?: Cm;
  /** sold in this unit: not rounded for marking */
  readonly bought?: SheetUnit;
  /** what a hand marks, where it follows from other marked figures instead of being rounded by itself */
  readonly marked?: Cm;
  /** rounded to the nearest step whichever way the house rounds widths: darts, levels */
  readonly nearest?: boolean;
  /** what may be set by hand; the finished figure alone unless said otherwise */
  readonly settable?: readonly Target[];
  /** its terms, ease and all, are of a whole of which the figure is half; why */
  readonly half?: string;
  /** null lets a figure set by hand stand, a sentence says why it cannot */
  readonly follows?: (value: Cm) => string | null;
}

/** Puts a figure together from its terms and lays the fitter's overrides over it. */
export function buildFigure(c: Making, draft: FigureDraft): Figure {
  const steps = c.stepsOf && (draft.known ?? true) ? c.stepsOf(draft.id) : [];
  const d = stepped(draft, steps);
  const known = d.known ?? true;
  const laid = (terms: readonly Term[]) =>
    draft.half === undefined ? terms : halved(terms, steps, draft.half);
  const settable = d.settable ?? ONLY_FINISHED;
  const rule = known ? total(laid(d.terms)) : null;
  const set = c.overridesOf(d.id);
  // Nearly every figure is as the rules give it: nothing is laid over it.
  if (set.length === 0)
    return made(c, d, {
      settable,
      overrides: set,
      terms: laid(d.terms),
      rule,
      finished: rule,
      byHand: false,
    });
  const overrides = set.filter((o) => {
    const cannot = settable.includes(o.target)
      ? o.target === 'finished'
        ? (d.follows?.(o.value) ?? null)
        : null
      : settable.length === 0
        ? `${d.name} follows from other figures. Set those by hand.`
        : `${d.name} has no ${o.target} ease. Set the finished figure instead.`;
    if (cannot !== null) c.refuse(o, cannot);
    return cannot === null;
  });
  const eased = laid(overrides.reduce<readonly Term[]>(withEase, d.terms));
  const byHand = overrides.filter((o) => o.target === 'finished').at(-1);
  const finished = byHand ? byHand.value : known ? total(eased) : null;
  return made(c, d, { settable, overrides, terms: eased, rule, finished, byHand: byHand !== undefined });
}

/** A figure that steps add to is no longer as it was read. */
const stepped = (d: FigureDraft, steps: readonly Term[]): FigureDraft =>
  steps.length === 0 ? d : { ...d, terms: [...d.terms, ...steps], read: false };

/** Half of what the terms come to, ease and all; what steps add lies on the half already. */
function halved(terms: readonly Term[], steps: readonly Term[], because: string): readonly Term[] {
  const own = terms.filter((t) => !steps.includes(t));
  return [
    ...own,
    { kind: 'share', label: 'half of it', cm: cm(-total(own) / 2), because },
    ...terms.filter((t) => steps.includes(t)),
  ];
}

const ONLY_FINISHED: readonly Target[] = ['finished'];

/** What the terms add up to, cm. */
function total(terms: readonly Term[]): Cm {
  let sum = 0;
  for (const t of terms) sum += t.cm;
  return cm(sum);
}

interface Laid extends Pick<Figure, 'settable' | 'overrides' | 'terms' | 'rule' | 'finished'> {
  readonly byHand: boolean;
}

function made(
  c: Making,
  d: FigureDraft,
  { settable, overrides, terms, rule, finished, byHand }: Laid,
): Figure {
  const marks: Mark[] = [];
  if (overrides.length) marks.push('overridden');
  if (finished === null) marks.push('absent');
  else if (d.estimated && !byHand) marks.push('estimated');
  else marks.push(d.read ? 'read' : 'computed');
  return {
    id: d.id,
    letter: '',
    section: d.section,
    name: d.name,
    group: d.group,
    terms,
    rule,
    finished,
    marked:
      finished === null || d.bought
        ? finished
        : d.marked !== undefined && !byHand
          ? d.marked
          : roundLength(finished, d.nearest ? { ...c.rounding, mode: 'nearest' } : c.rounding),
    shares: [],
    tolerance: d.tolerance ?? TOLERANCE.length,
    marks,
    overrides,
    settable,
    bought: d.bought ?? null,
    note: d.note ?? '',
    why: d.why ?? [],
  };
}

function withEase(terms: readonly Term[], o: Override): readonly Term[] {
  if (o.target === 'finished') return terms;
  const term: Term = {
    kind: o.target,
    label: o.target === 'wearing' ? 'wearing ease' : 'style ease',
    cm: o.value,
    because: `Set by ${o.by}: ${o.reason}`,
  };
  const at = terms.findIndex((t) => t.kind === o.target);
  return at < 0 ? [...terms, term] : terms.map((t, i) => (i === at ? term : t));
}

/** The body terms of a measured girth or length: the reading, less what the tape convention added. */
export function bodyTerms(m: Measured): Term[] {
  const terms: Term[] = [
    {
      kind: 'body',
      label: 'reading',
      cm: m.raw ?? ZERO,
      because: [`${m.asRead || 'Not measured'}.`, ...m.why].join(' '),
      reading: true,
    },
  ];
  if (m.added !== 0)
    terms.push({
      kind: 'tape',
      label: 'already in the tape',
      cm: cm(-m.added),
      because:
        [
          ...new Set(
            m.readings
              .filter((r) => r.state === 'read' && tapeAdded(r.tape, m.measure) > 0)
              .map((r) => tapeSentence(r.tape)),
          ),
        ].join(' ') ||
        (m.why.at(-1) ?? ''),
    });
  return terms;
}

/** One term: kind, label, amount and reason. */
export const term = (kind: Term['kind'], label: string, amount: number, because: string): Term => ({
  kind,
  label,
  cm: cm(amount),
  because,
});

/** An equal part of a whole, which prints as the whole and what it is divided by: "68.54 cm finished ÷ 4". */
export const partOf = (
  kind: Term['kind'],
  label: string,
  whole: number,
  by: number,
  because: string,
): Term => ({ ...term(kind, label, whole / by, because), by });

/** Said of a share that is marked finer than the house’s step. */
export const MARKED_FINER = 'Marked finer, since steps lost on so many panels would add up.';

/**
 * The rounding of panels that are cut many times over: where steps lost on each could add up past the tolerance of a
 * girth they are marked finer, to the millimetre or the sixteenth.
 */
export function finely<M extends Making>(c: M, times: number): M {
  if ((times * stepOf(c.rounding)) / 2 <= TOLERANCE.girth + 1e-9) return c;
  return { ...c, rounding: { ...c.rounding, step: c.rounding.unit === 'cm' ? 0.1 : 0.0625 } };
}

/** A share with its terms, rounded once. */
export function share(c: Making, panel: string, times: number, terms: readonly Term[]): Share {
  const exact = total(terms);
  return { panel, times, exact, rounded: roundLength(exact, c.rounding), terms, note: '' };
}

/** The share of one panel; undefined when the figure has none for it. */
export const shareOf = (f: Figure, panel: string): Share | undefined =>
  f.shares.find((s) => s.panel === panel);

/** What the marked panels make together, cm: Σ times × rounded; the figure as marked whole where it is not shared. */
export function markedGirth(f: Figure): Cm | null {
  if (f.finished === null) return null;
  if (f.shares.length === 0) return f.marked;
  return cm(f.shares.reduce((a, s) => a + s.times * s.rounded, 0));
}

/** What the marked panels together differ from the finished figure, cm; null when the figure is not shared. */
export function drift(f: Figure): Cm | null {
  return f.shares.length === 0 || f.finished === null ? null : cm(markedGirth(f)! - f.finished);
}

/** Adds a mark in front of the others, once. */
export const withMark = (f: Figure, mark: Mark): Figure =>
  f.marks.includes(mark) ? f : { ...f, marks: [mark, ...f.marks] };

/** What only the layers take up of a girth, cm. */
export const layersIn = (f: Figure): Cm => f.terms.find((t) => t.kind === 'layers')?.cm ?? ZERO;

/** The ease that the girth as it is marked leaves the wearer: marked − body − what only the layers take up, cm. */
export const easeMarked = (f: Figure, net: Cm): Cm => cm((markedGirth(f) ?? 0) - net - layersIn(f));
