import {
  addPart,
  allParts,
  formatSentence,
  GARMENTS,
  garmentProblems,
  measuringList,
  showInput,
} from '@rocchetto/core';
import { definePart } from '@rocchetto/core/garment/part.ts';
import { sash } from '@rocchetto/core/garment/testing-part.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { BriefWire } from './brief.ts';
import { partJsonSchema } from './parts.ts';
import { sentencesOf } from './problems.ts';
import { refusedIn } from './sheet-file.ts';
import { SpecFile } from './spec.ts';
import { skirtSpec } from './testing.ts';
import { toBrief, toSheetInput, typedPart } from './to-core.ts';

const says = (parts: unknown): string => {
  const read = BriefWire.safeParse({ version: 2, parts });
  return read.success ? '' : sentencesOf(read.error).join(' ');
};
/** Something that needs an armhole, for parts that cannot be joined yet. */
const sleeve = definePart({
  ...sash,
  id: 'test-sleeve',
  name: 'sleeve',
  key: 'sleeve',
  joins: { gives: [], takes: [{ edge: 'armhole', needed: true }], givenUp: [] },
});

describe('what is no garment is said in a sentence', () => {
  let away: (() => void)[] = [];
  beforeAll(() => {
    away = [addPart(sash), addPart(sleeve)];
  });
  afterAll(() => {
    for (const a of away) a();
  });
  it.each([
    [
      'two skirts',
      [{ part: 'straight-skirt' }, { part: 'circle-skirt' }],
      'Two parts join the same waist: straight skirt and circle skirt',
    ],
    [
      'two skirts under a bodice',
      [{ part: 'darted-bodice' }, { part: 'straight-skirt' }, { part: 'straight-skirt' }],
      'Two parts join the same waist',
    ],
    ['two bodices', [{ part: 'darted-bodice' }, { part: 'darted-bodice' }], 'Two parts have the same waist'],
    ['a sleeve without an armhole', [{ part: 'test-sleeve' }], 'needs an armhole to join'],
    ['a sleeve at a skirt', [{ part: 'straight-skirt' }, { part: 'test-sleeve' }], 'needs an armhole'],
    ['parts that do not meet', [{ part: 'sash' }, { part: 'circle-skirt' }], 'joins no other part'],
    ['30 parts', Array.from({ length: 30 }, () => ({ part: 'straight-skirt' })), 'at most 12 parts'],
    ['a part nobody knows', [{ part: 'cape' }], 'no garment part called “cape”'],
    [
      'fields of another part',
      [{ part: 'circle-skirt', taper: '1 cm' }],
      'A circle skirt has no field called “taper”',
    ],
    [
      'a choice there is not',
      [{ part: 'circle-skirt', circle: '5/4' }],
      'How much of a circle: choose one of',
    ],
    ['a length without a unit', [{ part: 'straight-skirt', length: '62' }], 'no unit'],
    ['a ratio too large', [{ part: 'gathered-skirt', ratio: 9 }], 'a number from 1.2 to 4'],
    ['a number for a length', [{ part: 'straight-skirt', band: 3 }], 'expected string'],
    ['a text for a part', ['straight-skirt'], 'names itself'],
    ['an array for a part', [[{ part: 'straight-skirt' }]], 'names itself'],
    ['nothing for a part', [null], 'names itself'],
  ])('%s', (_, parts, sentence) => expect(says(parts)).toContain(sentence));

  it('no part at all, in a spec', () => {
    const spec = { ...skirtSpec(['waist 70 cm']), garment: { parts: [] } };
    const read = SpecFile.safeParse(spec);
    expect(read.success ? '' : sentencesOf(read.error).join(' ')).toContain('at least one part');
    expect(garmentProblems([])).toEqual(['Choose at least one part for the garment.']);
  });

  it.each([1, 2])('an unknown key in a spec of version %d', (version) => {
    const part = version === 1 ? { part: 'straight-skirt', length: '60 cm' } : { part: 'straight-skirt' };
    const spec = (more: object) =>
      SpecFile.safeParse({
        format: 'rocchetto-spec',
        version,
        garment: { parts: [part] },
        readings: [],
        ...more,
      });
    expect(spec({}).success).toBe(true);
    const strange = spec({ colour: 'red' });
    expect(strange.success ? '' : sentencesOf(strange.error).join(' ')).toContain('colour');
  });

  it('an override of a figure that is not there', () => {
    const by = { reason: 'x', by: 'F', at: '' };
    const spec = skirtSpec(['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm'], {
      rest: { overrides: [{ figure: 'sleeve.cap', target: 'finished', value: '14 cm', ...by }] },
    });
    expect(refusedIn(spec)).toEqual([
      'sleeve.cap, finished 14 cm: This sheet has no figure called “sleeve.cap”.',
    ]);
  });
});

describe('fields make the schema, the lengths and the JSON Schema of a part', () => {
  it('every garment of the house reads from its own names alone, with every field filled', () => {
    for (const g of GARMENTS) {
      const brief = BriefWire.parse({ parts: g.parts });
      for (const [i, p] of brief.parts.entries()) {
        const part = allParts().find((x) => x.id === p.part)!;
        expect(Object.keys(p).sort()).toEqual(['part', ...Object.keys(part.fields)].sort());
        const core = toBrief(brief).parts[i]!;
        for (const [id, f] of Object.entries(part.fields))
          if (f.kind === 'length' && p[id] !== null) expect(typeof core[id]).toBe('number');
      }
      expect(measuringList(brief.parts).filter((m) => m.needed).length).toBeGreaterThan(1);
    }
  });
  it('the JSON Schema names every part with its fields, units and defaults', () => {
    const text = JSON.stringify(partJsonSchema());
    for (const p of allParts()) {
      expect(text).toContain(`"const":"${p.id}"`);
      for (const [id, f] of Object.entries(p.fields)) {
        expect(text).toContain(`"${id}":`);
        expect(text).toContain(formatSentence(f.label, 'cm'));
      }
    }
  });
});

describe('a part that only the tests have', () => {
  it('goes from brief to figures, drawing, cut list and CSV by being registered, and is gone when it is taken off', () => {
    const away = addPart(sash);
    try {
      expect(() => addPart(sash)).toThrow(RangeError);
      const spec = SpecFile.parse({
        format: 'rocchetto-spec',
        version: 2,
        garment: { parts: [{ part: 'sash', width: '4 in', tails: true, layers: 2 }] },
        readings: [{ measure: 'waist', value: '70 cm' }],
      });
      expect(measuringList(spec.garment.parts)).toEqual([{ id: 'waist', needed: true }]);
      const shown = showInput(toSheetInput(spec));
      const f = shown.printed.cm.figures.find((x) => x.id === 'sash.length')!;
      expect([f.finished, f.section]).toEqual(['152.5 cm', 'sash']);
      expect(shown.printed.cm.pieces[0]).toMatchObject({
        piece: 'sash',
        cut: '2',
        size: '13.5 cm × 155.5 cm',
      });
      expect(shown.drawn.cm.panels!.callouts.map((c) => c.figure)).toContain('sash.length');
      expect(JSON.stringify(partJsonSchema())).toContain('Embroidered words');
    } finally {
      away();
    }
    expect(says([{ part: 'sash' }])).toContain('no garment part called “sash”');
  });
});

describe('a part that is still being typed', () => {
  const asks = (belt: string) =>
    measuringList(
      [typedPart({ part: 'details', belt } as never, 'cm')].map((p) => ({ ...p, part: 'details' })),
    )
      .filter((m) => m.needed)
      .map((m) => m.id);
  it.each([
    ['4', ['waist']],
    ['4 cm', ['waist']],
    ['1 1/2 in', ['waist']],
    ['0', []],
    ['0 cm', []],
    ['fo', []],
    ['', []],
  ])('a belt of “%s” asks for %j', (belt, needed) => expect(asks(belt)).toEqual(needed));
  it('a number alone has the page’s unit, and what has no default stays open', () => {
    const typed = (below: string, unit: 'cm' | 'in') =>
      typedPart({ part: 'long-bodice', below, overHip: 'x' } as never, unit) as Record<string, unknown>;
    expect(typed('24', 'cm').below).toBe(24);
    expect(typed('10', 'in').below).toBeCloseTo(25.4, 9);
    expect(typed('2 ft 3/', 'cm').below).toBe(22);
    expect(typed('24', 'cm').overHip).toBeNull();
  });
});
