import { AskedWire, toAsked } from '@rocchetto/contract/alterations.ts';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { alike, CannotAlter, tryAlteration } from '../alter/index.ts';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { FLAT_CUTS, flatPoints } from '../measures/flat/flat-points.ts';
import { resolveAll } from '../measures/session.ts';
import { besideFlat, type FlatRow } from '../sheet/beside-flat.ts';
import { cm } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';

import { bustAsked, flatAsked } from './flat-asked.ts';
import { byCup, flatChange } from './flat-change.ts';
import { asWritten } from './testing.ts';
import { betweenLays } from './two-lays.ts';

const HAND = { unit: 'cm', step: 0.1, mode: 'nearest' } as const;
const EXACT = { unit: 'cm', step: 0, mode: 'nearest' } as const;
const skirt = sheetOf(
  garmentSpec('straight-skirt', asLines(randomBody(seeded(5))), { house: { rounding: EXACT } }),
);
const dress = sheetOf(
  garmentSpec('day-dress-sleeved', asLines(randomBody(seeded(5))), { house: { rounding: EXACT } }),
);
const beside = (
  sheet: typeof skirt,
  cut: 'skirt' | 'set-in',
  read: Record<string, string>,
  own: number | null = null,
) =>
  besideFlat(
    cut,
    asWritten(read),
    sheet,
    resolveAll(sheet.input.readings),
    undefined,
    own === null ? null : cm(own),
  );
const at = (rows: readonly FlatRow[], id: string) => rows.find((r) => r.point.id === id)!;
const off = (sheet: typeof skirt, cut: 'skirt' | 'set-in', id: string, by: number) => {
  const { should } = at(beside(sheet, cut, {}), id);
  return at(beside(sheet, cut, { [id]: `${should! + by} cm` }), id);
};

describe('a change of what lies flat, as one of the program’s alterations', () => {
  it('2 too little across half a hip is 4 out all round, 1 at each edge: the trial’s hip grows by 4', () => {
    const asked = flatAsked(off(skirt, 'skirt', 'half-hip', -2), HAND)!;
    expect(asked).toEqual({ kind: 'side-seams', direction: 'out', amount: cm(4), as: 'total', face: null });
    const wire = AskedWire.parse({ ...asked, version: 2, amount: `${asked.amount} cm` });
    const trial = tryAlteration(skirt, alike(skirt.panels), toAsked(wire), false);
    const hip = trial.effect.moved.find((m) => m.id === 'hip')!;
    expect(hip.after - hip.before).toBeCloseTo(4, 1);
  });
  it('is what its sentence gives each edge: 1.95 too little across is told as 1 at each of four, and asked as 4', () => {
    const row = off(skirt, 'skirt', 'half-hip', -1.95);
    expect(formatSentence(flatChange(row, HAND)!, 'cm')).toContain('Add 1 cm at each of the four');
    expect(flatAsked(row, HAND)!.amount).toBeCloseTo(4, 9);
  });
  it('every alteration that is named is one that the program has, and can be tried or is refused in a sentence', () => {
    for (const sheet of [skirt, dress])
      for (const cut of FLAT_CUTS)
        for (const { id } of flatPoints(cut))
          for (const differs of [-3, 3]) {
            const row = {
              ...off(skirt, 'skirt', 'half-hip', -2),
              point: flatPoints(cut).find((p) => p.id === id)!,
              differs: cm(differs),
            };
            const asked = flatAsked(row, HAND);
            if (!asked) continue;
            const wire = AskedWire.parse({ ...asked, version: 2, amount: `${asked.amount} cm` });
            try {
              tryAlteration(sheet, alike(sheet.panels), toAsked(wire), false);
            } catch (e) {
              expect(e).toBeInstanceOf(CannotAlter);
            }
          }
  });
  it('is nothing where a point is within, or was not read', () => {
    expect(flatAsked(off(skirt, 'skirt', 'half-hip', 0.1), HAND)).toBeNull();
    expect(flatAsked(at(beside(skirt, 'skirt', {}), 'half-hip'), HAND)).toBeNull();
  });
  it('a tolerance of its own: ½ in on lengths, a quarter on halves', () => {
    const { should } = at(beside(skirt, 'skirt', {}), 'half-hip');
    const read = { 'half-hip': `${should! + 0.6} cm`, 'length-front': '63.2 cm' };
    expect(at(beside(skirt, 'skirt', read), 'half-hip').within).toBe(false);
    expect(at(beside(skirt, 'skirt', read, 1.27), 'half-hip')).toMatchObject({
      within: true,
      tolerance: 0.635,
    });
    expect(at(beside(skirt, 'skirt', read, 1.27), 'length-front')).toMatchObject({
      within: true,
      tolerance: 1.27,
    });
  });
});

describe('bust first', () => {
  it('over princess seams the alteration that is named makes the bust as much wider as it lacks', () => {
    const princess = sheetOf(
      garmentSpec([{ part: 'darted-bodice', shaping: 'princess-shoulder' }], asLines(randomBody(seeded(5))), {
        house: { rounding: EXACT },
      }),
    );
    const row = off(princess, 'set-in', 'half-chest', -1);
    const asked = bustAsked(row, HAND);
    const wire = AskedWire.parse({ ...asked, version: 2, amount: `${asked.amount} cm` });
    const trial = tryAlteration(princess, alike(princess.panels), toAsked(wire), false);
    const bust = trial.effect.moved.find((m) => m.id === 'bust')!;
    expect(bust.after - bust.before).toBeCloseTo(2, 1);
  });
  const short = off(dress, 'set-in', 'half-chest', -2);
  it('a chest too small for a full cup whose shoulders fit is a full bust change of half of what lacks, on each half of the front', () => {
    const bust = { cup: 'D', shouldersFit: true };
    expect(formatSentence(flatChange(short, HAND, bust)!, 'cm')).toMatch(
      /^Full bust change \(cup D\): spread each half of the front by 2 cm at the bust point/,
    );
    // Over princess seams what goes round gains 4.
    expect(bustAsked(short, HAND)).toMatchObject({ kind: 'bust-fullness', direction: 'more', amount: 4 });
  });
  it('not where the shoulders are off too, the cup is the one patterns are drafted for, or is not known', () => {
    for (const bust of [
      { cup: 'D', shouldersFit: false },
      { cup: 'B', shouldersFit: true },
      { cup: null, shouldersFit: true },
    ]) {
      expect(byCup(short, bust)).toBe(false);
      expect(flatChange(short, HAND, bust)).toContain('side-seam edges');
    }
  });
  it('a chest too large for a small cup is a small bust change', () => {
    const wide = off(dress, 'set-in', 'half-chest', 2);
    expect(flatChange(wide, HAND, { cup: 'A', shouldersFit: true })).toMatch(
      /^Small bust change \(cup A\): overlap/,
    );
    expect(byCup(wide, { cup: 'D', shouldersFit: true })).toBe(false);
  });
});

describe('two samples side by side', () => {
  it('halves are doubled, and each row passes or not', () => {
    const [one, two] = [
      beside(skirt, 'skirt', { 'half-hip': '52 cm', 'half-waist': '37 cm', 'length-front': '62 cm' }),
      beside(skirt, 'skirt', { 'half-hip': '51.3 cm', 'length-front': '62.5 cm' }),
    ];
    const rows = betweenLays(one, two, null);
    expect(rows.map((r) => r.point.id)).toEqual(['half-hip', 'length-front']);
    expect(rows[0]!.differs).toBeCloseTo(0.7, 9);
    expect(rows[0]).toMatchObject({ tolerance: 0.5, within: false });
    expect(rows[0]!.whole).toBeCloseTo(1.4, 9);
    expect(rows[1]).toMatchObject({ whole: null, within: true });
    expect(betweenLays(one, two, cm(2)).every((r) => r.within)).toBe(true);
  });
});
