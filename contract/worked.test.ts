import { readdirSync, readFileSync } from 'node:fs';
import { allParts } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import { computeFile } from './sheet-file.ts';
import { SpecFile } from './spec.ts';

const dir = new URL('../docs/worked/', import.meta.url);
const files = readdirSync(dir).filter((f) => f.endsWith('.md'));

/** A worked sheet: the spec in its page, and the figures that were worked out by hand beside it. */
function worked(file: string) {
  const text = readFileSync(new URL(file, dir), 'utf8');
  const spec = SpecFile.parse(JSON.parse(/```json\n([\s\S]*?)```/.exec(text)![1]!));
  const rows = [...text.matchAll(/^\| ([a-z][a-z0-9.: -]*?) +\| (.*?) +\|$/gm)]
    .map((m) => [m[1]!, m[2]!] as const)
    .filter(([id]) => id !== 'figure');
  return { spec, rows };
}

describe('sheets worked by hand (docs/worked, invented bodies)', () => {
  it.each(files)('%s: every figure is the program’s', (file) => {
    const { spec, rows } = worked(file);
    const { printed } = computeFile(spec);
    const program = new Map<string, string>([
      ...printed.figures.map((f): [string, string] => [
        f.id,
        f.front ? `${f.front} / ${f.back}` : f.panels || f.marked || f.finished,
      ]),
      ...printed.pieces.map((p): [string, string] => [`piece: ${p.piece}`, p.size]),
      ...printed.notions.map((n): [string, string] => [`lay ready: ${n.name}`, n.text.split(',')[0]!]),
    ]);
    expect(rows.length).toBeGreaterThan(5);
    expect(Object.fromEntries(rows)).toEqual(Object.fromEntries(rows.map(([id]) => [id, program.get(id)])));
  });

  it('there is one for every part of the house', () => {
    const parts = new Set(files.flatMap((f) => worked(f).spec.garment.parts.map((p) => p.part)));
    expect([...parts].sort()).toEqual(
      allParts()
        .map((p) => p.id)
        .sort(),
    );
  });
});
