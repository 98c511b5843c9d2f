import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import DxfParser from 'dxf-parser';
import polygonClipping from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { directionAt, distance, endOf, lengthOf, type Point, pointAt, startOf } from '../draft/curve.ts';
import { sewnOutline } from '../draft/outline.ts';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, seeded } from '../garment/testing.ts';
import { trueBody } from '../garment/testing-shape.ts';
import { arranged } from './arrange.ts';
import { chalkCard } from './chalk-card.ts';
import { cutRing } from './cut-ring.ts';
import { patternDxf } from './dxf.ts';
import { PAPERS } from './papers.ts';
import { patternOf } from './pattern.ts';
import type { PatternPiece } from './piece.ts';
import { areaOf, inside, offLine, pointsAlong } from './polyline.ts';
import { seamsWalked } from './seam-walk.ts';
import { patternSvg } from './svg.ts';
import { MARGIN, OVERLAP, ROLL_PAGE, rollOf, sheetsIn, tilesOf } from './tiles.ts';
import { wholeHalves, wholePanels } from './whole-panels.ts';

const sheet = (of: Parameters<typeof garmentSpec>[0], seed = 12, more: Record<string, number> = {}) =>
  sheetOf(garmentSpec(of, asLines({ ...trueBody(seeded(seed)), ...more }), {}));
const HEAD = { title: '26-001', lines: ['26-001 · C-0007 · r2', '1 Dec 2026'], opened: false };
const pattern = (of: Parameters<typeof garmentSpec>[0], seed = 12, head = HEAD) =>
  patternOf(wholePanels(sheet(of, seed)), head);
const closed = (ring: readonly Point[]) => [...ring, ring[0]!];
const perimeter = (ring: readonly Point[]) =>
  closed(ring).reduce((n, p, i, all) => (i === 0 ? 0 : n + distance(all[i - 1]!, p)), 0);

/** Another library’s word on whether a ring is one shape without holes that crosses itself nowhere. */
function judged(ring: readonly Point[]): { shapes: number; area: number } {
  const union = polygonClipping.union([closed(ring).map(([x, y]) => [x, y] as [number, number])]);
  return {
    shapes: union.reduce((n, poly) => n + poly.length, 0),
    area: union.reduce((n, [outer]) => n + areaOf(outer!.slice(0, -1)), 0),
  };
}

describe('the cut line', () => {
  it.each(GARMENTS.map((g) => g.id))(
    '%s: one simple ring around each piece, each edge’s allowance away',
    (id) => {
      for (const seed of [3, 12, 40]) {
        for (const p of wholePanels(sheet(id, seed))) {
          const ring = cutRing(p);
          const what = `${seed} ${p.id}`;
          const { shapes, area } = judged(ring);
          expect(shapes, what).toBe(1);
          expect(Math.abs(area - areaOf(ring)), what).toBeLessThan(0.02);
          const line = closed(ring);
          for (const e of p.edges)
            for (const s of e.path) {
              // From the middle of a stretch, square to it: there the cut line is, but where a dart stands in it.
              const [x, y] = pointAt(s, 0.5);
              const [u, v] = directionAt(s, 0.5);
              const out: Point = [x + e.allowance * v, y - e.allowance * u];
              if (
                lengthOf(s) < 3 ||
                p.darts.some((d) => d.legs.some((l) => distance(l, [x, y]) < d.intake + 3))
              )
                continue;
              const ends = [startOf(s), endOf(s)];
              if (ends.some((q) => distance(q, [x, y]) < 2 * e.allowance)) continue;
              expect(offLine(out, line), `${what} ${e.id}`).toBeLessThan(0.03);
            }
          // All that is sewn lies on the cloth.
          for (const at of pointsAlong(sewnOutline(p)))
            expect(inside(at, ring) || offLine(at, line) < 0.01, what).toBe(true);
        }
      }
    },
  );

  it('a hem that is turned lies on its own cloth: what is folded back reaches no further than the side’s cut line', () => {
    const p = wholePanels(sheet([{ part: 'gored-skirt' }])).find((q) => q.id === 'skirt.gore')!;
    const ring = closed(cutRing(p));
    const hem = p.edges.find((e) => e.id === 'hem')!;
    const at = startOf(hem.path[0]!);
    const [u, v] = directionAt(hem.path[0]!, 0);
    // The ring’s own points beyond the hem, near this corner, mirrored at the hem there.
    const beyond = ring.filter(
      ([x, y]) => (x - at[0]) * v - (y - at[1]) * u > 1 && distance([x, y], at) < hem.allowance + 2,
    );
    expect(beyond.length).toBeGreaterThan(0);
    for (const [x, y] of beyond) {
      const off = (x - at[0]) * v - (y - at[1]) * u;
      const back: Point = [x - 2 * off * v, y + 2 * off * u];
      expect(inside(back, ring) || offLine(back, ring) < 0.1).toBe(true);
    }
  });

  it('a dart that is pressed reaches the cut edge: over its middle the cut line stands out', () => {
    const p = wholePanels(sheet([{ part: 'darted-bodice' }])).find((q) => q.id === 'bodice.front')!;
    const d = p.darts.find((x) => x.edge === 'side')!;
    const ring = cutRing(p);
    const middle: Point = [(d.legs[0][0] + d.legs[1][0]) / 2, (d.legs[0][1] + d.legs[1][1]) / 2];
    const [dx, dy] = [middle[0] - d.tip[0], middle[1] - d.tip[1]];
    const far = Math.hypot(dx, dy);
    const onAxis = (by: number): Point => [middle[0] + (dx / far) * by, middle[1] + (dy / far) * by];
    const allowance = p.edges.find((e) => e.id === 'side')!.allowance;
    // Without a cap the cut line would lie an allowance beyond the mouth.
    expect(inside(onAxis(allowance + 0.2), ring)).toBe(true);
    let peak: number = allowance;
    while (inside(onAxis(peak), ring)) peak += 0.01;
    // Pressed downward about its lower leg, its outermost point lies on the cut line of the side below.
    const low = d.legs[0][1] > d.legs[1][1] ? d.legs[0] : d.legs[1];
    const [ux, uy] = [low[0] - d.tip[0], low[1] - d.tip[1]];
    const at = onAxis(peak);
    const t = ((at[0] - d.tip[0]) * ux + (at[1] - d.tip[1]) * uy) / (ux * ux + uy * uy);
    const folded: Point = [2 * (d.tip[0] + t * ux) - at[0], 2 * (d.tip[1] + t * uy) - at[1]];
    expect(offLine(folded, closed(ring))).toBeLessThan(0.1);
  });
});

describe('a piece', () => {
  it('says what it is, whose by code alone, and how often it is cut of what', () => {
    const { pieces } = pattern([{ part: 'darted-bodice', zip: 'centre-back' }, { part: 'sleeve' }]);
    const front = pieces.find((p) => p.id === 'bodice.front')!;
    const said = front.words.map((w) => w.text);
    expect(said).toEqual(
      expect.arrayContaining(['bodice front', '26-001 · C-0007 · r2', '1 Dec 2026', 'cut 1, on the fold']),
    );
    expect(pieces.find((p) => p.id === 'bodice.back')!.cut).toEqual(['cut 2, a pair, mirror one']);
    const facing = pieces.find((p) => p.id.endsWith('front-neck-facing'))!;
    // Its interfacing is cut from its paper: there is no second piece of it.
    expect(facing.cut).toEqual(['cut 1, on the fold', 'interfacing 1, on the fold, along the seam line']);
    expect(pieces.some((p) => p.id.endsWith('facing-interfacing'))).toBe(false);
    for (const p of pieces) {
      const own = p.words.filter((w) => w.centred && !/fold$/.test(w.text));
      expect(own.length, p.id).toBeGreaterThan(2);
      expect(inside(own[1]!.at, p.ring) || own[1]!.size < 0.2, p.id).toBe(true);
    }
  });
  it('a fold opened out is twice as large and has no fold', () => {
    const [half, whole] = [false, true].map(
      (opened) =>
        pattern('straight-skirt', 12, { ...HEAD, opened }).pieces.find((p) => p.id === 'skirt.front')!,
    ) as [PatternPiece, PatternPiece];
    expect(areaOf(whole.ring)).toBeCloseTo(2 * areaOf(half.ring), 0);
    expect([half, whole].map((p) => p.lines.some((l) => l.kind === 'FOLD'))).toEqual([true, false]);
  });
  it('halves that are not alike are one piece, the wearer’s right at the left of a front that lies right side up', () => {
    const s = sheet([{ part: 'darted-bodice', zip: 'centre-back' }], 12, {
      'shoulder-left': 11.6,
      'shoulder-right': 12.8,
    });
    const { pieces } = patternOf(wholePanels(s), HEAD);
    const front = pieces.find((p) => p.name === 'bodice front')!;
    expect(front.cut[0]).toContain('right side up');
    const [left, right] = [-1, 1].map((side) =>
      Math.max(...front.ring.filter(([x, y]) => x * side > 0 && y < 8).map(([x]) => x * side)),
    ) as [number, number];
    // The longer shoulder is the right one: it reaches further out, at the left of the drawing.
    expect(left).toBeGreaterThan(right + 0.5);
    // A lining from the same paper is seen from inside: its right side lies the other way.
    const lined = patternOf(
      wholePanels(
        sheetOf(
          garmentSpec(
            'princess-dress',
            asLines({ ...trueBody(seeded(12)), 'shoulder-left': 11.6, 'shoulder-right': 12.8 }),
            { garment: { lining: 'cupro' } },
          ),
        ),
      ),
      HEAD,
    ).pieces.filter((p) => p.cut.some((c) => c.startsWith('lining')) && p.cut[0]!.startsWith('cut'));
    expect(lined.length).toBeGreaterThan(0);
    for (const p of lined) {
      const up = p.cut[1]!.endsWith('up');
      expect(
        p.cut.find((c) => c.startsWith('lining')),
        p.name,
      ).toContain(`right side ${up ? 'down' : 'up'}`);
    }
    // A back’s right half lies at the right as it is drawn.
    const back = pieces.filter((p) => p.name.startsWith('bodice back,')).map((p) => [p.name, p.cut[1]]);
    expect(back).toEqual([
      ['bodice back, right', 'right side of the cloth up'],
      ['bodice back, left', 'right side of the cloth down'],
    ]);
  });
});

describe('pieces on paper', () => {
  const dress = pattern('day-dress-sleeved');
  it('lie beside each other, none on another, within the width', () => {
    for (const width of [60, 100, 200]) {
      const { placed } = arranged(dress.pieces, width);
      const boxes = placed.map(
        ({ piece: { box }, by }) => [box[0] + by[0], box[1] + by[1], box[2] + by[0], box[3] + by[1]] as const,
      );
      boxes.forEach((a, i) => {
        expect(a[0]).toBeGreaterThanOrEqual(0);
        expect(a[2]).toBeLessThanOrEqual(width + 1e-6);
        for (const b of boxes.slice(i + 1))
          expect(
            a[2] <= b[0] + 1e-6 || b[2] <= a[0] + 1e-6 || a[3] <= b[1] + 1e-6 || b[3] <= a[1] + 1e-6,
          ).toBe(true);
      });
    }
  });
  it.each([
    ['a4', 'portrait', false],
    ['a3', 'landscape', false],
    ['letter', 'portrait', true],
  ] as const)('%s %s: every point of every piece lies on a sheet, and crosses pair', (paper, way, apart) => {
    const all = tilesOf(dress, { paper, way, apart });
    expect(sheetsIn(all)).toBe(all.reduce((n, t) => n + t.tiles.length, 0));
    for (const t of all) {
      const [w, h] =
        way === 'portrait'
          ? [PAPERS[paper].width, PAPERS[paper].height]
          : [PAPERS[paper].height, PAPERS[paper].width];
      expect([t.sheet.width, t.step.x]).toEqual([w - 2 * MARGIN, w - 2 * MARGIN - OVERLAP]);
      expect(t.sheet.height).toBeCloseTo(h - 2 * MARGIN, 9);
      for (const { piece, by } of t.arranged.placed)
        for (const [x, y] of piece.ring)
          expect(
            t.tiles.some(
              ({ at }) =>
                x + by[0] >= at[0] - 1e-6 &&
                x + by[0] <= at[0] + t.sheet.width + 1e-6 &&
                y + by[1] >= at[1] - 1e-6 &&
                y + by[1] <= at[1] + t.sheet.height + 1e-6,
            ),
            piece.id,
          ).toBe(true);
      const letters = t.tiles.flatMap((x) => Object.values(x.marks));
      for (const l of new Set(letters)) expect(letters.filter((x) => x === l)).toHaveLength(2);
    }
    // The fewest sheets are no more than piece by piece.
    if (!apart)
      expect(sheetsIn(all)).toBeLessThanOrEqual(sheetsIn(tilesOf(dress, { paper, way, apart: true })));
  });
  it('a roll takes all, in pages no longer than may be; what is wider than it is refused by name', () => {
    const pages = rollOf(dress, 91);
    expect(pages.flatMap((p) => p.placed)).toHaveLength(dress.pieces.length);
    for (const p of pages) expect(p.height + 2 * MARGIN).toBeLessThanOrEqual(ROLL_PAGE);
    expect(() => rollOf(pattern('circle-skirt'), 60)).toThrow(/cm wide, the roll 60 cm/);
    const many = { ...dress, pieces: Array.from({ length: 12 }, () => dress.pieces).flat() };
    const long = rollOf(many, 91);
    expect(long.length).toBeGreaterThan(1);
    expect(long.flatMap((p) => p.placed)).toHaveLength(many.pieces.length);
  });
});

describe('drawings', () => {
  const lying = arranged(pattern('trousers').pieces, 200);
  it('DXF, read by another program: a block a piece, plain layers, cut lines as long as they are, millimetres, y up', () => {
    const read = new DxfParser().parseSync(patternDxf(lying))!;
    expect(read.header.$ACADVER).toBe('AC1009');
    expect(Object.keys(read.tables.layer.layers).sort()).toEqual(
      ['CUT', 'DRILL', 'FOLD', 'GRAIN', 'MARK', 'NOTCH', 'SEAM', 'TEXT'].sort(),
    );
    const blocks = Object.values(read.blocks);
    expect(blocks).toHaveLength(lying.placed.length);
    expect(read.entities.filter((e) => e.type === 'INSERT')).toHaveLength(lying.placed.length);
    lying.placed.forEach(({ piece }, i) => {
      const cut = blocks[i]!.entities.find((e) => e.layer === 'CUT') as unknown as {
        vertices: { x: number; y: number }[];
        shape: boolean;
      };
      expect(cut.shape).toBe(true);
      const ring = cut.vertices.map(({ x, y }): Point => [x / 10, -y / 10]);
      expect(perimeter(ring)).toBeCloseTo(perimeter(piece.ring), 2);
      expect(Math.max(...ring.map(([, y]) => y))).toBeCloseTo(piece.box[3], 3);
    });
  });
  it('SVG: its units are millimetres and its cut lines as long as they are', () => {
    const svg = patternSvg(lying, 'A & B');
    expect(svg).toContain('<title>A &amp; B</title>');
    const [, w] = /width="([\d.]+)mm"/.exec(svg)!;
    expect(Number(w)).toBeCloseTo(lying.width * 10 + 20, 2);
    const cuts = [...svg.matchAll(/class="CUT" d="([^"]+)Z"/g)].map(([, d]) =>
      d!
        .split(/[ML]/)
        .filter(Boolean)
        .map((p): Point => p.split(' ').map((x) => Number(x) / 10) as unknown as Point),
    );
    expect(cuts).toHaveLength(lying.placed.length);
    // The last of its points is the first again.
    cuts.forEach((ring, i) => {
      const open = distance(ring[0]!, ring.at(-1)!) < 1e-6 ? ring.slice(0, -1) : ring;
      expect(perimeter(open)).toBeCloseTo(perimeter(lying.placed[i]!.piece.ring), 1);
    });
  });
});

describe('a chalk card', () => {
  it('each piece’s points, joined, are the piece: the area they enclose is its sewing line’s', () => {
    for (const id of ['straight-skirt', 'day-dress-sleeved', 'trousers', 'shirt-blouse']) {
      const panels = wholePanels(sheet(id));
      const card = chalkCard(panels);
      expect(card.length, id).toBeGreaterThan(1);
      for (const c of card) {
        const p = panels.find((q) => q.name === c.name && q.layer === 'outer')!;
        const outline = c.points
          .filter((q) => !/^(dart|notch),/.test(q.name))
          .map((q): Point => [q.across, q.down]);
        const whole = areaOf(pointsAlong(sewnOutline(p)));
        expect(Math.abs(areaOf(outline) / whole - 1), `${id} ${c.name}`).toBeLessThan(0.03);
        expect(c.points.map((q) => q.number)).toEqual(c.points.map((_, i) => i + 1));
        expect(Math.min(...c.points.map((q) => q.down)), `${id} ${c.name}`).toBeLessThan(0.01);
      }
    }
  });
  it('measures a half from its fold, and what has a middle of its own from its left end', () => {
    const card = chalkCard(wholePanels(sheet('day-dress-sleeved')));
    expect(card.find((c) => c.name === 'front')?.from ?? card[0]!.from).toBe('the fold');
    expect(card.find((c) => c.name === 'sleeve')!.from).toBe('its left end');
    for (const c of card) expect(Math.min(...c.points.map((q) => q.across)), c.name).toBeGreaterThan(-0.01);
  });
});

describe('seams walked', () => {
  it('side seams are as long as each other, notch to notch, and a cap’s ease is told', () => {
    const all = seamsWalked(wholeHalves(sheet('day-dress-sleeved')));
    const side = all.find((s) => /side seams of the skirt/.test(s.name))!;
    expect(Math.abs(side.apart)).toBeLessThan(0.3);
    const [a, b] = side.sides.map((s) => s.notches.map((n) => n.at));
    expect(a!.length).toBeGreaterThan(0);
    for (const [i, x] of a!.entries()) expect(Math.abs(x - b![i]!)).toBeLessThan(0.25);
    const cap = all.find((s) => /cap|armhole/.test(s.id));
    expect(cap && Math.abs(cap.apart)).toBeGreaterThan(0.5);
  });
  it('where the sides are not alike each has its own', () => {
    const s = sheet([{ part: 'darted-bodice', zip: 'centre-back' }], 12, {
      'shoulder-left': 11.6,
      'shoulder-right': 12.8,
    });
    const names = seamsWalked(wholeHalves(s))
      .filter((x) => x.id.startsWith('shoulder'))
      .map((x) => x.name);
    expect(names).toHaveLength(2);
    expect(names.join()).toMatch(/right.*left/);
  });
});
