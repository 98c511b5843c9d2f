import { cm } from '@rocchetto/core';
import type { Lay } from '@rocchetto/core/lay/lay.ts';
import type { LayPiece } from '@rocchetto/core/lay/pieces.ts';
import { PLAIN_CLOTH } from '@rocchetto/core/lay/testing.ts';
import { describe, expect, it } from 'vitest';
import { found, isSame, turnedOver, withPiece } from './hand.ts';

const CLOTH = { ...PLAIN_CLOTH, width: cm(100), selvedge: cm(0) };
const piece = (id: string, more: Partial<LayPiece> = {}): LayPiece => ({
  id,
  name: id,
  layer: 'outer',
  cut: 'pair',
  count: 2,
  whole: [
    [0, 0],
    [20, 0],
    [10, 30],
  ],
  half: null,
  bias: false,
  strip: false,
  facing: false,
  border: false,
  lines: [],
  ...more,
});
const at = (id: string, x: number, y: number, more: object = {}) => ({
  id,
  piece: id.split('#')[0]!,
  turn: 0 as const,
  mirrored: false,
  half: false,
  x,
  y,
  ...more,
});
const lay = (
  double: boolean,
  folds: readonly ('left' | 'right')[],
  ...pieces: ReturnType<typeof at>[]
): Lay => ({
  way: double ? 'half' : 'open',
  length: 30,
  stages: [{ from: 0, length: 30, strips: [{ across: 0, width: 50, double, folds, pieces }] }],
});
const PIECES = new Map([['a', piece('a')]]);

describe('pieces turned by a hand', () => {
  it('are turned about where nothing goes one way; mirrored only where both sides or two layers allow it', () => {
    const one = lay(false, [], at('a#0', 5, 0));
    expect(turnedOver(one, 'a#0', 'flip', PIECES, CLOTH)).toMatchObject({
      turn: 180,
      mirrored: false,
      x: 5,
      y: 0,
    });
    expect(turnedOver(one, 'a#0', 'flip', PIECES, { ...CLOTH, oneWay: true })).toBeNull();
    expect(turnedOver(one, 'a#0', 'mirror', PIECES, CLOTH)).toBeNull();
    expect(turnedOver(one, 'a#0', 'mirror', PIECES, { ...CLOTH, bothSides: true })).toMatchObject({
      mirrored: true,
    });
    expect(turnedOver(lay(true, ['left'], at('a#0', 5, 0)), 'a#0', 'mirror', PIECES, CLOTH)).toMatchObject({
      mirrored: true,
    });
    expect(turnedOver(one, 'gone', 'flip', PIECES, CLOTH)).toBeNull();
  });
  it('a half stays on its fold: turned about it is mirrored too; on two folds it goes to the other', () => {
    const half = [
      [0, 0],
      [12, 0],
      [12, 30],
      [0, 30],
    ] as const;
    const known = new Map([['f', piece('f', { cut: 'fold', count: 1, half })]]);
    const left = at('f#0', 0, 0, { half: true });
    expect(turnedOver(lay(true, ['left'], left), 'f#0', 'flip', known, CLOTH)).toMatchObject({
      turn: 180,
      mirrored: true,
      x: 0,
    });
    expect(turnedOver(lay(true, ['left'], left), 'f#0', 'mirror', known, CLOTH)).toBeNull();
    expect(turnedOver(lay(true, ['left', 'right'], left), 'f#0', 'mirror', known, CLOTH)).toMatchObject({
      mirrored: true,
      x: 38,
    });
  });
  it('taken off the cloth it is gone, and the lay as long as what is left', () => {
    const two = lay(false, [], at('a#0', 0, 0), at('a#1', 0, 40));
    const left = withPiece(two, 'a#1', null, [...PIECES.values()]);
    expect([found(left, 'a#1'), left.length]).toEqual([null, 30]);
    expect(withPiece(two, 'a#1', at('a#1', 0, 50), [...PIECES.values()]).length).toBe(80);
  });
  it('what is kept is the same in whatever order its fields stand', () => {
    expect(isSame({ a: 1, b: [{ c: 2, d: 3 }] }, { b: [{ d: 3, c: 2 }], a: 1 })).toBe(true);
    expect(isSame({ a: 1 }, { a: 2 })).toBe(false);
  });
});
