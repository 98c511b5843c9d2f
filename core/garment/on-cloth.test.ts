import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutSize } from '../draft/outline.ts';
import type { Sheet } from '../sheet/compute.ts';
import { printSheet } from '../sheet/print.ts';
import { GARMENTS } from './garments.ts';
import { CLOTH_TRAITS } from './tables/cloth-traits.ts';
import { asLines, randomBody, seeded } from './testing.ts';

const BODY = ['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm', 'waist-to-floor 104 cm'];
const made = (id: string, cloth: object, parts?: readonly object[], lines: readonly string[] = BODY): Sheet =>
  sheetOf(
    garmentSpec(id, lines, {
      garment: { cloth: { name: 'cloth', width: '150 cm', ...cloth }, ...(parts ? { parts } : {}) },
      house: { rounding: EXACT },
    }),
  );
const piece = (s: Sheet, panel: string) => s.pieces.find((p) => p.panel === panel)!;
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);
const allowance = (s: Sheet, name: string) => s.allowances.find((a) => a.name === name)?.cm;

describe('cloth that frays', () => {
  it('is marked with thread, never snipped, and its seams are wide enough to overcast', () => {
    const [plain, frays] = [made('straight-skirt', {}), made('straight-skirt', { frays: true })];
    expect(plain.panels[0]!.marks.map((m) => m.kind)).toContain('notch');
    const marks = frays.panels.flatMap((p) => (p.layer === 'outer' ? p.marks : []));
    expect(marks.map((m) => m.kind)).toContain('thread mark');
    expect(marks.map((m) => m.kind)).not.toContain('notch');
    // 2 overcast where 1.5 is usual: half a centimetre more on each side seam of the cut front.
    expect(allowance(plain, 'side seams')).toBe(1.5);
    expect(allowance(frays, 'side seams')).toBe(2);
    expect(piece(frays, 'skirt.front').width! - piece(plain, 'skirt.front').width!).toBeCloseTo(0.5, 6);
    expect(check(frays, 'cloth-frays')).toMatchObject({ state: 'passed' });
  });
});

describe('sheer cloth', () => {
  it('takes French seams, 1 in all, and asks what is seen through it', () => {
    const s = made('straight-skirt', { sheer: true });
    expect(allowance(s, 'side seams')).toBe(1);
    expect(check(s, 'cloth-sheer')).toMatchObject({ state: 'warned' });
    const lined = sheetOf(
      garmentSpec('straight-skirt', BODY, { garment: { cloth: { sheer: true }, lining: 'cotton voile' } }),
    );
    expect(check(lined, 'cloth-sheer')).toMatchObject({ state: 'passed' });
  });
  it('keeps a seam that is to be let out', () => {
    const s = sheetOf(
      garmentSpec('straight-skirt', BODY, { garment: { cloth: { sheer: true }, letOut: true } }),
    );
    expect(allowance(s, 'side seams')).toBe(3);
  });
});

describe('cloth that goes one way', () => {
  it('has every outer piece the same way up, and is never turned', () => {
    const s = made('straight-skirt', { oneWay: true, across: true, width: '50 cm' });
    for (const p of s.pieces.filter((q) => q.layer === 'outer')) {
      expect(p.grain).toContain('top upward');
      expect(p.sideways).toBeUndefined();
    }
    expect(piece(s, 'skirt.front').note).toContain('seam at the centre');
    expect(made('straight-skirt', { oneWay: true }).notions[0]!.note).toContain('all the same way up');
  });
});

describe('cloth with a border', () => {
  it('a gathered skirt: one length along it, nothing turned up, as much bought as goes round', () => {
    const s = made('gathered-skirt', { border: true }, [
      { part: 'gathered-skirt', length: '70 cm', ratio: 2 },
    ]);
    const [panel, ...more] = s.pieces.filter((p) => p.panel === 'skirt.panel');
    expect(more).toEqual([]);
    expect(panel).toMatchObject({ count: 1, sideways: true });
    // By hand: 2 × (70 + 2.5) = 145 and two sides of 2, where the zip goes; 70 long, 1.3 at the waist, no hem.
    expect(panel!.width).toBeCloseTo(2 * 72.5 + 4, 6);
    expect(panel!.length).toBeCloseTo(70 + 1.3, 6);
    expect(panel!.note).toContain('hem placed on the border first');
    expect(check(s, 'cloth-border')).toMatchObject({ state: 'passed' });
  });
  it('a circle’s hem is curved: the border is laid on along it', () => {
    const s = made('circle-skirt', { border: true });
    expect(piece(s, 'skirt.panel').sideways).toBeUndefined();
    expect(piece(s, 'skirt.panel').note).toContain('cut off and laid on');
    expect(check(s, 'cloth-border')).toMatchObject({ state: 'warned' });
  });
});

describe('a piece laid along a border', () => {
  it('that is longer than the cloth is wide is told, also where another piece has no size', () => {
    const s = sheetOf(
      garmentSpec('day-dress-sleeved', asLines(randomBody(seeded(2))), {
        garment: {
          cloth: { name: 'cloth', width: '60 cm', border: true },
          parts: GARMENTS.find((g) => g.id === 'day-dress-sleeved')!.parts as readonly object[],
        },
        house: { rounding: EXACT },
      }),
    );
    const sleeve = piece(s, 'sleeve.sleeve');
    expect(sleeve.sideways).toBe(true);
    expect(sleeve.length).toBeGreaterThan(60);
    expect(s.pieces.some((p) => p.layer === 'outer' && p.width === null)).toBe(true);
    expect(check(s, 'cloth-outer')).toMatchObject({ state: 'warned' });
  });
});

describe('a panel wider than its cloth', () => {
  const narrow = { width: '54 cm' };
  it('gets a seam at the centre, or is turned where the cloth may be', () => {
    expect(
      piece(made('straight-skirt', narrow, [{ part: 'straight-skirt', length: '45 cm' }]), 'skirt.front'),
    ).toMatchObject({
      count: 2,
      folded: false,
    });
    const turned = piece(
      made('straight-skirt', { ...narrow, across: true }, [{ part: 'straight-skirt', length: '45 cm' }]),
      'skirt.front',
    );
    expect(turned).toMatchObject({ count: 1, folded: true, sideways: true });
    expect(turned.grain).toContain('the fold running across the cloth');
  });
  it('is not turned where the cloth stretches, or where it is longer than the cloth is wide', () => {
    expect(
      piece(made('straight-skirt', { ...narrow, across: true, stretch: 20 }), 'skirt.front').sideways,
    ).toBeUndefined();
    expect(
      piece(
        made('straight-skirt', { ...narrow, across: true }, [{ part: 'straight-skirt', length: '80 cm' }]),
        'skirt.front',
      ).sideways,
    ).toBeUndefined();
  });
});

it('whatever the cloth is, every garment still cuts: no piece below its panel, what is turned goes on or is told', () => {
  const rnd = seeded(26);
  const some = fc.record(Object.fromEntries(CLOTH_TRAITS.map((t) => [t, fc.boolean()])));
  fc.assert(
    fc.property(some, fc.constantFrom(...GARMENTS), fc.integer({ min: 60, max: 160 }), (traits, g, width) => {
      const s = made(
        g.id,
        { ...traits, width: `${width} cm` },
        g.parts as readonly object[],
        asLines(randomBody(rnd)),
      );
      for (const p of s.pieces) {
        const panel = s.panels.find((q) => q.id === p.panel);
        if (!panel || p.width === null) continue;
        expect(p.width).toBeGreaterThanOrEqual(cutSize(panel).width - 1e-6);
        if (p.sideways && p.length! > width + 1e-6)
          expect(check(s, 'cloth-outer')).toMatchObject({ state: 'warned' });
      }
      expect(printSheet(s, 'cm').pieces.length).toBe(s.pieces.length);
    }),
    { numRuns: 150, seed: 11 },
  );
});
