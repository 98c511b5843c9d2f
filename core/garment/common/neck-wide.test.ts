import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { measuringList } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import { endOf } from '../../draft/curve.ts';
import { edgeOf } from '../../draft/panel.ts';
import type { Sheet } from '../../sheet/compute.ts';
import { printSheet } from '../../sheet/print.ts';

// A size 12 of the program's own (invented): neck 37 round, half of the house's width is 7.5.
const BODY: Readonly<Record<string, number>> = {
  bust: 88,
  waist: 68,
  hip: 94,
  'waist-to-hip': 20.5,
  'neck-to-waist-front': 43.5,
  'nape-to-waist': 41,
  'neck-to-bust': 27,
  'apex-span': 19,
  'across-shoulder': 39,
  // Only what is closed at the crotch goes by it.
  trunk: 154,
};
const made = (part: object, more: Readonly<Record<string, number>> = {}): Sheet =>
  sheetOf(
    garmentSpec(
      [part] as never,
      Object.entries({ ...BODY, ...more }).map(([id, net]) => `${id} ${net} cm`),
      { garment: { fit: 'fitted', parts: [part] }, house: { rounding: EXACT } },
    ),
  );
/** Half the neckline as it is drawn: how far its end at the shoulder lies from the centre, cm. */
const drawn = (s: Sheet, panel: string) => {
  const q = s.panels.find((x) => x.id === panel)!;
  return endOf(edgeOf(q, 'neck').path.at(-1)!)[0];
};
const shoulderOf = (s: Sheet, key: string) => figure(s, `${key}.shoulder`).finished!;
const codes = (s: Sheet) => printSheet(s, 'cm').checks.map((k) => k.code);

describe.each([
  ['darted-bodice', 'bodice'],
  ['long-bodice', 'bodice'],
  ['top', 'top'],
  ['dance-suit', 'suit'],
])('the neckline of a %s', (part, key) => {
  it('is as wide as wanted, on front and back, and the shoulder ends where it did', () => {
    const [plain, wide] = [made({ part, widen: '0 cm' }), made({ part, neckBy: 'width', neckWide: '24 cm' })];
    for (const face of ['front', 'back']) expect(drawn(wide, `${key}.${face}`)).toBeCloseTo(12, 9);
    // Along a slope the same shoulder point is reached by a shorter shoulder: the way taken off it, by its slope.
    const slope = plain.panels.find((q) => q.id === `${key}.front`)!.edges.find((e) => e.id === 'shoulder')!;
    const [[ax, ay], [bx, by]] = [slope.path[0]![0], endOf(slope.path.at(-1)!)];
    const along = Math.hypot(bx - ax, by - ay) / (bx - ax);
    expect(shoulderOf(plain, key) - shoulderOf(wide, key)).toBeCloseTo(
      (12 - drawn(plain, `${key}.front`)) * along,
      6,
    );
  });
  it('by the girth of the neck is half of that wide', () => {
    const of = made({ part, neckBy: 'girth', neckFront: '7 cm' }, { 'neck-base': 37 });
    expect(drawn(of, `${key}.front`)).toBeCloseTo(37 / 4, 9);
    expect(figure(of, `${key}.neck-front`).finished).toBeCloseTo(7, 9);
    const wants = measuringList([{ part, neckBy: 'girth' } as never]);
    expect(wants.find((m) => m.id === 'neck-base')).toMatchObject({ needed: true });
    expect(codes(made({ part, neckBy: 'girth' }))).toContain(`${key}.neck-girth`);
  });
  it('narrower than the neck, or beyond the shoulder, is told', () => {
    expect(codes(made({ part, neckBy: 'width', neckWide: '11 cm' }))).toContain(`${key}.neck-narrow`);
    expect(codes(made({ part, neckBy: 'width', neckWide: '40 cm' }))).toContain(`${key}.neck-too-wide`);
    expect(codes(made({ part, neckBy: 'width', neckWide: '22 cm' }))).not.toContain(`${key}.neck-narrow`);
  });
  it('of a neck whose girth was read and not its width goes by it: 7.2 for 37 (a handbook’s block, from memory)', () => {
    const s = made({ part }, { 'neck-base': 37 });
    expect(figure(s, `${key}.neck-half`).finished).toBeCloseTo(7.2, 9);
    expect(s.unused().map((u) => u.measure)).not.toContain('neck-base');
    const both = made({ part }, { 'neck-base': 37, 'neck-width': 13.4 });
    expect(figure(both, `${key}.neck-half`).finished).toBeCloseTo(6.7, 9);
    expect(both.unused().map((u) => u.measure)).toContain('neck-base');
    // Its width is asked for, and not its girth besides.
    const wants = measuringList([{ part } as never]).map((m) => m.id);
    expect(wants).toContain('neck-width');
    expect(wants).not.toContain('neck-base');
  });
});
