import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { seeded } from '../garment/testing.ts';
import { type Cm, cm, inches } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { chartDoubts, chartFaults, EN_13402, type SizeChart, type SizeRow } from './chart.ts';
import { gradeSize } from './grade.ts';
import { rankSizes } from './rank.ts';
import { type Wish, type WishOf, wishesOf } from './wish.ts';
import { type Profile, profileOf, withinMeasuring } from './zones.ts';

const one = (x: number) => ({ least: cm(x), most: cm(x) });
const row = (size: string, at: Readonly<Record<string, number>>, cup: string | null = null): SizeRow => ({
  size,
  cup,
  at: Object.fromEntries(Object.entries(at).map(([id, x]) => [id, one(x)])),
});
const chart = (of: SizeChart['of'], rows: readonly SizeRow[], more: Partial<SizeChart> = {}): SizeChart => ({
  name: 'a chart',
  of,
  ease: {},
  allowance: cm(0),
  rows,
  ...more,
});
const netOf =
  (body: Readonly<Record<string, number>>) =>
  (id: string): Cm | null =>
    body[id] === undefined ? null : cm(body[id]);
const wish = (want: number, most: number | null = null): Wish => ({
  want: cm(want),
  least: null,
  most: most === null ? null : cm(most),
  because: '',
});
const wishes =
  (of: Readonly<Record<string, Wish>>): WishOf =>
  (zone) =>
    of[zone.id] ?? wish(0);
const text = (says: readonly string[]) => says.map((s) => formatSentence(s, 'cm')).join(' ');

describe('worked: a bodice pattern, body 32, 34 1⁄2, 27 in', () => {
  const at = (high: number, bust: number, waist: number) => ({
    'high-bust': inches(high),
    bust: inches(bust),
    waist: inches(waist),
  });
  const sizes = chart('finished', [
    row('10', at(30.5, 33, 24.25)),
    row('12', at(32.5, 35, 26.25)),
    row('14', at(34.5, 37, 28.25)),
  ]);
  // Wanted: half an inch at the bust, a quarter at the waist, at most an inch above the bust (the issue’s own figures).
  const wanted = wishes({
    'high-bust': wish(inches(0.5), inches(1)),
    bust: wish(inches(0.5)),
    waist: wish(inches(0.25)),
  });
  const ranking = rankSizes(sizes, 'upper', netOf(at(32, 34.5, 27)), wanted);
  it('chooses the size that fits above the bust, with 1⁄2, 1⁄2 and −3⁄4 of ease', () => {
    const best = ranking.sizes[0]!;
    expect(best.name).toBe('12');
    expect(Object.fromEntries(best.zones.map((h) => [h.id, h.ease / 2.54]))).toEqual({
      'high-bust': expect.closeTo(0.5, 9),
      bust: expect.closeTo(0.5, 9),
      waist: expect.closeTo(-0.75, 9),
    });
  });
  it('adds 1⁄4 at each of four side-seam edges: 27 1⁄4, an ease of 1⁄4', () => {
    const [change, ...rest] = gradeSize(ranking, ranking.sizes[0]!, inches(0.0625));
    expect(rest).toEqual([]);
    expect(change).toMatchObject({ zone: 'waist', edges: 4 });
    expect(change!.perEdge).toBeCloseTo(inches(0.25), 9);
    expect(inches(26.25) + change!.total - inches(27)).toBeCloseTo(inches(0.25), 9);
    expect(formatSentence(change!.sentence, 'in')).toContain(
      'add 1⁄4 in at each of the four side-seam edges',
    );
  });
});

it('worked: shorts of 124 + 6 lie between two sizes: the larger; a thigh of 76 + 4 asks for the next one too', () => {
  const sizes = chart('finished', [
    row('S', { hip: 126, thigh: 76 }),
    row('M', { hip: 134, thigh: 81 }),
    row('L', { hip: 142, thigh: 86 }),
  ]);
  const of = (thigh: number) =>
    rankSizes(sizes, 'pull-on', netOf({ hip: 124, thigh }), wishes({ hip: wish(6), thigh: wish(4) })).sizes;
  // 130 lies in the middle of 126 and 134.
  expect(of(72)[0]!.name).toBe('M');
  expect(of(76)[0]!.name).toBe('M');
  expect(of(76)[0]!.zones.find((h) => h.id === 'thigh')!.off).toBe(0 + 1);
  expect(of(82)[0]!.name).toBe('M');
});

describe('EN 13402-3, women (from memory)', () => {
  it.each(EN_13402.rows.map((r) => [r.size, r] as const))('a body that is row %s chooses it', (size, r) => {
    const body = Object.fromEntries(Object.entries(r.at).map(([id, s]) => [id, s.least]));
    for (const profile of ['upper', 'upper-over-full', 'upper-ends-high', 'skirt', 'trousers'] as const) {
      const { sizes } = rankSizes(EN_13402, profile, netOf(body), wishes({ bust: wish(5), hip: wish(5) }));
      expect(sizes[0]!.name, profile).toBe(size);
      expect(sizes[0]!.zones.every((h) => h.off === 0)).toBe(true);
    }
  });
  it('bodies between its rows: no other size has less to alter at the hip, and of two as good the other has no less at the waist', () => {
    const next = seeded(28);
    for (let i = 0; i < 300; i++) {
      const body = { hip: 84 + next() * 48, waist: 60 + next() * 52 };
      const { sizes } = rankSizes(EN_13402, 'skirt', netOf(body), wishes({}));
      // Worked by itself: what a size lacks or has too much, tight a fifth worse, within the tape’s own difference nothing.
      const off = (r: SizeRow, id: 'hip' | 'waist') => {
        const d = r.at[id]!.least - body[id];
        return Math.abs(d) <= withinMeasuring(id) ? 0 : Math.abs(d) * (d < 0 ? 1.2 : 1);
      };
      const hip = (r: SizeRow) => Math.round(off(r, 'hip') * 2);
      const least = Math.min(...EN_13402.rows.map(hip));
      const alike = EN_13402.rows.filter((r) => hip(r) === least);
      const best = alike.reduce((a, b) => (off(b, 'waist') <= off(a, 'waist') + 1e-9 ? b : a));
      expect(sizes[0]!.name).toBe(best.size);
    }
  });
});

it('blends, all of them tried: a place follows another size’s line only where none comes nearer, and at least twice as near as the chosen one', () => {
  const next = seeded(2828);
  let followed = 0;
  for (let i = 0; i < 300; i++) {
    const body = { bust: 80 + next() * 40, waist: 62 + next() * 44, hip: 86 + next() * 42 };
    const ranking = rankSizes(EN_13402, 'upper', netOf(body), wishes({}));
    const chosen = ranking.sizes[0]!;
    const changes = gradeSize(ranking, chosen, cm(0.1));
    // Worked by itself: how far each size lies from the body at a place, within the tape’s own difference nothing.
    const off = (size: string, id: 'bust' | 'waist' | 'hip') => {
      const d = Math.abs(EN_13402.rows.find((r) => r.size === size)!.at[id]!.least - body[id]);
      return d <= withinMeasuring(id) + 1e-9 ? 0 : d;
    };
    const others = EN_13402.rows.map((r) => r.size).filter((s) => s !== chosen.name);
    // Every blend of the chosen size with a line of another at waist, hip, or both: the least that is left over.
    const left = (waist: string, hip: string) => off(waist, 'waist') + off(hip, 'hip');
    const least = Math.min(
      ...[chosen.name, ...others].flatMap((w) => [chosen.name, ...others].map((h) => left(w, h))),
    );
    const line = (id: string) => changes.find((c) => c.zone === id)?.line ?? chosen.name;
    const ours = left(line('waist'), line('hip'));
    for (const id of ['waist', 'hip'] as const) {
      const nearest = Math.min(...others.map((s) => off(s, id)));
      const mine = off(chosen.name, id);
      if (line(id) === chosen.name)
        expect(mine === 0 || nearest >= mine / 2 - 1e-9, `${id} ${JSON.stringify(body)}`).toBe(true);
      else {
        followed++;
        expect(off(line(id), id)).toBeCloseTo(nearest, 9);
        expect(nearest).toBeLessThan(mine / 2);
      }
    }
    // What a hand keeps of the chosen line is never more than twice what the best blend would leave.
    expect(ours).toBeLessThanOrEqual(2 * least + 1e-9);
    expect(changes.find((c) => c.zone === 'bust')?.line ?? null).toBeNull();
  }
  expect(followed).toBeGreaterThan(100);
});

it('our own skirt, run over bodies and brought in as a finished chart, gives its ease back', () => {
  const parts = [{ part: 'straight-skirt' }];
  const sheets = EN_13402.rows.slice(0, 6).map((r) => {
    const body = { waist: r.at.waist!.least, hip: r.at.hip!.least };
    const s = sheetOf(
      garmentSpec(parts, [`waist ${body.waist} cm`, `hip ${body.hip} cm`, 'waist-to-hip 20.5 cm'], {
        garment: { parts, fit: 'fitted' },
        house: { rounding: EXACT },
      }),
    );
    return { size: r.size, body, s };
  });
  const figure = (s: (typeof sheets)[number]['s'], id: string) =>
    s.figures.find((f) => f.id === id)!.finished!;
  const ours = chart(
    'finished',
    sheets.map(({ size, s }) => row(size, { waist: figure(s, 'waist'), hip: figure(s, 'hip') })),
  );
  for (const { size, body, s } of sheets) {
    const net = netOf(body);
    const { sizes } = rankSizes(ours, profileOf(s.input.brief.parts), net, wishesOf(s, net, 'waist'));
    expect(sizes[0]!.name).toBe(size);
    expect(sizes[0]!.zones.map((h) => h.off)).toEqual([0, 0]);
    // Fitted: 5 at the hip (workroom table), and nothing of the cloth's in an unlined one of no thickness.
    expect(sizes[0]!.zones.find((h) => h.id === 'hip')!.ease).toBeCloseTo(5, 1);
  }
});

describe('a table of lengths', () => {
  const lengths: SizeChart = {
    ...chart('finished', [row('short', { inseam: 74, hip: 10 }), row('long', { inseam: 82, hip: 10 })]),
    of: 'lengths',
  };
  it('goes by its lengths alone, and says what it leaves out', () => {
    const { sizes, says } = rankSizes(lengths, 'trousers', netOf({ inseam: 81, hip: 100 }), wishes({}));
    expect(sizes.map((s) => [s.name, s.zones.map((h) => h.id)])).toEqual([
      ['long', ['inseam']],
      ['short', ['inseam']],
    ]);
    expect(text(says)).toContain('Left out: hip.');
    expect(text(says)).not.toContain('high bust');
  });
});

// Worked: tall + 2, short − 2 to − 3.
it('trousers whose chart says nothing of the rise: a tall body is told 2 more, a short one 2 to 3 less, others nothing', () => {
  const told = (stature: number, more: object = {}) =>
    text(
      rankSizes(
        chart('finished', [row('M', { hip: 104, ...more })]),
        'trousers',
        netOf({ hip: 98, stature, rise: 27 }),
        wishes({}),
      ).says,
    );
  expect(told(178)).toContain('add 2 cm at the line between waist and crotch');
  expect(told(155)).toContain('take 2 cm to 3 cm at the line between waist and crotch');
  expect(told(166)).not.toContain('between waist and crotch');
  expect(told(178, { rise: 27 })).not.toContain('is tall');
});

describe('by what a garment is chosen', () => {
  it.each([
    [['straight-skirt'], 'skirt'],
    [['circle-skirt', 'details'], 'full-skirt'],
    [['darted-bodice', 'circle-skirt'], 'upper-over-full'],
    [['darted-bodice', 'straight-skirt'], 'upper'],
    [['trousers'], 'trousers'],
    [['pull-on-trousers'], 'pull-on'],
    [['top', 'sleeve'], 'upper'],
  ] as const)('%j: %s', (parts, profile) => expect(profileOf(parts.map((part) => ({ part })))).toBe(profile));
  const body = { 'high-bust': 84, bust: 92, waist: 74, hip: 98, tummy: 101 };
  const sizes = chart('body', [
    row('12', { 'high-bust': 84, bust: 88, waist: 72, hip: 96 }),
    row('14', { 'high-bust': 88, bust: 92, waist: 74, hip: 98 }),
    row('16', { 'high-bust': 92, bust: 96, waist: 80, hip: 102 }),
  ]);
  it('a dress over a full skirt is not held against the hip; one that ends under the bust not against the waist either', () => {
    const empire = [{ part: 'darted-bodice', ends: 'under-bust' }, { part: 'gathered-skirt' }];
    expect(profileOf(empire)).toBe('upper-ends-high');
    const held = (profile: Profile) =>
      rankSizes(sizes, profile, netOf(body), wishes({})).sizes[0]!.zones.map((z) => z.id);
    expect(held('upper')).toEqual(['bust', 'high-bust', 'waist', 'hip']);
    expect(held('upper-over-full')).toEqual(['bust', 'high-bust', 'waist']);
    expect(held('upper-ends-high')).toEqual(['bust', 'high-bust']);
    // A wide hip makes a straight dress a larger size’s work, and a full one none.
    const wide = { ...body, hip: 112 };
    const says = (profile: Profile) => rankSizes(sizes, profile, netOf(wide), wishes({}));
    expect(says('upper').sizes[0]!.work.easy).toBeGreaterThan(says('upper-over-full').sizes[0]!.work.easy);
  });
  it('a bodice goes by the high bust, though its full bust is another size’s', () => {
    const { sizes: all } = rankSizes(sizes, 'upper', netOf(body), wishes({}));
    expect(all[0]!.name).toBe('12');
    expect(formatSentence(all.find((s) => s.name === '14')!.says, 'cm')).toMatch(
      /^Hard to alter: high bust 4 cm too much/,
    );
  });
  it('a skirt goes by the hip, a full one by the waist, a pull-on by the largest girth it has to pass', () => {
    expect(rankSizes(sizes, 'skirt', netOf(body), wishes({})).sizes[0]!.name).toBe('14');
    expect(rankSizes(sizes, 'full-skirt', netOf({ ...body, waist: 79.5 }), wishes({})).sizes[0]!.name).toBe(
      '16',
    );
    const pulled = rankSizes(sizes, 'pull-on', netOf(body), wishes({})).sizes[0]!;
    expect([pulled.name, pulled.zones.find((h) => h.id === 'hip')!.body]).toEqual(['16', 101]);
  });
  it('where another size’s line lies nearer at a place that its seams join, it is named', () => {
    const ranking = rankSizes(sizes, 'upper', netOf({ ...body, bust: 88, waist: 80, hip: 96 }), wishes({}));
    const changes = gradeSize(ranking, ranking.sizes[0]!, cm(0.1));
    expect(changes.map((c) => [c.zone, c.line])).toEqual([['waist', '16']]);
  });
  it('a body past the end of a chart keeps its own cup: the largest size in it, to be graded all round', () => {
    const cups = chart(
      'body',
      (['16', '18'] as const).flatMap((size, s) =>
        ['A', 'B', 'C', 'D'].map((cup, k) =>
          row(size, { 'high-bust': 92 + 4 * s, bust: 95 + 4 * s + 2.5 * k, waist: 80 + 4 * s }, cup),
        ),
      ),
    );
    const past = { 'high-bust': 104, bust: 109.5, waist: 92 };
    expect(rankSizes(cups, 'upper', netOf(past), wishes({})).sizes[0]!.name).toBe('18 B');
  });
  it('cups: of one size the cup whose bust is the body’s', () => {
    const cups = chart('body', [
      row('12', { 'high-bust': 84, bust: 86.5 }, 'A'),
      row('12', { 'high-bust': 84, bust: 89 }, 'B'),
      row('12', { 'high-bust': 84, bust: 91.5 }, 'C'),
    ]);
    const ranked = rankSizes(cups, 'upper', netOf(body), wishes({}));
    expect(ranked.sizes[0]!.name).toBe('12 C');
    expect(text(ranked.says)).toContain('Sewing cup C');
    // To a skirt a cup is nothing.
    const skirts = chart(
      'body',
      ['A', 'B'].map((cup) => row('12', { hip: 96, bust: 88 }, cup)),
    );
    expect(rankSizes(skirts, 'skirt', netOf(body), wishes({})).sizes.map((s) => s.name)).toEqual(['12']);
  });
});

describe('what a chart gets wrong', () => {
  it('a size twice, none, or thousands is no chart', () => {
    expect(text(chartFaults(chart('body', [row('12', { bust: 88 }), row('12', { bust: 92 })])))).toContain(
      'Size 12 is on this chart twice',
    );
    expect(text(chartFaults(chart('body', [])))).toContain('no sizes');
    const many = Array.from({ length: 2000 }, (_, i) => row(String(i), { bust: 80 + i / 100 }));
    expect(text(chartFaults(chart('body', many)))).toContain('2000 sizes');
  });
  it('a blank is neither for a size nor against it', () => {
    const body = netOf({ bust: 92, waist: 76, hip: 100 });
    const blank = chart('body', [
      row('12', { bust: 88, waist: 72, hip: 96 }),
      row('14', { bust: 92, hip: 100 }),
      row('16', { bust: 96, waist: 80, hip: 104 }),
    ]);
    expect(rankSizes(blank, 'upper', body, wishes({})).sizes[0]!.name).toBe('14');
    const bare = chart('body', [row('12', { bust: 88, waist: 72, hip: 96 }), row('20', { waist: 90 })]);
    expect(rankSizes(bare, 'upper', netOf({ bust: 88, waist: 72, hip: 96 }), wishes({})).sizes[0]!.name).toBe(
      '12',
    );
  });
  it('falling figures are asked about; a chart from the largest down is not', () => {
    const falls = chart('body', [row('10', { bust: 84 }), row('12', { bust: 78 }), row('14', { bust: 92 })]);
    expect(text(chartDoubts(falls))).toContain('falls from 84 cm in size 10 to 78 cm in size 12');
    expect(chartDoubts(chart('body', [row('14', { bust: 92 }), row('12', { bust: 88 })]))).toEqual([]);
  });
  it('a body table taken for finished garments is asked about, a body off both ends told, one place alone told', () => {
    const finished = chart('finished', EN_13402.rows);
    const eased = wishes({ bust: wish(5), waist: wish(5), hip: wish(5) });
    const on = (body: Readonly<Record<string, number>>, c = finished) =>
      text(rankSizes(c, 'upper', netOf(body), eased).says);
    expect(on({ bust: 88, waist: 72, hip: 96 })).toContain('Is this a table of bodies');
    expect(on({ bust: 88, waist: 72, hip: 96 }, EN_13402)).not.toContain('table of bodies');
    expect(on({ bust: 140, waist: 72 }, EN_13402)).toContain('At bust the body is larger than every size');
    expect(on({ bust: 70, waist: 72 }, EN_13402)).toContain('At bust the body is smaller than every size');
    expect(on({ bust: 88 }, EN_13402)).toContain('Only the bust is known of both');
    expect(on({ neck: 36 }, EN_13402)).toContain('Nothing that this chart gives was measured');
  });
  it('a body within a size’s span has nothing to alter; seam allowances in a finished chart are taken out', () => {
    const spans = chart('body', [
      { size: 'M', cup: null, at: { hip: { least: cm(94), most: cm(98) } } },
      { size: 'L', cup: null, at: { hip: { least: cm(99), most: cm(104) } } },
    ]);
    const at = (hip: number) => rankSizes(spans, 'skirt', netOf({ hip }), wishes({})).sizes[0]!;
    for (const hip of [94, 96, 98]) expect([at(hip).name, at(hip).work.hard]).toEqual(['M', 0]);
    expect(at(101).name).toBe('L');
    const seams = chart('finished', [row('M', { hip: 106 })], { allowance: cm(1.5) });
    const held = rankSizes(seams, 'skirt', netOf({ hip: 96 }), wishes({ hip: wish(4) })).sizes[0]!.zones[0]!;
    expect([held.finished, held.off]).toEqual([100, 0]);
    // A bust is altered at two edges and sewn at four; a sleeve has one seam, a length two ends.
    const each = chart('finished', [row('M', { bust: 100, 'upper-arm': 35, 'nape-to-waist': 44 })], {
      allowance: cm(1.5),
    });
    const all = rankSizes(
      each,
      'upper',
      netOf({ bust: 88, 'upper-arm': 28, 'nape-to-waist': 41 }),
      wishes({}),
    );
    expect(Object.fromEntries(all.sizes[0]!.zones.map((h) => [h.id, h.finished]))).toEqual({
      bust: 94,
      'upper-arm': 32,
      'nape-to-waist': 41,
    });
  });
});
