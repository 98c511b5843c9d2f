import { figure, sheetOf, skirtSpec } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { halvesMoved, heldOf, moveLines, nothingMoved, panelsMoved, whatMoved } from './what-moved.ts';

const LINES = ['waist 70 cm', 'hip 96 cm', 'waist-to-hip 20.5 cm'];
const skirt = (more: Parameters<typeof skirtSpec>[1] = {}, lines = LINES) =>
  sheetOf(skirtSpec(lines, { ...more }));
const OWN = { own: { ease: { hip: '9 cm' }, why: 'tried' } };

describe('what is otherwise in one sheet than in another', () => {
  const [before, wider] = [skirt(), skirt({ garment: OWN })];
  it('is nothing between two of the same', () => {
    const same = whatMoved(before, skirt());
    expect(nothingMoved(same)).toBe(true);
    expect(moveLines(same, 'cm')).toEqual([]);
    expect(panelsMoved(before.panels, skirt().panels)).toEqual([]);
  });
  // A quarter of what goes round (plane geometry): 5 → 9 at the hip is 4 round, 1 a quarter.
  it('4 more at the hip is 1 a quarter, in the figures, on the panels and in what is cut', () => {
    const moved = whatMoved(before, wider);
    const by = (id: string, what: string) => moved.figures.find((m) => m.id === id && m.what === what)?.by;
    expect(by('hip', 'finished')).toBeCloseTo(4, 9);
    expect(by('hip', 'front')).toBeCloseTo(1, 9);
    expect(by('waist', 'finished')).toBeUndefined();
    const drawn = panelsMoved(before.panels, wider.panels);
    expect(drawn.map((p) => p.panel)).toEqual(expect.arrayContaining(['skirt.front', 'skirt.back']));
    const hip = before.panels.find((p) => p.id === 'skirt.front')!.lines.find((l) => l.id === 'hip')!;
    const front = drawn.find((p) => p.panel === 'skirt.front')!;
    expect(front.amounts.find((a) => Math.abs(a.at[1] - hip.y) < 1e-9)!.by).toBeCloseTo(1, 2);
    const cut = moved.pieces.find((p) => p.name === 'front')!;
    expect(cut.after!.width! - cut.before!.width!).toBeCloseTo(1, 1);
    expect(moveLines(moved, 'cm')[0]).toMatch(/^hip: 101(\.\d+)? cm → 105(\.\d+)? cm \(\+4 cm\)$/);
  });
  it('is the same read off what is kept of a sheet', () => {
    expect(whatMoved(heldOf(before), heldOf(wider))).toEqual(whatMoved(before, wider));
    expect(JSON.stringify(heldOf(before)).length).toBeLessThan(JSON.stringify(before).length / 5);
  });
  it('tells a panel that would come and one that would go, and warnings that would', () => {
    const parts = (sleeve: boolean) => [{ part: 'darted-bodice' }, ...(sleeve ? [{ part: 'sleeve' }] : [])];
    const bodice = asLines(randomBody(seeded(5)));
    const [bare, sleeved] = [false, true].map((s) => sheetOf(garmentSpec(parts(s), bodice)));
    const come = panelsMoved(bare!.panels, sleeved!.panels).filter((p) => p.before === '');
    expect(come.length).toBeGreaterThan(0);
    expect(
      panelsMoved(sleeved!.panels, bare!.panels)
        .filter((p) => p.after === '')
        .map((p) => p.panel),
    ).toEqual(come.map((p) => p.panel));
    const close = skirt({ house: { ease: { hip: { fitted: '1 cm' } } } });
    const tight = whatMoved(before, close);
    expect(tight.said.join()).toContain('room to sit');
    expect(whatMoved(close, before).gone).toEqual(tight.said);
  });
  it('tells each side apart where only one moves: a left hem 1.5 longer is on the left panels, and there 1.5 longer', () => {
    const hems = (left: number) =>
      ['hem-front', 'hem-right', 'hem-back'].map((h) => `${h} 62 cm`).concat(`hem-left ${left} cm`);
    const [even, uneven] = [62, 63.5].map((left) => skirt({}, [...LINES, ...hems(left)]));
    const drawn = halvesMoved(even!, uneven!);
    expect(drawn.map((p) => p.side)).toContain('left');
    const long = (d: string) => {
      const ys = [...d.matchAll(/-?[\d.]+[ ,](-?[\d.]+)/g)].map((m) => Number(m[1]));
      return Math.max(...ys) - Math.min(...ys);
    };
    const of = (side: string) => drawn.find((p) => p.panel === 'skirt.front' && p.side === side);
    expect(long(of('left')!.after) - long(of('left')!.before)).toBeCloseTo(1.5, 1);
    expect(of('right')).toBeUndefined();
    // What goes round moves on both, and stands once.
    expect(new Set(halvesMoved(before, wider).map((p) => p.side))).toEqual(new Set(['both']));
    expect(halvesMoved(uneven!, uneven!)).toEqual([]);
  });
  it('tells a reading that is missing as none', () => {
    const without = skirt({}, LINES.slice(0, 1));
    expect(figure(without, 'hip').finished).toBeNull();
    expect(moveLines(whatMoved(before, without), 'cm').find((l) => l.startsWith('hip:'))).toMatch(/→ none$/);
  });
});
