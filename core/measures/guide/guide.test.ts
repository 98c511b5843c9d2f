import { describe, expect, it } from 'vitest';
import { findMeasure, MEASURES, REGIONS } from '../catalogue.ts';
import { courseOf } from './draw-course.ts';
import { edgesAt, FIGURE_FIELD, type FigureView, figure, spotOf } from './figure-model.ts';
import { guideOf } from './guide.ts';
import { LANDMARKS, type LandmarkId } from './landmarks.ts';

describe('the catalogue of measurements', () => {
  it('has at least a hundred, each with its own name, its region, a span and other names', () => {
    expect(MEASURES.length).toBeGreaterThanOrEqual(100);
    expect(new Set(MEASURES.map((m) => m.id)).size).toBe(MEASURES.length);
    expect(new Set(MEASURES.map((m) => m.name)).size).toBe(MEASURES.length);
    for (const m of MEASURES) {
      expect(REGIONS).toContain(m.region);
      expect(m.range[0], m.id).toBeLessThan(m.range[1]);
      expect(m.also, m.id).toMatch(/\w/);
    }
  });
  it('a drop stands right after its level, and what must be marked is a girth’s or a length’s own cord', () => {
    const at = (id: string) => MEASURES.findIndex((m) => m.id === id);
    for (const [level, drop] of [
      ['high-hip', 'waist-to-high-hip'],
      ['tummy', 'waist-to-tummy'],
      ['hip', 'waist-to-hip'],
    ] as const)
      expect(at(drop), drop).toBe(at(level) + 1);
    expect(findMeasure('waist')?.marked).toBe('waist');
    expect(findMeasure('hip')?.marked).toBe('hip');
  });
  it('a crotch length is a length, not a girth: fingers and halves do not concern it', () => {
    expect(findMeasure('crotch-length')?.kind).toBe('length');
    expect(findMeasure('trunk')?.kind).toBe('length');
  });
  it('each side stands for its own measure, and both have it', () => {
    const sided = MEASURES.filter((m) => m.side);
    expect(sided.length).toBeGreaterThan(20);
    for (const m of sided) {
      const base = findMeasure(m.of!)!;
      expect([m.kind, m.agree, m.range, m.region]).toEqual([base.kind, base.agree, base.range, base.region]);
      expect(findMeasure(`${m.of}-${m.side === 'left' ? 'right' : 'left'}`)).toBeDefined();
    }
  });
});

describe('how each is taken', () => {
  it('is said in its own words, with its slip and the places to find first', () => {
    const said = new Map<string, string>();
    for (const m of MEASURES.filter((x) => !x.side)) {
      const g = guideOf(m.id);
      expect(g.how.length, m.id).toBeGreaterThan(20);
      expect(g.mistake.length, m.id).toBeGreaterThan(8);
      expect(g.first.length, m.id).toBeGreaterThan(0);
      expect(said.get(g.how), `${m.id} says the same as ${said.get(g.how)}`).toBeUndefined();
      said.set(g.how, m.id);
    }
    expect(guideOf('thigh-left').how).toContain('On the client’s left.');
    expect(() => guideOf('nothing')).toThrow('Nothing says how nothing is taken');
  });
  it('speaks of the cloth and the tape, never of the body as wrong', () => {
    for (const m of MEASURES)
      expect(`${guideOf(m.id).how} ${guideOf(m.id).mistake}`).not.toMatch(
        /\b(fat|flabby|bulge|ugly|too big|problem|fault|deform|abnormal|vanity|her|she|his|he)\b/i,
      );
  });
  it('every landmark says how it is found, and is used by some measure', () => {
    const used = new Set(MEASURES.flatMap((m) => guideOf(m.id).first as readonly string[]));
    for (const [id, l] of Object.entries(LANDMARKS)) {
      expect(l.find.length, id).toBeGreaterThan(10);
      if (!['footrest', 'strap-back', 'sleeve-end', 'hem', 'floor'].includes(id))
        expect(used, id).toContain(id);
    }
  });
});

describe('the drawn figure and its tape', () => {
  const BUILDS = [-1, 0, 1].flatMap((full) => [-1, 0, 1].map((tall) => ({ full, tall })));
  const [x0, y0, w, h] = FIGURE_FIELD;
  const inField = ([x, y]: readonly [number, number]) => x >= x0 && x <= x0 + w && y >= y0 && y <= y0 + h;

  it('draws a course for every measure on every build, inside the field, with a word to feel for', () => {
    for (const build of BUILDS)
      for (const m of MEASURES) {
        const c = courseOf(m.id, build);
        expect(c.seen.length, m.id).toBeGreaterThan(1);
        for (const p of [...c.seen, ...c.behind]) {
          expect(p.every(Number.isFinite), m.id).toBe(true);
          expect(inField(p), `${m.id} ${p}`).toBe(true);
        }
        expect(c.landmarks.length, m.id).toBeGreaterThan(0);
      }
  });
  it('a fuller build is wider at every level, a taller one higher, and both stand on the floor', () => {
    for (const view of ['front', 'side'] as const)
      for (const y of [130, 176, 230]) {
        const [a, b] = edgesAt(y, view, { full: 0, tall: 0 });
        const [c, d] = edgesAt(y, view, { full: 1, tall: 0 });
        expect(d - c, `${view} ${y}`).toBeGreaterThan(b - a);
      }
    const waist = (tall: number) => spotOf('waist', 'front', { full: 0, tall })![1];
    expect(waist(1)).toBeLessThan(waist(0));
    for (const tall of [-1, 1]) expect(spotOf('floor', 'front', { full: 0, tall })![1]).toBe(452);
  });
  it('a girth goes round from edge to edge; left and right of a pair are turned, from behind the other way', () => {
    const bust = courseOf('bust');
    expect(bust.behind.length).toBeGreaterThan(0);
    const [left, right] = [courseOf('thigh-left').seen[0]![0], courseOf('thigh-right').seen.at(-1)![0]];
    expect(left).toBeGreaterThan(100);
    expect(left + right).toBeCloseTo(200, 6);
    expect(courseOf('arm-length-left').seen[0]![0]).toBeGreaterThan(100);
    expect(courseOf('armhole-depth').view).toBe('back');
    expect(courseOf('hem-right').seen[0]![0]).toBeLessThan(100);
  });
  it('seated, what is taken seated is drawn seated, on a chair', () => {
    for (const m of MEASURES.filter((x) => x.seated === 'only')) expect(courseOf(m.id).view).toBe('seated');
    expect(figure('seated').some((s) => s.of === 'chair')).toBe(true);
    const seen = (v: FigureView, id: LandmarkId) => spotOf(id, v) !== null;
    expect(seen('seated', 'lap')).toBe(true);
    expect(seen('front', 'lap')).toBe(false);
  });
});
