import { figure, sheetOf, skirtSpec } from '@rocchetto/contract/testing.ts';
import { openMatters, printSheet, type Sheet } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';

const BODY = ['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm'];
const piece = (s: Sheet, name: string, layer = 'outer') =>
  s.pieces.find((p) => p.name === name && p.layer === layer)!;
const notion = (s: Sheet, name: string) => s.notions.find((n) => n.name === name)!;

describe('the cut list', () => {
  it('front on the fold, back as a pair with the zip seam: quarter and allowances, length and hems', () => {
    const s = sheetOf(
      skirtSpec(BODY, {
        skirt: { hemOpening: { kind: 'slit', height: '10 cm' } },
        garment: { lining: 'cupro' },
      }),
    );
    const quarter = figure(s, 'hip').front!.exact;
    expect(piece(s, 'front')).toMatchObject({ count: 1, cut: 'on the fold' });
    expect(piece(s, 'front').width).toBeCloseTo(quarter + 1.5, 9);
    expect(piece(s, 'front').length).toBeCloseTo(62 + 1.3 + 4, 9);
    expect(piece(s, 'back')).toMatchObject({ count: 2, cut: 'a pair' });
    expect(piece(s, 'back').width).toBeCloseTo(quarter + 1.5 + 2, 9);
    expect(piece(s, 'front', 'lining').length).toBeCloseTo(62 + 1.3 + 1.2, 9);
  });
  it('a vent adds its extension to the outer back and not to the lining', () => {
    const s = sheetOf(skirtSpec(BODY, { garment: { lining: 'cupro' } }));
    expect(piece(s, 'back').width! - piece(s, 'back', 'lining').width!).toBeCloseTo(5, 9);
    expect(piece(s, 'back').note).toContain('vent extension');
  });
  it('with a side zip and a closed hem the back is on the fold too, and the left seam is told', () => {
    const s = sheetOf(
      skirtSpec(BODY, { skirt: { zip: 'left-side', hemOpening: { kind: 'none', height: '0 cm' } } }),
    );
    expect(piece(s, 'back')).toMatchObject({ count: 1, cut: 'on the fold' });
    expect(printSheet(s, 'cm').pieces[0]!.note).toContain('left side seam 2 cm for the zip');
  });
  it('unlined has no lining to cut and no lining hem to allow', () => {
    const s = sheetOf(skirtSpec(BODY));
    expect(s.pieces.some((p) => p.layer === 'lining')).toBe(false);
    expect(s.allowances.some((a) => a.name.includes('lining'))).toBe(false);
  });
  it('a waistband is cut longer than its finished length at each end; a faced waist has a facing instead', () => {
    const banded = sheetOf(skirtSpec(BODY));
    expect(piece(banded, 'waistband').length).toBeCloseTo(72.5 + 3 + 2.6, 9);
    expect(piece(banded, 'waistband', 'interfacing').width).toBe(3);
    const faced = sheetOf(skirtSpec(BODY, { skirt: { band: '0 cm' } }));
    expect(faced.pieces.map((p) => p.name)).toContain('waist facing');
    expect(faced.figures.some((f) => f.id.startsWith('band'))).toBe(false);
    expect(faced.notions.map((n) => n.name)).toContain('hook and eye');
  });
  it('says what each size is made of, in the reader’s unit, and the parts add up', () => {
    const printed = printSheet(sheetOf(skirtSpec(BODY)), 'cm').pieces;
    const back = printed.find((x) => x.piece === 'back')!;
    expect(back.why).toBe(
      'Width 25.75 cm hip, back quarter + 1.5 cm side seam + 2 cm centre back seam + 5 cm vent extension; length 62 cm longest hem line + 1.3 cm waist seam + 4 cm hem.',
    );
    expect(back.size).toBe('34.25 cm × 67.3 cm');
    expect(printed.every((x) => x.why.length > 10)).toBe(true);
  });
  it('cut sizes are rounded once, the house’s way', () => {
    const s = sheetOf(skirtSpec(BODY, { house: { rounding: { unit: 'in', step: 0.125, mode: 'up' } } }));
    for (const p of s.pieces.filter((x) => x.width !== null && x.length !== null))
      for (const side of [p.width!, p.length!])
        expect((side / 2.54) * 8).toBeCloseTo(Math.round((side / 2.54) * 8), 6);
  });
  it('an absent hip leaves sizes open rather than guessing', () => {
    const s = sheetOf(skirtSpec(['waist 70 cm']));
    expect(piece(s, 'front').width).toBeNull();
    expect(printSheet(s, 'cm').pieces[0]!.size).toBe('—');
    expect(s.notions.some((n) => n.name === 'cloth')).toBe(false);
  });
});

describe('what to lay ready', () => {
  const cloth = (width: string | null, more = BODY) =>
    sheetOf(skirtSpec(more, { garment: { cloth: { name: 'wool', width, weight: 300 } } }));
  it('cloth: one length where front and backs lie side by side, two where they do not, three where a whole piece is wider', () => {
    const one = notion(cloth('150 cm'), 'cloth');
    expect(one.length).toBeCloseTo(62 + 1.3 + 4 + 8.6, 9);
    expect(notion(cloth('90 cm'), 'cloth').length).toBeCloseTo(2 * 67.3 + 8.6, 9);
    expect(notion(cloth('60 cm'), 'cloth').length).toBeCloseTo(3 * 67.3 + 8.6, 9);
    expect(cloth(null).notions.some((n) => n.name === 'cloth')).toBe(false);
  });
  it.each([
    [80, '70'],
    [200, '80'],
    [300, '90'],
  ])('needle for %d g/m²: size %s (common practice)', (weight, size) =>
    expect(notion(sheetOf(skirtSpec(BODY, { garment: { cloth: { weight } } })), 'needle').note).toContain(
      size,
    ),
  );
  it('a zip long enough for the hips to pass, from the stocked list', () => {
    const s = sheetOf(skirtSpec(BODY));
    const depth = (20 * (98 - 72.5)) / (103 - 72.5);
    expect(figure(s, 'zip').terms[0]!.cm).toBeCloseTo(depth, 9);
    expect(notion(s, 'zip').length).toBe(18);
  });
  it('with a hip set by hand and none read it reaches the widest finished line, and is marked estimated', () => {
    const s = sheetOf(
      skirtSpec(['waist 70 cm', 'waist-to-hip 21 cm'], {
        rest: {
          overrides: [
            {
              figure: 'hip',
              target: 'finished',
              value: '102 cm',
              reason: 'from a skirt that fits',
              by: '',
              at: '',
            },
          ],
        },
      }),
    );
    expect(figure(s, 'zip')).toMatchObject({ finished: 22, marks: ['estimated'] });
    expect(openMatters(s)).toEqual([]);
  });
  it('a skirt too narrow for the body has no zip that helps, and says so', () => {
    const s = sheetOf(
      skirtSpec(BODY, {
        rest: {
          overrides: [{ figure: 'hip', target: 'finished', value: '95 cm', reason: 'trial', by: '', at: '' }],
        },
      }),
    );
    expect(figure(s, 'zip').finished).toBeNull();
    expect(s.checks.find((k) => k.code === 'zip')).toMatchObject({ state: 'warned' });
  });
});

describe('cautions and checks', () => {
  it('pins and stride are always told; a hem near the floor is a trip hazard', () => {
    const codes = (lines: string[]) => sheetOf(skirtSpec([...BODY, ...lines])).cautions.map((c) => c.code);
    expect(codes([])).toEqual(['pins', 'stride']);
    expect(codes(['waist-to-floor 100 cm', 'hem-front 97 cm', 'hem-left 97 cm'])).toContain('trip');
  });
  it('a dart does not eat the room at the high hip without a word', () => {
    const room = (highHip: number) =>
      sheetOf(
        skirtSpec([
          'waist 70 cm',
          `high-hip ${highHip} cm`,
          'waist-to-high-hip 7 cm',
          'hip 100 cm',
          'waist-to-hip 20 cm',
        ]),
      ).checks.find((k) => k.code === 'room-high-hip')!;
    expect(room(80).state).toBe('passed');
    expect(room(97)).toMatchObject({ state: 'warned' });
    expect(room(97).sentence).toContain('Shorten the darts');
  });
  it('readings over clothes or from the client are to be confirmed before cutting', () => {
    const spec = skirtSpec(BODY);
    const [waist, ...rest] = spec.readings;
    const codes = (more: object) =>
      sheetOf({ ...spec, readings: [{ ...waist!, ...more }, ...rest] })
        .checks.filter((k) => k.state === 'warned')
        .map((k) => k.code);
    expect(codes({ tape: 'over-clothes' })).toContain('clothes-waist');
    expect(codes({ source: 'reported by client' })).toContain('reported-waist');
  });
  it('relations between figures are checked again on the sheet', () => {
    expect(
      sheetOf(skirtSpec(['waist 99 cm', 'hip 98 cm', 'waist-to-hip 20 cm'])).checks.find(
        (k) => k.code === 'waist-over-hip',
      )?.state,
    ).toBe('warned');
  });
  it('rounding a girth further than its tolerance warns of the drift', () => {
    const drift = (hip: string) =>
      sheetOf(
        skirtSpec(['waist 70 cm', hip, 'waist-to-hip 20 cm'], {
          house: { rounding: { unit: 'in', step: 0.5, mode: 'up' } },
        }),
      ).checks.find((k) => k.code === 'drift-hip')!;
    expect(drift('hip 97 cm').state).toBe('warned');
    expect(drift('hip 96.6 cm').state).toBe('passed');
  });
});

describe('what is printed', () => {
  it('names wanted and actual fit by both schools', () => {
    const { fit } = printSheet(
      sheetOf(skirtSpec(BODY, { garment: { school: 'envelope', fit: 'semi-fitted' } })),
      'in',
    );
    expect(fit).toContain('Wanted semi-fitted (pattern envelope)');
    expect(fit).toContain(
      'Hip ease 3 5⁄8 in: semi-fitted by the workroom, semi-fitted by the pattern envelope',
    );
  });
  it('tells sentences in the reader’s unit', () => {
    const s = sheetOf(skirtSpec(BODY));
    expect(printSheet(s, 'cm').checks.find((k) => k.code === 'floor-hip')!.text).toBe(
      'hip: ease 5 cm, the floor in a woven is 4 cm (room to sit).',
    );
    expect(printSheet(s, 'in').checks.find((k) => k.code === 'floor-hip')!.text).toContain(
      'ease 2 in, the floor in a woven is 1 5⁄8 in',
    );
    expect(JSON.stringify(printSheet(s, 'in'))).not.toContain('{cm:');
  });
  it('gives tolerances as the trade says them', () => {
    const of = (unit: 'cm' | 'in') =>
      printSheet(sheetOf(skirtSpec(BODY)), unit).figures.map((f) => [f.id, f.tolerance]);
    expect(Object.fromEntries(of('cm'))).toMatchObject({
      waist: '± 1 cm',
      'hem-front': '± 0.6 cm',
      'dart-back-intake': '± 0.3 cm',
    });
    expect(Object.fromEntries(of('in'))).toMatchObject({
      waist: '± 3⁄8 in',
      'hem-front': '± 1⁄4 in',
      'dart-back-intake': '± 1⁄8 in',
    });
  });
  it('says how marked figures were rounded', () => {
    const rounding = (r: object) =>
      printSheet(sheetOf(skirtSpec(BODY, { house: { rounding: r } })), 'cm').rounding;
    expect(rounding({ unit: 'cm', step: 0, mode: 'up' })).toContain('exact');
    expect(rounding({ unit: 'cm', step: 0.1, mode: 'nearest' })).toContain('to the nearest 1 mm');
    expect(rounding({ unit: 'in', step: 0.125, mode: 'up' })).toContain('up to the next 1⁄8 in');
  });
});
