import { lengthOf, type Segment } from '../../draft/curve.ts';
import { root } from '../../draft/root.ts';

/**
 * Half a cap from the underarm, at (w, h), up to its top at the origin: level at both ends, scooped in front, rounder
 * at the back (common practice, drawn by us).
 */
export function halfCap(w: number, h: number, side: 'front' | 'back'): Segment {
  const [low, high] = side === 'front' ? [0.42, 0.46] : [0.34, 0.54];
  const x = side === 'front' ? -1 : 1;
  return [
    [x * w, h],
    [x * w * (1 - low), h],
    [x * w * high, 0],
    [0, 0],
  ];
}

const halfLength = (w: number, h: number, side: 'front' | 'back') => lengthOf(halfCap(w, h, side));

export interface CapLengths {
  readonly front: number;
  readonly back: number;
}
export interface CapWidths {
  readonly front: number;
  readonly back: number;
}

/** How wide each half of a cap of this height is, so that its halves are as long as wanted; null where it is too high for them. */
export function widthsAt(h: number, lengths: CapLengths): CapWidths | null {
  const of = (side: 'front' | 'back') =>
    // A cap is no shorter than the straight line and no longer than down and across: its width lies between.
    root(
      (w) => halfLength(w, h, side) - lengths[side],
      Math.max(0.5, lengths[side] - h),
      Math.sqrt(Math.max(0.25, lengths[side] ** 2 - h ** 2)),
    );
  const [front, back] = [of('front'), of('back')];
  return front === null || back === null ? null : { front, back };
}

/**
 * The height at which a cap of these lengths is as wide as the arm wants, with its halves; null where the armhole is
 * too small for that width at any height.
 */
export function heightFor(
  width: number,
  lengths: CapLengths,
): { readonly h: number; readonly widths: CapWidths } | null {
  const most = Math.min(lengths.front, lengths.back) * 0.98;
  // The higher the narrower: what grows with the height is what the width falls short by.
  const short = (h: number) => {
    const w = widthsAt(h, lengths);
    return w ? width - w.front - w.back : width;
  };
  const h = root(short, 0.5, most);
  const widths = h === null ? null : widthsAt(h, lengths);
  return h === null || widths === null ? null : { h, widths };
}
