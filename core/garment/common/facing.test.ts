import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength, sewnWidthAt } from '../../draft/measure.ts';
import type { Sheet } from '../../sheet/compute.ts';

const made = (fields: object, waist = 70): Sheet =>
  sheetOf(
    garmentSpec('straight-skirt', [`waist ${waist} cm`, 'hip 96 cm', 'waist-to-hip 20 cm'], {
      garment: { parts: [{ part: 'straight-skirt', length: '62 cm', band: '0 cm', ...fields }] },
      house: { rounding: EXACT },
    }),
  );
const panel = (s: Sheet, id: string) => s.panels.find((p) => p.id === `skirt.${id}`)!;
const piece = (s: Sheet, id: string) => s.pieces.find((p) => p.panel === `skirt.${id}`);

describe('a waist that is faced instead of banded', () => {
  it.each([
    ['centre-back', 2, 'a pair'],
    ['left-side', 1, 'on the fold'],
  ])('open at %s: each facing is cut as the panel it faces, the back in %i', (zip, count, cut) => {
    const s = made({ zip });
    for (const id of ['front-facing', 'front-facing-interfacing'])
      expect(piece(s, id), id).toMatchObject({ count: 1, cut: 'on the fold' });
    for (const id of ['back', 'back-facing', 'back-facing-interfacing'])
      expect(piece(s, id), id).toMatchObject({ count, cut });
    expect(piece(s, 'band')).toBeUndefined();
  });

  it.each([58, 70, 88])(
    'follows a waist of %i with its darts closed: as long above, as wide as the skirt 5 below',
    (waist) => {
      const s = made({}, waist);
      for (const face of ['front', 'back']) {
        const [skirt, facing] = [panel(s, face), panel(s, `${face}-facing`)];
        expect(edgeLength(facing, 'waist')).toBeCloseTo(sewnLength(skirt, 'waist'), 3);
        expect(edgeLength(facing, 'side')).toBeCloseTo(5, 6);
        expect(edgeLength(facing, 'centre')).toBeCloseTo(5, 6);
        expect(edgeLength(facing, 'lower')).toBeCloseTo(sewnWidthAt(skirt, 5)!, 0);
      }
      // Faced, the garment ends at its waist: no ease for a band that lies on it, and none is cut.
      expect(s.figures.some((f) => f.id === 'skirt.band-length')).toBe(false);
      expect(figure(s, 'waist').finished).toBeGreaterThan(waist);
    },
  );

  it('its seams are the garment’s, its interfacing has none', () => {
    const s = made({});
    const of = (id: string) => Object.fromEntries(panel(s, id).edges.map((e) => [e.id, e.allowance]));
    expect(of('front-facing')).toEqual({ waist: 1.3, side: 1.5, lower: 1, centre: 0 });
    expect(of('back-facing')).toEqual({ waist: 1.3, side: 1.5, lower: 1, centre: 2 });
    expect(Object.values(of('front-facing-interfacing'))).toEqual([0, 0, 0, 0]);
  });
});
