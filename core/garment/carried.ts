import type { Panel } from '../draft/panel.ts';
import type { RawCheck } from '../figure/check.ts';
import { pass, warn } from '../figure/check.ts';
import type { Figure, Override, Share, Term } from '../figure/figure.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { alike, type Halves, told } from './two-sides.ts';

/** What a change agreed at a fitting moves of one figure. Lengths cm. */
export interface Moved {
  readonly by: Cm;
  /** what each panel’s share moves by; where it is not said the whole is shared as the figure is */
  readonly shares?: Readonly<Record<string, Cm>>;
  /** the same of the left half, where that is not as the right */
  readonly leftShares?: Readonly<Record<string, Cm>>;
}

/** How a change goes into a sheet: as what it adds to figures, from which the garment is drafted, or on its panels. */
export type TakenAs =
  | { readonly is: 'figures'; readonly adds: ReadonlyMap<string, Cm> }
  | { readonly is: 'panels' }
  /** it cannot: why, in a sentence */
  | { readonly is: 'none'; readonly why: string };

/** A change that was agreed at a fitting before the cloth was cut, taken into the sheet. */
export interface Carried {
  /** the whole of it as it was read back */
  readonly sentence: string;
  /** who agreed, and when it was taken in */
  readonly by: string;
  readonly at: string;
  /** how it goes into a garment that is drafted like this without it */
  readonly way: (bare: Drafts) => TakenAs;
  /** both halves with it. @throws CannotAlter */
  readonly onPanels: (halves: Halves) => Halves;
  /** how changes go into a garment together; it comes with them, so that a sheet without any does not bring it */
  readonly plan: (changes: readonly Carried[], bare: Drafts) => Carrying;
  /** what of the figures that are read off panels moved between two states of them */
  readonly readOff: (before: Halves, after: Halves, figures: readonly Figure[]) => ReadonlyMap<string, Moved>;
}

/** A garment’s figures and panels. */
export interface Drafts {
  readonly figures: readonly Figure[];
  readonly panels: readonly Panel[];
}

/** What a garment is drafted with, beside its brief, when changes are taken into it. */
export interface Carrying {
  /** added to a figure before anything is drafted from it */
  readonly terms: (figure: string) => readonly Term[];
  /** a figure set by hand before the change was agreed moves with it; one that was set later stays */
  readonly override: (o: Override) => Override;
  /** both halves with what is done on the panels */
  readonly panels: (panels: readonly Panel[]) => Halves;
  /** the figures that are read off the panels, read again; `moved` says which panels there were before */
  readonly figures: (figures: readonly Figure[]) => readonly Figure[];
  /** each change by name: in the sheet, with what it moved, or why not */
  readonly checks: (figures: readonly Figure[]) => readonly RawCheck[];
}

const because = (c: Carried) =>
  `${c.by ? `${c.by[0]!.toUpperCase()}${c.by.slice(1)} agreed` : 'Agreed'}: ${c.sentence}`;
const LABEL = 'agreed at the fitting';

/** Plans how changes go into a garment, from its draft without any of them. */
export function carrying(changes: readonly Carried[], bare: Drafts): Carrying {
  const ways = changes.map((c) => ({ c, way: c.way(bare) }));
  const refused = new Map<Carried, string>();
  let before: readonly Panel[] | null = null;
  const done: { c: Carried; before: Halves; after: Halves }[] = [];
  const adding = (figure: string) =>
    ways.flatMap(({ c, way }) => {
      const by = way.is === 'figures' ? way.adds.get(figure) : undefined;
      return by === undefined ? [] : [{ c, by }];
    });
  return {
    terms: (figure) =>
      adding(figure).map(({ c, by }) => ({ kind: 'style', label: LABEL, cm: by, because: because(c) })),
    override: (o) => {
      if (o.target !== 'finished') return o;
      const since = adding(o.figure).filter(({ c }) => o.at === '' || o.at <= c.at);
      if (since.length === 0) return o;
      const by = since.reduce((n, x) => n + x.by, 0);
      return {
        ...o,
        value: cm(o.value + by),
        written: '',
        reason: `${o.reason} Then ${by < 0 ? '−' : '+'}${say(cm(Math.abs(by)))}. ${since.map(({ c }) => because(c)).join(' ')}`,
      };
    },
    panels: (panels) => {
      before = panels;
      let now = alike(panels);
      for (const { c, way } of ways) {
        if (way.is !== 'panels') continue;
        try {
          const after = c.onPanels(now);
          done.push({ c, before: now, after });
          now = after;
        } catch (error) {
          if ((error as Error).name !== 'CannotAlter') throw error;
          refused.set(c, (error as Error).message);
        }
      }
      return told(now.right, now.left);
    },
    figures: (figures) =>
      before === null || done.length === 0
        ? figures
        : done.reduce((now, { c, before, after }) => {
            const moved = c.readOff(before, after, now);
            return now.map((f) => {
              const m = moved.get(f.id);
              return m && f.finished !== null ? movedFigure(f, m, c) : f;
            });
          }, figures),
    checks: (figures) =>
      ways.map(({ c, way }, i) => {
        const code = `agreed-change-${i + 1}`;
        const why = way.is === 'none' ? way.why : refused.get(c);
        if (why !== undefined)
          return warn(code, null, `Agreed at the fitting, and not in this sheet: ${c.sentence} ${why}`);
        const what = figures.flatMap((f) => {
          const by = f.terms.reduce((n, t) => (t.because === because(c) ? n + t.cm : n), 0);
          const set = f.overrides.some((o) => o.reason.includes(because(c)));
          return Math.abs(by) > 0.005 || set
            ? [`${f.name} ${by === 0 ? '' : `${by < 0 ? '−' : '+'}${say(cm(Math.abs(by)))}`}`.trim()]
            : [];
        });
        return pass(
          code,
          null,
          `In this sheet as agreed at the fitting: ${c.sentence}${what.length > 0 ? ` It moves ${what.slice(0, 6).join(', ')}${what.length > 6 ? ' and more' : ''}.` : ' It is drawn on the panels.'}`,
        );
      }),
  };
}

/** A figure that is read off panels, read again on those that were altered. */
function movedFigure(f: Figure, { by, shares, leftShares }: Moved, c: Carried): Figure {
  if (Math.abs(by) < 0.005) return f;
  const times = f.shares.reduce((n, s) => n + s.times, 0);
  const moved = (s: Share, own: Cm, half?: 'right' | 'left'): Share => ({
    ...s,
    ...(half ? { panel: `${half} ${s.panel}`, times: s.times / 2 } : {}),
    exact: cm(s.exact + own),
    rounded: cm(s.rounded + own),
    // Its own sum stays true.
    terms:
      Math.abs(own) < 0.005
        ? s.terms
        : [...s.terms, { kind: 'style', label: LABEL, cm: own, because: because(c) }],
  });
  const share = (s: Share): Share[] => {
    const [, side, panel] = /^(?:(right|left) )?(.*)$/.exec(s.panel) as unknown as [
      string,
      'right' | 'left' | undefined,
      string,
    ];
    const own = shares?.[panel] ?? cm(by / times);
    const other = leftShares?.[panel] ?? own;
    if (side) return [moved(s, side === 'left' ? other : own)];
    return Math.abs(own - other) < 0.005
      ? [moved(s, own)]
      : [moved(s, own, 'right'), moved(s, other, 'left')];
  };
  return {
    ...f,
    terms: [...f.terms, { kind: 'style', label: LABEL, cm: by, because: because(c) }],
    finished: cm(f.finished! + by),
    marked: f.marked === null ? null : cm(f.marked + by),
    shares: f.shares.flatMap(share),
    marks: f.marks.map((m) => (m === 'read' ? 'computed' : m)),
  };
}
