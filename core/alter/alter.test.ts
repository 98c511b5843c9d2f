import { readFileSync } from 'node:fs';
import { SpecFile } from '@rocchetto/contract';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import fc from 'fast-check';
import pc from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { type Point, pointAt, type Segment } from '../draft/curve.ts';
import { edgeLength, sewnLength, sewnWidthAt } from '../draft/measure.ts';
import { sewnOutline } from '../draft/outline.ts';
import { edge, edgeOf, type Panel } from '../draft/panel.ts';
import { arc } from '../draft/shape.ts';
import { cm, inches } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { alike, applyAlteration, isMain, partOf } from './apply.ts';
import type { Asked } from './asked.ts';
import { effectOf } from './effect.ts';
import { inTheWay } from './hand-over.ts';
import { moveEdge } from './move-edge.ts';
import { amountAt, even, type Profile } from './profile.ts';
import { ALTERATION_KINDS, findKind } from './registry.ts';
import { alterationSentence, amountSaid, boxSentence } from './sentence.ts';
import { SIGNS } from './signs.ts';
import { level, slash, wedge } from './slash.ts';
import { mayStep } from './status.ts';
import { ask, NO_RUN } from './testing.ts';
import { asMade, tryAlteration } from './trial.ts';

const text = (file: string) => readFileSync(new URL(`../../docs/${file}`, import.meta.url), 'utf8');
const SKIRT_FILE = JSON.parse(text('example-spec.json'));
const SKIRT = sheetOf(SpecFile.parse(SKIRT_FILE));
const DRESS = sheetOf(
  SpecFile.parse(JSON.parse(/```json\n([\s\S]*?)```/.exec(text('worked/day-dress.md'))![1]!)),
);
const girth = (panels: readonly Panel[], part: string, y: number) =>
  2 * panels.filter((p) => isMain(p) && partOf(p) === part).reduce((a, p) => a + (sewnWidthAt(p, y) ?? 0), 0);
const waist = (panels: readonly Panel[], part = 'skirt') =>
  2 * panels.filter((p) => isMain(p) && partOf(p) === part).reduce((a, p) => a + sewnLength(p, 'waist'), 0);

/** An independent look at a panel: its outline as 2,000 points, cut by strips with polygon-clipping. */
const ring = (p: Panel): [number, number][] => {
  const path = sewnOutline(p);
  const each = Math.ceil(2000 / path.length);
  return path.flatMap((s) =>
    Array.from({ length: each }, (_, i) => [...pointAt(s, i / each)] as [number, number]),
  );
};
const areaOf = (polygons: pc.MultiPolygon) =>
  polygons.reduce(
    (sum, poly) =>
      sum +
      poly.reduce(
        (a, r, hole) =>
          a +
          (hole === 0 ? 1 : -1) *
            Math.abs(
              r.reduce(
                (z, [x, y], i) => z + x * r[(i + 1) % r.length]![1] - y * r[(i + 1) % r.length]![0],
                0,
              ) / 2,
            ),
        0,
      ),
    0,
  );
const area = (p: Panel) => areaOf(pc.union([ring(p)]));
const strip = (y0: number, y1: number): pc.Polygon => [
  [
    [-200, y0],
    [200, y0],
    [200, y1],
    [-200, y1],
  ],
];
/** Width at a height: the area of a strip of a hundredth of a centimetre. */
const widthByStrip = (p: Panel, y: number) =>
  areaOf(pc.intersection([ring(p)], strip(y - 0.005, y + 0.005))) / 0.01;

describe('amounts', () => {
  it('a taper from a to nothing at distance L is a × (1 − d ÷ L) at d (handbook of the house)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, l, t) => {
          const profile: Profile = [
            { at: cm(0), by: cm(a) },
            { at: cm(l), by: cm(0) },
          ];
          expect(amountAt(profile, t * l)).toBeCloseTo(a * (1 - t), 9);
          expect(amountAt(profile, l + 5)).toBe(0);
        },
      ),
    );
  });

  it('four edges of 1⁄8 in are 1⁄2 in, at every height of the skirt (handbook of the house)', () => {
    const a = applyAlteration(alike(SKIRT.panels), ask('side-seams', 'in', inches(0.5)), false);
    for (const b of a.boxes.filter((x) => x.layer === 'outer' && x.seam === 'side seam')) {
      expect(b.each).toBeCloseTo(-inches(0.125), 9);
      expect(b.edges).toBe(2);
    }
    for (const y of [5, 10, 20.5, 40])
      expect(girth(SKIRT.panels, 'skirt', y) - girth(a.right, 'skirt', y)).toBeCloseTo(inches(0.5), 1.5);
    expect(waist(SKIRT.panels) - waist(a.right)).toBeCloseTo(inches(0.5), 6);
  });

  it('a pinch of p takes p from each of the two edges of every seam; a total takes what it is the total of', () => {
    const out = (as: Asked['as']) =>
      waist(SKIRT.panels) -
      waist(applyAlteration(alike(SKIRT.panels), ask('side-seams', 'in', 1, { as }), false).right);
    // Two side seams of two edges each (handbook of the house: an eighth at each of four edges is a half all round).
    expect(out('pinned')).toBeCloseTo(4, 6);
    expect(out('seam')).toBeCloseTo(2, 6);
    expect(out('side')).toBeCloseTo(2, 6);
    expect(out('total')).toBeCloseTo(1, 6);
    // What was kept before keeps its meaning: a fold of 1 in all.
    expect(out('fold')).toBeCloseTo(2, 6);
  });

  it('left, right or both never changes what an edge gets, pinned or as the total of a seam or a side', () => {
    for (const as of ['pinned', 'seam', 'side'] as const) {
      const each = (side: Asked['side']) =>
        applyAlteration(alike(SKIRT.panels), ask('side-seams', 'in', 1, { as, side }), false).boxes.find(
          (b) => b.piece === 'front' && b.layer === 'outer',
        )!;
      expect(each('left').each, as).toBeCloseTo(each('both').each!, 9);
      expect(each('right').each, as).toBeCloseTo(each('both').each!, 9);
      expect([each('left').edges, each('both').edges]).toEqual([1, 2]);
    }
  });

  it('what it comes to is said while it is asked: 1⁄8 in pinned at each side seam (handbook of the house)', () => {
    const asked = { ...ask('side-seams', 'in', inches(0.125), { as: 'pinned' }), unit: 'in' as const };
    const { boxes } = applyAlteration(alike(SKIRT.panels), asked, false);
    expect(amountSaid(asked, boxes, '1⁄8 in')).toBe(
      '1⁄8 in pinned: 1⁄8 in at each of 4 edges, 1⁄2 in all round.',
    );
    expect(
      amountSaid(
        { ...asked, side: 'left' },
        boxes.map((b) => ({ ...b, edges: 1 })),
        '1⁄8 in',
      ),
    ).toBe('1⁄8 in pinned: 1⁄8 in at each of 2 edges, 1⁄4 in in all on the left.');
  });

  it('front and back take unequal shares, both recorded', () => {
    const a = applyAlteration(alike(SKIRT.panels), ask('side-seams', 'in', 2, { frontShare: 0.75 }), false);
    const each = (piece: string) => a.boxes.find((b) => b.piece === piece && b.layer === 'outer')!.each;
    expect(each('front')).toBeCloseTo(-0.75, 9);
    expect(each('back')).toBeCloseTo(-0.25, 9);
  });
});

describe('against polygons of 2,000 points (polygon-clipping)', () => {
  const panels = [...SKIRT.panels, ...DRESS.panels].filter(isMain);
  it.each(panels.map((p) => [p.id, p.edges.length, p] as const))(
    'an edge of %s moved with a taper: widths and area',
    (_, __, p) => {
      fc.assert(
        fc.property(
          fc.double({ min: -1.5, max: 1.5, noNaN: true }),
          fc.double({ min: 0.25, max: 0.9, noNaN: true }),
          (by, share) => {
            const length = edgeLength(p, 'side');
            const zero = cm(share * length);
            const moved = moveEdge(
              p,
              'side',
              [
                { at: cm(0), by: cm(by) },
                { at: zero, by: cm(0) },
              ],
              'across',
            );
            // Area between the old and the new seam: a triangle of by × its height, within what its slanted head makes.
            const side = edgeOf(p, 'side').path;
            const [top, bottom] = [side[0]![0][1], heightAt(side, zero)];
            // Above the seam’s own top an armhole bends with it: that is looked at by itself.
            const below = (q: Panel) => areaOf(pc.intersection([ring(q)], strip(top, top + 400)));
            expect(below(moved) - below(p)).toBeCloseTo((by * (bottom - top)) / 2, -0.5);
            for (const t of [0.35, 0.6, 0.9]) {
              const y = top + (bottom - top) * t;
              const off = widthByStrip(moved, y) - widthByStrip(p, y);
              expect(Math.abs(off - by * (1 - t))).toBeLessThan(0.06 + 0.12 * Math.abs(by));
            }
            expect(Math.abs(widthByStrip(moved, bottom + 0.5) - widthByStrip(p, bottom + 0.5))).toBeLessThan(
              0.02,
            );
          },
        ),
        { numRuns: 6 },
      );
    },
  );

  it('a level slash adds its strip, and takes its strip away again', () => {
    const p = SKIRT.panels.find((x) => x.id === 'skirt.front')!;
    for (const by of [-4, -1.5, 1.5, 4]) {
      const cut = slash(p, level(40, by));
      const gone = by < 0 ? areaOf(pc.intersection([ring(p)], strip(40, 40 - by))) : 0;
      const added = by > 0 ? widthByStrip(p, 40) * by : 0;
      expect(area(cut) - area(p)).toBeCloseTo(added - gone, 0.5);
      expect(edgeLength(cut, 'centre') - edgeLength(p, 'centre')).toBeCloseTo(by, 6);
    }
  });

  it('a wedge takes half of its height times its width, and nothing of the side seam', () => {
    const p = DRESS.panels.find((x) => x.id === 'bodice.back')!;
    for (const by of [-1.5, 1.5]) {
      const hinge = widthByStrip(p, 35);
      const cut = slash(p, wedge(35, by, hinge));
      expect(area(cut) - area(p)).toBeCloseTo((by * hinge) / 2, -0.3);
      expect(edgeLength(cut, 'side')).toBeCloseTo(edgeLength(p, 'side'), 1);
      expect(edgeLength(cut, 'centre') - edgeLength(p, 'centre')).toBeCloseTo(by, 1);
    }
  });

  it('a hem on a cone in closed form: taken up by h, its arc is (R − h) × angle', () => {
    const [inner, outer, angle] = [12, 80, Math.PI / 3];
    const at = (r: number, w: number): Point => [r * Math.sin(w), r * Math.cos(w)];
    const bow = (r: number, from: number, to: number): Segment[] =>
      arc([0, 0], r, Math.PI / 2 - from, Math.PI / 2 - to);
    const cone: Panel = {
      id: 'skirt.front',
      name: 'cone',
      share: 'front',
      layer: 'outer',
      cut: 'fold',
      count: 1,
      grain: '',
      edges: [
        edge('waist', 'waist', bow(inner, 0, angle), cm(1)),
        edge('side', 'side seam', [[at(inner, angle), at(outer, angle)]], cm(1)),
        edge('hem', 'hem', bow(outer, angle, 0), cm(2)),
        edge('centre', 'centre', [[at(outer, 0), at(inner, 0)]], cm(0), { fold: true }),
      ],
      darts: [],
      lines: [],
      marks: [],
      across: { centre: 'centre', side: 'side' },
      note: '',
    };
    for (const h of [2, 7]) {
      const up = moveEdge(cone, 'hem', even(-h), 'out');
      expect(edgeLength(up, 'hem')).toBeCloseTo((outer - h) * angle, 1);
      expect(edgeLength(up, 'side')).toBeCloseTo(outer - inner - h, 6);
    }
  });
});

const heightAt = (path: readonly Segment[], along: number): number => {
  let left = along;
  for (const s of path) {
    for (let i = 0; i < 400; i++) {
      const [a, b] = [pointAt(s, i / 400), pointAt(s, (i + 1) / 400)];
      const step = Math.hypot(b[0] - a[0], b[1] - a[1]);
      if (left <= step) return a[1];
      left -= step;
    }
  }
  return path.at(-1)!.at(-1)![1];
};

describe('an alteration on a garment', () => {
  it('let out and then taken in gives the panels back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.constantFrom('side-seams', 'waist', 'hip-curve'),
        (by, kind) => {
          const out = applyAlteration(alike(DRESS.panels), ask(kind, 'out', by), false);
          const back = applyAlteration(out, ask(kind, 'in', by), false);
          back.right.filter(isMain).forEach((p) => {
            const old = DRESS.panels.find((x) => x.id === p.id)!;
            expect(Math.abs(area(p) - area(old))).toBeLessThan(0.6);
            for (const l of p.lines)
              expect(Math.abs((sewnWidthAt(p, l.y) ?? 0) - (sewnWidthAt(old, l.y) ?? 0))).toBeLessThan(0.05);
          });
        },
      ),
      { numRuns: 12 },
    );
  });

  it('mirrored it keeps the halves equal; on one side it moves that side only', () => {
    const both = applyAlteration(alike(SKIRT.panels), ask('side-seams', 'in', 2), false);
    expect(both.left).toBe(both.right);
    const one = applyAlteration(alike(SKIRT.panels), ask('side-seams', 'in', 2, { side: 'left' }), false);
    expect(one.right).toBe(SKIRT.panels);
    expect((waist(one.left) - waist(SKIRT.panels)) / 2).toBeCloseTo(-2, 6);
    expect(
      one.boxes.filter((b) => b.seam === 'side seam').every((b) => b.edges === 1 && b.side === 'left'),
    ).toBe(true);
    const e = effectOf(SKIRT, alike(SKIRT.panels), one);
    const w = e.moved.find((m) => m.id === 'skirt.waist')!;
    expect(w.after - w.before).toBeCloseTo(-2, 6);
  });

  it('reaches every piece and layer that bears the seam, and the band follows the waist', () => {
    const a = applyAlteration(alike(SKIRT.panels), ask('waist', 'in', 2), false);
    expect(a.boxes.map((b) => `${b.layer} ${b.piece}: ${b.seam}`).sort()).toEqual([
      'interfacing waistband: length',
      'lining back lining: side seam',
      'lining front lining: side seam',
      'outer back: side seam',
      'outer front: side seam',
      'outer waistband: length',
    ]);
    const band = (list: readonly Panel[]) => edgeLength(list.find((p) => p.id === 'skirt.band')!, 'waist');
    expect(band(SKIRT.panels) - band(a.right)).toBeCloseTo(2, 6);
  });

  it('says the ease that is left, the floor it breaks and the seams that no longer agree', () => {
    const says = (asked: Asked) => {
      const { effect } = tryAlteration(DRESS, alike(DRESS.panels), asked, false);
      return effect.says.map((s) => formatSentence(s, 'cm')).join(' ');
    };
    expect(says(ask('side-seams', 'in', 4))).toContain(
      '2.5 cm is the least in a cloth without stretch: room to breathe',
    );
    expect(says(ask('side-seams', 'in', 2, { part: 'skirt' }))).toContain(
      'The waists of the bodice and the skirt: ',
    );
    const { effect } = tryAlteration(SKIRT, alike(SKIRT.panels), ask('side-seams', 'out', 2), false);
    const hip = effect.ease.find((x) => x.zone === 'hip')!;
    expect(hip.after - hip.before).toBeCloseTo(2, 2);
  });

  it('once cut, lets out what the allowance gives and no more', () => {
    const cutting = (by: number) => applyAlteration(alike(SKIRT.panels), ask('side-seams', 'out', by), true);
    // 1.5 allowed, 0.6 must stay: 0.9 on each of four edges.
    const most = cutting(3.6);
    expect(edgeOf(most.right[0]!, 'side').allowance).toBeCloseTo(0.6, 9);
    expect(() => cutting(3.7)).toThrow(/is more than it has/);
    expect(() => applyAlteration(most, ask('side-seams', 'out', 0.2), true)).toThrow(
      /so nothing on each edge/,
    );
    expect(() => applyAlteration(alike(SKIRT.panels), ask('hem-straight', 'down', 2.5), true)).toThrow(
      /more than it has/,
    );
  });

  it.each([
    ['a pinch larger than the panel', ask('side-seams', 'in', 120)],
    ['a dart that would be gone', ask('front-darts', 'out', 30)],
    [
      'a taper of no length',
      ask('side-seams', 'in', 1, { run: { ...NO_RUN, fullTo: cm(10), zero: cm(10) } }),
    ],
    [
      'a place beyond the seam',
      ask('side-seams', 'in', 1, { run: { ...NO_RUN, fullFrom: cm(300), zero: cm(320) } }),
    ],
    ['a seam that is not there', ask('sleeve-length', 'shorter', 1)],
    ['a part that is not there', ask('side-seams', 'in', 1, { part: 'bodice' })],
    ['no amount', ask('side-seams', 'in', null)],
    [
      'hem marks that disagree',
      ask('hem-levelled', 'up', null, { hem: { front: cm(1), left: cm(1), right: cm(2.5), back: cm(1) } }),
    ],
  ])('refuses %s in a sentence', (_, asked) => {
    expect(() => applyAlteration(alike(SKIRT.panels), asked, false)).toThrow(/^[A-Z].+[.?]$/);
  });

  it('a hem from marks runs straight from the sides to the centre', () => {
    const hem = { front: cm(1), left: cm(2), right: cm(2), back: cm(3) };
    const a = applyAlteration(alike(SKIRT.panels), ask('hem-levelled', 'up', null, { hem }), false);
    const down = (panels: readonly Panel[], id: string, edgeId: string) =>
      edgeLength(panels.find((p) => p.id === id)!, edgeId);
    expect(down(SKIRT.panels, 'skirt.front', 'centre') - down(a.right, 'skirt.front', 'centre')).toBeCloseTo(
      1,
      6,
    );
    expect(down(SKIRT.panels, 'skirt.front', 'side') - down(a.right, 'skirt.front', 'side')).toBeCloseTo(
      2,
      3,
    );
    expect(down(SKIRT.panels, 'skirt.back', 'vent') - down(a.right, 'skirt.back', 'vent')).toBeCloseTo(3, 1);
  });

  it('what is made by now is every alteration that stands, one upon the other', () => {
    const one = ask('side-seams', 'in', 1);
    const now = asMade(SKIRT, [one, one, ask('sleeve-length', 'shorter', 1)]);
    expect(waist(SKIRT.panels) - waist(now.right)).toBeCloseTo(2, 6);
    const third = tryAlteration(SKIRT, now, one, false);
    expect(third.effect.moved.find((m) => m.id === 'skirt.waist')!.before).toBeCloseTo(
      waist(SKIRT.panels) - 2,
      6,
    );
    expect(third.drawn.map((d) => d.panel).sort()).toEqual(['skirt.back', 'skirt.front']);
  });

  it('the waist taken in by 2 leaves the figures of a sheet with 2 less ease there (within a rounding step)', () => {
    const a = applyAlteration(alike(SKIRT.panels), ask('waist', 'in', 2), false);
    const by = { by: 'F', at: '2026-03-01T10:00:00Z', reason: 'as pinned' };
    const was = SKIRT.figures.find((f) => f.id === 'waist')!.finished!;
    const value = `${Math.round((was - 2) * 1000) / 1000} cm`;
    const overrides = [{ figure: 'waist', target: 'finished', value, ...by }];
    const tighter = sheetOf(SpecFile.parse({ ...SKIRT_FILE, overrides }));
    // Four quarters, each rounded once to half a centimetre.
    expect(Math.abs(waist(a.right) - waist(tighter.panels))).toBeLessThan(4 * 0.25 + 1e-6);
  });
});

describe('the tables', () => {
  it('every kind has a way and whole words, and opens a seam where it moves one', () => {
    expect(ALTERATION_KINDS.length).toBeGreaterThanOrEqual(36);
    expect(new Set(ALTERATION_KINDS.map((k) => k.id)).size).toBe(ALTERATION_KINDS.length);
    for (const k of ALTERATION_KINDS) {
      expect(k.directions.length).toBeGreaterThan(0);
      expect(k.minutes).toBeGreaterThan(0);
      if (k.moves.length > 0) expect(k.opens.length).toBeGreaterThan(0);
    }
  });

  it('at least 40 signs, each with causes that name a kind and a way the house has, and words about the cloth', () => {
    expect(SIGNS.length).toBeGreaterThanOrEqual(40);
    expect(new Set(SIGNS.map((s) => s.id)).size).toBe(SIGNS.length);
    for (const s of SIGNS) {
      expect(s.strokes.length).toBeGreaterThan(0);
      expect(s.causes.length).toBeGreaterThan(0);
      expect(JSON.stringify(s)).not.toMatch(
        /\b(fat|ugly|fault|problem|defect|deform|hunch|sway|flabby|bulge)/i,
      );
      for (const c of s.causes) {
        const kind = c.kind === null ? null : findKind(c.kind);
        expect(
          kind === null || kind?.directions.some((d) => d.id === c.direction),
          `${s.id}: ${c.kind} ${c.direction}`,
        ).toBe(true);
      }
    }
  });

  it('an alteration and its boxes read as sentences, in the bench’s unit', () => {
    const asked = ask('waist', 'in', inches(0.25), { as: 'pinned' });
    expect(formatSentence(alterationSentence(asked, '1⁄4 in'), 'in')).toBe(
      'Waist: take in 1⁄4 in pinned at each seam.',
    );
    expect(formatSentence(alterationSentence({ ...asked, as: 'fold' }, '1⁄4 in'), 'in')).toBe(
      'Waist: take in 1⁄4 in pinned, 1⁄2 in altogether.',
    );
    // A hand that writes inches reads inches back, whatever the sheet is marked in.
    const tuck = { ...ask('back-length', 'shorter', inches(6.5), { as: 'pinned' }), unit: 'in' as const };
    expect(formatSentence(alterationSentence(tuck, '6 1⁄2 in'), 'cm')).toBe(
      'Back length, tuck: shorten 6 1⁄2 in pinned, 13 in altogether.',
    );
    const swap = {
      ...ask('part-swapped', 'swap', null),
      details: { off: 'tulle', on: 'lace' },
      byHand: true,
      note: 'the bride brings it.',
    };
    expect(alterationSentence(swap, '')).toBe(
      'Part swapped; off: tulle, on: lace, sewn by hand. Note: the bride brings it.',
    );
    const a = applyAlteration(alike(SKIRT.panels), asked, false);
    expect(a.boxes.map((b) => formatSentence(boxSentence(b), 'in'))).toContain(
      'side seam of the front, at most 1⁄4 in off each of 2 edges',
    );
  });

  it('a hand-over waits for open work, for pins, and for the garment to be there', () => {
    const way = (more: Partial<Parameters<typeof inTheWay>[0]>) =>
      inTheWay({ alterations: [], pins: null, points: [], cut: true, ...more });
    expect(way({})).toEqual([]);
    expect(way({ cut: false })).toEqual(['The cloth is not cut yet, so there is no garment.']);
    expect(
      way({ alterations: [{ status: 'done', name: 'hem, straight' }], pins: { in: 2, out: 2 } }),
    ).toEqual(['Hem, straight is done.']);
    expect(way({ alterations: [{ status: 'checked', name: 'hem' }] })).toEqual([
      'Pins not counted. Count them in and out.',
    ]);
    const point = (name: string, state: 'open' | 'within' | 'outside' | 'accepted', required = true) => ({
      name,
      state,
      required,
    });
    const points = [
      point('waist', 'open'),
      point('side', 'open', false),
      point('hip', 'outside'),
      point('hem', 'accepted'),
    ];
    expect(way({ points })).toEqual([
      'Not measured against the sheet yet: waist.',
      'Hip is outside tolerance. Send it back to the bench, or accept it by name.',
    ]);
    expect(way({ pins: { in: 5, out: 6 } })).toEqual(['1 more pins were counted out than in. Count again.']);
  });

  it('steps follow each other as the trade has them', () => {
    expect(mayStep('agree', 'asked')).toBe(true);
    expect(mayStep('finish', 'asked')).toBe(false);
    expect(mayStep('check', 'done')).toBe(true);
    expect(mayStep('check', 'in-work')).toBe(false);
    expect(mayStep('withdraw', 'checked')).toBe(false);
    expect(mayStep('ask-again', 'declined')).toBe(true);
  });
});
