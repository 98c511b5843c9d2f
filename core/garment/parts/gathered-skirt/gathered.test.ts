import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { sewnSize } from '../../../draft/outline.ts';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = ['waist 72 cm', 'hip 99 cm', 'waist-to-hip 20 cm'];
/** Fitted: waist 72 + 2.5 = 74.5. */
const made = (fields: object, more: object = {}): Sheet =>
  sheetOf(
    garmentSpec('gathered-skirt', BODY, {
      garment: { parts: [{ part: 'gathered-skirt', length: '65 cm', ...fields }], ...more },
      house: { rounding: EXACT },
    }),
  );
const panel = (s: Sheet, id: string) => s.panels.find((p) => p.id === id)!;
const piece = (s: Sheet, id: string) => s.pieces.find((p) => p.panel === id)!;

describe('a gathered skirt', () => {
  // Usable is the width less two seams of 1.5; panels are what the cloth round takes of it, rounded up.
  it.each([
    [1.5, '150 cm', 1],
    [2, '150 cm', 2],
    [2.5, '140 cm', 2],
    [3, '115 cm', 2],
    [3, '90 cm', 3],
    [4, '90 cm', 4],
    // 2 × 74.5 = 149 goes once into 152 − 3, exactly.
    [2, '152 cm', 1],
    [2, '151.9 cm', 2],
  ])('%d : 1 in cloth of %s takes %i panels', (ratio, width, panels) => {
    const s = made({ ratio }, { cloth: { name: 'lawn', width } });
    expect(figure(s, 'skirt.cloth-round').finished).toBeCloseTo(ratio * 74.5, 9);
    expect(figure(s, 'skirt.panel-width').finished).toBeCloseTo((ratio * 74.5) / panels, 9);
    expect(figure(s, 'skirt.hem').finished).toBeCloseTo(ratio * 74.5, 9);
    const p = panel(s, 'skirt.panel');
    expect(p.count).toBe(panels);
    expect(panels * edgeLength(p, 'waist')).toBeCloseTo(ratio * 74.5, 6);
    expect(panels * sewnLength(p, 'waist')).toBeCloseTo(74.5, 6);
    expect(piece(s, 'skirt.panel')).toMatchObject({
      count: panels,
      // The seams hold the zip: 2 at each.
      width: expect.closeTo((ratio * 74.5) / panels + 4, 6),
      length: expect.closeTo(65 + 1.3 + 4, 6),
    });
  });

  it('along a border it is one panel, however long, and has no hem to turn', () => {
    const s = made({ ratio: 3 }, { cloth: { name: 'bordered', width: '110 cm', border: true } });
    expect(panel(s, 'skirt.panel').count).toBe(1);
    expect(figure(s, 'skirt.panel-width').finished).toBeCloseTo(3 * 74.5, 9);
    expect(panel(s, 'skirt.panel').edges.find((e) => e.id === 'hem')!.allowance).toBe(0);
  });

  it('its band is the waist and its overlap, twice its width and two seams across', () => {
    const s = made({ band: '4 cm', overlap: '2 cm' });
    expect(figure(s, 'skirt.band-length').finished).toBeCloseTo(74.5 + 2, 9);
    expect(piece(s, 'skirt.band')).toMatchObject({
      width: expect.closeTo(2 * 4 + 2 * 1.3, 9),
      length: expect.closeTo(74.5 + 2 + 2 * 1.3, 9),
    });
    // Interfaced as it is finished: one layer, without its seams.
    expect(piece(s, 'skirt.band-interfacing')).toMatchObject({
      width: expect.closeTo(4, 9),
      length: expect.closeTo(76.5, 9),
    });
  });

  it('its lining is as full and shorter, with a hem of its own', () => {
    const s = made({}, { lining: 'cupro' });
    const [outer, lining] = ['skirt.panel', 'skirt.lining'].map((id) => panel(s, id));
    expect(lining!.layer).toBe('lining');
    expect(sewnLength(lining!, 'waist')).toBeCloseTo(sewnLength(outer!, 'waist'), 6);
    expect(sewnSize(lining!).height).toBeLessThan(sewnSize(outer!).height);
    expect(sewnSize(lining!).width).toBeCloseTo(sewnSize(outer!).width, 9);
    expect(lining!.edges.find((e) => e.id === 'hem')!.allowance).toBe(1.2);
  });

  it('its way in is what the waist lacks of the hip, half at each edge, and 18 at the least', () => {
    // (99 − 74.5) ÷ 2 = 12.25: 18 at the least. Over a hip of 130: (130 − 74.5) ÷ 2 = 27.75: the next in stock.
    expect(figure(made({}), 'zip').finished).toBe(18);
    const wide = sheetOf(
      garmentSpec('gathered-skirt', ['waist 72 cm', 'hip 130 cm', 'waist-to-hip 20 cm'], {
        house: { rounding: EXACT },
      }),
    );
    const zip = figure(wide, 'zip');
    expect(zip.finished).toBeGreaterThanOrEqual(27.75);
    expect(zip.finished! - 27.75).toBeLessThan(5);
  });

  it('set by hand to less cloth than its waist, it is refused in a sentence', () => {
    const by = { by: 'F', at: '', reason: 'tried' };
    const s = sheetOf(
      garmentSpec('gathered-skirt', BODY, {
        rest: {
          overrides: [{ figure: 'skirt.cloth-round', target: 'finished', value: '70 cm', ...by }],
        },
      }),
    );
    expect(s.refused[0]!.sentence).toContain('nothing could be gathered');
    // Marked to the half centimetre its waist is 2 × 37.5 = 75.
    expect(figure(s, 'skirt.cloth-round').finished).toBeCloseTo(2 * 75, 9);
  });
});
