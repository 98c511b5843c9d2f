import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { pointAt } from '../../../draft/curve.ts';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import type { Panel } from '../../../draft/panel.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { cm } from '../../../units/length.ts';
import { stockedZip } from '../../tables/zip.ts';

const BODY = ['waist 72 cm', 'hip 99 cm', 'waist-to-hip 20 cm'];
const LENGTH = 60;
/** Fitted: waist 72 + 2.5 = 74.5; 60 long. */
const made = (circle: string, more: object = {}): Sheet =>
  sheetOf(
    garmentSpec('circle-skirt', BODY, {
      garment: { parts: [{ part: 'circle-skirt', length: `${LENGTH} cm`, circle }], ...more },
      house: { rounding: EXACT },
    }),
  );
const panel = (s: Sheet): Panel => s.panels.find((p) => p.id === 'skirt.panel')!;

/** The surface within an outline, by its corners and 400 points along each curve (the shoelace formula). */
function surface(p: Panel): number {
  const points = p.edges.flatMap((e) =>
    e.path.flatMap((s) => Array.from({ length: 400 }, (_, i) => pointAt(s, i / 400))),
  );
  return Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [a, b] = points[(i + 1) % points.length]!;
      return sum + x * b - a * y;
    }, 0) / 2,
  );
}

// The circle in closed form (geometry): radius = waist ÷ 2πf, hem = 2πf (radius + length), surface between both.
describe.each([
  ['1/4', 0.25, 1],
  ['1/2', 0.5, 1],
  ['3/4', 0.75, 2],
  ['1', 1, 2],
  ['3/2', 1.5, 3],
  ['2', 2, 4],
])('%s of a circle', (circle, fraction, pieces) => {
  const s = made(circle);
  const r = 74.5 / (2 * Math.PI * fraction);
  const p = panel(s);

  it('has the radius whose arc is the waist, and the hem of that circle', () => {
    expect(figure(s, 'skirt.radius').finished).toBeCloseTo(r, 9);
    expect(p.count).toBe(pieces);
    expect(2 * pieces * sewnLength(p, 'waist')).toBeCloseTo(74.5, 3);
    expect(figure(s, 'skirt.hem').finished).toBeCloseTo(2 * Math.PI * fraction * (r + LENGTH), 1);
    expect(edgeLength(p, 'side')).toBeCloseTo(LENGTH, 6);
    expect(edgeLength(p, 'centre')).toBeCloseTo(LENGTH, 6);
  });

  it('is as much cloth as lies between both arcs', () => {
    const ring = Math.PI * fraction * ((r + LENGTH) ** 2 - r ** 2);
    // A half panel on the fold; cubics keep an arc to a thousandth.
    expect((2 * pieces * surface(p)) / ring).toBeCloseTo(1, 3);
  });

  it('each of its pieces is no more than half a circle, and is cut with its seams', () => {
    const angle = (Math.PI * fraction) / pieces;
    expect(angle).toBeLessThanOrEqual(Math.PI / 2 + 1e-9);
    const piece = s.pieces.find((k) => k.panel === 'skirt.panel')!;
    // Across, on the fold: the hem's widest with 2 for the zip seam, along its slant; never less than without seams.
    const across = (r + LENGTH) * Math.sin(angle);
    expect(piece.width).toBeGreaterThan(across);
    expect(piece.width).toBeLessThan(across + 4.5);
    // Along: from the waist's corner, that lies above its middle, to the hem's middle.
    const along = r + LENGTH - r * Math.cos(angle);
    expect(piece.length).toBeGreaterThan(along);
    expect(piece.length).toBeLessThan(along + 6);
  });

  it('may be stepped out in as far as its hem goes', () => {
    expect(s.checks.find((k) => k.code === 'skirt.stride')?.state ?? 'passed').toBe('passed');
  });
});

it('what is set by hand at the waist moves the circle with it', () => {
  const by = { by: 'F', at: '', reason: 'tried' };
  const s = sheetOf(
    garmentSpec('circle-skirt', BODY, {
      house: { rounding: EXACT },
      rest: { overrides: [{ figure: 'waist', target: 'wearing', value: '6 cm', ...by }] },
    }),
  );
  expect(figure(s, 'skirt.radius').finished).toBeCloseTo(78 / Math.PI, 9);
  expect(figure(s, 'skirt.band-length').finished).toBeCloseTo(78 + 3, 3);
});

it('marked to the half centimetre the radius goes to the millimetre, and the waist it makes is what the band is cut to', () => {
  const s = sheetOf(garmentSpec('circle-skirt', BODY, {}));
  // Half a circle: two halves of 37.25, marked 37.5; 75 ÷ π = 23.873.
  expect(figure(s, 'skirt.radius').marked).toBeCloseTo(23.9, 9);
  expect(figure(s, 'skirt.band-length').marked).toBeCloseTo(78, 4);
});

describe('a zip without a hip that was read', () => {
  it('goes down to where the hip lies, marked as estimated, and never to the hem', () => {
    const lines = ['waist 76 cm'];
    for (const [more, level] of [
      [[], 20],
      [['waist-to-hip 21.5 cm'], 21.5],
    ] as const) {
      const zip = figure(sheetOf(garmentSpec('circle-skirt', [...lines, ...more])), 'zip');
      expect(zip.terms.find((t) => t.label === 'opening needed')?.cm).toBeCloseTo(level, 9);
      expect(zip.finished).toBe(stockedZip(cm(level), 'cm'));
      expect(zip.marks).toContain('estimated');
    }
  });
});
