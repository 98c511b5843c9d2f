import { describe, expect, it } from 'vitest';
import { findMeasure } from '../catalogue.ts';
import { FLAT_FIELD, flatLine, flatStrokes } from './flat-drawing.ts';
import { FLAT_CUTS, findFlatPoint, flatPoints } from './flat-points.ts';

describe.each(FLAT_CUTS)('a %s laid flat', (cut) => {
  it('has each point once, told how, set beside a measure that exists, drawn inside the field', () => {
    const points = flatPoints(cut);
    expect(new Set(points.map((p) => p.id)).size).toBe(points.length);
    for (const p of points) {
      expect(p.how.length, p.id).toBeGreaterThan(20);
      if (p.body) expect(findMeasure(p.body), p.id).toBeDefined();
      const [x1, y1, x2, y2] = flatLine(cut, p.id);
      for (const x of [x1, x2]) expect(x >= 0 && x <= FLAT_FIELD[2]).toBe(true);
      for (const y of [y1, y2]) expect(y >= 0 && y <= FLAT_FIELD[3]).toBe(true);
      expect(Math.hypot(x2 - x1, y2 - y1), `${p.id} is drawn as a length`).toBeGreaterThan(3);
      expect(findFlatPoint(cut, p.id)).toBe(p);
    }
    expect(flatStrokes(cut).length).toBeGreaterThan(0);
  });
  it('lays the tape square where it must not run along a slant', () => {
    for (const p of flatPoints(cut)) {
      const [x1, y1, x2, y2] = flatLine(cut, p.id);
      if (/armhole|neck-drop|side-neck-length|centre-back/.test(p.id)) expect(x1, p.id).toBe(x2);
      if (/half-(chest|waist|hip|hem)$/.test(p.id)) expect(y1, p.id).toBe(y2);
    }
  });
});

it('reads across as halves and along as wholes', () => {
  for (const cut of FLAT_CUTS)
    for (const p of flatPoints(cut)) expect(p.half, p.id).toBe(p.name.startsWith('half '));
  expect(() => flatLine('skirt', 'half-chest')).toThrow(RangeError);
});
