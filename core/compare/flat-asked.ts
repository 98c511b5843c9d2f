import type { FlatRow } from '../sheet/beside-flat.ts';
import { type Cm, cm } from '../units/length.ts';
import { type Rounding, roundLength } from '../units/rounding.ts';
import { perEdge } from './flat-change.ts';

/** A kind of alteration of the program with its way and amount, cm, as a change of what lies flat would be asked for at a fitting. */
export interface FlatAsked {
  readonly kind: string;
  readonly direction: string;
  readonly amount: Cm;
  /** of what the amount is the amount: of all round, or of a side */
  readonly as: 'total' | 'side';
  readonly face: 'front' | 'back' | null;
}

type Does = readonly [kind: string, less: string, more: string, face?: 'front' | 'back'];
/** What is done where a point is too small and where it is too large. */
const DOES: Readonly<Record<string, Does>> = {
  'side-neck-length': ['hem-straight', 'down', 'up'],
  'centre-back-length': ['hem-straight', 'down', 'up'],
  'length-front': ['hem-straight', 'down', 'up'],
  'length-side': ['hem-straight', 'down', 'up'],
  'length-back': ['hem-straight', 'down', 'up'],
  inseam: ['hem-straight', 'down', 'up'],
  outseam: ['hem-straight', 'down', 'up'],
  'waist-front': ['front-length', 'longer', 'shorter'],
  'waist-back': ['back-length', 'longer', 'shorter'],
  'bust-height': ['bust-level', 'lower', 'higher'],
  'half-chest': ['side-seams', 'out', 'in'],
  'half-underbust': ['side-seams', 'out', 'in'],
  'half-waist': ['waist', 'out', 'in'],
  'half-hip': ['side-seams', 'out', 'in'],
  'half-thigh': ['leg-width', 'out', 'in'],
  'half-knee': ['leg-width', 'out', 'in'],
  'rise-front': ['trouser-rise', 'longer', 'shorter'],
  'rise-back': ['trouser-rise', 'longer', 'shorter'],
  shoulders: ['shoulders-in', 'out', 'in'],
  shoulder: ['shoulders-in', 'out', 'in'],
  'neck-drop-front': ['neckline-lower', 'lower', '', 'front'],
  'neck-drop-back': ['neckline-lower', 'lower', '', 'back'],
  'half-neck': ['neckline-widen', 'wider', 'narrower'],
  armhole: ['armhole-lower', 'lower', ''],
  sleeve: ['sleeve-length', 'longer', 'shorter'],
  'half-upper-arm': ['sleeve-width', 'out', 'in'],
};
/** The other way of those that have a kind each way. */
const OTHER_WAY: Readonly<Record<string, string>> = {
  'neckline-lower': 'neckline-raise',
  'armhole-lower': 'armhole-raise',
};

/** A bust change over princess seams as it would be asked for. By a dart it is drawn anew: no alteration widens a front at its bust point alone. */
export const bustAsked = (row: FlatRow, hand: Rounding): FlatAsked => ({
  kind: 'bust-fullness',
  direction: row.differs! < 0 ? 'more' : 'less',
  amount: roundLength(cm(2 * Math.abs(row.differs!)), hand),
  as: 'total',
  face: null,
});

/** The alteration that would make a point what it should be; null where it is within, was not read, or no kind does it. */
export function flatAsked(row: FlatRow, hand: Rounding): FlatAsked | null {
  const does = DOES[row.point.id];
  if (!does || row.differs === null || row.within !== false) return null;
  const [kind, less, more, face] = does;
  const legs = kind === 'leg-width';
  const { each, edges } = perEdge(row, hand)!;
  // All round it is what its edges get together, so that both say one thing; shoulders are two.
  const whole =
    row.point.id === 'shoulders'
      ? Math.abs(row.differs) / 2
      : edges === 4
        ? 4 * each
        : Math.abs(row.differs) * (row.point.half && row.point.id !== 'half-neck' ? 2 : 1);
  const amount = roundLength(cm(whole), hand);
  if (amount <= 0) return null;
  const short = row.differs < 0;
  const way = short ? less : more;
  return {
    kind: way === '' ? OTHER_WAY[kind]! : kind,
    direction: way === '' ? 'higher' : way,
    amount,
    as: legs ? 'side' : 'total',
    face: face ?? null,
  };
}
