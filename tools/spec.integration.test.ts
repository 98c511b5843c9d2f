import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';

const root = join(import.meta.dirname, '..');
const dir = mkdtempSync(join(tmpdir(), 'spec-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));
const spec = (file: string, cwd = root) =>
  spawnSync(join(root, 'rocchetto'), ['spec', file], { cwd, encoding: 'utf8' });

describe('./rocchetto spec', () => {
  it('prints the sheet of a file as JSON and nothing else, from any folder', () => {
    const ran = spec('example-spec.json', join(root, 'docs'));
    expect(ran.stderr).toBe('');
    expect(ran.status).toBe(0);
    const sheet = JSON.parse(ran.stdout);
    expect(sheet).toMatchObject({ format: 'rocchetto-sheet', version: 2, lengths: 'cm' });
    expect(sheet.figures.find((f: { id: string }) => f.id === 'hip').finished).toBeCloseTo(
      96.25 + 5 + 2 * Math.PI * 0.02,
      9,
    );
  });
  it.each([
    ['{', 'is not JSON'],
    ['{"format":"rocchetto-spec"}', 'version'],
    [
      readFileSync(join(root, 'docs/example-spec.json'), 'utf8').replace('97.5 cm', '34 3/0 in'),
      'divides by zero',
    ],
  ])('refuses %.24s with a sentence and no stack', (text, says) => {
    const file = join(dir, 'bad.json');
    writeFileSync(file, text);
    const ran = spec(file);
    expect(ran.status).toBe(1);
    expect(ran.stdout).toBe('');
    expect(ran.stderr).toContain(says);
    expect(ran.stderr).not.toMatch(/\n\s+at /);
  });
  it('draws the panels into a file instead, which lies where it was asked for', () => {
    const out = join(dir, 'panels.svg');
    const run = (...more: string[]) =>
      spawnSync(join(root, 'rocchetto'), ['spec', 'docs/example-spec.json', ...more], {
        cwd: root,
        encoding: 'utf8',
      });
    const ran = run('--draw', out);
    expect([ran.status, ran.stderr]).toEqual([0, '']);
    expect(ran.stdout).toContain('panels drawn into');
    expect(readFileSync(out, 'utf8')).toMatch(/^<svg [^>]*viewBox="0 0 \d+ \d+"/);
    expect(run('--draw', join(dir, 'no', 'such', 'folder.svg')).stderr).toContain('cannot be written');
    for (const wrong of [['--draw'], ['--drew', out], [out]]) expect(run(...wrong).stderr).toContain('Usage');
  });
  it('gives all of it to a program that reads slowly', () => {
    const whole = spawnSync(
      '/bin/sh',
      ['-c', `"${root}/rocchetto" spec docs/example-spec.json | (sleep 1; cat)`],
      {
        cwd: root,
        encoding: 'utf8',
      },
    ).stdout;
    expect(whole.length).toBeGreaterThan(66_000);
    expect(JSON.parse(whole).format).toBe('rocchetto-sheet');
  });
  it('says so when there is no such file', () =>
    expect(spec('nowhere.json').stderr).toContain('cannot be read'));
});

describe('./rocchetto compare', () => {
  const compare = (...args: string[]) =>
    spawnSync(join(root, 'rocchetto'), ['compare', ...args], { cwd: root, encoding: 'utf8' });
  it('prints the sizes of a file’s chart, the least work first, with what to change on each', () => {
    const ran = compare('docs/example-compare.json');
    expect([ran.status, ran.stderr]).toEqual([0, '']);
    const made = JSON.parse(ran.stdout);
    expect(made).toMatchObject({ format: 'rocchetto-comparison', version: 1, lengths: 'cm' });
    expect(made.sizes.map((s: { size: string }) => s.size)).toEqual(['12', '14', '10']);
    expect(made.sizes[0].changes).toMatchObject([{ measure: 'waist', edges: 4, perEdge: 0.635 }]);
    expect(made.sizes[0].changes[0].says).toContain('add 1⁄4 in at each of the four side-seam edges');
  });
  it('refuses what is no comparison, and a chart with a size twice, with a sentence and no stack', () => {
    const example = JSON.parse(readFileSync(join(root, 'docs/example-compare.json'), 'utf8'));
    const twice = {
      ...example,
      chart: { ...example.chart, sizes: [...example.chart.sizes, example.chart.sizes[0]] },
    };
    for (const [content, says] of [
      [twice, 'Size 10 is on this chart twice'],
      [
        { ...example, chart: { ...example.chart, sizes: [{ size: '1', at: { bust: 'wide' } }] } },
        'Size 1, bust',
      ],
      [
        { ...example, chart: { ...example.chart, sizes: [{ size: '1', at: { girth: '80' } }] } },
        'no measurement',
      ],
      [{}, 'format'],
    ] as const) {
      const file = join(dir, 'compare.json');
      writeFileSync(file, JSON.stringify(content));
      const ran = compare(file);
      expect([ran.status, ran.stdout]).toEqual([1, '']);
      expect(ran.stderr).toContain(says);
      expect(ran.stderr).not.toMatch(/\n\s+at /);
    }
    for (const wrong of [[], ['a.json', 'b.json'], ['--draw']])
      expect(compare(...wrong).stderr).toContain('Usage');
  });
});
