import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { relationsOf } from '../checks/relations.ts';
import { printSheet } from '../sheet/print.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { asLines, type Body } from './testing.ts';
import { FULL_BODY } from './testing-full-body.ts';

const sheet = (body: Body, part: object = { part: 'darted-bodice' }) =>
  sheetOf(garmentSpec([part as { part: string }], asLines(body), { house: { rounding: EXACT } }));
const without = (...ids: string[]): Body =>
  Object.fromEntries(Object.entries(FULL_BODY).filter(([id]) => !ids.includes(id)));
const broken = (of: Body, code: string) =>
  relationsOf('across-shoulder')
    .filter((r) => r.code === code)
    .map((r) => r.says(r.touches.map((id) => cm(of[id]!))));

describe('neck and shoulders: any two of three make the third', () => {
  const slope = (Math.asin(4.4 / 12.5) * 180) / Math.PI;
  it('a neck that was not read is what across shoulder leaves beside the shoulders', () => {
    const f = figure(sheet(without('neck-width')), 'bodice.neck-half');
    expect(f.finished).toBeCloseTo(39 / 2 - 12.5 * Math.cos((slope * Math.PI) / 180), 6);
    expect(f.marks).toContain('estimated');
    expect(JSON.stringify(f.terms)).toContain('leaves beside a shoulder');
  });
  it('across shoulder that was not read is shoulders and neck together: nothing is missing', () => {
    const f = figure(sheet(without('across-shoulder', 'across-back', 'across-front')), 'bodice.across-back');
    expect(f.finished).toBeCloseTo(7.5 + 12.5 * Math.cos((slope * Math.PI) / 180) - 1, 6);
  });
  it('how far the shoulder drops gives its slope, on a bodice, a top and the quarter plan alike', () => {
    for (const part of [
      { part: 'darted-bodice' },
      { part: 'top' },
      { part: 'darted-bodice', plan: 'quarter' },
    ]) {
      const drop = (body: Body) => {
        const s = sheet(body, part);
        const front = s.panels.find((p) => p.id.endsWith('.back'))!;
        const [from, to] = front.edges.find((e) => e.id === 'shoulder')!.path[0]! as never as [
          [number, number],
          [number, number],
        ];
        return Math.abs(to[1] - from[1]) / Math.hypot(to[0] - from[0], to[1] - from[1]);
      };
      expect(drop(FULL_BODY), JSON.stringify(part)).toBeCloseTo(4.4 / 12.5, 1);
      expect(drop({ ...FULL_BODY, 'shoulder-drop': 6 }) - drop(FULL_BODY)).toBeGreaterThan(0.08);
    }
  });
  it('shoulders that leave no neck are asked about, in inches as in centimetres; 18 ½ across with 5 3⁄16 twice is', () => {
    const [said] = broken(
      { 'across-shoulder': 18.5 * 2.54, shoulder: 5.1875 * 2.54 },
      'neck-between-shoulders',
    );
    expect(said).toContain(`leaves ${say(cm(18.5 * 2.54 - 2 * 5.1875 * 2.54 * Math.cos(Math.PI / 9)))}`);
    expect(broken({ 'across-shoulder': 39, shoulder: 12.5 }, 'neck-between-shoulders')).toEqual([null]);
    expect(
      broken({ 'across-shoulder': 44, shoulder: 12.5, 'neck-width': 15 }, 'across-shoulder-parts')[0],
    ).toContain('apart');
    expect(
      broken({ 'across-shoulder': 42.9, shoulder: 12.5, 'neck-width': 15 }, 'across-shoulder-parts'),
    ).toEqual([null]);
  });
});

describe('the quarter plan starts from what its people read', () => {
  const FIVE = { bust: 92, waist: 74, 'across-shoulder': 39, 'neck-to-bust': 27, 'bust-to-waist': 17 };
  const quarter = (body: Body) => sheet(body, { part: 'darted-bodice', plan: 'quarter' });
  it('bust, waist, across shoulder and two heights are enough; the span is a tenth of the bust, marked', () => {
    const s = quarter(FIVE);
    expect(s.figures.filter((f) => f.finished === null)).toEqual([]);
    expect(figure(s, 'bodice.apex').finished).toBeCloseTo(9.2, 9);
    expect(figure(s, 'bodice.apex').marks).toContain('estimated');
    expect(figure(s, 'bodice.waist-front').finished).toBeCloseTo(27 + 17 + 0.6, 6);
    expect(figure(s, 'bodice.waist-back').finished).toBe(figure(s, 'bodice.waist-front').finished);
    expect(s.panels.length).toBeGreaterThan(1);
  });
  it('shoulder and neck width do instead of across shoulder', () => {
    const { 'across-shoulder': _, ...rest } = FIVE;
    const s = quarter({ ...rest, shoulder: 12.5, 'neck-width': 15 });
    expect(s.figures.filter((f) => f.finished === null)).toEqual([]);
    expect(figure(s, 'bodice.neck-half').finished).toBe(7.5);
    expect(figure(s, 'bodice.shoulder').finished).toBe(12.5);
    expect(figure(s, 'bodice.across-back').finished).toBeCloseTo(
      7.5 + Math.sqrt(12.5 ** 2 - 1.3 ** 2) - 1,
      6,
    );
  });
  it('never takes the waist from the back when the front’s heights were read', () => {
    const s = quarter({ ...FIVE, 'neck-to-waist-back': 40 });
    expect(figure(s, 'bodice.waist-back').finished).toBeCloseTo(44.6, 6);
  });
});

describe('what a sheet says of a garment is true of it', () => {
  it('a waistcoat that ends above the hip prints no hip; a jacket that reaches it does', () => {
    const hip = (below: string) =>
      sheet(without('garment-length', 'nape-to-hem'), { part: 'long-bodice', below }).figures.some(
        (f) => f.id === 'hip',
      );
    expect(hip('12 cm')).toBe(false);
    expect(hip('40 cm')).toBe(true);
  });
  it('a sleeve whose arm was read waits for its bodice, and does not ask for the arm again', () => {
    const s = sheetOf(
      garmentSpec(
        [{ part: 'darted-bodice' }, { part: 'sleeve' }],
        ['upper-arm 29 cm', 'arm-length 59 cm', 'wrist 16 cm'],
      ),
    );
    const said = (id: string) => s.checks.find((k) => k.code === `absent-sleeve.${id}`)?.sentence ?? '';
    expect(said('upper-arm')).toContain('waits for the armhole');
    expect(said('length')).toBe('');
    const unread = sheetOf(
      garmentSpec([{ part: 'darted-bodice' }, { part: 'sleeve' }], ['arm-length 59 cm']),
    );
    expect(unread.checks.find((k) => k.code === 'absent-sleeve.upper-arm')?.sentence).toContain(
      'was not measured',
    );
  });
  it('a side height of 18.5 makes a boned edge 18.5 high at the side, which leaves the arm free; a higher one would cut', () => {
    const side = (corset: number | null) => {
      const body: Body = {
        ...without('corset-top-side'),
        ...(corset === null ? {} : { 'corset-top-side': corset }),
      };
      const s = sheet(body, { part: 'boned-bodice' });
      return [
        figure(s, 'bodice.top-side').finished,
        s.checks.find((k) => k.code === 'bodice.underarm')?.state,
      ];
    };
    expect(side(null)).toEqual([18.5, 'passed']);
    expect(side(20)).toEqual([20, 'warned']);
  });
});

/** A front that is read wider than its shoulders: invented, plane geometry. */
describe('a width across beside the shoulder', () => {
  const body = (across: number) =>
    [
      ...['bust 92 cm', 'waist 74 cm', 'across-shoulder 39 cm', 'neck-width 14 cm', 'shoulder 12.5 cm'],
      ...[
        'neck-to-bust 26.5 cm',
        'neck-to-waist-front 43.5 cm',
        'nape-to-waist 40.5 cm',
        'apex-span 18.5 cm',
      ],
      `across-front ${across} cm`,
    ] as const;
  const told = (across: number) =>
    printSheet(sheetOf(garmentSpec('bodice', body(across))), 'cm').checks.find(
      (k) => k.code === 'bodice.wide-front',
    );
  it('that reaches its end is asked about; one that lies inside it is not', () => {
    // 7 and 12.5 along a slope of 20°: the shoulder ends 18.75 from the centre. Across front gets 0.75 of ease.
    expect(told(33)).toBeUndefined();
    expect(told(38)).toMatchObject({ state: 'warned' });
    expect(told(38)!.text).toContain('Read across front and the shoulder again');
  });
});
