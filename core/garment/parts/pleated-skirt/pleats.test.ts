import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = ['waist 72 cm', 'hip 99 cm', 'waist-to-hip 20 cm'];
/** Fitted: waist 72 + 2.5 = 74.5, hip 99 + 5 = 104; cloth of 150, 147 of it between its seams. */
const made = (fields: object, more: object = {}): Sheet =>
  sheetOf(
    garmentSpec('pleated-skirt', BODY, {
      garment: {
        parts: [{ part: 'pleated-skirt', length: '70 cm', ...fields }],
        cloth: { name: 'wool', width: '150 cm' },
        ...more,
      },
      house: { rounding: EXACT },
    }),
  );
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);

describe('pleats laid round the hip', () => {
  // kind, how many, depth asked, depth it gets
  it.each([
    ['knife', 26, undefined, 104 / 26],
    ['box', 16, undefined, 104 / 16],
    ['knife', 26, '2.5 cm', 2.5],
    ['box', 8, '10 cm', 10],
    ['single', 6, undefined, 6],
    ['single', 2, '12 cm', 12],
    ['single', 30, undefined, 6],
  ] as const)('%s, %i of them, %s deep: cloth, panels and lap by hand', (pleats, count, depth, hidden) => {
    const s = made({ pleats, count, ...(depth ? { depth } : {}) });
    expect(figure(s, 'skirt.seen').finished).toBeCloseTo(104 / count, 9);
    expect(figure(s, 'skirt.depth').finished).toBeCloseTo(hidden, 9);
    const cloth = 104 + count * 2 * hidden;
    expect(figure(s, 'skirt.cloth-round').finished).toBeCloseTo(cloth, 9);
    expect(figure(s, 'skirt.lap').finished).toBeCloseTo((104 - 74.5) / count, 9);
    const panels = Math.ceil(cloth / 147 - 1e-9);
    expect(figure(s, 'skirt.panel-width').finished).toBeCloseTo(cloth / panels, 9);
    expect(figure(s, 'skirt.hem').finished).toBeCloseTo(cloth, 9);
    const piece = s.pieces.find((p) => p.panel === 'skirt.panel')!;
    // The seams hold the zip: 2 at each.
    expect(piece.count).toBe(panels);
    expect(piece.width).toBeCloseTo(cloth / panels + 4, 6);
    expect(piece.length).toBeCloseTo(70 + 1.3 + 4, 6);
    const panel = s.panels.find((p) => p.id === 'skirt.panel')!;
    expect(panels * edgeLength(panel, 'waist')).toBeCloseTo(cloth, 6);
    expect(panels * sewnLength(panel, 'waist')).toBeCloseTo(74.5, 6);
    expect(panel.note).toContain(`${count} ${pleats} pleats`);
  });

  it('a full pleat that is marked is never deeper than it shows', () => {
    // 104 ÷ 15 = 6.93 is seen; to the half centimetre a pleat hides 6.5, not 7.
    const s = sheetOf(
      garmentSpec('pleated-skirt', BODY, {
        fields: { pleats: 'knife', count: 15 },
      }),
    );
    expect(figure(s, 'skirt.seen').marked).toBe(6.9);
    expect(figure(s, 'skirt.depth').marked).toBe(6.5);
    expect(figure(s, 'skirt.cloth-round').finished).toBeCloseTo(104 + 15 * 2 * 6.5, 9);
  });

  it('single ones may be deeper than what lies between them, full ones may not', () => {
    const by = { by: 'F', at: '', reason: 'tried' };
    const set = (pleats: string) =>
      sheetOf(
        garmentSpec('pleated-skirt', BODY, {
          garment: { parts: [{ part: 'pleated-skirt', pleats, count: 26, length: '70 cm' }] },
          rest: { overrides: [{ figure: 'skirt.depth', target: 'finished', value: '5 cm', ...by }] },
        }),
      );
    expect(set('single').refused).toEqual([]);
    expect(figure(set('single'), 'skirt.depth').finished).toBe(5);
    expect(set('knife').refused[0]!.sentence).toContain('four layers');
  });
});

describe('how far a pleated skirt lies closed', () => {
  it('what is stitched is a figure of its own and is said on the panel', () => {
    const s = made({ stitched: '18 cm' });
    expect(figure(s, 'skirt.stitched').finished).toBe(18);
    expect(s.panels.find((p) => p.id === 'skirt.panel')!.note).toContain('stitched');
    expect(made({}).figures.some((f) => f.id === 'skirt.stitched')).toBe(false);
  });
  it('its zip goes to where the closed girth passes the hip, stitched or not', () => {
    // Closed the girth grows from 74.5 to 104 over 20, and passes the hip of 99 at 20 × 24.5 ÷ 29.5 = 16.6; in stock 18.
    expect(figure(made({}), 'zip').finished).toBe(18);
    expect(figure(made({ stitched: '30 cm' }), 'zip').finished).toBe(18);
  });
  it('under a bodice it has no band, and its cloth is laid in pleats into that waist', () => {
    const s = sheetOf(
      garmentSpec(
        [{ part: 'darted-bodice' }, { part: 'pleated-skirt', count: 26 }],
        [
          ...BODY,
          'bust 90 cm',
          'neck-to-bust 26 cm',
          'neck-to-waist-front 44 cm',
          'nape-to-waist 40 cm',
          'across-shoulder 38 cm',
          'apex-span 18 cm',
        ],
        { house: { rounding: EXACT } },
      ),
    );
    expect(s.panels.some((p) => p.id === 'skirt.band')).toBe(false);
    expect(check(s, 'join-waist')!.sentence).toContain('pleated');
  });
});
