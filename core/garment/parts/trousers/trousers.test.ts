import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength, widthAt } from '../../../draft/measure.ts';
import { shareOf } from '../../../figure/build.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { asLines, randomBody, seeded } from '../../testing.ts';

const LEG = ['rise 28 cm', 'inseam 76 cm', 'waist-to-hip 20.6 cm', 'waist-to-knee 58.5 cm'];
const made = (lines: readonly string[], fields: object = {}, more: object = {}, part = 'trousers'): Sheet =>
  sheetOf(
    garmentSpec('trousers', lines, {
      garment: { parts: [{ part, ...fields }], ...more },
      house: { rounding: EXACT },
    }),
  );
const leg = (s: Sheet, face: string) => s.panels.find((p) => p.id === `trousers.${face}`)!;
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);

describe('trousers', () => {
  // EN 13402-3, women's body size steps (from memory); leg lengths of the metric size 12 (Aldrich, from memory).
  it('grow with every size step; girths are (body + ease) ÷ 4, crotch a sixteenth and an eighth of the hip', () => {
    let before: number[] = [];
    for (const [, waist, hip] of SIZE_STEPS) {
      const s = made([`waist ${waist} cm`, `hip ${hip} cm`, ...LEG]);
      for (const face of ['front', 'back'] as const) {
        expect(shareOf(figure(s, 'hip'), face)!.exact).toBeCloseTo((hip + 5) / 4, 9);
        const panel = leg(s, face);
        expect(sewnLength(panel, 'waist')).toBeCloseTo((waist + 2.5) / 4, 5);
        // Where the hip is the widest line, the panel is as wide as its share, darts closed.
        if (hip > waist + 3) expect(widthAt(panel, 20.6)).toBeCloseTo((hip + 5) / 4, 4);
      }
      expect(figure(s, 'trousers.crotch-front').finished).toBeCloseTo((hip + 5) / 16, 9);
      expect(figure(s, 'trousers.crotch-back').finished).toBeCloseTo((hip + 5) / 8, 9);
      const now = ['trousers.thigh', 'trousers.crotch-seam', 'trousers.crotch-back'].map(
        (id) => figure(s, id).finished!,
      );
      before.forEach((b, i) => void expect(now[i]!).toBeGreaterThan(b));
      before = now;
    }
  });
  it('metric size 12 (Aldrich, from memory): body rise 28, waist 68, hip 94 under no ease are its own figures', () => {
    const s = sheetOf(
      garmentSpec('trousers', ['waist 68 cm', 'hip 94 cm', ...LEG], {
        garment: { parts: [{ part: 'trousers' }] },
        house: {
          rounding: EXACT,
          ease: { waist: { fitted: '0 cm' }, hip: { fitted: '0 cm' }, rise: { fitted: '0 cm' } },
        },
      }),
    );
    expect(figure(s, 'trousers.crotch-depth').finished).toBe(28);
    expect(figure(s, 'trousers.inseam').finished).toBe(76);
    expect(figure(s, 'trousers.crotch-back').finished).toBeCloseTo(11.75, 9);
    expect(check(s, 'trousers.floor-rise')).toMatchObject({ state: 'warned' });
  });
  it('both seams of a leg are as long as each other, whatever the body', () => {
    let short = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const s = made(asLines(randomBody(seeded(seed * 13))), {
        goes: seed % 3 ? 'floor' : 'length',
        hem: seed % 2 ? null : '44 cm',
      });
      const [f, b] = [leg(s, 'front'), leg(s, 'back')];
      if (!f || !b) continue;
      // A body whose forks are long for its leg is eased there, and says so.
      if (check(s, 'trousers.inseams')!.state === 'warned') {
        short++;
        continue;
      }
      expect(Math.abs(edgeLength(f, 'inseam') - edgeLength(b, 'inseam')), `${seed}`).toBeLessThan(0.3);
      expect(Math.abs(edgeLength(f, 'side') - edgeLength(b, 'side')), `${seed}`).toBeLessThan(0.3);
      expect(edgeLength(f, 'inseam'), `${seed}`).toBeCloseTo(figure(s, 'trousers.inseam').marked!, 4);
    }
    expect(short).toBeLessThan(30);
  });
  it('the hem stays where the leg ends: what the crotch is lowered is taken off the inside leg', () => {
    const [close, loose] = ['fitted', 'loose'].map((fit) =>
      made(['waist 72 cm', 'hip 99 cm', ...LEG], {}, { fit }),
    );
    const ends = (s: Sheet) =>
      figure(s, 'trousers.crotch-depth').finished! + figure(s, 'trousers.inseam').finished!;
    expect(ends(close!)).toBeCloseTo(104, 9);
    expect(ends(loose!)).toBeCloseTo(104, 9);
    expect(figure(loose!, 'trousers.inseam').finished).toBeLessThan(
      figure(close!, 'trousers.inseam').finished!,
    );
  });
  it('a strong thigh is given room at the crotch, a third in front', () => {
    const [plain, strong] = [58, 76].map((thigh) =>
      made(['waist 72 cm', 'hip 99 cm', `thigh ${thigh} cm`, ...LEG]),
    );
    const more = (id: string) => figure(strong!, id).finished! - figure(plain!, id).finished!;
    expect(more('trousers.crotch-back')).toBeCloseTo(2 * more('trousers.crotch-front'), 6);
    expect(more('trousers.crotch-front')).toBeGreaterThan(1);
    expect(check(strong!, 'trousers.floor-thigh')).toMatchObject({ state: 'passed' });
    expect(strong!.fit.map((z) => z.zone)).toContain('thigh');
  });
  it('the crotch seam is drafted towards its reading, within what forks and back rise may give, and judged both ways', () => {
    const at = (fit: string, read: number) =>
      made(
        [
          'waist 76 cm',
          'hip 100 cm',
          'rise 27.5 cm',
          'inseam 78 cm',
          'waist-to-hip 20.5 cm',
          `crotch-length ${read} cm`,
        ],
        {},
        { fit },
      );
    const ranges = {
      close: [-1, 1],
      fitted: [1, 2.5],
      'semi-fitted': [2, 4],
      loose: [3, 5],
      'very-loose': [4, 7],
    };
    let moved = 0;
    for (const [fit, [least, high]] of Object.entries(ranges))
      for (let read = 62; read <= 84; read++) {
        const s = at(fit, read);
        const f = (id: string) => figure(s, `trousers.${id}`).finished!;
        const room = f('crotch-seam') - read;
        const forks = (f('crotch-front') + f('crotch-back')) / 100;
        const within = room >= least! - 1e-6 && room <= high! + 1e-6;
        expect([fit, read, check(s, 'trousers.crotch-length')!.state]).toEqual([
          fit,
          read,
          within ? 'passed' : 'warned',
        ]);
        // Handbook page 10: 0.19 of the hip, 0.015 more or less; what is told has been tried to the end.
        expect(forks).toBeGreaterThan(0.175 - 1e-6);
        const most = Math.max(0.205, (0.01 * figure(s, 'hip').finished! * 3) / 16);
        expect(forks).toBeLessThan(most + 1e-6);
        expect(f('back-rise')).toBeGreaterThan(2 - 1e-6);
        expect(f('back-rise')).toBeLessThan(3 + 1e-6);
        if (!within) {
          expect(forks).toBeCloseTo(room > high! ? 0.175 : most, 6);
          expect(f('back-rise')).toBeCloseTo(room > high! ? 2 : 3, 6);
        } else if (Math.abs(forks - 0.19) > 0.01) moved++;
        const drop = f('crotch-drop');
        expect(drop).toBeGreaterThan(0.5 - 1e-6);
        expect(drop).toBeLessThan(1 + 1e-6);
      }
    expect(moved).toBeGreaterThan(5);
  });
  it('tells what cannot be: rise, inside and outside leg that do not agree, a crotch above the hip, a hem too narrow', () => {
    const s = made(
      ['waist 72 cm', 'hip 99 cm', ...LEG, 'outseam 118 cm', 'heel-instep 33 cm', 'crotch-length 90 cm'],
      { hem: '30 cm' },
    );
    expect(check(s, 'trousers.leg-lengths')!.sentence).toContain('read all three again');
    expect(check(s, 'trousers.heel')!.sentence).toContain('more than that, or an opening');
    expect(check(s, 'trousers.crotch-length')!.sentence).toContain('lower the crotch level');
    const high = made(['waist 72 cm', 'hip 99 cm', 'rise 17 cm', 'inseam 76 cm', 'waist-to-hip 24 cm']);
    expect(high.panels.some((p) => p.id === 'trousers.front')).toBe(false);
    expect(check(high, 'trousers.heights')!.sentence).toContain('no leg can be drafted');
    const three = made(['waist 72 cm', 'hip 99 cm']);
    expect(three.checks.filter((k) => k.absent).length).toBeGreaterThan(1);
    expect(three.figures.find((f) => f.id === 'hip')!.finished).toBe(104);
  });
  it('rise not read comes from outside and inside leg', () => {
    const s = made(['waist 72 cm', 'hip 99 cm', 'waist-to-hip 20 cm', 'inseam 76 cm', 'outseam 104 cm']);
    expect(figure(s, 'trousers.crotch-depth').finished).toBeCloseTo(28 + 1.3, 9);
    expect(figure(s, 'trousers.crotch-depth').marks).toContain('estimated');
  });
});

describe('pull-on trousers', () => {
  const pulled = (lines: readonly string[], fields: object = {}, more: object = {}) =>
    made(lines, fields, more, 'pull-on-trousers');
  it('the girth to pass decides: the largest of waist, tummy and hip, and guards ask for more', () => {
    const body = ['waist 100 cm', 'hip 98 cm', 'tummy 104 cm', 'rise 26 cm'];
    expect(figure(pulled(body), 'trousers.round').finished).toBe(112);
    expect(figure(pulled(body.slice(0, 2).concat('rise 26 cm')), 'trousers.round').finished).toBe(108);
    const guards = pulled(body, { guards: true });
    expect(figure(guards, 'trousers.round').finished).toBe(116);
    expect(
      figure(guards, 'trousers.crotch-depth').finished! -
        figure(pulled(body), 'trousers.crotch-depth').finished!,
    ).toBeCloseTo(2, 9);
    expect(check(pulled(body, { passes: '3 cm' }), 'trousers.passes')).toMatchObject({ state: 'warned' });
    expect(pulled(['waist 70 cm']).checks.some((k) => k.absent)).toBe(true);
  });
  it('its elastic is what she likes, else an inch less than the waist, and each quarter is held to a quarter of it', () => {
    const body = ['waist 70 cm', 'hip 96 cm', 'rise 26 cm'];
    expect(figure(pulled(body), 'trousers.elastic').finished).toBe(67.5);
    const s = pulled(body, { elastic: '64 cm' });
    for (const face of ['front', 'back']) expect(sewnLength(leg(s, face), 'top')).toBeCloseTo(16, 6);
    expect(check(pulled(body, { elastic: '140 cm' }), 'trousers.elastic-long')!.sentence).toContain(
      'hold nothing',
    );
  });
});
