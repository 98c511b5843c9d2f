import { GARMENTS } from '@rocchetto/core';
import { asLines } from '@rocchetto/core/garment/testing.ts';
import { FULL_BODY } from '@rocchetto/core/garment/testing-full-body.ts';
import { USUAL_TIMES, type WorkStep } from '@rocchetto/core/plan/times.ts';
import { minutesOf, type Work, workOf } from '@rocchetto/core/plan/work.ts';
import { describe, expect, it } from 'vitest';
import { benchMoved, HouseBench } from './bench-rules.ts';
import { PlanChoices, PromisesAsk } from './plan.ts';
import { sheetOf } from './testing.ts';
import { garmentSpec } from './testing-garments.ts';

const works = new Map(
  GARMENTS.map((g) => [g.id, workOf(sheetOf(garmentSpec(g.id, asLines(FULL_BODY))))] as const),
);
const hours = (work: Work, ...steps: WorkStep[]) =>
  steps.reduce((sum, s) => sum + minutesOf(s, work, USUAL_TIMES).minutes, 0) / 60;

describe('what a garment has that takes time', () => {
  // Common practice (handbook page 5): 6 to 7 hours of sewing to the first fitting of a fitted boned gown, 2 to 3 after it.
  it('gives a fitted boned gown 6 to 7 hours to its first fitting and 2 to 3 after it', () => {
    const gown = works.get('gown')!;
    // Two each in princess, side and back seams and at the edges of the centre back: a bone in a seam is sewn in once.
    expect(gown.counts.bone).toBe(8);
    expect(hours(gown, 'baste')).toBeGreaterThanOrEqual(6);
    expect(hours(gown, 'baste')).toBeLessThanOrEqual(7);
    expect(hours(gown, 'sew', 'hem', 'finish')).toBeGreaterThanOrEqual(2);
    expect(hours(gown, 'sew', 'hem', 'finish')).toBeLessThanOrEqual(3);
  });
  it('counts what is there, piece by piece', () => {
    const skirt = works.get('straight-skirt')!;
    // A front on the fold, two backs; two darts in each half of front and back; a zip.
    expect([skirt.counts.panel, skirt.counts.zip, skirt.counts.sleeve, skirt.counts.bone]).toEqual([
      3, 1, 0, 0,
    ]);
    expect(works.get('shirt-blouse')!.counts).toMatchObject({ sleeve: 2, collar: 1, buttons: 1, zip: 0 });
    expect(works.get('circle-skirt')!.hangs).toBe(true);
    for (const [id, w] of works) {
      expect([id, w.counts.piece >= w.counts.panel, w.counts.panel > 0]).toEqual([id, true, true]);
      for (const n of Object.values(w.counts)) expect(Number.isFinite(n) && n >= 0).toBe(true);
    }
  });
  it('takes longer where there is more of it', () => {
    const all = (id: string) => hours(works.get(id)!, 'draft', 'cut', 'baste', 'sew', 'hem', 'finish');
    expect(all('straight-skirt')).toBeLessThan(all('day-dress-straight'));
    expect(all('day-dress-straight')).toBeLessThan(all('day-dress-sleeved'));
    expect(all('cut-on-top')).toBeLessThan(all('jacket'));
  });
});

describe('what is asked of a plan', () => {
  const choices = {
    toile: false,
    fittings: 1,
    once: false,
    fittingKind: 'fitting',
    cloth: { state: 'here', on: null },
    own: [],
    done: [],
  };
  it.each([
    [{ fittings: 0 }, 'Plan 1 fitting or more.'],
    [{ fittings: 7 }, 'Plan up to 6 fittings.'],
    [{ cloth: { state: 'comes', on: null } }, 'Enter the day on which the cloth comes.'],
    [{ own: [{ id: 'hem', minutes: -5, reason: 'x', added: null }] }, 'Enter 0 minutes or more.'],
    [{ own: [{ id: 'hem', minutes: 5, reason: ' ', added: null }] }, 'Enter why this step is not as usual.'],
    [
      { own: [1, 2].map(() => ({ id: 'hem', minutes: 5, reason: 'x', added: null })) },
      'A step is there twice.',
    ],
  ])('refuses %j: %s', (more, says) => {
    expect(PlanChoices.safeParse({ ...choices, ...more }).error?.issues.map((i) => i.message)).toContain(
      says,
    );
  });
  it('supposes one thing, whole', () => {
    expect(PromisesAsk.safeParse({}).success).toBe(true);
    expect(PromisesAsk.safeParse({ staff: '3', from: '2026-03-10', until: '2026-03-09' }).success).toBe(
      false,
    );
    expect(PromisesAsk.safeParse({ order: '3' }).success).toBe(false);
    expect(PromisesAsk.safeParse({ appointment: '3', to: '2026-03-09' }).success).toBe(true);
    expect(PromisesAsk.safeParse({ like: '3', worn: '2026-05-09' }).success).toBe(true);
    expect(PromisesAsk.safeParse({ back: '3', minutes: '90' }).success).toBe(true);
    for (const half of [{ like: '3' }, { worn: '2026-05-09' }, { back: '3' }, { back: '3', minutes: '0' }])
      expect(PromisesAsk.safeParse(half).success).toBe(false);
  });
  it('tells what of the house’s times moved', () => {
    const before = HouseBench.parse({ version: 1 });
    const after = HouseBench.parse({ version: 1, times: { 'hem-metre': 30 }, waits: { delivery: 14 } });
    expect(benchMoved(before, after)).toEqual([
      'hem, each metre: usual → 30 minutes',
      'cloth comes, after it is ordered: usual → 14 days',
    ]);
    expect(HouseBench.safeParse({ version: 1, times: { nonsense: 3 } }).success).toBe(false);
  });
});
