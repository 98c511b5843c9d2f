import type { Cm } from '../units/length.ts';
import { cm } from '../units/length.ts';
import type { AlterationKind, As, Direction, Run, Side } from './kind.ts';

/** Marks at the hem: how much at each place, cm, in the direction asked (never a difference left to be guessed). */
export interface HemMarks {
  readonly front: Cm;
  readonly left: Cm;
  readonly right: Cm;
  readonly back: Cm;
}

/** One alteration as it was asked for at the mirror. Lengths cm. */
export interface Asked {
  readonly kind: AlterationKind;
  readonly direction: Direction;
  /** as written beside `as`; null where none is needed */
  readonly amount: Cm | null;
  readonly as: As;
  readonly side: Side;
  /** the part it is made on (`skirt`); null for all that bear the seam */
  readonly part: string | null;
  readonly run: Run;
  /** only at the front or the back, where the kind leaves that open; null for both */
  readonly face: 'front' | 'back' | null;
  /** what share of a girth the front takes, 0 to 1; half when null */
  readonly frontShare: number | null;
  readonly hem: HemMarks | null;
}

/** Left and right marks that differ by more than this are averaged only when the fitter says so, cm (handbook of the house). */
export const UNEVEN = cm(0.5);

/** Whether the amount is a fold that a pin holds: only what is taken is pinned as one, never what is let out. */
export const isFold = ({ kind, direction }: Pick<Asked, 'kind' | 'direction'>): boolean =>
  kind.pinned === 'fold' && direction.sign < 0;

/** The whole amount with its sign, cm: a fold pinned takes twice what the pin spans. 0 where none was asked. */
export function totalOf({ kind, direction, amount, as }: Asked): Cm {
  if (amount === null) return cm(0);
  const times = as === 'pinned' && isFold({ kind, direction }) ? 2 : 1;
  return cm(amount * times * direction.sign);
}
