import { bodyTerms, buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure, Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { PartContext } from '../../part.ts';
import { type EaseZone, easeFor } from '../../tables/fit.ts';
import { heightsShape, heightsTerm } from './heights-plan.ts';
import { type Plan, quarterShape, quarterTerm } from './quarter-plan.ts';

/** What a figure is made of. */
export type Source = {
  readonly terms: readonly Term[];
  readonly read?: boolean;
  readonly estimated?: boolean;
};
/** What the terms of a source add up to, cm. */
export const total = (terms: readonly Term[]): Cm => cm(terms.reduce((a, t) => a + t.cm, 0));
/** A source with more terms on it. */
export const withMore = (s: Source | null, more: readonly Term[]): Source | null =>
  s && { ...s, terms: [...s.terms, ...more], read: (s.read ?? false) && more.length === 0 };
/** Ease on a half: half of the table's. */
export const withEase = (s: Source | null, t: Term): Source | null =>
  s && {
    ...s,
    terms: [...s.terms, { ...t, cm: cm(t.cm / 2), because: `${t.because} Half of it on a half.` }],
  };

/** Where a bodice's figures come from: readings, halves of them, estimates, and what the quarter plan and the plan by heights give. */
export function sourcesOf(c: PartContext, by: Plan) {
  const { input, measured } = c;
  const net = (id: string) => measured.get(id)?.net ?? null;
  const ease = (zone: EaseZone): Term => {
    const { brief, house } = input;
    const { ease: amount, because } = easeFor(zone, brief.fit, brief.school, c.hang, house.ease);
    return term('wearing', 'wearing ease', amount, because);
  };
  const positive = (value: Cm) => (value > 0 ? null : 'Enter a length over 0.');
  const make = (
    id: string,
    name: string,
    source: { readonly terms: readonly Term[]; readonly read?: boolean; readonly estimated?: boolean } | null,
    more: {
      readonly group?: Figure['group'];
      readonly follows?: (value: Cm) => string | null;
    } = {},
  ) =>
    buildFigure(c, {
      id: c.id(id),
      section: c.key,
      name,
      group: more.group ?? 'length',
      tolerance: TOLERANCE.detail,
      nearest: true,
      terms: source?.terms ?? [],
      note: id === 'shoulder' ? c.shape.slopeSays : '',
      known: source !== null,
      read: source?.read ?? false,
      estimated: source?.estimated ?? false,
      settable: source?.terms.some((t) => t.kind === 'wearing') ? ['wearing', 'finished'] : ['finished'],
      follows: more.follows ?? positive,
      why: source === null ? ['Not measured: measure it, or set the figure by hand with a reason.'] : [],
    });
  const read = (id: string, ...more: Term[]) => {
    const m = measured.get(id);
    return m?.net == null ? null : { terms: [...bodyTerms(m), ...more], read: more.length === 0 };
  };
  const half = (id: string) => {
    const m = measured.get(id);
    return m?.net == null
      ? null
      : {
          terms: [
            ...bodyTerms(m),
            term('share', 'half of it', -m.net / 2, 'The panel is half a front or back.'),
          ],
        };
  };
  const guess = (value: number | null, because: string) =>
    value === null ? null : { terms: [term('body', 'estimate', value, because)], estimated: true };

  const heights = by === 'heights' ? heightsShape(net('bust'), c) : null;
  const quarter =
    by === 'quarter'
      ? quarterShape(
          {
            across: net('across-shoulder'),
            neck: net('neck-width'),
            shoulder: net('shoulder'),
            drop: net('shoulder-drop'),
          },
          c.stepped,
        )
      : null;
  const plan = (amount: Cm | null, because: string): Source | null =>
    amount === null ? null : { terms: [quarterTerm(amount, because)] };
  const byHeights = (amount: Cm | null, because: string): Source | null =>
    amount === null ? null : { terms: [heightsTerm(amount, because)] };
  /** What a level lies lower than it was read; the plan by heights has its levels where they were read. */
  const lower = (zone: EaseZone): Term[] => (heights ? [] : [ease(zone)]);
  return { net, ease, positive, make, read, half, guess, heights, quarter, plan, byHeights, lower };
}
export type Sources = ReturnType<typeof sourcesOf>;
