import { sheetOf, skirtSpec } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { resolveAll } from '../measures/session.ts';
import { readLength, type Written } from '../units/reading.ts';
import { besideFlat, flatSays } from './beside-flat.ts';

const written = (of: Record<string, string>) =>
  new Map<string, Written>(
    Object.entries(of).map(([id, text]) => {
      const read = readLength(text, 'cm');
      if (!read.ok) throw new Error(read.sentence);
      return [id, read.written];
    }),
  );
const of = (sheet: ReturnType<typeof sheetOf>) => resolveAll(sheet.input.readings);

describe('a skirt laid flat beside its sheet', () => {
  // Worked by hand: waist 70 + 2.5 = 72.5, in quarters of 18.125, marked 18 as the house marks halves: 72, half of it 36.
  const sheet = sheetOf(skirtSpec(['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm']));
  const rows = (read: Record<string, string>) => besideFlat('skirt', written(read), sheet, of(sheet));
  const row = (id: string, read: Record<string, string>) => rows(read).find((r) => r.point.id === id)!;

  it('sets halves beside halves, and lets a half differ by half of what the whole may', () => {
    const hip = sheet.figures.find((f) => f.id === 'hip')!;
    const marked = hip.shares.reduce((n, s) => n + s.times * s.rounded, 0);
    const half = row('half-hip', { 'half-hip': `${marked / 2 + 0.5} cm` });
    expect(half).toMatchObject({ body: 49, sheet: marked / 2, tolerance: 0.5, within: true });
    expect(half.whole).toBeCloseTo(marked + 1, 9);
    expect(half.differs).toBeCloseTo(0.5, 9);
    expect(row('half-hip', { 'half-hip': `${marked / 2 + 0.6} cm` }).within).toBe(false);
  });
  it('takes inches as they were written, and leaves what was not measured', () => {
    const waist = row('half-waist', { 'half-waist': '14 1/4 in' });
    expect(waist.flat).toBeCloseTo(36.195, 9);
    expect(waist.written!.text).toBe('14 1⁄4');
    expect(row('half-hem', {})).toMatchObject({ flat: null, differs: null, within: null });
    expect(row('half-hem', {}).sheet).toBeGreaterThan(40);
  });
  it('without a sheet still stands beside the body', () => {
    const alone = besideFlat('skirt', written({ 'half-hip': '51 cm' }), null, of(sheet));
    expect(alone.find((r) => r.point.id === 'half-hip')).toMatchObject({
      flat: 51,
      whole: 102,
      body: 49,
      sheet: null,
      within: null,
    });
  });
});

describe('a bodice laid flat', () => {
  it('measures shoulder to shoulder and the armhole square on the panels, over random bodies', () => {
    const rnd = seeded(41);
    for (let i = 0; i < 60; i++) {
      const sheet = sheetOf(garmentSpec('bodice', asLines(randomBody(rnd))));
      if (sheet.panels.length === 0) continue;
      const rows = new Map(besideFlat('set-in', new Map(), sheet, of(sheet)).map((r) => [r.point.id, r]));
      const depth = sheet.figures.find((f) => f.id === 'bodice.armhole-depth')!.marked!;
      const square = rows.get('armhole')!.sheet!;
      // The shoulder end lies below the side-neck, so the square armhole is shorter than the armhole's depth.
      expect(square).toBeGreaterThan(0);
      expect(square).toBeLessThan(depth);
      expect(rows.get('shoulders')!.sheet!).toBeGreaterThan(2 * rows.get('half-neck')!.sheet!);
      expect(rows.get('side-neck-length')!.sheet).not.toBeNull();
    }
  });
  it('judges chest and armhole together', () => {
    const sheet = sheetOf(garmentSpec('bodice', asLines(randomBody(seeded(7)))));
    const now = besideFlat('set-in', new Map(), sheet, of(sheet));
    const at = (id: string) => now.find((r) => r.point.id === id)!.sheet!;
    const says = (chest: number, armhole: number) =>
      flatSays(
        besideFlat(
          'set-in',
          written({
            'half-chest': `${at('half-chest') + chest} cm`,
            armhole: `${at('armhole') + armhole} cm`,
          }),
          sheet,
          of(sheet),
        ),
      );
    expect(says(3, 0)[0]).toContain('bunch');
    expect(says(-3, 0)[0]).toContain('ride up');
    expect(says(3, 1.5)).toEqual([]);
    expect(says(0.2, -2)).toEqual([]);
  });
});
