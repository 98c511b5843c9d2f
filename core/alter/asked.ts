import { type Cm, cm, type SheetUnit } from '../units/length.ts';
import type { AlterationKind, As, Direction, Run, Side } from './kind.ts';

/** Marks at the hem: how much at each place, cm, in the direction asked (never a difference left to be guessed). */
export interface HemMarks {
  readonly front: Cm;
  readonly left: Cm;
  readonly right: Cm;
  readonly back: Cm;
}

/** Marks at the hem of one leg, cm. */
export interface LegHem {
  readonly front: Cm;
  readonly inside: Cm;
  readonly back: Cm;
  readonly outside: Cm;
}
/** Marks at the hems of both legs: each its own. */
export interface LegMarks {
  readonly left: LegHem;
  readonly right: LegHem;
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
  /** marks at each leg's hem, where they differ round it */
  readonly legs?: LegMarks | null;
  /** the unit of the hand that wrote the amount, in which it is read back */
  readonly unit?: SheetUnit;
  /** what else was asked, by the ids of the kind’s details: words as written */
  readonly details?: Readonly<Record<string, string>>;
  readonly byHand?: boolean;
  readonly note?: string;
  /** from each mark to the control line that was pinned a fixed height above it */
  readonly control?: HemMarks | null;
  /** an amount kept before seams had a way: its places are counted from where the edge is drawn from */
  readonly drawnWay?: boolean;
}

/** Left and right marks that differ by more than this are averaged only when the fitter says so, cm (handbook of the house). */
export const UNEVEN = cm(0.5);
/** The same for the marks of two legs, cm. */
export const UNEVEN_LEGS = cm(1);

/** Whether the amount is a fold that a pin holds: only what is taken is pinned as one, never what is let out. */
export const isFold = ({ kind, direction }: Pick<Asked, 'kind' | 'direction'>): boolean =>
  kind.pinned === 'fold' && direction.sign < 0;

/** Whether the amount is shared over the edges of seams, or over darts: then it is said of what it is the amount. */
export const isShared = (kind: Pick<Asked['kind'], 'moves'>): boolean =>
  kind.moves.some((m) => (m.do === 'edge' || m.do === 'dart') && m.amount === 'shared') ||
  kind.moves.some((m) => m.do === 'dart-new');

/**
 * The amount with its sign, cm, for what is no girth: a fold pinned takes twice what the pin spans. 0 where none was
 * asked.
 */
export function totalOf({ kind, direction, amount, as }: Asked): Cm {
  if (amount === null) return cm(0);
  const times = (as === 'pinned' || as === 'fold') && isFold({ kind, direction }) ? 2 : 1;
  return cm(amount * times * direction.sign);
}

/** How the edges of one seam that are altered together are counted, on one half of the garment. */
export interface Shared {
  /** edges at the front, and of panels that go round the body */
  readonly front: number;
  readonly back: number;
}

/**
 * What one edge of a seam gets of the amount, cm with its sign. As pinned it is the same whatever side is asked; what
 * the front takes of a seam the back does not.
 */
export function perEdge(asked: Asked, face: 'front' | 'back' | null, on: Shared): number {
  const { amount, as, direction, frontShare, side } = asked;
  if (amount === null) return 0;
  const both = on.front > 0 && on.back > 0;
  const share = both ? (frontShare ?? null) : null;
  const own = share === null ? null : face === 'back' ? 1 - share : share;
  if (as === 'pinned') return direction.sign * amount * (own === null ? 1 : 2 * own);
  if (as === 'seam') return direction.sign * amount * (own === null ? 0.5 : own);
  const sides = as === 'side' || side !== 'both' ? 1 : 2;
  const times = as === 'fold' && isFold(asked) ? 2 : 1;
  const edges = face === 'back' ? on.back : on.front;
  const part = both ? (own ?? edges / (on.front + on.back)) : 1;
  return (direction.sign * amount * times * part) / (edges * sides);
}
