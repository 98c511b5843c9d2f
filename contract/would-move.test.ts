import { describe, expect, it } from 'vitest';
import {
  type MovedSoFar,
  NONE_YET,
  type OrderMoved,
  type WouldMove,
  withPiece,
  wouldMoveWords,
} from './would-move.ts';

const order = (id: number, agreed = false): OrderMoved => ({
  id,
  number: `26-${id}`,
  what: 'skirt',
  agreed,
  moves: [],
  more: 0,
});
const orders = (free: number, agreed = 0) => [
  ...Array.from({ length: free }, (_, i) => order(i)),
  ...Array.from({ length: agreed }, (_, i) => order(100 + i, true)),
];

describe('what it would move, in words', () => {
  const none: MovedSoFar = { all: 30, looked: 30, danger: [2, 2], orders: [] };
  it.each([
    [{}, 'This changes no open order.'],
    [{ orders: orders(12) }, 'This changes 12 open orders, none agreed.'],
    [{ orders: orders(1, 1) }, 'This changes 1 open order; 1 more is agreed and keeps what was agreed.'],
    [{ orders: orders(0, 3) }, 'This changes 0 open orders; 3 more are agreed and keep what was agreed.'],
    [
      { all: 400, looked: 150, orders: orders(9) },
      'This changes 9 open orders of the first 150, none agreed.',
    ],
    [{ danger: [2, 5] as const }, 'This changes no open order. 5 orders would be at risk, now 2.'],
  ])('%o', (more, words) => expect(wouldMoveWords({ ...none, ...more })).toBe(words));
  it('comes piece by piece: how many there are and what is in danger with the first', () => {
    const first: WouldMove = { all: 3, looked: 2, next: '2026-01-01 4', danger: [1, 2], orders: [order(1)] };
    const last: WouldMove = { all: null, looked: 1, next: null, danger: null, orders: [order(4, true)] };
    expect(withPiece(withPiece(NONE_YET, first), last)).toEqual({
      all: 3,
      looked: 3,
      danger: [1, 2],
      orders: [order(1), order(4, true)],
    });
  });
});
