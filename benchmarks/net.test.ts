import { describe, expect, it } from 'vitest';
import { body, netFigures, publishedBodies, random, take } from './net.ts';

// The same simulation as `bench net`, over fewer bodies and always the same ones: the goals are the owner's.
describe('the net over bodies it was not made from', () => {
  it.each([false, true])(
    'asks seldom without cause and catches single faults (earlier session: %s)',
    (earlier) => {
      const f = netFigures(900, 11, earlier);
      expect(f.falseReadings).toBeLessThan(0.01);
      expect(f.falseSessions).toBeLessThan(0.05);
      for (const is of ['other unit', 'half', 'quarter'] as const)
        expect(f.caught[is], is).toBeGreaterThan(0.99);
      expect(f.caught.swapped).toBeGreaterThan(0.92);
      expect(f.caught.ten).toBeGreaterThan(0.9);
      expect(f.caught.finger).toBeGreaterThan(0.6);
    },
  );
  it('asks nothing of published bodies', () => {
    for (const p of publishedBodies()) expect(p.asked / p.readings, p.name).toBeLessThan(0.01);
  });
  it('a fault that cannot be made is not counted', () => {
    const rnd = random(3);
    expect(take(body(rnd), rnd, { at: 'stature', is: 'half' }).made).toBe(false);
    expect(take(body(rnd), rnd, { at: 'waist', is: 'half' }).made).toBe(true);
  });
});
