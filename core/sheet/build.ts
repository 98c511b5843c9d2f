import { easeFor, type Zone } from '../garment/fit.ts';
import { LAYER_THICKNESS, layerAllowance } from '../garment/layers.ts';
import type { PartContext } from '../garment/part.ts';
import { stretchClass, stretchReduction } from '../garment/stretch.ts';
import type { Measured } from '../measures/session.ts';
import { type Cm, cm, sum } from '../units/length.ts';
import { roundLength } from '../units/rounding.ts';
import type { Figure, FigureGroup, Mark, Override, Share, Term } from './figure.ts';

/** Tolerances for measuring the garment against the sheet, cm (common practice, no source). */
export const TOLERANCE = { girth: cm(1), length: cm(0.6), detail: cm(0.3) } as const;

const ZERO = cm(0);

interface FigureDraft {
  id: string;
  name: string;
  group: FigureGroup;
  terms: readonly Term[];
  /** false when a needed measurement is missing */
  known: boolean;
  estimated?: boolean;
  read?: boolean;
  note?: string;
  why?: readonly string[];
  tolerance?: Cm;
  /** bought in this length: not rounded for marking */
  bought?: boolean;
  /** what a hand marks, where it follows from other marked figures instead of being rounded by itself */
  marked?: Cm;
}

/** Puts a figure together from its terms and lays the fitter's overrides over it. */
export function buildFigure(c: PartContext, d: FigureDraft): Figure {
  const overrides = c.overridesOf(d.id);
  const rule = d.known ? sum(d.terms.map((t) => t.cm)) : null;
  const eased = overrides.reduce<readonly Term[]>(withEase, d.terms);
  const byHand = overrides.filter((o) => o.target === 'finished').at(-1);
  const finished = byHand ? byHand.value : d.known ? sum(eased.map((t) => t.cm)) : null;
  const marks: Mark[] = [];
  if (overrides.length) marks.push('overridden');
  if (finished === null) marks.push('absent');
  else if (d.estimated && !byHand) marks.push('estimated');
  else marks.push(d.read ? 'read' : 'computed');
  return {
    id: d.id,
    letter: '',
    name: d.name,
    group: d.group,
    terms: eased,
    rule,
    finished,
    marked:
      finished === null || d.bought
        ? finished
        : d.marked !== undefined && !byHand
          ? d.marked
          : roundLength(finished, c.input.house.rounding),
    front: null,
    back: null,
    tolerance: d.tolerance ?? TOLERANCE.length,
    marks,
    overrides,
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
      because: [`${m.asRead || 'Not read'}.`, ...m.why].join(' '),
    },
  ];
  if (m.added !== 0)
    terms.push({
      kind: 'tape',
      label: 'already in the tape',
      cm: cm(-m.added),
      because: m.why.find((w) => w.includes('taken out')) ?? '',
    });
  return terms;
}

/** net body + wearing ease + style ease + layers − stretch reduction, as terms (whole girth, cm). */
export function girthTerms(c: PartContext, m: Measured, zone: Zone): Term[] {
  const { brief, house } = c.input;
  const terms = bodyTerms(m);
  const { ease, because } = easeFor(zone, brief.fit, brief.school, house.ease);
  terms.push({ kind: 'wearing', label: 'wearing ease', cm: ease, because });
  terms.push({ kind: 'style', label: 'style ease', cm: ZERO, because: 'None asked for.' });
  if (brief.lining)
    terms.push({
      kind: 'layers',
      label: 'layers',
      cm: layerAllowance(LAYER_THICKNESS.lining),
      because:
        'The lining lies 0.2 mm under the cloth: 2π × its thickness (geometry; thickness a house figure).',
    });
  if (brief.fit === 'close' && m.net !== null && brief.cloth.stretch > 0) {
    const off = stretchReduction(m.net, brief.cloth.stretch);
    const { name, percent } = stretchClass(brief.cloth.stretch);
    terms.push({
      kind: 'stretch',
      label: 'stretch',
      cm: cm(-off),
      because: `Cloth of class ${name}: ${percent} % of the body girth comes off a close garment.`,
    });
  }
  return terms;
}

/** A quarter with its terms, rounded once. */
export function share(c: PartContext, terms: readonly Term[]): Share {
  const exact = sum(terms.map((t) => t.cm));
  return { exact, rounded: roundLength(exact, c.input.house.rounding), terms };
}

interface Split {
  /** measured front arc of this girth, cm, when there is one */
  arc: Cm | null;
  net: Cm | null;
  /** house balance per quarter toward the front */
  balance: Cm;
}

/**
 * Shares a finished girth over front and back quarters: by the measured front arc where there is one (the
 * front takes half of what is added), else half and half moved by the house balance.
 */
export function splitGirth(c: PartContext, figure: Figure, { arc, net, balance }: Split): Figure {
  if (figure.finished === null) return figure;
  const f = figure.finished;
  if (arc !== null && net !== null) {
    const added = cm(f - net);
    const front: Term[] = [
      {
        kind: 'body',
        label: 'front arc ÷ 2',
        cm: cm(arc / 2),
        because: 'The front is as wide as its measured arc.',
      },
      {
        kind: 'share',
        label: 'half of what was added ÷ 2',
        cm: cm(added / 4),
        because: 'Ease and layers are shared half to the front.',
      },
    ];
    const back: Term[] = [
      {
        kind: 'body',
        label: 'rest of the body ÷ 2',
        cm: cm((net - arc) / 2),
        because: 'The back is the girth less the front arc.',
      },
      {
        kind: 'share',
        label: 'half of what was added ÷ 2',
        cm: cm(added / 4),
        because: 'Ease and layers are shared half to the back.',
      },
    ];
    return { ...figure, front: share(c, front), back: share(c, back) };
  }
  const quarter: Term = {
    kind: 'body',
    label: 'finished ÷ 4',
    cm: cm(f / 4),
    because: 'Half and half: no front arc was read.',
  };
  const moved = (sign: 1 | -1): Term[] =>
    balance === 0
      ? []
      : [
          {
            kind: 'share',
            label: sign > 0 ? 'front share' : 'back share',
            cm: cm(sign * balance),
            because: 'House balance between front and back.',
          },
        ];
  return { ...figure, front: share(c, [quarter, ...moved(1)]), back: share(c, [quarter, ...moved(-1)]) };
}

/**
 * What the rounded pieces together differ from the finished girth: 2 fronts + 2 backs − finished, cm.
 * Null when the figure has no quarters.
 */
export function drift(f: Figure): Cm | null {
  if (!f.front || !f.back || f.finished === null) return null;
  return cm(2 * f.front.rounded + 2 * f.back.rounded - f.finished);
}

/** Adds a mark in front of the others, once. */
export const withMark = (f: Figure, mark: Mark): Figure =>
  f.marks.includes(mark) ? f : { ...f, marks: [mark, ...f.marks] };

/** The ease a finished girth leaves the wearer: finished − body − what only the layers take up, cm. */
export function easeIn(figure: Figure, net: Cm): Cm {
  const layers = figure.terms.find((t) => t.kind === 'layers')?.cm ?? 0;
  return cm((figure.finished ?? 0) - net - layers);
}
