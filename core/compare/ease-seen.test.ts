import { figure, sheetOf, skirtSpec } from '@rocchetto/contract/testing.ts';
import { describe, expect, it } from 'vitest';
import { type Cm, cm } from '../units/length.ts';
import { bodySeen, easeWords, ellipse, roomsOf, standsOff } from './ease-seen.ts';

const netOf =
  (body: Readonly<Record<string, number>>) =>
  (id: string): Cm | null =>
    body[id] === undefined ? null : cm(body[id]);
const BODY = {
  bust: 92,
  waist: 74,
  hip: 100,
  'bust-front': 50,
  'neck-to-waist-front': 44,
  'neck-to-bust': 27,
  'waist-to-hip': 21,
};

describe('a body from its readings', () => {
  const { levels } = bodySeen(netOf(BODY));
  it('has its girth at every level, walked round in small steps', () => {
    for (const l of levels) {
      const b = (l.front + l.back) / 2;
      let round = 0;
      for (let i = 0; i < 4000; i++) {
        const at = (k: number) => [
          l.half * Math.cos((2 * Math.PI * k) / 4000),
          b * Math.sin((2 * Math.PI * k) / 4000),
        ];
        const [p, q] = [at(i), at(i + 1)];
        round += Math.hypot(p[0]! - q[0]!, p[1]! - q[1]!);
      }
      expect(round).toBeCloseTo(l.girth, 1);
    }
  });
  it('lies at its own heights, front and back as the arc says, and says what it guessed', () => {
    expect(levels.map((l) => [l.id, l.height])).toEqual([
      ['bust', 17],
      ['waist', 0],
      ['hip', -21],
    ]);
    const [bust, waist] = levels;
    expect(bust!.front / (bust!.front + bust!.back)).toBeCloseTo(50 / 92, 9);
    expect(bust!.guessed).toEqual([]);
    expect([waist!.front, waist!.guessed]).toEqual([waist!.back, ['front']]);
    expect(bodySeen(netOf({ bust: 92, waist: 74 })).levels[0]!.guessed).toEqual(['height', 'front']);
    expect(bodySeen(netOf({})).levels).toEqual([]);
  });
});

it('a garment with so much ease stands off by a 2π-th of it: a circle of 100 and one of 106 lie 0.95 apart', () => {
  expect(standsOff(6)).toBeCloseTo(106 / (2 * Math.PI) - 100 / (2 * Math.PI), 12);
  // A circle is an ellipse of two alike.
  expect(ellipse(10, 10)).toBeCloseTo(20 * Math.PI, 9);
});

it.each([
  ['hip', 5, 4, 'room to sit'],
  ['hip', 3, 4, 'under what sitting asks in a cloth without stretch'],
  ['bust', 5, 2.5, 'room to breathe'],
  ['waist', -4, null, 'less than the body: only a cloth that stretches goes round'],
  ['tummy', 4, null, 'room'],
])('%s with %d: %s', (id, ease, least, words) =>
  expect(easeWords(id as string, ease as number, least as number | null)).toBe(words),
);

describe('the room of a sheet', () => {
  const body = { waist: 70, hip: 96, 'hip-front': 46 };
  const lines = ['waist 70 cm', 'hip 96 cm', 'hip-front 46 cm', 'waist-to-hip 20.5 cm'];
  const sheet = sheetOf(skirtSpec(lines));
  const rooms = roomsOf(sheet, netOf(body), { stretch: 0 });
  it('is the finished garment less the body, with the least a woven needs there', () => {
    const hip = rooms.find((r) => r.id === 'hip')!;
    expect(hip.ease).toBeCloseTo(figure(sheet, 'hip').finished! - 96, 9);
    expect(hip.least).toBe(4);
    expect(roomsOf(sheet, netOf(body), { stretch: 40 }).every((r) => r.least === null)).toBe(true);
  });
  it('is told in front and behind where the body’s front was read: together all of it', () => {
    const hip = rooms.find((r) => r.id === 'hip')!;
    const front = figure(sheet, 'hip').shares.find((s) => s.panel === 'front')!;
    expect(hip.front).toBeCloseTo(2 * front.exact - 46, 9);
    expect(hip.front! + hip.back!).toBeCloseTo(hip.ease, 9);
    expect(rooms.find((r) => r.id === 'waist')).toMatchObject({ front: null, back: null });
  });
  it('is not told of what was not read', () => {
    expect(roomsOf(sheet, netOf({ hip: 96 }), { stretch: 0 }).map((r) => r.id)).toEqual(['hip']);
  });
});
