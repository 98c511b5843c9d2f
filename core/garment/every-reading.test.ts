import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import type { Sheet } from '../sheet/compute.ts';
import { GARMENTS } from './garments.ts';
import { asLines, type Body } from './testing.ts';
import { FULL_BODY } from './testing-full-body.ts';

type Parts = readonly Readonly<Record<string, unknown> & { part: string }>[];
/** The house's garments, and those of the same parts whose other fields ask for other readings. */
const CASES: readonly (readonly [name: string, parts: Parts, without?: readonly string[]])[] = [
  ...GARMENTS.map((g) => [g.id, g.parts as Parts] as const),
  ['bodice by the quarter plan', [{ part: 'darted-bodice', plan: 'quarter' }]],
  ['bodice by heights', [{ part: 'darted-bodice', plan: 'heights' }]],
  ['sheath by the quarter plan', [{ part: 'long-bodice', plan: 'quarter', below: '58 cm' }]],
  [
    'bodice of few figures',
    [{ part: 'darted-bodice' }],
    [
      'shoulder',
      'across-back',
      'underarm-to-waist',
      'bust-front',
      'neck-to-waist-back',
      'neck-to-waist-front',
    ],
  ],
  [
    'quarter plan of the back',
    [{ part: 'darted-bodice', plan: 'quarter' }],
    ['neck-to-waist-front', 'bust-to-waist', 'bust-to-underbust', 'neck-to-underbust'],
  ],
  [
    'bustier of few heights',
    [{ part: 'boned-bodice' }],
    [
      'corset-top-front',
      'corset-top-side',
      'corset-top-back',
      'bust-to-waist',
      'underbust-to-waist',
      'top-edge',
    ],
  ],
  [
    'skirt without its hem read',
    [{ part: 'straight-skirt' }],
    ['hem-front', 'hem-left', 'hem-right', 'hem-back'],
  ],
  [
    'flared from the knee',
    [{ part: 'gored-skirt', flareFrom: 'knee' }],
    ['hem-front', 'hem-left', 'hem-right', 'hem-back'],
  ],
  [
    'dress read whole',
    [{ part: 'darted-bodice' }, { part: 'straight-skirt' }],
    ['hem-front', 'hem-left', 'hem-right', 'hem-back'],
  ],
  [
    'dress read whole from the nape',
    [{ part: 'darted-bodice' }, { part: 'circle-skirt' }],
    ['hem-front', 'hem-left', 'hem-right', 'hem-back', 'garment-length', 'neck-to-waist-back'],
  ],
  ['sheath read whole from the nape', [{ part: 'long-bodice' }], ['garment-length', 'neck-to-waist-back']],
  [
    'three-quarter sleeve',
    [{ part: 'darted-bodice' }, { part: 'sleeve', shape: 'fitted', goes: 'length', length: '42 cm' }],
    ['sleeve-length'],
  ],
  ['trousers of few figures', [{ part: 'trousers' }], ['rise', 'waist-to-knee']],
  ['trousers to the floor', [{ part: 'trousers', goes: 'clear' }]],
  ['pull-on trousers to a side length', [{ part: 'pull-on-trousers', goes: 'side', side: '95 cm' }]],
  ['top from the floor', [{ part: 'top', from: 'floor', clear: '40 cm' }], ['garment-length']],
  [
    'top from the waist, few figures',
    [{ part: 'top', from: 'waist', length: '20 cm' }],
    ['shoulder', 'across-shoulder', 'garment-length'],
  ],
  ['neckline by the girth of the neck', [{ part: 'darted-bodice', neckBy: 'girth' }]],
  ['bodice of a neck read round', [{ part: 'darted-bodice' }], ['neck-width', 'shoulder']],
  [
    'bodice by heights of a neck read round',
    [{ part: 'darted-bodice', plan: 'heights' }],
    ['neck-width', 'shoulder'],
  ],
  ['bustier on straps', [{ part: 'boned-bodice', straps: 'shoulder' }]],
  ['bustier on straps that were not read', [{ part: 'boned-bodice', straps: 'shoulder' }], ['strap-length']],
  ['bustier on ties', [{ part: 'boned-bodice', straps: 'halter' }]],
  ['overskirt to the floor', [{ part: 'straight-skirt' }, { part: 'overskirt', lengthFrom: 'floor' }]],
];

const spec = (parts: Parts, body: Body) =>
  sheetOf(garmentSpec(parts, asLines(body), { house: { rounding: EXACT } }));
/** All that a hand would mark or buy from the sheet. */
const made = (s: Sheet) =>
  JSON.stringify([
    s.figures.map((f) => [f.id, f.finished, f.marked, f.shares.map((h) => [h.panel, h.exact])]),
    s.panels.map((p) => [p.id, p.edges.map((e) => e.path), p.darts]),
    s.notions,
    s.pieces,
  ]);

describe('a reading moves the garment, or the sheet lists it as not used, with its reason', () => {
  it.each(CASES.map(([name, parts, without]) => [name, parts, without ?? []] as const))(
    '%s',
    (_, parts, without) => {
      const body: Body = Object.fromEntries(
        Object.entries(FULL_BODY).filter(([id]) => !without.includes(id)),
      );
      const sheet = spec(parts, body);
      const before = made(sheet);
      const unused = new Map(sheet.unused().map((u) => [u.measure, u.because]));
      const wrong: string[] = [];
      // All that is listed is moved at once first, each by another amount: where nothing moves, none of it does.
      const still = [0.5, -0.5, 2, -2].every((d) => {
        const other = Object.entries(body).map(([id, value], i) =>
          unused.has(id) ? [id, Math.max(0.4, value + d * (1 + ((i * 7) % 11) / 20))] : [id, value],
        );
        return made(spec(parts, Object.fromEntries(other))) === before;
      });
      for (const [id, value] of Object.entries(body)) {
        if (still && unused.has(id)) continue;
        const moves = [0.5, -0.5, 2, -2].some(
          (d) => made(spec(parts, { ...body, [id]: value + d })) !== before,
        );
        if (moves && unused.has(id)) wrong.push(`${id} moves, and is listed: ${unused.get(id)}`);
        if (!moves && !unused.has(id)) wrong.push(`${id} moves nothing, and is not listed`);
      }
      expect(wrong).toEqual([]);
    },
  );
});
