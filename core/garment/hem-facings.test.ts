import { SpecFile } from '@rocchetto/contract';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { distance, endOf, type Point, pointAt, startOf } from '../draft/curve.ts';
import { edgeLength } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import { GARMENTS } from './garments.ts';
import { isMain } from './seams.ts';
import { asLines, seeded } from './testing.ts';
import { trueBody } from './testing-shape.ts';

const BODY = trueBody(seeded(12));
const spec = (of: Parameters<typeof garmentSpec>[0], own: object | null) => {
  const s = garmentSpec(of, asLines(BODY), { house: { rounding: EXACT } });
  return { ...s, garment: { ...s.garment, ...(own ? { own: { ...own } } : {}) } } as SpecFile;
};
const made = (of: Parameters<typeof garmentSpec>[0], own: object | null) =>
  sheetOf(SpecFile.parse(spec(of, own)));
const along = (p: Panel, id: string): Point[] =>
  edgeOf(p, id).path.flatMap((s) => Array.from({ length: 33 }, (_, i) => pointAt(s, i / 32)));

describe('hems that are faced', () => {
  let faced = 0;
  it.each(GARMENTS.map((g) => g.id))('%s: a facing follows each hem and meets its neighbours', (id) => {
    const [s, plain] = [made(id, { hemFaced: true }), made(id, null)];
    const of = new Map(plain.panels.map((p) => [p.id, p]));
    for (const p of s.panels) {
      const was = of.get(p.id);
      if (!was || !isMain(p)) continue;
      for (const e of p.edges.filter(
        (x) => was.edges.find((o) => o.id === x.id)?.turned && /^hem/.test(x.id),
      )) {
        const f = s.panels.find((q) => q.id === `${p.id}-${e.id}-facing`)!;
        expect(f, `${p.id} ${e.id}`).toBeDefined();
        faced++;
        expect([e.turned, e.allowance]).toEqual([undefined, 1]);
        expect(edgeLength(f, 'faced')).toBeCloseTo(edgeLength(p, e.id), 6);
        expect([f.cut, f.count]).toEqual([p.cut, p.count]);
        // Wherever its free edge is, the hem is as far away as the facing is deep.
        const hem = along(f, 'faced');
        for (const at of along(f, 'free').slice(2, -2))
          expect(Math.abs(Math.min(...hem.map((h) => distance(h, at))) - 5), `${f.id} depth`).toBeLessThan(
            0.4,
          );
        // A closed ring: each edge begins where the one before ends.
        f.edges.forEach((x, i) => {
          const next = f.edges[(i + 1) % f.edges.length]!;
          expect(distance(endOf(x.path.at(-1)!), startOf(next.path[0]!)), `${f.id} ${x.id}`).toBeLessThan(
            0.01,
          );
        });
        // Where a seam joins it, it has that seam's allowance; a fold stays a fold.
        for (const end of ['inner', 'outer']) {
          const own = edgeOf(f, end);
          const panel = p.edges.find((x) => x.name === own.name);
          if (panel) expect([own.allowance, own.fold]).toEqual([panel.allowance, panel.fold]);
        }
      }
    }
    const drafted = s.pieces.filter((x) => x.width !== null).map((x) => `${x.panel} ${x.layer}`);
    expect([...drafted].sort()).toEqual(s.panels.map((x) => `${x.id} ${x.layer}`).sort());
    expect(s.figures.map((f) => [f.id, f.marked])).toEqual(plain.figures.map((f) => [f.id, f.marked]));
  });
  it('most garments have one', () => expect(faced).toBeGreaterThan(30));

  it('a vent has a facing for its underlap and an interfacing for both sides', () => {
    const s = made([{ part: 'straight-skirt', hemOpening: 'vent', openingHeight: '18 cm' }], {
      hemFaced: true,
    });
    const facing = s.panels.find((p) => p.id === 'skirt.back-vent-facing')!;
    const back = s.panels.find((p) => p.id === 'skirt.back')!;
    expect([edgeLength(facing, 'outer'), edgeLength(facing, 'faced')]).toEqual([
      edgeLength(back, 'vent'),
      edgeLength(back, 'vent-hem'),
    ]);
    expect([facing.count, facing.cut]).toEqual([1, 'single']);
    expect(s.pieces.find((p) => p.panel === 'skirt.back-vent-interfacing')).toMatchObject({
      layer: 'interfacing',
      count: 2,
    });
    // The hem's facing ends where the vent's extension begins.
    expect(edgeLength(s.panels.find((p) => p.id === 'skirt.back-hem-facing')!, 'faced')).toBeCloseTo(
      edgeLength(back, 'hem'),
      6,
    );
  });

  it('the list of allowances says that the hem is faced; twice and faced at once is refused', () => {
    const s = made('straight-skirt', { hemFaced: true });
    expect(s.allowances.map((a) => a.name)).toContain('hem, faced (this order’s own)');
    const both = SpecFile.safeParse(spec('straight-skirt', { hemFaced: true, hemTwice: true }));
    expect(both.success ? '' : both.error.issues[0]!.message).toContain('twice or faced, not both');
  });
});
