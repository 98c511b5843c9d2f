import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { resolveAll } from '../measures/session.ts';
import { besideFlat, type FlatRow } from '../sheet/beside-flat.ts';
import { formatSentence } from '../units/print.ts';

import { allowancesIn, flatChange } from './flat-change.ts';
import { asWritten } from './testing.ts';
import { wishesOf } from './wish.ts';
import { findZone } from './zones.ts';

const tee = sheetOf(garmentSpec('t-shirt', asLines(randomBody(seeded(3))), { house: { rounding: EXACT } }));
const measured = resolveAll(tee.input.readings);
const wish = wishesOf(tee, (id) => measured.get(id)?.net ?? null, 'shoulder');
const wanted = (id: string) => {
  const zone = findZone(id);
  return zone ? wish(zone).want : null;
};
const rows = (read: Readonly<Record<string, string>>) =>
  besideFlat('set-in', asWritten(read), tee, measured, wanted);
const HAND = { unit: 'cm', step: 0.1, mode: 'nearest' } as const;
const row = (all: readonly FlatRow[], id: string) => all.find((r) => r.point.id === id)!;

describe('a pattern of a T-shirt on the table', () => {
  it('has what it should measure at all but the length of the back, in a fitter’s order', () => {
    const all = rows({});
    expect(all.filter((r) => r.should === null).map((r) => r.point.id)).toEqual([
      'centre-back-length',
      // Nothing of it was read of this body.
      'underbust-height',
    ]);
    const order = all.map((r) => r.point.id);
    const at = (id: string) => order.indexOf(id);
    expect(at('side-neck-length')).toBe(0);
    expect(at('half-chest')).toBeLessThan(at('shoulders'));
    expect(at('shoulders')).toBeLessThan(at('half-waist'));
    expect(at('half-waist')).toBeLessThan(at('sleeve'));
  });
  it('a waist the sheet does not draw is the body and the ease that its fit wants there, halved', () => {
    const waist = row(rows({}), 'half-waist');
    const body = measured.get('waist')!.net!;
    // Fitted, at the waist of what hangs from the shoulder: 5 (workroom table).
    expect(waist).toMatchObject({ sheet: null, body: body / 2 });
    expect(waist.ease).toBeCloseTo(2.5, 9);
    expect(waist.should).toBeCloseTo((body + 5) / 2, 9);
  });
  it('says what to do where it is off, per edge: 2 short across the chest is 1 at each of four edges', () => {
    const should = row(rows({}), 'half-chest').should!;
    const short = row(rows({ 'half-chest': `${should - 2} cm` }), 'half-chest');
    expect(formatSentence(flatChange(short, HAND)!, 'cm')).toBe(
      'Add 1 cm at each of the four side-seam edges, from the underarm. The armhole and its sleeve follow.',
    );
    const within = row(rows({ 'half-chest': `${should - 0.3} cm` }), 'half-chest');
    expect(flatChange(within, HAND)).toBeNull();
    const length = row(rows({}), 'side-neck-length').should!;
    const long = row(rows({ 'side-neck-length': `${length + 3} cm` }), 'side-neck-length');
    expect(formatSentence(flatChange(long, HAND)!, 'in')).toMatch(
      /^Take 1 1⁄8 in at the line below the waist/,
    );
  });
  it('what is open is told by its edge: a deeper armhole or neckline is raised, not taken from', () => {
    const at = (id: string, off: number) => {
      const should = row(rows({}), id).should!;
      return formatSentence(flatChange(row(rows({ [id]: `${should + off} cm` }), id), HAND)!, 'cm');
    };
    expect(at('armhole', 2)).toBe('Raise the underarm by 2 cm on front and back. The sleeve cap follows.');
    expect(at('armhole', -2)).toContain('Lower the underarm by 2 cm');
    expect(at('neck-drop-front', 3)).toBe('Raise the neckline by 3 cm in front.');
    expect(at('half-neck', -1)).toBe('Widen the neckline by 1 cm at each end.');
  });
  it('asks whether allowances were measured in where every width is as much too wide', () => {
    const all = rows({});
    const wide = (off: number) =>
      Object.fromEntries(
        ['half-chest', 'half-waist', 'half-hip', 'half-hem'].map((id) => [
          id,
          `${row(all, id).should! + off} cm`,
        ]),
      );
    expect(formatSentence(allowancesIn(rows(wide(3)))!, 'cm')).toContain('about 3 cm more than it should be');
    expect(allowancesIn(rows(wide(0.2)))).toBeNull();
    expect(allowancesIn(rows({ 'half-chest': '70 cm' }))).toBeNull();
  });
});
