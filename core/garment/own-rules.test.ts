import { toSheetInput } from '@rocchetto/contract';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { computeSheet } from '../sheet/compute.ts';
import { printSheet } from '../sheet/print.ts';

// Worked by hand with an invented body; allowances and ease agreed per order are common practice and have no source.
const BODY = [
  'waist 70 cm',
  'hip 96 cm',
  'waist-to-hip 20 cm',
  'waist-to-knee 58 cm',
  'waist-to-floor 104 cm',
];
const sheet = (garment: object, which = 'straight-skirt', lines: readonly string[] = BODY) => {
  const made = computeSheet(toSheetInput(garmentSpec(which, lines, { garment })));
  const figure = (id: string) => made.figures.find((f) => f.id === id);
  return { ...made, figure, printed: printSheet(made, 'cm') };
};
const allowance = (s: ReturnType<typeof sheet>, name: string) =>
  s.printed.allowances.find((a) => a.name.startsWith(name));

describe('allowances of an order alone', () => {
  it('lie on the panels above the studio’s, and the list says whose they are', () => {
    const s = sheet({ own: { allowances: { hem: '2 cm', side: '2.2 cm' } } });
    const front = s.panels.find((p) => p.id === 'skirt.front')!;
    expect(front.edges.find((e) => e.id === 'side')!.allowance).toBe(2.2);
    expect(front.edges.find((e) => e.id === 'hem')!.allowance).toBe(2);
    expect(allowance(s, 'hem')).toEqual({ name: 'hem (this order’s own)', text: '2 cm' });
    // What was left empty goes by the studio.
    expect(allowance(sheet({}), 'hem')).toEqual({ name: 'hem', text: '4 cm' });
    expect(allowance(s, 'waist')?.name).not.toContain('own');
  });
  it('a hem turned twice takes its depth twice', () => {
    const s = sheet({ own: { hemTwice: true, allowances: { hem: '2 cm' } } });
    expect(allowance(s, 'hem')).toEqual({ name: 'hem, turned twice (this order’s own)', text: '4 cm' });
  });
  it('none at all: a panel is cut as large as it is, and the sheet says so', () => {
    const [none, usual] = [sheet({ own: { none: true } }), sheet({})];
    const cut = (s: typeof none) => s.pieces.find((p) => p.panel === 'skirt.front')!;
    expect(Math.max(...none.panels.flatMap((p) => p.edges.map((e) => e.allowance)))).toBe(0);
    // A side seam of 1.5, a waist of 1.3 and a hem of 4 are what the studio would have cut around it.
    expect(cut(usual).width! - cut(none).width!).toBeCloseTo(1.5, 0);
    expect(cut(usual).length! - cut(none).length!).toBeCloseTo(5.3, 0);
    expect(none.checks.map((k) => k.sentence)).toContain(
      'No allowances: every line is a sewing line; give each edge its own when it is cut.',
    );
    // A casing is turned down with the shape: that is told, since it is no allowance.
    const cased = sheet({ own: { none: true }, cloth: { stretch: 60 } }, 'knit-skirt').printed.checks;
    expect(cased.find((k) => k.code === 'no-allowances')!.text).toContain(
      'keeps its depth: waist of the skirt front',
    );
  });
  it.each([
    ['a zip', { allowances: { zip: '0.8 cm' } }, {}, 'A zip is sewn into at least 1.3'],
    [
      'French seams',
      { allowances: { side: '0.6 cm' } },
      { cloth: { sheer: true } },
      'French seams, which take 1',
    ],
    [
      'overcast edges',
      { allowances: { side: '0.6 cm' } },
      { cloth: { frays: true } },
      'overcast edges need at least 1',
    ],
    [
      'letting out',
      { allowances: { side: '1.5 cm' } },
      { letOut: true },
      'Room to let out was asked for, which takes 3',
    ],
    ['letting out of none', { none: true }, { letOut: true }, 'nothing can be let out'],
  ])('below what %s needs is told', (_, own, more, words) => {
    const told = sheet({ own, ...more }).printed.checks.filter((k) => k.state === 'warned');
    expect(told.map((k) => k.text).join('\n')).toContain(words);
  });
});

describe('ease of an order alone', () => {
  it('0 at every girth: 96 is 96, a quarter 24; one reason stands for the garment', () => {
    const s = sheet({ own: { girths: '0 cm', why: 'she wears it over bare skin.' } });
    expect(s.figure('hip')!.finished).toBe(96);
    expect(s.figure('hip')!.shares.map((x) => x.rounded)).toEqual([24, 24]);
    expect(s.printed.figures.find((f) => f.id === 'hip')!.why.join('\n')).toContain(
      'This order’s own ease: she wears it over bare skin.',
    );
    // A floor that it goes below is told with that reason, not asked again at each line.
    const floors = s.checks.filter((k) => k.code.startsWith('floor-'));
    expect(floors.map((k) => k.state)).toEqual(floors.map(() => 'passed'));
    expect(floors.find((k) => k.code === 'floor-hip')!.sentence).toContain('over bare skin');
  });
  it('of one place counts above that of every girth', () => {
    const s = sheet({ own: { girths: '0 cm', ease: { hip: '3 cm' }, why: 'as her last one' } });
    expect(s.figure('hip')!.finished).toBe(99);
    expect(s.figure('waist')!.finished).toBe(70);
  });
  it('that moves nothing is told: what is pulled on has the room to pass, and no ease at the hip', () => {
    const body = [...BODY, 'rise 27 cm', 'inseam 76 cm', 'thigh 58 cm'];
    const s = sheet({ own: { ease: { hip: '0 cm' }, why: 'close' } }, 'pull-on-trousers', body);
    expect(s.printed.checks.find((k) => k.state === 'warned')?.text).toBe(
      'This order’s own ease at the hip moves nothing: the garment has no figure with that ease.',
    );
    const tight = { parts: [{ part: 'pull-on-trousers', passes: '0 cm' }] };
    expect(
      sheet(tight, 'pull-on-trousers', body).printed.checks.find((k) => k.code === 'trousers.passes'),
    ).toMatchObject({ state: 'warned' });
  });
});

describe('what cannot be', () => {
  const refused = (own: object) => {
    try {
      sheet({ own });
      return '';
    } catch (e) {
      return String((e as Error).message);
    }
  };
  it('is refused in a sentence', () => {
    expect(refused({ girths: '0 cm' })).toContain('write why, once for the whole garment');
    expect(refused({ none: true, allowances: { hem: '2 cm' } })).toContain('leave one of the two out');
    expect(refused({ allowances: { hem: 'two' } })).toMatch(/two/);
  });
});
