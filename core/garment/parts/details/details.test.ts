import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = ['waist 72 cm', 'hip 99 cm', 'waist-to-hip 20 cm'];
/** On a skirt of four gores, fitted: its waist is 72 + 2.5 = 74.5. */
const made = (
  fields: object,
  more: object = {},
  house: object = {},
  lines: readonly string[] = BODY,
): Sheet =>
  sheetOf(
    garmentSpec('gored-skirt', lines, {
      garment: {
        parts: [
          { part: 'gored-skirt', gores: '4' },
          { part: 'details', ...fields },
        ],
        ...more,
      },
      house: { rounding: EXACT, ...house },
    }),
  );
const piece = (s: Sheet, id: string) => s.pieces.find((p) => p.panel === `details.${id}`);
const laid = (s: Sheet, name: string) => s.notions.find((n) => n.name === name);

// Cut sizes added up by hand from the house's allowances: 1.5 at a side, 1.3 at a band, 1 at a free edge (common practice).
describe('pockets', () => {
  it('patch: one piece each, its hem above', () => {
    const s = made({ pockets: 'patch', pocketCount: 3, pocketWidth: '14 cm', pocketDepth: '16 cm' });
    expect(piece(s, 'pocket')).toMatchObject({
      name: 'patch pocket',
      count: 3,
      width: 14 + 2 * 1.5,
      length: 16 + 1.3 + 1.5,
    });
    expect(piece(s, 'welt')).toBeUndefined();
    expect(piece(s, 'flap')).toBeUndefined();
  });
  it('in the seams: two sides to a bag, and no flap though one was asked', () => {
    const s = made({ pockets: 'inseam', flaps: true, pocketWidth: '15 cm', pocketDepth: '25 cm' });
    expect(piece(s, 'pocket')).toMatchObject({ name: 'pocket bag', count: 4, width: 18, length: 28 });
    expect(piece(s, 'flap')).toBeUndefined();
  });
  it('welt: two sides to a bag, a welt of 2 folded, and a flap in two layers, half a centimetre wider', () => {
    const s = made({
      pockets: 'welt',
      pocketCount: 1,
      flaps: true,
      pocketWidth: '13 cm',
      pocketDepth: '18 cm',
    });
    expect(piece(s, 'pocket')).toMatchObject({ count: 2, width: 16, length: 21 });
    expect(piece(s, 'welt')).toMatchObject({ count: 1, width: 13 + 3, length: 2 * 2 + 3 });
    expect(piece(s, 'flap')).toMatchObject({ count: 2, width: 13.5 + 2 * 1, length: 5.5 + 1.5 + 1 });
  });
  it('in a garment that is to be let out the seams carry 3', () => {
    const s = made({ pockets: 'inseam', pocketWidth: '15 cm', pocketDepth: '25 cm' }, { letOut: true });
    expect(piece(s, 'pocket')).toMatchObject({ width: 15 + 6, length: 25 + 6 });
  });
  it('where inches are marked an allowance is the nearest eighth: 1.5 is 5⁄8, 1.3 is 1⁄2', () => {
    const s = made(
      { pockets: 'patch', pocketWidth: '6 in', pocketDepth: '7 in' },
      {},
      { rounding: { unit: 'in', step: 0, mode: 'nearest' } },
    );
    const { width, length } = piece(s, 'pocket')!;
    expect([width! / 2.54, length! / 2.54]).toEqual([
      expect.closeTo(6 + 2 * (5 / 8), 9),
      expect.closeTo(7 + 1 / 2 + 5 / 8, 9),
    ]);
  });
  it.each([
    ['12.9 cm', 'warned', 'too narrow for a hand'],
    ['13 cm', 'passed', 'a hand passes'],
  ])('%s wide: %s', (pocketWidth, state, words) => {
    const found = made({ pockets: 'patch', pocketWidth }).checks.find((k) => k.code === 'details.pocket')!;
    expect(found).toMatchObject({ state, sentence: expect.stringContaining(words) });
  });
});

describe('a belt', () => {
  it('goes round the waist as marked and laps by 15; it is folded along its middle', () => {
    const s = made({ belt: '5 cm' });
    expect(figure(s, 'details.belt').finished).toBeCloseTo(74.5 + 15, 9);
    const { width, length, count } = piece(s, 'belt')!;
    expect([count, width, length]).toEqual([
      1,
      expect.closeTo(2 * 5 + 2 * 1.3, 9),
      expect.closeTo(74.5 + 15 + 2 * 1.3, 9),
    ]);
    expect(laid(s, 'buckle')!.note).toContain('{cm:5}');
  });
  it('keeps its place open while the waist was not measured', () => {
    const s = made({ belt: '5 cm' }, {}, {}, ['hip 99 cm', 'waist-to-hip 20 cm']);
    expect(figure(s, 'details.belt').finished).toBeNull();
    expect(piece(s, 'belt')).toBeUndefined();
  });
});

describe('trim', () => {
  it.each([
    [1, 1.05 * 320],
    [2, 2 * 1.05 * 320],
    [5, 5 * 1.05 * 320],
  ])('bought, %i rows: 5 %% more than its edges, each', (trimRows, all) => {
    const s = made({ trim: '320 cm', trimRows });
    expect(figure(s, 'details.trim').finished).toBeCloseTo(all, 9);
    expect(laid(s, 'trim')).toMatchObject({ length: expect.closeTo(all, 9) });
    expect(piece(s, 'fringe')).toBeUndefined();
  });
  it.each([
    // 320 and 5 % are 336. On 150: three strips, two joins of 4, 344; on 90: four strips, three joins, 348.
    ['150 cm', 1, 344, 3],
    ['90 cm', 1, 348, 4],
    ['90 cm', 3, 3 * 348, 12],
    // As long as the cloth is wide: no join.
    ['336 cm', 1, 336, 1],
  ])(
    'cut from cloth of %s, %i rows: joined, and in whole strips from edge to edge',
    (width, rows, all, strips) => {
      const s = made({ trim: '320 cm', trimRows: rows, fringe: '6 cm' }, { cloth: { name: 'crepe', width } });
      expect(figure(s, 'details.trim').finished).toBeCloseTo(all, 9);
      expect(piece(s, 'fringe')).toMatchObject({
        count: strips,
        width: Number.parseFloat(width),
        length: 6,
      });
      expect(laid(s, 'trim')).toBeUndefined();
    },
  );
});

it('a casing is its edge and its ends, its cord with room and two turnings; pads are laid ready; nothing asked is nothing cut', () => {
  const s = made({ casing: '60 cm', casingFor: '3 cm', pads: true });
  expect(piece(s, 'casing-strip')).toMatchObject({ width: 3 + 0.5 + 2 * 1, length: 60 + 2 });
  expect(laid(s, 'cord or elastic for the casing')!.note).toBe('{cm:3} wide');
  expect(laid(s, 'shoulder pads')!.note).toContain('a pair');
  const bare = made({});
  expect(bare.pieces.filter((p) => p.panel.startsWith('details'))).toEqual([]);
  expect(bare.figures.filter((f) => f.id.startsWith('details'))).toEqual([]);
});
