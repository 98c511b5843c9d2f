// @vitest-environment happy-dom
import { cm } from '@rocchetto/core';
import { bodySeen, type Room } from '@rocchetto/core/compare/ease-seen.ts';
import { render } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { EaseSeen } from './EaseSeen.tsx';

/** An invented body; heights from the waist, up is more. */
const BODY: Readonly<Record<string, number>> = { bust: 92, underbust: 76, waist: 74, hip: 98 };
const { levels } = bodySeen((id) => (BODY[id] === undefined ? null : cm(BODY[id])));
const room = (id: string, ease: number): Room => ({
  id,
  ease: cm(ease),
  front: null,
  back: null,
  least: null,
});
/** From which height to which one the cloth is drawn, cm. */
const drawn = (rooms: readonly Room[]) => {
  const { container, unmount } = render(
    <EaseSeen levels={levels} drawn="the garment" rooms={rooms} unit="cm" />,
  );
  const ends = [...container.querySelectorAll('.clothline')].map((p) => {
    const ys = [...p.getAttribute('d')!.matchAll(/-?[\d.]+,(-?[\d.]+)/g)].map((m) => -Number(m[1]) / 4);
    return [Math.max(...ys), Math.min(...ys)];
  });
  const says = container.textContent;
  unmount();
  return { ends, says };
};

describe('the cloth around the body', () => {
  it('is drawn as far as the garment follows the body, and no further where it falls free', () => {
    const { ends, says } = drawn([room('bust', 5), room('underbust', 4)]);
    // The bust is usually 17 above the waist, the line under it 9.5.
    for (const [from, to] of ends) {
      expect(from).toBeCloseTo(17 + 5, 6);
      expect(to).toBeCloseTo(9.5 - 1.5, 6);
    }
    expect(ends).toHaveLength(4);
    expect(says).toContain('no cloth where the garment falls free');
  });
  it('goes over the whole body where all of it is followed', () => {
    const { ends, says } = drawn([room('bust', 5), room('hip', 5)]);
    for (const [from, to] of ends) expect([from, to]).toEqual([17 + 5, -20.5 - 5]);
    expect(says).not.toContain('falls free');
  });
  it('of a skirt that falls free from its waist is a short line there', () => {
    for (const [from, to] of drawn([room('waist', 2.5)]).ends) expect([from, to]).toEqual([1.5, -1.5]);
  });
});
