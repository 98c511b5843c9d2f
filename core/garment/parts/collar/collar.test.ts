import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, pointAlong, sewnLength } from '../../../draft/measure.ts';
import { edgeOf, type Panel } from '../../../draft/panel.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { cm as unit } from '../../../units/length.ts';
import { stockedZip } from '../../tables/zip.ts';

const BODY = [
  ...['bust 88 cm', 'waist 70 cm', 'across-shoulder 38 cm', 'nape-to-waist 40 cm', 'armhole-depth 20 cm'],
  ...[
    'neck-width 14 cm',
    'neck-to-bust 26 cm',
    'neck-to-waist-front 44 cm',
    'apex-span 18 cm',
    'neck-base 35 cm',
  ],
];
const made = (fields: object, bodice: object = {}): Sheet =>
  sheetOf(
    garmentSpec('bodice', BODY, {
      garment: {
        parts: [
          { part: 'darted-bodice', zip: 'centre-front', closes: 'buttons', neckFront: '8 cm', ...bodice },
          { part: 'collar', ...fields },
        ],
      },
      house: { rounding: EXACT },
    }),
  );
const panel = (s: Sheet, id: string): Panel => s.panels.find((p) => p.id === `collar.${id}`)!;
const piece = (s: Sheet, id: string) => s.pieces.find((p) => p.panel === `collar.${id}`)!;
/** The neckline as it is sewn, centre to centre: of the same bodice without bands. */
const neckline = (fields: object) =>
  made(fields, { closes: 'loops' })
    .panels.filter((p) => /^bodice\.(front|back)$/.test(p.id))
    .reduce((sum, p) => sum + 2 * sewnLength(p, 'neck'), 0);
/** Half of what its buttoned front overlaps: a band of 2.5. */
const OVERLAP = 1.25;

describe.each(['stand', 'flat', 'shirt'] as const)('a %s collar', (kind) => {
  it.each(['2 cm', '5 cm', '9 cm'])(
    '%s deep: half of its neckline long, of two layers and an interfacing',
    (depth) => {
      const s = made({ kind, depth });
      const half = neckline({ kind, depth }) / 2;
      expect(figure(s, 'collar.half').finished).toBeCloseTo(half, 4);
      const first = panel(s, kind === 'shirt' ? 'stand' : 'collar');
      // A stand goes on beyond the centre by half of what overlaps; a flat one meets there.
      expect(edgeLength(first, 'neck')).toBeCloseTo(half + (kind === 'flat' ? 0 : OVERLAP), 2);
      for (const p of s.pieces.filter((k) => k.panel.startsWith('collar.') && k.layer === 'outer'))
        expect(p.cut).toBe('on the fold');
      // A stand’s two pieces are alike; what falls has an under piece that is smaller at its outer edge.
      const top = kind === 'stand' ? null : kind === 'flat' ? 'collar' : 'fall';
      if (top) {
        const [upper, under] = [panel(s, top), panel(s, `${top}-under`)];
        expect([upper.count, under.count]).toEqual([1, 1]);
        expect(edgeLength(under, 'neck')).toBe(edgeLength(upper, 'neck'));
        const at = (q: Panel) => edgeOf(q, 'centre').path[0]!.map(([, y]) => y);
        const deep = (q: Panel) => Math.max(...at(q)) - Math.min(...at(q));
        expect(deep(upper) - deep(under)).toBeCloseTo(0.2, 2);
      } else expect(piece(s, 'collar').count).toBe(2);
      expect(s.pieces.some((k) => k.panel.startsWith('collar.') && k.layer === 'interfacing')).toBe(true);
    },
  );
});

it('its notch lies as far from the centre back as the back’s neckline is long, where the shoulder seam comes', () => {
  for (const kind of ['stand', 'flat', 'shirt'] as const) {
    const s = made({ kind });
    const first = panel(s, kind === 'shirt' ? 'stand' : 'collar');
    const back = sewnLength(s.panels.find((p) => p.id === 'bodice.back')!, 'neck');
    const { path } = edgeOf(first, 'neck');
    const whole = edgeLength(first, 'neck');
    const [notch] = first.marks;
    expect(
      Math.min(
        ...[back, whole - back].map((d) =>
          Math.hypot(...[0, 1].map((i) => pointAlong(path, d)[i as 0] - notch!.at[i as 0])),
        ),
      ),
    ).toBeLessThan(0.001);
  }
});

it('a buttoned front: both halves and its band are the waist round, centre to centre; a band in the middle of which the buttons lie', () => {
  const [banded, looped] = [made({}), made({}, { closes: 'loops' })];
  const [front, plain] = [banded, looped].map((s) => s.panels.find((p) => p.id === 'bodice.front')!);
  const band = banded.panels.find((p) => p.id === 'bodice.button-band')!;
  const finished = edgeOf(band, 'lower').path.reduce((n, [a, b]) => n + Math.abs(a[0] - b![0]), 0) / 2;
  expect(finished).toBeCloseTo(2 * OVERLAP, 6);
  // The two bands lie one upon the other: once their width, and both fronts.
  expect(2 * sewnLength(front!, 'waist') + finished).toBeCloseTo(2 * sewnLength(plain!, 'waist'), 3);
  const buttons = band.marks.filter((m) => m.kind === 'thread mark');
  expect(buttons.length).toBeGreaterThan(2);
  for (const b of buttons) expect(b.at[0]).toBeCloseTo(finished / 2, 9);
  expect(edgeLength(band, 'seam')).toBeCloseTo(edgeLength(front!, 'centre'), 6);
  expect(
    banded.pieces.some((k) => k.panel === 'bodice.button-band-interfacing' && k.layer === 'interfacing'),
  ).toBe(true);
});

describe('the outer edge', () => {
  it('of a stand lies beside its seam and is shorter, by its depth times the angle it turns through', () => {
    for (const depth of [2, 4, 6]) {
      const s = made({ kind: 'stand', depth: `${depth} cm` });
      const half = neckline({ kind: 'stand' }) / 2 + OVERLAP;
      // It rises 1.5 over its length: a parabola's end turns by twice its slope.
      const turned = Math.atan((2 * 1.5) / half);
      expect(edgeLength(panel(s, 'collar'), 'outer')).toBeCloseTo(half - depth * turned, 1);
    }
  });
  it('of a flat collar is longer: the arc of a ring (geometry)', () => {
    for (const depth of [4, 8]) {
      const s = made({ kind: 'flat', depth: `${depth} cm` });
      const half = neckline({ kind: 'flat' }) / 2;
      // It turns through 2.3 radians: outside it is so much longer for each centimetre of depth.
      expect(edgeLength(panel(s, 'collar'), 'outer') - half).toBeCloseTo(2.3 * depth, 1);
      expect(edgeLength(panel(s, 'collar'), 'front')).toBeCloseTo(depth, 6);
      expect(edgeLength(panel(s, 'collar'), 'centre')).toBeCloseTo(depth, 6);
    }
  });
  it('of a shirt’s fall: its seam is the stand’s upper edge to the centre, its point stands out as asked', () => {
    for (const point of [0, 2, 5]) {
      const s = made({ kind: 'shirt', depth: '5 cm', stand: '3 cm', point: `${point} cm` });
      expect(edgeLength(panel(s, 'fall'), 'neck')).toBeCloseTo(
        edgeLength(panel(s, 'stand'), 'outer') - OVERLAP,
        2,
      );
      expect(edgeLength(panel(s, 'fall'), 'front')).toBeCloseTo(Math.hypot(0.6 * point, 5 + 0.8 * point), 4);
      expect(edgeLength(panel(s, 'fall'), 'centre')).toBeCloseTo(5, 6);
      expect(edgeLength(panel(s, 'stand'), 'centre')).toBeCloseTo(3, 6);
    }
  });
});

it('is cut with 1 all round, its interfacing without', () => {
  const s = made({ kind: 'flat', depth: '6 cm' });
  const [outer, inner] = [piece(s, 'collar'), piece(s, 'collar-interfacing')];
  // At its corners a seam stands out a little further than it is wide.
  for (const more of [outer.length! - inner.length!, outer.width! - inner.width!]) {
    expect(more).toBeGreaterThan(0.99);
    expect(more).toBeLessThan(3);
  }
  expect(inner).toMatchObject({ count: 1, layer: 'interfacing' });
});

it('on no neckline that was drafted there is no collar, and its depth still stands', () => {
  const s = sheetOf(
    garmentSpec('bodice', ['waist 70 cm'], {
      garment: { parts: [{ part: 'darted-bodice' }, { part: 'collar', depth: '6 cm' }] },
      house: { rounding: EXACT },
    }),
  );
  expect(s.panels.filter((p) => p.id.startsWith('collar'))).toEqual([]);
  expect(figure(s, 'collar.half').finished).toBeNull();
  expect(figure(s, 'collar.depth').finished).toBe(6);
});

describe('the seams of a collar are judged as they are drawn', () => {
  const says = (s: Sheet, code: string) => s.checks.find((k) => k.code === `collar.${code}`);
  it.each([
    ['5 cm', '3 cm', 'passed'],
    ['3.5 cm', '3 cm', 'warned'],
  ])('a fall of %s on a stand of %s: %s', (depth, stand, state) => {
    const s = made({ kind: 'shirt', depth, stand });
    expect(says(s, 'fall-covers')).toMatchObject({ state });
    expect(says(s, 'stand-seam')).toMatchObject({ state: 'passed' });
    expect(says(s, 'fall-seam')).toMatchObject({ state: 'passed' });
    const [under, fall] = [panel(s, 'stand'), panel(s, 'fall')];
    expect(edgeLength(fall, 'neck')).toBeCloseTo(edgeLength(under, 'outer') - OVERLAP, 2);
  });
  it('a flat one has neither', () => expect(says(made({ kind: 'flat' }), 'fall-covers')).toBeUndefined());
});

describe('a collar that the garment opens through at the centre back', () => {
  const back = (kind: string, more: object = {}) =>
    made({ kind, depth: '5 cm', ...more }, { zip: 'centre-back', closes: 'zip' });
  const upTo = (s: Sheet) => figure(s, 'zip').terms.find((t) => t.label.startsWith('up through'))?.cm;
  it('is cut in two, with the zip’s allowance there; its neck seam stays', () => {
    for (const kind of ['stand', 'flat', 'shirt']) {
      const s = back(kind);
      for (const q of s.panels.filter((p) => p.id.startsWith('collar.') && p.layer === 'outer')) {
        expect(edgeOf(q, 'centre')).toMatchObject({ fold: false, allowance: 2 });
        expect(q.cut).toBe('pair');
      }
      const pieces = s.pieces.filter((p) => p.panel.startsWith('collar.') && p.layer === 'outer');
      expect(pieces.every((p) => p.cut.includes('pair'))).toBe(true);
      // Two halves, each of an upper and an under piece; a fall on a stand has that twice.
      expect(pieces.reduce((sum, p) => sum + p.count, 0)).toBe(kind === 'shirt' ? 8 : 4);
    }
  });
  it('the zip grows by what stands up: 54.1 + 5 are 59.1, the next in stock 60; a fall and a flat one lie free', () => {
    expect(stockedZip(unit(54.1 + 5), 'cm')).toBe(60);
    expect(upTo(back('stand'))).toBeCloseTo(5, 9);
    expect(upTo(back('shirt', { stand: '3 cm' }))).toBeCloseTo(3, 9);
    expect(upTo(back('flat'))).toBeUndefined();
    const sum = (s: Sheet) => figure(s, 'zip').terms.filter((t) => t.label !== 'to the next stocked length');
    const plain = sum(back('flat')).reduce((a, t) => a + t.cm, 0);
    expect(sum(back('stand')).reduce((a, t) => a + t.cm, 0)).toBeCloseTo(plain + 5, 6);
  });
});
