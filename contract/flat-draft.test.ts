import { cm, computeSheet, type Sheet } from '@rocchetto/core';
import { CannotAlter, halvesOf, tryAlteration } from '@rocchetto/core/alter/index.ts';
import { flatGround, flatTable } from '@rocchetto/core/compare/flat-table.ts';
import { panelsMoved } from '@rocchetto/core/compare/what-moved.ts';
import { FLAT_CUTS, type FlatCut, flatPoints } from '@rocchetto/core/measures/flat/flat-points.ts';
import { describe, expect, it } from 'vitest';
import { AskedWire, toAsked } from './alterations.ts';
import './carried.ts';
import { genericSpec, withFront } from './flat-draft.ts';
import { toSheetInput } from './to-core.ts';

const drafted = (cut: FlatCut) => computeSheet(toSheetInput(genericSpec(cut, undefined)));

describe.each(FLAT_CUTS)('a generic draft for what lies flat: %s', (cut) => {
  const sheet = drafted(cut);
  it('has panels of every part of it, and nothing of it is doubtful', () => {
    const drawn = new Set(sheet.panels.filter((p) => p.layer === 'outer').map((p) => p.id.split('.')[0]));
    expect(drawn).toEqual(new Set(PLACES[cut]));
    expect(sheet.checks.filter((k) => k.state === 'warned').map((k) => k.sentence)).toEqual([]);
  });
  it('shows on its panels what an alteration does at a point that is 3 too small or too large', () => {
    const ground = flatGround(sheet);
    const none = flatTable(ground, cut, {}, null).rows;
    const shown = flatPoints(cut).filter(({ id }) =>
      [-3, 3].some((off) => {
        const should = none.find((r) => r.point.id === id)!.should;
        const read = should === null ? {} : { [id]: `${should + off} cm` };
        const { asked } = flatTable(ground, cut, read, null).rows.find((r) => r.point.id === id)!;
        return asked !== null && drawsOn(sheet, asked);
      }),
    );
    expect(new Set(shown.map((p) => p.id))).toEqual(new Set(SHOWN[cut]));
  });
});
const PLACES: Readonly<Record<FlatCut, readonly string[]>> = {
  'set-in': ['bodice', 'skirt', 'sleeve'],
  raglan: ['bodice', 'skirt', 'sleeve'],
  strapless: ['bodice', 'skirt'],
  skirt: ['skirt'],
  trousers: ['trousers'],
};
const UPPER = [
  ...['side-neck-length', 'centre-back-length', 'waist-front', 'waist-back', 'bust-height', 'half-chest'],
  ...['armhole', 'shoulders', 'shoulder', 'half-neck', 'neck-drop-front', 'neck-drop-back'],
];
/** What is drawn; of other points no panel shows it, or nothing says what they should measure. */
const SHOWN: Readonly<Record<FlatCut, readonly string[]>> = {
  'set-in': [...UPPER, 'half-waist', 'half-hip', 'sleeve', 'half-upper-arm'],
  raglan: [
    ...UPPER.filter((id) => !id.startsWith('should') && id !== 'armhole'),
    'half-waist',
    'half-hip',
    'half-upper-arm',
  ],
  strapless: ['half-chest', 'half-underbust', 'half-waist', 'half-hip', 'length-front'],
  skirt: ['half-waist', 'half-hip', 'length-front', 'length-side', 'length-back'],
  trousers: ['half-waist', 'half-hip', 'half-thigh', 'half-knee', 'inseam', 'outseam'],
};
function drawsOn(sheet: Sheet, asked: object & { readonly amount: number }): boolean {
  const wire = AskedWire.parse({ ...asked, version: 2, amount: `${asked.amount} cm` });
  try {
    return tryAlteration(sheet, halvesOf(sheet), toAsked(wire), false).drawn.length > 0;
  } catch (e) {
    if (e instanceof CannotAlter) return false;
    throw e;
  }
}

describe('a bust change by a dart, drafted anew', () => {
  const spec = genericSpec('set-in', undefined);
  const [before, after] = withFront(spec, cm(4))!.map((s) => computeSheet(toSheetInput(s)));
  const panel = (s: Sheet, id: string) => s.panels.find((p) => p.layer === 'outer' && p.id === id)!;
  /** how far the outline reaches across, by its own points and nothing of the draft */
  const across = (s: Sheet, id: string) => {
    const xs = panel(s, id).edges.flatMap((e) => e.path.flatMap((seg) => seg.map(([x]) => Math.abs(x))));
    return Math.max(...xs);
  };
  it('four more round the bust, all in front: each half of the front is two wider, the back as it was', () => {
    expect(across(after!, 'bodice.back')).toBeCloseTo(across(before!, 'bodice.back'), 9);
    expect(across(after!, 'bodice.front') - across(before!, 'bodice.front')).toBeCloseTo(2, 0);
  });
  it('its dart takes more, the shoulder stays as long', () => {
    const dart = (s: Sheet) => Math.max(...panel(s, 'bodice.front').darts.map((d) => d.intake));
    expect(dart(after!)).toBeGreaterThanOrEqual(dart(before!) + 2);
    const shoulder = (s: Sheet) => s.figures.find((f) => f.id === 'bodice.shoulder')!.marked;
    expect(shoulder(after!)).toBe(shoulder(before!));
  });
  it('the front is two longer at the centre, and nothing moves where nothing is added', () => {
    const low = (s: Sheet, id: string) =>
      Math.max(
        ...panel(s, id)
          .edges.find((e) => e.id === 'centre')!
          .path.flatMap((seg) => seg.map(([, y]) => y)),
      );
    expect(low(after!, 'bodice.front') - low(before!, 'bodice.front')).toBeCloseTo(2, 6);
    expect(low(after!, 'bodice.back')).toBe(low(before!, 'bodice.back'));
    const [same, again] = withFront(spec, cm(0))!.map((s) => computeSheet(toSheetInput(s)));
    expect(panelsMoved(same!.panels, again!.panels)).toEqual([]);
  });
  it('a front that was not read is taken alike in both; without a bust there is none', () => {
    const bare = { ...spec, readings: spec.readings.filter((r) => r.measure !== 'bust-front') };
    const [one, two] = withFront(bare, cm(4))!;
    const front = (s: typeof spec) =>
      Number.parseFloat(s.readings.find((r) => r.measure === 'bust-front')!.value);
    expect([front(one), front(two)]).toEqual([46, 50]);
    expect(
      withFront({ ...spec, readings: spec.readings.filter((r) => r.measure !== 'bust') }, cm(4)),
    ).toBeNull();
  });
});
