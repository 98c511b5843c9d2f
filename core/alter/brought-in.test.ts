import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import {
  amountFrom,
  findGarmentKind,
  genericBoxes,
  readTicket,
  TICKET_SIGNS,
  ticketCode,
} from './brought-in.ts';
import { ask } from './testing.ts';

const of = (id: string, lined = false) => ({ kind: findGarmentKind(id)!, lined });

describe('a garment that is brought in', () => {
  it('lists every piece and layer that bears the seam, with its share of the amount', () => {
    const boxes = genericBoxes(of('jacket', true), ask('side-seams', 'in', 4));
    expect(boxes.map((b) => `${b.layer} ${b.piece} ${b.edges} × ${b.each}`)).toEqual([
      'outer front 2 × -1',
      'outer back 2 × -1',
      'lining front 2 × -1',
      'lining back 2 × -1',
    ]);
    const outer = boxes.filter((b) => b.layer === 'outer');
    expect(outer.reduce((sum, b) => sum + b.edges * b.each!, 0)).toBeCloseTo(-4, 9);
  });

  it('on one side only, on one face only, and a length on each piece', () => {
    expect(genericBoxes(of('trousers'), ask('hem-straight', 'up', 3)).map((b) => b.each)).toEqual([-3, -3]);
    const left = genericBoxes(of('trousers'), ask('side-seams', 'in', 1, { side: 'left' }));
    expect(left.map((b) => [b.edges, b.each])).toEqual([
      [1, -0.5],
      [1, -0.5],
    ]);
    expect(
      genericBoxes(of('trousers'), ask('trouser-rise', 'longer', 1, { face: 'back' })).map((b) => b.piece),
    ).toEqual(['back leg']);
    const pinned = genericBoxes(of('trousers'), ask('side-seams', 'in', 0.5, { as: 'pinned' }));
    expect(pinned.map((b) => [b.edges, b.each])).toEqual([
      [2, -0.5],
      [2, -0.5],
    ]);
    expect(amountFrom({ body: cm(74), garment: cm(90), ease: cm(4) })).toBe(-12);
  });

  it('has no seam that its kind has not, and no boxes for work that moves none', () => {
    expect(() => genericBoxes(of('skirt'), ask('sleeve-length', 'shorter', 2))).toThrow(
      'A skirt has no sleeve end.',
    );
    expect(() => genericBoxes(of('trousers'), ask('sleeve-length', 'shorter', 2))).toThrow(
      'Trousers have no sleeve end.',
    );
    expect(genericBoxes(of('skirt'), ask('zip', 'replace', null))).toEqual([]);
    expect(genericBoxes(of('other'), ask('side-seams', 'in', 2))).toEqual([]);
  });

  it('a ticket is read as it was written; one wrong sign, or two that were swapped, is nobody’s', () => {
    const bytes = fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 5, maxLength: 5 });
    fc.assert(
      fc.property(bytes, fc.integer({ min: 0, max: 5 }), fc.integer({ min: 1, max: 30 }), (b, at, by) => {
        const code = ticketCode(b);
        expect(readTicket(` ${code.slice(0, 3).toLowerCase()}-${code.slice(3)} `)).toBe(code);
        const sign = TICKET_SIGNS[(TICKET_SIGNS.indexOf(code[at]!) + by) % 31]!;
        expect(readTicket(code.slice(0, at) + sign + code.slice(at + 1))).toBeNull();
        const i = at % 4;
        const swapped = code.slice(0, i) + code[i + 1]! + code[i]! + code.slice(i + 2);
        if (swapped !== code) expect(readTicket(swapped)).toBeNull();
      }),
    );
    expect(readTicket('')).toBeNull();
    expect(readTicket('IO0L11')).toBeNull();
  });
});
