import { readFileSync } from 'node:fs';
import { CSV_COLUMNS, sheetRows, showInput } from '@rocchetto/core';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { lengthText } from './length.ts';
import { may, ROLES } from './may.ts';
import { toCm } from './parse-length.ts';
import { sentencesOf } from './problems.ts';
import { computeFile } from './sheet-file.ts';
import { SpecFile, SpecOrSheetFile, specJsonSchema } from './spec.ts';
import { skirtSpec } from './testing.ts';
import { toSheetInput } from './to-core.ts';

/** An example about to be spoiled: any of it may be missing or wrong. */
// biome-ignore lint/suspicious/noExplicitAny: spoiling is the point
type Spoiled = any;

const example = () =>
  JSON.parse(readFileSync(new URL('../docs/example-spec.json', import.meta.url), 'utf8')) as Record<
    string,
    unknown
  >;

describe('the spec file', () => {
  it('reads the example as it was written in version 1, to the figures it always had', () => {
    const v1 = JSON.parse(readFileSync(new URL('./testdata/v1/example.json', import.meta.url), 'utf8')) as {
      spec: { version: number };
    };
    expect(v1.spec.version).toBe(1);
    const file = computeFile(SpecFile.parse(v1.spec));
    expect(file.printed).toEqual(computeFile(SpecFile.parse(example())).printed);
    const marked = Object.fromEntries(
      file.printed.figures.map((f) => [f.id, f.front ? `${f.front} / ${f.back}` : f.marked || f.finished]),
    );
    expect(marked).toMatchObject({
      waist: '18 cm / 18 cm',
      hip: '25.5 cm / 25.5 cm',
      'skirt.hem': '24.5 cm / 24.5 cm',
      'level-hip': '20.5 cm',
      'skirt.hem-right': '62.5 cm',
      'skirt.band-length': '75 cm',
    });
    expect(file.figures.find((f) => f.id === 'hip')!.terms.find((t) => t.kind === 'tape')!.cm).toBe(-1);
    expect(file.printed.missing).toContain('tummy');
  });

  it('comes back from its own sheet file', () => {
    const spec = SpecFile.parse(example());
    const again = SpecOrSheetFile.parse(JSON.parse(JSON.stringify(computeFile(spec))));
    expect(again).toEqual(spec);
    expect(computeFile(again)).toEqual(computeFile(spec));
  });

  it('has a JSON Schema in docs/ that is the one the code makes', () => {
    const kept = JSON.parse(
      readFileSync(new URL('../docs/spec.schema.json', import.meta.url), 'utf8'),
    ) as object;
    expect(kept).toEqual(JSON.parse(JSON.stringify(specJsonSchema())));
  });

  it.each([
    ['no format', (s: Spoiled) => delete s.format, 'format'],
    [
      'another version',
      (s: Spoiled) => {
        s.version = 3;
      },
      'version',
    ],
    [
      'a misspelt key',
      (s: Spoiled) => {
        s.readigns = [];
      },
      'readigns',
    ],
    [
      'a reading without a unit',
      (s: Spoiled) => {
        s.readings[0].value = '27.5';
      },
      'no unit',
    ],
    [
      'letters for a reading',
      (s: Spoiled) => {
        s.readings[0].value = 'wide';
      },
      'not a unit',
    ],
    [
      'a fraction over nothing',
      (s: Spoiled) => {
        s.readings[0].value = '34 3/0 in';
      },
      'divides by zero',
    ],
    [
      'a measure nobody knows',
      (s: Spoiled) => {
        s.readings[0].measure = 'tail';
      },
      'no measurement',
    ],
    [
      'a part nobody knows',
      (s: Spoiled) => {
        s.garment.parts[0].part = 'cape';
      },
      'no garment part called “cape”',
    ],
    [
      'no part',
      (s: Spoiled) => {
        s.garment.parts = [];
      },
      'at least one part',
    ],
    [
      'too much taper',
      (s: Spoiled) => {
        s.garment.parts[0].taper = '9 cm';
      },
      'between 0 and 2.54',
    ],
    [
      'a rounding the house does not know',
      (s: Spoiled) => {
        s.house = { rounding: { unit: 'cm', step: 0.3, mode: 'up' } };
      },
      'step',
    ],
    [
      'an override without a reason',
      (s: Spoiled) => {
        s.overrides = [{ figure: 'hip', target: 'wearing', value: '2 cm', reason: ' ' }];
      },
      'Enter a reason',
    ],
    [
      'a date that is none',
      (s: Spoiled) => {
        s.session.date = '2026-02-30';
      },
      'session.date',
    ],
  ])('refuses %s with a sentence', (_, spoil, says) => {
    const spec = example();
    spoil(spec);
    const result = SpecFile.safeParse(spec);
    expect(result.success).toBe(false);
    if (!result.success) expect(sentencesOf(result.error).join(' ')).toContain(says);
  });
});

describe('lengths in files', () => {
  it('keep their unit and allow zero and less where that means something', () => {
    expect(toCm('24 1/2 in')).toBeCloseTo(62.23, 9);
    expect(toCm('0 cm')).toBe(0);
    expect(toCm('-0.5 cm')).toBe(-0.5);
    expect(() => toCm('24')).toThrow(RangeError);
    expect(lengthText({ name: 'x', min: 0, max: 10 }).safeParse('-1 cm').success).toBe(false);
  });
});

describe('the CSV', () => {
  it('reads back with papaparse as the sheet prints it, in both units', () => {
    const spec = skirtSpec(['waist 27 1/2 in', 'hip 38 5/8 in', 'waist-to-hip 8 in'], {
      garment: { cloth: { name: '=cmd|"x", "quoted"' } },
    });
    const sheet = showInput(toSheetInput(spec));
    for (const unit of ['cm', 'in'] as const) {
      const rows = sheetRows(sheet.printed[unit], sheet.figures);
      const back = Papa.parse<string[]>(Papa.unparse(rows, { newline: '\r\n' }), { skipEmptyLines: true });
      expect(back.errors).toEqual([]);
      expect(back.data).toEqual(rows);
      expect(back.data[0]).toEqual([...CSV_COLUMNS]);
      const printed = computeFile(spec, unit).printed.figures;
      expect(back.data.slice(1).map((r) => r[CSV_COLUMNS.indexOf('finished')])).toEqual(
        printed.map((f) => f.finished),
      );
    }
  });
});

describe('roles', () => {
  it('nobody at the bench sees an address, the desk changes no sheet, only the principal keeps the staff', () => {
    expect(ROLES.filter((r) => may(r, 'client.contact'))).toEqual(['principal', 'fitter', 'desk']);
    expect(ROLES.filter((r) => may(r, 'sheet.write'))).toEqual(['principal', 'fitter']);
    expect(ROLES.filter((r) => may(r, 'session.read'))).toEqual(['principal', 'fitter']);
    expect(ROLES.filter((r) => may(r, 'staff.manage'))).toEqual(['principal']);
  });
});
