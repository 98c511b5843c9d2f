import type { FlatRow } from '../sheet/beside-flat.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import { type Rounding, roundLength } from '../units/rounding.ts';
import { findZone } from './zones.ts';

/** What changes besides, where a point is changed (common practice, no source). */
const MOVES: Readonly<Record<string, string>> = {
  'half-chest': 'The armhole and its sleeve follow.',
  'bust-height': 'The dart moves with it.',
  'waist-front': 'The dart takes it at the side seam, or the back is eased on.',
  'waist-back': 'The side seam of the front follows.',
  'side-neck-length': 'The bust line stays where it was.',
  armhole: 'The sleeve cap follows.',
  shoulder: 'The armhole moves with it.',
};
/** What is open is made larger by taking cloth away: its own words for too little and too much. */
const OPEN: Readonly<Record<string, readonly [less: string, more: string]>> = {
  armhole: ['Lower the underarm by', 'Raise the underarm by'],
  'neck-drop-front': ['Lower the neckline by', 'Raise the neckline by'],
  'neck-drop-back': ['Lower the neckline by', 'Raise the neckline by'],
  'half-neck': ['Widen the neckline by', 'Narrow the neckline by'],
};
/** Points that no measure of the body tells where to change. */
const WHERE: Readonly<Record<string, readonly [edges: number, where: string]>> = {
  'half-chest': [4, 'at each of the four side-seam edges, from the underarm'],
  'half-hem': [4, 'at each of the four side-seam edges, at the hem'],
  armhole: [1, 'on front and back'],
  'side-neck-length': [1, 'at the line below the waist, or at the hem'],
  'centre-back-length': [1, 'at the line below the waist, or at the hem'],
  'neck-drop-front': [1, 'in front'],
  'neck-drop-back': [1, 'behind'],
  'half-neck': [1, 'at each end'],
  sleeve: [1, 'half above the elbow and half below it'],
  'length-front': [1, 'at the hem'],
  'length-side': [1, 'at the hem'],
  'length-back': [1, 'at the hem'],
};

/** What is known of the bust beside a piece that lies flat. */
export interface Bust {
  /** bust less high bust, as a sewing cup; null where it was not read */
  readonly cup: string | null;
  /** the shoulders are as they should be, or were not read: only the front is too small or too large */
  readonly shouldersFit: boolean;
}
/** Patterns are drafted for this cup (common practice). */
const DRAFTED_FOR = 'B';
/** Whether a chest that is off is a matter of the cup: too small for a larger one, too large for a smaller one. */
export const byCup = (row: FlatRow, { cup, shouldersFit }: Bust): boolean =>
  row.point.id === 'half-chest' &&
  row.differs !== null &&
  row.within === false &&
  shouldersFit &&
  cup !== null &&
  (row.differs < 0 ? cup > DRAFTED_FOR : cup < DRAFTED_FOR);

/** A full or a small bust change: the front alone, each half at its bust point. */
function bustChange(row: FlatRow, { cup }: Bust, hand: Rounding): string {
  const each = roundLength(cm(Math.abs(row.differs!)), hand);
  const full = row.differs! < 0;
  return `${full ? 'Full' : 'Small'} bust change (cup ${cup}): ${full ? 'spread' : 'overlap'} each half of the front by ${p(each)} at the bust point, nothing at the shoulder and the side. Its dart opens by as much ${full ? 'more' : 'less'}, and the front grows ${full ? 'longer' : 'shorter'} over the bust; back, shoulders and armhole stay.`;
}

/** What each edge gets where a point is off, in a step of the hand, cm, how many edges there are and where; null where it was not read. */
export function perEdge(
  { point, differs }: FlatRow,
  hand: Rounding,
): { readonly each: Cm; readonly edges: number; readonly where: string } | null {
  if (differs === null) return null;
  const zone = point.body ? findZone(point.body) : undefined;
  const [edges, where] = WHERE[point.id] ?? (zone ? [zone.edges, zone.where] : [1, 'there']);
  const whole = point.half && point.id !== 'half-neck' ? 2 * differs : differs;
  return { each: roundLength(cm(Math.abs(whole) / edges), hand), edges, where };
}

/**
 * What to do where a pattern, a toile or a garment does not measure what it should: an amount for each edge, in a step of
 * the hand, where, and what moves with it. Null where it is within, or was not read.
 */
export function flatChange(row: FlatRow, hand: Rounding, bust: Bust | null = null): string | null {
  const at = perEdge(row, hand);
  if (!at || row.within !== false) return null;
  if (bust && byCup(row, bust)) return bustChange(row, bust, hand);
  const { each, where } = at;
  if (each <= 0) return null;
  const [less, more] = OPEN[row.point.id] ?? ['Add', 'Take'];
  return `${row.differs! < 0 ? less : more} ${p(each)} ${where}.${MOVES[row.point.id] ? ` ${MOVES[row.point.id]}` : ''}`;
}

/** Everything read differs by about as much: its allowances were measured in. A sentence, or null. */
export function allowancesIn(rows: readonly FlatRow[]): string | null {
  const off = rows.flatMap((r) => (r.differs === null || !r.point.half ? [] : [r.differs]));
  if (off.length < 3) return null;
  const [least, most] = [Math.min(...off), Math.max(...off)];
  return least > 0.5 && most - least < 0.6
    ? `Every width is about ${p(cm((least + most) / 2))} more than it should be. Were the seam allowances measured in? Measure from stitch line to stitch line.`
    : null;
}
