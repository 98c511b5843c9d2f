import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/** The start of an exported function, written as one or held by a name. */
const EXPORTED = /^export (?:async )?function \*?(\w+)|^export const (\w+)(?::[^=]+)? = (?:async )?[(<]/;

/** Exported functions of a source, and those of them without a docstring above. */
function counted(source: string) {
  const lines = source.split('\n');
  const found = lines.flatMap((line, i) => {
    const m = EXPORTED.exec(line);
    return m ? [{ name: (m[1] ?? m[2])!, told: lines[i - 1]?.trimEnd().endsWith('*/') ?? false }] : [];
  });
  return { all: found.length, without: found.filter((f) => !f.told).map((f) => f.name) };
}

const files = execFileSync('git', ['ls-files', 'core'], { encoding: 'utf8' })
  .split('\n')
  .filter((f) => f.endsWith('.ts') && !/\.test\.ts$|testing/.test(f));

describe('what core offers', () => {
  it('says of every function what it gives', () => {
    const of = files.map((file) => ({ file, ...counted(readFileSync(file, 'utf8')) }));
    expect(of.reduce((n, f) => n + f.all, 0)).toBeGreaterThan(800);
    expect(of.flatMap(({ file, without }) => without.map((name) => `${file}: ${name}`))).toEqual([]);
  });
  it('is counted: a function without a word, and one with', () => {
    expect(counted('export const a = (x: Cm): Cm => x;\n')).toEqual({ all: 1, without: ['a'] });
    expect(counted('/** cm */\nexport function b() {}\nexport const C = 1;\n')).toEqual({
      all: 1,
      without: [],
    });
  });
});
