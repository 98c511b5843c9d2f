import { bodyTerms, buildFigure, type FigureDraft, term } from '../../figure/build.ts';
import type { Figure, Term } from '../../figure/figure.ts';
import type { Cm } from '../../units/length.ts';
import type { PartContext } from '../part.ts';

type More = Partial<FigureDraft>;

/** What the figures of one part are made with: its readings as terms, and one way to make each. */
export interface Figuring {
  /** all that were made, in that order */
  readonly figures: Figure[];
  /** the body's own figure of a measure, cm; null where it was not read */
  readonly net: (id: string) => Cm | null;
  /** a measure's reading as terms; null where it was not read */
  readonly bodyOf: (id: string) => Term[] | null;
  /** half of an amount, since a panel is half a front or back */
  readonly halfOf: (amount: number, because?: string) => Term;
  /** a figure of the part; absent where there are no terms */
  readonly make: (id: string, name: string, terms: readonly Term[] | null, more?: More) => Figure;
}

/** Figures of a part: lengths, rounded to the nearest step, more than nothing, unless `usual` or the call says otherwise. */
export function figuresOf(c: PartContext, usual: More = {}): Figuring {
  const figures: Figure[] = [];
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  return {
    figures,
    net,
    bodyOf: (id) => {
      const m = c.measured.get(id);
      return m?.net == null ? null : bodyTerms(m);
    },
    halfOf: (amount, because = 'The panel is half a front or back.') =>
      term('share', 'half of it', -amount / 2, because),
    make: (id, name, terms, more = {}) => {
      const figure = buildFigure(c, {
        id: c.id(id),
        section: c.key,
        name,
        group: 'length',
        nearest: true,
        terms: terms ?? [],
        known: terms !== null,
        follows: (value) => (value > 0 ? null : 'Enter a length over 0.'),
        why: terms === null ? ['Not measured: measure it, or set the figure by hand with a reason.'] : [],
        ...usual,
        ...more,
      });
      figures.push(figure);
      return figure;
    },
  };
}
