import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { wholePattern } from '../garment/whole.ts';
import { drawPanelsApart } from './panels-apart.ts';

const BODY = [
  'bust 88 cm',
  'waist 70 cm',
  'hip 96 cm',
  'waist-to-hip 20 cm',
  'across-shoulder 38 cm',
  'nape-to-waist 40 cm',
  'armhole-depth 20 cm',
  'neck-width 14 cm',
  'upper-arm 28 cm',
  'arm-length 58 cm',
];
const sheet = sheetOf(
  garmentSpec('easy-top', BODY, {
    garment: { parts: [{ part: 'top', length: '60 cm' }, { part: 'sleeve' }] },
    house: { rounding: EXACT },
  }),
);
const pattern = wholePattern(sheet.panels);
const svg = drawPanelsApart(pattern);
const numbers = (d: string) => (d.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
const group = (id: string) => svg.split(`<g id="${id}">`)[1]!.split('</g>')[0]!;
const paths = (id: string, kind: string) =>
  [...group(id).matchAll(new RegExp(`class="${kind}" d="([^"]*)"`, 'g'))].map((m) => numbers(m[1]!));
const box = (d: number[]) => {
  const [xs, ys] = [d.filter((_, i) => i % 2 === 0), d.filter((_, i) => i % 2 === 1)];
  return { width: Math.max(...xs) - Math.min(...xs), height: Math.max(...ys) - Math.min(...ys) };
};

describe('panels drawn apart', () => {
  it('one group a panel, every layer, each with its name', () => {
    expect([...svg.matchAll(/<g id="([^"]*)">/g)].map((m) => m[1])).toEqual(sheet.panels.map((p) => p.id));
    for (const p of sheet.panels) expect(group(p.id)).toContain(`>${p.name}<`);
  });
  it('at full size: a unit is a centimetre, the hem its own length, the cut line its allowance further', () => {
    const [, width, unit] = /width="(\d+)cm" height="\d+cm" viewBox="0 0 (\d+)/.exec(svg)!;
    expect(width).toBe(unit);
    const front = sheet.panels.find((p) => p.id === 'top.front')!;
    const hem = front.edges.find((e) => e.id === 'hem')!;
    const sewn = box(paths('top.front', 'outline')[0]!);
    const cut = box(paths('top.front', 'cut')[0]!);
    // From the side-neck, which a neckline widened by 2 along a shoulder of 20° leaves below it.
    expect(sewn.height).toBeCloseTo(60 - 2 * Math.sin(Math.PI / 9), 2);
    expect(cut.height).toBeGreaterThan(sewn.height + hem.allowance - 1e-6);
  });
  it('a tick for each notch, across its seam, and nothing of one panel over another', () => {
    const front = pattern.find((p) => p.id === 'top.front')!;
    const notches = front.marks.filter((m) => m.kind === 'notch').length;
    expect(notches).toBeGreaterThan(0);
    expect(paths('top.front', 'dart')).toHaveLength(notches + front.darts.length);
    const spans = sheet.panels.map((p) => {
      const d = paths(p.id, 'cut')[0]!;
      const xs = d.filter((_, i) => i % 2 === 0);
      const ys = d.filter((_, i) => i % 2 === 1);
      return [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)] as const;
    });
    spans.forEach((a, i) => {
      for (const b of spans.slice(i + 1))
        expect(a[1] <= b[0] || b[1] <= a[0] || a[3] <= b[2] || b[3] <= a[2]).toBe(true);
    });
  });
});
