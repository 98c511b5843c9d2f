import { readFileSync } from 'node:fs';
import { openMatters, sheetRows, showInput } from '@rocchetto/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sentencesOf } from './problems.ts';
import { computeFile } from './sheet-file.ts';
import { type SpecFile, SpecOrSheetFile } from './spec.ts';
import { toSheetInput } from './to-core.ts';

const example = () =>
  JSON.parse(readFileSync(new URL('../docs/example-spec.json', import.meta.url), 'utf8')) as object;

/** Every path into a JSON value. */
function paths(value: unknown, at: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (typeof value !== 'object' || value === null) return [at];
  const keys = Array.isArray(value) ? value.map((_, i) => i) : Object.keys(value);
  return [at, ...keys.flatMap((k) => paths((value as Record<string | number, unknown>)[k], [...at, k]))];
}

function put(value: unknown, path: readonly (string | number)[], what: unknown): unknown {
  if (path.length === 0) return what;
  const [key, ...rest] = path;
  const copy = (Array.isArray(value) ? [...value] : { ...(value as object) }) as Record<
    string | number,
    unknown
  >;
  copy[key!] = put(copy[key!], rest, what);
  return copy;
}

/** Computes and prints everything a good spec can be asked for. */
function useUp(spec: SpecFile) {
  const sheet = showInput(toSheetInput(spec));
  for (const unit of ['cm', 'in'] as const) {
    const printed = JSON.stringify(sheet.printed[unit]);
    expect(printed).not.toMatch(/NaN|undefined|Infinity|\{cm:/);
    expect(
      sheetRows(sheet.printed[unit], sheet.figures).every((row) =>
        row.every((cell) => typeof cell === 'string'),
      ),
    ).toBe(true);
  }
  const { views, panels } = sheet.drawn.cm;
  for (const view of [...views, ...(panels ? [panels] : [])])
    for (const s of view.strokes) expect(s.d).not.toMatch(/NaN|Infinity/);
  expect(Array.isArray(openMatters(sheet))).toBe(true);
}

const odd = fc.oneof(
  fc.constantFrom<unknown>(
    '',
    ' ',
    '0 cm',
    '-3 cm',
    '1 in',
    '99999 cm',
    '34 3/0 in',
    'wide',
    '½ in',
    null,
    true,
    [],
    {},
    0,
    -1,
    1e9,
    '../../etc/passwd',
    '<b>',
    "'; drop table",
  ),
  fc.string({ maxLength: 30 }),
  fc.anything({ maxDepth: 2 }),
);

describe('whatever comes in a file', () => {
  it('is either refused with sentences or makes a sheet that prints', () => {
    const all = paths(example());
    fc.assert(
      fc.property(fc.constantFrom(...all), odd, (path, what) => {
        const result = SpecOrSheetFile.safeParse(put(example(), path, what));
        if (result.success) useUp(result.data);
        else expect(sentencesOf(result.error)[0]!.length).toBeGreaterThan(5);
      }),
      { numRuns: 400 },
    );
  });

  it('that is no object at all is refused and never thrown on', () => {
    fc.assert(fc.property(fc.anything(), (what) => SpecOrSheetFile.safeParse(what).success === false));
  });

  it('with any one thing missing still says what, or does without it', () => {
    const good = example() as { readings: { measure: string }[] };
    for (let i = 0; i < good.readings.length; i++)
      useUp(SpecOrSheetFile.parse({ ...good, readings: good.readings.filter((_, j) => j !== i) }));
    useUp(SpecOrSheetFile.parse({ ...good, readings: [] }));
  });

  it('gives the same sheet every time, and again from its own sheet file', () => {
    const length = fc.integer({ min: 110, max: 300 }).map((n) => `${n / 2} cm`);
    fc.assert(
      fc.property(
        length,
        length,
        fc.constantFrom('close', 'fitted', 'semi-fitted', 'loose', 'very-loose'),
        (waist, hip, fit) => {
          const base = example() as { garment: object };
          const spec = SpecOrSheetFile.parse({
            ...base,
            garment: { ...base.garment, fit },
            readings: [
              { measure: 'waist', value: waist },
              { measure: 'hip', value: hip },
            ],
          });
          const file = computeFile(spec);
          expect(computeFile(spec)).toEqual(file);
          expect(computeFile(SpecOrSheetFile.parse(JSON.parse(JSON.stringify(file)))).printed).toEqual(
            file.printed,
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});
