import { describe, expect, it } from 'vitest';
import {
  angleByCup,
  angleByLengths,
  balanceFor,
  balanceOf,
  bustPointBelow,
  type DartLengths,
  mouthOf,
  turnedUp,
  usualAngle,
} from './true-dart.ts';

const SLOPE = 20;
/** The two bodies worked in the handbook on true shape; it does not tell neck and shoulders: these give its distances from shoulder end to bust point, 23.4 and 28.5. */
const SIZE_12: DartLengths = {
  front: 44,
  back: 42.5,
  neckToBust: 26,
  apex: 9.5,
  neckHalf: 6.75,
  shoulder: 12.25,
  shoulderBack: 12.7,
  slope: SLOPE,
};
const FULL: DartLengths = {
  front: 51,
  back: 44,
  neckToBust: 32,
  apex: 12,
  neckHalf: 8,
  shoulder: 12.75,
  shoulderBack: 12.85,
  slope: SLOPE,
};

describe('the bust dart from a client’s own lengths', () => {
  it('balance, to a tenth, of both worked bodies', () => {
    expect(balanceOf(SIZE_12)).toBeCloseTo(1.4, 1);
    expect(balanceOf(FULL)).toBeCloseTo(6.7, 1);
  });
  it('angle of both: 16.6 and 32.8 as worked, to a tenth', () => {
    expect(Math.abs(angleByLengths(SIZE_12)! - 16.6)).toBeLessThan(0.1);
    expect(Math.abs(angleByLengths(FULL)! - 32.8)).toBeLessThan(0.1);
  });
  it('a centimetre more over the bust is about four degrees more', () => {
    const more = angleByLengths({ ...SIZE_12, front: 45 })! - angleByLengths(SIZE_12)!;
    expect(more).toBeGreaterThan(3.2);
    expect(more).toBeLessThan(4.8);
  });
  it('the cup leads to 14 and 30 degrees on the same bodies, and an average bust to 15.5 at 88', () => {
    expect([angleByCup(88, 84, null), angleByCup(124, 112, null)]).toEqual([14, 30]);
    expect(angleByCup(88, null, 75)).toBeCloseTo(14, 6);
    expect(angleByCup(88, null, null)).toBeNull();
    expect([usualAngle(88), usualAngle(140)]).toEqual([15.5, 24]);
  });
  // A published block, size 12, redrawn on our own curves (from memory): bust point 9.85 from the centre, 25.5 below the
  // side-neck; turned to the side at bust level the mouth is 4.19, the front underarm rises by 4.12 and comes in by 1.25.
  it('turned to the side it opens and lifts the underarm as on the published block', () => {
    const [point, underarm] = [
      [9.85, 25.5],
      [25.5, 23],
    ] as const;
    expect(mouthOf(15.39, 15.63)).toBeCloseTo(4.19, 2);
    const [x, y] = turnedUp(underarm, point, 15.63);
    expect(underarm[1] - y).toBeCloseTo(4.12, 1);
    expect(underarm[0] - x).toBeCloseTo(1.25, 1);
  });
  it('the balance that an angle asks for is the lengths’ own, worked the other way round', () => {
    for (const body of [SIZE_12, FULL])
      expect(balanceFor(body, angleByLengths(body)!)).toBeCloseTo(balanceOf(body), 9);
  });
  it('lengths that belong to no one body have none', () => {
    expect(angleByLengths({ ...SIZE_12, front: 90 })).toBeNull();
    expect(bustPointBelow({ neckToBust: 3, apex: 20, neckHalf: 7 })).toBe(0);
  });
});
