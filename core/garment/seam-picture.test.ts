import { describe, expect, it } from 'vitest';
import type { Picture, Place, Stroke } from './picture.ts';
import { withSeams } from './seam-picture.ts';

const dart = (d: string, figure = 'bodice.bust-dart-intake'): Stroke => ({ kind: 'dart', figure, d });
const bodice = (strokes: readonly Stroke[], at: readonly [number, number] = [8, -40]): Picture => ({
  front: { strokes, points: [{ figure: 'bodice.bust-dart-intake', at }] },
  back: { strokes: [], points: [] },
});
const seam = (more: object = {}) => ({
  panels: [],
  place: (p: Place) => p,
  refused: [],
  seams: [
    {
      ...{ panel: 'bodice.front', y: 10, half: 16, dip: 0, curved: false, waist: 44 },
      closed: { figures: ['bodice.bust-dart-intake'], above: true },
      ...more,
    },
  ],
});

describe('seams across on the drawing', () => {
  it('a dart that is closed above one begins at it, its letter too; other lines stay', () => {
    const other: Stroke = { kind: 'outline', figure: null, d: 'M0 -40 L9 -20' };
    const [p, lines] = withSeams(bodice([dart('M8 -40 L8 -20'), other]), seam());
    expect(p!.front.strokes).toEqual([dart('M8 -34 L8 -20'), other]);
    expect(p!.front.points).toEqual([{ figure: 'bodice.bust-dart-intake', at: [8, -34] }]);
    expect(lines!.front.strokes).toEqual([{ kind: 'seam', figure: null, d: 'M-16 -34 L16 -34' }]);
    expect(lines!.back.strokes).toEqual([]);
  });
  it('one that is closed below ends at it; where nothing is left of it, it goes', () => {
    const closed = { figures: ['bodice.bust-dart-intake'], above: false };
    const [p] = withSeams(bodice([dart('M8 0 L8 -20'), dart('M9 0 L9 -5')], [8, 0]), seam({ y: 34, closed }));
    expect(p!.front.strokes).toEqual([dart('M8 -10 L8 -20')]);
    expect(p!.front.points[0]!.at).toEqual([8, -10]);
  });
  it('a pointed or curved seam is drawn as it lies, and darts go to it', () => {
    const pointed = withSeams(bodice([dart('M8 -40 L8 -20')]), seam({ dip: 4 }));
    expect(pointed[1]!.front.strokes[0]!.d).toBe('M-16 -34 L0 -30 L16 -34');
    expect(pointed[0]!.front.strokes[0]!.d).toBe('M8 -32 L8 -20');
    const curved = withSeams(bodice([dart('M8 -40 L8 -20')]), seam({ dip: 4, curved: true }));
    expect(curved[1]!.front.strokes[0]!.d).toBe('M-16 -34 Q0 -26 16 -34');
    expect(curved[0]!.front.strokes[0]!.d).toBe('M8 -31 L8 -20');
  });
  it('a part without one is drawn as it is', () => {
    const p = bodice([dart('M8 -40 L8 -20')]);
    expect(withSeams(p, undefined)[0]).toBe(p);
  });
});
