import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import pc from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import type { Sheet } from '../sheet/compute.ts';
import { printSheet } from '../sheet/print.ts';
import { asLines, randomBody, seeded } from './testing.ts';
import { wholePattern } from './whole.ts';

const BODY = [
  'bust 88 cm',
  'waist 70 cm',
  'hip 96 cm',
  'waist-to-hip 20 cm',
  'neck-to-bust 27 cm',
  'neck-to-waist-front 44 cm',
  'nape-to-waist 40 cm',
  'across-shoulder 39 cm',
  'neck-width 14 cm',
  'apex-span 18 cm',
  'armhole-depth 20 cm',
  'upper-arm 28 cm',
  'arm-length 58 cm',
  'wrist 16 cm',
  'fist 22 cm',
];
const made = (parts: readonly object[], steps: readonly object[], lines: readonly string[] = BODY): Sheet =>
  sheetOf(garmentSpec('bodice', lines, { garment: { parts, steps }, house: { rounding: EXACT } }));
const BODICE = { part: 'darted-bodice' };
const panel = (s: Sheet, id: string) => s.panels.find((p) => p.id === id);
const left = (s: Sheet) => s.checks.filter((k) => k.code.startsWith('step-left-out')).map((k) => k.sentence);

describe('a block adapted by steps', () => {
  it('each step adds to its figure by name, and the figure says so', () => {
    const [plain, s] = [
      made([BODICE], []),
      made(
        [BODICE],
        [
          { step: 'neck-deeper', part: 0, amount: '2.5 cm' },
          { step: 'armhole-lower', part: 0, amount: '1.5 cm' },
          { step: 'neck-deeper', part: 0, amount: '1 in' },
        ],
      ),
    ];
    expect(figure(s, 'bodice.neck-front').finished).toBeCloseTo(
      figure(plain, 'bodice.neck-front').finished! + 5.04,
      6,
    );
    expect(figure(s, 'bodice.armhole-depth').finished).toBeCloseTo(
      figure(plain, 'bodice.armhole-depth').finished! + 1.5,
      6,
    );
    const terms = figure(s, 'bodice.neck-front').terms.map((t) => t.label);
    expect(terms).toContain('step 1, neckline deeper in front');
    expect(terms).toContain('step 3, neckline deeper in front');
    // The neckline on the panel is cut by it: its centre lies so much lower.
    const low = (x: Sheet) => edgeOf(panel(x, 'bodice.front')!, 'neck').path[0]![0][1];
    expect(low(s) - low(plain)).toBeCloseTo(5.04, 6);
    expect(printSheet(s, 'cm').head.find(([l]) => l === 'Adapted')![1]).toBe(
      '1. neckline deeper in front +2.5 cm; 2. armhole lowered +1.5 cm; 3. neckline deeper in front +2.54 cm',
    );
  });

  it('a neckline is widened front and back alike, a dart is moved: fields of the part', () => {
    const s = made(
      [BODICE],
      [
        { step: 'neck-wider', part: 0, amount: '2 cm' },
        { step: 'dart-to', part: 0, to: 'armhole' },
      ],
    );
    const plain = made([BODICE], []);
    expect(figure(s, 'bodice.shoulder').finished).toBeCloseTo(
      figure(plain, 'bodice.shoulder').finished! - 2,
      6,
    );
    expect(panel(s, 'bodice.front')!.darts.map((d) => d.edge)).toContain('armhole');
  });

  it('a length is added to what ends it: hem, leg, sleeve, and not to the other parts', () => {
    const parts = [BODICE, { part: 'sleeve' }, { part: 'gathered-skirt', length: '60 cm' }];
    const [plain, s] = [made(parts, []), made(parts, [{ step: 'longer', part: 2, amount: '4 cm' }])];
    for (const at of ['front', 'left', 'right', 'back'])
      expect(figure(s, `skirt.hem-${at}`).finished).toBeCloseTo(
        figure(plain, `skirt.hem-${at}`).finished! + 4,
        6,
      );
    expect(figure(s, 'sleeve.length').finished).toBe(figure(plain, 'sleeve.length').finished);
    const sleeve = made(parts, [{ step: 'longer', part: 1, amount: '-3 cm' }]);
    expect(figure(sleeve, 'sleeve.length').finished).toBeCloseTo(
      figure(plain, 'sleeve.length').finished! - 3,
      6,
    );
  });

  it('a seam at a depth cuts a yoke off: both pieces together are the panel, the seam as long on either', () => {
    const depth = 14;
    const s = made(
      [BODICE],
      ['seam-front', 'seam-back'].map((step) => ({ step, part: 0, amount: `${depth} cm` })),
    );
    const plain = made([BODICE], []);
    expect(left(s)).toEqual([]);
    for (const face of ['front', 'back']) {
      const [yoke, rest] = [panel(s, `bodice.${face}-yoke`)!, panel(s, `bodice.${face}`)!];
      const whole = panel(plain, `bodice.${face}`)!;
      expect(edgeLength(yoke, 'yoke')).toBeCloseTo(edgeLength(rest, 'yoke'), 9);
      const arm = edgeLength(yoke, 'armhole') + edgeLength(rest, 'armhole');
      expect(arm).toBeCloseTo(edgeLength(whole, 'armhole'), 4);
      const area = (p: Panel) => Math.abs(polygonArea(p));
      expect(area(yoke) + area(rest)).toBeCloseTo(area(whole), 0);
      // The seam is level at its depth.
      for (const seg of edgeOf(rest, 'yoke').path) for (const q of seg) expect(q[1]).toBeCloseTo(depth, 3);
      expect(s.pieces.some((p) => p.panel === `bodice.${face}-yoke`)).toBe(true);
    }
  });

  it('a pleat at centre front: half of its width beyond the fold, taken up at neckline and waist', () => {
    const s = made([BODICE], [{ step: 'pleat', part: 0, amount: '8 cm' }]);
    const plain = made([BODICE], []);
    const [p, q] = [panel(s, 'bodice.front')!, panel(plain, 'bodice.front')!];
    for (const id of ['neck', 'waist']) {
      expect(edgeLength(p, id)).toBeCloseTo(edgeLength(q, id) + 4, 6);
      expect(sewnLength(p, id)).toBeCloseTo(sewnLength(q, id), 6);
    }
    expect(sewnLength(p, 'side')).toBeCloseTo(sewnLength(q, 'side'), 9);
    const width = (x: Sheet) => x.pieces.find((k) => k.panel === 'bodice.front')!.width!;
    expect(width(s) - width(plain)).toBeCloseTo(4, 6);
    expect(s.pieces.find((k) => k.panel === 'bodice.front')!.note).toContain('not on the fold');
  });

  it('a pleat off the centre: one on either side, straight down, taken up above and at the waist', () => {
    const steps = [
      { step: 'pleat', part: 0, amount: '8 cm' },
      { step: 'pleat-out', part: 0, amount: '4 cm' },
    ];
    const s = made([BODICE], steps);
    const plain = made([BODICE], []);
    expect(left(s)).toEqual([]);
    const [p, q] = [panel(s, 'bodice.front')!, panel(plain, 'bodice.front')!];
    for (const id of ['neck', 'waist']) {
      expect(edgeLength(p, id)).toBeCloseTo(edgeLength(q, id) + 8, 4);
      expect(sewnLength(p, id)).toBeCloseTo(sewnLength(q, id), 4);
    }
    for (const id of ['side', 'shoulder', 'armhole', 'centre'])
      expect(sewnLength(p, id)).toBeCloseTo(sewnLength(q, id), 9);
    // Its centre stays on the fold, and it adds a strip 8 wide, as long as the panel is 4 from its centre.
    expect(edgeOf(p, 'centre')).toEqual(edgeOf(q, 'centre'));
    const fold = p.marks.find((m) => m.name === 'pleat, its fold')!;
    expect([fold.at[0], fold.to![0]]).toEqual([8, 8]);
    expect(Math.abs(polygonArea(p)) - Math.abs(polygonArea(q))).toBeCloseTo(
      8 * (fold.to![1] - fold.at[1]),
      1,
    );
    // The waist dart lies farther out by the pleat, and is as it was.
    const [d, e] = [p, q].map((x) => x.darts.find((k) => k.edge === 'waist')!);
    expect(d!.tip[0] - e!.tip[0]).toBeCloseTo(8, 9);
    expect([d!.intake, d!.length, d!.at]).toEqual([e!.intake, e!.length, e!.at]);
    // Laid in pleats it is not gathered: the paper pattern says where it is folded.
    const paper = wholePattern(s.panels).find((x) => x.id === 'bodice.front')!;
    expect(paper.marks.some((m) => m.name.includes('gathered'))).toBe(false);
  });
  it('from a seam across down, at a hem it hangs open', () => {
    const of = (parts: readonly object[], steps: readonly object[]) =>
      made(parts, steps, [...BODY, 'hip 96 cm']);
    const LONG = { part: 'long-bodice', below: '20 cm' };
    const steps = [
      { step: 'seam-front', part: 0, amount: '14 cm' },
      { step: 'pleat', part: 0, amount: '6 cm' },
      { step: 'pleat-out', part: 0, amount: '3 cm' },
    ];
    const [s, plain] = [of([LONG], steps), of([LONG], steps.slice(0, 1))];
    expect(left(s)).toEqual([]);
    const [p, q] = [panel(s, 'bodice.front')!, panel(plain, 'bodice.front')!];
    expect(sewnLength(p, 'yoke')).toBeCloseTo(sewnLength(q, 'yoke'), 4);
    expect(sewnLength(p, 'hem')).toBeCloseTo(sewnLength(q, 'hem') + 6, 4);
    expect(panel(s, 'bodice.front-yoke')).toEqual(panel(plain, 'bodice.front-yoke'));
  });
  it.each([
    ['across a dart', '9 cm', /dart at the waist of the bodice front/],
    ['past the neckline’s way down', '28 cm', /no way for it/],
  ])('a pleat %s is refused with its reason', (_, out, says) => {
    const s = made(
      [BODICE],
      [
        { step: 'pleat', part: 0, amount: '4 cm' },
        { step: 'pleat-out', part: 0, amount: out },
      ],
    );
    expect(left(s).join()).toMatch(says);
    expect(panel(s, 'bodice.front')).toEqual(panel(made([BODICE], []), 'bodice.front'));
  });
  it('what moves a pleat needs one before it', () => {
    expect(left(made([BODICE], [{ step: 'pleat-out', part: 0, amount: '4 cm' }])).join()).toContain(
      'it follows no pleat',
    );
  });

  it('a sleeve’s end is shaped: its middle shorter by the amount, its sides as they were', () => {
    const parts = [BODICE, { part: 'sleeve' }];
    const s = made(parts, [{ step: 'sleeve-end', part: 1, amount: '3 cm' }]);
    const [p, q] = [panel(s, 'sleeve.sleeve')!, panel(made(parts, []), 'sleeve.sleeve')!];
    const wrist = edgeOf(p, 'wrist').path[0]!;
    expect(wrist).toHaveLength(4);
    const middle = (wrist[0][1] + 3 * wrist[1]![1] + 3 * wrist[2]![1] + wrist[3]![1]) / 8;
    expect((wrist[0][1] + wrist[3]![1]) / 2 - middle).toBeCloseTo(3, 6);
    for (const id of ['underarm', 'underarm-back'])
      expect(edgeLength(p, id)).toBeCloseTo(edgeLength(q, id), 9);
  });

  it('what cannot be taken is left out, one sentence each, and the rest still prints', () => {
    const s = made(
      [{ ...BODICE, zip: 'centre-front', shaping: 'shoulder' }],
      [
        { step: 'seam-front', part: 0, amount: '14 cm' },
        { step: 'seam-back', part: 0, amount: '60 cm' },
        { step: 'pleat', part: 0, amount: '6 cm' },
        { step: 'neck-wider', part: 0, amount: '9 cm' },
        { step: 'neck-wider', part: 0, amount: '3 cm' },
        { step: 'dart-to', part: 0, to: 'knee' },
        { step: 'longer', part: 0, amount: '3 cm' },
        { step: 'longer', part: 7, amount: '3 cm' },
      ],
    );
    const told = left(s).join('\n');
    expect(left(s)).toHaveLength(6);
    expect(told).toContain('no edge to cross');
    expect(told).toContain('an opening at its centre');
    expect(told).toContain('outside of');
    expect(told).toContain('knows no “knee”');
    expect(told).toContain('this cannot be done on the ');
    expect(told).toContain('its part is not there');
    expect(s.panels.length).toBeGreaterThan(1);
    expect(JSON.stringify(printSheet(s, 'cm'))).not.toMatch(/NaN|undefined/);
  });

  it('150 random bodies and steps: outlines close, seams agree, nothing is printed that is no number', () => {
    const rnd = seeded(12);
    const parts = [
      [BODICE, { part: 'sleeve' }],
      [{ part: 'long-bodice', below: '30 cm' }, { part: 'sleeve' }],
      [{ part: 'top' }],
    ];
    const kinds = [
      'longer',
      'neck-wider',
      'neck-deeper',
      'neck-deeper-back',
      'armhole-lower',
      'seam-front',
      'seam-back',
      'pleat',
      'sleeve-end',
    ];
    for (let i = 0; i < 150; i++) {
      const steps = Array.from({ length: 1 + Math.floor(rnd() * 4) }, () => ({
        step: kinds[Math.floor(rnd() * kinds.length)]!,
        part: Math.floor(rnd() * 2),
        amount: `${4 + Math.floor(rnd() * 4)} cm`,
      }));
      const s = made(parts[i % 3]!, steps, asLines(randomBody(rnd)));
      for (const p of s.panels) {
        const ring = p.edges.flatMap((e) => e.path);
        ring.forEach((seg, k) => {
          const [a, b] = [seg.at(-1)!, ring[(k + 1) % ring.length]![0]];
          expect(Math.hypot(a[0] - b[0], a[1] - b[1]), `${i} ${p.id}`).toBeLessThan(1e-5);
        });
        expect(p.edges.every((e) => Number.isFinite(edgeLength(p, e.id)))).toBe(true);
      }
      expect(JSON.stringify(printSheet(s, 'cm')), `${i}`).not.toMatch(/NaN|\{cm:/);
    }
  });
});

/** Area of a panel's outline by its points and handles sampled finely (shoelace). */
const ringOf = (p: Panel): [number, number][] =>
  p.edges.flatMap((e) =>
    e.path.flatMap((s) =>
      Array.from({ length: 20 }, (_, i) => {
        const t = i / 20;
        const u = 1 - t;
        return s.length === 2
          ? [s[0][0] * u + s[1][0] * t, s[0][1] * u + s[1][1] * t]
          : [0, 1].map(
              (k) =>
                u ** 3 * s[0][k]! + 3 * u * u * t * s[1][k]! + 3 * u * t * t * s[2][k]! + t ** 3 * s[3][k]!,
            );
      }),
    ),
  ) as [number, number][];
function polygonArea(p: Panel): number {
  const points = ringOf(p);
  return points.reduce((sum, [x, y], i) => {
    const [x2, y2] = points[(i + 1) % points.length]!;
    return sum + (x! * y2! - x2! * y!) / 2;
  }, 0);
}

/** Where a design has a seam across is its own matter; no source. Lengths are walked along the panels. */
describe('a seam across at any depth', () => {
  const PRINCESS = { part: 'darted-bodice', shaping: 'princess-shoulder' };
  const seams = (parts: readonly object[], steps: readonly object[]) => {
    const s = made(parts, steps);
    const edge = (id: string, of: string) => edgeLength(s.panels.find((p) => p.id === `bodice.${id}`)!, of);
    return { s, edge, left: left(s) };
  };
  it('goes over every panel of a princess bodice, at one place of the seam they share', () => {
    for (const depth of ['12 cm', '20 cm', '34 cm', '38 cm']) {
      const { s, edge, left: told } = seams([PRINCESS], [{ step: 'seam-front', part: 0, amount: depth }]);
      expect(told).toEqual([]);
      // Both halves of each seam are as long as each other, and the princess seam still agrees above and below.
      for (const of of ['centre', 'side'])
        expect(edge(`front-yoke-${of}`, 'yoke')).toBeCloseTo(edge(`front-${of}`, 'yoke'), 3);
      expect(
        Math.abs(edge('front-yoke-centre', 'princess') - edge('front-yoke-side', 'princess')),
      ).toBeLessThan(0.3);
      expect(Math.abs(edge('front-centre', 'princess') - edge('front-side', 'princess'))).toBeLessThan(0.3);
      expect(s.panels.find((p) => p.id === 'bodice.front-yoke-side')!.name).toContain(
        Number.parseFloat(depth) > 22 ? 'above the seam' : 'yoke',
      );
      // Nothing of the front is lost: the outlines of the parts are as long as before and the new seam twice.
      const whole = seams([PRINCESS], []);
      const round = (q: typeof s) =>
        q.panels
          .filter((p) => p.layer === 'outer' && /^bodice\.front(-yoke)?-(centre|side)$/.test(p.id))
          .reduce((sum, p) => sum + p.edges.reduce((n, e) => n + edgeLength(p, e.id), 0), 0);
      const cut = 2 * (edge('front-centre', 'yoke') + edge('front-side', 'yoke'));
      expect(round(s)).toBeCloseTo(round(whole.s) + cut, 2);
    }
  });
  it('pointed or curved at the centre it is that much lower there', () => {
    const at = (shape: object[]) => {
      const { s } = seams([PRINCESS], [{ step: 'seam-front', part: 0, amount: '34 cm' }, ...shape]);
      const { path } = s.panels
        .find((p) => p.id === 'bodice.front-centre')!
        .edges.find((e) => e.id === 'yoke')!;
      const points = [path[0]![0], path.at(-1)!.at(-1) as readonly [number, number]];
      const centre = points.reduce((a, b) => (a[0] < b[0] ? a : b));
      return centre[1];
    };
    expect(at([{ step: 'seam-point', part: 0, amount: '4 cm' }]) - at([])).toBeCloseTo(4, 6);
    expect(at([{ step: 'seam-curve', part: 0, amount: '3 cm' }]) - at([])).toBeCloseTo(3, 6);
  });
  it('across one face leaves the other whole; below the underarm it meets the side seam', () => {
    const { s, edge } = seams(
      [{ ...BODICE, shaping: 'princess-armhole' }],
      [{ step: 'seam-back', part: 0, amount: '30 cm' }],
    );
    expect(s.panels.some((p) => p.id.includes('front-yoke'))).toBe(false);
    const before = seams([{ ...BODICE, shaping: 'princess-armhole' }], []).edge('back-side', 'side');
    expect(edge('back-yoke-side', 'side') + edge('back-side', 'side')).toBeCloseTo(before, 4);
  });
  it('a pleat lies in a princess front, and from a seam across it down', () => {
    const plain = seams([PRINCESS], []);
    const pleated = seams([PRINCESS], [{ step: 'pleat', part: 0, amount: '10 cm' }]);
    expect(pleated.left).toEqual([]);
    // 10 cm of cloth are 5 beyond the fold of each half.
    expect(pleated.edge('front-centre', 'waist') - plain.edge('front-centre', 'waist')).toBeCloseTo(5, 6);
    const yoked = seams(
      [PRINCESS],
      [
        { step: 'seam-front', part: 0, amount: '20 cm' },
        { step: 'pleat', part: 0, amount: '10 cm' },
      ],
    );
    expect(yoked.left).toEqual([]);
    expect(yoked.edge('front-centre', 'waist') - plain.edge('front-centre', 'waist')).toBeCloseTo(5, 6);
    // What is above the seam has no pleat; below, the pleat is taken up in it.
    const low = yoked.s.panels
      .find((p) => p.id === 'bodice.front-centre')!
      .edges.find((e) => e.id === 'yoke')!;
    expect(yoked.edge('front-centre', 'yoke') - low.gather).toBeCloseTo(
      yoked.edge('front-yoke-centre', 'yoke'),
      3,
    );
  });
  it('a second one meets the part that is left below the first, and each part has a name of its own', () => {
    for (const part of [PRINCESS, { ...BODICE, shaping: 'darts' }]) {
      const deep = part === PRINCESS ? '34 cm' : '16 cm';
      const { s, left: told } = seams(
        [part],
        [
          { step: 'seam-front', part: 0, amount: '12 cm' },
          { step: 'seam-front', part: 0, amount: deep },
        ],
      );
      expect(told).toEqual([]);
      const fronts = s.panels.filter((p) => p.layer === 'outer' && /^bodice\.front(?!.*facing)/.test(p.id));
      expect(fronts).toHaveLength(part === PRINCESS ? 6 : 3);
      expect(new Set(s.panels.map((p) => p.id)).size).toBe(s.panels.length);
    }
  });
  it.each<[string, object, 'front' | 'back', string, string]>([
    ['a shoulder dart, closed in the yoke', { ...BODICE, shaping: 'shoulder' }, 'front', '10 cm', 'shoulder'],
    ['a shoulder dart, lower', { ...BODICE, shaping: 'shoulder' }, 'front', '14 cm', 'shoulder'],
    ['waist darts, closed in what is below', BODICE, 'front', '35 cm', 'waist'],
    ['waist darts near the waist', BODICE, 'front', '40 cm', 'waist'],
    ['the waist dart of the back', { ...BODICE, zip: 'left-side' }, 'back', '37 cm', 'waist'],
  ])(
    'through %s: every sewn edge keeps its length, both halves meet, no cloth is gained',
    (_, part, face, depth, at) => {
      const [whole, { s, left: told }] = [
        seams([part], []),
        seams([part], [{ step: `seam-${face}`, part: 0, amount: depth }]),
      ];
      expect(told).toEqual([]);
      const old = panel(whole.s, `bodice.${face}`)!;
      const [up, down] = [panel(s, `bodice.${face}-yoke`)!, panel(s, `bodice.${face}`)!];
      const gone = old.darts.filter((d) => d.edge === at);
      expect(gone.length).toBeGreaterThan(0);
      const sewn = (p: Panel, id: string) => (p.edges.some((e) => e.id === id) ? sewnLength(p, id) : 0);
      for (const { id } of old.edges)
        expect(Math.abs(sewn(up, id) + sewn(down, id) - sewnLength(old, id)), id).toBeLessThan(0.005);
      expect(sewnLength(up, 'yoke')).toBeCloseTo(sewnLength(down, 'yoke'), 4);
      // The half with the mouth is closed; a dart that is left is one that the other had, with its legs alike.
      const [mouth, tips] = at === 'waist' ? [down, up] : [up, down];
      expect(mouth.darts.filter((d) => gone.some((g) => g.id === d.id))).toEqual([]);
      for (const d of tips.darts.filter((x) => x.edge === 'yoke')) {
        expect(gone.map((g) => g.id)).toContain(d.id);
        const [a, b] = d.legs.map(([x, y]) => Math.hypot(x - d.tip[0], y - d.tip[1]));
        expect(a).toBeCloseTo(b!, 6);
        expect(d.intake).toBeGreaterThan(0.6);
      }
      // Drawn with its dart closed a yoke ends in one level line, as deep as it was wanted.
      if (at === 'shoulder')
        for (const [, y] of edgeOf(up, 'yoke').path.flat())
          expect(y).toBeCloseTo(Number.parseFloat(depth), 6);
      // Sewn shut, the two have the cloth of the one: the judge is another library. What is eased on lies in the seam.
      const dartArea = (p: Panel, own: typeof p.darts) =>
        own.reduce((sum, { legs: [a, b], tip }) => {
          const one = Math.abs((b[0] - a[0]) * (tip[1] - a[1]) - (b[1] - a[1]) * (tip[0] - a[0])) / 2;
          return sum + one;
        }, 0);
      const simple = (p: Panel) => {
        const made = pc.union([ringOf(p)]);
        expect(made.length, `${p.id} is one piece`).toBe(1);
        return Math.abs(polygonArea(p));
      };
      const eased = edgeOf(tips, 'yoke').gather;
      const lost = simple(up) + simple(down) - dartArea(up, up.darts) - dartArea(down, down.darts);
      expect(Math.abs(lost - (simple(old) - dartArea(old, old.darts)))).toBeLessThan(0.4 + eased * 4);
    },
  );
  it('that meets a dart at its end, or a shape that follows no seam, is told', () => {
    expect(seams([BODICE], [{ step: 'seam-front', part: 0, amount: '29.5 cm' }]).left.join()).toContain(
      'lay it 2 cm higher or lower',
    );
    expect(seams([PRINCESS], [{ step: 'seam-curve', part: 0, amount: '3 cm' }]).left.join()).toContain(
      'follows no seam across',
    );
  });
});
