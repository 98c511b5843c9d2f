import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { toileOf, toilePanels } from './toile.ts';

const sheet = (id: string, more: object = {}) =>
  sheetOf(garmentSpec(id, asLines(randomBody(seeded(6))), { garment: { lining: 'cupro', ...more } }));

describe('a toile', () => {
  it('is cut from fewer pieces than its garment, none a facing, a band or an interfacing', () => {
    for (const { id } of GARMENTS) {
      const s = sheet(id);
      const toile = toileOf(s);
      expect(toile.pieces.length, id).toBeGreaterThan(0);
      expect(toile.pieces.length, id).toBeLessThanOrEqual(s.pieces.filter((p) => p.layer === 'outer').length);
      for (const p of toile.pieces) expect(p.name, id).not.toMatch(/facing|band|interfacing|lining/);
      expect(toile.notes.join(' '), id).not.toMatch(/NaN|undefined/);
    }
  });
  it('has two and a half centimetres at every seam: a straight skirt’s front is its lining with wide seams', () => {
    const s = sheet('straight-skirt');
    const front = toileOf(s).pieces.find((p) => p.name === 'front')!;
    const lining = s.pieces.find((p) => p.panel === 'skirt.lining-front')!;
    // Side 1.5 in the garment, 2.5 in the toile: a centimetre more across, in steps of half a centimetre.
    expect(front.width! - lining.width!).toBeCloseTo(1, 6);
    // Waist 1.3 and hem 1.2 there, 2.5 each here.
    expect(Math.abs(front.length! - lining.length! - 2.5)).toBeLessThanOrEqual(0.5);
  });
  it('says what holds and opens it: the zip’s length, bones taped outside', () => {
    const gown = toileOf(sheet('gown'));
    expect(gown.notes.some((n) => n.includes('Tape the bones'))).toBe(true);
    expect(gown.notes.some((n) => n.includes('A zip at least'))).toBe(true);
    expect(toileOf(sheet('t-shirt')).notes.some((n) => n.includes('zip'))).toBe(false);
  });
  it('names a tape only where there is a band, and calico in the steps it is bought in', () => {
    const gown = toileOf(sheet('gown'));
    expect(toileOf(sheet('straight-skirt')).notes.join(' ')).toContain('a tape stands for the band');
    expect(gown.notes.join(' ')).not.toContain('tape stands for the band');
    expect(Math.abs(gown.calico! / 5 - Math.round(gown.calico! / 5))).toBeLessThan(1e-9);
  });
  it('reaches to the neckline and the armhole, where a lining ends at its facings', () => {
    for (const shaping of ['darts', 'princess-armhole']) {
      const s = sheetOf(
        garmentSpec([{ part: 'darted-bodice', shaping }], asLines(randomBody(seeded(6))), {
          garment: { lining: 'cupro' },
        }),
      );
      const toile = toilePanels(s.panels);
      const long = (of: readonly Panel[], edge: string) =>
        of
          .filter((p) => p.layer === 'outer' && (p.share === 'front' || p.share === 'back'))
          .reduce((n, p) => n + (p.edges.some((e) => e.id === edge) ? edgeLength(p, edge) : 0), 0);
      for (const edge of ['neck', 'armhole']) {
        expect(long(toile, edge), `${shaping} ${edge}`).toBeGreaterThan(10);
        expect(long(toile, edge), `${shaping} ${edge}`).toBeCloseTo(long(s.panels, edge), 6);
      }
    }
  });
  it('of a garment that cannot be drafted is empty', () => {
    const s = sheetOf(garmentSpec('bodice', ['waist 70 cm']));
    expect(toileOf(s)).toMatchObject({ pieces: [], calico: null });
  });
});
