import type { Figure } from '../figure/figure.ts';
import { type Cm, cm } from '../units/length.ts';

/** What moved between two revisions of a sheet. Lengths cm. */
export interface Change {
  readonly id: string;
  readonly name: string;
  /** "finished", or the panel whose share moved: "front", "back", "panel" */
  readonly what: string;
  readonly before: Cm | null;
  readonly after: Cm | null;
  /** after − before; null when either is missing */
  readonly by: Cm | null;
}

/** Of a figure, what is compared. */
export type FigureHeld = Pick<Figure, 'id' | 'name' | 'finished'> & {
  readonly shares: readonly Pick<Figure['shares'][number], 'panel' | 'rounded'>[];
};

/** Every finished figure and share that differs, in the newer sheet's order, then what is gone. */
export function changesBetween(before: readonly FigureHeld[], after: readonly FigureHeld[]): Change[] {
  const old = new Map(before.map((f) => [f.id, f]));
  const ids = [...after, ...before.filter((f) => !after.some((a) => a.id === f.id))];
  return ids.flatMap(({ id, name }) => {
    const a = old.get(id);
    const b = after.find((f) => f.id === id);
    const panels = [...new Set([...(a?.shares ?? []), ...(b?.shares ?? [])].map((s) => s.panel))];
    const share = (f: FigureHeld | undefined, panel: string) =>
      f?.shares.find((s) => s.panel === panel)?.rounded;
    return [
      ['finished', a?.finished, b?.finished] as const,
      ...panels.map((panel) => [panel, share(a, panel), share(b, panel)] as const),
    ].flatMap(([what, was = null, is = null]): Change[] => {
      const same = was === null ? is === null : is !== null && Math.abs(was - is) < 1e-9;
      return same
        ? []
        : [{ id, name, what, before: was, after: is, by: was === null || is === null ? null : cm(is - was) }];
    });
  });
}
