import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { distance, lengthOf, type Point, type Segment } from '../draft/curve.ts';
import { edgeLength, pointAlong, sewnLength } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import { GARMENTS } from './garments.ts';
import { asLines, seeded } from './testing.ts';
import { trueBody } from './testing-shape.ts';
import { wholePattern } from './whole.ts';

const made = (garment: Parameters<typeof garmentSpec>[0], seed: number, more: object = {}) =>
  sheetOf(
    garmentSpec(garment, asLines(trueBody(seeded(seed))), {
      house: { rounding: EXACT },
      garment: { lining: 'cupro', ...more },
    }),
  );

/** How far a point lies along a path, by walking it in small steps; null off it. A way of its own. */
function along(path: readonly Segment[], at: Point): number | null {
  const whole = path.reduce((a, s) => a + lengthOf(s), 0);
  let [best, off] = [0, Number.POSITIVE_INFINITY];
  for (let i = 0; i <= 4000; i++) {
    const d = distance(pointAlong(path, (whole * i) / 4000), at);
    if (d < off) [best, off] = [(whole * i) / 4000, d];
  }
  return off < 0.25 ? best : null;
}
/** Notches of an edge, from its lower end up, cm. */
function notches(p: Panel, id: string): number[] {
  const { path } = edgeOf(p, id);
  const whole = edgeLength(p, id);
  const up = path[0]![0][1] > (path.at(-1)!.at(-1) as Point)[1];
  return p.marks
    .filter((m) => m.kind === 'notch' || m.kind === 'thread mark')
    .flatMap((m) => along(path, m.at) ?? [])
    .map((x) => (up ? x : whole - x))
    .filter((x) => x > 0.5 && x < whole - 0.5)
    .sort((a, b) => a - b);
}
const has = (p: Panel | undefined, id: string): p is Panel => p?.edges.some((e) => e.id === id) ?? false;

describe('the whole pattern', () => {
  it('notches of seams lie at the same distance on both partners, in every garment', () => {
    let met = 0;
    for (const { id } of GARMENTS)
      for (let seed = 1; seed <= 4; seed++) {
        const all = wholePattern(made(id, seed * 17).panels);
        for (const [from, to, edges] of [
          ['.front', '.back', ['side', 'inseam']],
          ['.front-side', '.back-side', ['side']],
        ] as const)
          for (const front of all.filter((p) => p.id.endsWith(from) && p.layer === 'outer'))
            for (const edge of edges) {
              const back = all.find((p) => p.id === front.id.replace(from, to));
              if (!has(front, edge) || !has(back, edge)) continue;
              // Below a dart in the seam both are as long on the table as they are sewn.
              const dart = [front, back].flatMap((p) => p.darts.filter((d) => d.edge === edge));
              const plain = Math.min(sewnLength(front, edge), sewnLength(back, edge));
              const limit = dart.length > 0 ? plain * 0.5 : plain;
              const [a, b] = [notches(front, edge), notches(back, edge)].map((l) =>
                l.filter((x) => x < limit),
              );
              expect(b!.length, `${id} ${front.id} ${edge}`).toBe(a!.length);
              a!.forEach(
                (x, i) => void expect(Math.abs(x - b![i]!), `${id} ${front.id} ${edge}`).toBeLessThan(0.2),
              );
              met += a!.length;
              if (plain > 30 && dart.length === 0)
                expect(a!.length, `${id} ${front.id} ${edge}`).toBeGreaterThan(0);
            }
      }
    expect(met).toBeGreaterThan(100);
  }, 120_000);

  it('a dart is drilled a centimetre short of its end, fullness begins and ends at notches, the warp lies on its panel', () => {
    const all = wholePattern(made('day-dress-puffed', 5).panels);
    for (const p of all) {
      const drilled = p.marks.filter((m) => m.kind === 'drill');
      expect(drilled.length).toBe(p.darts.filter((d) => d.length > 2).length);
      for (const d of p.darts)
        expect(
          drilled.some((m) => Math.abs(distance(m.at, d.tip) - 1) < 1e-6),
          `${p.id} ${d.id}`,
        ).toBe(true);
      const [from, to] = p.warp;
      const ys = p.edges.flatMap((e) => e.path.flat().map(([, y]) => y));
      for (const [, y] of [from, to]) {
        expect(y).toBeGreaterThan(Math.min(...ys) - 1e-6);
        expect(y).toBeLessThan(Math.max(...ys) + 1e-6);
      }
      // Lengthwise it is upright: x is away from a centre that lies along the warp.
      if (!p.sideways && !p.grain.includes('bias')) expect(from[0]).toBeCloseTo(to[0], 9);
    }
    // What a shoulder holds is eased, and marked so.
    const gathered = all.filter((p) => p.edges.some((e) => e.gather > 0.05 && e.id !== 'shoulder'));
    expect(gathered.length).toBeGreaterThan(1);
    for (const p of gathered)
      expect(p.marks.filter((m) => m.name === 'gathered between these').length, p.id).toBeGreaterThanOrEqual(
        2,
      );
  });

  it('marks where a zip ends and where pockets lie, on both sides of a seam', () => {
    const dress = made('day-dress-straight', 6);
    const zip = dress.figures.find((f) => f.id === 'zip')!.finished!;
    const all = wholePattern(dress.panels, { opens: 'centre-back', length: zip });
    const ends = all.filter((p) => p.marks.some((m) => m.kind === 'zip-end'));
    expect(ends.map((p) => p.id)).toEqual(['skirt.back']);
    const above = edgeLength(all.find((p) => p.id === 'bodice.back')!, 'centre');
    const { path } = edgeOf(ends[0]!, 'centre');
    const at = ends[0]!.marks.find((m) => m.kind === 'zip-end')!.at;
    expect(edgeLength(ends[0]!, 'centre') - along(path, at)!).toBeCloseTo(zip - above, 1);
    const pockets = wholePattern(
      made(
        [
          { part: 'straight-skirt', length: '62 cm' },
          { part: 'details', pockets: 'inseam' },
        ],
        6,
      ).panels,
    );
    const places = ['skirt.front', 'skirt.back'].map((id) => {
      const p = pockets.find((q) => q.id === id)!;
      return p.marks.filter((m) => m.name === 'pocket').map((m) => along(edgeOf(p, 'side').path, m.at)!);
    });
    expect(places[0]).toHaveLength(2);
    places[0]!.forEach((x, i) => void expect(Math.abs(x - places[1]![i]!)).toBeLessThan(0.3));
    expect(places[0]![1]! - places[0]![0]!).toBeCloseTo(15, 0);
  });

  it.each([
    ['straight-skirt', 'centre-back', ['back', 'front', 'front', 'back']],
    ['straight-skirt', 'left-side', ['front', 'front', 'back', 'back']],
    ['trousers', 'centre-front', ['front', 'back', 'back', 'front']],
  ] as const)(
    'a band of %s that opens at the %s has notches where it meets centres and sides, and where its overlap begins',
    (garment, opens, faces) => {
      for (let seed = 1; seed <= 6; seed++) {
        const { panels } = made(garment, seed);
        const band = wholePattern(panels, { opens, length: 18 }).find(
          (p) => p.share === 'band' && p.layer === 'outer',
        )!;
        const got = band.marks.filter((m) => m.kind === 'notch').map((m) => m.at[1]);
        // Each half of a face walked along its waist, darts taken off.
        const half = (face: string) => {
          const p = panels.find((q) => q.layer === 'outer' && q.share === face && has(q, 'waist'))!;
          return (
            edgeLength(p, 'waist') -
            p.darts.filter((d) => d.edge === 'waist').reduce((n, d) => n + d.intake, 0)
          );
        };
        let at = 0;
        const want = faces.map((f) => {
          at += half(f);
          return at;
        });
        expect(got.length).toBe(4);
        for (const [k, y] of got.entries()) expect(y).toBeCloseTo(want[k]!, 6);
        // What is left beyond the last is the overlap.
        expect(edgeLength(band, 'waist') - got[3]!).toBeGreaterThan(0.5);
        expect(band.marks.filter((m) => m.kind === 'notch').every((m) => Math.abs(m.at[0]) < 1e-9)).toBe(
          true,
        );
      }
    },
  );
  it('a band on gathers has them at its quarters', () => {
    const { panels } = made('gathered-skirt', 3);
    const band = wholePattern(panels, { opens: 'centre-back', length: 18 }).find((p) => p.share === 'band')!;
    const ys = band.marks.filter((m) => m.kind === 'notch').map((m) => m.at[1]);
    expect(ys).toHaveLength(4);
    expect(ys[1]! - ys[0]!).toBeCloseTo(ys[3]! - ys[2]!, 6);
    expect(band.marks.filter((m) => m.name === 'quarter')).toHaveLength(4);
  });

  it('a back’s shoulder is eased to the front’s between two notches', () => {
    const all = wholePattern(made('bodice', 6).panels);
    const [front, back] = ['front', 'back'].map((f) => all.find((p) => p.id === `bodice.${f}`)!);
    const ease = edgeLength(back!, 'shoulder') - sewnLength(front!, 'shoulder');
    expect(ease).toBeGreaterThan(0.2);
    const between = back!.marks.filter((m) => m.name === 'eased between these');
    const at = between.map((m) => along(edgeOf(back!, 'shoulder').path, m.at)!);
    expect(at[1]! - at[0]!).toBeCloseTo(edgeLength(back!, 'shoulder') - 5, 1);
  });

  it('channels of bones lie beside every seam, on the underlining where there is one', () => {
    for (const underlined of [true, false]) {
      const all = wholePattern(made([{ part: 'boned-bodice', underlined }], 3, { fit: 'boned' }).panels);
      const layer = underlined ? 'underlining' : 'outer';
      for (const p of all) {
        const channels = p.marks.filter((m) => m.kind === 'bone channel');
        expect(channels.length > 0, p.id).toBe(p.layer === layer && !p.id.endsWith('placket'));
        for (const m of channels) expect(m.along!.reduce((a, s) => a + lengthOf(s), 0)).toBeGreaterThan(8);
      }
      expect(all.some((p) => p.layer === 'underlining')).toBe(underlined);
    }
  });

  it('what is on the cut list is a panel, and every panel is on it, in every garment and layer', () => {
    for (const { id } of GARMENTS) {
      const s = made(id, 9);
      const drafted = s.pieces.filter((p) => p.width !== null).map((p) => `${p.panel} ${p.layer}`);
      expect([...drafted].sort(), id).toEqual(s.panels.map((p) => `${p.id} ${p.layer}`).sort());
    }
  });

  it('a lining ends where its facings begin, and a back on the fold has a pleat', () => {
    const s = made([{ part: 'darted-bodice', zip: 'left-side' }], 4);
    for (const face of ['front', 'back']) {
      const lining = s.panels.find((p) => p.id === `bodice.${face}-lining`)!;
      for (const [facing, edge] of [
        ['neck', 'neck'],
        ['armhole', 'armhole'],
      ]) {
        const lower = edgeLength(s.panels.find((p) => p.id === `bodice.${face}-${facing}-facing`)!, 'lower');
        const pleat = face === 'back' && edge === 'neck' ? 1 : 0;
        expect(Math.abs(edgeLength(lining, edge!) - lower - pleat), `${face} ${edge}`).toBeLessThan(0.05);
      }
    }
    const back = s.panels.find((p) => p.id === 'bodice.back-lining')!;
    const outer = s.panels.find((p) => p.id === 'bodice.back')!;
    expect(edgeLength(back, 'waist') - edgeLength(outer, 'waist')).toBeCloseTo(1, 6);
    expect(back.marks.map((m) => m.name).join()).toContain('pleat');
  });

  it.each([
    ['darted-bodice', 'princess-armhole', ['neck', 'armhole']],
    ['long-bodice', 'princess-armhole', ['neck', 'armhole']],
    ['darted-bodice', 'princess-shoulder', ['neck']],
  ] as const)(
    'the lining of a %s with %s seams ends there too, and its seams meet',
    (part, shaping, ends) => {
      for (const seed of [4, 11, 23]) {
        const s = made([{ part, shaping, zip: 'left-side' }], seed);
        for (const face of ['front', 'back']) {
          const own = ['centre', 'side'].map(
            (x) => s.panels.find((p) => p.id === `bodice.${face}-${x}-lining`)!,
          );
          const long = (edge: string) =>
            own.reduce((n, p) => n + (p.edges.some((e) => e.id === edge) ? edgeLength(p, edge) : 0), 0);
          for (const edge of ends) {
            const lower = edgeLength(
              s.panels.find((p) => p.id === `bodice.${face}-${edge}-facing`)!,
              'lower',
            );
            const pleat = face === 'back' && edge === 'neck' ? 1 : 0;
            expect(Math.abs(long(edge) - lower - pleat), `${seed} ${face} ${edge}`).toBeLessThan(0.35);
          }
          const [centre, side] = own.map((p) => edgeLength(p, 'princess'));
          expect(Math.abs(centre! - side!), `${seed} ${face} princess`).toBeLessThan(0.8);
          // From the shoulder too little would be left beside the armhole's facing: that is said.
          expect(own[0]!.note).toContain(
            ends.length === 2 ? 'ends where the facings begin' : 'trimmed to the armhole',
          );
        }
      }
    },
  );
});
