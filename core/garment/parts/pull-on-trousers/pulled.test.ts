import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength } from '../../../draft/measure.ts';
import { shareOf } from '../../../figure/build.ts';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = ['waist 68 cm', 'hip 88 cm', 'rise 25 cm', 'thigh 50 cm', 'inseam 76 cm'];
const made = (fields: object = {}, lines: readonly string[] = BODY): Sheet =>
  sheetOf(
    garmentSpec('pull-on-trousers', lines, {
      garment: { parts: [{ part: 'pull-on-trousers', ...fields }], fit: 'fitted' },
      house: { rounding: EXACT },
    }),
  );
const cm = (s: Sheet, id: string) => figure(s, id).finished!;
const face = (s: Sheet, id: string, of: 'front' | 'back') => shareOf(figure(s, id), of)!.exact;
const panel = (s: Sheet, of: string) => s.panels.find((p) => p.id === `trousers.${of}`)!;

describe('what is pulled on passes the largest of waist, tummy and hip', () => {
  it.each([
    [['waist 68 cm', 'hip 88 cm'], 88],
    [['waist 96 cm', 'hip 92 cm'], 96],
    [['waist 90 cm', 'hip 92 cm', 'tummy 97 cm'], 97],
  ])('%j: %i decides', (girths, largest) => {
    const s = made({ passes: '7 cm' }, [...girths, ...BODY.slice(2)]);
    expect(cm(s, 'trousers.round')).toBeCloseTo(largest + 7, 9);
    for (const of of ['front', 'back'] as const)
      expect(face(s, 'trousers.round', of)).toBeCloseTo((largest + 7) / 4, 9);
  });
  it('while waist or hip was not measured nothing is drafted, and it says which is needed', () => {
    for (const lines of [['waist 68 cm'], ['hip 88 cm']]) {
      const s = made({}, [...lines, ...BODY.slice(2)]);
      expect(figure(s, 'trousers.round').finished).toBeNull();
      expect(s.panels).toEqual([]);
    }
  });
  it('set by hand below the girth it must pass, it is refused', () => {
    const by = { by: 'F', at: '', reason: 'tried' };
    const s = sheetOf(
      garmentSpec('pull-on-trousers', BODY, {
        rest: { overrides: [{ figure: 'trousers.round', target: 'finished', value: '87 cm', ...by }] },
      }),
    );
    expect(s.refused[0]!.sentence).toContain('it would not go on');
  });
});

describe('depth, crotch and legs', () => {
  it('guards ask for 4 round and 2 in depth', () => {
    const [plain, guarded] = [made(), made({ guards: true })];
    expect(cm(guarded, 'trousers.round') - cm(plain, 'trousers.round')).toBeCloseTo(4, 9);
    expect(cm(guarded, 'trousers.crotch-depth') - cm(plain, 'trousers.crotch-depth')).toBeCloseTo(2, 9);
    expect(cm(plain, 'trousers.crotch-depth')).toBeCloseTo(25 + 1.3, 9);
  });
  it('the crotch goes out by a sixteenth and an eighth of the girth; what a thigh needs more is shared one to two', () => {
    const s = made({ passes: '8 cm' });
    expect(cm(s, 'trousers.crotch-front')).toBeCloseTo(96 / 16, 9);
    expect(cm(s, 'trousers.crotch-back')).toBeCloseTo(96 / 8, 9);
    // A thigh of 70 with its ease of 4 is 74; half of 96, 6 and 12 are 66: 8 short.
    const strong = made({ passes: '8 cm' }, [...BODY.filter((l) => !l.startsWith('thigh')), 'thigh 70 cm']);
    expect(cm(strong, 'trousers.crotch-front')).toBeCloseTo(6 + 8 / 3, 6);
    expect(cm(strong, 'trousers.crotch-back')).toBeCloseTo(12 + 16 / 3, 6);
  });
  it('short legs fall straight and 2 narrower; a hem that is briefed is that hem, the back wider as its thigh is', () => {
    const s = made({ goes: 'length', inseam: '18 cm', passes: '8 cm' });
    const hem = 96 / 2 + 6 + 12 - 2;
    // Half of what the back's extension is longer, 3, and less of it the nearer the knee, 32 below the crotch.
    const apart = 3 * (1 - 18 / 32);
    expect(face(s, 'trousers.hem', 'front')).toBeCloseTo(hem / 2 - apart, 6);
    expect(face(s, 'trousers.hem', 'back')).toBeCloseTo(hem / 2 + apart, 6);
    const wide = made({ goes: 'length', inseam: '18 cm', hem: '72 cm' });
    expect(face(wide, 'trousers.hem', 'front') + face(wide, 'trousers.hem', 'back')).toBeCloseTo(72, 6);
    // At the knee and below it is one centimetre.
    const long = made({ goes: 'length', inseam: '31 cm', hem: '50 cm' });
    expect(face(long, 'trousers.hem', 'front')).toBeCloseTo(24, 6);
  });
  it('to the floor the inside leg is the wearer’s, less what the crotch hangs lower', () => {
    const s = made({ goes: 'floor' });
    expect(cm(s, 'trousers.inseam')).toBeCloseTo(76 - 1.3, 9);
    expect(edgeLength(panel(s, 'front'), 'inseam')).toBeCloseTo(edgeLength(panel(s, 'back'), 'inseam'), 1);
    expect(s.figures.some((f) => f.id === 'trousers.knee')).toBe(true);
    expect(made({ goes: 'length', inseam: '18 cm' }).figures.some((f) => f.id === 'trousers.knee')).toBe(
      false,
    );
  });
  it('its waist is held by the elastic to a quarter of it on each piece', () => {
    const s = made({ elastic: '62 cm' });
    for (const of of ['front', 'back']) {
      const top = panel(s, of).edges.find((e) => e.id === 'top')!;
      expect(edgeLength(panel(s, of), 'top') - top.gather).toBeCloseTo(62 / 4, 6);
      expect(top.allowance).toBeCloseTo(3 + 1.5, 9);
    }
  });
});

describe('shorts from three girths and a length', () => {
  const THREE = ['waist 118 cm', 'hip 124 cm', 'thigh 76 cm'];
  const shorts = (lines: readonly string[] = THREE) =>
    made({ plan: 'girths', goes: 'side', side: '65 cm', passes: '6 cm' }, lines);
  it('(124 + 6) ÷ 4 is 32.5; (76 + 4) ÷ 2 is 40, front and back each; (118 + 6) ÷ 4 is 31, shown', () => {
    const s = shorts();
    for (const of of ['front', 'back'] as const) {
      expect(face(s, 'trousers.round', of)).toBeCloseTo(32.5, 9);
      expect(face(s, 'trousers.waist', of)).toBeCloseTo(31, 9);
      expect(32.5 + cm(s, `trousers.crotch-${of}`)).toBeCloseTo(40, 9);
      // The side length is the panel's own, walked along its edge.
      expect(edgeLength(panel(s, of), 'side')).toBeCloseTo(65, 0);
    }
    expect(edgeLength(panel(s, 'front'), 'inseam')).toBeCloseTo(edgeLength(panel(s, 'back'), 'inseam'), 1);
  });
  it('a rise that was not read is an eighth of the hip and 15.5, marked; one that was read counts', () => {
    const depth = (s: Sheet) => figure(s, 'trousers.crotch-depth');
    expect(depth(shorts()).finished).toBeCloseTo(124 / 8 + 15.5 + 1.3, 9);
    expect(depth(shorts()).marks).toContain('estimated');
    expect(figure(shorts(), 'trousers.inseam').marks).toContain('estimated');
    const read = shorts([...THREE, 'rise 33 cm']);
    expect(depth(read).finished).toBeCloseTo(34.3, 9);
    expect(depth(read).marks).not.toContain('estimated');
  });
  it('without a thigh nothing is drafted; one that leaves no room under the body is told', () => {
    expect(shorts(THREE.slice(0, 2)).panels).toEqual([]);
    const fork = (thigh: string) =>
      shorts([...THREE.slice(0, 2), `thigh ${thigh} cm`]).checks.find((k) => k.code === 'trousers.fork');
    expect(fork('76')).toMatchObject({ state: 'passed' });
    expect(fork('66')).toMatchObject({ state: 'warned' });
  });
});
