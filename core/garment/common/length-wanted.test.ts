import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { measuringList } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import type { Sheet } from '../../sheet/compute.ts';
import { printSheet } from '../../sheet/print.ts';
import { asLines, randomBody, seeded } from '../testing.ts';

// From where a length counts, and that a heel is added to a floor read barefoot, is common practice and has no source.
const BODY = randomBody(seeded(21));
const LINES = asLines(BODY);
const made = (parts: readonly object[], more: object = {}, lines: readonly string[] = LINES): Sheet =>
  sheetOf(
    garmentSpec(parts as never, lines, {
      house: { rounding: EXACT },
      garment: { fit: 'fitted', parts, ...more },
    }),
  );
const SKIRTS = [
  'straight-skirt',
  'gathered-skirt',
  'circle-skirt',
  'gored-skirt',
  'pleated-skirt',
  'tiered-skirt',
];
const hem = (s: Sheet) => figure(s, 'skirt.hem-front').finished;

describe.each(SKIRTS)('the length of a %s', (part) => {
  it('from the floor up is the floor less what it clears; the heel of the day is added to a floor read barefoot', () => {
    const by = (more: object, rest: object = {}) =>
      hem(
        sheetOf(
          garmentSpec([{ part }], LINES, {
            garment: { parts: [{ part, lengthFrom: 'floor', clear: '3 cm' }], ...more },
            house: { rounding: EXACT },
            rest,
          }),
        ),
      );
    expect(by({})).toBeCloseTo(BODY['waist-to-floor']! - 3, 9);
    expect(by({ heel: '6 cm' })).toBeCloseTo(BODY['waist-to-floor']! + 6 - 3, 9);
    // Read in the shoes that will be worn, nothing is added twice; lower ones than it was read in take off.
    const session = (heel: string) => ({ session: { date: '2026-03-02', measurer: 'Fitter', heel } });
    expect(by({ heel: '6 cm' }, session('6 cm'))).toBeCloseTo(BODY['waist-to-floor']! - 3, 9);
    expect(by({ heel: '2 cm' }, session('6 cm'))).toBeCloseTo(BODY['waist-to-floor']! - 4 - 3, 9);
  });
  it('from the side-neck or the nape is less by the way to the waist and the ease that lies in it', () => {
    for (const [from, to] of [
      ['neck', 'neck-to-waist-front'],
      ['nape', 'nape-to-waist'],
    ] as const) {
      const s = made([{ part: 'darted-bodice' }, { part, lengthFrom: from, length: '105 cm' }]);
      // A fitted bodice has 0.6 of ease between neck and waist.
      expect(hem(s)).toBeCloseTo(105 - BODY[to]! - 0.6, 9);
    }
    // A skirt by itself has no bodice for that ease.
    const alone = made([{ part, lengthFrom: 'neck', length: '105 cm' }]);
    expect(hem(alone)).toBeCloseTo(105 - BODY['neck-to-waist-front']!, 9);
  });
  it('that hangs from what was not read is asked for, and absent with the reason', () => {
    const parts = [{ part, lengthFrom: 'floor' }];
    expect(measuringList(parts).find((m) => m.id === 'waist-to-floor')).toMatchObject({ needed: true });
    const s = made(
      parts,
      {},
      LINES.filter((l) => !l.startsWith('waist-to-floor')),
    );
    expect(hem(s)).toBeNull();
    expect(figure(s, 'skirt.hem-front').why.join(' ')).toContain('waist to the floor was not measured');
    // The reading that a length hangs from is used; it is not listed as left.
    const unused = printSheet(made(parts), 'cm').unused ?? [];
    expect(unused.join(' ')).not.toContain('floor');
  });
});

describe('a bodice without a waist seam', () => {
  const below = (s: Sheet) => figure(s, 'bodice.below').finished;
  const long = (more: object, rest: object = {}) => made([{ part: 'long-bodice', ...more }], rest);
  it('goes as far as its length from the neck, the nape or the floor says', () => {
    expect(below(long({ lengthFrom: 'neck', length: '98 cm' }))).toBeCloseTo(
      98 - BODY['neck-to-waist-front']! - 0.6,
      9,
    );
    expect(below(long({ lengthFrom: 'nape', length: '98 cm' }))).toBeCloseTo(
      98 - BODY['nape-to-waist']! - 0.6,
      9,
    );
    expect(below(long({ lengthFrom: 'floor', clear: '30 cm' }, { heel: '5 cm' }))).toBeCloseTo(
      BODY['waist-to-floor']! + 5 - 30,
      9,
    );
  });
  it('a length that ends above the waist is told, and the rest of the sheet stands', () => {
    const s = long({ lengthFrom: 'neck', length: '40 cm' });
    expect(printSheet(s, 'cm').checks.find((k) => k.code === 'bodice.length-short')!.text).toContain(
      'ends above the waist',
    );
    expect(s.panels).toEqual([]);
    expect(figure(s, 'bust').finished).not.toBeNull();
  });
});

it('a hem near the floor is a trip hazard by the floor in the shoes of the day', () => {
  const trips = (more: object) =>
    made([{ part: 'gored-skirt', lengthFrom: 'floor', clear: '4 cm' }], more).cautions.some(
      (k) => k.code === 'trip',
    );
  expect(trips({})).toBe(true);
  expect(trips({ heel: '6 cm' })).toBe(true);
  const short = made([{ part: 'gored-skirt', length: `${BODY['waist-to-floor']! - 4} cm` }], {
    heel: '6 cm',
  });
  expect(short.cautions.some((k) => k.code === 'trip')).toBe(false);
});

describe('trousers', () => {
  const side = (s: Sheet) =>
    figure(s, 'trousers.crotch-depth').marked! + figure(s, 'trousers.inseam').finished!;
  it.each(['trousers', 'pull-on-trousers'])(
    '%s go to a side length, or to the floor in the shoes of the day',
    (part) => {
      expect(side(made([{ part, goes: 'side', side: '96 cm' }]))).toBeCloseTo(96, 9);
      const floor = made([{ part, goes: 'clear', clear: '2 cm' }], { heel: '4 cm' });
      expect(side(floor)).toBeCloseTo(BODY['waist-to-floor']! + 4 - 2, 9);
      // A leg that long has a knee, though no knee was read.
      expect(figure(floor, 'trousers.knee-level').marked).toBeGreaterThan(50);
    },
  );
  it('go nowhere from a floor that was not read, and say which reading lacks', () => {
    const parts = [{ part: 'trousers', goes: 'clear' }];
    expect(measuringList(parts).find((m) => m.id === 'waist-to-floor')).toMatchObject({ needed: true });
    const s = made(
      parts,
      {},
      LINES.filter((l) => !l.startsWith('waist-to-floor')),
    );
    expect(figure(s, 'trousers.inseam').finished).toBeNull();
    expect(made([{ part: 'pull-on-trousers', goes: 'side', side: '25 cm' }]).panels).toEqual([]);
  });
});

describe('a top', () => {
  const length = (v: object, more: object = {}, lines = LINES) =>
    figure(made([{ part: 'top', ...v }], more, lines), 'top.length').finished;
  const unread = LINES.filter((l) => !/^(garment-length|neck-to-waist-back) /.test(l));
  it('counts from the side-neck, the nape, the waist or the floor', () => {
    const of = (v: object, more: object = {}) => length(v, more, unread);
    expect(of({ length: '62 cm' })).toBeCloseTo(62, 9);
    // The side-neck lies 2 above the nape (common practice).
    expect(of({ from: 'nape', length: '60 cm' })).toBeCloseTo(62, 9);
    expect(of({ from: 'waist', length: '20 cm' })).toBeCloseTo(BODY['nape-to-waist']! + 2 + 20, 9);
    expect(of({ from: 'floor', clear: '30 cm' }, { heel: '5 cm' })).toBeCloseTo(
      BODY['nape-to-waist']! + 2 + BODY['waist-to-floor']! + 5 - 30,
      9,
    );
  });
});

it('an overskirt hangs to the floor in the shoes of the day, or as far as the side-neck says', () => {
  const length = (v: object, more: object = {}) =>
    figure(made([{ part: 'straight-skirt' }, { part: 'overskirt', ...v }], more), 'overskirt.length')
      .finished;
  expect(length({ lengthFrom: 'floor', clear: '1 cm' }, { heel: '7 cm' })).toBeCloseTo(
    BODY['waist-to-floor']! + 7 - 1,
    9,
  );
  expect(length({ lengthFrom: 'nape', length: '140 cm' })).toBeCloseTo(140 - BODY['nape-to-waist']!, 9);
});

it('a length from the neck that ends above the waist is not said to lack its reading', () => {
  const s = made([{ part: 'gored-skirt', lengthFrom: 'neck', length: '30 cm' }]);
  expect(figure(s, 'skirt.hem-front').why.join(' ')).toContain('ends above the waist');
  expect(figure(s, 'skirt.hem-front').why.join(' ')).not.toContain('not measured');
});
