import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeOf } from '../draft/panel.ts';
import { asLines, type Body } from './testing.ts';
import { FULL_BODY } from './testing-full-body.ts';

const sheet = (
  session: object,
  body: Body = FULL_BODY,
  parts: readonly object[] = [{ part: 'darted-bodice' }],
) =>
  sheetOf(
    garmentSpec(parts as never, asLines(body), {
      house: { rounding: EXACT },
      rest: { session: { date: '2026-03-02', measurer: 'Fitter', ...session } },
    }),
  );
const without = (...ids: string[]): Body =>
  Object.fromEntries(Object.entries(FULL_BODY).filter(([id]) => !ids.includes(id)));

describe('readings are drafted by the way they were taken', () => {
  it('25 up from the waist, with the waist at 43, is a neckline 18 deep', () => {
    const body = { ...FULL_BODY, 'neck-to-waist-front': 43, 'neck-depth-front': 25 };
    const f = figure(sheet({ neckDepth: 'up from the waist' }, body), 'bodice.neck-front');
    expect(f.finished).toBeCloseTo(18, 9);
    expect(JSON.stringify(f.terms)).toContain('up from the waist');
  });
  it('a slanted depth is the straight line from side-neck to centre on the drafted panel (Pythagoras)', () => {
    const body = { ...FULL_BODY, 'neck-depth-front': 16, 'neck-depth-back': 10 };
    const s = sheet({ neckDepth: 'slanted' }, body);
    for (const [face, slanted] of [
      ['front', 16],
      ['back', 10],
    ] as const) {
      const neck = edgeOf(s.panels.find((p) => p.id === `bodice.${face}`)!, 'neck').path;
      const [from, to] = [neck[0]![0], neck.at(-1)!.at(-1)!];
      expect(Math.hypot(to[0] - from[0], to[1] - from[1]), face).toBeCloseTo(slanted, 6);
    }
  });
  it('what cannot be made of it is told, and the brief’s depth is used', () => {
    const s = sheet({ neckDepth: 'slanted' }, { ...FULL_BODY, 'neck-depth-front': 7 });
    expect(s.checks.find((c) => c.code === 'not-taken-neck-depth-front')).toMatchObject({ state: 'warned' });
    const up = sheet(
      { neckDepth: 'up from the waist' },
      without('neck-to-waist-back', 'neck-to-floor', 'nape-to-floor'),
    );
    expect(up.checks.find((c) => c.code === 'not-taken-neck-depth-back')?.sentence).toContain('was not read');
    expect(sheet({}).checks.filter((c) => c.code.startsWith('not-taken'))).toEqual([]);
  });
  it('a sleeve read with its ease in the tape gets it once: it is as wide as it was read', () => {
    const parts = [{ part: 'darted-bodice' }, { part: 'sleeve', shape: 'fitted', goes: 'wrist' }];
    const body = { ...FULL_BODY, 'upper-arm': 40, wrist: 20, elbow: 33 };
    const s = sheet({ sleeveGirth: 'with the ease in the tape' }, body, parts);
    expect(figure(s, 'sleeve.upper-arm').finished).toBeCloseTo(40, 9);
    expect(figure(s, 'sleeve.elbow').finished).toBeCloseTo(33, 9);
    const tape = figure(s, 'sleeve.elbow').terms.find((t) => t.kind === 'tape');
    expect(tape?.because).toContain('with the ease in the tape');
    expect(figure(sheet({}, body, parts), 'sleeve.elbow').finished).toBeGreaterThan(33);
    // The fingers that say so are not taken out a second time.
    const fingers = sheetOf(
      garmentSpec(parts as never, asLines(body), {
        house: { rounding: EXACT },
        rest: {
          session: { date: '2026-03-02', sleeveGirth: 'with the ease in the tape' },
          readings: Object.entries(body).map(([measure, n]) => ({
            measure,
            value: `${n} cm`,
            tape: measure === 'elbow' ? 'two-fingers' : 'snug',
          })),
        },
      }),
    );
    expect(figure(fingers, 'sleeve.elbow').finished).toBeCloseTo(33, 9);
  });
});
