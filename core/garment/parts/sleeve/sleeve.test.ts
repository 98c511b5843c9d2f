import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec, HALF } from '@rocchetto/contract/testing-garments.ts';
import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import { Bezier } from 'bezier-js';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength, widthAt } from '../../../draft/measure.ts';
import { edgeOf } from '../../../draft/panel.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { printSheet } from '../../../sheet/print.ts';
import { halfCap, heightFor, widthsAt } from '../../common/cap.ts';
import { asLines, randomBody, seeded } from '../../testing.ts';

const ARM = [
  'upper-arm 28 cm',
  'elbow 25 cm',
  'wrist 16 cm',
  'fist 21.5 cm',
  'arm-length 59 cm',
  'shoulder-to-elbow 34 cm',
];
const BODY = [
  'bust 88 cm',
  'waist 70 cm',
  'neck-to-bust 26 cm',
  'neck-to-waist-front 43 cm',
  'neck-to-waist-back 41 cm',
  'nape-to-waist 39 cm',
  'across-shoulder 38 cm',
  'apex-span 18 cm',
  'armhole-depth 20 cm',
];
const made = (fields: object = {}, lines: readonly string[] = [...BODY, ...ARM], more: object = {}): Sheet =>
  sheetOf(
    garmentSpec('bodice', lines, {
      garment: { parts: [{ part: 'darted-bodice' }, { part: 'sleeve', ...fields }], ...more },
      house: { rounding: HALF },
    }),
  );
const sleeveOf = (s: Sheet) => s.panels.find((p) => p.id === 'sleeve.sleeve')!;
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);
/** Length of a path as ten thousand straight pieces, by bezier-js. */
const asPolygon = (path: ReturnType<typeof halfCap>[]) =>
  path.reduce((sum, [a, b, c, d]) => {
    const curve = new Bezier([a!, b!, c!, d!].map(([x, y]) => ({ x, y })));
    const points = Array.from({ length: 10_001 }, (_, i) => curve.get(i / 10_000));
    return (
      sum + points.slice(1).reduce((n, q, i) => n + Math.hypot(q.x - points[i]!.x, q.y - points[i]!.y), 0)
    );
  }, 0);

describe('the cap and its armhole', () => {
  it('cap and armhole are as long as polygons of 10,000 points say (bezier-js), and meet with 2 to 4 cm', () => {
    const s = made();
    const cap = edgeOf(sleeveOf(s), 'cap').path as unknown as ReturnType<typeof halfCap>[];
    expect(edgeLength(sleeveOf(s), 'cap')).toBeCloseTo(asPolygon(cap), 5);
    const armhole = ['bodice.front', 'bodice.back'].reduce((n, id) => {
      const panel = s.panels.find((p) => p.id === id)!;
      return n + asPolygon(edgeOf(panel, 'armhole').path as unknown as ReturnType<typeof halfCap>[]);
    }, 0);
    const ease = edgeLength(sleeveOf(s), 'cap') - armhole;
    expect(ease).toBeGreaterThan(2);
    expect(ease).toBeLessThan(4);
    expect(check(s, 'join-armhole')).toMatchObject({ state: 'passed' });
  });
  it('is as wide as it is drawn, at its underarm, and no narrower than the arm and its ease', () => {
    const s = made({ cap: 'easy' });
    const p = sleeveOf(s);
    const upper = figure(s, 'sleeve.upper-arm');
    expect(widthAt(p, p.lines[0]!.y)).toBeCloseTo(upper.marked!, 6);
    expect(upper.finished!).toBeGreaterThanOrEqual(28 + 5);
  });
  it('gives way in height where the arm is wider than the cap, and says that it is low', () => {
    const wide = [...BODY, ...ARM.filter((l) => !l.startsWith('upper-arm')), 'upper-arm 34 cm'];
    const [slim, broad] = [made(), made({}, wide)];
    expect(figure(broad, 'sleeve.cap-height').finished!).toBeLessThan(
      figure(slim, 'sleeve.cap-height').finished!,
    );
    expect(check(broad, 'sleeve.low-cap')).toMatchObject({ state: 'warned' });
    expect(check(broad, 'join-armhole')).toMatchObject({ state: 'passed' });
    const tooWide = made({}, [...wide.slice(0, -1), 'upper-arm 50 cm']);
    expect(check(tooWide, 'sleeve.too-wide')!.sentence).toContain('cannot take a sleeve');
    expect(sleeveOf(tooWide)).toBeUndefined();
  });
  it('is solved: width at a height and height at a width are each other’s reverse', () => {
    const rnd = seeded(3);
    for (let i = 0; i < 300; i++) {
      const front = 18 + rnd() * 12;
      const lengths = { front, back: front + rnd() * 3 };
      const h = front * (0.25 + rnd() * 0.5);
      const w = widthsAt(h, lengths)!;
      for (const side of ['front', 'back'] as const)
        expect(asPolygon([halfCap(w[side], h, side) as never])).toBeCloseTo(lengths[side], 4);
      expect(heightFor(w.front + w.back, lengths)!.h).toBeCloseTo(h, 3);
    }
    expect(widthsAt(40, { front: 20, back: 20 })).toBeNull();
    expect(heightFor(60, { front: 20, back: 20 })).toBeNull();
  });
  it('a knit takes up to 1.5 cm of ease, a gathered one is sewn exactly as long as its armhole', () => {
    const knit = made({}, undefined, { cloth: { name: 'jersey', stretch: 40 } });
    expect(check(knit, 'join-armhole')!.sentence).toMatch(/wanted .*0\} to .*1\.5/);
    const puff = made({ head: 'gathered', fullness: '12 cm' });
    const p = sleeveOf(puff);
    const round = figure(puff, 'bodice.armhole-round').finished!;
    expect(sewnLength(p, 'cap')).toBeCloseTo(round, 6);
    expect(edgeLength(p, 'cap')).toBeGreaterThan(round + 10);
    expect(check(puff, 'join-armhole')).toMatchObject({ state: 'passed' });
    // Twelve spread in: the panel is as much wider, and stands up by a quarter of it.
    expect(widthAt(p, p.lines[0]!.y)).toBeCloseTo(figure(puff, 'sleeve.upper-arm').marked! + 12, 6);
    expect(p.lines[0]!.y).toBeCloseTo(figure(puff, 'sleeve.cap-height').marked! + 3, 6);
  });
});

describe('the end of a sleeve', () => {
  it('fitted: its elbow dart makes the back seam as long as the front, and the end passes the closed hand', () => {
    const s = made({ shape: 'fitted' });
    const p = sleeveOf(s);
    expect(p.darts).toHaveLength(1);
    expect(sewnLength(p, 'underarm-back')).toBeCloseTo(sewnLength(p, 'underarm'), 2);
    expect(edgeLength(p, 'underarm-back') - edgeLength(p, 'underarm')).toBeCloseTo(2, 1);
    // wrist 16 + 5 = 21, less than the closed hand of 21.5: without an opening the hand decides.
    expect(figure(s, 'sleeve.end').finished).toBe(21.5);
    expect(check(s, 'sleeve.fist')).toMatchObject({ state: 'passed' });
    const short = made({ shape: 'fitted', goes: 'length', length: '22 cm' });
    expect(sleeveOf(short).darts).toEqual([]);
  });
  it('cuff: wrist and ease, with 2 cm for buttonholes and nothing for loops; without an opening the hand passes', () => {
    const cuff = (cuffCloses: string) =>
      figure(made({ end: 'cuff', cuffCloses }), 'sleeve.cuff-length').finished;
    expect([cuff('buttons'), cuff('loops'), cuff('none')]).toEqual([23, 21, 21.5]);
    const s = made({ end: 'cuff', cuffCloses: 'loops' });
    expect(sewnLength(sleeveOf(s), 'wrist')).toBeCloseTo(21, 6);
    expect(s.pieces.filter((x) => x.panel.startsWith('sleeve.')).map((x) => [x.name, x.count])).toEqual([
      ['sleeve', 2],
      ['cuff', 2],
      ['sleeve placket', 2],
      ['cuff, interfacing', 2],
    ]);
  });
  it('elastic is 2 cm less than the arm there, for both sleeves', () => {
    const s = made({ end: 'elastic' });
    const elastic = s.notions.find((n) => n.name.startsWith('elastic'))!;
    expect(elastic.length).toBe(2 * (16 - 2));
    expect(sewnLength(sleeveOf(s), 'wrist')).toBeCloseTo(14, 6);
  });
  it('flared by slash and spread: nothing at the cap, the wanted spread at the end, seams as long as before', () => {
    const [plain, flared] = [made(), made({ shape: 'flared', slashes: 4, spread: '3 cm' })];
    const [a, b] = [sleeveOf(plain), sleeveOf(flared)];
    expect(edgeLength(b, 'cap')).toBeCloseTo(edgeLength(a, 'cap'), 9);
    expect(edgeLength(b, 'underarm')).toBeCloseTo(edgeLength(a, 'underarm'), 6);
    const upper = figure(flared, 'sleeve.upper-arm').marked!;
    expect(Math.abs(edgeLength(b, 'wrist') - (upper + 12))).toBeLessThan(0.6);
    const over = made({ shape: 'flared', slashes: 12, spread: '10 cm', goes: 'length', length: '30 cm' });
    expect(check(over, 'sleeve.flare')).toMatchObject({ state: 'warned' });
  });
});

describe('what a sleeve changes of its bodice', () => {
  it('the armhole facing is given up; hem, hook and eye of a bodice without a skirt stay', () => {
    const [bare, sleeved] = [made(), sheetOf(garmentSpec('bodice', BODY))].map((s) => ({
      facings: s.pieces.filter((x) => /armhole facing/.test(x.name)).length,
      hem: s.allowances.find((a) => a.name === 'hem')?.cm,
      hook: s.notions.some((n) => n.name === 'hook and eye'),
    }));
    expect(bare).toEqual({ facings: 0, hem: 4, hook: true });
    expect(sleeved).toEqual({ facings: 4, hem: 4, hook: true });
  });
});

describe('a sleeve that lacks something', () => {
  it('without its bodice’s measures, the arm, the hand, or anything at all it says so and prints what it can', () => {
    const lacking = (...ids: string[]) =>
      made(
        { shape: 'fitted' },
        [...BODY, ...ARM].filter((l) => !ids.some((id) => l.startsWith(id))),
      );
    expect(check(lacking('upper-arm'), 'absent-sleeve.upper-arm')).toBeDefined();
    expect(check(lacking('fist'), 'sleeve.fist')!.sentence).toContain('was not measured');
    expect(check(lacking('bust'), 'sleeve.armhole')).toBeDefined();
    expect(figure(lacking('elbow', 'shoulder-to-elbow'), 'sleeve.elbow').marks).toContain('estimated');
    const nothing = made({ shape: 'fitted', end: 'cuff' }, []);
    expect(nothing.panels).toEqual([]);
    for (const k of nothing.checks) expect(k.sentence).not.toMatch(/NaN|undefined|Infinity|null/);
  });
  it('is refused where there is no armhole to join', () => {
    expect(() =>
      sheetOf(
        garmentSpec('straight-skirt', [], {
          garment: { parts: [{ part: 'straight-skirt' }, { part: 'sleeve' }] },
        }),
      ),
    ).toThrow(/needs an armhole to join/);
  });
  it('ends in its own cap when it is too short, past the wrist when it is too long: a sentence each', () => {
    expect(check(made({ goes: 'length', length: '10 cm' }), 'sleeve.short')!.sentence).toMatch(
      /^The cap takes .* less than .* is left below the underarm/,
    );
    expect(check(made({ goes: 'length', length: '66 cm' }), 'sleeve.past-wrist')).toBeDefined();
  });
});

describe('over all sizes and many bodies', () => {
  // The size steps of EN 13402-3 (from memory), bust and waist; the arm 0.31 of the bust (common practice).
  it('EN 13402-3: the sleeve grows with the size and meets its armhole at every step', () => {
    let before = 0;
    for (const [bust, waist] of SIZE_STEPS) {
      const grown = (88 - bust) / -8;
      const s = made({ shape: 'fitted' }, [
        `bust ${bust} cm`,
        `waist ${waist} cm`,
        `neck-to-bust ${26 + grown / 2} cm`,
        `neck-to-waist-front ${43 + grown / 2} cm`,
        `neck-to-waist-back ${41 + grown / 4} cm`,
        `nape-to-waist ${39 + grown / 4} cm`,
        `across-shoulder ${38 + grown} cm`,
        `apex-span ${18 + grown / 2} cm`,
        `armhole-depth ${20 + grown / 2} cm`,
        `upper-arm ${Math.round(bust * 0.31 * 2) / 2} cm`,
        `wrist ${16 + grown / 2} cm`,
        `fist ${21.5 + grown / 2} cm`,
        'arm-length 59 cm',
      ]);
      expect(check(s, 'join-armhole'), `bust ${bust}`).toMatchObject({ state: 'passed' });
      const now = figure(s, 'sleeve.upper-arm').marked!;
      expect(now).toBeGreaterThanOrEqual(before);
      before = now;
    }
  });
  it('400 random bodies and briefs: cap and armhole agree or it is said, rings close, nothing is NaN', () => {
    const rnd = seeded(11);
    const pick = <T>(of: readonly T[]): T => of[Math.floor(rnd() * of.length)]!;
    let drafted = 0;
    for (let i = 0; i < 400; i++) {
      const s = sheetOf(
        garmentSpec('bodice', asLines(randomBody(rnd), pick(['cm', 'in'] as const)), {
          garment: {
            parts: [
              { part: 'darted-bodice' },
              {
                part: 'sleeve',
                goes: pick(['wrist', 'length']),
                length: pick(['18 cm', '24 cm', '40 cm', '12 in']),
                shape: pick(['straight', 'fitted', 'flared']),
                cap: pick(['fitted', 'easy']),
                head: pick(['smooth', 'gathered']),
                end: pick(['hem', 'cuff', 'elastic']),
                cuffCloses: pick(['buttons', 'loops', 'none']),
              },
            ],
            fit: pick(['close', 'fitted', 'loose', 'very-loose']),
            lining: pick(['', 'cupro']),
            cloth: { name: 'cloth', stretch: pick([0, 0, 40]) },
          },
          house: { rounding: pick([HALF, EXACT, { unit: 'in', step: 0.25, mode: 'nearest' }]) },
        }),
      );
      expect(JSON.stringify(s.checks)).not.toMatch(/NaN|Infinity/);
      const p = sleeveOf(s);
      if (!p) continue;
      drafted++;
      const [fit, join] = [sewnLength(p, 'cap'), check(s, 'join-armhole')!];
      const round = figure(s, 'bodice.armhole-round').finished!;
      if (join.state === 'passed') expect(Math.abs(fit - round)).toBeLessThanOrEqual(4 + 1e-6);
      expect(join.state, join.sentence).toBe('passed');
      const ring = p.edges.flatMap((e) => e.path);
      ring.forEach((seg, k) => {
        const [a, b] = [seg.at(-1)!, ring[(k + 1) % ring.length]![0]];
        expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeLessThan(1e-6);
      });
      expect(s.pieces.filter((x) => x.panel.startsWith('sleeve.')).every((x) => x.width! > 0)).toBe(true);
    }
    expect(drafted).toBeGreaterThan(250);
  }, 60_000);
});

/** Invented figures; which ways a sleeve's length is read, and how its end is made, is common practice and has no source. */
describe('a sleeve as the design wants it', () => {
  const cm = (s: Sheet, id: string) => figure(s, `sleeve.${id}`).finished!;
  const ends = (s: Sheet) => edgeLength(sleeveOf(s), 'wrist');
  const NECK = 'neck-width 14 cm';
  const lines = [...BODY, NECK, ...ARM];

  it('a length from the side-neck or the nape is the sleeve’s less what lies on the shoulder', () => {
    const s = made({ goes: 'length', length: '50 cm', from: 'neck' }, lines);
    const shoulder = sewnLength(s.panels.find((p) => p.id === 'bodice.front')!, 'shoulder');
    // The front shoulder is drafted from the side-neck as read: half the neck is 7.
    expect(cm(s, 'length')).toBeCloseTo(50 - shoulder, 1);
    // From the nape the tape lies straight across: 38 from shoulder to shoulder are 19.
    const nape = made({ goes: 'length', length: '57 cm', from: 'nape' }, lines);
    expect(cm(nape, 'length')).toBeCloseTo(57 - 19, 0);
    // A neckline that is widened takes its shoulder away, and no sleeve gets longer by it.
    const wide = sheetOf(
      garmentSpec('bodice', lines, {
        garment: {
          parts: [
            { part: 'darted-bodice', widen: '4 cm' },
            { part: 'sleeve', goes: 'length', length: '50 cm', from: 'neck' },
          ],
        },
      }),
    );
    expect(figure(wide, 'sleeve.length').finished).toBeCloseTo(cm(s, 'length'), 1);
  });
  it('an arm that was read from the neck only is that length less the shoulder, and gives the elbow too', () => {
    const neckOnly = [...BODY, NECK, ...ARM.filter((l) => !/^(arm-length|shoulder-to-elbow)/.test(l))];
    const s = made({ shape: 'fitted' }, [...neckOnly, 'neck-to-wrist 72 cm']);
    const shoulder = -figure(s, 'sleeve.length').terms.find((t) => t.label === 'above the shoulder point')!
      .cm;
    expect(shoulder).toBeCloseTo(sewnLength(s.panels.find((p) => p.id === 'bodice.front')!, 'shoulder'), 0);
    expect(cm(s, 'length')).toBeCloseTo(72 - shoulder, 6);
    expect(cm(s, 'elbow-level')).toBeCloseTo(0.58 * (72 - shoulder), 1);
    expect(check(s, 'absent-sleeve.length')).toBeUndefined();
    // It was not asked for, and is used all the same: nothing says that it was left.
    expect((printSheet(s, 'cm').unused ?? []).join(' ')).not.toContain('side-neck to wrist');
    const nape = made({ shape: 'fitted' }, [...neckOnly, 'nape-to-wrist 79 cm']);
    // Brought over from the nape by half of shoulder to shoulder, 38.
    expect(cm(nape, 'length')).toBeCloseTo(79 - 19, 6);
  });
  it('ends at its own girth: ten inches is ten inches, straight or fitted; too narrow for the hand is told', () => {
    for (const shape of ['straight', 'fitted']) {
      const s = made({ shape, endGirth: '10 in' });
      expect(cm(s, 'end')).toBeCloseTo(25.4, 9);
      expect(ends(s)).toBeCloseTo(figure(s, 'sleeve.end').marked!, 0);
    }
    expect(check(made({ endGirth: '19 cm' }), 'sleeve.fist')).toMatchObject({ state: 'warned' });
    // A slit lets it through.
    expect(check(made({ endGirth: '19 cm', end: 'slit' }), 'sleeve.fist')).toBeUndefined();
  });
  it('one slash of any width: twelve inches at the end, none at the cap', () => {
    const s = made({ goes: 'length', length: '40 cm', shape: 'flared', slashes: 1, spread: '12 in' });
    expect(sewnLength(sleeveOf(s), 'cap')).toBeCloseTo(
      sewnLength(sleeveOf(made({ goes: 'length', length: '40 cm' })), 'cap'),
      6,
    );
    // Two legs swung out by 15.24 each along an arc: its chord, at 27 below the cap, is a little less.
    const wider = ends(s) - cm(s, 'upper-arm');
    expect(wider).toBeGreaterThan(26);
    expect(wider).toBeLessThan(30.5);
  });
  it('a slit has its strip: twice its height and two', () => {
    const s = made({ end: 'slit', slit: '10 cm' });
    const strip = s.panels.find((p) => p.id === 'sleeve.slit')!;
    expect(edgeLength(strip, 'outer')).toBeCloseTo(22, 9);
    expect(s.pieces.find((p) => p.panel === 'sleeve.slit')).toMatchObject({ count: 2 });
    const top = sleeveOf(s).marks.find((m) => m.name === 'top of the slit')!;
    const bottom = Math.max(...edgeOf(sleeveOf(s), 'wrist').path.flatMap((q) => q.map(([, y]) => y)));
    expect(bottom - top.at[1]).toBeCloseTo(10, 0);
  });
  it('an elastic above a frill is as long as the arm there less 2, and the end stays wide', () => {
    const s = made({ end: 'frill', frill: '6 cm' });
    const elastic = s.notions.find((n) => n.name === 'elastic for the sleeves')!;
    // 53 below the shoulder, between the elbow of 25 at 34 and the wrist of 16 at 59.
    const there = 25 + ((16 - 25) * (53 - 34)) / (59 - 34);
    expect(elastic.length!).toBeCloseTo(2 * (there - 2), 6);
    expect(edgeOf(sleeveOf(s), 'wrist').gather).toBe(0);
    expect(sleeveOf(s).lines.find((l) => l.id === 'sleeve.elastic')!.y).toBeCloseTo(53, 6);
  });
  it('lengths to try are marked; one longer than it is cut is told', () => {
    const s = made({ goes: 'length', length: '40 cm', alsoTry: '32 cm', alsoTry2: '44 cm' });
    expect(
      sleeveOf(s)
        .lines.filter((l) => l.id.startsWith('sleeve.try'))
        .map((l) => l.y),
    ).toEqual([32]);
    expect(cm(s, 'try-2')).toBe(44);
    expect(check(s, 'sleeve.try-44')).toMatchObject({ state: 'warned' });
  });
});
