import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength } from '../../../draft/measure.ts';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = [
  ...['bust 88 cm', 'waist 70 cm', 'across-shoulder 38 cm', 'nape-to-waist 40 cm', 'armhole-depth 20 cm'],
  ...['neck-width 14 cm', 'neck-to-bust 26 cm', 'neck-to-waist-front 44 cm', 'apex-span 18 cm'],
  ...['hip 96 cm', 'waist-to-hip 20 cm', 'upper-arm 28 cm', 'arm-length 58 cm', 'wrist 16 cm', 'fist 22 cm'],
];
const made = (parts: readonly { readonly part: string; readonly [field: string]: unknown }[]): Sheet =>
  sheetOf(garmentSpec(parts, BODY, { house: { rounding: EXACT } }));
const panel = (s: Sheet, id: string) => s.panels.find((p) => p.id === id)!;
const piece = (s: Sheet, id: string) => s.pieces.find((p) => p.panel === id);

describe('facings', () => {
  it.each([
    ['centre-back', ['front', 1, 'on the fold'], ['back', 2, 'a pair']],
    ['centre-front', ['front', 2, 'a pair'], ['back', 1, 'on the fold']],
    ['left-side', ['front', 1, 'on the fold'], ['back', 1, 'on the fold']],
  ] as const)('open at %s: in one on the fold, or a pair where it opens', (zip, ...faces) => {
    const s = made([{ part: 'darted-bodice', zip }]);
    for (const [face, count, cut] of faces)
      for (const id of [`bodice.${face}-neck-facing`, `bodice.${face}-neck-facing-interfacing`])
        expect(piece(s, id), id).toMatchObject({ count, cut });
    // At an armhole there are two of each, however it opens.
    for (const face of ['front', 'back'])
      expect(piece(s, `bodice.${face}-armhole-facing`)).toMatchObject({ count: 2, cut: 'a pair' });
  });

  it.each(['round', 'v', 'square', 'sweetheart', 'wide'])(
    'on a %s neckline each is as long at it as what it faces, and joins the other at the shoulder',
    (neckline) => {
      const s = made([{ part: 'darted-bodice', neckline, neckFront: '10 cm', widen: '2 cm' }]);
      for (const face of ['front', 'back'])
        for (const edge of ['neck', 'armhole'] as const)
          expect(edgeLength(panel(s, `bodice.${face}-${edge}-facing`), edge)).toBeCloseTo(
            edgeLength(panel(s, `bodice.${face}`), edge),
            edge === 'neck' ? 6 : 4,
          );
      const [front, back] = ['front', 'back'].map((f) =>
        edgeLength(panel(s, `bodice.${f}-neck-facing`), 'shoulder'),
      );
      expect(front).toBeCloseTo(back!, 6);
    },
  );

  it('an armhole with a sleeve needs none, nor a neckline with a collar', () => {
    const s = made([{ part: 'darted-bodice' }, { part: 'sleeve' }, { part: 'collar' }]);
    expect(s.pieces.filter((p) => p.name.includes('facing') && p.layer === 'outer')).toEqual([]);
  });

  it('is interfaced without its seams', () => {
    const s = made([{ part: 'darted-bodice' }]);
    for (const id of ['bodice.front-neck-facing', 'bodice.back-armhole-facing']) {
      const [facing, inner] = [piece(s, id)!, piece(s, `${id}-interfacing`)!];
      expect(inner.layer).toBe('interfacing');
      expect(inner.width!).toBeLessThan(facing.width!);
      expect(inner.length!).toBeLessThan(facing.length!);
    }
  });
});
