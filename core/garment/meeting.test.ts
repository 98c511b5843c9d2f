import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { afterEach, describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { AGREE, capEase, type Edges, type Meeting, meetingCheck } from './meeting.ts';
import { definePart } from './part.ts';
import { addPart } from './registry.ts';
import { asLines, randomBody, seeded } from './testing.ts';
import { sash } from './testing-part.ts';

const edges = (gives: number, takes: number, meeting: Meeting): Edges => ({
  edge: 'armhole',
  at: 'at the armhole',
  gives: { name: 'bodice', sewn: cm(gives) },
  takes: { name: 'sleeve', sewn: cm(takes) },
  meeting,
});
const verdict = (gives: number, takes: number, meeting: Meeting) => {
  const { state, sentence } = meetingCheck(edges(gives, takes, meeting));
  return [state, sentence.replace(/^.* sewn, /, '')];
};
const EQUAL = { kind: 'equal' } as const;

describe('edges that meet (handbook page 9; common practice, no source)', () => {
  it.each([
    [44, 44, EQUAL, 'passed', 'equal.'],
    [44, 44.3, EQUAL, 'passed', '{cm:0.3} apart.'],
    [44.3, 44, EQUAL, 'passed', '{cm:0.3} apart.'],
    [44, 44.8, EQUAL, 'passed', '{cm:0.8} is eased on.'],
    [44, 45, EQUAL, 'passed', '{cm:1} is eased on.'],
    [44, 45.2, EQUAL, 'warned', '{cm:1.2} apart.'],
    // What is shorter than its seam cannot be eased onto it.
    [44.8, 44, EQUAL, 'warned', '{cm:0.8} apart.'],
    [44, 45.9, capEase(0), 'warned', 'ease {cm:1.9}, wanted {cm:2} to {cm:4}.'],
    [44, 46, capEase(0), 'passed', 'ease {cm:2}, wanted {cm:2} to {cm:4}.'],
    [44, 48, capEase(0), 'passed', 'ease {cm:4}, wanted {cm:2} to {cm:4}.'],
    [44, 48.5, capEase(0), 'warned', 'ease {cm:4.5}, wanted {cm:2} to {cm:4}.'],
    [44, 44, capEase(40), 'passed', 'ease {cm:0}, wanted {cm:0} to {cm:1.5}.'],
    [44, 46, capEase(40), 'warned', 'ease {cm:2}, wanted {cm:0} to {cm:1.5}.'],
    [
      44,
      44,
      { kind: 'gathered', cloth: cm(88) },
      'passed',
      'equal; {cm:88} of cloth is gathered into it (2.00 : 1).',
    ],
    [
      44,
      44.2,
      { kind: 'pleated', cloth: cm(132) },
      'passed',
      '{cm:0.2} apart; {cm:132} of cloth is pleated into it (2.99 : 1).',
    ],
    [
      44,
      45,
      { kind: 'pleated', cloth: cm(132) },
      'warned',
      '{cm:1} apart; {cm:132} of cloth is pleated into it (2.93 : 1).',
    ],
    [
      44,
      44,
      { kind: 'gathered', cloth: cm(40) },
      'warned',
      'equal; {cm:40} of cloth is gathered into it (0.91 : 1).',
    ],
  ] as const)('%d given, %d taken, %o', (gives, takes, meeting, state, sentence) =>
    expect(verdict(gives, takes, meeting)).toEqual([state, sentence]),
  );
});

/** A sleeve as small as the tests need: its cap is as much longer than the armhole as they say, two are cut. */
const sleeve = (ease: number) =>
  definePart({
    ...sash,
    id: 'test-sleeve',
    name: 'sleeve',
    key: 'sleeve',
    joins: { gives: [], takes: [{ edge: 'armhole', needed: true }], givenUp: [] },
    lines: () => [],
    draft: (c) => ({
      panels: [],
      sewn: { armhole: cm(c.above!.sewn.armhole! + ease) },
      meets: { armhole: capEase(c.input.brief.cloth.stretch) },
      places: () => [],
    }),
    figures: () => [],
    checks: () => [],
    cutting: () => ({ pieces: [], notions: [], allowances: [], cautions: [] }),
  });

describe('joins of a garment', () => {
  let away = () => {};
  afterEach(() => away());
  const made = (parts: readonly object[], house: object = {}) =>
    sheetOf(garmentSpec('day-dress-straight', asLines(randomBody(seeded(7))), { garment: { parts }, house }));
  const joinOf = (parts: readonly object[], edge: string, house: object = {}) =>
    made(parts, house).checks.find((k) => k.code === `join-${edge}`)!;

  it('a cap is eased into the bodice’s own armhole as it is drafted', () => {
    for (const [ease, state] of [
      [3, 'passed'],
      [5, 'warned'],
    ] as const) {
      away = addPart(sleeve(ease));
      const g = made([{ part: 'darted-bodice' }, { part: 'test-sleeve' }]);
      const armhole = g.figures.find((f) => f.id === 'bodice.armhole-round')!.finished!;
      const join = g.checks.find((k) => k.code === 'join-armhole')!;
      expect([join.state, join.sentence]).toEqual([
        state,
        expect.stringContaining(`${said(armhole)} and ${said(armhole + ease)} sewn, ease {cm:${ease}}`),
      ]);
      away();
    }
  });
  it('a skirt gathered or pleated under a bodice says how much cloth is taken up', () => {
    const bodice = { part: 'darted-bodice' };
    expect(joinOf([bodice, { part: 'gathered-skirt', length: '62 cm', ratio: 2 }], 'waist')).toMatchObject({
      state: 'passed',
      sentence: expect.stringMatching(/of cloth is gathered into it \((2\.0\d|1\.9\d) : 1\)/),
    });
    expect(
      joinOf([bodice, { part: 'straight-skirt', length: '62 cm', takenUp: 'pleats' }], 'waist'),
    ).toMatchObject({
      state: 'passed',
      sentence: expect.stringMatching(/of cloth is pleated into it \(1\.\d\d : 1\)/),
    });
    expect(
      joinOf([bodice, { part: 'straight-skirt', length: '62 cm', takenUp: 'darts' }], 'waist').sentence,
    ).not.toContain('cloth');
  });
  it('sewn edges of house garments agree within what is trued, in cm and in inches', () => {
    for (const unit of ['cm', 'in'] as const)
      for (const skirt of ['straight-skirt', 'gathered-skirt', 'circle-skirt']) {
        const join = joinOf([{ part: 'darted-bodice' }, { part: skirt, length: '62 cm' }], 'waist', {
          rounding: { unit, step: unit === 'cm' ? 0.5 : 0.125, mode: 'nearest' },
        });
        expect(join.state).toBe('passed');
        const apart = /\{cm:([\d.]+)\} apart/.exec(join.sentence);
        if (apart) expect(Number(apart[1])).toBeLessThanOrEqual(AGREE);
      }
  });
});

const said = (n: number) => `{cm:${Math.round(n * 1e9) / 1e9}}`;
