import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { Bezier } from 'bezier-js';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { edgeOf } from '../../../draft/panel.ts';
import { printSheet } from '../../../sheet/print.ts';
import { asLines, randomBody, seeded } from '../../testing.ts';
import { wholePattern } from '../../whole.ts';

// How a cap sleeve is cut is common practice and has no source; the bodies are invented.
const made = (fields: object, seed = 3, bodice = 'darted-bodice') =>
  sheetOf(
    garmentSpec([{ part: bodice }, { part: 'cap-sleeve', ...fields }], asLines(randomBody(seeded(seed)))),
  );
const cap = (s: ReturnType<typeof made>) => s.panels.find((p) => p.id === 'cap.cap')!;
const armhole = (s: ReturnType<typeof made>) =>
  s.panels
    .filter((p) => /^bodice\.(front|back)$/.test(p.id))
    .reduce((sum, p) => sum + sewnLength(p, 'armhole'), 0);

describe('a cap sleeve', () => {
  it.each(['3 cm', '6 cm', '14 cm'])(
    '%s long over the shoulder, from notch to notch, on any body',
    (length) => {
      for (let seed = 1; seed <= 40; seed++) {
        const s = made({ length }, seed);
        const panel = cap(s);
        // The edge lies as far below the top of the cap as was wanted.
        const middle = edgeOf(panel, 'end').path[0]!.at(-1)!;
        expect(middle[0]).toBeCloseTo(0, 9);
        expect(middle[1]).toBeCloseTo(Number.parseFloat(length), 9);
        const seam = edgeLength(panel, 'armhole-part');
        const said = printSheet(s, 'cm').checks.find((k) => k.code === 'cap.covers')!;
        const [covered, bound] = said.text.match(/[\d.]+ cm/g)!.map((t) => Number.parseFloat(t)) as [
          number,
          number,
        ];
        expect(covered + bound).toBeCloseTo(armhole(s), 1);
        // What turns over the shoulder is eased in, no more than a knit's sleeve is.
        expect(seam - covered).toBeGreaterThanOrEqual(-0.01);
        expect(seam - covered).toBeLessThan(1.5);
        expect(s.checks.find((k) => k.code === 'join-armhole')).toMatchObject({ state: 'passed' });
      }
    },
  );
  it('its edge never crosses its seam: as two chains of a hundred points (bezier-js)', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const points = (id: string) =>
        edgeOf(cap(made({ length: '3 cm' }, seed)), id).path.flatMap((q) => {
          const curve = new Bezier(q.map(([x, y]) => ({ x, y })));
          return Array.from({ length: 51 }, (_, i) => curve.get(i / 50));
        });
      const [seam, end] = [points('armhole-part'), points('end')];
      for (const a of seam.filter((_, i) => i > 3 && i < seam.length - 4)) {
        const below = end.reduce((b, q) => (Math.abs(q.x - a.x) < Math.abs(b.x - a.x) ? q : b));
        expect(below.y).toBeGreaterThan(a.y);
      }
    }
  });
  it('faced it is cut four times, hemmed twice; the underarm is bound by a strip that reaches beneath its points', () => {
    const [faced, hemmed] = [made({}), made({ finish: 'hem' })];
    const piece = (s: typeof faced, id: string) => s.pieces.find((p) => p.panel === `cap.${id}`)!;
    expect([piece(faced, 'cap').count, piece(hemmed, 'cap').count]).toEqual([4, 2]);
    expect(edgeOf(cap(hemmed), 'end')).toMatchObject({ allowance: 1.2, turned: true });
    const bound = armhole(faced) - (edgeLength(cap(faced), 'armhole-part') - 0.6);
    expect(edgeLength(faced.panels.find((p) => p.id === 'cap.binding')!, 'outer')).toBeCloseTo(bound + 2, 0);
    expect(piece(faced, 'binding')).toMatchObject({
      count: 2,
      grain: expect.stringContaining('on the bias'),
    });
  });
  it('goes on what has an armhole, asks for no arm, and waits where the bodice does', () => {
    for (const bodice of ['long-bodice', 'top']) expect(cap(made({}, 5, bodice)).id).toBe('cap.cap');
    const waits = sheetOf(garmentSpec([{ part: 'darted-bodice' }, { part: 'cap-sleeve' }], ['bust 90 cm']));
    expect(waits.checks.find((k) => k.code === 'cap.armhole')).toMatchObject({ state: 'warned' });
    expect(figure(waits, 'cap.length').finished).toBe(6);
    // Its paper is made as every pattern's is.
    expect(wholePattern(made({}).panels).length).toBeGreaterThan(2);
  });
  it('shorter than three centimetres, with a cuff, or on an armhole that has a sleeve, is refused in a sentence', () => {
    expect(() => made({ length: '2 cm' })).toThrow(/between 3 and 14/);
    expect(() => made({ end: 'cuff' })).toThrow(/end/);
    expect(() =>
      sheetOf(
        garmentSpec(
          [{ part: 'darted-bodice' }, { part: 'sleeve' }, { part: 'cap-sleeve' }],
          asLines(randomBody(seeded(3))),
        ),
      ),
    ).toThrow(/Two parts join the same armhole/);
  });
});
