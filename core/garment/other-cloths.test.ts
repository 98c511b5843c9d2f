import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { sewnLength } from '../draft/measure.ts';
import { wholePanels } from '../pattern/whole-panels.ts';
import { bundlesOf } from '../sheet/bundles.ts';
import { printSheet } from '../sheet/print.ts';
import { cm } from '../units/length.ts';
import { lengthNeeded } from './cloth.ts';
import { GARMENTS } from './garments.ts';
import { capEase } from './meeting.ts';
import { CUT_KINDS } from './other-cloths.ts';
import { asLines, randomBody, seeded } from './testing.ts';

// That each cloth is laid, bought and sewn by itself, and that a seam of two cloths goes by the one that gives least, is
// common practice and has no source.
const lines = asLines(randomBody(seeded(8)));
const parts = [
  { part: 'darted-bodice', zip: 'centre-back' },
  { part: 'sleeve' },
  { part: 'straight-skirt', length: '62 cm' },
];
const made = (garment: object, of: readonly object[] = parts) =>
  sheetOf(garmentSpec(of as never, lines, { garment: { parts: of, ...garment } as never }));
const crepe = { name: 'crêpe', width: '150 cm' };
const jersey = { name: 'jersey', width: '150 cm', stretch: 40 };
const EXPECTED: Readonly<Record<string, string>> = { 'button-band': 'band' };
const lace = { name: 'lace', width: '90 cm', of: ['sleeve'] };
type Made = ReturnType<typeof made>;
const buys = (s: Made, name: string) => s.notions.find((n) => n.name === name);
const figure = (s: Made, id: string) => s.figures.find((f) => f.id === id)!;
const warned = (s: Made) => s.checks.filter((k) => k.state === 'warned').map((k) => k.code);
const cutFrom = (s: Made, name: string) => s.pieces.filter((p) => p.cloth === name).map((p) => p.panel);

describe('cloths beside the order’s own', () => {
  it('are laid and bought each by itself, at its own width; what they take is not bought of the first', () => {
    const [one, two] = [made({ cloth: crepe }), made({ cloth: crepe, cloths: [lace] })];
    const own = two.pieces.filter((p) => p.cloth === 'lace');
    expect(own.length).toBeGreaterThan(0);
    expect(own.every((p) => p.from === 'second')).toBe(true);
    expect(two.pieces.filter((p) => p.panel.startsWith('sleeve.') && p.layer === 'outer')).toEqual(own);
    expect(buys(two, 'cloth')!.length!).toBeLessThan(buys(one, 'cloth')!.length!);
    const needed = lengthNeeded(own, cm(90))!;
    expect(buys(two, 'second cloth')!.length!).toBeCloseTo(Math.ceil(needed / 5 - 1e-9) * 5, 6);
    expect(buys(two, 'second cloth')!.note).toContain('lace');
    expect(buys(one, 'second cloth')).toBeUndefined();
  });

  it('may be for kinds of panels, which go before whole parts, and are named on the cut list and on their bundles', () => {
    const s = made({
      cloth: crepe,
      cloths: [
        { ...lace, of: ['yoke'] },
        { name: 'velvet', width: '110 cm', of: ['bodice'] },
        { name: 'satin', width: '140 cm', of: ['facing'] },
      ],
      steps: [{ step: 'seam-back', part: 0, amount: '12 cm' }],
    });
    expect(cutFrom(s, 'lace')).toEqual(['bodice.back-yoke']);
    expect(cutFrom(s, 'velvet')).not.toContain('bodice.back-yoke');
    expect(cutFrom(s, 'velvet')).toContain('bodice.front');
    expect(cutFrom(s, 'satin').every((id) => /facing/.test(id))).toBe(true);
    expect(cutFrom(s, 'satin').length).toBeGreaterThan(0);
    const printed = printSheet(s, 'cm');
    expect(bundlesOf(printed).map((b) => b.layer)).toEqual(
      expect.arrayContaining(['outer', 'outer, lace', 'outer, velvet', 'outer, satin']),
    );
    expect(printed.head.filter(([label]) => / cloth$/.test(label))).toEqual([
      ['Second cloth', 'lace, 90 cm wide; for what lies above a seam across'],
      ['Third cloth', 'velvet, 110 cm wide; for darted bodice'],
      ['Fourth cloth', 'satin, 140 cm wide; for facings'],
    ]);
  });

  it.each(Object.keys(CUT_KINDS))(
    '%s: there are such panels, and all of them are cut from the cloth that is for them',
    (of) => {
      const found = [
        ...GARMENTS.map((g) =>
          sheetOf(garmentSpec(g.id, lines, { garment: { cloths: [{ ...lace, of: [of] }] } as never })),
        ),
        made({
          cloth: crepe,
          cloths: [{ ...lace, of: [of] }],
          steps: [{ step: 'seam-back', part: 0, amount: '12 cm' }],
        }),
        made({ cloth: crepe, cloths: [{ ...lace, of: [of] }] }, [
          { part: 'darted-bodice', closes: 'buttons', zip: 'centre-front' },
          { part: 'sleeve', end: 'cuff' },
          { part: 'gored-skirt', length: '100 cm', train: '45 cm' },
          { part: 'details', pockets: 'patch' },
        ]),
      ].flatMap((s) => cutFrom(s, 'lace'));
      expect(found.length).toBeGreaterThan(0);
      expect(found.filter((id) => !new RegExp(EXPECTED[of] ?? of).test(id))).toEqual([]);
    },
  );

  it('too narrow for a piece, or for no piece at all, is told', () => {
    const told = (cloth: object) => warned(made({ cloth: crepe, cloths: [cloth] }));
    expect(told({ ...lace, width: '20 cm' })).toContain('cloth-second');
    expect(told({ ...lace, of: ['collar'] })).toContain('cloth-second-idle');
    expect(told({ ...lace, of: [] })).toContain('cloth-second-idle');
    expect(told(lace)).not.toContain('cloth-second-idle');
    const all = ['bodice', 'sleeve', 'skirt', 'facing'];
    expect(told({ ...lace, of: all })).toContain('cloth-outer-idle');
    expect(told({ ...lace, of: all.slice(1) })).not.toContain('cloth-outer-idle');
  });

  it('a sleeve of a cloth that does not stretch is eased in and kept wide enough as that wants, not as its bodice does', () => {
    const close = { fit: 'close', cloth: jersey };
    const [knit, mixed] = [made(close), made({ ...close, cloths: [lace] })];
    const woven = made({ fit: 'close', cloth: crepe });
    const arm = 'sleeve.upper-arm';
    const eased = (s: Made) => {
      const sum = (key: string, edge: string) =>
        s.panels
          .filter((p) => p.id.startsWith(key) && p.layer === 'outer')
          .reduce((n, p) => n + (p.edges.some((e) => e.id === edge) ? sewnLength(p, edge) : 0), 0);
      return sum('sleeve.', 'cap') - sum('bodice.', 'armhole');
    };
    const wanted = capEase(0);
    for (const s of [mixed, woven])
      expect(wanted.kind === 'eased' && eased(s) >= wanted.least && eased(s) <= wanted.most).toBe(true);
    expect(wanted.kind === 'eased' && eased(knit) < wanted.least).toBe(true);
    expect(knit.checks.map((k) => k.code)).not.toContain('sleeve.floor-upper-arm');
    expect(figure(mixed, arm).finished!).toBeGreaterThan(0);
    expect(mixed.checks.map((k) => k.code)).toContain('sleeve.floor-upper-arm');
    // The bodice is as it was: its own cloth stretches.
    expect(figure(mixed, 'bust').finished).toBe(figure(knit, 'bust').finished);
    expect(figure(mixed, 'bust').gives).toBeUndefined();
  });

  it('a line that two cloths cross goes by the one that gives least, and says so', () => {
    const close = { fit: 'close', cloth: jersey };
    const knit = made(close);
    const mixed = made({ ...close, cloths: [{ name: 'gabardine', width: '150 cm', of: ['skirt'] }] });
    const woven = made({ fit: 'close', cloth: crepe });
    expect(figure(mixed, 'waist').finished).toBe(figure(woven, 'waist').finished);
    expect(figure(mixed, 'waist').why.at(-1)).toMatch(
      /^Made for the cloth that gives least of those that lie there: it stretches 0 %\.$/,
    );
    expect(figure(mixed, 'hip').finished).toBe(figure(woven, 'hip').finished);
    expect(figure(mixed, 'bust').finished).toBe(figure(knit, 'bust').finished);
    expect(mixed.checks.map((k) => k.code)).toEqual(expect.arrayContaining(['floor-waist', 'floor-hip']));
    expect(mixed.checks.map((k) => k.code)).not.toContain('floor-bust');
    // The other way round the skirt's stretch helps nobody at the waist.
    const turned = made({ fit: 'close', cloth: crepe, cloths: [{ ...jersey, of: ['skirt'] }] });
    expect(figure(turned, 'waist').finished).toBe(figure(woven, 'waist').finished);
    expect(figure(turned, 'hip').finished).toBe(figure(knit, 'hip').finished);
    expect(figure(turned, 'hip').why.at(-1)).toMatch(/it stretches 40 %\.$/);
  });

  it('panels of a kind that give less than they are drafted for are told; whole parts are drafted for their own', () => {
    const yoke = { fit: 'close', cloth: jersey, steps: [{ step: 'seam-back', part: 0, amount: '12 cm' }] };
    const gives = (cloth: object) => warned(made({ ...yoke, cloths: [cloth] }));
    expect(gives({ ...lace, of: ['yoke'] })).toContain('cloth-second-gives');
    expect(gives({ ...lace, of: ['yoke'], stretch: 40 })).not.toContain('cloth-second-gives');
    expect(gives(lace)).not.toContain('cloth-second-gives');
    expect(warned(made({ ...yoke, fit: 'loose', cloths: [{ ...lace, of: ['yoke'] }] }))).not.toContain(
      'cloth-second-gives',
    );
  });

  it('a second skin of a cloth that stretches too little is told for each', () => {
    const skin = { fit: 'second-skin', cloth: { ...jersey, stretch: 60 } };
    expect(warned(made(skin))).not.toContain('fit-stretch');
    expect(warned(made({ ...skin, cloths: [lace] }))).toContain('fit-stretch-second');
    expect(warned(made({ ...skin, cloths: [{ ...lace, stretch: 60 }] }))).not.toContain('fit-stretch-second');
  });

  it('a skirt of its own cloth is divided by that cloth’s width', () => {
    const gathered = [parts[0]!, { part: 'gathered-skirt', length: '62 cm' }];
    const panels = (garment: object) =>
      made(garment, gathered)
        .pieces.filter((p) => p.panel.startsWith('skirt.') && p.layer === 'outer')
        .reduce((n, p) => n + p.count, 0);
    const tulle = { name: 'tulle', width: '70 cm', of: ['skirt'] };
    expect(panels({ cloth: crepe, cloths: [tulle] })).toBe(panels({ cloth: { ...crepe, width: '70 cm' } }));
    expect(panels({ cloth: crepe, cloths: [tulle] })).toBeGreaterThan(panels({ cloth: crepe }));
  });

  it('how a cloth is laid, marked and sewn holds for its own pieces alone', () => {
    const s = made({ cloth: crepe, cloths: [{ ...lace, oneWay: true, frays: true, weight: 60 }] });
    const upward = s.pieces.filter((p) => /top upward/.test(p.grain)).map((p) => p.panel);
    expect(upward).toEqual(cutFrom(s, 'lace'));
    const kinds = (key: string) =>
      new Set(s.panels.filter((p) => p.id.startsWith(key)).flatMap((p) => p.marks.map((m) => m.kind)));
    expect(kinds('sleeve.').has('thread mark')).toBe(true);
    expect(kinds('sleeve.').has('notch')).toBe(false);
    expect(kinds('bodice.').has('notch')).toBe(true);
    expect(s.checks.find((k) => k.code === 'cloth-second-frays')!.sentence).toMatch(
      /^The second cloth \(lace\) frays/,
    );
    expect(s.checks.map((k) => k.code)).not.toContain('cloth-frays');
    const side = (key: string) =>
      s.panels.find((p) => p.id.startsWith(key))!.edges.find((e) => /side|underarm/.test(e.id))!.allowance;
    expect(side('sleeve.')).toBeGreaterThan(side('bodice.'));
    expect(s.allowances.filter((a) => /Sleeve/i.test(a.name)).length).toBeGreaterThan(0);
    expect(s.notions.map((n) => n.name)).toEqual(
      expect.arrayContaining(['thread', 'thread, lace', 'needle, lace', 'stitch, lace']),
    );
  });

  it('what frays or is sheer may be mounted: its main panels lie once more in their underlining, as they are', () => {
    const bare = { cloth: crepe, cloths: [{ ...lace, sheer: true }] };
    const mounted = { cloth: crepe, cloths: [{ ...lace, sheer: true, frays: true, underlining: 'organza' }] };
    expect(warned(made(bare))).toContain('cloth-second-sheer');
    const s = made(mounted);
    expect(warned(s)).not.toContain('cloth-second-sheer');
    const beneath = s.panels.filter((p) => p.layer === 'underlining');
    expect(beneath.map((p) => p.id)).toEqual(['sleeve.sleeve-underlining']);
    const outer = s.panels.find((p) => p.id === 'sleeve.sleeve')!;
    expect(beneath[0]!.edges).toEqual(outer.edges);
    expect(beneath[0]!.marks.some((m) => m.kind === 'thread mark')).toBe(false);
    const piece = s.pieces.find((p) => p.layer === 'underlining')!;
    expect(piece).toMatchObject({ panel: 'sleeve.sleeve-underlining', cloth: 'organza', count: 2 });
    expect(piece.from).toBeUndefined();
    expect(buys(s, 'underlining')!.note).toMatch(/^organza; pieces in rows/);
    expect(s.checks.find((k) => k.code === 'cloth-second-frays')!.sentence).toMatch(/mounted on organza/);
    expect(printSheet(s, 'cm').head).toContainEqual([
      'Second cloth',
      'lace, 90 cm wide, loosely woven, frays, sheer, underlined with organza; for set-in sleeve',
    ]);
  });

  it('an underlining lies in every girth over it, once: 2π × 0.3 mm (geometry; thickness a house figure)', () => {
    const [bare, mounted] = [made({ cloth: crepe }), made({ cloth: { ...crepe, underlining: 'organza' } })];
    for (const id of ['bust', 'waist', 'hip'])
      expect(figure(mounted, id).finished! - figure(bare, id).finished!).toBeCloseTo(2 * Math.PI * 0.03, 9);
    const skirt = made({ cloth: crepe, cloths: [{ ...crepe, underlining: 'organza', of: ['skirt'] }] });
    expect(figure(skirt, 'bust').finished).toBe(figure(bare, 'bust').finished);
    expect(figure(skirt, 'waist').finished).toBe(figure(mounted, 'waist').finished);
    // Each main panel is cut once more; facings and bands are not.
    const outer = mounted.panels.filter((p) => p.layer === 'outer' && !/facing|band/.test(p.id));
    expect(mounted.panels.filter((p) => p.layer === 'underlining').map((p) => p.id)).toEqual(
      outer.map((p) => `${p.id}-underlining`),
    );
    const lining = made({ cloth: { ...crepe, underlining: 'organza' }, lining: 'cupro' });
    expect(figure(lining, 'hip').terms.filter((t) => t.kind === 'layers')).toHaveLength(1);
  });

  it('a word that is no part and no kind of panels stands as it was written, and is for no piece', () => {
    const s = made({ cloth: crepe, cloths: [{ ...lace, of: ['constructor', 'collar'] }] });
    expect(warned(s)).toContain('cloth-second-idle');
    expect(Object.fromEntries(printSheet(s, 'cm').head)['Second cloth']).toBe(
      'lace, 90 cm wide; for constructor, collar',
    );
  });

  it('an underlining that nothing is mounted on is told', () => {
    const of = (...cut: string[]) =>
      warned(made({ cloth: crepe, cloths: [{ ...lace, underlining: 'organza', of: cut }] }));
    expect(of('facing')).toContain('underlining-second-idle');
    expect(of('sleeve')).not.toContain('underlining-second-idle');
  });

  it('a seam across a part of a fraying cloth gets what that wants', () => {
    const seam = { steps: [{ step: 'seam-back', part: 0, amount: '12 cm' }] };
    const across = (cloths?: object) => {
      const yoke = made({ cloth: crepe, ...seam, ...(cloths ? { cloths: [cloths] } : {}) }).panels.find(
        (p) => p.id === 'bodice.back-yoke',
      )!;
      return yoke.edges.find((e) => e.id === 'yoke' || /seam|across/.test(e.id))!.allowance;
    };
    expect(across({ ...lace, of: ['bodice'], frays: true })).toBeGreaterThan(across());
  });

  it('what a panel with a faced hem is mounted on ends with it', () => {
    const s = made({ cloth: { ...crepe, underlining: 'organza' }, own: { hemFaced: true } });
    const hem = (id: string) => s.panels.find((p) => p.id === id)!.edges.find((e) => e.id === 'hem')!;
    expect(hem('skirt.front').turned).toBeUndefined();
    expect(hem('skirt.front-underlining')).toEqual(hem('skirt.front'));
    expect(s.panels.filter((p) => /underlining.*facing/.test(p.id))).toEqual([]);
  });

  it('a boned bodice that has its own is not underlined twice, and keeps its channels; beside it a skirt is mounted', () => {
    const gown = [
      { part: 'boned-bodice', underlined: true },
      { part: 'gored-skirt', length: '100 cm' },
    ];
    const s = made({ fit: 'boned', cloth: { ...crepe, underlining: 'organza' } }, gown);
    const ids = s.panels.map((p) => p.id);
    expect(new Set(ids).size).toBe(ids.length);
    const channels = (of: Made) =>
      wholePanels(of).flatMap((p) => p.marks.filter((m) => m.kind === 'bone channel')).length;
    const bare = made({ fit: 'boned', cloth: crepe }, gown);
    expect(channels(s)).toBe(channels(bare));
    const only = [{ ...gown[0]!, underlined: false }, gown[1]!];
    const mixed = {
      fit: 'boned',
      cloth: crepe,
      cloths: [{ ...crepe, underlining: 'organza', of: ['skirt'] }],
    };
    expect(channels(made(mixed, only))).toBe(channels(made({ fit: 'boned', cloth: crepe }, only)));
    expect(channels(made(mixed, only))).toBeGreaterThan(0);
  });

  it('one other cloth, as briefs were written before, is read as it was', () => {
    const { of, ...cloth } = lace;
    const before = made({ cloth: crepe, second: { name: cloth.name, width: cloth.width, of } });
    expect(before.input.brief.cloths).toEqual(made({ cloth: crepe, cloths: [lace] }).input.brief.cloths);
    expect(cutFrom(before, 'lace').length).toBeGreaterThan(0);
  });

  it.each([
    [
      [lace, { name: 'net', of: ['sleeve'] }],
      /Cut from the second cloth already: set-in sleeve\. Leave it out of the third cloth/,
    ],
    [[lace, lace, lace, lace], /four cloths at most/],
    [[{ ...lace, of: ['../x'] }], /Choose parts of the garment/],
    [[{ ...lace, stretch: 900 }], /300/],
  ])('what cannot be is refused: %#', (cloths, says) => {
    expect(() => made({ cloth: crepe, cloths })).toThrow(says);
  });
});
