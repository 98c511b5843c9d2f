import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import type { SheetInput } from './input.ts';

/** Half a neck is between these, cm; what shoulders leave outside them is no neck but a slip (house figures). */
export const NECK_HALF = { least: 5, most: 10 } as const;
/** Half a neck is this part of its girth at the base, less this, cm (a handbook's bodice block, from memory: 7.2 for a neck of 37). */
const NECK_OF_GIRTH = 0.2;
const NECK_LESS = 0.2;
/** Shoulders slope between these, degrees, or the house's slope is taken (house figures: about 20 on a metric block, from memory). */
const SLOPE = { least: 6, most: 38 } as const;

/** The house's shaping figures, with what this body's readings say of neck and shoulders in their place. */
export type Shape = SheetInput['house']['shape'] & {
  /** across shoulder, cm: as it was read, else from shoulder and neck; null where neither gives it */
  readonly across: Cm | null;
  /** where the neck width comes from when it was not read itself */
  readonly neckSays: string;
  /** it comes from the girth of the neck at its base */
  readonly neckByGirth: boolean;
  /** where the slope comes from when it was read; empty for the house's */
  readonly slopeSays: string;
};

/**
 * Neck, shoulders and slope: of neck width, shoulder and across shoulder any two make the third (plane geometry), and
 * how far the shoulder drops gives its slope. `shape`: the house's, in steps of the hand that marks.
 */
export function shouldersOf(net: (id: string) => Cm | null, shape: SheetInput['house']['shape']): Shape {
  const [neck, shoulder, across, drop] = [
    net('neck-width'),
    net('shoulder'),
    net('across-shoulder'),
    net('shoulder-drop'),
  ];
  const read =
    drop === null
      ? null
      : shoulder !== null
        ? Math.asin(Math.min(1, drop / shoulder))
        : across === null
          ? null
          : Math.atan2(2 * drop, across - (neck ?? shape.neckWidth));
  const degrees = read === null ? null : (read * 180) / Math.PI;
  const sloped = degrees !== null && degrees >= SLOPE.least && degrees <= SLOPE.most;
  const slope = sloped ? degrees : shape.slope;
  const run = shoulder === null ? null : shoulder * Math.cos((slope * Math.PI) / 180);
  const left = across === null || run === null ? null : across / 2 - run;
  const fits = neck === null && left !== null && left >= NECK_HALF.least && left <= NECK_HALF.most;
  const base = net('neck-base');
  const byGirth = neck === null && !fits && base !== null;
  const neckWidth = cm(
    fits ? 2 * left : byGirth ? 2 * (base * NECK_OF_GIRTH - NECK_LESS) : (neck ?? shape.neckWidth),
  );
  return {
    ...shape,
    slope,
    neckWidth: neck === null ? neckWidth : shape.neckWidth,
    across: across ?? (run === null ? null : cm(2 * run + neckWidth)),
    neckByGirth: byGirth,
    neckSays: fits
      ? `Not measured: what half across shoulder (${p(cm(across! / 2))}) leaves beside a shoulder of ${p(shoulder!)} along its slope.`
      : byGirth
        ? `Not measured: a fifth of the neck’s girth of ${p(base)}, less ${p(cm(NECK_LESS))} (a handbook’s block, from memory).`
        : 'Not measured: half of the studio’s neck width.',
    slopeSays: sloped ? `Slopes ${Math.round(slope * 10) / 10}°, as it was read to drop ${p(drop!)}.` : '',
  };
}
