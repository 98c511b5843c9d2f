import type { Point } from '../../../draft/curve.ts';

/** Lengths that a bust dart follows from, cm; `slope` in degrees. */
export interface DartLengths {
  /** side-neck to waist, front over the bust, and back */
  readonly front: number;
  readonly back: number;
  /** side-neck to bust point */
  readonly neckToBust: number;
  /** half of the span between the bust points, half of the neck's width */
  readonly apex: number;
  readonly neckHalf: number;
  readonly shoulder: number;
  /** the back's, with its dart or ease */
  readonly shoulderBack: number;
  readonly slope: number;
}

/** How much lower the front shoulder end lies over the underarm than the back's while the dart is open, cm (1.5 and 2.3 in two published blocks, from memory). */
export const OPEN_SHOULDER = 1.9;

/** How far the bust point lies below the side-neck, cm: the way down to it runs to the side too (plane geometry). */
export const bustPointBelow = (l: Pick<DartLengths, 'neckToBust' | 'apex' | 'neckHalf'>): number =>
  Math.sqrt(Math.max(0, l.neckToBust ** 2 - (l.apex - l.neckHalf) ** 2));

/** So much higher than the back's the front side-neck stands when the underarms are level, cm. */
export const balanceOf = (l: DartLengths): number => l.front - l.neckToBust + bustPointBelow(l) - l.back;

/**
 * The angle of the bust dart, degrees, from the client's lengths: with the dart open the front underarm and waist lie
 * level with the back's, and the shoulder end stands `OPEN_SHOULDER` lower over the underarm than the back's; closed, the
 * shoulder runs straight to the side-neck. Null where the lengths belong to no one body. Plane geometry on two published
 * blocks (from memory).
 */
export function angleByLengths(l: DartLengths): number | null {
  const angle = (l.slope * Math.PI) / 180;
  const [run, drop] = [l.shoulder * Math.cos(angle), l.shoulder * Math.sin(angle)];
  const below = bustPointBelow(l);
  const reach = Math.hypot(l.neckHalf + run - l.apex, below - drop);
  const open = (below - balanceOf(l) - l.shoulderBack * Math.sin(angle) - OPEN_SHOULDER) / reach;
  const closed = (below - drop) / reach;
  if (Math.abs(open) > 1 || Math.abs(closed) > 1) return null;
  return ((Math.acos(open) - Math.acos(closed)) * 180) / Math.PI;
}

/** The balance at which a bust dart of this angle is right on these shoulders: what `angleByLengths` says, the other way round; degrees, cm. */
export function balanceFor(l: DartLengths, degrees: number): number {
  const angle = (l.slope * Math.PI) / 180;
  const below = bustPointBelow(l);
  const [x, y] = [l.neckHalf + l.shoulder * Math.cos(angle) - l.apex, below - l.shoulder * Math.sin(angle)];
  const reach = Math.hypot(x, y) || 1;
  const open = (degrees * Math.PI) / 180 + Math.acos(y / reach);
  return below - l.shoulderBack * Math.sin(angle) - OPEN_SHOULDER - reach * Math.cos(open);
}

/** The angle that the cup leads one to expect, degrees: own estimates, to be proved on toiles; null where neither was read, or the high bust as more than the bust. */
export const angleByCup = (bust: number, high: number | null, under: number | null): number | null =>
  high !== null && high <= bust
    ? 6 + 2 * (bust - high)
    : under !== null
      ? 14 + 1.75 * Math.max(0, bust - under - 13)
      : null;

/** The angle of an average bust, degrees, where nothing was read that says more (a published block’s steps, from memory). */
export const usualAngle = (bust: number): number => Math.min(24, 15.5 + 0.2 * (bust - 88));

/** A point turned about another by so many degrees, upwards from the side: toward the shoulder on a front. */
export function turnedUp([x, y]: Point, [cx, cy]: Point, degrees: number): Point {
  const a = (degrees * Math.PI) / 180;
  const [dx, dy] = [x - cx, y - cy];
  return [cx + dx * Math.cos(a) + dy * Math.sin(a), cy - dx * Math.sin(a) + dy * Math.cos(a)];
}

/** How wide a dart of this angle opens at so many centimetres from its point. */
export const mouthOf = (cut: number, degrees: number): number =>
  2 * cut * Math.sin((degrees * Math.PI) / 360);
/** The angle, degrees, of a dart that opens so wide, cm, at so many centimetres from its point. */
export const angleOfMouth = (cut: number, mouth: number): number =>
  (2 * Math.asin(Math.min(1, mouth / 2 / cut)) * 180) / Math.PI;
