import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { markedGirth } from '../../../figure/build.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { GARMENTS } from '../../garments.ts';
import { measuringList } from '../../measuring.ts';

/** An invented body that reads everything but where the seam lies. */
const BODY = {
  bust: 92,
  underbust: 76,
  hip: 98,
  'waist-to-hip': 20.5,
  'neck-to-bust': 27.5,
  'neck-to-waist-front': 44.5,
  'nape-to-waist': 41,
  'across-shoulder': 39.5,
  shoulder: 12.4,
  'neck-width': 14,
  'apex-span': 19,
  'armhole-depth': 20.7,
  'across-back': 35,
  'across-front': 33,
};
const lines = (more: Record<string, number> = {}) =>
  Object.entries({ ...BODY, ...more }).map(([id, n]) => `${id} ${n} cm`);
const made = (
  skirt: object | null,
  { bodice = {}, more = {} }: { bodice?: object; more?: Record<string, number> } = {},
): Sheet =>
  sheetOf(
    garmentSpec(
      [{ part: 'darted-bodice', ends: 'under-bust', ...bodice }, ...(skirt ? [skirt] : [])] as never,
      lines(more),
      { house: { rounding: EXACT } },
    ),
  );
const figure = (s: Sheet, id: string) => s.figures.find((f) => f.id === id)!;
const panel = (s: Sheet, id: string) => s.panels.find((p) => p.id === id)!;
const says = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);
const GATHERED = { part: 'gathered-skirt', length: '62 cm' };

describe('a bodice that ends under the bust (common practice, no source)', () => {
  // Waist in front 44.5 + 0.6. In turn: as read; bust point 27.5 + 8; waist less 9; bust point and 7.5 where nothing was read.
  it.each([
    [{ 'neck-to-underbust': 36 }, 36],
    [{ 'bust-to-underbust': 8 }, 35.5],
    [{ 'underbust-to-waist': 9 }, 36.1],
    [{}, 35],
    [{ 'neck-to-underbust': 36, 'bust-to-underbust': 9, 'underbust-to-waist': 12 }, 36],
  ])('%j puts the seam %d below the side-neck, level round the body', (more, down) => {
    const s = made(GATHERED, { more });
    expect(figure(s, 'bodice.underbust-level').finished).toBeCloseTo(down, 9);
    const up = 45.1 - down;
    expect(figure(s, 'bodice.seam-up').finished).toBeCloseTo(up, 9);
    // Nape to waist 41, 2 up to the side-neck, 0.6 of ease.
    expect(figure(s, 'bodice.underbust-level-back').finished).toBeCloseTo(43.6 - up, 9);
    expect(figure(s, 'skirt.from-seam').finished).toBeCloseTo(62 + up, 9);
    expect(figure(s, 'bodice.underbust-level').marks.includes('estimated')).toBe(
      Object.keys(more).length === 0,
    );
  });

  it('of heights that say the same twice the sheet lists which it left', () => {
    const s = made(GATHERED, { more: { 'neck-to-underbust': 36, 'underbust-to-waist': 12, waist: 70 } });
    const left = new Map(s.unused().map((u) => [u.measure, u.because]));
    expect(left.get('underbust-to-waist')).toContain('Side-neck to under bust was read');
    expect(left.get('waist')).toContain('nothing is drafted to the waist');
    expect(left.has('neck-to-underbust')).toBe(false);
    expect(left.has('underbust')).toBe(false);
  });

  it('a seam on the bust itself, or below the waist, is refused in a sentence', () => {
    const by = { by: 'F', at: '', reason: 'tried' };
    const tried = (value: string) =>
      sheetOf(
        garmentSpec([{ part: 'darted-bodice', ends: 'under-bust' }, GATHERED] as never, lines(), {
          house: { rounding: EXACT },
          rest: { overrides: [{ figure: 'bodice.underbust-level', target: 'finished', value, ...by }] },
        }),
      ).refused[0]?.sentence;
    expect(tried('29 cm')).toContain('under the bust point');
    expect(tried('48 cm')).toContain('below the waist');
    expect(tried('36 cm')).toBeUndefined();
  });

  it('turns the same bust dart as the bodice to the waist: a seam moves no shape', () => {
    const whole = made(null, { bodice: { ends: 'waist' }, more: { waist: 74 } });
    const s = made(null);
    expect(figure(s, 'bodice.bust-dart-intake').finished).toBeCloseTo(
      figure(whole, 'bodice.bust-dart-intake').finished!,
      6,
    );
    for (const id of ['bodice.armhole-round', 'bodice.neck-round'])
      expect(figure(s, id).finished).toBeCloseTo(figure(whole, id).finished!, 6);
  });

  // The body is 76, fitted 4 more: 80 round.
  it.each([
    ['gathered-skirt', 1],
    ['tiered-skirt', 1],
    ['circle-skirt', 2],
  ])('a %s joins the 80 of its seam and hangs from there', (part, halves) => {
    const s = made({ part, length: '62 cm' });
    expect(markedGirth(figure(s, 'underbust'))).toBeCloseTo(80, 6);
    const of = (key: string) =>
      s.panels
        .filter((p) => p.layer === 'outer' && p.id.startsWith(key) && p.edges.some((e) => e.id === 'waist'))
        .filter((p) => !/facing/.test(p.id));
    const round = (key: string, times: number) =>
      of(key).reduce((n, p) => n + sewnLength(p, 'waist') * p.count * (p.cut === 'fold' ? times : 1), 0);
    expect(round('skirt', halves)).toBeCloseTo(80, 3);
    expect(round('bodice', 2)).toBeCloseTo(80, 3);
    expect(says(s, 'join-waist')!.state).toBe('passed');
    const sides = of('skirt').reduce((n, p) => n + edgeLength(p, 'side'), 0);
    const tiers = s.panels
      .filter((p) => /panel-\d/.test(p.id))
      .reduce((n, p) => n + edgeLength(p, 'side'), 0);
    expect(tiers || sides).toBeCloseTo(62 + 10.1, 6);
  });

  it('a circle’s radius is its seam by geometry: 80 ÷ 2π ÷ ½', () => {
    expect(figure(made({ part: 'circle-skirt', length: '62 cm' }), 'skirt.radius').finished).toBeCloseTo(
      80 / Math.PI,
      6,
    );
  });

  it.each(['straight-skirt', 'gored-skirt', 'pleated-skirt'])(
    'over a %s it goes on to the waist, and says so',
    (part) => {
      const more = { waist: 74 };
      const s = made({ part, length: '62 cm' }, { more });
      expect(says(s, 'ends-at-waist')!.sentence).toContain('shaped from the waist down');
      const whole = made({ part, length: '62 cm' }, { bodice: { ends: 'waist' }, more });
      expect(s.panels).toEqual(whole.panels);
    },
  );

  it('the plan by heights is drawn to the waist whatever was chosen', () => {
    const more = { waist: 74 };
    const s = made(GATHERED, { bodice: { plan: 'heights' }, more });
    expect(s.panels).toEqual(made(GATHERED, { bodice: { plan: 'heights', ends: 'waist' }, more }).panels);
  });

  it('neither bodice nor skirt asks for the waist, both for the girth under the bust', () => {
    const wants = measuringList(GARMENTS.find((g) => g.id === 'empire-dress')!.parts as never);
    const of = new Map(wants.map((w) => [w.id, w.needed]));
    expect(of.has('waist')).toBe(false);
    expect(of.get('underbust')).toBe(true);
    expect(of.get('neck-to-underbust')).toBe(false);
  });

  it('while a length of the bodice is missing its skirt waits, and is not cut from the waist', () => {
    const { 'nape-to-waist': _, ...rest } = BODY;
    const s = sheetOf(
      garmentSpec(
        [{ part: 'darted-bodice', ends: 'under-bust' }, GATHERED] as never,
        Object.entries(rest).map(([id, n]) => `${id} ${n} cm`),
        { house: { rounding: EXACT } },
      ),
    );
    expect(s.panels.filter((p) => p.layer === 'outer')).toEqual([]);
    expect(figure(s, 'skirt.cloth-round').finished).toBeNull();
    expect(says(s, 'absent-bodice.waist-back')!.state).not.toBe('passed');
  });

  it('opens from the neck through the seam: 18 deep into the skirt at least', () => {
    const s = made(GATHERED);
    const centre = edgeLength(panel(s, 'bodice.back'), 'centre');
    const zip = figure(s, 'zip');
    expect(zip.finished).toBeGreaterThanOrEqual(centre + 18 - 1e-6);
    expect(zip.finished! - centre - 18).toBeLessThan(5);
  });

  it('on a rib cage far smaller than the bust its darts stand up, and it says so', () => {
    expect(says(made(GATHERED, { more: { bust: 104, underbust: 74 } }), 'bodice.steep-front')!.state).toBe(
      'warned',
    );
    expect(says(made(GATHERED), 'bodice.steep-front')).toBeUndefined();
  });
});
