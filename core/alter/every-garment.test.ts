import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import pc from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { type Point, pointAt } from '../draft/curve.ts';
import { edgeLength, sewnLength, sewnWidthAt } from '../draft/measure.ts';
import { sewnOutline } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import { asLines, seeded } from '../garment/testing.ts';
import { trueBody } from '../garment/testing-shape.ts';
import type { Sheet } from '../sheet/compute.ts';
import { cm, inches } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { alike, applyAlteration } from './apply.ts';
import type { Asked } from './asked.ts';
import { borneBy, foundBy, likelyOn } from './borne.ts';
import { measuredBy } from './effect.ts';
import { ALTERATION_KINDS } from './registry.ts';
import { amountSaid, boxSentence } from './sentence.ts';
import { turn } from './slash.ts';
import { ask, NO_RUN } from './testing.ts';
import { tryAlteration } from './trial.ts';
import { undone } from './undone.ts';

/** Alterations on the garments that are fitted most, against paper, polygons and the worked figures of the handbook. */
const made = (id: string, more: object = {}): Sheet =>
  sheetOf(garmentSpec(id, asLines(trueBody(seeded(7))), { house: { rounding: EXACT }, ...more }));
const at = (panels: readonly Panel[], id: string) => panels.find((p) => p.id === id)!;
const after = (s: Sheet, asked: Asked) => applyAlteration(alike(s.panels), asked, false);

const ring = (p: Panel): [number, number][] => {
  const path = sewnOutline(p);
  const each = Math.ceil(2000 / path.length);
  return path.flatMap((s) =>
    Array.from({ length: each }, (_, i) => [...pointAt(s, i / each)] as [number, number]),
  );
};
const area = (p: Panel): number =>
  pc
    .union([ring(p)])
    .flatMap((poly) => poly.map((r, hole) => (hole === 0 ? 1 : -1) * Math.abs(shoelace(r))))
    .reduce((a, b) => a + b, 0);
const shoelace = (r: readonly (readonly [number, number])[]) =>
  r.reduce((z, [x, y], i) => z + x * r[(i + 1) % r.length]![1] - y * r[(i + 1) % r.length]![0], 0) / 2;

describe('a tuck at the back of a princess dress (handbook of the house: 1⁄4 in pinned)', () => {
  const s = made('princess-dress');
  const a = after(s, ask('back-length', 'shorter', inches(0.25), { as: 'pinned' }));
  const off = (panel: string, edge: string) =>
    sewnLength(at(s.panels, panel), edge) - sewnLength(at(a.right, panel), edge);
  it('takes 1⁄2 in at the centre back and along the princess seam, and nothing at the side seam', () => {
    expect(off('bodice.back-centre', 'centre')).toBeCloseTo(inches(0.5), 2);
    expect(off('bodice.back-centre', 'princess')).toBeCloseTo(inches(0.5), 1);
    expect(off('bodice.back-side', 'princess')).toBeCloseTo(inches(0.5), 1);
    expect(off('bodice.back-side', 'side')).toBeCloseTo(0, 2);
  });
  it('both panels agree at their seam as before, and shoulder and armhole keep their lengths', () => {
    expect(
      Math.abs(off('bodice.back-centre', 'princess') - off('bodice.back-side', 'princess')),
    ).toBeLessThan(0.1);
    for (const panel of ['bodice.back-centre', 'bodice.back-side'])
      expect(off(panel, 'shoulder'), panel).toBeCloseTo(0, 2);
    expect(off('bodice.back-side', 'armhole')).toBeCloseTo(0, 2);
    expect(a.boxes.map((b) => b.piece).sort()).toEqual(['centre back', 'side back']);
  });
  it('is a fold of paper: what lies above is reflected at the middle of the fold and again at its lower line', () => {
    const p = at(s.panels, 'bodice.back-side');
    const y = 30;
    const span = [-8, 9] as const;
    const by = -1.27;
    const folded = turn({ ...p, darts: [], marks: [{ kind: 'drill', name: 'x', at: [-3, 8] }] }, y, by, span);
    const angle = Math.atan2(-by, span[1] - span[0]);
    const hinge: Point = [span[1], y];
    // The wedge lies above the line y; its upper edge runs from the hinge up to the centre by the whole angle.
    const reflect = ([x, v]: Point, tilt: number): Point => {
      // A line through the hinge, rising toward the centre by `tilt`.
      const [ux, uy] = [-Math.cos(tilt), -Math.sin(tilt)];
      const [dx, dy] = [x - hinge[0], v - hinge[1]];
      const along = dx * ux + dy * uy;
      return [hinge[0] + 2 * along * ux - dx, hinge[1] + 2 * along * uy - dy];
    };
    const twice = reflect(reflect([-3, 8], angle), angle / 2);
    const is = folded.marks[0]!.at;
    expect(is[0]).toBeCloseTo(twice[0], 6);
    expect(is[1]).toBeCloseTo(twice[1], 6);
  });
  it('takes out of each panel what a polygon of 2,000 points loses: a strip, and a triangle', () => {
    const strip = area(at(s.panels, 'bodice.back-centre')) - area(at(a.right, 'bodice.back-centre'));
    const wedge = area(at(s.panels, 'bodice.back-side')) - area(at(a.right, 'bodice.back-side'));
    const wide = (id: string) => {
      const p = at(s.panels, id);
      const xs = ring(p)
        .filter(([, v]) => Math.abs(v - 31) < 1.2)
        .map(([x]) => x);
      return Math.max(...xs) - Math.min(...xs);
    };
    expect(Math.abs(strip - inches(0.5) * wide('bodice.back-centre'))).toBeLessThan(1);
    expect(Math.abs(wedge - (inches(0.5) * wide('bodice.back-side')) / 2)).toBeLessThan(1);
  });
  it('a back in one piece keeps its shoulder too', () => {
    const plain = made('day-dress-straight');
    const b = after(plain, ask('back-length', 'shorter', inches(0.25), { as: 'pinned' }));
    const edge = (list: readonly Panel[], id: string) => sewnLength(at(list, 'bodice.back'), id);
    expect(edge(plain.panels, 'shoulder') - edge(b.right, 'shoulder')).toBeCloseTo(0, 2);
    expect(edge(plain.panels, 'centre') - edge(b.right, 'centre')).toBeCloseTo(inches(0.5), 1);
    expect(edge(plain.panels, 'side') - edge(b.right, 'side')).toBeCloseTo(0, 1);
  });
});

describe('darts with two ends', () => {
  const s = made('sheath');
  const waist = (a: ReturnType<typeof after>) => measuredBy(a).get('waist')!;
  it('two new ones of 3 1⁄4 in at the widest: 1 5⁄8 to each side of their line, 6 1⁄2 in all (worked in the handbook of the house)', () => {
    const run = { ...NO_RUN, begins: cm(11), fullFrom: cm(16), zero: cm(14) };
    const a = after(s, ask('dart-new', 'in', inches(3.25), { as: 'seam', face: 'back', run }));
    const [d] = at(a.right, 'bodice.back').inner!;
    expect(d!.intake / 2).toBeCloseTo(inches(1.625), 6);
    const y = at(s.panels, 'bodice.back').lines.find((l) => l.id === 'waist')!.y;
    expect([d!.up, d!.at, d!.down].map(([, v]) => v - y)).toEqual([-16, 0, 14]);
    expect(waist(alike(s.panels) as never) - waist(a)).toBeCloseTo(inches(6.5), 2);
    expect(a.boxes.filter((b) => b.layer === 'outer').map((b) => [b.piece, b.edges, b.each])).toEqual([
      ['back', 2, -inches(3.25)],
    ]);
    // On paper: folded along its line each side lies on the other.
    const mirrored = (x: number) => 2 * d!.at[0] - x;
    expect(mirrored(d!.at[0] - d!.intake / 2)).toBeCloseTo(d!.at[0] + d!.intake / 2, 9);
  });
  it('are taken in more or less, all together or each, and moved', () => {
    const front = (list: readonly Panel[]) => at(list, 'bodice.front');
    const was = front(s.panels).inner!;
    const more = after(s, ask('front-darts', 'in', 0.4, { as: 'seam' }));
    expect(front(more.right).inner!.map((d, i) => d.intake - was[i]!.intake)).toEqual(
      was.map(() => expect.closeTo(0.4, 6)),
    );
    expect(waist(alike(s.panels) as never) - waist(more)).toBeCloseTo(0.4 * 2 * was.length, 1);
    const moved = after(s, ask('dart-place', 'to-side', 0.3));
    expect(front(moved.right).inner!.map((d, i) => d.at[0] - was[i]!.at[0])).toEqual(
      was.map(() => expect.closeTo(0.3, 6)),
    );
    expect(waist(moved)).toBeCloseTo(waist(alike(s.panels) as never), 2);
  });
  it('one wider than what lies between its neighbours is refused', () => {
    const first = at(s.panels, 'bodice.front').inner![0]!;
    expect(first).toBeDefined();
    expect(() => after(s, ask('front-darts', 'in', 9, { as: 'seam' }))).toThrow(
      /would run into its neighbour/,
    );
    expect(() =>
      after(
        s,
        ask('dart-new', 'in', 3, { as: 'seam', face: 'front', run: { ...NO_RUN, begins: cm(first.at[0]) } }),
      ),
    ).toThrow(/no room for a dart/);
  });
});

describe('trousers', () => {
  const s = made('trousers');
  const all = (list: readonly Panel[], edge: string) =>
    ['trousers.front', 'trousers.back'].reduce((n, id) => n + sewnLength(at(list, id), edge), 0);
  it.each([
    ['shorter', -1],
    ['longer', 1],
  ] as const)(
    'the rise %s by 1 at the waist: the waist keeps its girth, the crotch seam goes the same way',
    (way, sign) => {
      const a = after(s, ask('trouser-rise', way, 1));
      expect(all(a.right, 'waist')).toBeCloseTo(all(s.panels, 'waist'), 1);
      const crotch = all(a.right, 'crotch') - all(s.panels, 'crotch');
      expect(crotch * sign).toBeGreaterThan(1.6);
      expect(crotch * sign).toBeLessThan(2.5);
      expect(all(a.right, 'inseam')).toBeCloseTo(all(s.panels, 'inseam'), 6);
      const band = (list: readonly Panel[]) => edgeLength(at(list, 'trousers.band'), 'waist');
      expect(band(a.right)).toBeCloseTo(band(s.panels), 0);
    },
  );
  it('leg width leaves waist and hip as they are, and takes at each of four edges of a leg from the knee down', () => {
    const a = after(s, ask('leg-width', 'in', 0.5, { as: 'pinned' }));
    const [was, is] = [measuredBy(alike(s.panels)), measuredBy(a)];
    expect(is.get('hip')).toBeCloseTo(was.get('hip')!, 2);
    expect(is.get('trousers.waist')).toBeCloseTo(was.get('trousers.waist')!, 2);
    // Two legs of four edges.
    expect(was.get('trousers.hem')! - is.get('trousers.hem')!).toBeCloseTo(2 * 4 * 0.5, 1);
  });
  it('the centre back is taken in at the waist, to nothing at the hip', () => {
    const a = after(s, ask('centre-back', 'in', 0.6, { as: 'pinned' }));
    const [was, is] = [measuredBy(alike(s.panels)), measuredBy(a)];
    expect(was.get('trousers.waist')! - is.get('trousers.waist')!).toBeCloseTo(1.2, 1);
    expect(is.get('hip')).toBeCloseTo(was.get('hip')!, 1);
  });
  it('each leg’s hem has its own marks; more than 1 apart is refused, unless it is meant', () => {
    const leg = { front: cm(1), inside: cm(1), back: cm(2), outside: cm(1.5) };
    const marks = { left: leg, right: leg };
    const a = after(s, ask('hem-levelled', 'up', null, { legs: marks }));
    const sides = (list: readonly Panel[], id: string, edge: string) => sewnLength(at(list, id), edge);
    expect(
      sides(s.panels, 'trousers.front', 'inseam') - sides(a.right, 'trousers.front', 'inseam'),
    ).toBeCloseTo(1, 1);
    expect(sides(s.panels, 'trousers.back', 'side') - sides(a.right, 'trousers.back', 'side')).toBeCloseTo(
      1.5,
      1,
    );
    expect(a.boxes.every((b) => b.side === 'both')).toBe(true);
    const apart = { left: leg, right: { ...leg, back: cm(3.2) } };
    expect(() => after(s, ask('hem-levelled', 'up', null, { legs: apart }))).toThrow(
      /1\.2.*apart at the back|apart at the back/,
    );
    const meant = after(s, ask('hem-uneven', 'up', null, { legs: apart }));
    expect(new Set(meant.boxes.map((b) => b.side))).toEqual(new Set(['left', 'right']));
  });
});

describe('sleeves, gores, edges', () => {
  it('a cap is raised in its middle: the sleeve seam stays, and it is told against the armhole', () => {
    const s = made('day-dress-sleeved');
    const t = tryAlteration(s, alike(s.panels), ask('sleeve-cap', 'higher', 1), false);
    const [was, is] = [at(s.panels, 'sleeve.sleeve'), at(t.applied.right, 'sleeve.sleeve')];
    for (const id of ['underarm', 'underarm-back'])
      expect(sewnLength(is, id), id).toBeCloseTo(sewnLength(was, id), 6);
    expect(sewnLength(is, 'cap')).toBeGreaterThan(sewnLength(was, 'cap') + 0.3);
    // Raised as a sine squared: half of its height over the whole of its width.
    const xs = was.edges.find((e) => e.id === 'cap')!.path.flatMap((seg) => seg.map(([x]) => x));
    const width = Math.max(...xs) - Math.min(...xs);
    expect(Math.abs(area(is) - area(was) - width / 2)).toBeLessThan(0.12 * width);
    expect(t.effect.says.map((x) => formatSentence(x, 'cm')).join(' ')).toMatch(/The armhole is .* the cap/);
  });
  it('pinned at each seam between gores: two edges of each, all round', () => {
    const s = made('gored-skirt');
    const a = after(s, ask('gore-seams', 'in', 0.3, { as: 'pinned' }));
    const [was, is] = [measuredBy(alike(s.panels)), measuredBy(a)];
    expect(was.get('hip')! - is.get('hip')!).toBeCloseTo(6 * 2 * 0.3, 1);
    expect(was.get('skirt.waist')! - is.get('skirt.waist')!).toBeCloseTo(3.6, 1);
    expect(a.boxes.find((b) => b.piece === 'gore')!.edges).toBe(6);
  });
  it('above the bust a princess seam is taken in at the edge, and nothing at the bust', () => {
    const s = made('bustier');
    const a = after(s, ask('princess-above', 'in', 0.5, { as: 'pinned', face: 'front' }));
    const width = (list: readonly Panel[], id: string, line: string) => {
      const p = at(list, id);
      return sewnWidthAt(p, p.lines.find((l) => l.id === line)!.y)!;
    };
    for (const id of ['bodice.front-centre', 'bodice.front-side'])
      for (const line of ['bust', 'waist'])
        expect(width(a.right, id, line), `${id} ${line}`).toBeCloseTo(width(s.panels, id, line), 1);
    const edge = (list: readonly Panel[]) =>
      sewnLength(at(list, 'bodice.front-centre'), 'top') + sewnLength(at(list, 'bodice.front-side'), 'top');
    expect(edge(s.panels) - edge(a.right)).toBeCloseTo(1, 1);
  });
  it.each([
    'princess-dress',
    'princess-coat',
    'waistcoat',
    'shirt-blouse',
    'coat',
    'jacket',
    'sheath',
    'bodice',
  ])('the bust of a %s is measured over all its panels, also where its dart was turned away', (id) => {
    const s = made(id);
    const t = tryAlteration(s, alike(s.panels), ask('side-seams', 'in', 0.3, { as: 'pinned' }), false);
    const bust = t.effect.moved.find((m) => m.id === 'bust')!;
    expect(bust.name).toBe('bust');
    expect(Math.abs(bust.before - s.figures.find((f) => f.id === 'bust')!.finished!)).toBeLessThan(1.2);
    expect(bust.before - bust.after).toBeCloseTo(1.2, 0.5);
    expect(t.effect.ease.some((e) => e.zone === 'bust')).toBe(true);
  });
  it('a girth that some panels do not reach is told as such, and never as a whole one', () => {
    const s = made('bustier');
    const { effect } = tryAlteration(
      s,
      alike(s.panels),
      ask('side-seams', 'in', 0.3, { as: 'pinned' }),
      false,
    );
    expect(effect.moved.find((m) => m.id === 'bust')!.name).toBe('bust, without the centre back');
    expect(effect.ease.some((e) => e.zone === 'bust')).toBe(false);
    expect(effect.ease.some((e) => e.zone === 'waist')).toBe(true);
  });
  it('a control line that is not the same distance everywhere asks to pin again', () => {
    const s = made('straight-skirt');
    const hem = { front: cm(1), left: cm(1), right: cm(1), back: cm(1) };
    const control = { front: cm(15), left: cm(15), right: cm(15), back: cm(15.8) };
    expect(() => after(s, ask('hem-levelled', 'up', null, { hem, control }))).toThrow(/Pin again/);
    expect(() =>
      after(s, ask('hem-levelled', 'up', null, { hem, control: { ...control, back: cm(15.3) } })),
    ).not.toThrow();
  });
  it('a hem that differs round gores is marked on each of them, by where it hangs', () => {
    const s = made('gored-skirt');
    const hem = { front: cm(1), left: cm(2), right: cm(3), back: cm(4) };
    const a = after(s, ask('hem-uneven', 'up', null, { hem }));
    expect(a.right).toEqual(s.panels);
    const said = a.boxes.map((b) => formatSentence(boxSentence(b), 'cm'));
    expect(said).toHaveLength(6);
    // Six gores from the centre back over the left: the third ends, and the fourth begins, at the centre front.
    expect(a.boxes.map((b) => b.piece.replace('gore ', ''))).toEqual([
      '1 of 6, back left',
      '2 of 6, left',
      '3 of 6, front left',
      '4 of 6, front right',
      '5 of 6, right',
      '6 of 6, back right',
    ]);
    expect(said[0]).toMatch(
      /^hem, 4 cm and 2\.5 cm at its seams, of the gore 1 of 6, back left, at most 3\.5 cm off$/,
    );
    expect(a.boxes[1]!.each).toBeCloseTo(-2, 9);
    expect(a.boxes[4]!.each).toBeCloseTo(-3, 9);
    // The same amount everywhere is a hem of the panel.
    const even = { front: cm(2), left: cm(2), right: cm(2), back: cm(2) };
    expect(after(s, ask('hem-levelled', 'up', null, { hem: even })).boxes.map((b) => b.piece)).toEqual([
      'gore',
    ]);
  });
  it('taken in at the side the armhole bends with the seam: the underarm stays the round that it was', () => {
    const s = made('day-dress-sleeved');
    const angle = (p: Panel) => {
      const at1 = p.edges.find((e) => e.id === 'armhole')!.path.at(-1)!;
      const at2 = p.edges.find((e) => e.id === 'side')!.path[0]!;
      const [a, b, c] = [pointAt(at1, 0.98), pointAt(at1, 1), pointAt(at2, 0.02)];
      const [u, v] = [
        [a[0] - b[0], a[1] - b[1]],
        [c[0] - b[0], c[1] - b[1]],
      ] as const;
      const cos = (u[0] * v[0] + u[1] * v[1]) / Math.hypot(...u) / Math.hypot(...v);
      return (Math.acos(cos) * 180) / Math.PI;
    };
    const round = (list: readonly Panel[]) =>
      angle(at(list, 'bodice.front')) + angle(at(list, 'bodice.back'));
    for (const way of ['in', 'out'] as const) {
      const a = after(s, ask('side-seams', way, 0.8, { as: 'pinned' }));
      expect(Math.abs(round(a.right) - round(s.panels)), way).toBeLessThan(6);
      expect(round(a.right), way).toBeGreaterThan(165);
      expect(round(a.right), way).toBeLessThan(190);
    }
  });
  it('an uneven hem is told on both sides, each by its name', () => {
    const s = made('straight-skirt');
    const hem = { front: cm(1), left: cm(1), right: cm(4), back: cm(2) };
    const { effect } = tryAlteration(s, alike(s.panels), ask('hem-uneven', 'up', null, { hem }), false);
    const names = effect.moved.filter((m) => m.id === 'skirt.front/side').map((m) => m.name);
    expect(names).toEqual(['side seam, front, right', 'side seam, front, left']);
  });
});

describe('what a change brings along', () => {
  it('trim along an edge is measured on the garment: rows and overlap', () => {
    const s = made('straight-skirt');
    const details = { along: 'hem', rows: '2', overlap: '2 cm' };
    // Work that moves no seam is told by the same sentences.
    const { effect } = tryAlteration(s, alike(s.panels), ask('trim', 'add', null, { details }), false);
    const round =
      2 * (sewnLength(at(s.panels, 'skirt.front'), 'hem') + sewnLength(at(s.panels, 'skirt.back'), 'hem'));
    expect(formatSentence(effect.says[0]!, 'cm')).toContain(
      `2 rows with 2 cm overlap take ${formatSentence(`{cm:${2 * (round + 2)}}`, 'cm')}`,
    );
  });
  it('an elastic is cut to what was tried, and the join', () => {
    const s = made('knit-skirt');
    const { effect } = tryAlteration(
      s,
      alike(s.panels),
      ask('waist-elastic', 'in', null, { details: { tried: '68 cm' } }),
      false,
    );
    expect(formatSentence(effect.says[0]!, 'cm')).toBe(
      'Cut the elastic 70.5 cm: 68 cm as it was tried, 2.5 cm to join.',
    );
  });
  it('a hem cut on the bias waits for its hanging days', () => {
    const s = made('straight-skirt', { garment: { cloth: { bias: true } } });
    expect(at(s.panels, 'skirt.front').grain).toContain('on the bias');
    const { effect } = tryAlteration(s, alike(s.panels), ask('hem-straight', 'up', 1), false);
    expect(effect.says.join(' ')).toContain('hang one to three days');
  });
  it('says what of an earlier change it undoes: the seam taken back, the hem marked too early', () => {
    const s = made('straight-skirt');
    const one = (kind: string, way: string) => {
      const asked = ask(kind, way, 1);
      return { sentence: `${kind} ${way}`, kind: asked.kind, boxes: after(s, asked).boxes };
    };
    const out = ask('side-seams', 'out', 1);
    const said = undone(out, after(s, out).boxes, [
      one('side-seams', 'in'),
      one('hem-straight', 'up'),
      one('back-darts', 'in'),
    ]);
    expect(said).toEqual([
      'This undoes an earlier change: side-seams in',
      'The hem was marked before this. Mark it again when this is done. hem-straight up',
    ]);
  });
  it('a neckline is raised up to its side-neck and not past it; the front alone by more than the back is deep', () => {
    const s = made('bodice');
    const raise =
      (amount: number, more: Partial<Asked> = {}) =>
      () =>
        tryAlteration(
          s,
          alike(s.panels),
          ask('neckline-raise', 'higher', amount, { as: 'total', ...more }),
          false,
        );
    expect(raise(1)).not.toThrow();
    expect(raise(4)).toThrow(/neckline of the .*back lies only .* below the side-neck/);
    expect(raise(4, { face: 'front' })).not.toThrow();
    expect(raise(20, { face: 'front' })).toThrow(/cannot be raised past it/);
  });
  it('a tuck where the zip ends is refused in a sentence', () => {
    const s = made('bodice');
    const zip = s.figures.find((f) => f.id === 'zip')!;
    const p = at(s.panels, 'bodice.back');
    const top = Math.min(...p.edges.find((e) => e.id === 'centre')!.path.flatMap((q) => q.map(([, y]) => y)));
    const [bust, waist] = ['bust', 'waist'].map((id) => Number(p.lines.find((l) => l.id === id)!.y));
    const ends = { ...zip, finished: cm((bust! + waist!) / 2 - top) };
    const with_ = { ...s, figures: s.figures.map((f) => (f === zip ? ends : f)) };
    const tuck = ask('back-length', 'shorter', 0.6, { as: 'pinned' });
    expect(() => tryAlteration(with_, alike(s.panels), tuck, false)).toThrow(
      /The zip at the centre back ends/,
    );
    // A zip that ends below is longer than what it closes by what is folded away, 2 × 0.6.
    const long = { ...zip, finished: cm(waist! - top + 20) };
    const through = { ...s, figures: s.figures.map((f) => (f === zip ? long : f)) };
    expect(
      tryAlteration(through, alike(s.panels), tuck, false)
        .effect.says.map((x) => formatSentence(x, 'cm'))
        .join(),
    ).toMatch(
      /runs through what is folded away: it comes out first, and is 1\.2 cm longer than its opening then/,
    );
    // One that ends above is none of it.
    const above = { ...zip, finished: cm(5) };
    const free = { ...s, figures: s.figures.map((f) => (f === zip ? above : f)) };
    expect(tryAlteration(free, alike(s.panels), tuck, false).effect.says.join()).not.toContain('zip');
  });
});

describe('what is offered', () => {
  it.each([
    ['gapes', 'princess-above'],
    ['sway', 'back-length'],
    ['too tight', 'side-seams'],
    ['wrinkles', 'back-length'],
    ['pulls', 'waist'],
    ['drag', 'shoulder-slope'],
  ])('“%s” finds %s', (words, id) => {
    expect(foundBy(words, ALTERATION_KINDS).map((k) => k.id)).toContain(id);
  });
  it('words that nobody says find nothing; none find all', () => {
    expect(foundBy('zzz', ALTERATION_KINDS)).toEqual([]);
    expect(foundBy(' ', ALTERATION_KINDS)).toEqual([...ALTERATION_KINDS]);
  });
  it.each([
    ['trousers', 'hem-straight'],
    ['bustier', 'princess-above'],
    ['day-dress-sleeved', 'side-seams'],
    ['straight-skirt', 'hem-straight'],
  ])('on a %s first of all %s, and only what it bears', (id, first) => {
    const s = made(id);
    const borne = borneBy(s, alike(s.panels));
    const likely = likelyOn(alike(s.panels), borne);
    expect(likely[0]!.id).toBe(first);
    expect(likely.every((k) => borne.find((b) => b.kind === k)!.why === null)).toBe(true);
  });
});

describe('a cuff that is too tight', () => {
  const s = made('shirt-blouse');
  const by = (amount: number, side: Asked['side'] = 'both') =>
    tryAlteration(s, alike(s.panels), ask('cuff-around', 'out', cm(amount), { as: 'pinned', side }), false);
  const cuffOf = (panels: readonly Panel[]) => edgeLength(at(panels, 'sleeve.cuff'), 'sleeve');
  it('is cut longer by the amount, its interfacing with it, and what lies in the gathers is told', () => {
    const t = by(1);
    expect(cuffOf(t.applied.right) - cuffOf(s.panels)).toBeCloseTo(1, 9);
    expect(edgeLength(at(t.applied.right, 'sleeve.cuff-interfacing'), 'sleeve')).toBeCloseTo(
      cuffOf(t.applied.right),
      9,
    );
    expect(t.effect.moved.map((m) => m.name)).toEqual(['cuff, around, with its overlap']);
    expect(t.effect.says.join()).toContain('The gathers take it up.');
    expect(t.drawn.map((d) => d.panel)).toEqual(['sleeve.cuff']);
  });
  it('on the left alone leaves the right as it was', () => {
    const t = by(1, 'left');
    expect(cuffOf(t.applied.left) - cuffOf(t.applied.right)).toBeCloseTo(1, 9);
    expect(t.applied.boxes.map((b) => b.edges)).toEqual([1, 1]);
  });
  it('beyond what the sleeve end has gathered the sleeve must follow', () => {
    const gathered = at(s.panels, 'sleeve.sleeve').edges.find((e) => e.id === 'wrist')!.gather;
    const t = by(gathered + 1);
    expect(t.effect.says.join()).toMatch(/the gathers have only .* to give\. The .*sleeve must follow/);
  });
});

describe('what an alteration is told to make', () => {
  it('a girth that a panel no longer reaches is told so, and not measured on what is left of it', () => {
    const s = made('shirt-blouse');
    const asked = ask('armhole-lower', 'lower', 3);
    const { effect } = tryAlteration(s, { right: s.panels, left: s.left }, asked, false);
    expect(effect.says).toContain(
      'The bust line is not reached by the bodice front any more: measure that girth on the garment.',
    );
    expect(effect.moved.map((m) => m.id)).not.toContain('bust');
    expect(effect.says.filter((x) => x.includes('less than the body'))).toEqual([]);
  });
  it('tiers go round the body each by itself: the amount is told of one, each piece once', () => {
    const s = made('tiered-skirt');
    const asked = ask('gore-seams', 'in', 1, { unit: 'cm' });
    const { applied } = tryAlteration(s, { right: s.panels, left: s.left }, asked, false);
    const ringOf = (id: string) => at(s.panels, id).ring!;
    expect(new Set(s.panels.map((p) => p.ring)).size).toBeGreaterThan(2);
    expect(formatSentence(amountSaid(asked, applied.boxes, '1 cm', ringOf), 'cm')).toMatch(
      /^1 cm: 0\.5 cm at the tier 1, 0\.25 cm at the tier 2 and 0\.17 cm at the tier 3, 1 cm all round, on each part\.$/,
    );
  });
});
