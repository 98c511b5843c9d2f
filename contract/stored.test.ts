import { readFileSync } from 'node:fs';
import {
  changesBetween,
  type Kept,
  type PrintedSheet,
  showInput,
  withoutClient,
  withoutReadings,
} from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import { SpecFile } from './spec.ts';
import {
  CannotRead,
  NO_SETTINGS,
  readBrief,
  readKept,
  readReading,
  readRules,
  readSettings,
  readSpec,
} from './stored.ts';
import { skirtSpec } from './testing.ts';
import { toBrief, toSheetInput } from './to-core.ts';

interface Golden {
  readonly spec: { readonly garment: object; readonly overrides?: object[]; readonly accepted?: object[] };
  readonly kept: unknown;
  readonly printed: Record<
    'cm' | 'in',
    Record<string, unknown> & { figures: Record<string, unknown>[]; pieces: object[] }
  >;
  readonly drawn: readonly {
    strokes: { d: string; kind: string }[];
    callouts: { letter: string; at: number[]; label: number[] }[];
    box: number[];
  }[];
}
const NAMES = ['example', 'left-zip-inches', 'faced-loose'];
const golden = (name: string) =>
  JSON.parse(readFileSync(new URL(`./testdata/v1/${name}.json`, import.meta.url), 'utf8')) as Golden;

/** A printed sheet as version 1 had it: without what came since. */
function asV1(p: PrintedSheet): unknown {
  const { sections: _, ...rest } = p;
  return {
    ...rest,
    pieces: p.pieces.map(({ panel: __, ...piece }) => piece),
    figures: p.figures.map(({ section: __, panels, byHand, shares: ___, reading, id, why, ...f }) => {
      expect([panels, byHand]).toEqual(['', []]);
      return {
        ...f,
        id: id.replace(/^skirt\./, ''),
        why: reading ? [`${reading.amount} ${reading.words}`, ...why] : why,
      };
    }),
  };
}

describe.each(NAMES)('a sheet kept in version 1 (%s)', (name) => {
  const g = golden(name);
  const kept = readKept(g.kept) as Kept;

  it('prints word for word what it printed then, in both units', () => {
    for (const unit of ['cm', 'in'] as const) expect(asV1(kept.printed[unit])).toEqual(g.printed[unit]);
  });

  it('is drawn stroke for stroke as it was drawn then', () => {
    expect(kept.drawn.cm.views.map((v) => v.strokes.map(({ d, kind }) => ({ d, kind })))).toEqual(
      g.drawn.map((v) => v.strokes.map(({ d, kind }) => ({ d, kind }))),
    );
    expect(
      kept.drawn.in.views.map((v) => v.callouts.map(({ letter, at, label }) => ({ letter, at, label }))),
    ).toEqual(g.drawn.map((v) => v.callouts.map(({ letter, at, label }) => ({ letter, at, label }))));
    expect(kept.drawn.cm.views.map((v) => v.box)).toEqual(g.drawn.map((v) => v.box));
  });

  it('is compared with today’s by the names figures have now', () => {
    const spec = readSpec(g.spec)!;
    const moved = changesBetween(kept.figures, showInput(toSheetInput(spec)).figures);
    expect(moved.some((m) => m.id === 'waist' && m.what === 'finished')).toBe(false);
    expect(kept.figures.map((f) => f.id)).toEqual(
      expect.arrayContaining(['waist', 'hip', 'skirt.hem', 'zip']),
    );
  });

  it('its spec reads in version 2, with what was set by hand and accepted', () => {
    const spec = readSpec(g.spec)!;
    expect(spec.version).toBe(2);
    expect(spec.overrides).toHaveLength(g.spec.overrides?.length ?? 0);
    expect(spec.accepted).toHaveLength(g.spec.accepted?.length ?? 0);
    expect(SpecFile.parse(g.spec)).toEqual(spec);
    expect(readBrief(g.spec.garment)).toEqual(spec.garment);
  });

  it('tells a bench nothing of the readings, and nobody of a client who was erased', () => {
    const bare = JSON.stringify(withoutReadings(kept));
    expect(bare).toContain('Measured.');
    expect(bare).not.toMatch(/Read twice|Read once/);
    const erased = JSON.stringify(withoutClient(kept, 'C-0001', 'a christening'));
    expect(erased).not.toMatch(/Della Marsh|a christening|half slip|Bram Teller/);
  });
});

describe('a sheet kept now', () => {
  const now = showInput(toSheetInput(skirtSpec(['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm'])));
  it('comes back from its column as it went in', () => {
    const column = JSON.parse(JSON.stringify(now)) as Kept;
    expect(column.printed.in.figures.length).toBe(now.figures.length);
    expect(readKept(column)).toEqual(column);
    expect(readKept(JSON.parse(JSON.stringify(readKept(column))))).toEqual(column);
  });
  it('says what cannot be read, instead of showing half of it', () => {
    expect(() => readKept({ version: 2, figures: [] })).toThrow(CannotRead);
    expect(() => readKept({ figures: 'none' })).toThrow(/as it is stored cannot be read/);
    expect(readKept(null)).toBeNull();
  });
});

describe('briefs, decisions, rules and readings of earlier days', () => {
  it('a brief without a version is the first: its vent stands by itself, its fractions of a centimetre as decimals', () => {
    const first = {
      fit: 'fitted',
      cloth: { name: 'wool', width: '150 1/2 cm' },
      parts: [
        {
          part: 'straight-skirt',
          length: '62 cm',
          band: '3 1/2 cm',
          hemOpening: { kind: 'slit', height: '7 in' },
          zip: 'left-side',
        },
      ],
    };
    const brief = readBrief(first)!;
    expect(brief).toMatchObject({ version: 2, cloth: { width: '150.5 cm' } });
    expect(brief.parts[0]).toMatchObject({
      hemOpening: 'slit',
      openingHeight: '7 in',
      band: '3.5 cm',
      zip: 'left-side',
    });
    expect(toBrief(brief).parts[0]).toMatchObject({ band: 3.5, openingHeight: 7 * 2.54 });
    expect(readBrief(JSON.parse(JSON.stringify(brief)))).toEqual(brief);
    expect(
      readBrief({ parts: [{ part: 'straight-skirt', hemOpening: { kind: 'none', height: '0 cm' } }] })!
        .parts[0],
    ).toMatchObject({
      hemOpening: 'none',
      openingHeight: '18 cm',
    });
  });
  it('decisions follow their figures to the names they have now', () => {
    const was = {
      house: {},
      overrides: [
        { id: 'a', figure: 'hem', target: 'finished', value: '100 cm', reason: 'asked', by: 'B', at: '' },
      ],
      accepted: [
        { code: 'stride', by: 'B', at: '', reason: '' },
        { code: 'floor-hip', by: 'B', at: '', reason: 'knowingly' },
      ],
      sessionId: null,
    };
    const now = readSettings(was);
    expect(now.overrides[0]!.figure).toBe('skirt.hem');
    expect(now.accepted.map((a) => [a.code, a.reason])).toEqual([
      ['skirt.stride', 'No reason was written.'],
      ['floor-hip', 'knowingly'],
    ]);
    expect(readSettings(JSON.parse(JSON.stringify(now)))).toEqual(now);
    expect(readSettings({})).toEqual(NO_SETTINGS);
  });
  it('rules and readings are read with what they leave out', () => {
    expect(readRules(null)).toEqual({});
    expect(readRules({ hipDrop: '20 1/2 cm' })).toEqual({ hipDrop: '20.5 cm' });
    expect(readReading({ id: 'x', measure: 'waist', state: 'read', at: '2026-01-01' })).toMatchObject({
      way: 'whole',
      tape: 'snug',
      reason: '',
    });
    expect(() => readReading({ id: 'x', measure: 'waist', state: 'guessed', at: '' })).toThrow(CannotRead);
  });
});

it('a brief that a device was told before steps and traits were known still draws its sheet', () => {
  const { steps: _, ...garment } = skirtSpec(['waist 70 cm', 'hip 96 cm']).garment;
  const { frays: _f, oneWay: _o, border: _b, sheer: _s, across: _a, ...cloth } = garment.cloth;
  const old = { ...garment, cloth } as Parameters<typeof toBrief>[0];
  expect(toBrief(old).steps).toEqual([]);
  expect(toBrief(old).parts).toHaveLength(1);
});
